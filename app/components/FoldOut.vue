<script setup lang="ts">
/** A part of a page that is folded away until it is asked for. */
defineProps<{ title: string, open?: boolean }>()
</script>

<template>
  <details class="board" :open>
    <summary>{{ title }}</summary>
    <div class="stack inner">
      <slot />
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.inner { margin-top: 0.75rem; }
</style>
