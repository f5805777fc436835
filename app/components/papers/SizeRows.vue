<script setup lang="ts" generic="Row extends { width: string, height: string }">
import type { Problem } from '../../../core/document'

/** Sizes in a table to be typed over, with what is wrong in them below; further columns by slot. */
const { path, noun, problems } = defineProps<{
  rows: Row[]
  /** Where the rows stand in what is saved, and what one of them is called. */
  path: string
  noun: string
  /** Heads of the columns in the slot, and their names in what is saved. */
  more: Record<string, string>
  problems: Problem[]
}>()
const emit = defineEmits<{ remove: [index: number] }>()
defineSlots<{ default: (properties: { row: Row, index: number }) => unknown }>()

const SIDES = { width: 'Width', height: 'Height' } as const
const own = computed(() => problems.filter(problem => problem.path.startsWith(path)))
const invalid = (index: number, name: string) => own.value.some(problem => problem.path === `${path}[${index}].${name}`)
const heading = computed(() => noun.replace(/^./, first => first.toUpperCase()))
function inWords({ path: at, problem }: Problem, names: Record<string, string>): string {
  const [, index, name = ''] = /\[(\d+)\]\.(.*)$/.exec(at) ?? []
  if (index === undefined) return `${heading.value}s ${problem}.`
  const place = `${heading.value} ${Number(index) + 1}: ${(names[name] ?? name).toLowerCase()}`
  return `${place} ${problem}.`
}
</script>

<template>
  <table v-if="rows.length > 0">
    <thead>
      <tr>
        <th v-for="head in [...Object.values(SIDES), ...Object.values(more)]" :key="head" scope="col">
          {{ head }}
        </th>
        <th scope="col">
          <span class="unseen">Remove</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, index) in rows" :key="index">
        <td v-for="(label, side) in SIDES" :key="side">
          <InputText
            v-model="row[side]"
            :aria-label="`${label} of ${noun} ${index + 1}`"
            :invalid="invalid(index, side)"
            class="measure"
          />
        </td>
        <slot :row :index />
        <td>
          <RemoveButton :label="`Remove ${noun} ${index + 1}`" @click="emit('remove', index)" />
        </td>
      </tr>
    </tbody>
  </table>
  <ul v-if="own.length > 0" class="wrong">
    <li v-for="problem in own" :key="problem.path">
      {{ inWords(problem, more) }}
    </li>
  </ul>
</template>

<style scoped>
.measure { width: 7rem; }
.wrong { color: var(--stop); font-size: var(--small); padding-left: 1.1rem; }
</style>
