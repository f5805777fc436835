<script setup lang="ts" generic="T extends number | null = number">
/** A field for an amount of money, written in whole money with a point (`0.95`) and kept in cents. */
const { modelValue, max, fine = false } = defineProps<{
  /** Cents. */
  modelValue: T
  max: number
  /** Tenths of a cent too, for what is bought by the roll. */
  fine?: boolean
  label?: string
  called?: string
  inputId?: string
  blank?: null
  help?: string
  wrong?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [cents: T] }>()
const money = computed(() => (modelValue === null ? null : Math.round(modelValue * 10) / 1000))
const parts = computed(() => (fine ? 10 : 1))
const take = (value: number | null) =>
  emit('update:modelValue', (value === null ? null : Math.round(value * 100 * parts.value) / parts.value) as T)
</script>

<template>
  <NumberField
    :model-value="money"
    :min="0"
    :max="max / 100"
    :decimals="fine ? 3 : 2"
    :input-id
    :label
    :called
    :blank
    :help
    :wrong
    @update:model-value="take"
  />
</template>
