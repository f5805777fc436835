<script setup lang="ts">
import type { PreparedPiece } from '../../../../core/batch'
import { formatLength } from '../../../../core/lengths'

const work = useClassStore()
const cards = computed(() => work.preparation?.cards ?? [])
const largest = computed(() => Math.max(...cards.value.flatMap(({ pieces }) => pieces.flatMap(({ width, height }) => [width.value, height.value])), 1))

/** How a score is set on the board, in one line. */
function reading({ at, fromOtherEnd, reading, turnOver }: PreparedPiece['scores'][number]): string {
  const show = (length: Parameters<typeof formatLength>[0]) => formatLength(length, work.units)
  const set = reading.from === 'near' ? `set ${show(reading.at)}` : reading.from === 'far' ? `set ${show(reading.at)} from the other end` : `between marks, nearest ${show(reading.at)}`
  return `${turnOver ? 'turn over, ' : ''}${set}; ends ${show(at.value)} and ${show(fromOtherEnd.value)}`
}
</script>

<template>
  <section
    v-if="cards.length === 0"
    class="board"
  >
    <p>
      There are no pieces yet. <NuxtLink :to="`/classes/${work.id}/cards`">
        Add a card
      </NuxtLink> first.
    </p>
  </section>
  <div
    v-else
    class="stack"
  >
    <div class="row">
      <Button
        as="a"
        :href="`/api/classes/${work.id}/pieces`"
        label="Save as CSV"
        severity="secondary"
        outlined
        download
      />
    </div>
    <section
      v-for="card in cards"
      :key="card.entry.key"
      class="board"
    >
      <h2>{{ card.entry.title }} <span class="quiet small">{{ count(card.kits, 'kit') }}</span></h2>
      <table>
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
            <th
              scope="col"
              class="number"
            >
              A kit
            </th>
            <th
              scope="col"
              class="number"
            >
              In all
            </th>
            <th scope="col">
              Paper
            </th>
            <th scope="col">
              Scores
            </th>
            <th scope="col">
              Where it comes from
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="piece in card.pieces"
            :key="piece.key"
          >
            <td class="glyph">
              <PieceGlyph
                :width="piece.width.value"
                :height="piece.height.value"
                :paper="piece.paper?.key"
                :largest="largest"
              />
            </td>
            <th
              scope="row"
              class="name"
            >
              {{ piece.name }}
            </th>
            <td class="measure">
              <SizeText
                :width="piece.width.value"
                :height="piece.height.value"
                :units="work.units"
              />
            </td>
            <td class="number">
              {{ piece.perKit }}
            </td>
            <td class="number">
              <strong>{{ piece.quantity }}</strong>
            </td>
            <td>
              <span
                v-if="piece.paper"
                class="row paper"
              ><PaperSwatch :paper="piece.paper.key" /> {{ piece.paper.name }}</span>
              <span
                v-else
                class="missing"
              >none yet</span>
            </td>
            <td>
              <div
                v-for="(score, index) in piece.scores"
                :key="index"
                class="score"
              >
                <strong><LengthText
                  :length="score.at.value"
                  :units="work.units"
                /></strong> {{ score.direction }}
                <span class="quiet small">{{ reading(score) }}</span>
              </div>
            </td>
            <td class="small quiet">
              {{ piece.width.explain(work.units) }}<br>
              {{ piece.height.explain(work.units) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.measure { font-size: var(--measure); font-weight: 500; }
.name { color: var(--ink); font-size: 1rem; }
.glyph { width: 3.2rem; padding: 0.1rem 0.5rem 0.1rem 0; }
.paper { flex-wrap: nowrap; }
.missing { color: var(--stop); font-weight: 600; }
.score > span:last-child { display: block; }
</style>
