<script setup lang="ts">
/** Takes something away; the words are read out. */
defineProps<{ label: string }>()
</script>

<template>
  <Button text severity="secondary" :aria-label="label">
    <Icon name="tabler:trash" />
  </Button>
</template>
