<script setup lang="ts">
import type { Construction, DrawnPanel, View } from '../../../core/folds'
import { drawFolded, isWhole } from '../../../core/folds'
import type { Chosen } from '../card/chosen'
import { isChosen } from '../card/chosen'

/** The folded card drawn from its model, at one opening and from one side. */
const {
  construction,
  opening,
  view = { turn: -28, tilt: 18 },
  width,
  height,
  papers = {},
} = defineProps<{
  construction: Construction
  opening: number
  view?: View
  width: number
  height: number
  /** Paper key for each part key; parts without one are left plain. */
  papers?: Record<string, string>
  chosen?: Chosen
}>()
const emit = defineEmits<{ choose: [chosen: Chosen] }>()

const MARGIN = 8
const panels = computed(() => drawFolded(construction, opening, view))
/** Parts that cannot be made as they are. */
const broken = computed(() => construction.parts.filter(part => !isWhole(part)).map(({ key }) => key))
/** Closed and displayed card both fit, so that the drawing does not jump while it opens. */
const frame = computed(() => {
  const points = [0, 0.5, 1]
    .flatMap(t => drawFolded(construction, t, view))
    .concat(panels.value)
    .flatMap(panel => panel.points)
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const box = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
  if (points.length === 0) return { scale: 0, x: 0, y: 0 }
  const scale = Math.min((width - 2 * MARGIN) / (box.right - box.left), (height - 2 * MARGIN) / (box.bottom - box.top))
  return {
    scale, x: width / 2 - (scale * (box.left + box.right)) / 2, y: height / 2 - (scale * (box.top + box.bottom)) / 2,
  }
})
const path = ({ points, holes }: DrawnPanel) => {
  const { scale, x, y } = frame.value
  return [points, ...holes]
    .map(
      corners =>
        `M${corners.map(corner => `${(x + scale * corner[0]).toFixed(1)},${(y + scale * corner[1]).toFixed(1)}`).join('L')}Z`,
    )
    .join('')
}
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" :width :height role="img" aria-label="Folded card">
    <g
      v-for="panel in panels"
      :key="`${panel.part}/${panel.panel}`"
      @click="emit('choose', { part: panel.part, panels: [panel.panel] })"
    >
      <path
        :d="path(panel)"
        fill-rule="evenodd"
        :fill="papers[panel.part] ? paperFill(papers[panel.part]) : 'var(--sheet)'"
        :class="['panel', { chosen: isChosen(chosen, panel.part, panel.panel), broken: broken.includes(panel.part) }]"
      />
      <path :d="path(panel)" fill-rule="evenodd" class="shade" :fill-opacity="0.28 * (1 - panel.light)" />
    </g>
  </svg>
</template>

<style scoped>
svg { display: block; max-width: 100%; }
.panel { stroke: var(--ink); stroke-width: 0.9; stroke-linejoin: round; }
.shade { fill: #000; pointer-events: none; }
.broken { stroke: var(--stop); stroke-width: 2; stroke-dasharray: 6 4; }
.chosen { stroke: var(--accent); stroke-width: 2.5; }
</style>
