<script setup lang="ts">
import { itemAt } from '../../../core/lists'
import { isCutAlike, proofOf } from '../../../core/plans'
import { lettersOf, wholeMinutes } from '../../../core/cutting'
import type { KeyedLayout } from '../../../core/cutting'
import type { PlannedPaper } from '../../stores/planner'

/**
 * The plan of one paper: what it takes in one line, what could be traded, one layout large, and the order of all cuts.
 */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const planner = usePlannerStore()
const money = useMoney()
const cutting = usePaperCutting(() => entry.paper.key)

const outcome = computed(() => entry.outcome)
const layouts = computed(() => outcome.value?.plan.layouts ?? [])
const shown = ref<number>()
const step = computed(() => (shown.value === undefined ? undefined : outcome.value?.steps[shown.value]))
/** What is drawn of it. */
const cutFrom = computed(() => {
  const { problem, paper, paperOf, names, belongs } = entry
  return { problem, paper, paperOf, names, belongs }
})
const letters = computed(() => lettersOf(layouts.value, entry.problem.cutter.kerf))
const isKept = (layout: KeyedLayout) => (entry.problem.fixed ?? []).some(({ key }) => key === layout.key)
/** Papers that are cut in just the same way: their sheets can lie in one stack. */
const together = computed(() =>
  planner.papers
    .filter(
      other =>
        other.paper.key !== entry.paper.key
        && entry.outcome
        && other.outcome
        && isCutAlike(entry.outcome, other.outcome),
    )
    .map(({ paper }) => paper.name),
)
/** What keeping layouts and doing without formats costs, in words; empty where it costs nothing. */
const dearer = computed(() => {
  if (!entry.freePlan || !outcome.value) return ''
  const { sheets, spending } = itemAt(outcome.value.choices, 0).plan
  const [more, cents] = [sheets - entry.freePlan.sheets, spending - entry.freePlan.spending]
  return [
    more > 0 ? `${count(more, 'sheet')} (${entry.freePlan.sheets} would do)` : '',
    cents > 0 ? `${money(cents)} more to buy` : '',
  ]
    .filter(Boolean)
    .join(' and ')
})
/** What is missing, by the reason for it. */
const missing = computed(() => {
  const reasons = new Map<string, string[]>()
  for (const { demand, quantity, reason } of outcome.value?.plan.unplaced ?? [])
    reasons.set(reason, [...reasons.get(reason) ?? [], `${quantity} × ${entry.names.get(demand)}`])
  return [...reasons]
})
/** How far the planning is, in words; nothing once it is settled. */
const looking = computed(() => {
  const { state, columns } = entry.job
  if (state === 'stopped') return 'Stopped by you.'
  if (state !== 'running' && state !== 'waiting') return ''
  const among = columns > 0 ? ` among ${count(columns, 'pattern')}` : ''
  return `Still looking for better${among}; what binds to this plan waits until then.`
})
const toBuy = computed(() => {
  const { spending, moneyBound } = outcome.value?.plan ?? { spending: 0 }
  const sheets = outcome.value?.sheets.reduce((sum, { needed, onHand }) => sum + Math.max(0, needed - onHand), 0) ?? 0
  if (sheets === 0) return 'nothing to buy'
  const least = moneyBound === undefined || spending === 0
    ? ''
    : moneyBound === spending ? ', and it cannot be had for less' : `; less than ${money(moneyBound)} is impossible`
  return `${count(sheets, 'sheet')} to buy${spending > 0 ? `, ${money(spending)}` : ''}${least}`
})

async function download(layout: KeyedLayout, number: number) {
  if (!outcome.value) return
  const { layoutSvg } = await import('../../../core/exports')
  saveText(
    await layoutSvg(outcome.value, layout.key, work.batch), `${entry.paper.key}-sheet-${number}.svg`, 'image/svg+xml',
  )
}
</script>

<template>
  <div class="stack">
    <div>
      <p v-if="outcome && outcome.plan.layouts.length === 0 && outcome.plan.unplaced.length === 0" class="proof">
        Everything of this paper is cut.
      </p>
      <p v-else-if="outcome" class="proof">
        {{ proofOf(outcome) }}; {{ toBuy }}.
        <span class="quiet">{{ count(layouts.length, 'layout') }},
          {{ count(outcome.settings, 'setting') }} of the fence, about
          {{ wholeMinutes(outcome.minutes) }} min. {{ Math.round(outcome.plan.yield * 100) }} % of the area is used.
          {{ looking }}</span>
      </p>
      <p v-if="outcome?.beyond && layouts.length > 0" class="costs">
        No plan keeps to all that you set under “How you like to cut”; this one comes nearest.
      </p>
      <p v-if="outcome?.unbought" class="costs">
        Sheets are bought although enough lie there: without buying it takes
        {{ count(outcome.unbought.plan.sheets, 'sheet') }} and {{ wholeMinutes(outcome.unbought.minutes) }} min.
        <Button label="Buy nothing" text size="small" @click="cutting.wish('money')" />
      </p>
      <p v-if="together.length > 0" class="small">
        Cut just like {{ together.join(' and ') }}: their sheets can lie in one stack.
      </p>
      <p v-if="dearer" class="costs">
        <Icon name="tabler:alert-triangle" aria-hidden="true" /> What you fixed costs {{ dearer }}.
      </p>
    </div>
    <Message v-if="entry.job.state === 'failed'" severity="error" :closable="false">
      The planner could not finish: {{ entry.job.reason }}
    </Message>
    <Message v-for="(reason, index) in entry.dropped" :key="`dropped ${index}`" severity="warn" :closable="false">
      A layout you kept is not used: {{ reason }}. The pieces have changed since.
    </Message>
    <Message v-for="[reason, pieces] in missing" :key="reason" severity="error" :closable="false">
      Missing: {{ pieces.join('; ') }}. {{ reason }}
    </Message>
    <PlanChoices :entry />
    <div v-if="outcome && layouts.length > 0" class="bench">
      <LayoutBoard v-bind="cutFrom" :layouts :letters :step>
        <template #default="{ layout, number }">
          <p v-if="!entry.paperOf && !entry.settled" class="quiet small">
            It can be kept and noted as cut once the plan is final.
          </p>
          <div v-else-if="!entry.paperOf" class="row">
            <ToggleButton
              :model-value="isKept(layout)"
              on-label="Kept as it is"
              off-label="Keep it"
              size="small"
              @update:model-value="cutting.keep(layout, entry, $event)"
            />
            <CutNote :key="layout.key" :layout @cut="cutting.noteCut(layout, entry, $event)" />
            <QuietButton
              label="SVG"
              :aria-label="`Sheet ${number} as SVG in real size`"
              @click="download(layout, number)"
            />
          </div>
        </template>
      </LayoutBoard>
      <section class="board order" aria-label="Order of cuts for this paper">
        <h3>At the trimmer</h3>
        <CutOrder :steps="outcome.steps" :letters @show="shown = $event" />
      </section>
    </div>
    <LeftoverList v-if="outcome && !entry.paperOf" :outcome :entry />
    <template v-if="!entry.paperOf">
      <FormatsToUse :entry />
      <CutSoFar :entry />
    </template>
  </div>
</template>

<style scoped>
.proof { font-size: 1.0625rem; }
.costs { color: var(--warn); }
.bench { display: grid; grid-template-columns: minmax(0, 462px) minmax(0, 1fr); gap: 1rem; align-items: start; }
.bench h3 { margin-bottom: 0.4rem; }
.order { position: sticky; top: 0.5rem; max-height: calc(100vh - 1rem); overflow: auto; }
@media (max-width: 1000px) {
  .bench { grid-template-columns: minmax(0, 1fr); }
  .order { position: static; max-height: none; }
}
</style>
