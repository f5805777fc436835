<script setup lang="ts">
import { byKey, itemAt } from '../../../core/lists'
import { isCutAlike, proofOf } from '../../../core/plans'
import { countsOf, lettersOf, wholeMinutes } from '../../../core/cutting'
import type { KeyedLayout, Layout } from '../../../core/cutting'
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
/** The layout that is shown large: the one chosen, or the one that the step in hand is about. */
const chosen = ref(0)
const shown = ref<number>()
const step = computed(() => (shown.value === undefined ? undefined : outcome.value?.steps[shown.value]))
const large = computed(() => {
  const held = step.value ? layouts.value.findIndex(layout => heldBy(layout)) : -1
  const own = step.value?.lines.some(({ layout }) => layout === layouts.value[chosen.value]?.key)
  return Math.min(held >= 0 && !own ? held : chosen.value, Math.max(0, layouts.value.length - 1))
})
const layout = computed(() => layouts.value[large.value])
const letters = computed(() => lettersOf(layouts.value, entry.problem.cutter.kerf))
const supplyOf = (layout: Layout) => byKey(entry.problem.supplies, layout.supply)
const paperOf = (layout: Layout) => entry.paperOf?.get(layout.supply) ?? entry.paper
const heldBy = ({ key }: KeyedLayout) => step.value?.lines.some(({ layout }) => layout === key) ?? false
const isKept = (layout: KeyedLayout) => (entry.problem.fixed ?? []).some(({ key }) => key === layout.key)
const sheets = computed(() => layouts.value.map((layout, at) => ({
  layout, supply: supplyOf(layout), paper: paperOf(layout).key, called: `Sheet ${at + 1}, ${layout.repeats} times`,
})))
/** What the letters on the drawing stand for. */
const key = computed(() => (layout.value
  ? [...countsOf(layout.value.root)].map(([demand, number]) => ({
      ...byKey(entry.problem.demands, demand), letter: letters.value.get(demand), number, name: entry.names.get(demand),
      belongs: entry.belongs.get(demand),
    }))
  : []))
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
    <div v-if="outcome && layout" class="bench">
      <section class="board layout" :class="{ held: heldBy(layout) }" :aria-label="`Layout ${large + 1}`">
        <div class="head">
          <h3>
            Sheet {{ large + 1 }}: {{ layout.repeats }} × <template v-if="supplyOf(layout).kind !== 'sheet'">
              {{ entry.paperOf ? `leftover of ${paperOf(layout).name},` : supplyOf(layout).kind }}
            </template> <SheetText :width="supplyOf(layout).width" :height="supplyOf(layout).height" />
          </h3>
          <SheetChoice
            :sheets
            :cutter="entry.problem.cutter"
            :chosen="large"
            aria-label="Layouts"
            @choose="chosen = $event"
          />
        </div>
        <SheetDrawing
          :layout
          :supply="supplyOf(layout)"
          :cutter="entry.problem.cutter"
          :paper="paperOf(layout)"
          :names="entry.names"
          :letters
          :width="430"
          :height="405"
          :step
        />
        <ul class="key" aria-label="Pieces on this sheet">
          <li v-for="{ letter, number, name, belongs, width, height } in key" :key="letter">
            <strong>{{ letter }}</strong>
            <span>{{ number }} × {{ name }}<span v-if="belongs" class="quiet small"> in all {{ belongs }}</span></span>
            <SizeText :width :height />
          </li>
        </ul>
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
            :aria-label="`Sheet ${large + 1} as SVG in real size`"
            @click="download(layout, large + 1)"
          />
        </div>
      </section>
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
.board .row { margin-top: 0.5rem; }
.layout { padding: 0.6rem 0.9rem; }
.head { display: flex; flex-wrap: wrap; gap: 0.3rem 0.8rem; align-items: center; justify-content: space-between; }
.head h3 { margin: 0; }
.key { list-style: none; margin: 0.4rem 0 0; padding: 0; font-size: var(--small); display: grid; gap: 0.1rem; }
.key li { display: grid; grid-template-columns: 1.6rem minmax(0, 1fr) auto; gap: 0.4rem; }
.held { border-color: var(--accent); }
.order { position: sticky; top: 0.5rem; max-height: calc(100vh - 1rem); overflow: auto; }
@media (max-width: 1000px) {
  .bench { grid-template-columns: minmax(0, 1fr); }
  .order { position: static; max-height: none; }
}
</style>
