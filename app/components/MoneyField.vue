<script setup lang="ts">
/** A field for an amount of money, written in whole money with a point (`0.95`) and kept in cents. */
const { modelValue, max, fine = false } = defineProps<{
  /** Cents. */
  modelValue: number | null
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
const emit = defineEmits<{ 'update:modelValue': [cents: number | null] }>()
const money = computed(() => (modelValue === null ? null : Math.round(modelValue * 10) / 1000))
const parts = computed(() => (fine ? 10 : 1))
const take = (value: number | null) =>
  emit('update:modelValue', value === null ? null : Math.round(value * 100 * parts.value) / parts.value)
</script>

<template>
  <NumberField
    :model-value="money"
    :min="0"
    :max="max / 100"
    :decimals="fine ? 3 : 2"
    :input-id="inputId"
    :label="label"
    :called="called"
    :blank="blank"
    :help="help"
    :wrong="wrong"
    @update:model-value="take"
  />
</template>
