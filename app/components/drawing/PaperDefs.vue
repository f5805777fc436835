<script setup lang="ts">
import type { PaperLook } from '../../utils/paper-look'

/** The patterns of all papers, once on a page; drawings refer to them by key. */
defineProps<{ papers: readonly PaperLook[] }>()
</script>

<template>
  <svg width="0" height="0" class="defs" aria-hidden="true">
    <defs>
      <template v-for="paper in sidesToDraw(papers)" :key="paper.key">
        <pattern
          v-for="turned in [false, true]"
          :id="`paper-${paper.key}${turned ? '-turned' : ''}`"
          :key="String(turned)"
          width="24"
          height="24"
          v-bind="{
            patternUnits: 'userSpaceOnUse',
            patternTransform: `${turned ? 'rotate(-90) ' : ''}scale(${SCALES_DRAWN[paper.scale ?? 'middle']})`,
          }"
        >
          <rect width="24" height="24" :fill="paper.colour" />
          <path
            :d="MOTIF_PATHS[paper.motif]"
            fill="none"
            :stroke="motifLines(paper).colour"
            :stroke-opacity="motifLines(paper).opacity"
            :stroke-width="motifLines(paper).width"
            stroke-linecap="round"
          />
        </pattern>
      </template>
      <pattern id="hatch" v-bind="{ patternUnits: 'userSpaceOnUse' }" width="7" height="7">
        <path d="M0 7L7 0" class="hatch" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.defs { position: absolute; }
.hatch { stroke: var(--ink); stroke-opacity: 0.45; stroke-width: 1; fill: none; }
</style>
