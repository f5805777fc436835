<script setup lang="ts">
/** The two fields of a size. */
defineProps<{ width: string, height: string }>()
const emit = defineEmits<{ change: [side: 'width' | 'height', value: string] }>()
const SIDES = [{ key: 'width', label: 'Width' }, { key: 'height', label: 'Height' }] as const
</script>

<template>
  <LengthField
    v-for="{ key, label } in SIDES"
    :key
    :label
    :model-value="$props[key]"
    @update:model-value="emit('change', key, $event)"
  />
</template>
