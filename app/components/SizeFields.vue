<script setup lang="ts">
import type { Length, Units } from '../../core/lengths'

/** The two fields of a size. */
defineProps<{ width: string, height: string, units: Units, mark: Length }>()
const emit = defineEmits<{ change: [side: 'width' | 'height', value: string] }>()
const SIDES = [{ key: 'width', label: 'Width' }, { key: 'height', label: 'Height' }] as const
</script>

<template>
  <LengthField
    v-for="{ key, label } in SIDES"
    :key="key"
    :label="label"
    :model-value="$props[key]"
    :units="units"
    :mark="mark"
    @update:model-value="emit('change', key, $event)"
  />
</template>
