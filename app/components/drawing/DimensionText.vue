<script setup lang="ts">
import type { Length } from '../../../core/lengths'

/** A measure in a drawing, centred on its place. */
defineProps<{ length: Length }>()
</script>

<template>
  <text text-anchor="middle" class="dimension">
    <SvgLength :length />
  </text>
</template>
