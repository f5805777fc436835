<script setup lang="ts">
import { moneyOfClass, parcelsOf, suppliesFor, amountInWords, measuredIn } from '../../../core/kits'
import { wholeMinutes } from '../../../core/cutting'
import { lookUp, uncapitalised } from '../../../core/lists'
import type { CardCost, Kits } from '../../../core/kits'
import { MILLIMETRE } from '../../../core/lengths'

/** What a kit, the class and a seat cost, and what all of it is made up of. */
const { kits } = defineProps<{ kits: Kits }>()
const work = useClassStore()
const planner = usePlannerStore()
const money = useMoney()
const title = (key: string) => work.batch.cards.find(card => card.key === key)?.title ?? key
const worth = computed(() => moneyOfClass(work.prepared, planner.outcomes, kits))
const supplies = computed(() => new Map(suppliesFor(work.prepared).map(supply => [supply.key, supply])))
const parcels = computed(() => parcelsOf(work.prepared))
const heaviest = computed(() =>
  parcels.value.reduce((most, parcel) => (parcel.weight > (most?.weight ?? 0) ? parcel : most), parcels.value[0]),
)
const unposted = computed(() => parcels.value.filter(({ rate }) => !rate).length)
const used = computed(() => kits.totals.uses.map(({ supply, amount }) => {
  const { name, use } = lookUp(supplies.value, supply)
  const of = measuredIn(use) === 'pieces' ? '' : 'of '
  return `${amountInWords(use, amount, work.units)} ${of}${uncapitalised(name)}`
}).join(', '))

const COSTS = [
  { key: 'card', head: 'Card', text: ({ card }: CardCost) => title(card) },
  { key: 'paper', head: 'Paper', number: true, text: ({ paper }: CardCost) => money(paper) },
  { key: 'other', head: 'Supplies', number: true, text: ({ other }: CardCost) => money(other) },
  { key: 'kit', head: 'Kit', number: true, text: ({ paper, other }: CardCost) => money(paper + other) },
]
const lines = computed(() => [
  {
    what: kits.totals.left > 0 ? `Material, less ${money(kits.totals.left)} that is left` : 'Material',
    cents: worth.value.material,
  },
  { what: `Your work, ${wholeMinutes(worth.value.minutes)} min with the class`, cents: worth.value.work },
  { what: 'The room', cents: worth.value.venue },
  ...(parcels.value.length > 0
    ? [{ what: `Posting ${count(parcels.value.length, 'bag')}`, cents: worth.value.posting }]
    : []),
  { what: 'The class', cents: worth.value.cost },
])
const LINES = [
  { key: 'what', head: 'The class costs', text: ({ what }: { what: string }) => what },
  { key: 'cents', head: '', number: true, text: ({ cents }: { cents: number }) => money(cents) },
]
</script>

<template>
  <section class="board stack">
    <h2>A kit costs</h2>
    <FigureTable :rows="kits.costs" :columns="COSTS" label="What a kit costs" />
    <FigureTable :rows="lines" :columns="LINES" label="What the class costs" />
    <p>
      <strong>A seat costs {{ money(worth.perSeat) }}.</strong>
      <template v-if="work.batch.prices.seat > 0">
        It pays {{ money(work.batch.prices.seat) }}: {{ worth.breakEven === null ? 'not even all seats cover the class'
          : `${worth.breakEven} of ${count(work.batch.class.seats, 'seat')} cover the class, all bring ${money(worth.margin)}`
        }}.
      </template>
      <template v-else>
        Say under <em>Prices</em> what it pays, to see how many seats cover the class.
      </template>
    </p>
    <p v-if="heaviest" class="small">
      A posted bag: at most {{ Math.ceil(heaviest.weight) }} g and about
      {{ (heaviest.thickness / MILLIMETRE).toFixed(1) }} mm thick,
      {{ heaviest.rate ? `${heaviest.rate.name} for ${money(heaviest.rate.price)}` : 'no rate takes it' }}{{
        unposted > 0 && heaviest.rate ? `; no rate takes ${unposted}` : '' }}.
    </p>
    <p class="small quiet">
      It uses up {{ used || 'no supplies' }}, counted from where pieces are glued and how you stick.
      {{
        work.batch.prices.packs === 'whole'
          ? 'Packs count whole once they are opened.'
          : 'Packs count by what is used of them.'
      }}
    </p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
</style>
