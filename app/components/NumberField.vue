<script setup lang="ts" generic="T extends number | null = number">
import type { NumberBounds } from '../utils/reading'
import { readNumber } from '../utils/reading'

/**
 * A field for one number, typed as text: nothing is put together from what was there before. Up and down go one
 * further. `blank` is what an empty field means, where it means something.
 */
const { modelValue, min, max, decimals = 0, blank, wrong } = defineProps<NumberBounds & {
  modelValue: T
  /** Stands above the field. */
  label?: string
  /** What the field is called where its label stands elsewhere, at the head of a column for instance. */
  called?: string
  /** Where somebody else has a label for it. */
  inputId?: string
  blank?: number | null
  suffix?: string
  /** What its label does not say. */
  help?: string
  /** What somebody else found wrong with it. */
  wrong?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()

const id = useId()
/** Money keeps both its digits, other figures none that say nothing. */
const write = (value: number | null) => (value === null ? '' : decimals === 2 ? value.toFixed(2) : String(value))
const { draft, reason, set, escape, bindings } = useEntry<number | null>({
  value: () => modelValue,
  read: text =>
    text.trim() === '' && blank !== undefined ? { ok: true, value: blank } : readNumber(text, { min, max, decimals }),
  write,
  // Nothing is typed only where an empty field means something.
  take: value => emit('update:modelValue', value as T),
})
const said = computed(() =>
  reason.value ? `${reason.value}${modelValue === null ? '' : ` It stays ${write(modelValue)}.`}` : wrong,
)

function step(direction: 1 | -1) {
  const read = readNumber(draft.value, { decimals })
  const from = read.ok ? read.value : (modelValue ?? min ?? 0)
  set(Math.min(max ?? Infinity, Math.max(min ?? -Infinity, from + direction)))
}
</script>

<template>
  <div class="number field">
    <label v-if="label" :for="inputId ?? id">{{ label }}</label>
    <span class="row narrow">
      <InputText
        :id="inputId ?? id"
        v-bind="bindings"
        :invalid="Boolean(said)"
        :aria-label="called"
        :aria-describedby="said || help ? `${id}-about` : undefined"
        :inputmode="decimals > 0 ? 'decimal' : 'numeric'"
        autocomplete="off"
        class="figure"
        @keydown.up.prevent="step(1)"
        @keydown.down.prevent="step(-1)"
        @keydown.esc="escape"
      />
      <span v-if="suffix" class="quiet" aria-hidden="true">{{ suffix }}</span>
    </span>
    <span v-if="said" :id="`${id}-about`" class="wrong">{{ said }}</span>
    <span v-else-if="help" :id="`${id}-about`" class="quiet small">{{ help }}</span>
  </div>
</template>

<style scoped>
.number { display: grid; gap: 0.2rem; }
.narrow { gap: 0.35rem; flex-wrap: nowrap; }
.figure { width: 5.5rem; text-align: right; }
.wrong { color: var(--stop); font-size: var(--small); }
</style>
