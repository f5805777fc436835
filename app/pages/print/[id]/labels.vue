<script setup lang="ts">
import { packedBags } from '../../../../core/kits'
import type { LabelsEntry } from '../../../../core/document'
import { BOUNDS } from '../../../../core/document'
import { bagLabels, kitLabels, labelProblem, labelSheets } from '../../../../core/printed'

/** Labels for bags or kits on sheets of any grid, in their real places. */
definePageMeta({ layout: 'print' })
const { work, missing, printOf, file } = usePrintedClass('Labels')
const id = useId()
const KINDS = [{ value: 'bags', label: 'Bags' }, { value: 'kits', label: 'Kits' }] as const
const kind = ref<'bags' | 'kits'>('bags')
const used = ref(0)
const PAPERS = [{ value: 'LETTER', label: 'Letter' }, { value: 'A4', label: 'A4' }] as const
const COUNTS = [{ key: 'columns', label: 'Across' }, { key: 'rows', label: 'Down' }] as const
const LENGTHS = [
  { key: 'width', label: 'Width', zero: false }, { key: 'height', label: 'Height', zero: false },
  { key: 'left', label: 'From the left', zero: true },
  { key: 'top', label: 'From the top', zero: true }, { key: 'across', label: 'Gap across', zero: true },
  { key: 'down', label: 'Gap down', zero: true },
] as const
const grid = computed(() => work.batch.labels)
const wrong = computed(() => labelProblem(grid.value))
const bags = computed(() => packedBags(work.prepared))
const texts = computed(() => (kind.value === 'bags'
  ? bagLabels(bags.value, work.batch, dayInWords(work.batch.class.date, 'd MMM yyyy'))
  : kitLabels(bags.value)))
const print = computed(() => ({
  ...printOf([]), paper: grid.value.paper, labels: wrong.value ? [] : labelSheets(grid.value, texts.value, used.value),
}))
const set = <K extends keyof LabelsEntry>(key: K, value: LabelsEntry[K]) =>
  work.edit(`labels ${key}`, document => void (document.labels = { ...document.labels, [key]: value }))
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document">
    Writing the labels …
  </p>
  <PrintedDocument
    v-else
    :paper="grid.paper"
    :print="print"
    :file="file"
    :back="`/classes/${work.id}/kits`"
    @update:paper="set('paper', $event)"
  >
    <SelectButton
      v-model="kind"
      :options="[...KINDS]"
      option-value="value"
      option-label="label"
      :allow-empty="false"
      size="small"
      aria-label="Labels for"
    />
    <fieldset class="grid">
      <legend class="label small">
        The sheet of labels ({{ PAPERS.find(({ value }) => value === grid.paper)?.label }})
      </legend>
      <LabelledField
        v-for="{ key, label } in COUNTS"
        :key="key"
        :input="`${id}-${key}`"
        :label="label"
      >
        <NumberField
          :input-id="`${id}-${key}`"
          :model-value="grid[key]"
          :min="1"
          :max="BOUNDS.labels"
          @update:model-value="$event !== null && set(key, $event)"
        />
      </LabelledField>
      <LengthField
        v-for="{ key, label, zero } in LENGTHS"
        :key="key"
        :label="label"
        :model-value="grid[key]"
        :units="work.units"
        :mark="work.prepared.cutter.mark"
        :zero="zero"
        @update:model-value="set(key, $event)"
      />
      <LabelledField
        :input="`${id}-used`"
        label="Used already"
      >
        <NumberField
          :input-id="`${id}-used`"
          :model-value="used"
          :min="0"
          :max="grid.columns * grid.rows - 1"
          @update:model-value="$event !== null && (used = $event)"
        />
      </LabelledField>
    </fieldset>
    <p
      v-if="wrong"
      role="alert"
      class="wrong"
    >
      {{ wrong }}
    </p>
    <p
      v-else
      class="small quiet"
    >
      {{ count(texts.length, 'label') }} on {{ count(print.labels.length, 'sheet') }}. Print them at 100 %, on plain paper first.
    </p>
  </PrintedDocument>
</template>

<style scoped>
.grid { display: flex; flex-wrap: wrap; gap: 0.4rem 0.75rem; border: 0; padding: 0; margin: 0; align-items: end; }
.grid { flex-basis: 100%; order: 1; }
p { flex-basis: 100%; order: 2; margin: 0; }
.wrong { color: var(--stop); }
</style>
