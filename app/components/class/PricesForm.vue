<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PricesEntry } from '../../../core/document'
import type { Units } from '../../../core/lengths'

/** What tape, foam and an hour cost, in the maker's money; sheets carry their price on the shelf. */
const { prices, units, open = false } = defineProps<{ prices: PricesEntry, units: Units, open?: boolean }>()
const emit = defineEmits<{ change: [what: string, prices: PricesEntry] }>()
const CURRENCIES = ['USD', 'CAD', 'GBP', 'EUR', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK', 'JPY']
const FIELDS = [
  { key: 'tapePerMetre', label: { inch: 'A yard of tape', metric: 'A metre of tape' } },
  { key: 'strongTapePerMetre', label: { inch: 'A yard of strong tape', metric: 'A metre of strong tape' } },
  { key: 'foamPad', label: { inch: 'A foam pad', metric: 'A foam pad' } },
  { key: 'hour', label: { inch: 'An hour of yours', metric: 'An hour of yours' } },
] as const
const isTape = (key: keyof PricesEntry) => key === 'tapePerMetre' || key === 'strongTapePerMetre'
const shareOf = (key: keyof PricesEntry) => (isTape(key) ? TAPE_UNIT[units] / TAPE_UNIT.metric : 1)

const set = <K extends keyof PricesEntry>(key: K, value: PricesEntry[K]) => emit('change', `price ${key}`, { ...prices, [key]: value })
</script>

<template>
  <details
    class="board"
    :open="open"
  >
    <summary>Prices</summary>
    <div class="stack">
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
        :input="`price-${field.key}`"
        :label="`${field.label[units]}, ${prices.currency}`"
      >
        <MoneyField
          :input-id="`price-${field.key}`"
          :model-value="prices[field.key] * shareOf(field.key)"
          :max="BOUNDS.cents"
          fine
          @update:model-value="$event !== null && set(field.key, $event / shareOf(field.key))"
        />
      </LabelledField>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
</style>
