<script setup lang="ts">
import { BOUNDS } from '../../core/document'

/** What something of the maker's own is called: never nothing, and never longer than a list can show. */
defineProps<{ modelValue: string }>()
const emit = defineEmits<{ 'update:modelValue': [name: string] }>()
</script>

<template>
  <InputText
    :model-value
    :maxlength="BOUNDS.title"
    autocomplete="off"
    @update:model-value="$event?.trim() && emit('update:modelValue', $event)"
  />
</template>
