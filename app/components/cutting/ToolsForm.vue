<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PaceEntry, ToolsEntry } from '../../../core/document'
import { STACKED_WEIGHT } from '../../../core/paper'
import type { Length, Units } from '../../../core/lengths'
import { BOARD_MARKS, MARKS, formatLength, lengthFrom, writeLength } from '../../../core/lengths'

/** The trimmer and its habits; folded away where it seldom changes. */
const { tools, units, open = false } = defineProps<{ tools: ToolsEntry, units: Units, open?: boolean }>()
const emit = defineEmits<{ change: [what: string, tools: ToolsEntry] }>()
const mark = computed(() => lengthFrom(tools.mark, units))
const marksOf = (marks: Length[]) =>
  marks.map(length => ({ value: writeLength(length, units), label: formatLength(length, units, { unit: true }) }))

const FIELDS = [
  { key: 'trimmer', label: 'Longest cut' },
  { key: 'smallestPiece', label: 'Narrowest safe piece', zero: true },
  { key: 'squaring', label: 'Trimmed off each edge first', zero: true },
  { key: 'kerf', label: 'Lost at every cut', zero: true },
  { key: 'offcutShort', label: 'Offcut worth keeping: short side' },
  { key: 'offcutLong', label: 'Offcut worth keeping: long side' },
] as const

const PACE = [
  { key: 'setting', label: 'Seconds to set the fence' },
  { key: 'stroke', label: 'Seconds for one cut' },
  { key: 'handling', label: 'Seconds to take up a stack' },
  { key: 'turning', label: 'Seconds to turn a stack' },
  { key: 'aside', label: 'Seconds to put a stack aside and find it' },
  { key: 'beside', label: 'Seconds more for each other stack' },
  { key: 'reading', label: 'Seconds to read a layout' },
] as const

const setPace = (key: keyof PaceEntry, value: number) =>
  emit('change', `pace ${key}`, { ...tools, pace: { ...tools.pace, [key]: value } })
const set = (key: Exclude<keyof ToolsEntry, 'pace'>, value: string | number) => emit('change', `tool ${key}`, { ...tools, [key]: value })
</script>

<template>
  <details
    class="board"
    :open="open"
  >
    <summary>Your trimmer and scoring board</summary>
    <div class="stack">
      <LengthField
        v-for="field in FIELDS"
        :key="field.key"
        :label="field.label"
        :model-value="tools[field.key]"
        :units="units"
        :mark="mark"
        :zero="'zero' in field"
        @update:model-value="set(field.key, $event)"
      />
      <ChoiceField
        label="Smallest mark"
        :model-value="writeLength(lengthFrom(tools.mark, units), units)"
        :options="marksOf(MARKS[units])"
        @update:model-value="$event && set('mark', $event)"
      />
      <ChoiceField
        label="Marks of your scoring board"
        :model-value="writeLength(lengthFrom(tools.board, units), units)"
        :options="marksOf(BOARD_MARKS[units])"
        @update:model-value="$event && set('board', $event)"
      />
      <LabelledField
        input="tool-stack"
        label="Sheets in one stack"
      >
        <NumberField
          input-id="tool-stack"
          :model-value="tools.stack"
          :min="1"
          :max="BOUNDS.stack"
          @update:model-value="$event !== null && set('stack', $event)"
        />
        <span class="quiet small">of {{ STACKED_WEIGHT }} g/m²; fewer of heavier paper, more of lighter</span>
      </LabelledField>
      <LabelledField
        v-for="field in PACE"
        :key="field.key"
        :input="`pace-${field.key}`"
        :label="field.label"
      >
        <NumberField
          :input-id="`pace-${field.key}`"
          :model-value="tools.pace[field.key]"
          :min="0"
          :max="BOUNDS.seconds"
          :decimals="1"
          @update:model-value="$event !== null && setPace(field.key, $event)"
        />
      </LabelledField>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
</style>
