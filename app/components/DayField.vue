<script setup lang="ts">
import type { Units } from '../../core/lengths'

/** A field for a day: typed as people write it and shown back in words, or pointed at in a calendar. */
const { modelValue, units, wrong } = defineProps<{
  modelValue: string
  inputId: string
  units: Units
  wrong?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()

const id = useId()
const calendar = useTemplateRef('calendar')
const { reading, reason, set, escape, bindings } = useEntry<string>({
  value: () => modelValue,
  read: text => readDay(text, units, localDay()),
  write: day => (day ? dayInWords(day, 'd MMMM yyyy') : ''),
  take: value => emit('update:modelValue', value),
})
const pointed = computed(() => (modelValue ? new Date(`${modelValue}T12:00:00`) : null))
function point(day: unknown) {
  if (!(day instanceof Date)) return
  set(localDay(0, day))
  calendar.value?.hide()
}
</script>

<template>
  <div class="day">
    <span class="row narrow">
      <InputText
        :id="inputId"
        v-bind="bindings"
        :invalid="Boolean(reason || wrong)"
        :aria-describedby="`${id}-said`"
        autocomplete="off"
        @keydown.esc="escape"
      />
      <IconButton
        icon="tabler:calendar"
        label="Point at a day in the calendar"
        aria-haspopup="dialog"
        @click="calendar?.toggle($event)"
      />
    </span>
    <span
      :id="`${id}-said`"
      :class="reason || wrong ? 'wrong' : 'quiet small'"
      aria-live="polite"
    >{{ reason ?? wrong ?? (reading.ok ? dayInWords(reading.value) : '') }}</span>
    <Popover ref="calendar">
      <LazyDatePicker :model-value="pointed" inline @update:model-value="point" />
    </Popover>
  </div>
</template>

<style scoped>
.day { display: grid; gap: 0.2rem; }
.narrow { gap: 0.35rem; flex-wrap: nowrap; }
.narrow :deep(input) { flex: 1; min-width: 0; }
.wrong { color: var(--stop); font-size: var(--small); }
</style>
