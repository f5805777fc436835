<script setup lang="ts">
import type { DrawnPanel } from '../../../core/folds'
import { drawFolded, foldById } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { MILLIMETRE } from '../../../core/lengths'

/** A card as a small picture in the colours of its papers, at the natural sizes of its fold. */
const { fold, units, colours } = defineProps<{ fold: string, units: Units, colours: Record<string, string>, title: string }>()
const WIDTH = 84
const HEIGHT = 66
const shapes = computed(() => picture(fold, units))
</script>

<script lang="ts">
/** Drawn once for a fold, however many cards of it are shown. */
const drawn = new Map<string, { part: string, path: string, light: number }[]>()

function picture(id: string, units: Units) {
  const key = `${id} ${units}`
  const known = drawn.get(key)
  if (known) return known
  const fold = foldById(id)
  const panels = fold ? drawFolded(fold.construct({}, units, MILLIMETRE), 0.75, fold.view) : []
  const points = panels.flatMap(({ points }) => points)
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = Math.min(80 / (right - left), 62 / (bottom - top))
  const at = ([x, y]: readonly [number, number]) =>
    `${(42 + (x - (left + right) / 2) * scale).toFixed(1)},${(33 + (y - (top + bottom) / 2) * scale).toFixed(1)}`
  const path = ({ points, holes }: DrawnPanel) => [points, ...holes].map(corners => `M${corners.map(at).join('L')}Z`).join('')
  const shapes = panels.map(panel => ({ part: panel.part, path: path(panel), light: panel.light }))
  drawn.set(key, shapes)
  return shapes
}
</script>

<template>
  <svg
    :width="WIDTH"
    :height="HEIGHT"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="title"
  >
    <title>{{ title }}</title>
    <g
      v-for="({ part, path, light }, index) in shapes"
      :key="index"
    >
      <path
        :d="path"
        fill-rule="evenodd"
        :fill="colours[part] ?? 'var(--sheet)'"
        class="panel"
      />
      <path
        :d="path"
        fill-rule="evenodd"
        :fill-opacity="0.28 * (1 - light)"
      />
    </g>
  </svg>
</template>

<style scoped>
svg { display: block; }
.panel { stroke: var(--ink); stroke-width: 0.7; stroke-linejoin: round; }
</style>
