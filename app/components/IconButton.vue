<script setup lang="ts">
/** A button that is a picture alone; its label is read out, and shown by a tip where there is one. */
defineProps<{ icon: string, label: string, tip?: string }>()
</script>

<template>
  <Button v-tooltip.bottom="tip" text severity="secondary" :aria-label="label">
    <Icon :name="icon" />
  </Button>
</template>
