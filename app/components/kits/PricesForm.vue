<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PricesEntry } from '../../../core/document'

/** The money of a class beside what things cost: the maker's hours, the room, what a seat pays, and how packs and leftovers count. */
const { prices, open = false } = defineProps<{ prices: PricesEntry, open?: boolean }>()
const emit = defineEmits<{ change: [what: string, prices: PricesEntry] }>()
const CURRENCIES = ['USD', 'CAD', 'GBP', 'EUR', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK', 'JPY']
const FIELDS = [
  { key: 'hour', label: 'An hour of yours' },
  { key: 'venue', label: 'The room' },
  { key: 'seat', label: 'A seat pays' },
] as const
const CHOICES = [
  { key: 'packs', label: 'Packs count', options: [{ value: 'share', label: 'by what is used' },
    { value: 'whole', label: 'whole once opened' }] },
  { key: 'offcuts', label: 'What is left of sheets', options: [
    { value: 'nothing', label: 'is worth nothing' }, { value: 'by area', label: 'is worth its share' },
  ] },
] as const
const id = useId()

const set = <K extends keyof PricesEntry>(key: K, value: PricesEntry[K]) => emit('change', `price ${key}`, { ...prices, [key]: value })
</script>

<template>
  <details
    class="board"
    :open="open"
  >
    <summary>Prices</summary>
    <div class="fields">
      <ChoiceField
        label="Currency"
        :model-value="prices.currency"
        :options="[...new Set([prices.currency, ...CURRENCIES])].sort().map(value => ({ value, label: value }))"
        @update:model-value="$event && set('currency', $event)"
      />
      <LabelledField
        v-for="field in FIELDS"
        :key="field.key"
        :input="`${id}-${field.key}`"
        :label="`${field.label}, ${prices.currency}`"
      >
        <MoneyField
          :input-id="`${id}-${field.key}`"
          :model-value="prices[field.key]"
          :max="BOUNDS.cents"
          @update:model-value="$event !== null && set(field.key, $event)"
        />
      </LabelledField>
      <ChoiceField
        v-for="choice in CHOICES"
        :key="choice.key"
        class="wide"
        :label="choice.label"
        :model-value="prices[choice.key]"
        :options="choice.options"
        @update:model-value="$event && set(choice.key, $event)"
      />
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr)); gap: 0.6rem; margin-top: 0.75rem; }
.wide { grid-column: 1 / -1; }
</style>
