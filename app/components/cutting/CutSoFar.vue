<script setup lang="ts">
import { lengthFrom } from '../../../core/lengths'
import type { PlannedPaper } from '../../stores/planner'

/** What is cut and what was spoiled: the plan above is for the rest. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const cutting = usePaperCutting(() => entry.paper.key)
const cut = computed(() => (cutting.entry.value?.layouts ?? []).filter(layout => layout.cut > 0))
const rows = computed(() =>
  entry.problem.demands.map(demand => ({ ...demand, wanted: entry.wanted.get(demand.key) ?? 0, spoiled: cutting.spoiledOf(demand.key) })),
)
type Row = (typeof rows.value)[number]
const COLUMNS = [
  { key: 'name', head: 'Piece', text: ({ name }: Row) => name },
  { key: 'size', head: 'Width × height' },
  { key: 'wanted', head: 'Needed', number: true, text: ({ wanted }: Row) => wanted },
  { key: 'spoiled', head: 'Spoiled', number: true },
  { key: 'missing', head: 'Still to cut', number: true, text: ({ quantity }: Row) => quantity },
]
</script>

<template>
  <details
    class="board"
    :open="cut.length > 0 || rows.some(({ spoiled }) => spoiled > 0)"
  >
    <summary>Cut so far, and spoiled</summary>
    <div class="stack">
      <p
        v-if="cut.length === 0"
        class="quiet small"
      >
        Note above how many sheets of a layout are cut, and here what was spoiled: the plan is then made for what is missing. Sheets
        that are cut count as taken from what is on hand until the shelf is brought up to date.
      </p>
      <p
        v-for="layout in cut"
        :key="layout.key"
        class="row"
      >
        <span>{{ layout.cut }} × <SheetText
          :width="lengthFrom(layout.tree.width)"
          :height="lengthFrom(layout.tree.height)"
          :units="work.units"
        /> cut{{ layout.shelved ? ', off the shelf' : '' }}</span>
        <Button
          link
          size="small"
          label="Not cut after all"
          @click="cutting.forgetCut(layout.key)"
        />
      </p>
      <FigureTable
        :rows="rows"
        :columns="COLUMNS"
        label="Pieces of this paper"
      >
        <template #size="{ row }">
          <SizeText
            :width="row.width"
            :height="row.height"
            :units="work.units"
          />
        </template>
        <template #spoiled="{ row }">
          <NumberField
            :model-value="row.spoiled"
            :min="0"
            :max="row.wanted + row.spoiled"
            :label="`Spoiled of ${row.name}`"
            @update:model-value="$event !== null && cutting.noteSpoiled(row.key, entry, $event)"
          />
        </template>
      </FigureTable>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
</style>
