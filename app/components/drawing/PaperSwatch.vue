<script setup lang="ts">
defineProps<{ paper?: string }>()
</script>

<template>
  <svg width="30" height="22" aria-hidden="true">
    <rect x="0.5" y="0.5" width="29" height="21" :fill="paperFill(paper)" class="edge" />
  </svg>
</template>

<style scoped>
svg { flex: none; }
.edge { stroke: var(--ink); stroke-opacity: 0.6; }
</style>
