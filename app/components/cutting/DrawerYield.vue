<script setup lang="ts">
import { kitProblems } from '../../../core/plans'
import type { Supply } from '../../../core/cutting'
import { problemKey } from '../../../core/cutting'

/** How many kits the drawer gives, which paper runs out first, and what one more sheet of it would add. */
const work = useClassStore()
const counter = useKitCount()
const kits = computed(() => (work.settled ? kitProblems(work.settled.batch, work.settled.preparation) : []))
const key = (paper: string, more = '') => `${paper} ${more}`
const asked = ref('')
const now = computed(() => kits.value.map(({ paper, problem }) => `${paper.key} ${problemKey(problem)}`).join('\n'))

function ask() {
  asked.value = now.value
  counter.ask(
    kits.value.flatMap((kit) => {
      const oneMore = (supply: Supply) => ({
        ...kit,
        problem: {
          ...kit.problem,
          supplies: kit.problem.supplies.map(other =>
            other === supply ? { ...other, onHand: other.onHand + 1 } : other,
          ),
        },
      })
      return [
        { key: key(kit.paper.key), kit },
        ...kit.problem.supplies
          .filter(({ kind }) => kind === 'sheet')
          .map(supply => ({ key: key(kit.paper.key, supply.key), kit: oneMore(supply) })),
      ]
    }),
  )
}

const rows = computed(() =>
  kits.value.flatMap(({ paper, problem }) => {
    const from = counter.answers.value.get(key(paper.key))
    if (!from) return []
    const more = problem.supplies
      .filter(({ kind }) => kind === 'sheet')
      .flatMap((supply) => {
        const then = counter.answers.value.get(key(paper.key, supply.key))
        return then ? [{ supply, kits: then.kits - from.kits }] : []
      })
    const sheets = problem.supplies.filter(({ kind }) => kind === 'sheet').reduce((sum, { onHand }) => sum + onHand, 0)
    return [
      {
        paper,
        sheets,
        offcuts: problem.supplies.filter(({ kind }) => kind === 'offcut').reduce((sum, { onHand }) => sum + onHand, 0),
        from,
        more,
      },
    ]
  }),
)
type Row = (typeof rows.value)[number]
const least = computed(() =>
  rows.value.length === kits.value.length && rows.value.length > 0
    ? Math.min(...rows.value.map(({ from }) => from.kits))
    : undefined,
)
const first = computed(() => rows.value.filter(({ from }) => from.kits === least.value))
const COLUMNS = [
  { key: 'paper', head: 'Paper' },
  {
    key: 'hand',
    head: 'On hand',
    number: true,
    text: ({ sheets, offcuts }: Row) =>
      `${count(sheets, 'sheet')}${offcuts > 0 ? `, ${count(offcuts, 'offcut')}` : ''}`,
  },
  { key: 'kits', head: 'Kits', number: true },
  { key: 'more', head: 'One more sheet' },
]
</script>

<template>
  <section class="board stack" aria-label="What the drawer gives">
    <AskBar
      heading="What the drawer gives"
      ask="Count the kits"
      stop="Stop counting"
      busy="Counting kits"
      :counter
      :disabled="kits.length === 0"
      @ask="ask"
    />
    <p v-if="rows.length === 0" class="quiet small">
      The most kits, one of each card, that can be cut from the sheets and offcuts on hand.
    </p>
    <p v-if="least !== undefined" class="answer">
      <strong>{{ count(least, 'kit') }}</strong> from what is on hand;
      {{ first.map(({ paper }) => paper.name).join(' and ') }} {{ first.length === 1 ? 'runs' : 'run' }} out first.
      <span v-if="asked !== now" class="quiet">The class has changed since: count again.</span>
    </p>
    <FigureTable v-if="rows.length > 0" :rows :columns="COLUMNS" label="Kits from each paper">
      <template #paper="{ row }">
        <span class="row"><PaperSwatch :paper="row.paper.key" /> {{ row.paper.name }}</span>
      </template>
      <template #kits="{ row }">
        <strong>{{ row.from.kits }}</strong><span
          v-if="row.from.most > row.from.kits"
          class="quiet small"
        >, at most {{ row.from.most }}</span>
      </template>
      <template #more="{ row }">
        <span v-for="({ supply, kits: number }) in row.more" :key="supply.key" class="one"><SheetText
          :width="supply.width"
          :height="supply.height"
        />: <strong>{{ number > 0 ? `+${number}` : 'none' }}</strong></span>
      </template>
    </FigureTable>
  </section>
</template>

<style scoped>
.answer { font-size: var(--measure); }
.one { margin-right: 1rem; white-space: nowrap; }
</style>
