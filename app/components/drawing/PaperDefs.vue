<script setup lang="ts">
import type { PaperEntry } from '../../../core/batch'

/** The patterns of all papers, once on a page; drawings refer to them by key. */
defineProps<{ papers: PaperEntry[] }>()

// Each motif is one tile of 24 units, drawn with lines only; its top is up.
const MOTIF_PATHS: Record<PaperEntry['motif'], string> = {
  plain: '',
  shoal: 'M3 7q5-5 10 0q-5 5-10 0M13 7l3-2v4zM14 19q4-4 8 0q-4 4-8 0M22 19l2-1.5v3z',
  lanterns: 'M12 2v3M9 5h6l2 4v6l-2 4H9l-2-4V9zM9 9v6M15 9v6',
  ripples: 'M0 6q6-5 12 0t12 0M0 14q6-5 12 0t12 0M0 22q6-5 12 0t12 0',
  ropes: 'M0 24L24 0M-6 18L18-6M6 30L30 6M4 12q4-1 4 4M16 0q4-1 4 4M16 24q4-1 4 4',
  dots: 'M6 6h.01M18 18h.01',
}
</script>

<template>
  <svg
    width="0"
    height="0"
    class="defs"
    aria-hidden="true"
  >
    <defs>
      <template
        v-for="paper in papers"
        :key="paper.key"
      >
        <pattern
          v-for="turned in [false, true]"
          :id="`paper-${paper.key}${turned ? '-turned' : ''}`"
          :key="String(turned)"
          width="24"
          height="24"
          v-bind="{ patternUnits: 'userSpaceOnUse', patternTransform: turned ? 'rotate(-90)' : undefined }"
        >
          <rect
            width="24"
            height="24"
            :fill="paper.colour"
          />
          <path
            :d="MOTIF_PATHS[paper.motif]"
            fill="none"
            :stroke="isPale(paper) ? '#000' : '#fff'"
            :stroke-opacity="0.28"
            :stroke-width="paper.motif === 'dots' ? 5 : 1.4"
            stroke-linecap="round"
          />
        </pattern>
      </template>
      <pattern
        id="hatch"
        v-bind="{ patternUnits: 'userSpaceOnUse' }"
        width="7"
        height="7"
      >
        <path
          d="M0 7L7 0"
          class="hatch"
        />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.defs { position: absolute; }
.hatch { stroke: var(--ink); stroke-opacity: 0.45; stroke-width: 1; fill: none; }
</style>
