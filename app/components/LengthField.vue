<script setup lang="ts">
import { formatLength, nanometres, parseLength, writeLength } from '../../core/lengths'
import type { Reading } from '../utils/reading'

/**
 * A field for one length, text with unit on both sides. A bare number is meant in the maker's units. Up and down go a
 * mark further, as does pulling at the label.
 */
const { modelValue, label, help, zero = false, signed = false } = defineProps<{
  modelValue: string
  label: string
  help?: string
  zero?: boolean
  /** Less than nothing means something. */
  signed?: boolean
  /** The element that says more about this length, a finding for instance. */
  describedBy?: string
}>()
const { units, mark } = useMeasures()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()

const id = useId()
const lengthOf = (text: string) => {
  const parsed = parseLength(text.replace('≈', ''), units.value)
  return parsed.ok ? parsed.length : undefined
}
const shown = (text: string) => {
  const length = lengthOf(text)
  if (length === undefined) return text
  const words = formatLength(length, units.value)
  // What the maker's own units would only show about, is shown as it was written; what was worked out has more digits
  // than any ruler.
  return lengthOf(words) === length || /\.\d{3,} mm$/.test(text) ? words : text
}
function read(text: string): Reading<string> {
  // What the field itself shows means what is in force, also where its digits were shortened.
  if (text === shown(modelValue)) return { ok: true, value: modelValue }
  const parsed = parseLength(text, units.value)
  if (!parsed.ok) return parsed
  // A slip, or on the way from 5 7/1 to 5 7/16; it would be 12.
  if (/\/\s*1$/.test(text.trim())) return { ok: false, reason: 'A fraction over 1 is a whole number.' }
  if (parsed.length < 0 && !signed) return { ok: false, reason: 'A length cannot be negative.' }
  if (parsed.length === 0 && !zero) return { ok: false, reason: 'This must be more than zero.' }
  return { ok: true, value: writeLength(parsed.length, units.value) }
}
const { draft, reason, set, escape, bindings } = useEntry<string>({
  value: () => modelValue,
  read,
  write: shown,
  take: value => emit('update:modelValue', value),
})

function to(length: number) {
  set(writeLength(nanometres(signed ? length : Math.max(zero ? 0 : mark.value, length)), units.value))
}
function step(direction: 1 | -1) {
  const length = lengthOf(draft.value) ?? lengthOf(modelValue)
  if (length !== undefined) to(length + direction * mark.value)
}

/** Pulling the label to the right makes the length larger, mark by mark. */
const PIXELS_A_MARK = 5
let grip: { x: number, length: number } | undefined
function grab(event: PointerEvent) {
  const length = lengthOf(modelValue)
  if (length === undefined || event.pointerType === 'touch') return
  grip = { x: event.clientX, length };
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent) {
  if (grip) to(grip.length + Math.round((event.clientX - grip.x) / PIXELS_A_MARK) * mark.value)
}
</script>

<template>
  <div class="field">
    <label
      :for="id"
      title="Pull to change"
      class="grip"
      @pointerdown="grab"
      @pointermove="pull"
      @pointerup="grip = undefined"
      @pointercancel="grip = undefined"
    >{{ label }}</label>
    <div class="row narrow">
      <slot />
      <InputText
        :id
        v-bind="bindings"
        :aria-describedby="[describedBy, (reason || help) && `${id}-about`].filter(Boolean).join(' ') || undefined"
        autocomplete="off"
        inputmode="text"
        class="measure"
        @keydown.up.prevent="step(1)"
        @keydown.down.prevent="step(-1)"
        @keydown.esc="escape"
      />
      <span class="quiet unit" aria-hidden="true">{{ units === 'inch' ? 'in' : 'mm' }}</span>
    </div>
    <span
      v-if="reason || help"
      :id="`${id}-about`"
      :class="reason ? 'wrong' : 'quiet small help'"
    >{{ reason ? `${reason} It stays ${shown(modelValue)}.` : help }}</span>
  </div>
</template>

<style scoped>
.measure { width: 6.2rem; font-size: 1.0625rem; font-weight: 500; }
.grip { cursor: ew-resize; user-select: none; }
.narrow { gap: 0.35rem; flex-wrap: nowrap; }
</style>
