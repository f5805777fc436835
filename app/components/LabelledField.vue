<script setup lang="ts">
/** A field of a form: its label above it, and below it what is wrong with it. */
defineProps<{
  /** The input that the label is for. */
  input: string
  label: string
  wrong?: string
}>()
</script>

<template>
  <div class="field">
    <label :for="input">{{ label }}</label>
    <slot />
    <span v-if="wrong" class="wrong">{{ wrong }}</span>
  </div>
</template>
