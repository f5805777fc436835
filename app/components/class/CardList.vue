<script setup lang="ts">
import type { PreparedCard } from '../../../core/batch'
import { BOUNDS } from '../../../core/batch'

/** The cards of the class with how many kits of each are made. */
defineProps<{ cards: PreparedCard[], chosen?: string }>()
const emit = defineEmits<{ choose: [key: string], copy: [key: string], remove: [key: string], add: [] }>()
const work = useClassStore()

const perSeat = computed(() => work.document!.class.seats + work.document!.class.spares)
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
    <div
      v-for="card in cards"
      :key="card.entry.key"
      :class="['card', { current: card.entry.key === chosen }]"
    >
      <button
        type="button"
        class="title"
        :aria-current="card.entry.key === chosen"
        @click="emit('choose', card.entry.key)"
      >
        {{ card.entry.title }}
        <span class="quiet small">{{ card.fold?.name ?? card.entry.fold }}</span>
        <span
          v-if="stops(card)"
          class="stops small"
        ><Icon
          name="tabler:alert-octagon"
          aria-hidden="true"
        /> {{ stops(card) }} to settle</span>
      </button>
      <div class="row kits">
        <InputNumber
          :model-value="card.kits"
          :min="0"
          :max="BOUNDS.kits"
          :max-fraction-digits="0"
          :input-id="`kits-${card.entry.key}`"
          :aria-label="`Kits of ${card.entry.title}`"
          class="number"
          @input="({ value }) => setKits(card.entry.key, typeof value === 'number' ? value : null)"
          @update:model-value="setKits(card.entry.key, $event)"
        />
        <label
          :for="`kits-${card.entry.key}`"
          class="small"
        >kits</label>
        <span class="tools">
          <Button
            v-tooltip.bottom="'Copy this card'"
            text
            severity="secondary"
            size="small"
            :aria-label="`Copy ${card.entry.title}`"
            @click="emit('copy', card.entry.key)"
          ><Icon name="tabler:copy" /></Button>
          <Button
            v-tooltip.bottom="'Remove this card'"
            text
            severity="secondary"
            size="small"
            :aria-label="`Remove ${card.entry.title}`"
            @click="emit('remove', card.entry.key)"
          ><Icon name="tabler:trash" /></Button>
        </span>
      </div>
    </div>
    <Button
      label="Add a card"
      severity="secondary"
      outlined
      :disabled="cards.length >= BOUNDS.cards"
      @click="emit('add')"
    />
  </aside>
</template>

<style scoped>
.card { background: var(--sheet); border: 1px solid var(--line); border-left-width: 4px; border-radius: 3px; padding: 0.5rem 0.5rem 0.4rem 0.7rem; }
.current { border-left-color: var(--accent); }
.title { font: inherit; font-weight: 600; color: inherit; background: none; border: 0; padding: 0; text-align: left; cursor: pointer; display: grid; width: 100%; }
.stops { color: var(--stop); display: flex; gap: 0.25rem; align-items: center; }
.kits { gap: 0.4rem; margin-top: 0.3rem; flex-wrap: nowrap; }
.number :deep(input) { width: 3.6rem; padding: 0.2rem 0.4rem; }
.tools { margin-left: auto; white-space: nowrap; }
.tools :deep(button) { padding: 0.25rem; }
</style>
