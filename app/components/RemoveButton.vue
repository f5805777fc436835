<script setup lang="ts">
/** Takes something away; the words are read out. */
defineProps<{ label: string }>()
</script>

<template>
  <IconButton icon="tabler:trash" :label />
</template>
