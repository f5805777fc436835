<script setup lang="ts">
import { wholeMinutes } from '../../../core/cutting'
import { itemAt, sumOf } from '../../../core/lists'
import { placeLetters } from '../../../core/together'

/** The class as it is cut: one order for all papers, or one for each sitting, beside each paper by itself. */
const work = useClassStore()
const planner = usePlannerStore()
const cutting = useCuttingTogether()

const sitting = ref(0)
const orders = computed(() => planner.orders)
const at = computed(() => Math.min(sitting.value, orders.value.length - 1))
const order = computed(() => itemAt(orders.value, at.value))
const sittings = computed(() => orders.value.map(({ minutes }, value) =>
  ({ value, label: `Sitting ${value + 1}, about ${wholeMinutes(minutes)} min` })))
const letters = computed(() =>
  placeLetters(order.value.stacks, itemAt(itemAt(order.value.stacks, 0).members, 0).of.problem.cutter.kerf))
const shown = ref<number>()
const step = computed(() => (shown.value === undefined ? undefined : order.value.steps[shown.value]))

const total = (of: (order: typeof orders.value[number]) => number) => sumOf(orders.value.map(of))
const figures = computed(() => {
  const more = sumOf(planner.outcomes.map(({ worth, alone }) => worth - (alone?.worth ?? worth)))
  return {
    words: `${count(total(({ settings }) => settings), 'setting')} of the fence, `
      + `${count(total(({ strokes }) => strokes), 'stroke')}, about ${wholeMinutes(total(order => order.minutes))} min`,
    apart: `Each paper by itself: ${count(total(({ apart }) => apart.settings), 'setting')}, `
      + `about ${wholeMinutes(total(({ apart }) => apart.minutes))} min`,
    more,
  }
})
const money = useMoney()
const nameOf = (key: string) => work.batch.papers.find(paper => paper.key === key)?.name ?? key
const apart = computed(() => cutting.apart.value.filter(key =>
  planner.papers.some(({ paper, outcome }) => paper.key === key && outcome && outcome.plan.layouts.length > 0)))
</script>

<template>
  <section class="stack" aria-label="The class at the trimmer">
    <p class="line">
      The class at the trimmer: {{ figures.words }}.
      <span class="quiet">{{ figures.apart }}{{
        figures.more < 0 ? `, and paper for ${money(-figures.more)} more` : ', from as much paper'
      }}.</span>
    </p>
    <p v-for="paper in work.batch.wishes.together ? apart : []" :key="paper" class="row">
      <span>{{ nameOf(paper) }} is cut by itself.</span>
      <QuietButton
        label="Cut it with the others"
        :aria-label="`Cut it with the others: ${nameOf(paper)}`"
        @click="cutting.setApart(paper, false)"
      />
    </p>
    <OneOf v-if="orders.length > 1" v-model="sitting" :options="sittings" />
    <div class="bench">
      <StackBoard :key="at" :order :letters :step />
      <section class="board order" aria-label="Order of cuts for the class">
        <h3>By setting of the fence</h3>
        <CutOrder :steps="order.steps" :letters @show="shown = $event" />
      </section>
    </div>
  </section>
</template>

<style scoped>
.line { font-size: 1.0625rem; }
.bench { display: grid; grid-template-columns: minmax(0, 462px) minmax(0, 1fr); gap: 1rem; align-items: start; }
.bench h3 { margin-bottom: 0.4rem; }
.order { position: sticky; top: 0.5rem; max-height: calc(100vh - 1rem); overflow: auto; }
@media (max-width: 1000px) {
  .bench { grid-template-columns: minmax(0, 1fr); }
  .order { position: static; max-height: none; }
}
</style>
