<script setup lang="ts">
import type { Length } from '../../../core/lengths'
import { lengthParts } from '../../../core/lengths'

/** A length inside an SVG text, with a true fraction. */
const { length } = defineProps<{ length: Length }>()
const { units } = useMeasures()
const parts = computed(() => lengthParts(length, units.value))
/** A thin space parts it from its fraction. */
const whole = computed(() => parts.value.whole + (parts.value.whole && parts.value.numerator ? '\u2009' : ''))
</script>

<template>
  <tspan>{{ parts.approximate ? '≈' : '' }}{{ whole }}</tspan><tspan v-if="parts.numerator" class="fraction">
    {{ parts.numerator }}/{{ parts.denominator }}
  </tspan>
</template>

<style scoped>
.fraction { font-feature-settings: 'frac'; }
</style>
