<script setup lang="ts">
import type { Cutter, KeyedLayout, Supply } from '../../../core/cutting'

/** Sheets that are cut in different ways, as small as stamps, to choose the one that is shown large. */
defineProps<{
  sheets: { layout: KeyedLayout, supply: Supply, paper: string, called: string }[]
  cutter: Cutter
  chosen: number
}>()
const emit = defineEmits<{ choose: [index: number] }>()
</script>

<template>
  <div v-if="sheets.length > 1" class="thumbs" role="group">
    <button
      v-for="({ layout, supply, paper, called }, index) in sheets"
      :key="layout.key"
      type="button"
      :aria-pressed="index === chosen"
      :aria-label="called"
      @click="emit('choose', index)"
    >
      <SheetThumb :layout :supply :cutter :paper />
      <span class="small">{{ layout.repeats }} ×</span>
    </button>
  </div>
</template>

<style scoped>
.thumbs { display: flex; flex-wrap: wrap; gap: 0.3rem; }
button {
  font: inherit; color: inherit; background: none; border: 1px solid var(--line); border-radius: 3px;
  padding: 0.2rem 0.35rem;
  cursor: pointer; display: flex; gap: 0.35rem; align-items: center; min-height: 44px;
}
button[aria-pressed='true'] { border-color: var(--accent); box-shadow: inset 0 -3px var(--accent); }
</style>
