<script setup lang="ts">
import { offcutsIn, shelve } from '../../../core/plans'
import type { PaperOutcome } from '../../../core/plans'
import type { PlannedPaper } from '../../stores/planner'

/** What is left once the plan is cut, and the shelf brought up to date with it. */
const { entry, outcome } = defineProps<{ entry: PlannedPaper, outcome: PaperOutcome }>()
const work = useClassStore()
const toast = useToast()
const offcuts = computed(() => offcutsIn(outcome.usedUp))
const something = computed(() => outcome.usedUp.length > 0)

/** Takes sheets and offcuts that are used up off the shelf, puts what is left onto it, and notes everything as cut. */
function put() {
  const { paper, problem } = entry
  work.edit(`the shelf of ${paper.name}`, batch =>
    shelve(
      batch,
      paper.key,
      outcome.plan.layouts.map(layout => ({ layout, key: uniqueKey('kept') })),
      problem,
      outcome,
    ),
  )
  toast.add({
    severity: 'success',
    summary: `The shelf of ${paper.name} is up to date.`,
    detail: 'Ctrl Z takes it back, for shelf and class together.',
    life: 4000,
  })
}
</script>

<template>
  <section v-if="something || outcome.over.length > 0" class="board stack" aria-label="What is left">
    <h3>What is left</h3>
    <p v-if="outcome.over.length > 0">
      Spare pieces
      <span
        v-for="{ demand, count: number } in outcome.over"
        :key="demand"
        class="one"
      >{{ number }} × {{ entry.names.get(demand) }}</span>
    </p>
    <p
      v-for="[word, list] in ([['Uses up offcuts', offcuts], ['Leaves offcuts', outcome.leaves]] as const)"
      v-show="list.length > 0"
      :key="word"
    >
      {{ word }}
      <span
        v-for="{ width, height, count: number } in list"
        :key="`${width} ${height}`"
        class="one"
      >{{ number }} × <SizeText :width :height /></span>
    </p>
    <div v-if="something">
      <PlainButton label="All of it is cut: bring the shelf up to date" :disabled="!entry.settled" @click="put" />
    </div>
  </section>
</template>

<style scoped>
.one { display: inline-block; margin-right: 1rem; }
</style>
