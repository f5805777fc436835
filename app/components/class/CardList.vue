<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PreparedCard } from '../../../core/batch'

/** The cards of the class with how many kits of each are made. */
defineProps<{ cards: PreparedCard[], chosen?: string }>()
const emit = defineEmits<{ choose: [key: string], copy: [key: string], remove: [key: string], add: [] }>()
const work = useClassStore()

const perSeat = computed(() => work.batch.class.seats + work.batch.class.spares)
const stops = ({ findings }: PreparedCard) => findings.filter(({ severity }) => severity === 'stop').length

function setKits(key: string, kits: number | null) {
  work.edit(`kits of ${key}`, (document) => {
    const card = document.cards.find(card => card.key === key)
    if (card) card.kits = kits === null || kits === perSeat.value ? null : Math.min(BOUNDS.kits, Math.max(0, Math.round(kits)))
  })
}
</script>

<template>
  <aside
    class="stack"
    aria-label="Cards of this class"
  >
    <CardListEntry
      v-for="card in cards"
      :key="card.entry.key"
      :title="card.entry.title"
      :fold="card.fold?.name ?? card.entry.fold"
      :kits="card.kits"
      :stops="stops(card)"
      :current="card.entry.key === chosen"
      @choose="emit('choose', card.entry.key)"
      @copy="emit('copy', card.entry.key)"
      @remove="emit('remove', card.entry.key)"
      @kits="setKits(card.entry.key, $event)"
    />
    <Button
      label="Add a card"
      severity="secondary"
      outlined
      :disabled="cards.length >= BOUNDS.cards"
      @click="emit('add')"
    />
  </aside>
</template>
