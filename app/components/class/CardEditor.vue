<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { PreparedCard } from '../../../core/batch'
import { BOUNDS, withPapers } from '../../../core/batch'
import type { Finding, ParameterInput } from '../../../core/folds'
import { writeLength } from '../../../core/lengths'

/** One card: its flat patterns, its parameters, what is found about it, and its pieces. */
const { card } = defineProps<{ card: PreparedCard }>()
const work = useClassStore()
const chosen = ref<string>()

const parameters = computed(() => Object.entries(card.fold?.parameters ?? {}))
const inputs = computed(() => card.entry.parameters)
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

function rename(title: string | undefined) {
  if (!title?.trim()) return
  work.edit(`title of ${card.entry.key}`, (document) => {
    const entry = document.cards.find(({ key }) => key === card.entry.key)
    if (entry) entry.title = title.slice(0, BOUNDS.title)
  })
}

// All patterns of a card are drawn to one scale: side by side where they stay large enough, else below each other.
const board = useTemplateRef('board')
const { width: room } = useElementSize(board, { width: 620, height: 0 })
const blanks = computed(() => (card.construction?.parts ?? [])
  .filter(part => (part.kind !== 'mat' && part.kind !== 'message' && !part.key.endsWith('-under')) && part.width.value > 0 && part.height.value > 0))
const scale = computed(() => {
  const widths = blanks.value.map(({ width }) => width.value)
  const widest = Math.max(...widths, 1)
  const tallest = Math.max(...blanks.value.map(({ height }) => height.value), 1)
  const available = Math.max(260, room.value) - 30
  const beside = (available - widths.length * 86) / widths.reduce((sum, width) => sum + width, 1)
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
      <CardPieces
        :card="card"
        :chosen="chosen"
        @choose="chosen = $event"
      />
    </section>
    <section
      class="board parameters stack"
      aria-label="Parameters"
    >
      <div class="field">
        <label for="card-title">Name of the card</label>
        <InputText
          id="card-title"
          :model-value="card.entry.title"
          :maxlength="BOUNDS.title"
          autocomplete="off"
          @update:model-value="rename"
        />
      </div>
      <p class="quiet small">
        {{ card.fold?.name }}: {{ card.fold?.summary }}
      </p>
      <template
        v-for="[name, parameter] in parameters"
        :key="name"
      >
        <template v-if="!parameter.when || inputs[parameter.when]">
          <LengthField
            v-if="parameter.kind === 'length'"
            :model-value="String(inputs[name] ?? parameter.defaults[work.units])"
            :label="parameter.label"
            :help="parameter.help"
            :zero="parameter.zero"
            :units="work.units"
            :mark="work.preparation!.cutter.mark"
            :finding="findings.find(finding => finding.parameter === name && finding.severity === 'stop')?.problem"
            @update:model-value="set(name, $event)"
          />
          <div
            v-else-if="parameter.kind === 'toggle'"
            class="row"
          >
            <ToggleSwitch
              :input-id="`p-${name}`"
              :model-value="Boolean(inputs[name] ?? parameter.initial)"
              @update:model-value="set(name, $event)"
            />
            <label :for="`p-${name}`">{{ parameter.label }}</label>
          </div>
          <fieldset
            v-else
            class="field"
          >
            <legend class="label small">
              {{ parameter.label }}
            </legend>
            <SelectButton
              :model-value="inputs[name] ?? parameter.initial"
              :options="[...parameter.options]"
              option-value="value"
              option-label="label"
              :allow-empty="false"
              size="small"
              @update:model-value="set(name, $event)"
            />
          </fieldset>
        </template>
      </template>
    </section>
  </div>
</template>

<style scoped>
.editor { display: grid; grid-template-columns: minmax(0, 1fr) 17rem; gap: 1.25rem; align-items: start; }
.patterns { display: grid; gap: 1rem; min-width: 0; }
.drawings { display: flex; flex-wrap: wrap; gap: 0.5rem 1.5rem; padding: 0.75rem; align-items: flex-end; }
.parameters { gap: 0.7rem; }
.key { flex-basis: 100%; }
.key path { stroke: var(--ink); stroke-width: 1.6; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
@media (max-width: 1000px) { .editor { grid-template-columns: 1fr; } .parameters { order: -1; } }
</style>
