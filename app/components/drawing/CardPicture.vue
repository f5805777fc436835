<script setup lang="ts">
import { pictures, size } from '#build/pictures.mjs'
import type { CardPicture } from '../../../core/folds'
import type { Units } from '../../../core/lengths'

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
const shapes = computed(() => picture ?? pictures[`${fold} ${units}`] ?? [])
</script>

<template>
  <svg v-bind="size" :viewBox="`0 0 ${size.width} ${size.height}`" role="img" :aria-label="title">
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
