<script setup lang="ts">
import type { Length, Units } from '../../core/lengths'
import { formatLength, lengthParts } from '../../core/lengths'

/** A length set with a true fraction. Screen readers hear the plain text. */
const { length, units: own, unit = false } = defineProps<{
  length: Length
  /** Where it is shown as it was written, whatever else stands there is in. */
  units?: Units
  unit?: boolean
}>()
const { units: usual } = useMeasures()
const units = computed(() => own ?? usual.value)
const parts = computed(() => lengthParts(length, units.value))
</script>

<template>
  <span class="length"><span class="unseen">{{ formatLength(length, units, { unit: true }) }}</span><span
    aria-hidden="true"
  >{{ parts.approximate ? '≈' : '' }}{{ parts.negative ? '−' : '' }}{{ parts.whole }}<template
    v-if="parts.whole && parts.numerator"
  >&thinsp;</template><span
    v-if="parts.numerator"
    class="fraction"
  >{{ parts.numerator }}/{{ parts.denominator }}</span><span
    v-if="unit"
    class="unit"
  >{{ `\u202F${parts.unit}` }}</span></span></span>
</template>

<style scoped>
.length { white-space: nowrap; position: relative; }
.fraction { font-feature-settings: 'frac'; }
.unit { color: var(--quiet); font-size: 0.85em; }
</style>
