<script setup lang="ts">
import { BOUNDS, SUPPLY_USES } from '../../../core/document'
import type { EnvelopeEntry, StickingWay, SupplyEntry, SupplyUse } from '../../../core/document'
import { measuredIn } from '../../../core/kits'
import { lengthFrom } from '../../../core/lengths'
import { itemAt } from '../../../core/lists'

/** What is bought and not cut: packs, prices, what is on hand, and how the maker sticks with it. */
const { supplies, currency, envelopes, open = false } = defineProps<{
  supplies: SupplyEntry[]
  currency: string
  envelopes: EnvelopeEntry[]
  open?: boolean
}>()
const { units } = useMeasures()
const emit = defineEmits<{ change: [what: string, change: (supplies: SupplyEntry[]) => void] }>()
const USE_WORDS: Record<SupplyUse, string> = {
  'tape': 'tape', 'strong tape': 'strong tape', 'glue': 'wet glue', 'foam': 'foam', 'dot': 'glue dots',
  'thing': 'a thing, by the piece',
  'thing by length': 'ribbon or cord, by length', 'envelope': 'envelopes', 'bag': 'bags', 'label': 'labels',
}
const USES = SUPPLY_USES.map(value => ({ value, label: USE_WORDS[value] }))
const WAYS: { value: StickingWay, label: string }[] = [
  { value: 'outline', label: 'all round the edge' },
  { value: 'two strips', label: 'two strips' },
  { value: 'full area', label: 'over the whole area' },
  { value: 'corners', label: 'at the corners' },
]
const isSticking = ({ use }: SupplyEntry) => ['tape', 'strong tape', 'glue', 'foam'].includes(use)
/** What goes by length is told in yards where inches are used; kept are metres. */
const share = ({ use }: SupplyEntry) => (measuredIn(use) === 'length' && units.value === 'inch' ? 0.9144 : 1)
const unitOf = ({ use }: SupplyEntry) => ({ length: units.value === 'inch' ? 'yards' : 'metres', volume: 'millilitres',
  pieces: 'pieces' })[measuredIn(use)]
const shown = (supply: SupplyEntry, amount: number) => Number((amount / share(supply)).toFixed(2))

const rows = computed(() => supplies.map((supply, at) => editable(supply, change =>
  emit('change', `supply ${at} ${Object.keys(change).join()}`, all => void Object.assign(itemAt(all, at), change)))))
/** What it is used as; which envelope or foam it is, is asked anew then. */
function useAs(at: number, use: SupplyUse) {
  emit('change', `supply ${at} use`, all => void Object.assign(itemAt(all, at), { use, of: '' }))
}
function add() {
  emit('change', 'add supply', (all) => {
    let number = all.length + 1
    while (all.some(({ name }) => name === `Supply ${number}`)) number++
    all.push({
      key: uniqueKey('supply'),
      name: `Supply ${number}`,
      use: 'envelope',
      of: '',
      way: 'outline',
      pack: 1,
      price: 0,
      onHand: 0,
      weight: 0,
    })
  })
}
/** Fields of a supply that are amounts, with what makes them metres. */
const AMOUNTS = [
  { key: 'pack', label: 'A pack holds', least: 0.01 },
  { key: 'onHand', label: 'On hand', least: 0 },
] as const
</script>

<template>
  <FoldOut title="Tape, foam and what else is bought" :open>
    <fieldset v-for="(supply, at) in rows" :key="supply.key" class="supply">
      <legend class="unseen">
        {{ supply.name }}
      </legend>
      <div class="row head">
        <NameField v-model="supply.name" :aria-label="`Name of supply ${at + 1}`" />
        <RemoveButton
          :label="`Remove ${supply.name}`"
          @click="emit('change', 'remove supply', all => void all.splice(at, 1))"
        />
      </div>
      <div class="fields">
        <ChoiceField
          label="Used as"
          :model-value="supply.use"
          :options="USES"
          @update:model-value="$event && useAs(at, $event)"
        />
        <ChoiceField v-if="isSticking(supply)" v-model="supply.way" label="You stick" :options="WAYS" />
        <LengthField
          v-if="supply.use === 'foam'"
          label="Height, 0 for any"
          :model-value="supply.of || '0 mm'"
          zero
          @update:model-value="supply.of = lengthFrom($event) === 0 ? '' : $event"
        />
        <ChoiceField
          v-if="supply.use === 'envelope'"
          label="Which"
          :model-value="supply.of || null"
          :options="envelopes"
          none="any"
          @update:model-value="supply.of = $event ?? ''"
        />
        <NumberField
          v-for="amount in AMOUNTS"
          :key="amount.key"
          :label="`${amount.label}, ${unitOf(supply)}`"
          :model-value="shown(supply, supply[amount.key])"
          :min="amount.least"
          :max="BOUNDS.onHand"
          :decimals="3"
          @update:model-value="supply[amount.key] = Number(($event * share(supply)).toFixed(4))"
        />
        <MoneyField v-model="supply.price" :label="`A pack costs, ${currency}`" :max="BOUNDS.cents" fine />
        <NumberField
          :label="
            measuredIn(supply.use) === 'length' ? `Grams a ${units === 'inch' ? 'yard' : 'metre'}` : 'Grams each'
          "
          :model-value="Number((supply.weight * share(supply)).toFixed(3))"
          :min="0"
          :max="BOUNDS.grams"
          :decimals="3"
          @update:model-value="supply.weight = $event / share(supply)"
        />
      </div>
    </fieldset>
    <PlainButton label="Add a supply" :disabled="supplies.length >= BOUNDS.supplies" @click="add" />
  </FoldOut>
</template>

<style scoped>
.supply { border: 0; border-top: 1px solid var(--line); padding: 0.5rem 0 0; margin: 0; min-width: 0; }
.head { justify-content: space-between; flex-wrap: nowrap; margin-bottom: 0.3rem; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr)); gap: 0.5rem; align-items: end; }
</style>
