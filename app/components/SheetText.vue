<script setup lang="ts">
import type { Length, Units } from '../../core/lengths'
import { sheetName } from '../../core/paper'

/** A sheet by its usual name, else by its measures. */
const { width, height } = defineProps<{ width: Length, height: Length, units?: Units }>()
const name = computed(() => sheetName(width, height))
</script>

<template>
  <span v-if="name">{{ name }}</span>
  <SizeText v-else :width :height :units unit />
</template>
