<script setup lang="ts">
import type { Units } from '../../core/lengths'

/** Which of the two schools measures are in. */
const units = defineModel<Units>({ required: true })
const UNITS = [
  { value: 'inch', label: 'Inches' },
  { value: 'metric', label: 'Millimetres' },
]
</script>

<template>
  <SelectButton
    v-model="units"
    :options="UNITS"
    option-value="value"
    option-label="label"
    :allow-empty="false"
    aria-label="Measures"
  />
</template>
