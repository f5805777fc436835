<script setup lang="ts">
import type { CardCost, Purchase } from '../../../../core/kits'
import { extraInWords } from '../../../../core/kits'

const work = useClassStore()
const planner = usePlannerStore()
const kits = computed(() => planner.kits)
const title = (key: string) => work.batch.cards.find(card => card.key === key)?.title ?? key
const money = useMoney()
const packed = (key: string) => work.prepared.cards.find(({ entry }) => entry.key === key)
const open = ref<string>()
/** Cards that are named on a bag. */
const TITLES = 3

const COSTS = [
  { key: 'card', head: 'Card', text: ({ card }: CardCost) => title(card) },
  { key: 'paper', head: 'Paper', number: true, text: ({ paper }: CardCost) => money(paper) },
  { key: 'other', head: 'Supplies', number: true, text: ({ other }: CardCost) => money(other) },
  { key: 'kit', head: 'Kit', number: true, text: ({ paper, other }: CardCost) => money(paper + other) },
]
const PURCHASES = [
  { key: 'paper', head: 'Paper', text: ({ paper }: Purchase) => paper },
  { key: 'sheet', head: 'Sheet' },
  { key: 'buy', head: 'To buy', number: true, text: ({ toBuy }: Purchase) => toBuy },
  { key: 'cost', head: 'Cost', number: true, text: ({ cost }: Purchase) => (cost === null ? 'not for sale' : money(cost)) },
]
</script>

<template>
  <NeedsCards
    v-if="work.batch.cards.length === 0"
    what="Kits are packed from cards."
  />
  <p
    v-else-if="!kits"
    class="quiet"
    aria-live="polite"
  >
    The kits follow when the cutting is planned …
  </p>
  <div
    v-else
    class="kits"
  >
    <section class="board">
      <div class="spread">
        <h2>One bag for each seat</h2>
        <Button
          as="router-link"
          :to="`/print/${work.id}/kits`"
          label="Print the bag lists"
          severity="secondary"
          outlined
        />
      </div>
      <ul class="bags">
        <li
          v-for="seat in kits.seats"
          :key="seat.label"
        >
          <button
            type="button"
            :class="['bag', { spare: seat.spare }]"
            :aria-expanded="open === seat.label"
            @click="open = open === seat.label ? undefined : seat.label"
          >
            <strong>{{ seat.label }}</strong>
            <span
              v-for="card in seat.cards.slice(0, TITLES)"
              :key="card"
              class="small title"
            >{{ title(card) }}</span>
            <span
              v-if="seat.cards.length > TITLES"
              class="small quiet"
            >and {{ seat.cards.length - TITLES }} more</span>
            <span
              v-if="seat.cards.length === 0"
              class="small quiet"
            >nothing</span>
          </button>
        </li>
      </ul>
      <div
        v-if="open"
        class="contents"
      >
        <h3>In the bag of {{ open }}</h3>
        <div
          v-for="card in kits.seats.find(({ label }) => label === open)?.cards ?? []"
          :key="card"
        >
          <p><strong>{{ title(card) }}</strong></p>
          <PackedPieces
            :pieces="packed(card)?.pieces ?? []"
            :extras="packed(card)?.construction?.extras.map(extra => extraInWords(extra, work.units))"
            :units="work.units"
          />
        </div>
      </div>
    </section>
    <div class="stack">
      <section class="board">
        <h2>A kit costs</h2>
        <FigureTable
          :rows="kits.costs"
          :columns="COSTS"
        />
        <p class="small quiet">
          The whole class uses up {{ money(kits.totals.cost) }}: {{ tapeInWords(kits.totals, work.units) }} and
          {{ count(kits.totals.pads, 'foam pad') }}, estimated from where pieces are glued.
        </p>
      </section>
      <section class="board">
        <h2>To buy</h2>
        <p v-if="kits.purchases.every(({ toBuy }) => toBuy === 0)">
          Nothing: the shelf has every sheet this class needs.
        </p>
        <FigureTable
          v-else
          :rows="kits.purchases.filter(({ toBuy }) => toBuy > 0)"
          :columns="PURCHASES"
        >
          <template #sheet="{ row }">
            <SheetText
              :width="row.width"
              :height="row.height"
              :units="work.units"
            />
          </template>
        </FigureTable>
      </section>
      <PricesForm
        :prices="work.batch.prices"
        :units="work.units"
        @change="(what, prices) => work.edit(what, document => void (document.prices = prices))"
      />
      <BoughtForm />
      <PostForm
        :post="work.batch.post"
        :units="work.units"
        :mark="work.prepared.cutter.mark"
        :currency="work.batch.prices.currency"
        @change="(what, change) => work.edit(what, document => change(document.post))"
      />
    </div>
  </div>
</template>

<style scoped>
.kits {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 26rem;
  gap: 1.25rem;
  align-items: start;
}
.bags {
  list-style: none;
  margin: 0.8rem 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
  gap: 0.6rem;
}
.bag {
  font: inherit;
  color: inherit;
  text-align: left;
  width: 100%;
  height: 100%;
  display: grid;
  align-content: start;
  background: var(--ground);
  border: 1px solid var(--line);
  border-top: 4px solid var(--score-colour);
  border-radius: 2px 2px 4px 4px;
  padding: 0.4rem 0.6rem;
  cursor: pointer;
}
.bag[aria-expanded='true'] {
  border-top-color: var(--accent);
}
.bags li {
  content-visibility: auto;
  contain-intrinsic-size: auto 6rem;
}
.title {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.bag:hover {
  border-color: var(--accent);
}
.spare {
  border-style: dashed;
}
.contents {
  margin-top: 1rem;
  display: grid;
  gap: 0.6rem;
}
h2 {
  margin-bottom: 0.4rem;
}
@media (max-width: 1000px) {
  .kits {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
