<script setup lang="ts">
import type { Length, Units } from '../../../core/lengths'
import { lengthParts } from '../../../core/lengths'

/** A length inside an SVG text, with a true fraction. */
const { length, units } = defineProps<{ length: Length, units: Units }>()
const parts = computed(() => lengthParts(length, units))
</script>

<template>
  <tspan>{{ parts.approximate ? '≈' : '' }}{{ parts.whole }}{{ parts.whole && parts.numerator ? '\u2009' : '' }}</tspan><tspan
    v-if="parts.numerator"
    class="fraction"
  >
    {{ parts.numerator }}/{{ parts.denominator }}
  </tspan>
</template>

<style scoped>
.fraction { font-feature-settings: 'frac'; }
</style>
