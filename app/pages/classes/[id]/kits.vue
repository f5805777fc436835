<script setup lang="ts">
import { contentsOf, packedBags } from '../../../../core/batch'
import type { CardCost, Purchase } from '../../../../core/kits'

definePageMeta({ fills: true })
const work = useClassStore()
const planner = usePlannerStore()
const kits = computed(() => planner.kits)
const title = (key: string) => work.batch.cards.find(card => card.key === key)?.title ?? key
const money = useMoney()
const bags = computed(() => packedBags(work.prepared))
const chosen = ref('seat-1')
const bag = computed(() => bags.value.find(({ key }) => key === chosen.value) ?? bags.value[0])
const naming = ref(false)
const packed = computed(() => bags.value.filter(({ seat }) => seat.packed).length)
const isAlike = computed(() => new Set(bags.value.map(contentsOf)).size === 1)
const summary = computed(() => [
  isAlike.value ? `${count(bags.value.length, 'bag')}, all alike` : count(bags.value.length, 'bag'), `${packed.value} packed`,
].join(', '))

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
  <div
    v-else
    class="kits"
  >
    <section
      class="board bags"
      aria-label="Bags of the class"
    >
      <div class="spread">
        <h2>{{ summary }}</h2>
        <span class="row">
          <Button
            label="Who comes"
            severity="secondary"
            outlined
            @click="naming = true"
          />
          <Button
            as="router-link"
            :to="`/print/${work.id}/kits`"
            label="Print the bag lists"
            severity="secondary"
            outlined
          />
        </span>
      </div>
      <SharingLine />
      <div class="scroll">
        <BagTable
          v-model="chosen"
          :bags="bags"
        />
      </div>
    </section>
    <div class="stack side">
      <section class="board">
        <h2>To buy</h2>
        <p
          v-if="!kits"
          class="quiet"
          aria-live="polite"
        >
          What has to be bought follows when the cutting is planned …
        </p>
        <p v-else-if="kits.purchases.every(({ toBuy }) => toBuy === 0)">
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
      <BagPanel
        v-if="bag"
        :bag="bag"
      />
      <CardShares />
      <section
        v-if="kits"
        class="board"
      >
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
    <RosterDialog v-model:visible="naming" />
  </div>
</template>

<style scoped>
.kits { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1rem; align-items: start; min-height: 0; flex: 1; }
.side { min-width: 0; }
.bags { display: grid; gap: 0.4rem; min-width: 0; }
.scroll { overflow-x: auto; }
h2 { margin-bottom: 0.2rem; font-size: 1.0625rem; }
@media (min-width: 1000px) {
  .kits { grid-template-columns: minmax(0, 1fr) clamp(20rem, 32vw, 27rem); }
}
@media (min-width: 1000px) and (min-height: 600px) {
  .kits { align-items: stretch; padding-bottom: 0.75rem; }
  .bags { grid-template-rows: auto auto minmax(0, 1fr); }
  .scroll, .side { overflow-y: auto; min-height: 0; }
}
</style>
