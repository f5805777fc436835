<script setup lang="ts">
import type { PackedPiece } from '../../../core/batch'
import type { Units } from '../../../core/lengths'

/** What is packed for one card, as a list to check off. */
defineProps<{
  pieces: PackedPiece[]
  /** What goes in besides paper, one line each. */
  extras?: string[]
  units: Units
}>()
</script>

<template>
  <ul>
    <li
      v-for="{ piece, count, paper } in pieces"
      :key="piece.key"
    >
      <span class="box" />
      <span>{{ count }} × {{ [piece.name, ...(piece.made ?? [])].join(', ') }}</span>
      <strong><SizeText
        :width="piece.width.value"
        :height="piece.height.value"
        :units="units"
        unit
      /></strong>
      <span class="quiet">{{ paper?.name ?? 'no paper yet' }}</span>
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
