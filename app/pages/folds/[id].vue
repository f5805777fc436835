<script setup lang="ts">
import { DEFAULT_TOOLS } from '../../../core/document'
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import type { Finding } from '../../../core/folds'
import { blanksOf, defaultInputs, foldById, inputProblems, isLayer, isWhole } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { lengthFrom, writeLength } from '../../../core/lengths'

/** One fold of the catalogue, to try out: parameters, the card folded, patterns, pieces and findings. */
const route = useRoute()
const fold = foldById(String(route.params.id))
if (!fold) throw createError({ statusCode: 404, statusMessage: 'There is no such fold.', fatal: true })

const remembered = useLocalStorage<Units>('wakaru-units', 'inch', { initOnMounted: true })
const units = computed({ get: () => remembered.value, set: value => (remembered.value = value) })
const UNITS = [
  { value: 'inch', label: 'Inches' },
  { value: 'metric', label: 'Millimetres' },
]
const mark = computed(() => lengthFrom(DEFAULT_TOOLS[units.value].mark))
const inputs = ref<ParameterInputs>(defaultInputs(fold.parameters, units.value))
watch(units, () => (inputs.value = defaultInputs(fold.parameters, units.value)))
const chosen = ref<string>()
const keeping = ref(false)

const card = computed(() =>
  fold.construct(inputProblems(fold.parameters, inputs.value, units.value).length > 0 ? {} : inputs.value, units.value, mark.value),
)
const blanks = computed(() => blanksOf(card.value))
const foldable = computed(() => card.value.parts.every(part => isLayer(part.kind) || isWhole(part)))
const ORDER = ['stop', 'warn', 'note']
const findings = computed(() => [...card.value.findings].sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity)))
const set = (name: string, input: ParameterInput) => (inputs.value = { ...inputs.value, [name]: input })
const fix = ({ fix }: Finding) => fix && set(fix.parameter, writeLength(fix.value, units.value))
useHead({ title: `${fold.name} · Wakaru` })
const COLUMNS = [
  { key: 'piece', head: 'Piece' },
  { key: 'size', head: 'Width × height' },
  { key: 'scores', head: 'Scores', number: true, text: ({ scores }: { scores: unknown[] }) => scores.length || '' },
  { key: 'from', head: 'Where it comes from' },
]
</script>

<template>
  <div
    v-if="fold"
    class="stack"
  >
    <div class="spread">
      <div>
        <h1>{{ fold.name }}</h1>
        <p class="quiet">
          No. {{ fold.number }} · {{ fold.skill }} · <NuxtLink to="/folds">
            Back to the catalogue
          </NuxtLink>
        </p>
      </div>
      <SelectButton
        v-model="units"
        :options="UNITS"
        option-value="value"
        option-label="label"
        :allow-empty="false"
        size="small"
        aria-label="Measures"
      />
    </div>
    <div class="editor">
      <div class="stack">
        <PatternBoard
          :construction="card"
          :blanks="blanks"
          :papers="{}"
          :units="units"
          :chosen="chosen"
          @choose="chosen = $event"
        />
        <FindingList
          :findings="findings"
          :units="units"
          @fix="fix"
        />
        <FigureTable
          :label="`Pieces of ${fold.name}`"
          :rows="card.pieces"
          :columns="COLUMNS"
        >
          <template #piece="{ row }">
            {{ row.name }}
          </template>
          <template #size="{ row }">
            <SizeText
              :width="row.width.value"
              :height="row.height.value"
              :units="units"
            />
          </template>
          <template #from="{ row }">
            <span class="small quiet">{{ row.width.explain(units) }}<br>{{ row.height.explain(units) }}</span>
          </template>
        </FigureTable>
        <section class="board">
          <h2>How it is made</h2>
          <ol>
            <li
              v-for="step in card.steps"
              :key="step.text"
            >
              {{ step.text }} <strong v-if="step.warning">{{ step.warning }}</strong>
            </li>
          </ol>
          <Cautions />
        </section>
      </div>
      <div class="stack side">
        <ClientOnly>
          <FoldedCard
            v-if="foldable"
            :construction="card"
            :front="fold.view"
            :papers="{}"
            :looks="[]"
            :chosen="chosen"
            @choose="chosen = $event"
          />
        </ClientOnly>
        <CardParameters
          :fold="fold"
          :inputs="inputs"
          :findings="card.findings"
          :units="units"
          :mark="mark"
          @change="set"
        >
          <Button
            label="Natural sizes"
            size="small"
            severity="secondary"
            outlined
            @click="inputs = defaultInputs(fold.parameters, units)"
          />
          <Button
            label="Keep as variant"
            size="small"
            severity="secondary"
            outlined
            @click="keeping = true"
          />
        </CardParameters>
        <CardFacts
          :construction="card"
          :units="units"
        />
      </div>
    </div>
    <LazyVariantDialog
      v-if="keeping"
      :fold="fold.id"
      :units="units"
      :parameters="inputs"
      :title="fold.name"
      @close="keeping = false"
    />
  </div>
</template>

<style scoped>
.editor { display: grid; grid-template-columns: minmax(0, 1fr) 17rem; gap: 1.25rem; align-items: start; }
@media (max-width: 1000px) { .editor { grid-template-columns: 1fr; } .side { order: -1; } }
</style>
