<script setup lang="ts">
import { packedBags } from '../../../../core/kits'
import type { LabelsEntry } from '../../../../core/document'
import { LABELS } from '../../../../core/document'
import { bagLabels, kitLabels, labelProblem, labelSheets } from '../../../../core/printed'

/** Labels for bags or kits on sheets of any grid, in their real places. */
definePageMeta({ layout: 'print' })
const page = usePrintedClass('Labels')
const { work, printOf } = page
const KINDS = [{ value: 'bags', label: 'Bags' }, { value: 'kits', label: 'Kits' }] as const
const kind = ref<'bags' | 'kits'>('bags')
const used = ref(0)
const { paper, ...GRID } = LABELS
const grid = computed(() => work.batch.labels)
const wrong = computed(() => labelProblem(grid.value))
const bags = computed(() => packedBags(work.prepared))
const texts = computed(() => (kind.value === 'bags'
  ? bagLabels(bags.value, work.batch, dayInWords(work.batch.class.date, 'd MMM yyyy'))
  : kitLabels(bags.value)))
const print = computed(() => ({
  ...printOf([]), paper: grid.value.paper, labels: wrong.value ? [] : labelSheets(grid.value, texts.value, used.value),
}))
const set = (key: string, change: Partial<LabelsEntry>) =>
  work.edit(`labels ${key}`, document => void Object.assign(document.labels, change))
</script>

<template>
  <PrintedClass
    :page
    :print="() => print"
    back="kits"
    wait="Writing the labels"
    @update:paper="set('paper', { paper: $event })"
  >
    <OneOf v-model="kind" :options="[...KINDS]" size="small" aria-label="Labels for" />
    <fieldset class="grid">
      <legend class="label small">
        The sheet of labels ({{ paper.words[grid.paper] }})
      </legend>
      <FieldRows :table="GRID" :values="grid" @change="set" />
      <NumberField v-model="used" label="Used already" :min="0" :max="grid.columns * grid.rows - 1" />
    </fieldset>
    <p v-if="wrong" role="alert" class="wrong">
      {{ wrong }}
    </p>
    <p v-else class="small quiet">
      {{ count(texts.length, 'label') }} on {{ count(print.labels.length, 'sheet') }}. Print them at 100 %, on plain
      paper first.
    </p>
  </PrintedClass>
</template>

<style scoped>
.grid { display: flex; flex-wrap: wrap; gap: 0.4rem 0.75rem; border: 0; padding: 0; margin: 0; align-items: end; }
.grid { flex-basis: 100%; order: 1; }
p { flex-basis: 100%; order: 2; margin: 0; }
.wrong { color: var(--stop); }
</style>
