<script setup lang="ts">
import type { PicturesTaken } from '../../../core/batch'
import { picturesTaken } from '../../../core/batch'
import { sheetOf } from '../../../core/paper'

/** Pieces whose print shows pictures: which of them each is cut out of, and how far the sheets go. */
const work = useClassStore()
const cards = computed(() => work.preparation?.cards ?? [])
const rows = computed(() => cards.value.flatMap(({ entry, pieces }) => pieces.flatMap((piece) => {
  const shown = piece.pool === undefined ? piece.shares.flatMap(({ paper }) => paper.pictures) : []
  const options = [...new Map(shown.map(({ key, name }) => [key, { key, name }])).values()]
  return options.length > 0 ? [{ entry, piece, options }] : []
})))
const papers = computed(() => {
  const used = new Set(rows.value.flatMap(({ piece }) => piece.shares.map(share => sheetOf(share.paper))))
  return [...used].flatMap((paper) => {
    const taken = picturesTaken(paper, cards.value)
    return taken ? [{ paper, sheets: taken.sheets, said: inWords(taken.pictures) }] : []
  })
})
/** `14 × Heron, 7 × Reed; 4 × Heron over`. */
function inWords(pictures: PicturesTaken['pictures']): string {
  const list = (some: [string, number][]) =>
    some.flatMap(([name, number]) => (number > 0 ? [`${number} × ${name}`] : [])).join(', ')
  const over = list(pictures.map(({ name, over }) => [name, over]))
  return `${list(pictures.map(({ name, wanted }) => [name, wanted]))}${over ? `; ${over} over` : ''}`
}
const isOne = computed(() => cards.value.length === 1)
const labelOf = ({ entry, piece }: typeof rows.value[number]) =>
  (isOne.value ? piece.name : `${piece.name}, ${entry.title}`)
function choose(card: string, part: string, picture: string | null) {
  work.editCard(`picture of ${part}`, card, (entry) => {
    const { [part]: _, ...others } = entry.pictures
    entry.pictures = picture === null ? others : { ...others, [part]: picture }
  })
}
</script>

<template>
  <section v-if="rows.length > 0" class="board stack" aria-label="Pictures">
    <h2>Pictures</h2>
    <ChoiceField
      v-for="row in rows"
      :key="`${row.entry.key} ${row.piece.key}`"
      :label="labelOf(row)"
      :model-value="row.entry.pictures[row.piece.key] ?? null"
      :options="row.options"
      none="from anywhere on the sheet"
      @update:model-value="choose(row.entry.key, row.piece.key, $event)"
    />
    <p v-for="{ paper, sheets, said } in papers" :key="paper.key" class="small">
      {{ paper.name }}: {{ count(sheets, 'whole sheet') }} for {{ said }}.
    </p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
</style>
