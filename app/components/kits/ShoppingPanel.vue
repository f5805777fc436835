<script setup lang="ts">
import type { ShoppingLine, Kits } from '../../../core/kits'
import {
  arrive, neededInWords, noteLine, packsInWords, purchaseName, shoppingList, stillToBuy, suppliesFor,
} from '../../../core/kits'
import { BOUNDS } from '../../../core/document'

/** What has to be bought, by where it is bought: ticked off as ordered, and onto the shelf when it has come. */
const { kits } = defineProps<{ kits: Kits }>()
const work = useClassStore()
const id = useId()
const money = useMoney()
const groups = computed(() => shoppingList(work.batch, kits, suppliesFor(work.prepared)))
const cents = computed(() => stillToBuy(groups.value).cents)
const places = computed(() => [...new Set(work.batch.shopping.map(({ where }) => where).filter(Boolean))])
const keyOf = ({ sort, item, stock }: ShoppingLine) => [sort, item, stock].join(' ')
const note = (line: ShoppingLine, what: string, change: Parameters<typeof noteLine>[2]) =>
  work.edit(`${what} ${keyOf(line)}`, document => noteLine(document, line, change))
const { takenOf } = useTakenBefore()
/** Sheets that lie there, but for classes before: without them more has to be bought. */
const taken = computed(() => kits.purchases.flatMap((purchase) => {
  const others = purchase.sort === 'paper' ? takenOf(purchase.item, purchase.stock) : undefined
  if (!others) return []
  const more = Math.min(purchase.needed, purchase.onHand) - Math.max(0, purchase.onHand - others.count)
  return more > 0 ? [{ purchase, others, more }] : []
}))
const take = (line: ShoppingLine) => {
  const number = line.ordered || line.toBuy
  work.edit(`${packsInWords(number, line, work.units)} of ${line.name} came`, document =>
    arrive(document, line, number),
  )
}
</script>

<template>
  <section class="board stack" aria-label="Shopping">
    <div class="spread">
      <h2>To buy {{ cents > 0 ? `for ${money(cents)}` : '' }}</h2>
      <PlainButton
        v-if="groups.length > 0"
        as="router-link"
        :to="`/print/${work.id}?only=shopping`"
        label="Print the list"
      />
    </div>
    <p v-if="groups.length === 0">
      Nothing: everything this class needs is here.
    </p>
    <ul v-if="taken.length > 0" aria-label="Reserved by classes before" class="taken">
      <li v-for="{ purchase, others, more } in taken" :key="`${purchase.item} ${purchase.stock}`" class="small">
        <strong>{{ purchaseName(purchase, work.units) }}</strong>: {{ others.count }} of {{ purchase.onHand }} on hand
        are for <template v-for="(one, at) in others.for" :key="one.id">
          {{ at > 0 ? ', ' : '' }}<NuxtLink
            :to="`/classes/${one.id}/kits`"
          >{{ one.title }}</NuxtLink> ({{ dayInWords(one.day, 'd MMM') }})
        </template>.
        {{ count(more, 'sheet') }} more to buy, unless you take theirs.
      </li>
    </ul>
    <datalist :id="`${id}-places`">
      <option v-for="place in places" :key="place" :value="place" />
    </datalist>
    <div v-for="{ where, lines } in groups" :key="where">
      <h3>{{ where || (groups.length > 1 ? 'Elsewhere' : 'No place said yet') }}</h3>
      <ul>
        <li v-for="line in lines" :key="keyOf(line)">
          <div class="spread">
            <strong>{{ purchaseName(line, work.units) }}</strong>
            <span class="figure">{{
              line.missing > 0 ? packsInWords(line.missing, line, work.units) : 'on its way'
            }}</span>
          </div>
          <p class="small quiet">
            needs {{ neededInWords(line.needed, line, work.units) }}, on hand
            {{ neededInWords(line.onHand, line, work.units) }},
            {{ line.cost === null ? 'not for sale' : money(line.cost) }}{{
              line.besides ? `; ${line.besides} come along` : '' }}
          </p>
          <div class="row acts">
            <TickField
              class="flag"
              label="Ordered"
              :model-value="line.ordered > 0"
              @update:model-value="note(line, 'ordered', { ordered: $event ? line.toBuy : 0 })"
            />
            <PlainButton
              label="It has come"
              :aria-label="`${purchaseName(line, work.units)} has come`"
              @click="take(line)"
            />
            <InputText
              class="where"
              :model-value="line.where"
              :list="`${id}-places`"
              :maxlength="BOUNDS.title"
              placeholder="bought where?"
              :aria-label="`Where ${purchaseName(line, work.units)} is bought`"
              @change="note(line, 'place', { where: ($event.target as HTMLInputElement).value.trim() })"
            />
          </div>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
h3 { margin: 0.3rem 0 0; }
ul { list-style: none; margin: 0; padding: 0; }
li { border-top: 1px solid var(--line); padding: 0.35rem 0; }
.taken li { color: var(--warn); }
.acts { gap: 0.6rem; flex-wrap: wrap; }
.flag { gap: 0.35rem; }
.where { flex: 1 1 8rem; min-width: 7rem; }
.figure { font-variant-numeric: tabular-nums; white-space: nowrap; }
</style>
