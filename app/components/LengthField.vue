<script setup lang="ts">
import type { Length, Units } from '../../core/lengths'
import { formatLength, nanometres, parseLength, writeLength } from '../../core/lengths'

/**
 * A field for one length, text with unit on both sides. What is typed is taken
 * as soon as it can be read; what cannot be read stays in the field with a
 * reason below it, and the last good value stays in force.
 */
const { modelValue, units, mark, label, help, zero = false } = defineProps<{
  modelValue: string
  units: Units
  label: string
  /** One step of the arrow keys. */
  mark: Length
  help?: string
  zero?: boolean
  /** A finding about this length, shown below it. */
  finding?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()

const id = useId()
const shown = (text: string) => {
  const parsed = parseLength(text, units)
  return parsed.ok ? formatLength(parsed.length, units) : text
}
const draft = ref(shown(modelValue))
const typing = ref(false)
watch(() => [modelValue, units], () => {
  if (!typing.value) draft.value = shown(modelValue)
})

const reason = computed(() => {
  const parsed = parseLength(draft.value.replace('≈', ''), units)
  if (!parsed.ok) return parsed.reason
  if (parsed.length < 0) return 'A length cannot be negative.'
  if (parsed.length === 0 && !zero) return 'This must be more than zero.'
  return undefined
})

function take(text: string) {
  draft.value = text
  const parsed = parseLength(text, units)
  if (!parsed.ok || reason.value) return
  const value = writeLength(parsed.length, units)
  if (value !== modelValue) emit('update:modelValue', value)
}

function step(direction: 1 | -1) {
  const parsed = parseLength(draft.value, units)
  if (parsed.ok) take(formatLength(nanometres(Math.max(zero ? 0 : mark, parsed.length + direction * mark)), units))
}

/** Dragging the label to the right makes the length larger, mark by mark. */
const PIXELS_A_MARK = 5
let grip: { x: number, length: number } | undefined
function grab(event: PointerEvent) {
  const parsed = parseLength(draft.value, units)
  if (!parsed.ok) return
  grip = { x: event.clientX, length: parsed.length };
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent) {
  if (!grip) return
  const marks = Math.round((event.clientX - grip.x) / PIXELS_A_MARK)
  take(formatLength(nanometres(Math.max(zero ? 0 : mark, grip.length + marks * mark)), units))
}

function settle() {
  typing.value = false
  if (!reason.value) draft.value = shown(modelValue)
}
</script>

<template>
  <div class="field">
    <label
      :for="id"
      title="Drag to change"
      class="grip"
      @pointerdown="grab"
      @pointermove="pull"
      @pointerup="grip = undefined"
      @pointercancel="grip = undefined"
    >{{ label }}</label>
    <div class="row narrow">
      <InputText
        :id="id"
        :model-value="draft"
        :invalid="Boolean(reason)"
        :aria-describedby="reason || finding || help ? `${id}-about` : undefined"
        autocomplete="off"
        inputmode="text"
        class="measure"
        @focus="typing = true"
        @update:model-value="take($event ?? '')"
        @blur="settle"
        @keydown.up.prevent="step(1)"
        @keydown.down.prevent="step(-1)"
      />
      <span
        class="quiet"
        aria-hidden="true"
      >{{ units === 'inch' ? 'in' : 'mm' }}</span>
    </div>
    <span
      v-if="reason || finding || help"
      :id="`${id}-about`"
      :class="reason || finding ? 'wrong' : 'quiet small'"
    >{{ reason ?? finding ?? help }}</span>
  </div>
</template>

<style scoped>
.measure { width: 6.2rem; font-size: 1.0625rem; font-weight: 500; }
.grip { cursor: ew-resize; touch-action: none; user-select: none; }
.narrow { gap: 0.35rem; }
</style>
