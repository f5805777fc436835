<script setup lang="ts">
import type { Strip } from '../../../core/batch'
import type { PackedPiece } from '../../../core/kits'
import { LEVEL_WORDS, stateInWords, stripName } from '../../../core/batch'

/** What is packed for one card, as a list to check off: pieces as they are made ready, and strips of uncut paper. */
const { pieces, strips = [] } = defineProps<{
  pieces: PackedPiece[]
  strips?: Strip[]
  /** What goes in besides paper, one line each. */
  extras?: string[]
}>()
const lines = computed(() => [
  ...pieces.map(({ piece, count, paper, level }) => ({
    key: piece.key,
    name: `${count} × ${piece.name}`,
    width: piece.width.value,
    height: piece.height.value,
    paper: [paper?.name ?? 'no paper yet', ...stateInWords(piece, level)].join(', '),
  })),
  ...strips.map(strip => ({
    key: `strip ${strip.parts.map(({ key }) => key).join()}`,
    name: `1 × ${stripName(strip)}`,
    width: strip.width,
    height: strip.height,
    paper: `${strip.paper.name}, ${LEVEL_WORDS.uncut}`,
  })),
])
</script>

<template>
  <ul>
    <li v-for="line in lines" :key="line.key">
      <span class="box" />
      <span>{{ line.name }}</span>
      <strong><SizeText :width="line.width" :height="line.height" unit /></strong>
      <span class="quiet">{{ line.paper }}</span>
    </li>
    <li v-for="extra in extras" :key="extra">
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
