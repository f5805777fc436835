<script setup lang="ts">
import { PACE, TOOLS } from '../../../core/document'
import type { ToolsEntry } from '../../../core/document'
import { STACKED_WEIGHT } from '../../../core/paper'
import type { Length } from '../../../core/lengths'
import { BOARD_MARKS, MARKS, formatLength, lengthFrom, writeLength } from '../../../core/lengths'

/** The trimmer and its habits; folded away where it seldom changes. */
const { tools, open = false } = defineProps<{ tools: ToolsEntry, open?: boolean }>()
const { units } = useMeasures()
const emit = defineEmits<{ change: [what: string, tools: ToolsEntry] }>()
// Marks are chosen, not measured.
const { mark: trimmer, board, stack, ...LENGTHS } = TOOLS
const mark = computed(() => lengthFrom(tools.mark, units.value))
const marksOf = (marks: Length[]) =>
  marks.map(length => ({
    value: writeLength(length, units.value), label: formatLength(length, units.value, { unit: true }),
  }))
const set = (key: string, change: Partial<ToolsEntry>) => emit('change', `tool ${key}`, { ...tools, ...change })
</script>

<template>
  <FoldOut title="Your trimmer and scoring board" :open>
    <FieldRows :table="LENGTHS" :values="tools" @change="set" />
    <ChoiceField
      :label="trimmer.name"
      :model-value="writeLength(mark, units)"
      :options="marksOf(MARKS[units])"
      @update:model-value="$event && set('mark', { mark: $event })"
    />
    <ChoiceField
      :label="board.name"
      :model-value="writeLength(lengthFrom(tools.board, units), units)"
      :options="marksOf(BOARD_MARKS[units])"
      @update:model-value="$event && set('board', { board: $event })"
    />
    <div>
      <FieldRows :table="{ stack }" :values="tools" @change="set" />
      <span class="quiet small">of {{ STACKED_WEIGHT }} g/m²; fewer of heavier paper, more of lighter</span>
    </div>
    <FieldRows
      :table="PACE"
      :values="tools.pace"
      @change="(key, change) => emit('change', `pace ${key}`, { ...tools, pace: { ...tools.pace, ...change } })"
    />
  </FoldOut>
</template>
