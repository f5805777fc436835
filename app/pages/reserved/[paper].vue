<script setup lang="ts">
import type { PaperEntry } from '../../../core/document'
import { lettersOf, wholeMinutes } from '../../../core/cutting'
import { MILLIMETRE } from '../../../core/lengths'
import { proofOf, shelvePieces } from '../../../core/plans'
import { savingInWords, shareOf } from '../../../core/reserved'

/** One paper cut for several classes in one go: what that saves, how it is cut, and what is packed apart. */
const {
  paper: key, classes, chosen, left, together, outcome, apart, running, error, ready, shelf, since, units, load,
} = useAtOnce()
const { send } = usePapersStore()
const ask = useAsk()
const toast = useToast()
const paper = computed(() => chosen.value[0]?.entry.paper)
provideMeasures(units, () => together.value?.entry.problem.cutter.mark ?? MILLIMETRE)
const shown = ref<number>()
/** The paper before its sheets were taken off the shelf, and since then. */
const shelved = shallowRef<{ before: PaperEntry, now: PaperEntry }>()
const step = computed(() => (shown.value === undefined ? undefined : outcome.value?.steps[shown.value]))
const letters = computed(() =>
  (outcome.value ? lettersOf(outcome.value.plan.layouts, outcome.value.entry.problem.cutter.kerf) : new Map()))
const take = (id: number, taken: boolean) =>
  (left.value = taken ? left.value.filter(other => other !== id) : [...left.value, id])
const figures = computed(() => {
  if (!outcome.value) return undefined
  const { plan: { sheets, spending }, settings, minutes } = outcome.value
  return { sheets, spending, settings, minutes }
})
const rows = computed(() => [...together.value?.shares ?? []].map(([demand, shares]) => {
  const { width, height } = together.value?.entry.problem.demands.find(one => one.key === demand) ?? {}
  return {
    demand, width, height, name: together.value?.entry.names.get(demand) ?? '',
    counts: chosen.value.map(({ id }) => shareOf(shares, id)),
  }
}))

async function cut() {
  const own = shelf.value.find(one => one.key === key)
  const done = outcome.value
  if (!own || !done) return
  const now = JSON.parse(JSON.stringify(own)) as PaperEntry
  shelvePieces(now, done, units.value)
  if (await put(`cut ${key} for several classes`, own, now)) shelved.value = { before: own, now }
}

/** Puts the paper on the shelf as it is to be; answers whether it lies there like that. */
async function put(what: string, before: PaperEntry, now: PaperEntry): Promise<boolean> {
  try {
    await send(what, since.value, [now], [before])
    await load()
    return true
  }
  catch (reason) {
    const detail = refusalOf(reason).message
    toast.add({ severity: 'error', summary: 'The shelf stays as it was', detail, life: 12_000 })
    return false
  }
}
async function takeBack() {
  if (!shelved.value) return
  const { before, now } = shelved.value
  if (await put(`${key} is not cut`, now, before)) shelved.value = undefined
}
const askCut = () => void ask({
  header: 'Is all of it cut?',
  message: `${count(figures.value?.sheets ?? 0, 'sheet')} leave the shelf. The pieces are put there in their size, `
    + 'where every class finds its own.',
  yes: 'All of it is cut',
  accept: cut,
})
useHead({ title: computed(() => `${paper.value?.name ?? 'Paper'} for several classes · Wakaru`) })
</script>

<template>
  <div class="stack">
    <PaperDefs :papers="shelf" />
    <div class="spread">
      <div>
        <p class="small">
          <NuxtLink to="/reserved">Reserved</NuxtLink>
        </p>
        <h1>{{ paper?.name ?? 'A paper' }}, cut for several classes</h1>
      </div>
      <Button
        v-if="outcome"
        as="router-link"
        :to="{ path: `/print/at-once/${key}`, query: { classes: chosen.map(({ id }) => id).join(',') } }"
        label="Print it"
        severity="secondary"
        outlined
      />
    </div>
    <NotRead v-if="error" what="The classes" :error />
    <p v-else-if="!ready" role="status">
      Looking …
    </p>
    <p v-else-if="classes.length === 0" class="board">
      No class that was asked for is cut from this paper. <NuxtLink to="/reserved">To what is reserved</NuxtLink>
    </p>
    <template v-else>
      <section class="board row" aria-label="Classes that it is cut for">
        <span v-for="one in classes" :key="one.id">
          <TickField
            :label="one.title"
            :model-value="!one.unfit && !left.includes(one.id)"
            :disabled="Boolean(one.unfit) || (chosen.length === 1 && !left.includes(one.id))"
            @update:model-value="take(one.id, $event)"
          />
          <span v-if="one.unfit" class="quiet small">{{ one.unfit }}</span>
        </span>
      </section>
      <Message v-if="shelved" severity="success" :closable="false">
        What is cut of {{ shelved.now.name }} lies on the shelf in its size. Each class finds its pieces there and opens
        no sheet for them.
        <PlainButton label="It is not cut: put the shelf back" @click="takeBack" />
      </Message>
      <p v-if="chosen.length < 2" class="quiet">
        For one class alone there is nothing to save: choose another one as well.
      </p>
      <p v-if="figures && outcome" class="line" role="status">
        In one go: {{ proofOf(outcome) }}; {{ count(figures.settings, 'setting') }} of the fence, about
        {{ wholeMinutes(figures.minutes) }} min.
        <span v-if="apart && chosen.length > 1" class="quiet">
          Class by class: {{ count(apart.sheets, 'sheet') }}, {{ count(apart.settings, 'setting') }}, about
          {{ wholeMinutes(apart.minutes) }} min.
        </span>
        <strong v-if="apart && chosen.length > 1 && !running">
          Cutting together {{ savingInWords(apart, figures) }}.
        </strong>
        <span v-else-if="running" class="quiet">Still looking for better …</span>
      </p>
      <Message
        v-for="{ demand, quantity, reason } in outcome?.plan.unplaced ?? []"
        :key="demand"
        severity="error"
        :closable="false"
      >
        Missing: {{ quantity }} × {{ together?.entry.names.get(demand) }}. {{ reason }}
      </Message>
      <section v-if="rows.length > 0" class="board" aria-label="Packed apart">
        <h2>Packed apart</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">
                Piece
              </th>
              <th scope="col">
                Size
              </th>
              <th v-for="one in chosen" :key="one.id" scope="col" class="number">
                {{ one.title }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.demand">
              <th scope="row">
                {{ letters.get(row.demand) }} {{ row.name }}
              </th>
              <td>
                <SizeText v-if="row.width && row.height" :width="row.width" :height="row.height" />
              </td>
              <td v-for="(number, at) in row.counts" :key="at" class="number">
                {{ number || '' }}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <div v-if="outcome && together && paper" class="bench">
        <LayoutBoard
          :layouts="outcome.plan.layouts"
          :problem="together.entry.problem"
          :paper
          :names="together.entry.names"
          :belongs="together.entry.belongs"
          :letters
          :step
        />
        <section class="board order" aria-label="Order of cuts for all of them">
          <h3>At the trimmer</h3>
          <CutOrder :steps="outcome.steps" :letters @show="shown = $event" />
        </section>
      </div>
      <div v-if="outcome && outcome.plan.layouts.length > 0" class="row">
        <PlainButton label="All of it is cut: bring the shelf up to date" :disabled="running" @click="askCut" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.line { font-size: 1.0625rem; }
.bench { display: grid; grid-template-columns: minmax(0, 462px) minmax(0, 1fr); gap: 1rem; align-items: start; }
.order { max-height: calc(100vh - 1rem); overflow: auto; }
@media (max-width: 1000px) {
  .bench { grid-template-columns: minmax(0, 1fr); }
  .order { max-height: none; }
}
</style>
