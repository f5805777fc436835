<script setup lang="ts" generic="Row">
/** A table of figures: one head a column, numbers to the right, cells by slot or by the column's own text. */
defineProps<{
  rows: Row[]
  /** `wide` ones are left out where there is no room for them. */
  columns: { key: string, head: string, number?: boolean, wide?: boolean, text?: (row: Row) => string | number }[]
  label?: string
}>()
defineSlots<Record<string, (properties: { row: Row }) => unknown>>()
</script>

<template>
  <table :aria-label="label">
    <thead>
      <tr>
        <th
          v-for="column in columns"
          :key="column.key"
          scope="col"
          :class="{ number: column.number, wide: column.wide }"
        >
          {{ column.head }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, index) in rows" :key="index">
        <component
          :is="at === 0 ? 'th' : 'td'"
          v-for="(column, at) in columns"
          :key="column.key"
          :scope="at === 0 ? 'row' : undefined"
          :class="{ number: column.number, wide: column.wide }"
        >
          <slot :name="column.key" :row>
            {{ column.text?.(row) }}
          </slot>
        </component>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
@media (max-width: 700px) { .wide { display: none; } }
</style>
