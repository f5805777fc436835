<script setup lang="ts">
import { DEFAULT_TOOLS, NO_DRESSING } from '../../../core/document'
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import { applyFix, wholeCard } from '../../../core/dressing'
import type { Finding } from '../../../core/folds'
import { foldById, inputProblems } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { lengthFrom } from '../../../core/lengths'

/** One fold of the catalogue, to try out: parameters, the card folded, patterns, pieces and findings. */
definePageMeta({ fills: true })
const route = useRoute()
const fold = foldById(String(route.params.id))
if (!fold) throw createError({ statusCode: 404, statusMessage: 'There is no such fold.', fatal: true })

const remembered = useLocalStorage<Units>('wakaru-units', 'inch', { initOnMounted: true })
const units = computed({ get: () => remembered.value, set: value => (remembered.value = value) })
const mark = computed(() => lengthFrom(DEFAULT_TOOLS[units.value].mark))
provideMeasures(units, mark)
const typed = ref<ParameterInputs>({})
watch(units, () => (typed.value = {}))
/** The catalogue shows what a fold is by nature. */
const BARE = NO_DRESSING
const keeping = ref(false)
const teaching = ref(false)
const carried = useCarriedCard()
const { id } = fold
/** Classes that it can be added to, the latest first; those of the other school would read other natural sizes. */
const { data: listed } = await useFetch<{ classes: { id: number, title: string, units: Units }[] }>('/api/classes', {
  lazy: true, server: false, query: { limit: 50 },
})
const classes = computed(() => listed.value?.classes.filter(entry => entry.units === units.value) ?? [])
function addTo(chosen: { id: number }) {
  carried.value = { fold: id, parameters: readable.value }
  return navigateTo(`/classes/${chosen.id}/cards`)
}
function teach() {
  carried.value = { fold: id, parameters: readable.value }
  teaching.value = true
}

const readable = computed(() =>
  inputProblems(fold.parameters, typed.value, units.value).length > 0 ? {} : typed.value,
)
const card = computed(() =>
  wholeCard(fold, { parameters: readable.value, ...BARE }, units.value, mark.value),
)
const ORDER = ['stop', 'warn', 'note']
const findings = computed(() =>
  [...card.value.findings].sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity)),
)
const set = (name: string, input?: ParameterInput) => {
  const { [name]: _, ...others } = typed.value
  typed.value = input === undefined ? others : { ...others, [name]: input }
}
function fix({ fix }: Finding) {
  if (!fix) return
  const changed = { parameters: { ...typed.value }, ...BARE }
  applyFix(changed, fix, units.value)
  typed.value = changed.parameters
}
useHead({ title: `${fold.name} · Wakaru` })
const COLUMNS = [
  { key: 'piece', head: 'Piece' },
  { key: 'size', head: 'Width × height' },
  { key: 'scores', head: 'Scores', number: true, text: ({ scores }: { scores: unknown[] }) => scores.length || '' },
  { key: 'from', head: 'Where it comes from' },
]
</script>

<template>
  <div v-if="fold" class="fold">
    <div class="line">
      <h1>{{ fold.name }}</h1>
      <p class="quiet">
        No. {{ fold.number }} · {{ fold.skill }} · <NuxtLink to="/folds">
          Back to the catalogue
        </NuxtLink>
      </p>
      <div class="row tools">
        <UnitsChoice v-model="units" size="small" />
        <PlainButton label="Natural sizes" @click="typed = {}" />
        <PickOne v-if="classes.length > 0" :options="classes" named="title" words="Add to a class" @pick="addTo" />
        <Button label="Teach it" size="small" @click="teach" />
        <PlainButton label="Keep as variant" @click="keeping = true" />
      </div>
    </div>
    <PaperDefs :papers="SAMPLE_PAPERS" />
    <CardBench
      :fold
      :inputs="card.inputs"
      :typed
      :construction="card"
      :later="card"
      :findings
      :papers="sampleLook(card.parts)"
      :looks="SAMPLE_PAPERS"
      :drawer="`${count(card.pieces.length, 'piece')} a kit, and how it is made`"
      @change="set"
      @fix="fix"
    >
      <template #head>
        <p class="quiet small">
          {{ fold.summary }}
        </p>
      </template>
      <template #facts>
        <CardFacts :construction="card" :pieces="card.pieces" />
      </template>
      <template #drawer>
        <FigureTable :label="`Pieces of ${fold.name}`" :rows="card.pieces" :columns="COLUMNS">
          <template #piece="{ row }">
            {{ row.name }}
          </template>
          <template #size="{ row }">
            <SizeText :width="row.width.value" :height="row.height.value" />
          </template>
          <template #from="{ row }">
            <span class="small quiet">{{ row.width.explain(units) }}<br>{{ row.height.explain(units) }}</span>
          </template>
        </FigureTable>
        <h2>How it is made</h2>
        <ol>
          <li v-for="step in card.steps" :key="step.text">
            {{ step.text }} <strong v-if="step.warning">{{ step.warning }}</strong>
          </li>
        </ol>
        <Cautions />
      </template>
    </CardBench>
    <LazyNewClassDialog v-if="teaching" :fold="fold.id" @close="teaching = false" />
    <LazyVariantDialog v-if="keeping" :fold="fold.id" :parameters="typed" :title="fold.name" @close="keeping = false" />
  </div>
</template>

<style scoped>
.fold { display: flex; flex-direction: column; gap: 0.5rem; flex: 1; min-height: 0; }
.line { display: flex; flex-wrap: wrap; align-items: center; gap: 0.3rem 1rem; }
h1 { font-size: 1.25rem; }
.tools { margin-left: auto; }
</style>
