<script setup lang="ts">
import type { BenchStep } from '../../../core/cutting'
import { heldInWords, pileInWords, takenInWords } from '../../../core/cutting'
import type { PaperPart, StepTogether } from '../../../core/together'
import { lotsInWords, papersInWords, partsInWords } from '../../../core/together'

/**
 * The numbered cuts of a paper, or of several papers together, those at one setting of the fence together. Hover or
 * focus shows the cut in the drawings.
 */
const { steps, letters = new Map() } = defineProps<{
  steps: (BenchStep | StepTogether)[]
  letters?: ReadonlyMap<string, string>
}>()
const emit = defineEmits<{ show: [step?: number] }>()
const list = useTemplateRef<HTMLOListElement>('list')

function move(by: 1 | -1) {
  const items = [...(list.value?.querySelectorAll<HTMLElement>('li') ?? [])]
  items[items.indexOf(document.activeElement as HTMLElement) + by]?.focus()
}
const moved = (index: number) => index === 0 || steps[index]?.fence !== steps[index - 1]?.fence
const product = (pile: BenchStep['keep'], parts: PaperPart[] = []) => {
  const letter = pile.demand && letters.get(pile.demand)
  const papers = pile.kind === 'waste' ? '' : partsInWords(parts)
  return pileInWords(pile, letter ? `${letter} ${pile.name}` : pile.name) + (papers && ` (${papers})`)
}
/** What of it belongs to which paper, where there are several. */
const partsOf = (step: BenchStep | StepTogether) => ('held' in step ? step : undefined)
</script>

<template>
  <ol ref="list" aria-label="Order of cuts" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)">
    <li
      v-for="(step, index) in steps"
      :key="index"
      :class="{ moved: moved(index) }"
      tabindex="0"
      @mouseenter="emit('show', index)"
      @mouseleave="emit('show')"
      @focus="emit('show', index)"
      @blur="emit('show')"
    >
      <span class="fence">
        <template v-if="moved(index)">
          <span class="small quiet">fence</span>
          <strong><LengthText :length="step.fence" /></strong>
        </template>
        <span v-else class="small quiet">same fence</span>
      </span>
      <span>
        <span v-if="step.turn" class="turn"><Icon name="tabler:rotate-clockwise-2" aria-hidden="true" /> turn:</span>
        {{ heldInWords(step) }}<span class="quiet">{{ partsOf(step) && ` (${papersInWords(partsOf(step)?.held ?? [])})`
        }}{{ takenInWords(step) && ` ${takenInWords(step)}` }}</span>,
        <SizeText :width="step.size.width" :height="step.size.height" />:
        {{ count(step.cuts, 'cut') }} along the {{ step.side }} →
        <strong>{{ product(step.keep, partsOf(step)?.kept) }}</strong>{{
          step.rest ? `, ${product(step.rest, partsOf(step)?.left)} remains` : ''
        }}
        <span v-if="lotsInWords(partsOf(step)?.lots ?? [])" class="quiet small lots">
          Under the blade: {{ lotsInWords(partsOf(step)?.lots ?? []) }}.
        </span>
        <span
          v-if="step.reading.from === 'far'"
          class="note"
        >No mark there: set <LengthText :length="step.reading.at" /> from the other edge.</span>
        <span
          v-if="step.reading.from === 'between'"
          class="note"
        >Between marks; the nearest is <LengthText :length="step.reading.at" />.</span>
        <span v-if="step.byKnife" class="note">Longer than the trimmer: knife and steel ruler.</span>
      </span>
    </li>
    <li v-if="steps.length === 0" class="quiet">
      No cut: the piece is the sheet.
    </li>
  </ol>
</template>

<style scoped>
ol { list-style: none; counter-reset: cut; margin: 0; padding: 0; display: grid; align-content: start; }
li {
  counter-increment: cut; display: grid; grid-template-columns: 4.6rem 1fr; gap: 0.5rem; align-items: baseline;
  position: relative;
  padding: 0.3rem 0.4rem 0.3rem 1.7rem;
}
li.moved { border-top: 1px solid var(--line); }
li.moved:first-child { border-top: 0; }
li::before { content: counter(cut); position: absolute; left: 0.3rem; top: 0.4rem; color: var(--quiet); }
li:hover, li:focus { background: color-mix(in srgb, var(--accent) 10%, transparent); }
.turn { color: var(--quiet); }
.fence { display: grid; }
.fence strong { font-size: var(--measure); }
.lots { display: block; }
.note { display: block; color: var(--warn); font-size: var(--small); }
</style>
