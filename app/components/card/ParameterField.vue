<script setup lang="ts">
import type { ParameterInput } from '../../../core/document'
import type { Finding, Parameter } from '../../../core/folds'

/** One parameter of a fold. Its properties are plain values, so that a change elsewhere leaves it alone. */
const { name, parameter, input, typed, follows } = defineProps<{
  name: string
  parameter: Parameter
  input?: ParameterInput
  /** Whether the maker has typed it; until then it is natural. */
  typed?: boolean
  /** What it follows until then, in words. */
  follows?: string
  findings?: Finding[]
  /** Whether what is chosen in a drawing follows from it. */
  marked?: boolean
}>()
const { units } = useMeasures()
const emit = defineEmits<{ change: [name: string, input?: ParameterInput], fix: [finding: Finding] }>()
const options = computed(() => (parameter.kind === 'choice' ? [...parameter.options] : []))
/** What stands in the field's place once nobody has typed it: worth a button where that is something else. */
const isOwn = computed(
  () => typed && parameter.kind === 'length' && (Boolean(follows) || input !== parameter.defaults[units.value]),
)
const set = (value: ParameterInput | undefined) => value !== undefined && emit('change', name, value)
</script>

<template>
  <div :class="['parameter', parameter.kind, { marked }]" :data-parameter="name">
    <LengthField
      v-if="parameter.kind === 'length'"
      :model-value="String(input ?? parameter.defaults[units])"
      :label="parameter.label"
      :help="parameter.help"
      :zero="parameter.zero"
      :described-by="findings?.length ? `found-${name}` : undefined"
      @update:model-value="set"
    >
      <button
        v-if="isOwn"
        type="button"
        class="natural"
        :title="follows ? `Let it follow again: ${follows}` : `As usual: ${parameter.defaults[units]}`"
        @click="emit('change', name)"
      >
        <Icon name="tabler:rotate" aria-hidden="true" /><span class="unseen">{{ parameter.label }} as usual</span>
      </button>
    </LengthField>
    <div v-else-if="parameter.kind === 'toggle'" class="row switch">
      <label :for="`p-${name}`">{{ parameter.label }}</label>
      <ToggleSwitch
        :input-id="`p-${name}`"
        :model-value="Boolean(input ?? parameter.initial)"
        @update:model-value="set"
      />
    </div>
    <TextListField
      v-else-if="parameter.kind === 'text'"
      :model-value="String(input ?? parameter.defaults[units])"
      :parameter
      @update:model-value="set"
    />
    <fieldset v-else class="field">
      <legend class="label">
        {{ parameter.label }}
      </legend>
      <OneOf
        :model-value="input ?? parameter.initial"
        :options
        size="small"
        :aria-label="parameter.label"
        @update:model-value="set"
      />
    </fieldset>
    <FieldFindings
      v-if="findings?.length"
      :id="`found-${name}`"
      :findings
      @fix="emit('fix', $event)"
      @keep="({ parameter: asked, value }) => emit('change', asked, value)"
    />
  </div>
</template>

<style scoped>
.parameter { padding: 0.1rem 0.4rem; border-left: 3px solid transparent; display: grid; gap: 0.2rem; }
.marked { border-left-color: var(--accent); background: color-mix(in srgb, var(--accent) 6%, transparent); }
.natural {
  position: relative; background: none; border: 0; padding: 0.2rem; color: var(--quiet); cursor: pointer;
  line-height: 0;
  border-radius: 3px;
}
.natural:hover, .natural:focus-visible { color: var(--accent); }
@media (pointer: coarse) { .natural { min-width: 44px; min-height: 44px; } }
.switch { flex-wrap: nowrap; justify-content: space-between; min-height: 2.1rem; }
legend { float: left; }
.choice :deep(.field) { grid-template-columns: 1fr; }
</style>
