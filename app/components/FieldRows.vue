<script setup lang="ts" generic="Table extends Fields">
import type { Field, Fields, ValuesOf } from '../../core/document'

/** Fields of the document as their table declares them, one below the other or wherever the form puts them. */
const { table, values, currency = '' } = defineProps<{
  table: Table
  values: ValuesOf<Table>
  /** What money is counted in. */
  currency?: string
}>()
const emit = defineEmits<{ change: [key: keyof Table & string, change: Partial<ValuesOf<Table>>] }>()
const CURRENCIES = ['USD', 'CAD', 'GBP', 'EUR', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK', 'JPY']

type Value = string | number | boolean | null
const rows = computed(() =>
  Object.entries<Field>(table).map(([key, field]) => ({ key, field, value: values[key] as Value })),
)
const optionsOf = (field: Field, value: Value): { value: string, label: string }[] => {
  if (field.kind === 'choice') return field.of.map(value => ({ value, label: field.words[value] ?? value }))
  return [...new Set([String(value), ...CURRENCIES])].sort().map(value => ({ value, label: value }))
}
/** What an empty field means: no limit, where there is one. */
const blank = ({ kind }: Field) => (kind === 'limit' ? null : undefined)
function set(key: string, value: Value) {
  if (value === null && table[key]?.kind !== 'limit') return
  emit('change', key, { [key]: value } as Partial<ValuesOf<Table>>)
}
</script>

<template>
  <template v-for="{ key, field, value } in rows" :key>
    <LengthField
      v-if="field.kind === 'length'"
      :label="field.name"
      :help="field.help"
      :model-value="String(value)"
      :zero="field.zero"
      @update:model-value="set(key, $event)"
    />
    <ChoiceField
      v-else-if="field.kind === 'choice' || field.kind === 'currency'"
      :label="field.name"
      :help="field.help"
      :model-value="String(value)"
      :options="optionsOf(field, value)"
      @update:model-value="set(key, $event)"
    />
    <TickField
      v-else-if="field.kind === 'yes or no'"
      :label="field.name"
      :help="field.help"
      :model-value="Boolean(value)"
      @update:model-value="set(key, $event)"
    />
    <MoneyField
      v-else-if="field.kind === 'money'"
      :label="`${field.name}, ${currency}`"
      :help="field.help"
      :model-value="Number(value)"
      :max="field.most"
      @update:model-value="set(key, $event)"
    />
    <NumberField
      v-else
      :label="field.name"
      :help="field.help"
      :model-value="value === null ? null : Number(value)"
      :min="field.kind === 'limit' ? 1 : field.least"
      :max="field.most"
      :decimals="field.kind === 'number' ? field.decimals : 0"
      :blank="blank(field)"
      @update:model-value="set(key, $event)"
    />
  </template>
</template>
