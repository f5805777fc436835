<script setup lang="ts">
import { byKey, itemAt } from '../../../core/lists'
import { isCutAlike, proofOf } from '../../../core/batch'
import { countsOf, wholeMinutes } from '../../../core/cutting'
import type { KeyedLayout, Layout } from '../../../core/cutting'
import type { PlannedPaper } from '../../stores/planner'

/** The plan of one paper: proof, choices, drawn layouts beside the order of all their cuts, and what is left. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const planner = usePlannerStore()
const money = useMoney()
const cutting = usePaperCutting(() => entry.paper.key)

const outcome = computed(() => entry.outcome)
const shown = ref<number>()
const step = computed(() => (shown.value === undefined ? undefined : outcome.value?.steps[shown.value]))
const supplyOf = (layout: Layout) => byKey(entry.problem.supplies, layout.supply)
const paperOf = (layout: Layout) => entry.paperOf?.get(layout.supply) ?? entry.paper
const heldBy = ({ key }: KeyedLayout) => step.value?.lines.some(({ layout }) => layout === key) ?? false
const isKept = (layout: KeyedLayout) => (entry.problem.fixed ?? []).some(({ key }) => key === layout.key)
const pieces = (layout: Layout) => [...countsOf(layout.root)].map(([key, number]) => `${number} × ${entry.names.get(key)}`).join(', ')
/** Papers that are cut in just the same way: their sheets can lie in one stack. */
const together = computed(() =>
  planner.papers
    .filter(other => other.paper.key !== entry.paper.key && entry.outcome && other.outcome && isCutAlike(entry.outcome, other.outcome))
    .map(({ paper }) => paper.name),
)
/** What keeping layouts and doing without formats costs, in words; empty where it costs nothing. */
const dearer = computed(() => {
  if (!entry.freePlan || !outcome.value) return ''
  const { sheets, spending } = itemAt(outcome.value.choices, 0).plan
  const [more, cents] = [sheets - entry.freePlan.sheets, spending - entry.freePlan.spending]
  return [more > 0 ? `${count(more, 'sheet')} (${entry.freePlan.sheets} would do)` : '', cents > 0 ? `${money(cents)} more to buy` : '']
    .filter(Boolean)
    .join(' and ')
})
/** How far the planning is, in words; nothing once it is settled. */
const looking = computed(() => {
  const { state, columns } = entry.job
  if (state === 'stopped') return 'Stopped by you.'
  if (state !== 'running' && state !== 'waiting') return ''
  return `Still looking for better${columns > 0 ? ` among ${count(columns, 'pattern')}` : ''}; what binds to this plan waits until then.`
})
const saved = computed(() => (outcome.value ? outcome.value.settingsAlone - outcome.value.settings : 0))

async function download(layout: KeyedLayout, number: number) {
  if (!outcome.value) return
  const { layoutSvg } = await import('../../../core/exports')
  saveText(await layoutSvg(outcome.value, layout.key, work.batch), `${entry.paper.key}-sheet-${number}.svg`, 'image/svg+xml')
}
</script>

<template>
  <div class="stack">
    <div>
      <h2>{{ entry.paper.name }}</h2>
      <p
        v-if="outcome && outcome.plan.layouts.length === 0 && outcome.plan.unplaced.length === 0"
        class="proof"
      >
        Everything of this paper is cut.
      </p>
      <p
        v-else-if="outcome"
        class="proof"
      >
        {{ proofOf(outcome) }}.
        <span class="quiet">{{ Math.round(outcome.plan.yield * 100) }} % of the area is used,
          {{ count(outcome.settings, 'setting') }} of the fence<template v-if="saved > 0"> ({{ outcome.settingsAlone }} if each layout were
            cut by itself)</template>, about {{ wholeMinutes(outcome.minutes) }} min.
          {{ looking }}</span>
      </p>
      <p
        v-if="together.length > 0"
        class="small"
      >
        Cut just like {{ together.join(' and ') }}: their sheets can lie in one stack.
      </p>
      <p
        v-if="dearer"
        class="costs"
      >
        <Icon
          name="tabler:alert-triangle"
          aria-hidden="true"
        /> What you fixed costs {{ dearer }}.
      </p>
    </div>
    <Message
      v-if="entry.job.state === 'failed'"
      severity="error"
      :closable="false"
    >
      The planner could not finish: {{ entry.job.reason }}
    </Message>
    <Message
      v-for="(reason, index) in entry.dropped"
      :key="`dropped ${index}`"
      severity="warn"
      :closable="false"
    >
      A layout you kept is not used: {{ reason }}. The pieces have changed since.
    </Message>
    <Message
      v-for="{ demand, quantity, reason } in outcome?.plan.unplaced ?? []"
      :key="demand"
      severity="error"
      :closable="false"
    >
      {{ quantity }} × {{ entry.names.get(demand) }}: {{ reason }}
    </Message>
    <PlanChoices :entry="entry" />
    <div
      v-if="outcome && outcome.plan.layouts.length > 0"
      class="bench"
    >
      <div class="stack">
        <section
          v-for="(layout, index) in outcome.plan.layouts"
          :key="layout.key"
          class="board"
          :class="{ held: heldBy(layout) }"
          :aria-label="`Layout ${index + 1}`"
        >
          <h3>
            <span
              v-if="outcome.plan.layouts.length > 1"
              class="quiet"
            >Sheet {{ index + 1 }}:</span>
            {{ layout.repeats }} × <template v-if="supplyOf(layout).kind !== 'sheet'">
              {{ entry.paperOf ? `leftover of ${paperOf(layout).name},` : supplyOf(layout).kind }}
            </template> <SheetText
              :width="supplyOf(layout).width"
              :height="supplyOf(layout).height"
              :units="work.units"
            />
          </h3>
          <SheetDrawing
            :layout="layout"
            :supply="supplyOf(layout)"
            :cutter="entry.problem.cutter"
            :paper="paperOf(layout)"
            :names="entry.names"
            :units="work.units"
            :step="step"
          />
          <p class="quiet small">
            {{ pieces(layout) }}
          </p>
          <p
            v-if="!entry.paperOf && !entry.settled"
            class="quiet small"
          >
            It can be kept and noted as cut once the plan is final.
          </p>
          <div
            v-else-if="!entry.paperOf"
            class="row"
          >
            <ToggleButton
              :model-value="isKept(layout)"
              on-label="Kept as it is"
              off-label="Keep it"
              size="small"
              @update:model-value="cutting.keep(layout, entry, $event)"
            />
            <CutNote
              :layout="layout"
              @cut="cutting.noteCut(layout, entry, $event)"
            />
            <Button
              label="SVG"
              size="small"
              severity="secondary"
              text
              :aria-label="`Sheet ${index + 1} as SVG in real size`"
              @click="download(layout, index + 1)"
            />
          </div>
        </section>
      </div>
      <section
        class="board order"
        aria-label="Order of cuts for this paper"
      >
        <h3>At the trimmer, all sheets together</h3>
        <CutOrder
          :steps="outcome.steps"
          :units="work.units"
          @show="shown = $event"
        />
      </section>
    </div>
    <LeftoverList
      v-if="outcome && !entry.paperOf"
      :outcome="outcome"
      :entry="entry"
    />
    <template v-if="!entry.paperOf">
      <FormatsToUse :entry="entry" />
      <CutSoFar :entry="entry" />
    </template>
  </div>
</template>

<style scoped>
.proof { font-size: 1.0625rem; }
.costs { color: var(--warn); }
.bench { display: grid; grid-template-columns: minmax(0, 410px) minmax(0, 1fr); gap: 1rem; align-items: start; }
.bench h3 { margin-bottom: 0.4rem; }
.board .row { margin-top: 0.5rem; }
.held { border-color: var(--accent); }
.order { position: sticky; top: 0.5rem; max-height: calc(100vh - 1rem); overflow: auto; }
@media (max-width: 1000px) { .bench { grid-template-columns: minmax(0, 1fr); } .order { position: static; max-height: none; } }
</style>
