<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import type { PreparedCard } from '../../../core/batch'
import { isFoldable, viewOf, withPapers } from '../../../core/batch'
import type { Finding } from '../../../core/folds'
import { blanksOf } from '../../../core/folds'
import { writeLength } from '../../../core/lengths'

/** One card: its flat patterns, its parameters, what is found about it, and its pieces. */
const { card } = defineProps<{ card: PreparedCard }>()
const work = useClassStore()
const shelf = usePapersStore()
const chosen = ref<string>()

const blanks = computed(() => (card.construction ? blanksOf(card.construction) : []))
/** What is computed from the finished card comes after the pieces are painted. */
const later = useTrailing(() => card)
/** A card with a broken part is not folded on screen; its findings say what to change. */
const foldable = computed(() => isFoldable(later.value))
const view = computed(() => work.settled && viewOf(later.value, work.settled.batch.post, work.units))
const posting = computed(() => view.value?.posting)
const findings = computed(() => view.value?.findings ?? card.findings)

const set = (parameter: string, input: ParameterInput) => edit(parameter, before => ({ ...before, [parameter]: input }))

function edit(what: string, change: (before: ParameterInputs) => ParameterInputs) {
  work.edit(`${card.entry.key} ${what}`, (document) => {
    const at = document.cards.findIndex(({ key }) => key === card.entry.key)
    const entry = document.cards[at]
    if (!entry || !card.fold) return
    const changed = { ...entry, parameters: change(entry.parameters) }
    document.cards[at] = withPapers(changed, card.fold, document)
  })
}
const fix = ({ fix }: Finding) => fix && set(fix.parameter, writeLength(fix.value, work.units))

const resizing = ref(false)
const keeping = ref(false)

function takeSize(parameters: ParameterInputs) {
  resizing.value = false
  edit('size', () => parameters)
}

function rename(title: string) {
  if (!title.trim()) return
  work.edit(`title of ${card.entry.key}`, (document) => {
    const entry = document.cards.find(({ key }) => key === card.entry.key)
    if (entry) entry.title = title.slice(0, BOUNDS.title)
  })
}
</script>

<template>
  <div class="editor">
    <section
      class="patterns"
      aria-label="Flat patterns"
    >
      <PatternBoard
        v-if="card.construction"
        :construction="card.construction"
        :blanks="blanks"
        :papers="card.entry.papers"
        :units="work.units"
        :chosen="chosen"
        @choose="chosen = $event"
      >
        <PatternFiles
          :card="card.entry.key"
          :blanks="blanks"
        />
      </PatternBoard>
      <FindingList
        :findings="findings"
        :units="work.units"
        @fix="fix"
      />
      <PieceTable
        :card="card"
        :chosen="chosen"
        @choose="chosen = $event"
      />
    </section>
    <div class="stack side">
      <FoldedCard
        v-if="later.construction && later.fold && foldable"
        :front="later.fold.view"
        :construction="later.construction"
        :papers="card.entry.papers"
        :looks="shelf.papers"
        :chosen="chosen"
        @choose="chosen = $event"
      />
      <CardParameters
        v-if="card.fold"
        :fold="card.fold"
        :inputs="card.entry.parameters"
        :findings="card.findings"
        :units="work.units"
        :mark="work.prepared.cutter.mark"
        @change="set"
      >
        <template #head>
          <CardName
            :title="card.entry.title"
            :longest="BOUNDS.title"
            @rename="rename"
          />
        </template>
        <Button
          label="Another size"
          size="small"
          severity="secondary"
          outlined
          @click="resizing = true"
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
        v-if="later.construction"
        :construction="later.construction"
        :units="work.units"
      />
      <CardPosting
        v-if="posting"
        :posting="posting"
        :card="card.entry.key"
      />
    </div>
    <LazyResizeDialog
      v-if="resizing && card.fold"
      :fold="card.fold"
      :inputs="card.entry.parameters"
      :batch="work.batch"
      :mark="work.prepared.cutter.mark"
      @close="resizing = false"
      @take="takeSize"
    />
    <LazyVariantDialog
      v-if="keeping"
      :fold="card.entry.fold"
      :units="work.units"
      :parameters="card.entry.parameters"
      :title="card.entry.title"
      @close="keeping = false"
    />
  </div>
</template>

<style scoped>
.editor { display: grid; grid-template-columns: minmax(0, 1fr) 17rem; gap: 1.25rem; align-items: start; }
.patterns { display: grid; gap: 1rem; min-width: 0; }
@media (max-width: 1000px) { .editor { grid-template-columns: 1fr; } .side { order: -1; } }
</style>
