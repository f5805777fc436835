<script setup lang="ts" generic="T">
/** One out of a few, all of them in sight; there is always one chosen. */
defineProps<{ options: readonly { value: T, label: string }[] }>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
  <SelectButton
    v-model="chosen"
    :options="[...options]"
    option-value="value"
    option-label="label"
    :allow-empty="false"
  />
</template>
