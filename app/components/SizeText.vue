<script setup lang="ts">
import type { Length, Units } from '../../core/lengths'

/** Width × height, in this order everywhere. */
defineProps<{ width: Length, height: Length, units?: Units, unit?: boolean }>()
</script>

<template>
  <span class="size"><LengthText :length="width" :units /><span class="times">×</span><LengthText
    :length="height"
    :units
    :unit
  /></span>
</template>

<style scoped>
.size { white-space: nowrap; }
.times { margin: 0 0.3em; color: var(--quiet); }
</style>
