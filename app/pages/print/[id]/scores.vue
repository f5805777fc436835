<script setup lang="ts">
import { itemAt } from '../../../../core/lists'
import { blanksOf, scoreReading, scoringOrder } from '../../../../core/folds'
import type { Part, Piece, Place } from '../../../../core/folds'
import { formatLength } from '../../../../core/lengths'

/** The score card: every blank with its scores numbered in the order they are made, its slits and windows, then the order of folding. */
definePageMeta({ layout: 'print' })
const { work, missing } = usePrintedClass('Score cards')
const WIDE = 620
const TALL = 330

const cards = computed(() =>
  (work.preparation?.cards ?? []).flatMap(({ entry, construction, pieces, kits }) => {
    if (!construction) return []
    const blanks = blanksOf(construction).flatMap((part) => {
      const piece = pieces.find(({ key }) => key === part.key)
      return piece && (piece.scores.length > 0 || piece.slits.length > 0 || piece.windows.length > 0 || piece.shaped)
        ? [{ part, piece, ...numbered(piece), scale: Math.min((WIDE - 140) / part.width.value, TALL / part.height.value) }]
        : []
    })
    return [{ entry, construction, kits, blanks }]
  }),
)

function numbered(piece: Piece) {
  const order = scoringOrder(piece.scores)
  return {
    rows: order.map((index, at) => ({ number: at + 1, score: itemAt(piece.scores, index) })),
    numbers: piece.scores.map((_, index) => order.indexOf(index) + 1),
  }
}
const show = (length: Parameters<typeof formatLength>[0]) => formatLength(length, work.units)
const place = ({ x, y }: Place) => `${show(x.value)} from the left, ${show(y.value)} from the foot`
const grain = (part: Part) => (part.creases[0]?.along === 'y' ? 'across its width' : 'up its height')
const COLUMNS = [
  { key: 'number', head: 'No.' },
  { key: 'fold', head: 'Fold' },
  { key: 'face', head: 'Face up' },
  { key: 'set', head: 'On the board' },
]
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document">
    Laying out the score cards …
  </p>
  <div v-else>
    <PaperDefs :papers="work.batch.papers" />
    <PrintBar :back="`/classes/${work.id}/pieces`" />
    <section
      v-for="{ entry, construction, kits, blanks } in cards"
      :key="entry.key"
      class="card"
    >
      <PrintHeading :heading="`Scoring and folding: ${entry.title}`" />
      <div
        v-for="{ part, piece, rows, numbers, scale } in blanks"
        :key="part.key"
        class="blank"
      >
        <h3>
          {{ part.name }}, <SizeText
            :width="part.width.value"
            :height="part.height.value"
            :units="work.units"
            unit
          />, {{ kits }} pieces
        </h3>
        <p
          v-if="part.creases.length > 0"
          class="quiet"
        >
          Inside face up. The grain runs {{ grain(part) }}, along the main fold.
        </p>
        <FlatPattern
          :construction="construction"
          :part="part"
          :papers="entry.papers"
          :units="work.units"
          :scale="scale"
          :numbers="numbers"
        />
        <FigureTable
          v-if="rows.length > 0"
          :label="`Scores of ${part.name}`"
          :rows="rows"
          :columns="COLUMNS"
        >
          <template #number="{ row }">
            {{ row.number }}
          </template>
          <template #fold="{ row }">
            {{ row.score.direction }}
          </template>
          <template #face="{ row }">
            {{ row.score.turnOver ? 'back' : 'inside' }}
          </template>
          <template #set="{ row }">
            {{ scoreReading(row.score, work.units) }}
          </template>
        </FigureTable>
        <ul v-if="piece.slits.length + piece.windows.length > 0 || piece.shaped">
          <li
            v-for="(slit, index) in piece.slits"
            :key="`slit ${index}`"
          >
            Slit from {{ place(slit.from) }} to {{ place(slit.to) }}.
          </li>
          <li
            v-for="window in piece.windows"
            :key="window.key"
          >
            {{ window.shape === 'circle' ? 'Round window' : 'Window' }} {{ show(window.width.value) }} ×
            {{ show(window.height.value) }}, its lower left corner {{ place(window) }}; keep the drop-out.
          </li>
          <li v-if="piece.shaped">
            Cut to the drawn outline after scoring.
          </li>
        </ul>
      </div>
      <h3>Order of assembly</h3>
      <ol>
        <li
          v-for="(step, index) in construction.steps"
          :key="index"
        >
          {{ step.text }} <strong v-if="step.warning">{{ step.warning }}</strong>
        </li>
      </ol>
    </section>
    <Cautions class="cautions" />
  </div>
</template>

<style scoped>
.card + .card { break-before: page; }
.blank { margin-bottom: 6mm; break-inside: avoid; }
.cautions { margin-top: 6mm; break-inside: avoid; }
</style>
