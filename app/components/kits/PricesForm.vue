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
      <div class="field">
        <span
          id="price-currency"
          class="label"
        >Currency</span>
        <Select
          aria-labelledby="price-currency"
          :model-value="prices.currency"
          :options="CURRENCIES.includes(prices.currency) ? CURRENCIES : [prices.currency, ...CURRENCIES]"
          @update:model-value="set('currency', $event)"
        />
      </div>
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
      <div
        v-for="choice in CHOICES"
        :key="choice.key"
        class="field wide"
      >
        <label :for="`${id}-${choice.key}`">{{ choice.label }}</label>
        <Select
          :input-id="`${id}-${choice.key}`"
          :aria-label="choice.label"
          :model-value="prices[choice.key]"
          :options="[...choice.options]"
          option-value="value"
          option-label="label"
          @update:model-value="set(choice.key, $event)"
        />
      </div>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr)); gap: 0.6rem; margin-top: 0.75rem; }
.wide { grid-column: 1 / -1; }
</style>
