<script setup lang="ts">
import type { PreparedCard, PreparedPiece } from '../../../core/batch'
import { sourceOf } from '../../../core/batch'
import { formatLength, typesetText } from '../../../core/lengths'
import type { Piece } from '../../../core/folds'
import { scoreLines } from '../../../core/folds'

/** The pieces of one card with the arithmetic behind each size; `full` adds paper and scores. */
const { card, full = false } = defineProps<{ card: PreparedCard, full?: boolean, chosen?: string }>()
const emit = defineEmits<{ choose: [part: string] }>()
const work = useClassStore()
/** What a size does not say about a piece. */
const aboutOf = ({ kind, windows, slits, shaped }: PreparedPiece) =>
  [
    kind === 'hidden' && 'hidden: any scrap will do',
    shaped && 'cut to shape after scoring',
    slits.length > 0 && count(slits.length, 'slit'),
    ...windows.map(
      ({ name, width, height }) =>
        `${name.toLowerCase()} ${formatLength(width.value, work.units)} × ${formatLength(height.value, work.units)}`,
    ),
  ]
    .filter(Boolean)
    .join(', ')
const linesOf = (piece: Piece) => scoreLines(piece, work.units).map(({ words }) => typesetText(words))
const largest = computed(() => Math.max(...card.pieces.flatMap(({ width, height }) => [width.value, height.value]), 1))
</script>

<template>
  <table v-if="card.pieces.length > 0">
    <caption class="unseen">
      Pieces of {{ card.entry.title }}
    </caption>
    <thead>
      <tr>
        <th scope="col">
          <span class="unseen">Drawing</span>
        </th>
        <th scope="col">
          Piece
        </th>
        <th scope="col">
          Width × height
        </th>
        <th v-if="full" scope="col" class="number">
          A kit
        </th>
        <th scope="col" class="number">
          In all
        </th>
        <template v-if="full">
          <th scope="col">
            Paper
          </th>
          <th scope="col">
            Scores
          </th>
        </template>
        <th scope="col">
          Where it comes from
        </th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="piece in card.pieces"
        :key="piece.key"
        :class="{ chosen: piece.key === chosen }"
        :aria-current="piece.key === chosen || undefined"
        :tabindex="full ? undefined : 0"
        @click="emit('choose', piece.key)"
        @keydown.enter.space.prevent="emit('choose', piece.key)"
      >
        <td class="glyph">
          <PieceGlyph :width="piece.width.value" :height="piece.height.value" :paper="piece.paper?.key" :largest />
        </td>
        <th scope="row" class="name">
          {{ piece.name }}
        </th>
        <td class="measure">
          <SizeText :width="piece.width.value" :height="piece.height.value" />
        </td>
        <td v-if="full" class="number">
          {{ piece.perKit }}
        </td>
        <td class="number">
          {{ piece.quantity }}
        </td>
        <template v-if="full">
          <td>
            <span
              v-if="piece.paper"
              class="row paper"
            ><PaperSwatch :paper="piece.paper.key" /> {{ sourceOf(piece, card.pieces) }}</span>
            <span v-else class="missing">none yet</span>
          </td>
          <td>
            <ol v-if="piece.scores.length > 0" class="scores small">
              <li v-for="line in linesOf(piece)" :key="line">
                {{ line }}
              </li>
            </ol>
          </td>
        </template>
        <td class="small quiet">
          {{ piece.width.explain(work.units) }}<br>
          {{ piece.height.explain(work.units) }}<template v-if="aboutOf(piece)">
            <br>{{ aboutOf(piece) }}
          </template>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.measure { font-size: var(--measure); font-weight: 500; }
.name { color: var(--ink); font-size: 1rem; }
.glyph { width: 3.2rem; padding: 0.1rem 0.5rem 0.1rem 0; }
.scores { margin: 0; padding-left: 1.1rem; }
.paper { flex-wrap: nowrap; }
@media (max-width: 700px) {
  thead { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
  tr {
    display: grid; grid-template-columns: 3.2rem minmax(0, 1fr) auto; align-items: baseline; padding: 0.4rem 0;
    border-bottom: 1px solid var(--line);
  }
  th, td { display: block; border: 0; padding: 0 0.4rem 0.1rem 0; }
  td.glyph { grid-row: 1 / 3; }
  td:not(.glyph, .measure, .number) { grid-column: 1 / -1; }
  td.number::after { content: ' ×'; color: var(--quiet); }
}
.missing { color: var(--stop); font-weight: 600; }
.chosen { background: color-mix(in srgb, var(--accent) 10%, transparent); }
</style>
