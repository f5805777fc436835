<script setup lang="ts">
import { WISHES } from '../../../../core/document'

const work = useClassStore()
const planner = usePlannerStore()
const route = useRoute()
const router = useRouter()

const chosen = computed(() => planner.papers.find(({ paper }) => paper.key === route.query.paper))
const choose = (paper?: string) => router.replace({ query: paper ? { paper } : {} })

const { priority } = WISHES
/** The order that is on screen: that of the paper, or of the class. */
async function saveCuts() {
  const { cutsCsv, ordersCsv } = await import('../../../../core/exports')
  const paper = chosen.value
  const csv = paper ? cutsCsv(work.batch, paper.outcome ? [paper.outcome] : []) : ordersCsv(work.batch, planner.orders)
  saveText(await csv, paper ? `cuts-${paper.paper.key}.csv` : 'cuts.csv', 'text/csv')
}
const printed = computed(() => ({ path: `/print/${work.id}/cutting`, query: chosen.value ? { by: 'paper' } : {} }))
</script>

<template>
  <section v-if="planner.papers.length === 0" class="board">
    <p>
      Nothing to cut yet: no piece has a paper. <NuxtLink :to="`/classes/${work.id}/cards`">
        Add a card
      </NuxtLink> or <NuxtLink :to="`/classes/${work.id}/papers`">
        choose papers
      </NuxtLink>.
    </p>
  </section>
  <div v-else class="cutting">
    <PaperTally :papers="planner.papers" :chosen="chosen?.paper.key" class="tally" @choose="choose" />
    <div class="stack plan">
      <div class="spread controls">
        <div class="row" aria-live="polite">
          <h2>{{ chosen?.paper.name ?? 'The class' }}</h2>
          <template v-if="planner.running">
            <ProgressBar
              :value="Math.round(100 * planner.progress)"
              :show-value="false"
              class="progress"
              aria-label="Looking for better plans"
            />
            <PlainButton label="Stop looking" @click="planner.stop()" />
            <span v-if="planner.elsewhere" class="quiet small">Another device is planning it.</span>
          </template>
          <PlainButton v-else-if="planner.stopped" label="Look further" @click="planner.resume()" />
        </div>
        <Button label="Cuts as CSV" severity="secondary" text :disabled="!planner.ready" @click="saveCuts" />
        <Button
          as="router-link"
          :to="printed"
          label="Print the cutting sheets"
          severity="secondary"
          outlined
          :disabled="!planner.ready"
        />
      </div>
      <PaperPlan v-if="chosen" :key="chosen.paper.key" :entry="chosen" />
      <template v-else>
        <div v-if="planner.orders.length > 0 || !planner.ready" class="order">
          <LazyClassOrder v-if="planner.orders.length > 0" />
          <p v-else class="quiet">
            One order of cuts for the whole class stands here as soon as every paper is planned.
            What each paper takes, as far as it is known, is said beside its name and below.
          </p>
        </div>
        <LazyCuttingOverview :papers="planner.papers" @choose="choose" />
        <LazyDrawerYield />
        <LazyFormatYield v-if="work.batch.cards.length > 0" />
      </template>
    </div>
    <aside class="stack forms" aria-label="How it is cut">
      <FieldRows
        :table="{ priority }"
        :values="work.batch.wishes"
        @change="(_, change) => work.edit('priority', document => void Object.assign(document.wishes, change))"
      />
      <WorkForm
        :wishes="work.batch.wishes"
        @change="(what, wishes) => work.edit(what, document => void (document.wishes = wishes))"
      />
      <ToolsForm
        :tools="work.batch.tools"
        @change="(what, tools) => work.edit(what, document => void (document.tools = tools))"
      />
    </aside>
  </div>
</template>

<style scoped>
.cutting {
  display: grid; grid-template: "tally plan" auto "forms plan" 1fr / 14.5rem minmax(0, 1fr);
  gap: 1rem; align-items: start;
}
.tally { grid-area: tally; }
.forms { grid-area: forms; }
.plan { grid-area: plan; min-width: 0; }
/* The bar is the first to give way. */
.controls > .row { flex: 1; }
.controls { min-height: 2.4rem; align-items: center; }
h2 { margin-right: 0.75rem; }
.progress { width: 14rem; height: 0.5rem; }
/* The order is longer than a screen: what stands below it does not move when it comes. */
.order { min-height: 100vh; }
/* Where there is no room beside it, what is cut comes before how. */
@media (max-width: 900px) { .cutting { grid-template: "tally" "plan" "forms" / minmax(0, 1fr); } }
@media (max-width: 560px) { .controls > .row { flex-basis: 100%; } }
</style>
