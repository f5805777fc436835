<script setup lang="ts">
import { wholeMinutes } from '../../../core/cutting'
import type { PlannedPaper } from '../../stores/planner'

/** All papers at a glance: sheets needed against sheets on hand. */
const { papers } = defineProps<{ papers: PlannedPaper[] }>()
const emit = defineEmits<{ choose: [paper: string] }>()
const money = useMoney()

/** A paper is there from the beginning; its figures come when it is planned, so that nothing moves then. */
const rows = computed(() => papers.flatMap(({ paper, outcome }) => {
  const sheets = outcome ? outcome.sheets.filter(({ needed }) => needed > 0) : [undefined]
  return sheets.map(sheet => ({ paper, outcome, sheet }))
}))
const charted = computed(() => rows.value.map(({ paper, sheet }) => ({
  name: paper.name,
  needed: sheet?.needed ?? 0,
  onHand: sheet?.onHand ?? 0,
})))

/** All papers in one line. */
const inAll = computed(() => {
  const outcomes = papers.flatMap(({ outcome }) => outcome ?? [])
  const add = (of: (outcome: (typeof outcomes)[number]) => number) =>
    outcomes.reduce((sum, outcome) => sum + of(outcome), 0)
  const buy = add(({ sheets }) => sheets.reduce((sum, { needed, onHand }) => sum + Math.max(0, needed - onHand), 0))
  const proven = outcomes.filter(({ plan }) => plan.sheets === plan.bound).length
  const layouts = add(({ plan }) => plan.layouts.length)
  const minutes = wholeMinutes(add(outcome => outcome.minutes))
  const proof
    = proven === outcomes.length ? 'No paper' : `Proven for ${proven} of ${outcomes.length} papers: none of them`
  return {
    sheets: count(add(({ plan }) => plan.sheets), 'sheet'),
    buy: buy === 0 ? 'nothing to buy' : `${buy} of them to buy (${money(add(({ plan }) => plan.spending))})`,
    rest: `${count(layouts, 'layout')}, about ${minutes} min at the trimmer. ${proof} can be cut from fewer sheets.`,
  }
})

type Row = typeof rows.value[number]
const figure
  = (of: (row: Row & { sheet: NonNullable<Row['sheet']>, outcome: NonNullable<Row['outcome']> }) => string | number) =>
    ({ sheet, outcome, ...row }: Row) => (sheet && outcome ? of({ ...row, sheet, outcome }) : '…')
const COLUMNS = [
  { key: 'paper', head: 'Paper' },
  { key: 'sheet', head: 'Sheet' },
  { key: 'needed', head: 'Needed', number: true },
  {
    key: 'bound', head: 'At least', number: true, wide: true, text: figure(({ outcome }) => outcome.plan.bound || '–'),
  },
  { key: 'hand', head: 'On hand', number: true, text: figure(({ sheet }) => sheet.onHand) },
  { key: 'buy', head: 'To buy', number: true },
  {
    key: 'yield', head: 'Used area', number: true, wide: true,
    text: figure(({ outcome }) => `${Math.round(outcome.plan.yield * 100)} %`),
  },
  {
    key: 'layouts', head: 'Layouts', number: true, wide: true,
    text: figure(({ outcome }) => outcome.plan.layouts.length),
  },
  {
    key: 'minutes', head: 'Minutes', number: true, wide: true,
    text: figure(({ outcome }) => wholeMinutes(outcome.minutes)),
  },
]
</script>

<template>
  <section class="board stack">
    <p class="line">
      {{ inAll.sheets }}, {{ inAll.buy }}. <span class="quiet">{{ inAll.rest }}</span>
    </p>
    <h2>Sheets needed against sheets on hand</h2>
    <div class="charted">
      <LazySheetsChart :rows="charted" />
    </div>
    <FigureTable :rows :columns="COLUMNS">
      <template #paper="{ row }">
        <Button link class="paper" @click="emit('choose', row.paper.key)">
          <PaperSwatch :paper="row.paper.key" /> {{ row.paper.name }}
        </Button>
      </template>
      <template #sheet="{ row }">
        <SheetText v-if="row.sheet" :width="row.sheet.width" :height="row.sheet.height" />
      </template>
      <template #needed="{ row }">
        <strong>{{ row.sheet?.needed ?? '…' }}</strong>
      </template>
      <template #buy="{ row }">
        <span
          v-if="row.sheet"
          :class="{ buy: row.sheet.needed > row.sheet.onHand }"
        >{{ Math.max(0, row.sheet.needed - row.sheet.onHand) || '–' }}</span>
      </template>
    </FigureTable>
  </section>
</template>

<style scoped>
.line { font-size: 1.0625rem; }
.charted { min-height: 220px; }
.paper { padding: 0; gap: 0.6rem; }
@media (min-width: 701px) { :deep(table) { table-layout: fixed; } }
.buy { color: var(--stop); font-weight: 600; }
</style>
