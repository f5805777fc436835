<script setup lang="ts">
import type { ParameterInput } from '../../../core/document'
import type { Parameter } from '../../../core/folds'
import type { Length, Units } from '../../../core/lengths'

/** One parameter of a fold. Its properties are plain values, so that a change elsewhere leaves it alone. */
const { name, parameter, input, units } = defineProps<{
  name: string
  parameter: Parameter
  input?: ParameterInput
  units: Units
  mark: Length
  finding?: string
}>()
const emit = defineEmits<{ change: [name: string, input: ParameterInput] }>()
const options = computed(() => (parameter.kind === 'choice' ? [...parameter.options] : []))
const set = (value: ParameterInput | undefined) => value !== undefined && emit('change', name, value)
</script>

<template>
  <LengthField
    v-if="parameter.kind === 'length'"
    :model-value="String(input ?? parameter.defaults[units])"
    :label="parameter.label"
    :help="parameter.help"
    :zero="parameter.zero"
    :units="units"
    :mark="mark"
    :finding="finding"
    @update:model-value="set"
  />
  <div
    v-else-if="parameter.kind === 'toggle'"
    class="row toggle"
  >
    <ToggleSwitch
      :input-id="`p-${name}`"
      :model-value="Boolean(input ?? parameter.initial)"
      @update:model-value="set"
    />
    <label :for="`p-${name}`">{{ parameter.label }}</label>
  </div>
  <TextListField
    v-else-if="parameter.kind === 'text'"
    :model-value="String(input ?? parameter.defaults[units])"
    :parameter="parameter"
    :units="units"
    @update:model-value="set"
  />
  <fieldset
    v-else
    class="field"
  >
    <legend class="label small">
      {{ parameter.label }}
    </legend>
    <SelectButton
      :model-value="input ?? parameter.initial"
      :options="options"
      option-value="value"
      option-label="label"
      :allow-empty="false"
      size="small"
      @update:model-value="set"
    />
  </fieldset>
</template>

<style scoped>
.toggle { flex-wrap: nowrap; }
</style>
