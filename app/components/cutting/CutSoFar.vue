<script setup lang="ts">
import { keyOfRef } from '../../../core/batch'
import { newMiscut } from '../../../core/plans'
import type { MiscutEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'
import { lengthFrom } from '../../../core/lengths'
import type { PlannedPaper } from '../../stores/planner'

/** What is cut, what was spoiled, and what came out in a wrong size: the plan above is for the rest. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const cutting = usePaperCutting(() => entry.paper.key)
const cut = computed(() => (cutting.entry.value?.layouts ?? []).filter(layout => layout.cut > 0))
const rows = computed(() =>
  entry.problem.demands.map(demand => ({
    ...demand, wanted: entry.wanted.get(demand.key) ?? 0, spoiled: cutting.spoiledOf(demand.key),
  })),
)
type Row = (typeof rows.value)[number]
const miscut = computed(() => cutting.entry.value?.miscut ?? [])
const pieceOf = ({ piece }: MiscutEntry) => entry.names.get(keyOfRef(piece)) ?? 'a piece that is not wanted any more'
const changeMiscut = (at: number, change: Partial<MiscutEntry>) =>
  cutting.noteMiscut(
    `${at} ${Object.keys(change).join()}`,
    miscut.value.map((one, index) => (index === at ? { ...one, ...change } : one)),
  )
const addMiscut = ({ value }: { value: string }) => {
  const demand = entry.problem.demands.find(({ key }) => key === value)
  if (demand) cutting.noteMiscut('more', [...miscut.value, newMiscut(demand, work.units)])
}
const dropMiscut = (at: number) => cutting.noteMiscut('fewer', miscut.value.filter((_, index) => index !== at))
const COLUMNS = [
  { key: 'name', head: 'Piece', text: ({ name }: Row) => name },
  { key: 'size', head: 'Width × height' },
  { key: 'wanted', head: 'Needed', number: true, text: ({ wanted }: Row) => wanted },
  { key: 'spoiled', head: 'Spoiled', number: true },
  { key: 'missing', head: 'Still to cut', number: true, text: ({ quantity }: Row) => quantity },
]
</script>

<template>
  <FoldOut
    title="Cut so far, and spoiled"
    :open="cut.length + miscut.length > 0 || rows.some(({ spoiled }) => spoiled > 0)"
  >
    <p v-if="cut.length === 0" class="quiet small">
      Note above how many sheets of a layout are cut, and here what was spoiled: the plan is then made for what is
      missing. Sheets that are cut count as taken from what is on hand until the shelf is brought up to date.
    </p>
    <p v-for="layout in cut" :key="layout.key" class="row">
      <span>{{ layout.cut }} × <SheetText
        :width="lengthFrom(layout.tree.width)"
        :height="lengthFrom(layout.tree.height)"
      /> cut{{ layout.shelved ? ', off the shelf' : '' }}</span>
      <Button link size="small" label="Not cut after all" @click="cutting.forgetCut(layout.key)" />
    </p>
    <FigureTable :rows :columns="COLUMNS" label="Pieces of this paper">
      <template #size="{ row }">
        <SizeText :width="row.width" :height="row.height" />
      </template>
      <template #spoiled="{ row }">
        <NumberField
          :model-value="row.spoiled"
          :min="0"
          :max="row.wanted + row.spoiled"
          :called="`Spoiled of ${row.name}`"
          @update:model-value="cutting.noteSpoiled(row.key, entry, $event)"
        />
      </template>
    </FigureTable>
    <fieldset v-for="(wrong, at) in miscut" :key="at" class="row wrong" :aria-label="`Cut wrong: ${pieceOf(wrong)}`">
      <NumberField
        :model-value="wrong.count"
        :min="1"
        :max="BOUNDS.onHand"
        called="How many were cut wrong"
        @update:model-value="changeMiscut(at, { count: $event })"
      />
      <span>× {{ pieceOf(wrong) }} came out as</span>
      <SizeFields
        :width="wrong.width"
        :height="wrong.height"
        @change="(side, value) => changeMiscut(at, { [side]: value })"
      />
      <QuietButton label="Remove" @click="dropMiscut(at)" />
    </fieldset>
    <div class="row">
      <Select
        :key="miscut.length"
        :model-value="null"
        :options="rows"
        option-value="key"
        option-label="name"
        placeholder="Cut to a wrong size…"
        aria-label="Piece that was cut to a wrong size"
        size="small"
        @change="addMiscut"
      />
      <span class="quiet small">
        Say what came out and what it measures: it is planned as something to trim, for this piece or another.
      </span>
    </div>
  </FoldOut>
</template>

<style scoped>
:deep(td input) { width: 4rem; }
.wrong { align-items: center; border: 0; padding: 0; margin: 0; min-inline-size: 0; }
</style>
