<script setup lang="ts">
import type { Part } from '../../../core/folds'

/** A small outline of a blank with its creases, without measures. */
const { part } = defineProps<{ part: Part }>()
const WIDTH = 140
const scale = computed(() => WIDTH / part.width.value)
</script>

<template>
  <svg
    :viewBox="`-2 -2 ${WIDTH + 4} ${part.height.value * scale + 4}`"
    :width="WIDTH + 4"
    :height="part.height.value * scale + 4"
    aria-hidden="true"
  >
    <rect
      :width="WIDTH"
      :height="part.height.value * scale"
      class="blank"
    />
    <line
      v-for="(crease, index) in part.creases"
      :key="index"
      :x1="crease.at.value * scale"
      :x2="crease.at.value * scale"
      y1="0"
      :y2="part.height.value * scale"
      :class="['crease', crease.direction]"
    />
  </svg>
</template>

<style scoped>
.blank { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.2; }
.crease { stroke: var(--ink); stroke-width: 1.3; }
.mountain { stroke-dasharray: 9 3 2 3; }
.valley { stroke-dasharray: 5 4; }
</style>
