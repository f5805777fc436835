<script setup lang="ts">
import { drawFolded, foldById } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { MILLIMETRE } from '../../../core/lengths'

/** A card as a small picture in the colours of its papers, at the natural sizes of its fold. */
const { fold, units, colours } = defineProps<{ fold: string, units: Units, colours: Record<string, string>, title: string }>()
const shapes = computed(() => picture(fold, units))
</script>

<script lang="ts">
const WIDTH = 84
const HEIGHT = 66

/** Drawn once for a fold, however many cards of it are shown. */
const drawn = new Map<string, { part: string, path: string, light: number }[]>()

function picture(id: string, units: Units) {
  const key = `${id} ${units}`
  const known = drawn.get(key)
  if (known) return known
  const fold = foldById(id)
  const panels = fold ? drawFolded(fold.construct({}, units, MILLIMETRE), 0.75, fold.view) : []
  const path = fitting(panels.flatMap(({ points }) => points), WIDTH, HEIGHT, 2)
  const shapes = panels.map(panel => ({ part: panel.part, path: path([panel.points, ...panel.holes]), light: panel.light }))
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
