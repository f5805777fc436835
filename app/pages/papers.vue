<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { BOUNDS, backOf } from '../../core/document'
import type { PaperEntry, PaperKind } from '../../core/document'

const shelf = usePapersStore()
const ask = useAsk()
const toast = useToast()
const typed = ref('')
const search = refDebounced(typed, 200)
const kind = ref<PaperKind | 'all'>('all')
const KINDS = [
  { value: 'all', label: 'All' },
  { value: 'cardstock', label: 'Cardstock' },
  { value: 'print', label: 'Prints' },
  { value: 'pad', label: 'Pads' },
]
const { error, status } = useAsyncData(
  'shelf',
  () => shelf.load({ search: search.value, kind: kind.value }).then(() => true),
  {
    watch: [search, kind],
  })
const binOpen = ref(false)
// Papers may come back out of the bin.
watch(useClassTurn(), () => void shelf.load())

/** A new paper is shown where it belongs in the order of the shelf. */
async function close(saved?: string) {
  editing.value = undefined
  if (saved) await shelf.load()
}
const editing = ref<{ paper?: PaperEntry }>()

function askToRemove(paper: PaperEntry) {
  void ask({
    header: `Take ${paper.name} off the shelf?`,
    message: 'It goes into the bin with its sheets on hand and prices, and can be brought back for 30 days.',
    yes: 'Take it off',
    accept: () => remove(paper),
  })
}

async function remove({ key, name }: PaperEntry) {
  try {
    await shelf.remove(key)
    toast.add({ severity: 'success', summary: `${name} is off the shelf.`, life: 4000 })
  }
  catch (error) {
    toast.add({
      severity: 'error', summary: `${name} stays on the shelf`, detail: refusalOf(error).message, life: 12_000,
    })
  }
}
/** What sheets of a format cost, or that they come in a pad. */
function sold({ price, pack }: PaperEntry['stocks'][number], { key, kind }: PaperEntry): string {
  if (price !== null) {
    const at = `at ${(price / 100).toFixed(2)}`
    return kind === 'pad' ? at : pack > 1 ? `${count(pack, 'sheet')} ${at}` : at
  }
  const pad = shelf.papers.find(other => other.kind === 'pad' && other.holds.some(sheet => sheet.key === key))
  return pad ? `comes in ${pad.name}` : 'not for sale'
}
/** The papers that are shown, and those that lie in pads among them. */
const drawn = computed(() => {
  const here = new Set(shelf.papers.map(({ key }) => key))
  return [...shelf.papers, ...shelf.held.filter(({ key }) => !here.has(key))]
})
const nameOf = (key: string) => [...shelf.papers, ...shelf.held].find(paper => paper.key === key)?.name ?? key
const held = ({ holds }: PaperEntry) => holds.map(({ key, count: sheets }) => `${sheets} × ${nameOf(key)}`).join(', ')
/** What is worth knowing of it at a glance. */
const nature = ({ kind, weight, upright, grain, coating, core, folded, pictures, back }: PaperEntry) => [
  folded === 'flat' ? kind : `${kind}, bases that come folded`, `${weight} g/m²`,
  upright ? 'has a right way up' : '', grain === 'any' ? '' : `grain along the ${grain}`,
  coating === 'coated' ? 'coated' : '', core === 'white' ? 'white within' : '',
  ...pictures.map(({ name, count: each }) => `${each} × ${name} to cut out`),
  back.differs ? `other side ${back.name || 'differs'}` : '',
].filter(Boolean).join(', ')
const known = ({ article, where, family, note }: PaperEntry) =>
  [article, where, family, note].filter(Boolean).join(' · ')
useHead({ title: 'Paper shelf · Wakaru' })
</script>

<template>
  <div class="stack">
    <PaperDefs :papers="drawn" />
    <div class="spread">
      <h1>Paper shelf</h1>
      <div class="row">
        <InputText
          v-model="typed"
          type="search"
          placeholder="Search"
          aria-label="Search the shelf"
          :maxlength="BOUNDS.title"
        />
        <OneOf v-model="kind" :options="KINDS" aria-label="Kind of paper" />
        <Button as="router-link" to="/teach" label="What could I teach?" text />
        <Button label="Bin" text severity="secondary" @click="binOpen = true" />
        <Button label="Add a paper" @click="editing = {}" />
      </div>
    </div>
    <NotRead v-if="error" what="The shelf" :error />
    <section v-else-if="status === 'success' && shelf.papers.length === 0" class="board">
      <p v-if="search || kind !== 'all'">
        No paper on the shelf is called so.
      </p>
      <p v-else>
        The shelf is empty. Add the papers you cut from: name, weight, sheet formats and how many are on hand.
      </p>
    </section>
    <ul class="shelf">
      <li v-for="paper in shelf.papers" :key="paper.key" class="board paper">
        <svg class="face" aria-hidden="true">
          <template v-if="paper.kind === 'pad'">
            <rect
              v-for="(sheet, at) in paper.holds"
              :key="sheet.key"
              :x="`${(at * 100) / paper.holds.length}%`"
              :width="`${100 / paper.holds.length}%`"
              height="100%"
              :fill="paperFill(sheet.key)"
            />
          </template>
          <rect v-else width="100%" height="100%" :fill="paperFill(paper.key)" />
          <rect
            v-if="paper.back.differs"
            y="62%"
            width="100%"
            height="38%"
            :fill="paperFill(backOf(paper.key))"
            class="turned"
          />
        </svg>
        <div class="about">
          <h2>{{ paper.name }}</h2>
          <p class="quiet">
            {{ paper.kind === 'pad' ? `pad: ${held(paper)}` : nature(paper) }}
          </p>
          <p v-for="stock in paper.stocks" :key="stock.width + stock.height">
            <template v-if="paper.kind !== 'pad'">
              <strong>{{ stock.onHand }}</strong> ×
            </template>
            <SheetText v-bind="writtenSize(stock)" />{{ ' ' }}
            <span class="quiet small">{{ sold(stock, paper) }}</span>
          </p>
          <p v-for="offcut in paper.offcuts" :key="`offcut ${offcut.width} ${offcut.height}`" class="small">
            <strong>{{ offcut.count }}</strong> × <SheetText v-bind="writtenSize(offcut)" />{{ ' ' }}
            <span class="quiet">offcut</span>
          </p>
          <p v-if="known(paper)" class="quiet small">
            {{ known(paper) }}<template v-if="paper.link">
              · <a :href="paper.link" rel="noreferrer" target="_blank">link</a>
            </template>
          </p>
          <p v-if="paper.stocks.length === 0" class="quiet">
            no sheet format yet
          </p>
        </div>
        <div class="tools">
          <Button text severity="secondary" :aria-label="`Change ${paper.name}`" @click="editing = { paper }">
            <Icon name="tabler:pencil" />
          </Button>
          <RemoveButton :label="`Take ${paper.name} off the shelf`" @click="askToRemove(paper)" />
        </div>
      </li>
    </ul>
    <div v-if="shelf.total > shelf.papers.length" class="row">
      <Button label="Show more" severity="secondary" outlined @click="shelf.more()" />
      <span class="quiet">{{ shelf.papers.length }} of {{ shelf.total }} papers</span>
    </div>
    <LazyBinDialog v-if="binOpen" @close="binOpen = false" />
    <LazyPaperDialog v-if="editing" :paper="editing.paper" @close="close" />
  </div>
</template>

<style scoped>
.shelf {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(22rem, 1fr));
  gap: 0.9rem;
}
.paper {
  display: grid;
  grid-template-columns: 110px 1fr auto;
  gap: 1rem;
  padding: 0;
  overflow: hidden;
}
.face {
  width: 110px;
  height: 100%;
  min-height: 112px;
}
.turned { stroke: var(--sheet); stroke-width: 3; }
.about {
  padding: 0.6rem 0;
}
.about h2 {
  font-size: 1.2rem;
}
.tools {
  display: grid;
  align-content: start;
  padding: 0.3rem;
}
</style>
