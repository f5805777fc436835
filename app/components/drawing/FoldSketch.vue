<script setup lang="ts">
import type { Construction, View } from '../../../core/folds'

/** A card beside the words that say what it is: small, nearly open, and nothing to be read out. */
defineProps<{
  construction: Construction
  view: View
  width: number
  height: number
  /** From 0 to 1. */
  opening?: number
  papers?: Record<string, string>
}>()
</script>

<template>
  <FoldedDrawing v-bind="$props" :opening="opening ?? 0.8" aria-hidden="true" />
</template>
