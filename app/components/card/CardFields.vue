<script setup lang="ts">
import { itemAt } from '../../../core/lists'
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import type { Finding, Fold, Parameter } from '../../../core/folds'
import { followed, isUsed } from '../../../core/folds'

/**
 * All parameters of a card in groups, each with what is found about it. What is gravest is pinned above them, so that
 * it is in sight wherever the list has been scrolled to.
 */
const { fold, inputs, typed, findings, marked = [] } = defineProps<{
  fold: Fold
  inputs: ParameterInputs
  /** What of them was typed and does not follow the size of the card. */
  typed: ParameterInputs
  findings: Finding[]
  /** Labels of the figures that what is chosen follows from. */
  marked?: string[]
}>()
const emit = defineEmits<{ change: [name: string, input?: ParameterInput], fix: [finding: Finding] }>()

const change = (name: string, input?: ParameterInput) => emit('change', name, input)
const isUnasked = (name: string, parameter: Parameter) => parameter.quiet && !(name in typed)
const shown = computed(() =>
  Object.entries(fold.parameters).filter(
    ([name, parameter]) => isUsed(parameter, inputs) && !isUnasked(name, parameter),
  ),
)
const GROUPS = [
  { key: 'sizes', name: 'Sizes', has: (kind: string) => kind === 'length' || kind === 'text' },
  { key: 'choices', name: 'How it is made', has: (kind: string) => kind === 'toggle' || kind === 'choice' },
]
const groups = computed(() =>
  GROUPS.map(group => ({ ...group, entries: shown.value.filter(([, { kind }]) => group.has(kind)) }))
    .filter(({ entries }) => entries.length > 0),
)
const at = (name: string) => findings.filter(({ parameter }) => parameter === name)
/**
 * What has no field of its own is said in full above; of the rest only the first, and only where it has to be settled.
 */
const pinned = computed(() => {
  const loose = findings.filter(({ parameter }) => !parameter || !shown.value.some(([name]) => name === parameter))
  const [worst] = findings
  return worst?.severity === 'stop' && !loose.includes(worst) ? [itemAt(findings, 0), ...loose] : loose
})
/** What is merely good to know stands below the fields. */
const isUrgent = computed(() => pinned.value.some(({ severity }) => severity !== 'note'))
</script>

<template>
  <div class="fields">
    <slot name="head" />
    <FindingList v-if="isUrgent" :findings="pinned" @fix="emit('fix', $event)" />
    <slot name="list">
      <div class="list">
        <section v-for="group in groups" :key="group.key" :aria-label="group.name">
          <h3 class="small quiet">
            {{ group.name }}
          </h3>
          <ParameterField
            v-for="[name, entry] in group.entries"
            :key="name"
            :name
            :parameter="entry"
            :input="inputs[name]"
            :typed="name in typed"
            :follows="followed(entry).map(main => fold.parameters[main]?.label ?? main).join(', ')"
            :findings="at(name)"
            :marked="marked.includes(entry.label)"
            @change="change"
            @fix="emit('fix', $event)"
          />
        </section>
      </div>
    </slot>
    <FindingList v-if="!isUrgent && pinned.length > 0" :findings="pinned" @fix="emit('fix', $event)" />
  </div>
</template>

<style scoped>
.fields { display: flex; flex-direction: column; gap: 0.5rem; min-height: 0; overflow-y: auto; }
/* What stands below the fields gives way to them. */
.fields :deep(.findings:last-child) { flex: 0 1 auto; min-height: 0; }
.list { overflow-y: auto; min-height: 0; display: grid; gap: 0.6rem; align-content: start; padding-bottom: 0.5rem; }
h3 { padding: 0 0.4rem 0.1rem; }
.fields :deep(.field) {
  display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.1rem 0.5rem;
  align-items: center;
}
.fields :deep(.field > label), .fields :deep(.field > .label) { font-size: 1rem; font-weight: 400; }
.fields :deep(.field > :nth-child(n + 3)), .fields :deep(.field:has(textarea) > *) { grid-column: 1 / -1; }
/* Options that leave no room for their label beside them stand below it. */
.fields :deep(fieldset.field) {
  display: flex; flex-flow: row wrap; justify-content: space-between; align-items: center;
}
.fields :deep(fieldset.field > .label) { flex: 1 1 7rem; }
.fields :deep(.field .p-inputtext) { padding: 0.2rem 0.5rem; }
.fields :deep(.help) { line-height: 1.2; }
.fields :deep(.unit) { width: 1.6rem; }
@media (pointer: coarse) { .fields :deep(.field .p-inputtext) { min-height: 44px; } }
</style>
