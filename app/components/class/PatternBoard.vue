<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Construction, Part } from '../../../core/folds'
import type { Units } from '../../../core/lengths'

/** All patterns of a card, drawn to one scale: side by side where they stay large enough, else below each other. */
const { blanks } = defineProps<{
  construction: Construction
  blanks: Part[]
  papers: Record<string, string>
  units: Units
  chosen?: string
}>()
const emit = defineEmits<{ choose: [part: string] }>()

const board = useTemplateRef('board')
const { width: room } = useElementSize(board, { width: 620, height: 0 })
const scale = computed(() => {
  const widths = blanks.map(({ width }) => width.value)
  const widest = Math.max(...widths, 1)
  const tallest = Math.max(...blanks.map(({ height }) => height.value), 1)
  const available = Math.max(260, room.value) - 30
  const beside = (available - widths.length * 90) / widths.reduce((sum, width) => sum + width, 1)
  const alone = Math.min((available - 62) / widest, 300 / tallest)
  return beside > alone * 0.6 ? Math.min(beside, alone) : alone
})
</script>

<template>
  <div
    ref="board"
    class="board drawings"
  >
    <FlatPattern
      v-for="part in blanks"
      :key="part.key"
      :construction="construction"
      :part="part"
      :papers="papers"
      :units="units"
      :scale="scale"
      :chosen="chosen"
      @choose="emit('choose', $event)"
    />
    <p
      v-if="blanks.length === 0"
      class="quiet"
    >
      Nothing can be drawn from these sizes. The findings say what to change.
    </p>
    <slot />
    <p class="quiet small key">
      Inside face up. <svg
        width="34"
        height="8"
        aria-hidden="true"
      ><path
        d="M0 4H34"
        class="mountain"
      /></svg> mountain
      <svg
        width="34"
        height="8"
        aria-hidden="true"
      ><path
        d="M0 4H34"
        class="valley"
      /></svg> valley
      <svg
        width="34"
        height="8"
        aria-hidden="true"
      ><path
        d="M0 4H34"
        class="slit"
      /></svg> slit
    </p>
  </div>
</template>

<style scoped>
.drawings { display: flex; flex-wrap: wrap; gap: 0.5rem 1.5rem; padding: 0.75rem; align-items: flex-end; }
.key, .drawings :slotted(p) { flex-basis: 100%; }
.key path { stroke: var(--ink); stroke-width: 1.6; }
.key .slit { stroke-width: 3; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
</style>
