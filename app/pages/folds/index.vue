<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import type { FoldGroup, Skill } from '../../../core/folds'
import { kitsByArea } from '../../../core/kits'
import { FOLDS, USUAL_SHEET, factsOf } from '../../../core/folds'
import type { Length, Units } from '../../../core/lengths'
import { formatLength } from '../../../core/lengths'

// The school chosen for the last class is the likely one here; the server starts from inches.
const remembered = useLocalStorage<Units>('wakaru-units', 'inch', { initOnMounted: true })
const units = computed({ get: () => remembered.value, set: value => (remembered.value = value) })
provideMeasures(units)
const find = ref('')
const standing = ref(false)
const skill = ref<Skill | 'any'>('any')
const compared = ref<string[]>([])
const opening = ref(80)
const posts = ref(false)
const group = ref<FoldGroup | 'any'>('any')
const GROUPS: { value: FoldGroup | 'any', label: string }[] = [
  { value: 'any', label: 'Every kind' },
  { value: 'strip', label: 'Folded strips' },
  { value: 'slit', label: 'Slit pop-ups' },
  { value: 'slider', label: 'Things that slide' },
  { value: 'box', label: 'Boxes and corners' },
  { value: 'around', label: 'Around the card' },
]

const SKILLS = [
  { value: 'any', label: 'Any' },
  { value: 'first card', label: 'First card' },
  { value: 'some care', label: 'Some care' },
  { value: 'nimble', label: 'Nimble' },
]

const shelf = usePapersStore()
const route = useRoute()
/** Only what the shelf has paper for, with how many kits it is enough for. */
const mine = ref(route.query.shelf === '1')
const shelfRead = ref(false)
watch(mine, async (wanted) => {
  if (!wanted || shelfRead.value) return
  await shelf.loadAll().catch(() => {})
  shelfRead.value = true
}, { immediate: true })
const all = computed(() =>
  FOLDS.map(fold => ({
    ...fold,
    facts: factsOf(fold, units.value),
    kits: mine.value && shelfRead.value ? kitsByArea(fold, shelf.papers, units.value) : undefined,
  })),
)
const shown = computed(() =>
  all.value.filter(
    fold =>
      (!standing.value || fold.stands)
      && fold.kits !== 0
      && (!posts.value || fold.facts.flat)
      && (group.value === 'any' || fold.group === group.value)
      && (skill.value === 'any' || fold.skill === skill.value)
      && `${fold.number} ${fold.name} ${fold.summary}`.toLowerCase().includes(find.value.trim().toLowerCase()),
  ),
)
const chosen = computed(() => all.value.filter(({ id }) => compared.value.includes(id)))
const measure = (length: Length) => formatLength(length, units.value)
const COMPARED: { what: string, show: (fold: (typeof all.value)[number]) => string | number }[] = [
  { what: 'Closed', show: ({ facts: { closed } }) => `${measure(closed.width)} × ${measure(closed.height)}` },
  {
    what: 'On display, with depth',
    show: ({ facts: { displayed } }) =>
      `${measure(displayed.width)} × ${measure(displayed.height)} × ${measure(displayed.depth)}`,
  },
  {
    what: 'Thickness closed',
    show: ({ facts }) =>
      `${(facts.thickness / 1e6).toFixed(1)} mm, ${facts.flat ? 'posts flat' : 'too thick for a flat letter'}`,
  },
  { what: 'Pieces', show: ({ facts }) => facts.pieces },
  { what: 'Scores', show: ({ facts }) => facts.scores },
  { what: 'Usual sheets a kit, by area', show: ({ facts }) => facts.sheets.toFixed(2) },
  { what: 'Skill', show: ({ skill }) => skill },
]
useHead({ title: 'Catalogue of folds · Wakaru' })
</script>

<template>
  <div class="stack">
    <div class="spread">
      <h1>Catalogue of folds</h1>
      <div class="row open">
        <label for="opening">Open</label>
        <input id="opening" v-model.number="opening" type="range" min="0" max="100">
      </div>
      <UnitsChoice v-model="units" size="small" />
    </div>
    <div class="row filters">
      <div class="row">
        <label for="find">Find</label>
        <InputText id="find" v-model="find" autocomplete="off" />
      </div>
      <OneOf v-model="skill" :options="SKILLS" size="small" aria-label="Skill" />
      <OneOfMany v-model="group" :options="GROUPS" size="small" aria-label="Kind of fold" />
      <TickField v-model="posts" switched label="Posts flat" />
      <TickField v-model="standing" switched label="Stands by itself" />
      <TickField v-model="mine" switched label="From my shelf" />
    </div>
    <PaperDefs :papers="SAMPLE_PAPERS" />
    <ul v-if="shown.length > 0" aria-label="Folds" class="tiles">
      <li v-for="fold in shown" :key="fold.id" class="board">
        <FoldSketch
          :construction="fold.facts.construction"
          :opening="opening / 100"
          v-bind="{ view: fold.view, width: 250, height: 170, papers: sampleLook(fold.facts.construction.parts) }"
        />
        <h2>
          <NuxtLink :to="`/folds/${fold.id}`">
            {{ fold.name }}
          </NuxtLink>
        </h2>
        <p class="small">
          {{ fold.summary }}
        </p>
        <p class="facts">
          <SizeText :width="fold.facts.closed.width" :height="fold.facts.closed.height" unit />
          <span class="quiet small">{{ count(fold.facts.pieces, 'piece') }}, {{ fold.facts.sheets.toFixed(1) }}
            {{ USUAL_SHEET[units].name }} a kit</span>
          <strong v-if="fold.kits !== undefined" class="small">paper for up to {{ count(fold.kits, 'kit') }}</strong>
        </p>
        <p class="quiet small">
          {{ fold.skill }}{{ fold.stands ? ', stands by itself' : '' }},
          {{ fold.facts.flat ? 'posts flat' : 'wants a box' }} ({{ (fold.facts.thickness / 1e6).toFixed(1) }} mm)
        </p>
        <div class="row compare">
          <Checkbox
            v-model="compared"
            :value="fold.id"
            :input-id="`compare-${fold.id}`"
            :aria-label="`Compare ${fold.name}`"
          />
          <label :for="`compare-${fold.id}`" class="small">Compare</label>
        </div>
      </li>
    </ul>
    <p v-else>
      No fold does all that. Take a word or a choice away.
    </p>
    <OwnVariants />
    <section v-if="chosen.length > 0" class="board">
      <FigureTable
        label="Compared folds"
        :rows="COMPARED"
        :columns="[{ key: 'what', head: '' }, ...chosen.map(({ id, name }) => ({ key: id, head: name }))]"
      >
        <template #what="{ row }">
          {{ row.what }}
        </template>
        <template v-for="fold in chosen" :key="fold.id" #[fold.id]="{ row }">
          {{ row.show(fold) }}
        </template>
      </FigureTable>
    </section>
  </div>
</template>

<style scoped>
.filters {
  gap: 1.5rem;
}
.open {
  margin-left: auto;
}
input[type='range'] {
  accent-color: var(--accent);
  width: 10rem;
}
.facts {
  display: flex;
  gap: 0.6rem;
  align-items: baseline;
  flex-wrap: wrap;
}
.compare {
  gap: 0.4rem;
}
</style>
