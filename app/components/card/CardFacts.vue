<script setup lang="ts">
import type { Posting } from '../../../core/kits'
import { windowsClear } from '../../../core/dressing'
import type { Construction, Piece } from '../../../core/folds'
import { USUAL_SHEET, dropOutsOf, usualSheets } from '../../../core/folds'
import { extraInWords } from '../../../core/kits'
import type { Length } from '../../../core/lengths'
import { formatLength } from '../../../core/lengths'

/**
 * What the maker needs to know about a card besides its pieces: four figures that every card has, and behind them what
 * moves, what is left over and what lies on what.
 */
const { construction, pieces } = defineProps<{
  construction: Construction
  pieces: Piece[]
  posting?: Posting
  /** Key of a card of the class on screen, whose envelope can be chosen here. */
  card?: string
}>()
const { units } = useMeasures()
const show = (length: Length) => formatLength(length, units.value, { unit: true })
const size = ({ width, height }: { width: { value: Length }, height: { value: Length } }) =>
  `${formatLength(width.value, units.value)} × ${show(height.value)}`
const messages = computed(() => [construction.message ?? [], construction.alsoMessages ?? []].flat()
  .map(area => `${area.where}, ${size(area)}`).join('; '))
const clearInWords = (share: number) =>
  share > 0.99 ? 'clear' : share < 0.01 ? 'covered' : `${Math.round((1 - share) * 100)} % covered`
const sheets = computed(() => usualSheets(pieces, units.value))
const more = computed(() =>
  [
    ...construction.stamping.map(area => ({ what: 'To stamp', text: `${area.where}, ${size(area)}` })),
    ...construction.travels.map(({ name, distance }) => ({
      what: 'Moves', text: `${name}, by ${show(distance.value)}`,
    })),
    ...windowsClear(construction).map(({ panel, open, closed }) => ({
      what: 'Opening',
      text: `of ${panel.name.toLowerCase()}: ${clearInWords(open)} on display, ${clearInWords(closed)} closed`,
    })),
    ...dropOutsOf(construction).map(({ name, shape, ...sides }) => ({
      what: 'Left over',
      text: `${name}, ${shape === 'circle' ? 'round, ' : ''}${size(sides)}`,
    })),
    ...construction.extras.map(extra => ({ what: 'Also needed', text: extraInWords(extra, units.value) })),
  ].filter(({ text }) => !text.includes('−')),
)
</script>

<template>
  <section class="board facts" aria-label="What it needs">
    <dl class="small">
      <dt>Closed</dt>
      <dd>
        <strong class="measure"><SizeText
          :width="construction.finished.width.value"
          :height="construction.finished.height.value"
          unit
        /></strong>
      </dd>
      <template v-if="posting && card">
        <dt>In the post</dt>
        <dd>
          <PostingFact :posting :card />
        </dd>
      </template>
      <dt>To write on</dt>
      <dd>{{ messages || 'nothing is kept free' }}</dd>
      <dt>Sheets a kit</dt>
      <dd>{{ sheets.toFixed(1) }} {{ USUAL_SHEET[units].name }}, by area</dd>
    </dl>
    <details v-if="more.length > 0 || posting" class="small">
      <summary>More about this card</summary>
      <dl>
        <template v-for="{ what, text } in more" :key="text">
          <dt>{{ what }}</dt>
          <dd>{{ text }}</dd>
        </template>
      </dl>
      <LayerMap v-if="posting" :posting />
    </details>
  </section>
</template>

<style scoped>
.facts { padding: 0.5rem 0.75rem; display: grid; gap: 0.4rem; }
dl { margin: 0; display: grid; grid-template-columns: auto 1fr; gap: 0.2rem 0.7rem; align-items: baseline; }
dt { font-weight: 600; white-space: nowrap; }
dd { margin: 0; min-width: 0; }
.measure { font-size: 1.0625rem; }
summary { cursor: pointer; font-weight: 600; }
</style>
