<script setup lang="ts">
import { byKey } from '../../../core/lists'
import { formatsToTry, fromFormat, kitProblems, nearbySizes } from '../../../core/plans'
import type { NearbySize } from '../../../core/plans'
import { problemKey } from '../../../core/cutting'

/** Kits from one sheet of every format for one card, and sizes close by that give more. */
const work = useClassStore()
const counter = useKitCount()
/** Sheets that nearby sizes are compared on: enough for mixed layouts to tell. */
const SHEETS = 4
const cards = computed(
  () => work.settled?.preparation.cards.filter(({ pieces }) => pieces.some(({ paper }) => paper)) ?? [],
)
const chosen = ref('')
const card = computed(() => cards.value.find(({ entry }) => entry.key === chosen.value) ?? cards.value[0])
const kits = computed(() =>
  work.settled && card.value ? kitProblems(work.settled.batch, work.settled.preparation, [card.value]) : [],
)
const formats = formatsToTry()
const usual = (stocks: { width: number, height: number }[]) =>
  formats.find(({ width, height }) => stocks.some(stock => stock.width === width && stock.height === height))
const nearby = shallowRef<NearbySize[]>([])
watch(
  () => [chosen.value, ...kits.value.map(({ problem }) => problemKey(problem))].join('\n'),
  () => {
    counter.ask([])
    nearby.value = []
  },
)

function ask() {
  const { settled } = work
  if (!settled || !card.value) return
  nearby.value = nearbySizes(settled.batch, settled.preparation, card.value.entry.key)
  /** What is asked about a kit of one paper, where a usual format of it can be had. */
  const asked = (key: string, kit: (typeof kits.value)[number]) => {
    const format = usual(kit.paper.stocks)
    return format ? [{ key: `${key} ${kit.paper.key}`, kit: fromFormat(kit, format.width, format.height, SHEETS) }] : []
  }
  counter.ask([
    ...formats.flatMap(({ name, width, height }) =>
      kits.value.map(kit => ({ key: `format ${name} ${kit.paper.key}`, kit: fromFormat(kit, width, height, 1) })),
    ),
    ...kits.value.flatMap(kit => asked('now', kit)),
    ...nearby.value.flatMap(({ parameter, value, batch, card: changed }) =>
      kitProblems(batch, { ...settled.preparation, cards: [changed] }).flatMap(kit =>
        asked(`near ${parameter} ${value}`, kit),
      ),
    ),
  ])
}

const answered = computed(() => counter.answers.value.size > 0)
const at = (key: string) => counter.answers.value.get(key)?.kits
const better = computed(() =>
  nearby.value
    .flatMap(({ parameter, label, value, shown }) =>
      kits.value.flatMap(({ paper }) => {
        const [now, then] = [at(`now ${paper.key}`), at(`near ${parameter} ${value} ${paper.key}`)]
        return now !== undefined && then !== undefined && then > now
          ? [{ parameter, label, value, shown, paper, now, then }]
          : []
      }),
    )
    .sort((a, b) => b.then / b.now - a.then / a.now)
    .slice(0, 8),
)

function take({ parameter, value }: { parameter: string, value: string }) {
  const key = card.value?.entry.key
  if (key !== undefined)
    work.edit(`${key} ${parameter}`, ({ cards }) => void (byKey(cards, key).parameters[parameter] = value))
}
</script>

<template>
  <section v-if="card" class="board stack" aria-label="Kits from one sheet">
    <AskBar
      heading="Kits from one sheet"
      ask="Compare formats and sizes"
      stop="Stop comparing"
      busy="Comparing formats"
      :counter
      @ask="ask"
    >
      <OneOfMany
        aria-label="Card"
        :model-value="card.entry.key"
        :options="cards.map(({ entry }) => ({ value: entry.key, label: entry.title }))"
        size="small"
        @update:model-value="chosen = $event"
      />
    </AskBar>
    <p v-if="!answered" class="quiet small">
      What one sheet of each format gives for each paper of a card, and whether a size a mark or two away gives more.
    </p>
    <table v-if="answered" aria-label="Kits from one sheet of each format">
      <thead>
        <tr>
          <th scope="col">
            One sheet
          </th>
          <th v-for="{ paper } in kits" :key="paper.key" scope="col" class="number">
            {{ paper.name }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ name } in formats" :key="name">
          <th scope="row">
            {{ name }}
          </th>
          <td
            v-for="{ paper } in kits"
            :key="paper.key"
            class="number"
            :class="{ usual: usual(paper.stocks)?.name === name }"
          >
            {{ at(`format ${name} ${paper.key}`) ?? '…' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="answered && !counter.running.value && better.length === 0" class="quiet">
      No size one or two marks away gives more kits from {{ SHEETS }} sheets.
    </p>
    <ul v-if="better.length > 0" aria-label="Sizes that give more">
      <li v-for="hint in better" :key="`${hint.parameter} ${hint.value} ${hint.paper.key}`">
        {{ hint.label }} of <strong>{{ hint.shown }}</strong> gives <strong>{{ hint.then }}</strong> kits instead of
        {{ hint.now }} from {{ SHEETS }} sheets of {{ hint.paper.name }}.
        <Button link size="small" :label="`Take ${hint.shown}`" @click="take(hint)" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.usual { font-weight: 700; box-shadow: inset 0 -3px var(--accent); }
ul { margin: 0; padding-left: 1.1rem; }
</style>
