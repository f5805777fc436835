<script setup lang="ts">
import type { Length } from '../../../core/lengths'

/** A piece as a small drawing, true to shape and, within one list, to size; width lies, height stands. */
defineProps<{ width: Length, height: Length, paper?: string, largest: number }>()
const SIZE = 40
</script>

<template>
  <svg :viewBox="`0 0 ${SIZE + 4} ${SIZE + 4}`" :width="SIZE + 4" :height="SIZE + 4" aria-hidden="true">
    <rect
      x="2"
      :y="2 + SIZE - SIZE * height / largest"
      :width="Math.max(2, SIZE * width / largest)"
      :height="Math.max(2, SIZE * height / largest)"
      :fill="paperFill(paper)"
      class="edge"
    />
  </svg>
</template>

<style scoped>
svg { display: block; }
.edge { stroke: var(--ink); stroke-width: 1; }
</style>
