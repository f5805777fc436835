<script setup lang="ts">
import type { PreparedPiece } from '../../../core/batch'
import { sourceOf } from '../../../core/batch'
import type { Units } from '../../../core/lengths'

/** What is packed for one card, as a list to check off. */
defineProps<{
  pieces: PreparedPiece[]
  /** What goes in besides paper, one line each. */
  extras?: string[]
  units: Units
}>()
</script>

<template>
  <ul>
    <li
      v-for="piece in pieces"
      :key="piece.key"
    >
      <span class="box" />
      <span>{{ piece.perKit }} × {{ [piece.name, ...(piece.made ?? [])].join(', ') }}</span>
      <strong><SizeText
        :width="piece.width.value"
        :height="piece.height.value"
        :units="units"
        unit
      /></strong>
      <span class="quiet">{{ sourceOf(piece) ?? 'no paper yet' }}</span>
    </li>
    <li
      v-for="extra in extras"
      :key="extra"
    >
      <span class="box" />
      <span>{{ extra }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: auto 1.4fr 1fr 1fr; gap: 0.6rem; align-items: baseline; padding: 0.12rem 0; }
.box { width: 0.8em; height: 0.8em; border: 1.2px solid var(--ink); align-self: center; }
</style>
