<script setup lang="ts" generic="T">
type Option = { value: T, label: string } | { key: T, name: string }

/** One out of a list that opens: of values in words, or of entries of the document by their names. */
const { options } = defineProps<{ options: readonly Option[], modelValue?: T | null }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const isNamed = computed(() => options.some(option => 'key' in (option as object)))
</script>

<template>
  <Select
    :model-value
    :options="[...options]"
    :option-value="isNamed ? 'key' : 'value'"
    :option-label="isNamed ? 'name' : 'label'"
    @update:model-value="emit('update:modelValue', $event)"
  />
</template>
