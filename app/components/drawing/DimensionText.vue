<script setup lang="ts">
import type { Length, Units } from '../../../core/lengths'

/** A measure in a drawing, centred on its place. */
defineProps<{ length: Length, units: Units }>()
</script>

<template>
  <text text-anchor="middle" class="dimension">
    <SvgLength :length="length" :units="units" />
  </text>
</template>
