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
  <OneOf v-model="units" :options="UNITS" aria-label="Measures" />
</template>
