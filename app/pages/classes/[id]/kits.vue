<script setup lang="ts">
import { contentsOf, packedBags, shoppingList, stillToBuy, suppliesFor } from '../../../../core/kits'
import type { SupplyEntry } from '../../../../core/document'

definePageMeta({ fills: true })
const work = useClassStore()
const planner = usePlannerStore()
const kits = computed(() => planner.kits)
const money = useMoney()
const bags = computed(() => packedBags(work.prepared))
const chosen = ref('seat-1')
const bag = computed(() => bags.value.find(({ key }) => key === chosen.value) ?? bags.value[0])
const naming = ref(false)
const packed = computed(() => bags.value.filter(({ seat }) => seat.packed).length)
const isAlike = computed(() => new Set(bags.value.map(contentsOf)).size === 1)
/** What cards name is in the table with the first thing that is said of it. */
function editSupplies(what: string, change: (supplies: SupplyEntry[]) => void) {
  const all = structuredClone(toRaw(suppliesFor(work.prepared)))
  change(all)
  work.edit(what, document => void (document.supplies = all))
}
const summary = computed(() => [
  isAlike.value ? `${count(bags.value.length, 'bag')}, all alike` : count(bags.value.length, 'bag'),
  `${packed.value} packed`,
].join(', '))

const PANELS = [
  { value: 'bag', label: 'The bag' },
  { value: 'ready', label: 'Made ready' },
  { value: 'shopping', label: 'Shopping' },
  { value: 'money', label: 'Costs' },
] as const
const asked = useRoute().query.panel
const panel = ref<(typeof PANELS)[number]['value']>(PANELS.find(({ value }) => value === asked)?.value ?? 'bag')
const toBuy = computed(() =>
  stillToBuy(kits.value ? shoppingList(work.batch, kits.value, suppliesFor(work.prepared)) : []),
)
</script>

<template>
  <NeedsCards v-if="work.batch.cards.length === 0" what="Kits are packed from cards." />
  <div v-else class="kits">
    <section class="board bags" aria-label="Bags of the class">
      <div class="spread">
        <h2>{{ summary }}</h2>
        <span class="row">
          <Button label="Who comes" severity="secondary" outlined @click="naming = true" />
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
      <CountedTwice />
      <div class="scroll">
        <BagTable v-model="chosen" :bags />
      </div>
    </section>
    <div class="stack side">
      <p class="buy" aria-live="polite">
        <template v-if="!kits">
          What has to be bought follows when the cutting is planned …
        </template>
        <template v-else-if="toBuy.things + toBuy.coming === 0">
          Nothing to buy: everything this class needs is here.
        </template>
        <template v-else>
          {{ toBuy.things > 0 ? `To buy: ${count(toBuy.things, 'thing')} for ${money(toBuy.cents)}` : 'All is ordered'
          }}{{ toBuy.coming > 0 ? `, ${count(toBuy.coming, 'thing')} on the way` : '' }}
          <Button label="What" text size="small" @click="panel = 'shopping'" />
        </template>
      </p>
      <OneOf v-model="panel" :options="[...PANELS]" size="small" aria-label="What is shown beside the bags" />
      <template v-if="panel === 'bag'">
        <BagPanel v-if="bag" :bag />
        <CardShares />
      </template>
      <ReadyPanel v-else-if="panel === 'ready'" />
      <template v-else-if="panel === 'shopping'">
        <ShoppingPanel v-if="kits" :kits />
        <SupplyForm
          :supplies="suppliesFor(work.prepared)"
          :currency="work.batch.prices.currency"
          :envelopes="work.batch.post.envelopes"
          @change="editSupplies"
        />
      </template>
      <template v-else>
        <MoneyPanel v-if="kits" :kits />
        <PricesForm
          :prices="work.batch.prices"
          @change="(what, prices) => work.edit(what, document => void (document.prices = prices))"
        />
        <PostForm
          :post="work.batch.post"
          :currency="work.batch.prices.currency"
          @change="(what, change) => work.edit(what, document => change(document.post))"
        />
      </template>
    </div>
    <RosterDialog v-model:visible="naming" />
  </div>
</template>

<style scoped>
.kits { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1rem; align-items: start; min-height: 0; flex: 1; }
.side { min-width: 0; }
.buy { margin: 0; }
.bags { display: grid; gap: 0.4rem; min-width: 0; }
.scroll { overflow-x: auto; }
h2 { margin-bottom: 0.2rem; font-size: 1.0625rem; }
@media (min-width: 1000px) {
  .kits { grid-template-columns: minmax(0, 1fr) clamp(20rem, 32vw, 27rem); }
}
@media (min-width: 1000px) and (min-height: 600px) {
  .kits { align-items: stretch; padding-bottom: 0.75rem; }
  .bags { grid-template-rows: auto auto auto minmax(0, 1fr); }
  .scroll, .side { overflow-y: auto; min-height: 0; }
}
</style>
