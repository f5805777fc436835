<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PricesEntry } from '../../../core/document'

/** What tape and foam cost; sheets carry their price on the shelf. */
const work = useClassStore()
const prices = computed(() => work.batch.prices)
const FIELDS = [
  { key: 'tapePerMetre', label: 'Cents for a metre of tape' },
  { key: 'foamPad', label: 'Cents for a foam pad' },
] as const

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
        :label="field.label"
      >
        <InputNumber
          :input-id="`price-${field.key}`"
          :model-value="prices[field.key]"
          :min="0"
          :max="BOUNDS.cents"
          :max-fraction-digits="2"
          @update:model-value="typeof $event === 'number' && set(field.key, $event)"
        />
      </LabelledField>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
</style>
