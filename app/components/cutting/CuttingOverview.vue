<script setup lang="ts">
import type { PlannedPaper } from '../../composables/usePlanned'

/** All papers at a glance: sheets needed against sheets on hand. */
const { papers } = defineProps<{ papers: PlannedPaper[] }>()
const emit = defineEmits<{ choose: [paper: string] }>()
const work = useClassStore()

const rows = computed(() => papers.flatMap(({ paper, outcome }) => (outcome?.sheets ?? [])
  .filter(({ needed }) => needed > 0)
  .map(sheet => ({ ...sheet, paper, outcome: outcome! }))))
</script>

<template>
  <section class="board stack">
    <h2>Sheets needed against sheets on hand</h2>
    <SheetsChart
      v-if="rows.length > 0"
      :rows="rows.map(({ paper, needed, onHand }) => ({ name: paper.name, needed, onHand }))"
    />
    <table>
      <thead>
        <tr>
          <th scope="col">
            Paper
          </th>
          <th scope="col">
            Sheet
          </th>
          <th
            scope="col"
            class="number"
          >
            Needed
          </th>
          <th
            scope="col"
            class="number"
          >
            At least
          </th>
          <th
            scope="col"
            class="number"
          >
            On hand
          </th>
          <th
            scope="col"
            class="number"
          >
            To buy
          </th>
          <th
            scope="col"
            class="number"
          >
            Used area
          </th>
          <th
            scope="col"
            class="number"
          >
            Settings
          </th>
          <th
            scope="col"
            class="number"
          >
            Strokes
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="({ paper, width, height, needed, onHand, outcome }, index) in rows"
          :key="index"
        >
          <th scope="row">
            <Button
              link
              class="paper"
              @click="emit('choose', paper.key)"
            >
              <PaperSwatch :paper="paper.key" /> {{ paper.name }}
            </Button>
          </th>
          <td>
            <SheetText
              :width="width"
              :height="height"
              :units="work.units"
            />
          </td>
          <td class="number">
            <strong>{{ needed }}</strong>
          </td>
          <td class="number">
            {{ outcome.plan.bound || '–' }}
          </td>
          <td class="number">
            {{ onHand }}
          </td>
          <td :class="['number', { buy: needed > onHand }]">
            {{ Math.max(0, needed - onHand) || '–' }}
          </td>
          <td class="number">
            {{ Math.round(outcome.plan.yield * 100) }} %
          </td>
          <td class="number">
            {{ outcome.settings }}
          </td>
          <td class="number">
            {{ outcome.strokes }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.paper { padding: 0; gap: 0.6rem; }
.buy { color: var(--stop); font-weight: 600; }
</style>
