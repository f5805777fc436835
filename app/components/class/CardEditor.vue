<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { PreparedCard } from '../../../core/batch'
import { BOUNDS, withPapers } from '../../../core/batch'
import type { Finding, ParameterInput } from '../../../core/folds'
import { blanksOf, isLayer, isWhole } from '../../../core/folds'
import { writeLength } from '../../../core/lengths'

/** One card: its flat patterns, its parameters, what is found about it, and its pieces. */
const { card } = defineProps<{ card: PreparedCard }>()
const work = useClassStore()
const chosen = ref<string>()

const findings = computed(() => [...card.findings].sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity)))
const ORDER = ['stop', 'warn', 'note']

function set(parameter: string, input: ParameterInput) {
  work.edit(`${card.entry.key} ${parameter}`, (document) => {
    const at = document.cards.findIndex(({ key }) => key === card.entry.key)
    const entry = document.cards[at]
    if (!entry || !card.fold) return
    const changed = { ...entry, parameters: { ...entry.parameters, [parameter]: input } }
    document.cards[at] = withPapers(changed, card.fold, { ...document, papers: work.batch!.papers })
  })
}
const fix = ({ fix }: Finding) => fix && set(fix.parameter, writeLength(fix.value, work.units))

function rename(title: string) {
  if (!title.trim()) return
  work.edit(`title of ${card.entry.key}`, (document) => {
    const entry = document.cards.find(({ key }) => key === card.entry.key)
    if (entry) entry.title = title.slice(0, BOUNDS.title)
  })
}

// All patterns of a card are drawn to one scale: side by side where they stay large enough, else below each other.
const board = useTemplateRef('board')
const { width: room } = useElementSize(board, { width: 620, height: 0 })
const blanks = computed(() => (card.construction ? blanksOf(card.construction) : []))
/** A card with a broken part is not folded on screen; its findings say what to change. */
const foldable = computed(() => card.construction?.parts.every(part => isLayer(part.kind) || isWhole(part)) ?? false)
const scale = computed(() => {
  const widths = blanks.value.map(({ width }) => width.value)
  const widest = Math.max(...widths, 1)
  const tallest = Math.max(...blanks.value.map(({ height }) => height.value), 1)
  const available = Math.max(260, room.value) - 30
  const beside = (available - widths.length * 90) / widths.reduce((sum, width) => sum + width, 1)
  const alone = Math.min((available - 62) / widest, 300 / tallest)
  return beside > alone * 0.6 ? Math.min(beside, alone) : alone
})
</script>

<template>
  <div class="editor">
    <section
      ref="board"
      class="patterns"
      aria-label="Flat patterns"
    >
      <div
        v-if="card.construction"
        class="board drawings"
      >
        <FlatPattern
          v-for="part in blanks"
          :key="part.key"
          :construction="card.construction"
          :part="part"
          :papers="card.entry.papers"
          :units="work.units"
          :scale="scale"
          :chosen="chosen"
          @choose="chosen = $event"
        />
        <p
          v-if="blanks.length === 0"
          class="quiet"
        >
          Nothing can be drawn from these sizes. The findings say what to change.
        </p>
        <PatternFiles
          :card="card.entry.key"
          :blanks="blanks"
          class="key"
        />
        <p class="quiet small key">
          Inside face up. <svg
            width="34"
            height="8"
            aria-hidden="true"
          ><path
            d="M0 4H34"
            class="mountain"
          /></svg> mountain
          <svg
            width="34"
            height="8"
            aria-hidden="true"
          ><path
            d="M0 4H34"
            class="valley"
          /></svg> valley
        </p>
      </div>
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
        v-if="card.construction && foldable"
        :construction="card.construction"
        :papers="card.entry.papers"
        :chosen="chosen"
        @choose="chosen = $event"
      />
      <CardParameters
        v-if="card.fold"
        :title="card.entry.title"
        :fold="card.fold"
        :inputs="card.entry.parameters"
        :findings="card.findings"
        :units="work.units"
        :mark="work.preparation!.cutter.mark"
        @change="set"
        @rename="rename"
      />
    </div>
  </div>
</template>

<style scoped>
.editor { display: grid; grid-template-columns: minmax(0, 1fr) 17rem; gap: 1.25rem; align-items: start; }
.patterns { display: grid; gap: 1rem; min-width: 0; }
.drawings { display: flex; flex-wrap: wrap; gap: 0.5rem 1.5rem; padding: 0.75rem; align-items: flex-end; }
.key { flex-basis: 100%; }
.key path { stroke: var(--ink); stroke-width: 1.6; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
@media (max-width: 1000px) { .editor { grid-template-columns: 1fr; } .side { order: -1; } }
</style>
