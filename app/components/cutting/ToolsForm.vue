<script setup lang="ts">
import type { ToolsEntry } from '../../../core/batch'
import { BOUNDS } from '../../../core/batch'
import { MARKS, formatLength, lengthFrom, writeLength } from '../../../core/lengths'

/** The trimmer and its habits; folded away because it seldom changes. */
const work = useClassStore()
const tools = computed(() => work.document!.tools)
const mark = computed(() => work.preparation!.cutter.mark)
const marks = computed(() => MARKS[work.units].map(length => ({ value: writeLength(length, work.units), label: formatLength(length, work.units, { unit: true }) })))

const FIELDS = [
  { key: 'trimmer', label: 'Longest cut' },
  { key: 'smallestPiece', label: 'Narrowest safe piece', zero: true },
  { key: 'squaring', label: 'Squared off every edge', zero: true },
  { key: 'offcutShort', label: 'Offcut worth keeping: short side' },
  { key: 'offcutLong', label: 'Offcut worth keeping: long side' },
] as const

function set(key: keyof ToolsEntry, value: string | number) {
  work.edit(`tool ${key}`, document => void (document.tools = { ...document.tools, [key]: value }))
}
</script>

<template>
  <details class="board">
    <summary>Your trimmer</summary>
    <div class="stack">
      <LengthField
        v-for="field in FIELDS"
        :key="field.key"
        :label="field.label"
        :model-value="tools[field.key]"
        :units="work.units"
        :mark="mark"
        :zero="'zero' in field"
        @update:model-value="set(field.key, $event)"
      />
      <div class="field">
        <label for="tool-mark">Smallest mark</label>
        <Select
          input-id="tool-mark"
          label-id="tool-mark"
          aria-label="Smallest mark"
          :model-value="writeLength(lengthFrom(tools.mark, work.units), work.units)"
          :options="marks"
          option-value="value"
          option-label="label"
          @update:model-value="set('mark', $event)"
        />
      </div>
      <div class="field">
        <label for="tool-stack">Sheets in one stack</label>
        <InputNumber
          input-id="tool-stack"
          :model-value="tools.stack"
          :min="1"
          :max="BOUNDS.stack"
          :max-fraction-digits="0"
          fluid
          @update:model-value="typeof $event === 'number' && set('stack', $event)"
        />
      </div>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
</style>
