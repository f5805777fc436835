<script setup lang="ts">
import type { CardPicture } from '../../../core/folds'
import { PICTURE, foldById, pictureOf } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { MILLIMETRE } from '../../../core/lengths'

/**
 * A card as a small picture in the colours of its papers: as it was drawn already, else at the natural sizes of its
 * fold.
 */
const { fold, units, colours, picture } = defineProps<{
  fold: string
  units: Units
  colours: Record<string, string>
  title: string
  picture?: CardPicture[]
}>()
const shapes = computed(() => picture ?? naturalPicture(fold, units))
const { width: WIDTH, height: HEIGHT } = PICTURE
</script>

<script lang="ts">
/** Drawn once for a fold, however many cards of it are shown. */
const drawn = new Map<string, CardPicture[]>()

function naturalPicture(id: string, units: Units): CardPicture[] {
  const key = `${id} ${units}`
  const known = drawn.get(key)
  if (known) return known
  const fold = foldById(id)
  const shapes = fold ? pictureOf(fold.construct({}, units, MILLIMETRE), fold.view) : []
  drawn.set(key, shapes)
  return shapes
}
</script>

<template>
  <svg :width="WIDTH" :height="HEIGHT" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="title">
    <title>{{ title }}</title>
    <g v-for="({ part, path, light }, index) in shapes" :key="index">
      <path :d="path" fill-rule="evenodd" :fill="colours[part] ?? 'var(--sheet)'" class="panel" />
      <path :d="path" fill-rule="evenodd" :fill-opacity="0.28 * (1 - light)" />
    </g>
  </svg>
</template>

<style scoped>
svg { display: block; }
.panel { stroke: var(--ink); stroke-width: 0.7; stroke-linejoin: round; }
</style>
