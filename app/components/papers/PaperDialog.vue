<script setup lang="ts">
import { ANY_SCRAP, BOUNDS, GRAINS, freeKey, keyFrom, plainPaper } from '../../../core/document'
import type { Grain, PaperEntry, PaperKind, Problem } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import type { Units } from '../../../core/lengths'
import { SHEET_FORMATS } from '../../../core/paper'

/** A paper of the shelf, or a new one of some kind. Closing after it was saved says under which key. */
const { paper, kind = 'cardstock' } = defineProps<{ paper?: PaperEntry, kind?: PaperKind }>()
const emit = defineEmits<{ close: [key?: string] }>()
const shelf = usePapersStore()
const work = useClassStore()
const id = useId()
const units = useLocalStorage<Units>('wakaru-units', 'inch')

const original = structuredClone(
  toRaw(paper)
  ?? plainPaper({
    key: '',
    name: '',
    kind,
    weight: kind === 'print' ? 120 : 250,
    colour: kind === 'print' ? '#b9cdd6' : '#cfc6b0',
    motif: kind === 'print' ? 'dots' : 'plain',
    stocks: [
      units.value === 'inch'
        ? { key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 0, pack: 1, price: null }
        : { key: 'a4', width: '210 mm', height: '297 mm', onHand: 0, pack: 1, price: null },
    ],
  }),
) as PaperEntry
const draft = ref<PaperEntry>(original)
const problems = ref<Problem[]>([])
/** Fields that are folded away until something is wrong there. */
const ABOUT = ['article', 'where', 'link', 'note', 'thick', 'folded']
const refused = ref('')
const at = (path: string) => problemAt(problems.value, path)
const busy = ref(false)

const GRAIN_WORDS: Record<Grain, string> = { any: 'not minded', width: 'along the width', height: 'along the height' }
const KINDS = [
  { value: 'cardstock', label: 'Cardstock' },
  { value: 'print', label: 'Print' },
  { value: 'pad', label: 'Pad of several papers' },
]
const isPad = computed(() => draft.value.kind === 'pad')
/** What a pad may hold, or a paper stand in for. */
const others = computed(() => shelf.papers.filter(({ key }) => key !== draft.value.key))
provideMeasures(units)
const isOneSize = computed(() =>
  isPad.value || draft.value.folded !== 'flat' || draft.value.pictures.length > 0)
/** A pad has one format, is flat and holds papers; a paper holds none. Pictures are of prints. */
watch(() => draft.value.kind, (kind) => {
  if (kind !== 'print') draft.value.pictures = []
  if (kind !== 'pad') return void (draft.value.holds = [])
  draft.value.folded = 'flat'
  draft.value.stocks.splice(1)
})
const formats = SHEET_FORMATS.map(({ name, width, height }) => ({
  label: `${name} (${width} × ${height})`,
  command: () => addStock(name, width, height),
}))
const menu = useTemplateRef('menu')
const taken = () => [...draft.value.stocks, ...draft.value.offcuts].map(({ key }) => key)
const addStock = (name: string, width: string, height: string) =>
  draft.value.stocks.push({
    key: freeKey(keyFrom(name, 'sheet'), taken()), width, height, onHand: 0, pack: 1, price: null,
  })
/** Starts from half a sheet, in the measure of the sheets that are there. */
const addOffcut = () => {
  const half = /mm|cm/.test(draft.value.stocks[0]?.width ?? '')
    ? { width: '148 mm', height: '105 mm' }
    : { width: '5 1/2 in', height: '4 1/4 in' }
  draft.value.offcuts.push({ key: freeKey('offcut', taken()), ...half, count: 1 })
}

async function save() {
  busy.value = true
  refused.value = ''
  problems.value = []
  try {
    let { key } = draft.value
    if (paper) {
      await shelf.change(draft.value)
    }
    else {
      // Where not all papers are here, nobody here knows which keys are free.
      const stem = keyFrom(draft.value.name, 'paper')
      key
        = shelf.isWhole() && work.morePapers === 0
          ? freeKey(stem, [ANY_SCRAP, ...shelf.papers.map(({ key }) => key)])
          : uniqueKey(stem)
      await shelf.add({ ...draft.value, key })
    }
    emit('close', key)
  }
  catch (error) {
    const refusal = refusalOf(error)
    problems.value = refusal.problems.map(problem => ({
      ...problem, path: problem.path.replace(/^papers\.[^.]+\./, ''),
    }))
    refused.value = problems.value.length > 0 ? '' : refusal.message
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="paper ? paper.name : 'A paper for the shelf'"
    :style="{ width: '48rem' }"
    @update:visible="emit('close')"
  >
    <form class="stack" novalidate @submit.prevent="isReadable($event) && save()">
      <div class="grid">
        <LabelledField :input="`${id}-name`" label="Name" :wrong="at('name') && `The name ${at('name')}.`">
          <InputText
            :id="`${id}-name`"
            v-model="draft.name"
            :maxlength="BOUNDS.title"
            :invalid="Boolean(at('name'))"
            autocomplete="off"
          />
        </LabelledField>
        <fieldset class="field">
          <legend class="label small">
            Kind
          </legend>
          <OneOf v-model="draft.kind" :options="KINDS" />
        </fieldset>
        <NumberField
          v-model="draft.weight"
          label="Weight, g/m²"
          :wrong="at('weight') && `The weight ${at('weight')}.`"
          :min="BOUNDS.weight.least"
          :max="BOUNDS.weight.most"
        />
        <LabelledField v-if="!isPad" :input="`${id}-grain`" label="Grain of the sheet">
          <OneOfMany
            v-model="draft.grain"
            :label-id="`${id}-grain`"
            aria-label="Grain of the sheet"
            :options="GRAINS.map(value => ({ value, label: GRAIN_WORDS[value] }))"
            fluid
          />
          <span class="quiet small">Creases then run along the grain</span>
        </LabelledField>
      </div>
      <PaperLook v-if="!isPad" v-model="draft" />
      <fieldset v-if="!isPad" class="stack back">
        <TickField v-model="draft.back.differs" label="Its other side looks different" />
        <template v-if="draft.back.differs">
          <LabelledField :input="`${id}-back`" label="Name of the other side">
            <InputText
              :id="`${id}-back`"
              v-model="draft.back.name"
              :maxlength="BOUNDS.title"
              :placeholder="`${draft.name || 'Name'}, other side`"
              autocomplete="off"
            />
          </LabelledField>
          <PaperLook v-model="draft.back" of="other side" />
        </template>
      </fieldset>
      <div>
        <h3>{{ isPad ? 'The pad' : draft.folded === 'flat' ? 'Sheets' : 'Bases, laid open' }}</h3>
        <SizeRows
          :rows="draft.stocks"
          path="stocks"
          noun="sheet"
          :more="isPad
            ? { pack: 'Sheets in it', price: 'Price of the pad' }
            : { onHand: 'On hand', pack: 'In a pack', price: 'Price of a pack (empty: not for sale)' }"
          :problems
          @remove="draft.stocks.splice($event, 1)"
        >
          <template #default="{ row, index }">
            <td v-if="!isPad">
              <NumberField
                v-model="row.onHand"
                :called="`On hand of sheet ${index + 1}`"
                :min="0"
                :max="BOUNDS.onHand"
              />
            </td>
            <td>
              <NumberField
                v-model="row.pack"
                :called="isPad ? 'Sheets in the pad' : `Sheets in a pack of sheet ${index + 1}`"
                :min="1"
                :max="BOUNDS.inPack"
              />
            </td>
            <td>
              <MoneyField
                v-model="row.price"
                :called="`Price of sheet ${index + 1}`"
                :max="BOUNDS.cents"
                :blank="null"
              />
            </td>
          </template>
        </SizeRows>
        <PlainButton
          label="Add a sheet format"
          class="more"
          :disabled="draft.stocks.length >= (isOneSize ? 1 : BOUNDS.stocks)"
          @click="menu?.toggle($event)"
        />
        <Menu ref="menu" :model="formats" popup />
      </div>
      <PadSheets v-if="isPad" v-model="draft" :papers="others" :problems />
      <div v-else>
        <h3>Offcuts</h3>
        <SizeRows
          :rows="draft.offcuts"
          path="offcuts"
          noun="offcut"
          :more="{ count: 'How many' }"
          :problems
          @remove="draft.offcuts.splice($event, 1)"
        >
          <template #default="{ row, index }">
            <td>
              <NumberField
                v-model="row.count"
                :called="`How many of offcut ${index + 1}`"
                :min="1"
                :max="BOUNDS.onHand"
              />
            </td>
          </template>
        </SizeRows>
        <p v-if="draft.offcuts.length === 0" class="quiet small">
          Leftovers worth keeping. The planner uses them before it opens a sheet.
        </p>
        <PlainButton
          label="Add an offcut"
          class="more"
          :disabled="draft.offcuts.length >= BOUNDS.offcuts"
          @click="addOffcut"
        />
      </div>
      <PaperPictures v-if="draft.kind === 'print'" v-model="draft" :problems />
      <FoldOut title="What else is known of it" :open="problems.some(({ path }) => ABOUT.includes(path))">
        <PaperAbout v-model="draft" :papers="others" :problems />
      </FoldOut>
      <FormFoot action="Put it on the shelf" :refused :busy @cancel="emit('close')" />
    </form>
  </Dialog>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: 1fr 1fr; gap: 0.9rem 1rem; align-items: start; }
.back { border: 1px solid var(--line); border-radius: 3px; padding: 0.6rem 0.8rem; }
.measure, :deep(.measure) { width: 7rem; }
.wrong { color: var(--stop); font-size: var(--small); padding-left: 1.1rem; }
.more { margin-top: 0.6rem; }
</style>
