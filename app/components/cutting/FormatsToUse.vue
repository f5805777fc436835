<script setup lang="ts">
import type { Stock } from '../../../core/paper'
import { sheetSchool } from '../../../core/paper'
import type { PlannedPaper } from '../../stores/planner'

/** The sheet formats of a paper, each to be used or not. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const cutting = usePaperCutting(() => entry.paper.key)
const stocks = computed(() => entry.paper.stocks)
const inUse = computed(() => cutting.formatsInUse(entry.paper))
/** Sheets of the other units are cut only where they are ticked. */
const WORDS = { inch: ' (inch sheet)', metric: ' (metric sheet)' }
const foreign = (stock: Stock) => (sheetSchool(stock) === work.units ? '' : WORDS[sheetSchool(stock)])
</script>

<template>
  <fieldset v-if="stocks.length > 1" class="board row">
    <legend class="unseen">
      Sheet formats to use
    </legend>
    <span class="label small">Cut from</span>
    <span v-for="stock in stocks" :key="stock.key" class="row">
      <Checkbox
        :model-value="inUse.includes(stock.key)"
        binary
        :input-id="`format-${entry.paper.key}-${stock.key}`"
        :disabled="inUse.length === 1 && inUse.includes(stock.key)"
        @update:model-value="cutting.setFormat(entry.paper, stock.key, $event)"
      />
      <label :for="`format-${entry.paper.key}-${stock.key}`"><SheetText
        :width="stock.width"
        :height="stock.height"
      />{{ foreign(stock) }}</label>
    </span>
  </fieldset>
</template>

<style scoped>
fieldset.row { gap: 1.25rem; border: 1px solid var(--line); padding: 0.7rem 1rem; }
</style>
