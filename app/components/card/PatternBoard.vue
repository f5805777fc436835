<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Construction, Crease, Part } from '../../../core/folds'
import { drawnSides, isLayer, isWhole } from '../../../core/folds'
import { inARow } from '../../../core/lists'
import type { Chosen } from './chosen'

/**
 * All patterns of a card, drawn to the one largest scale at which they fit; what cannot be made is named below them.
 */
const { construction, blanks } = defineProps<{
  construction: Construction
  blanks: Part[]
  papers: Record<string, string>
  chosen?: Chosen
  /** Whether a click on a crease folds it the other way. */
  flips?: boolean
  /** Free pieces are moved by whole marks. */
}>()
const emit = defineEmits<{
  choose: [chosen: Chosen]
  ask: [labels: string[]]
  flip: [crease: Crease]
  move: [part: string, right: number, up: number]
}>()

const board = useTemplateRef('board')
const { width, height } = useElementSize(board, { width: 560, height: 420 })
/** Pixels for figures round a drawing and between drawings; scores are measured below them. */
const ROUND = { width: 112, height: 42, scores: 36 }
const isScored = ({ creases }: Part) => creases.some(({ along }) => along === 'x')
/** An inch is never drawn smaller than this, so that names stay legible; then the drawings scroll. */
const LEAST = 26 / 25_400_000
const MOST = 110 / 25_400_000

/** Height that the drawings take in rows that are so wide. */
function heightAt(scale: number): number {
  let [total, row, used] = [0, 0, 0]
  for (const blank of blanks) {
    const wide = blank.width.value * scale + ROUND.width
    const high = blank.height.value * scale + ROUND.height + (isScored(blank) ? ROUND.scores : 0)
    if (wide > width.value) return Infinity
    if (used > 0 && used + wide > width.value) {
      total += row
      row = used = 0
    }
    used += wide
    row = Math.max(row, high)
  }
  return total + row
}
const scale = computed(() => {
  // On a page that scrolls the board has no height of its own.
  const room = Math.max(300, height.value)
  let [least, most] = [LEAST, MOST]
  for (let step = 0; step < 12; step++) {
    const middle = (least + most) / 2
    if (heightAt(middle) <= room) least = middle
    else most = middle
  }
  // A narrow page: at least no wider than it is.
  const widest = Math.max(...blanks.map(({ width }) => width.value), 1)
  return Math.min(least, Math.max(80, width.value - ROUND.width) / widest)
})
const broken = computed(() => construction.parts.filter(part => !isWhole(part)))
/** Which side of each blank is drawn, which is the one that lies up for its valleys. */
const sides = computed(() => {
  const sideOf = drawnSides(construction)
  const folded = blanks
    .filter(({ creases }) => creases.length > 0)
    .map(part => ({ name: part.name, side: sideOf(part) }))
  const [first = { side: 'inside' as const }] = folded
  if (folded.every(({ side }) => side === first.side)) return `Drawn with the ${first.side} up:`
  return `Drawn ${inARow(folded.map(({ name, side }) => `${name.toLowerCase()} ${side} up`))}:`
})
const flat = computed(() => broken.value.filter(part => !isLayer(part.kind) && !blanks.includes(part)))
</script>

<template>
  <div class="board pattern">
    <div ref="board" class="drawings">
      <FlatPattern
        v-for="part in blanks"
        :key="part.key"
        :construction
        :part
        :papers
        :scale
        :chosen
        :broken="broken.includes(part)"
        :flips
        @choose="emit('choose', $event)"
        @ask="emit('ask', $event)"
        @flip="emit('flip', $event)"
        @move="(piece, right, up) => emit('move', piece, right, up)"
      />
      <p v-for="part in flat" :key="part.key" class="broken small">
        <Icon name="tabler:alert-octagon" aria-hidden="true" /> {{ part.name }} cannot be drawn: nothing is left of it.
      </p>
    </div>
    <p class="quiet small key">
      {{ sides }} <svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="mountain" /></svg> mountain
      <svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="valley" /></svg> valley
      <svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="slit" /></svg> slit
    </p>
  </div>
</template>

<style scoped>
.pattern { display: flex; flex-direction: column; padding: 0.5rem 0.75rem 0.35rem; min-height: 0; }
.drawings {
  display: flex; flex-wrap: wrap; gap: 0 0.5rem; place-items: center; place-content: space-evenly; flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.key { display: flex; flex-wrap: wrap; gap: 0.1rem 0.5rem; align-items: center; }
.key path { stroke: var(--ink); stroke-width: 1.6; }
.key .slit { stroke-width: 3; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
.broken { color: var(--stop); flex-basis: 100%; }
</style>
