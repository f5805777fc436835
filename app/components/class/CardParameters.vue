<script setup lang="ts">
import type { Finding, Fold, ParameterInput, ParameterInputs } from '../../../core/folds'
import type { Length, Units } from '../../../core/lengths'
import { BOUNDS } from '../../../core/batch'

/** All parameters of a card, those first that decide about the others. */
const { fold, inputs, findings } = defineProps<{
  title: string
  fold: Fold
  inputs: ParameterInputs
  findings: Finding[]
  units: Units
  mark: Length
}>()
const emit = defineEmits<{ change: [name: string, input: ParameterInput], rename: [title: string], resize: [], keep: [] }>()

const change = (name: string, input: ParameterInput) => emit('change', name, input)
const shown = computed(() => Object.entries(fold.parameters).filter(([, { when }]) => !when || inputs[when]))
const stopped = (name: string) => findings.find(finding => finding.parameter === name && finding.severity === 'stop')?.problem
</script>

<template>
  <section
    class="board parameters stack"
    aria-label="Parameters"
  >
    <CardName
      :title="title"
      :longest="BOUNDS.title"
      @rename="emit('rename', $event)"
    />
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
      <Button
        label="Another size"
        size="small"
        severity="secondary"
        outlined
        @click="emit('resize')"
      />
      <Button
        label="Keep as variant"
        size="small"
        severity="secondary"
        outlined
        @click="emit('keep')"
      />
    </div>
  </section>
</template>

<style scoped>
.parameters { gap: 0.7rem; }
</style>
