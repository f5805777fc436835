<script setup lang="ts">
import type { CardEntry, StepEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'
import { addStep, dropStep, entryOf, neighbourFor, setStep } from '../../../core/dressing'
import type { Construction, Step } from '../../../core/folds'

/**
 * How the card is made, step by step: each can be told in the maker's own words and moved as far as its needs allow,
 * and steps of their own stand between any two.
 */
const { entry, construction } = defineProps<{ entry: CardEntry, construction: Construction }>()
const emit = defineEmits<{ change: [what: string, edit: (card: CardEntry) => void] }>()
const id = useId()

const opened = ref<string>()
const rows = computed(() => construction.steps.map((step, at) => ({
  step, number: at + 1, own: entryOf(entry, step.key),
  sooner: neighbourFor(construction.steps, step.key, -1), later: neighbourFor(construction.steps, step.key, 1),
})))
/** Words for steps that the card does not have at the moment. */
const lost = computed(() => entry.steps.filter(({ step, words }) =>
  step !== '' && words !== '' && !construction.steps.some(({ key }) => key === step)))
const isFull = computed(() => entry.steps.length >= BOUNDS.steps)

const set = (key: string, change: Partial<StepEntry>) =>
  emit('change', `step ${key} ${Object.keys(change).join()}`, card => setStep(card, key, change))
const move = ({ key }: Step, after: string | undefined) => after !== undefined && set(key, { after })
/** What is being written: it begins with what the step says by itself, and may be empty on the way. */
const typed = ref('')
function open({ key, said, text }: Step) {
  opened.value = opened.value === key ? undefined : key
  typed.value = said ?? text
}
function write(step: Step, words = '') {
  typed.value = words
  const own = entryOf(entry, step.key)
  // Words that say what it says anyway follow the card again; one of the maker's own always has words.
  if (own?.step === '' && words.trim() === '') return
  const isNatural = words.trim() === '' || (words === step.text && step.said === undefined)
  set(step.key, { words: isNatural ? '' : words.slice(0, BOUNDS.words) })
}
function add(after: string) {
  emit('change', 'a step', card => addStep(card, after, 'Your own step'))
  opened.value = undefined
}
function drop(key: string) {
  opened.value = undefined
  emit('change', `step ${key} as it was`, card => dropStep(card, key))
}
const sizes = computed(() => construction.parts.map(({ key, name }) => ({ key, name })))
const putIn = (step: Step, field: string) => write(step, `${typed.value.trimEnd()} {${field}}`)
</script>

<template>
  <div class="stack steps">
    <p class="small quiet">
      The order follows from the card. Move a step as far as what it needs allows, or tell it in your words.
    </p>
    <ol>
      <li v-for="{ step, number, own, sooner, later } in rows" :key="step.key" class="step">
        <div class="line">
          <span class="number" aria-hidden="true">{{ number }}</span>
          <button
            type="button"
            class="text"
            :aria-expanded="opened === step.key"
            :aria-label="`Step ${number}: ${step.text}`"
            @click="open(step)"
          >
            {{ step.text }}
          </button>
          <span class="moves">
            <IconButton
              icon="tabler:chevron-up"
              :label="`Step ${number} sooner`"
              :disabled="sooner === undefined || isFull"
              @click="move(step, sooner)"
            />
            <IconButton
              icon="tabler:chevron-down"
              :label="`Step ${number} later`"
              :disabled="later === undefined || isFull"
              @click="move(step, later)"
            />
          </span>
        </div>
        <div v-if="opened === step.key" class="own">
          <label :for="`${id}-${number}`" class="small">Your words; in braces stands the size of a piece</label>
          <Textarea
            :id="`${id}-${number}`"
            :model-value="typed"
            :maxlength="BOUNDS.words"
            rows="4"
            auto-resize
            @update:model-value="write(step, $event)"
          />
          <div class="row">
            <PickOne :options="sizes" named="name" words="Put in a size" @pick="putIn(step, $event.key)" />
            <PlainButton label="A step after this" :disabled="isFull" @click="add(step.key)" />
            <QuietButton
              v-if="own"
              :label="own.step === '' ? 'Leave this step out' : 'As it was'"
              @click="drop(step.key)"
            />
          </div>
          <NumberField
            v-if="own?.step === ''"
            label="Seconds that it takes"
            :model-value="own.seconds"
            :min="0"
            :max="BOUNDS.seconds"
            @update:model-value="$event !== null && set(step.key, { seconds: $event })"
          />
        </div>
        <p v-if="own" class="small quiet changed">
          {{ own.step === '' ? 'yours' : [own.words && 'your words', own.after && 'moved'].filter(Boolean).join(', ') }}
        </p>
      </li>
    </ol>
    <PlainButton label="A step before all others" :disabled="isFull" @click="add('start')" />
    <div v-for="{ key, step, words } in lost" :key class="lost">
      <p>“{{ words }}” stood for a step that the card does not have at the moment.</p>
      <QuietButton label="Take these words out" @click="drop(step)" />
    </div>
    <LabelledField :input="`${id}-note`" label="Note on the hand-out">
      <Textarea
        :id="`${id}-note`"
        :model-value="entry.note"
        :maxlength="BOUNDS.note"
        rows="2"
        auto-resize
        @update:model-value="emit('change', 'note', card => void (card.note = $event ?? ''))"
      />
    </LabelledField>
  </div>
</template>

<style scoped>
.steps { gap: 0.5rem; overflow-y: auto; min-height: 0; align-content: start; padding-bottom: 0.5rem; }
ol { list-style: none; margin: 0; padding: 0; display: grid; }
.step { border-bottom: 1px solid var(--line); padding: 0.3rem 0; min-width: 0; }
.line { display: grid; grid-template-columns: 1.4rem minmax(0, 1fr) auto; gap: 0.3rem; align-items: start; }
.number { font-weight: 600; color: var(--quiet); padding-top: 0.15rem; }
.text {
  font: inherit; color: inherit; background: none; border: 0; padding: 0.15rem 0; text-align: left; cursor: pointer;
  overflow-wrap: anywhere;
}
.text:hover { color: var(--accent); }
.moves { display: grid; }
.own { display: grid; gap: 0.35rem; padding: 0.3rem 0 0.2rem 1.7rem; min-width: 0; }
.own :deep(textarea) { width: 100%; }
.changed { margin: 0 0 0 1.7rem; }
.lost { border-left: 3px solid var(--stop); padding-left: 0.6rem; }
p { margin: 0; }
@media (pointer: coarse) { .text { min-height: 44px; } }
</style>
