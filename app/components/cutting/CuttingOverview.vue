<script setup lang="ts">
import type { PlannedPaper } from '../../stores/planner'

/** All papers at a glance: sheets needed against sheets on hand. */
const { papers } = defineProps<{ papers: PlannedPaper[] }>()
const emit = defineEmits<{ choose: [paper: string] }>()
const work = useClassStore()

const rows = computed(() => papers.flatMap(({ paper, outcome }) => outcome
  ? outcome.sheets.filter(({ needed }) => needed > 0).map(sheet => ({ ...sheet, paper, outcome }))
  : []))

type Row = typeof rows.value[number]
const COLUMNS = [
  { key: 'paper', head: 'Paper' },
  { key: 'sheet', head: 'Sheet' },
  { key: 'needed', head: 'Needed', number: true },
  { key: 'bound', head: 'At least', number: true, wide: true, text: ({ outcome }: Row) => outcome.plan.bound || '–' },
  { key: 'hand', head: 'On hand', number: true, text: ({ onHand }: Row) => onHand },
  { key: 'buy', head: 'To buy', number: true },
  { key: 'yield', head: 'Used area', number: true, wide: true, text: ({ outcome }: Row) => `${Math.round(outcome.plan.yield * 100)} %` },
  { key: 'settings', head: 'Settings', number: true, wide: true, text: ({ outcome }: Row) => outcome.settings },
]
</script>

<template>
  <section class="board stack">
    <h2>Sheets needed against sheets on hand</h2>
    <SheetsChart
      v-if="rows.length > 0"
      :rows="rows.map(({ paper, needed, onHand }) => ({ name: paper.name, needed, onHand }))"
    />
    <FigureTable
      :rows="rows"
      :columns="COLUMNS"
    >
      <template #paper="{ row }">
        <Button
          link
          class="paper"
          @click="emit('choose', row.paper.key)"
        >
          <PaperSwatch :paper="row.paper.key" /> {{ row.paper.name }}
        </Button>
      </template>
      <template #sheet="{ row }">
        <SheetText
          :width="row.width"
          :height="row.height"
          :units="work.units"
        />
      </template>
      <template #needed="{ row }">
        <strong>{{ row.needed }}</strong>
      </template>
      <template #buy="{ row }">
        <span :class="{ buy: row.needed > row.onHand }">{{ Math.max(0, row.needed - row.onHand) || '–' }}</span>
      </template>
    </FigureTable>
  </section>
</template>

<style scoped>
.paper { padding: 0; gap: 0.6rem; }
.buy { color: var(--stop); font-weight: 600; }
</style>
