<script setup lang="ts">
import { BOUNDS, dressingIn } from '../../../core/document'
import type { CardEntry, ParameterInput, ParameterInputs } from '../../../core/document'
import type { PreparedCard } from '../../../core/batch'
import { bagsOf, drawnPapers, takeInstead, withOffers, withPapers } from '../../../core/batch'
import { onCard, viewOf } from '../../../core/kits'
import { applyFix, faceAt, faceKey, moveFreePiece, resizeDressing } from '../../../core/dressing'
import type { Finding } from '../../../core/folds'
import { blanksOf, isLayer } from '../../../core/folds'
import type { Chosen } from './chosen'
import type { MenuItem } from 'primevue/menuitem'

/** One card of the class on screen. */
const { card } = defineProps<{ card: PreparedCard }>()
const emit = defineEmits<{ copy: [], remove: [] }>()
const work = useClassStore()
const shelf = usePapersStore()
const id = useId()

/** What is computed from the finished card comes after the pieces are painted. */
const later = useTrailing(() => card)
const drawn = computed(() => drawnPapers(card))
const view = computed(() => work.settled && viewOf(later.value, work.settled.batch))
const findings = computed(() =>
  withOffers(onCard(view.value?.findings ?? card.findings), card, work.prepared.shelf, work.units))
const paperless = computed(() => card.pieces.filter(({ paper }) => !paper).length)
const perSeat = computed(() => bagsOf(work.batch).length)
const inAll = computed(() => card.pieces.reduce((sum, { quantity }) => sum + quantity, 0))

/** Sets a parameter; without an input it is natural again. */
const set = (parameter: string, input?: ParameterInput) => edit(parameter, ({ [parameter]: _, ...others }) =>
  (input === undefined ? others : { ...others, [parameter]: input }))
/** All inputs, natural ones included. */
const inputs = computed(() => card.construction?.inputs ?? card.entry.parameters)

const edit = (what: string, next: (before: ParameterInputs) => ParameterInputs) =>
  change(what, entry => void (entry.parameters = next(entry.parameters)))
function fix({ fix, instead, part, paper }: Finding) {
  if (fix) change(fix.parameter, entry => applyFix(entry, fix, work.units))
  else if (instead && part !== undefined && paper !== undefined)
    change(`paper of ${part}`, entry => takeInstead(entry, part, paper, instead.paper))
}

/** Changes the card; pieces that are new take the class's papers. */
function change(what: string, edit: (entry: CardEntry) => void) {
  work.edit(`${card.entry.key} ${what}`, (document) => {
    const at = document.cards.findIndex(({ key }) => key === card.entry.key)
    const entry = document.cards[at]
    if (!entry || !card.fold) return
    edit(entry)
    document.cards[at] = withPapers(entry, card.fold, document)
  })
}
const TABS = [
  { value: 'sizes', label: 'Sizes' },
  { value: 'faces', label: 'On its faces' },
  { value: 'free', label: 'Free pieces' },
  { value: 'steps', label: 'Steps' },
]
const tab = ref('sizes')
const face = ref<string>()
/** What is chosen in a drawing is what the tab shows. */
function showChosen(now: Chosen | undefined) {
  const construction = card.construction
  const part = construction?.parts.find(({ key }) => key === now?.part)
  if (!construction || !part || tab.value !== 'faces') return
  const joint = isLayer(part.kind) ? construction.joints.find(joint => joint.part === part.key) : undefined
  const panel = part.panels.find(({ key }) => now?.panels?.includes(key)) ?? part.panels[0]
  face.value = joint ? faceAt(construction, joint)?.key : panel && faceKey(panel, 'inside')
}

function setKits(kits: number | null) {
  work.editCard('kits', card.entry.key, entry => void (entry.kits = kits === perSeat.value ? null : kits))
}
function rename(title = '') {
  if (!title.trim()) return
  work.editCard('title', card.entry.key, entry => void (entry.title = title.slice(0, BOUNDS.title)))
}

const resizing = ref(false)
const keeping = ref(false)
function takeSize(parameters: ParameterInputs, factor: number) {
  resizing.value = false
  change('size', (entry) => {
    entry.parameters = parameters
    resizeDressing(entry, factor, work.units, work.prepared.cutter.mark)
  })
}
const menu = useTemplateRef('menu')
const actions = computed((): MenuItem[] => [
  { label: 'Another size', command: () => (resizing.value = true), disabled: !card.fold },
  { label: 'Keep as variant', command: () => (keeping.value = true) },
  { label: 'Copy this card', command: () => void emit('copy') },
  { label: 'Remove this card', command: () => void emit('remove') },
])
</script>

<template>
  <CardBench
    v-if="card.fold"
    :fold="card.fold"
    :inputs
    :typed="card.entry.parameters"
    :construction="card.construction"
    :later="later.construction"
    :findings
    :papers="drawn"
    :looks="shelf.papers"
    :drawer="`${count(card.pieces.length, 'piece')} a kit, ${inAll} in all`"
    @change="set"
    @fix="fix"
    @choose="showChosen"
    @move="(part, right, up) => change(`place of ${part}`, entry => moveFreePiece(entry, part, right, up, work.units))"
  >
    <template #head>
      <div class="head">
        <div class="row name">
          <label :for="`${id}-name`" class="unseen">Name of the card</label>
          <InputText
            :id="`${id}-name`"
            :model-value="card.entry.title"
            :maxlength="BOUNDS.title"
            autocomplete="off"
            @update:model-value="rename"
          />
          <IconButton
            icon="tabler:dots-vertical"
            :label="`More for ${card.entry.title}`"
            aria-haspopup="menu"
            @click="menu?.toggle($event)"
          />
          <Menu ref="menu" :model="actions" popup />
        </div>
        <p class="quiet small">
          {{ card.fold.name }}: {{ card.fold.summary }}
        </p>
        <p v-if="paperless > 0" class="paperless small">
          {{ count(paperless, 'piece') }} without a paper. <NuxtLink :to="`/classes/${work.id}/papers`">
            Choose papers
          </NuxtLink>
        </p>
        <div class="kits">
          <label :for="`${id}-kits`">Kits of this card</label>
          <NumberField
            :model-value="card.kits"
            :input-id="`${id}-kits`"
            :min="0"
            :max="BOUNDS.kits"
            :blank="perSeat"
            @update:model-value="setKits"
          />
        </div>
        <OneOf v-model="tab" :options="TABS" size="small" aria-label="What to change" />
      </div>
    </template>
    <template v-if="tab !== 'sizes' && card.construction" #fields>
      <DressFaces v-if="tab === 'faces'" v-model:face="face" :card :construction="card.construction" @change="change" />
      <CardSteps v-else-if="tab === 'steps'" :entry="card.entry" :construction="card.construction" @change="change" />
      <FreePieces v-else :card :construction="card.construction" @change="change" />
    </template>
    <template #facts>
      <CardFacts
        v-if="later.construction"
        :construction="later.construction"
        :pieces="later.pieces"
        :posting="view?.posting"
        :card="card.entry.key"
      />
    </template>
    <template #drawer="{ chosen, choose }">
      <PatternFiles :card="card.entry.key" :blanks="card.construction ? blanksOf(card.construction) : []" />
      <PieceTable :card :chosen @choose="choose" />
    </template>
  </CardBench>
  <section v-else class="board stack">
    <p v-for="finding in card.findings" :key="finding.problem">
      <strong>{{ finding.subject }}</strong> {{ finding.problem }}
    </p>
    <Button label="Remove this card" severity="secondary" outlined @click="emit('remove')" />
  </section>
  <LazyResizeDialog
    v-if="resizing && card.fold"
    :fold="card.fold"
    :inputs="card.entry.parameters"
    :batch="work.batch"
    @close="resizing = false"
    @take="takeSize"
  />
  <LazyVariantDialog
    v-if="keeping"
    :fold="card.entry.fold"
    :parameters="card.entry.parameters"
    :dressing="dressingIn(card.entry)"
    :title="card.entry.title"
    @close="keeping = false"
  />
</template>

<style scoped>
.head { display: grid; gap: 0.3rem; flex: none; }
.name { flex-wrap: nowrap; gap: 0.2rem; }
.name :deep(input) { flex: 1; min-width: 0; font-weight: 600; font-size: 1.0625rem; }
.paperless { color: var(--stop); font-weight: 600; }
.kits { display: flex; justify-content: space-between; align-items: center; padding: 0 0.4rem; }
</style>
