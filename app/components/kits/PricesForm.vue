<script setup lang="ts">
import { PRICES } from '../../../core/document'
import type { PricesEntry } from '../../../core/document'

/**
 * The money of a class beside what things cost: the maker's hours, the room, what a seat pays, and how packs and
 * leftovers count.
 */
const { prices, open = false } = defineProps<{ prices: PricesEntry, open?: boolean }>()
const emit = defineEmits<{ change: [what: string, prices: PricesEntry] }>()
const { packs, offcuts, ...SMALL } = PRICES
const set = (key: string, change: Partial<PricesEntry>) => emit('change', `price ${key}`, { ...prices, ...change })
</script>

<template>
  <FoldOut title="Prices" :open>
    <div class="fields">
      <FieldRows :table="SMALL" :values="prices" :currency="prices.currency" @change="set" />
    </div>
    <FieldRows :table="{ packs, offcuts }" :values="prices" @change="set" />
  </FoldOut>
</template>

<style scoped>
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr)); gap: 0.6rem;
}
</style>
