<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import type { Suggestion, TeachWishes } from '../../core/kits'
import { ANY_CLASS } from '../../core/kits'
import { wholeMinutes } from '../../core/cutting'
import type { Batch, StudioSettings } from '../../core/document'
import { BOUNDS, DEFAULT_SETTINGS, newClass } from '../../core/document'
import { SKILLS, factsOf, foldById } from '../../core/folds'
import type { Units } from '../../core/lengths'

/**
 * What could be taught from what is on the shelf: folds ranked by what needs no buying, each one click from a class.
 */
const shelf = usePapersStore()
const toast = useToast()
const units = useLocalStorage<Units>('wakaru-units', 'inch', { initOnMounted: true })
const seats = ref(12)
const spares = ref(2)
const wishes = ref<TeachWishes>({ ...ANY_CLASS })
const settings = shallowRef<StudioSettings>(DEFAULT_SETTINGS)
const { found, running, state, reason, ask, stop } = useTeach()
const ready = ref(false)
const SKILL_OPTIONS = SKILLS.map(value => ({ value, label: value }))

onMounted(async () => {
  try {
    const answer = await $fetch<{ settings: StudioSettings }>('/api/settings')
    settings.value = answer.settings
    await shelf.loadAll()
  }
  catch (error) {
    toast.add({
      severity: 'error', summary: 'The shelf could not be read', detail: refusalOf(error).message, life: 12_000,
    })
  }
  ready.value = true
  look()
})

function shelfAsClass(): Batch {
  const details = {
    title: 'What could I teach', date: localDay(14), units: units.value, seats: seats.value, spares: spares.value,
  }
  return JSON.parse(JSON.stringify({ ...newClass(details, settings.value), papers: shelf.papers }))
}
function look() {
  if (ready.value && shelf.papers.length > 0) ask(shelfAsClass(), JSON.parse(JSON.stringify(wishes.value)))
}
watch([seats, spares, units, wishes], look, { deep: true })

const making = ref('')
type Chosen = Pick<Suggestion, 'fold' | 'batch'>
async function make({ fold, batch }: Chosen) {
  making.value = fold
  try {
    const { writeBatch } = await import('../../core/formats')
    const used = new Set(Object.values(batch.cards[0]?.papers ?? {}))
    const papers = batch.papers.filter(({ key }) => used.has(key))
    const own = { ...batch, class: { ...batch.class, title: foldById(fold)?.name ?? fold }, papers }
    const headers = { 'Content-Type': 'application/json' }
    const { id } = await $fetch<{ id: number }>('/api/import', { method: 'POST', body: writeBatch(own), headers })
    await navigateTo(`/classes/${id}/cards`)
  }
  catch (error) {
    toast.add({ severity: 'error', summary: 'The class was not made', detail: refusalOf(error).message, life: 12_000 })
  }
  finally {
    making.value = ''
  }
}

/** A suggestion with the size that gives more. */
function moved({ fold, batch, card, nearby }: Suggestion): Chosen {
  const parameters = nearby ? { ...card.parameters, [nearby.parameter]: nearby.value } : card.parameters
  return { fold, batch: { ...batch, cards: [{ ...card, parameters }] } }
}
const money = useMoney(() => settings.value.prices.currency)
const toBuy = ({ kits, wanted, toBuy, spending, whole }: Suggestion) => {
  if (kits >= wanted) return 'nothing to buy'
  if (!whole) return 'the rest cannot be bought'
  return `to buy ${toBuy.map(({ paper, sheets }) => `${sheets} × ${paper}`).join(', ')}, ${money(spending)}`
}
/** The suggestions with what the catalogue says of their folds. */
const rows = computed(() => found.value.flatMap((one) => {
  const fold = foldById(one.fold)
  return fold
    ? [{ ...one, name: fold.name, view: fold.view, construction: factsOf(fold, units.value).construction }]
    : []
}))
const enough = computed(() => found.value.filter(({ kits, wanted }) => kits >= wanted).length)
useHead({ title: 'What could I teach? · Wakaru' })
</script>

<template>
  <div class="stack">
    <PaperDefs :papers="shelf.papers" />
    <div class="spread">
      <h1>What could I teach?</h1>
      <UnitsChoice v-model="units" size="small" />
    </div>
    <div class="row wishes">
      <NumberField v-model="seats" label="Seats" :min="1" :max="BOUNDS.seats" />
      <NumberField v-model="spares" label="Spare bags" :min="0" :max="BOUNDS.spares" />
      <NumberField v-model="wishes.minutes" label="Minutes of cutting" :min="1" :max="BOUNDS.limit" :blank="null" />
      <ChoiceField
        label="Envelope"
        :model-value="wishes.envelope || null"
        :options="settings.post.envelopes"
        none="any, or none"
        @update:model-value="wishes.envelope = $event ?? ''"
      />
      <SelectButton
        v-model="wishes.skills"
        :options="SKILL_OPTIONS"
        option-value="value"
        option-label="label"
        multiple
        size="small"
        aria-label="Skill; none for any"
      />
      <TickField v-model="wishes.flat" switched label="Posts flat" />
    </div>
    <p role="status" class="row">
      <template v-if="ready && shelf.papers.length === 0">
        The shelf is empty: nothing can be made of it yet.
        <NuxtLink to="/papers">Put your papers on the shelf</NuxtLink>
      </template>
      <template v-else-if="state === 'failed'">
        The search could not finish: {{ reason }}
      </template>
      <template v-else-if="found.length > 0">
        <strong>
          {{ enough }} of {{ count(found.length, 'fold') }} for all {{ count(seats + spares, 'bag') }} from what is on
          the shelf.
        </strong>
        <span class="quiet">Each number was checked by cutting it; minutes are those at the trimmer.</span>
      </template>
      <template v-else-if="state === 'settled'">
        No fold of the catalogue does all that. Take a wish away, or add papers.
      </template>
      <template v-else>
        Looking through the catalogue…
      </template>
      <Button v-if="running" label="That will do" size="small" severity="secondary" @click="stop()" />
    </p>
    <ul class="tiles" aria-label="What could be taught">
      <li v-for="one in rows" :key="one.fold" class="board">
        <FoldSketch
          :construction="one.construction"
          v-bind="{ view: one.view, width: 250, height: 160, papers: one.card.papers }"
        />
        <h2>{{ one.name }}</h2>
        <p>
          <strong>{{ count(one.kits, 'kit') }}</strong><span
            v-if="one.most > one.kits"
            class="quiet small"
          > (at most {{ one.most }})</span>, {{ one.wanted }} wanted: {{ toBuy(one) }}
        </p>
        <p class="quiet small">
          {{ one.papers.join(', ') }}; {{ wholeMinutes(one.minutes) }} min,
          {{ one.flat ? 'posts flat' : 'wants a box' }}
        </p>
        <p v-if="one.others.length > 0" class="small row">
          <span>Or in</span>
          <Button
            v-for="other in one.others"
            :key="other.papers.join()"
            link
            size="small"
            :label="`${other.papers.join(', ')}: ${other.kits}`"
            :disabled="making !== ''"
            @click="make({ fold: one.fold, batch: other.batch })"
          />
        </p>
        <p v-if="one.nearby" class="small">
          {{ one.nearby.label }} {{ one.nearby.shown }}: {{ one.nearby.kits - one.kits }} more.
          <Button link size="small" label="Make it so" :disabled="making !== ''" @click="make(moved(one))" />
        </p>
        <Button
          label="Make a class of it"
          size="small"
          :loading="making === one.fold"
          :disabled="making !== ''"
          @click="make(one)"
        />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.wishes {
  gap: 1rem;
  align-items: end;
}
</style>
