<script setup lang="ts">
import type { Posting } from '../../../core/kits'

/** How the finished card goes into an envelope and through the post. */
const { posting, card } = defineProps<{ posting: Posting, card: string }>()
const work = useClassStore()
const money = useMoney()
const wanted = computed(() => work.batch.cards.find(({ key }) => key === card)?.envelope ?? '')
const envelopes = computed(() => [{ key: '', name: 'The smallest that fits' }, ...work.batch.post.envelopes])
const millimetres = (length: number) => (length / 1e6).toFixed(1)
const said = computed(() => {
  const { closed, weight, rate } = posting
  const goes = rate ? [`${rate.name.toLowerCase()} ${money(rate.price)}`] : []
  return [`${millimetres(closed.thickness)} mm thick`, `${Math.ceil(weight)} g`, ...goes].join(', ')
})

function choose(envelope: string) {
  work.editCard('envelope', card, entry => void (entry.envelope = envelope))
}
</script>

<template>
  <div>
    {{ said }}
    <Select
      aria-label="Envelope"
      :model-value="wanted"
      :options="envelopes"
      option-value="key"
      option-label="name"
      size="small"
      fluid
      @update:model-value="choose($event)"
    >
      <template #value="{ value }">
        {{ value ? envelopes.find(({ key }) => key === value)?.name : (posting.envelope?.name ?? 'No envelope fits') }}
      </template>
    </Select>
  </div>
</template>
