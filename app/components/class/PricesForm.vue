<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PricesEntry } from '../../../core/document'

/** What tape and foam cost; sheets carry their price on the shelf. */
const work = useClassStore()
const prices = computed(() => work.batch.prices)
const FIELDS = [
  { key: 'tapePerMetre', label: { inch: 'A yard of tape', metric: 'A metre of tape' } },
  { key: 'foamPad', label: { inch: 'A foam pad', metric: 'A foam pad' } },
] as const
/** Metres in what the maker buys tape by. */
const length = computed(() => (work.units === 'inch' ? 0.9144 : 1))
const shareOf = (key: keyof PricesEntry) => (key === 'tapePerMetre' ? length.value : 1)

function set(key: keyof PricesEntry, value: number) {
  work.edit(`price ${key}`, document => void (document.prices = { ...document.prices, [key]: value }))
}
</script>

<template>
  <details class="board">
    <summary>Prices</summary>
    <div class="stack">
      <LabelledField
        v-for="field in FIELDS"
        :key="field.key"
        :input="`price-${field.key}`"
        :label="`${field.label[work.units]}, ${prices.currency}`"
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
