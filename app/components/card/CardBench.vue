<script setup lang="ts">
import type { PaperLook } from '../../utils/paper-look'
import { useLocalStorage } from '@vueuse/core'
import type { ParameterInput, ParameterInputs } from '../../../core/document'
import type { Construction, Crease, Finding, Fold } from '../../../core/folds'
import { drawnBlanksOf } from '../../../core/folds'
import type { Chosen } from './chosen'
import { isChosen } from './chosen'

/**
 * One card under the maker's hands: its fields, its flat patterns and the card folded, side by side where there is
 * room, with the pieces in a drawer below. What is chosen in one of them is marked in the others.
 */
const { fold, inputs, construction, later } = defineProps<{
  fold: Fold
  inputs: ParameterInputs
  /** What of them was typed. */
  typed: ParameterInputs
  /** Missing where an input cannot be read. */
  construction?: Construction
  /** The same one paint later, for the drawing of the folded card. */
  later?: Construction
  findings: Finding[]
  papers: Record<string, string>
  looks: readonly PaperLook[]
  /** What the handle of the drawer says of the pieces. */
  drawer: string
}>()
const { units } = useMeasures()
const emit = defineEmits<{
  change: [name: string, input?: ParameterInput]
  fix: [finding: Finding]
  choose: [chosen: Chosen | undefined]
  /** A free piece was pulled on the flat pattern: by so much to the right and up. */
  move: [part: string, right: number, up: number]
}>()
defineSlots<{
  head: () => unknown
  /** Stands in place of the parameters. */
  fields?: () => unknown
  facts: () => unknown
  drawer: (properties: { chosen?: string, choose: (part: string) => void }) => unknown
}>()

const chosen = ref<Chosen>()
/** Choosing the same again lets go of it. */
function choose(next: Chosen) {
  const isSame = isChosen(chosen.value, next.part) && String(chosen.value?.panels) === String(next.panels)
  chosen.value = isSame ? undefined : next
  emit('choose', chosen.value)
}
/** A click on a crease of one's own strip folds it the other way. */
function flip(crease: Crease) {
  const next = fold.flip?.(inputs, crease, units.value)
  if (next) emit('change', next.parameter, next.input)
}
const asked = ref<string[]>([])
const blanks = computed(() => (construction ? drawnBlanksOf(construction) : []))

/** Labels of the figures behind what is chosen. */
const marked = computed(() => {
  const part = construction?.parts.find(({ key }) => key === chosen.value?.part)
  if (!part) return asked.value
  const { panels } = chosen.value ?? {}
  const faces = panels ? part.panels.filter(({ key }) => panels.includes(key)) : [part]
  return [...new Set(faces.flatMap(({ width, height }) => [...width.givens, ...height.givens]))]
})

const fields = useTemplateRef('fields')
/** Takes the maker to the field of the first figure that a measure follows from. */
function ask(labels: string[]) {
  chosen.value = undefined
  asked.value = labels
  const name = Object.entries(fold.parameters).find(([, { label }]) => labels.includes(label))?.[0]
  const input = name && fields.value?.querySelector<HTMLInputElement>(`[data-parameter="${name}"] input`)
  if (!input) return
  input.focus()
  input.select()
}

const open = useLocalStorage('wakaru-drawer', false)
const id = useId()
</script>

<template>
  <div class="card-bench">
    <div ref="fields" class="column">
      <CardFields
        :fold
        :inputs
        :typed
        :findings
        :marked
        @change="(name, input) => emit('change', name, input)"
        @fix="emit('fix', $event)"
      >
        <template #head>
          <slot name="head" />
        </template>
        <template v-if="$slots.fields" #list>
          <slot name="fields" />
        </template>
      </CardFields>
    </div>
    <section class="column patterns" aria-label="Flat patterns">
      <PatternBoard
        v-if="construction"
        :construction
        :blanks
        :papers
        :chosen
        class="grows"
        :flips="Boolean(fold.flip)"
        @choose="choose"
        @ask="ask"
        @flip="flip"
        @move="(part, right, up) => emit('move', part, right, up)"
      />
    </section>
    <div class="column folded">
      <FoldedCard v-if="later" :front="fold.view" :construction="later" :papers :looks :chosen @choose="choose" />
      <slot name="facts" />
    </div>
    <section :class="['drawer', { open }]" aria-label="Pieces">
      <button type="button" class="handle" :aria-expanded="open" :aria-controls="id" @click="open = !open">
        <Icon :name="open ? 'tabler:chevron-down' : 'tabler:chevron-up'" aria-hidden="true" />
        <strong>Pieces</strong> <span class="quiet">{{ drawer }}</span>
      </button>
      <div v-if="open" :id class="inside" tabindex="0" role="region" aria-label="Pieces in full">
        <slot name="drawer" :chosen="chosen?.part" :choose="(part: string) => choose({ part })" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.card-bench { display: grid; gap: 0.75rem; grid-template-columns: minmax(0, 1fr); }
.column { min-width: 0; display: flex; flex-direction: column; gap: 0.5rem; }
.drawer { background: var(--sheet); border-top: 1px solid var(--line); min-width: 0; }
.handle {
  font: inherit; color: inherit; background: none; border: 0; width: 100%; text-align: left; cursor: pointer;
  display: flex; gap: 0.5rem; align-items: center; padding: 0.35rem 0.5rem;
}
.inside { overflow: auto; padding: 0 0.75rem 0.75rem; }
@media (pointer: coarse) { .handle { min-height: 44px; } }
@media (max-width: 699px) { .patterns, .folded { order: -1; } .folded { order: -2; } }
@media (min-width: 700px) {
  .card-bench { grid-template-columns: 18.5rem minmax(0, 1fr); }
  .column:first-child { grid-row: 1 / 3; }
  .drawer { grid-column: 1 / -1; }
}
@media (min-width: 1000px) and (min-height: 600px) {
  .card-bench {
    flex: 1; min-height: 0; position: relative; grid-template-columns: 18.5rem minmax(0, 1fr) clamp(16rem, 28vw, 24rem);
    grid-template-rows: minmax(0, 1fr) auto;
  }
  .column, .column:first-child { grid-row: 1; min-height: 0; }
  .column:first-child > * { flex: 1; }
  .folded { overflow-y: auto; }
  .folded > * { flex: none; }
  .grows { flex: 1; }
  .drawer { grid-row: 2; margin: 0 -1rem; padding: 0 0.5rem; }
  .drawer.open { max-height: 55vh; display: flex; flex-direction: column; min-height: 0; }
}
</style>
