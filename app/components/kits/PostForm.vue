<script setup lang="ts">
import { itemAt } from '../../../core/lists'
import { BOUNDS, POSTING } from '../../../core/document'
import type { EnvelopeEntry, PostEntry, RateEntry } from '../../../core/document'

/** Envelopes and rates. The figures it starts with are made up; the maker puts in what the post asks. */
const { post, currency, open = false } = defineProps<{
  post: PostEntry
  currency: string
  open?: boolean
}>()
const { units } = useMeasures()
const emit = defineEmits<{ change: [what: string, change: (post: PostEntry) => void] }>()

const set = (label: string, change: (post: PostEntry) => void) => emit('change', `post ${label}`, change)
const addEnvelope = () =>
  set(
    'add envelope',
    ({ envelopes }) =>
      void envelopes.push({
        key: uniqueKey('envelope'),
        name: free('Envelope', envelopes),
        width: units.value === 'inch' ? '5 3/4 in' : '162 mm',
        height: units.value === 'inch' ? '8 3/4 in' : '229 mm',
      }),
  )
const addRate = () =>
  set(
    'add rate',
    ({ rates }) =>
      void rates.push({
        key: uniqueKey('rate'),
        name: free('Rate', rates),
        width: '250 mm',
        height: '353 mm',
        thickness: '25 mm',
        weight: 500,
        price: 300,
      }),
  )
const free = (stem: string, taken: { name: string }[]) => {
  let number = taken.length + 1
  while (taken.some(({ name }) => name === `${stem} ${number}`)) number++
  return `${stem} ${number}`
}
const rows = <Kind extends 'envelopes' | 'rates'>(kind: Kind) => post[kind].map((entry, at) => editable(entry, change =>
  set(`${kind} ${at} ${Object.keys(change).join()}`, all => void Object.assign(itemAt<object>(all[kind], at), change))))
const envelopes = computed(() => rows('envelopes') as EnvelopeEntry[])
const rates = computed(() => rows('rates') as RateEntry[])
</script>

<template>
  <FoldOut title="Envelopes and posting" :open>
    <p class="quiet small">
      Made-up rates to start from: put in what your post asks.
    </p>
    <div class="row">
      <FieldRows
        :table="POSTING"
        :values="post"
        @change="(key, change) => set(key, all => void Object.assign(all, change))"
      />
    </div>
    <NamedRow
      v-for="(entry, index) in envelopes"
      :key="`envelope ${index}`"
      v-model="entry.name"
      :legend="`Envelope ${index + 1}`"
      @remove="set('remove envelope', all => void all.envelopes.splice(index, 1))"
    >
      <SizeFields :width="entry.width" :height="entry.height" @change="(side, value) => entry[side] = value" />
    </NamedRow>
    <PlainButton label="Add an envelope" :disabled="post.envelopes.length >= BOUNDS.envelopes" @click="addEnvelope" />
    <NamedRow
      v-for="(entry, index) in rates"
      :key="`rate ${index}`"
      v-model="entry.name"
      :legend="`Rate ${index + 1}`"
      @remove="set('remove rate', all => void all.rates.splice(index, 1))"
    >
      <SizeFields :width="entry.width" :height="entry.height" @change="(side, value) => entry[side] = value" />
      <LengthField v-model="entry.thickness" label="Thickness" />
      <NumberField v-model="entry.weight" label="Grams" :min="1" :max="BOUNDS.grams" />
      <MoneyField v-model="entry.price" :label="`Price, ${currency}`" :max="BOUNDS.cents" />
    </NamedRow>
    <PlainButton label="Add a rate" :disabled="post.rates.length >= BOUNDS.rates" @click="addRate" />
  </FoldOut>
</template>
