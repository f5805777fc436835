<script setup lang="ts">
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import type { Finding, Fold } from '../../../core/folds'
import { isUsed } from '../../../core/folds'
import type { Length, Units } from '../../../core/lengths'

/** All parameters of a card, those first that decide about the others. */
const { fold, inputs, findings } = defineProps<{
  fold: Fold
  inputs: ParameterInputs
  findings: Finding[]
  units: Units
  mark: Length
}>()
const emit = defineEmits<{ change: [name: string, input: ParameterInput] }>()

const change = (name: string, input: ParameterInput) => emit('change', name, input)
const shown = computed(() => Object.entries(fold.parameters).filter(([, parameter]) => isUsed(parameter, inputs)))
const stopped = (name: string) => findings.find(finding => finding.parameter === name && finding.severity === 'stop')?.problem
</script>

<template>
  <section
    class="board parameters stack"
    aria-label="Parameters"
  >
    <slot name="head" />
    <p class="quiet small">
      {{ fold.name }}: {{ fold.summary }}
    </p>
    <ParameterField
      v-for="[name, entry] in shown"
      :key="name"
      :name="name"
      :parameter="entry"
      :input="inputs[name]"
      :units="units"
      :mark="mark"
      :finding="stopped(name)"
      @change="change"
    />
    <div class="row">
      <slot />
    </div>
  </section>
</template>

<style scoped>
.parameters { gap: 0.7rem; }
</style>
