<script setup lang="ts">
import type { Construction } from '../../../core/folds'
import { dropOutsOf } from '../../../core/folds'
import type { Length, Units } from '../../../core/lengths'
import { formatLength } from '../../../core/lengths'

/**
 * What the maker needs to know about a card besides its pieces: room to write, what moves and how far, what
 * is left over, what else is needed.
 */
const { construction, units } = defineProps<{ construction: Construction, units: Units }>()
const show = (length: Length) => formatLength(length, units, { unit: true })
const size = ({ width, height }: { width: { value: Length }, height: { value: Length } }) =>
  `${formatLength(width.value, units)} × ${show(height.value)}`
const facts = computed(() =>
  [
    ...(construction.message ? [{ what: 'To write on', text: `${construction.message.where}, ${size(construction.message)}` }] : []),
    ...construction.stamping.map(area => ({ what: 'To stamp', text: `${area.where}, ${size(area)}` })),
    ...construction.travels.map(({ name, distance }) => ({ what: 'Moves', text: `${name}, by ${show(distance.value)}` })),
    ...dropOutsOf(construction).map(({ name, shape, ...sides }) => ({
      what: 'Left over',
      text: `${name}, ${shape === 'circle' ? 'round, ' : ''}${size(sides)}`,
    })),
    ...construction.extras.map(text => ({ what: 'Also needed', text })),
  ].filter(({ text }) => !text.includes('−')),
)
</script>

<template>
  <dl
    v-if="facts.length > 0"
    class="board small"
  >
    <template
      v-for="{ what, text } in facts"
      :key="text"
    >
      <dt>{{ what }}</dt>
      <dd>{{ text }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl { margin: 0; display: grid; grid-template-columns: auto 1fr; gap: 0.2rem 0.7rem; }
dt { font-weight: 600; }
dd { margin: 0; }
</style>
