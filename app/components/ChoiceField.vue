<script setup lang="ts" generic="T extends string">
type Option = { value: T, label: string } | { key: T, name: string }

/** A choice out of a list, its label above it: of values in words, or of entries of the document by their names. */
defineProps<{
  label: string
  modelValue: T | null | undefined
  options: readonly Option[]
  /** What its label does not say. */
  help?: string
  /** What stands there while nothing is chosen; then a choice can be taken back. */
  none?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T | null] }>()
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <OneOfMany
      :input-id="id"
      :aria-label="label"
      :model-value
      :options
      :placeholder="none"
      :show-clear="none !== undefined"
      @update:model-value="emit('update:modelValue', $event)"
    />
    <span v-if="help" class="quiet small">{{ help }}</span>
  </div>
</template>
