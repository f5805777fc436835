<script setup lang="ts">
import type { BenchStep } from '../../../core/cutting'
import type { PlannedPaper } from '../../composables/usePlanned'

/** The plan of one paper: drawn layouts, each with its order of cuts. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const shown = ref<{ layout: number, step: BenchStep }>()
watch(() => entry.outcome?.plan, () => (shown.value = undefined))

const supplyOf = (key: string) => entry.problem.supplies.find(supply => supply.key === key)!
</script>

<template>
  <div class="stack">
    <div>
      <h2>{{ entry.paper.name }}</h2>
      <p
        v-if="entry.outcome"
        class="proof"
      >
        {{ proofOf(entry.outcome) }}.
        <span class="quiet">{{ Math.round(entry.outcome.plan.yield * 100) }} % of the area is used,
          {{ count(entry.outcome.settings, 'fence setting') }}, {{ count(entry.outcome.strokes, 'stroke') }} of the blade.
          {{ entry.stopped ? 'Stopped by you.' : entry.progress < 1 ? 'Still looking for better.' : '' }}</span>
      </p>
    </div>
    <Message
      v-if="entry.failed"
      severity="error"
      :closable="false"
    >
      The planner could not finish: {{ entry.failed }}
    </Message>
    <Message
      v-for="{ demand, quantity, reason } in entry.outcome?.plan.unplaced ?? []"
      :key="demand"
      severity="error"
      :closable="false"
    >
      {{ quantity }} × {{ entry.names.get(demand) }}: {{ reason }}
    </Message>
    <section
      v-for="(layout, index) in entry.outcome?.plan.layouts ?? []"
      :key="index"
      class="board layout"
      :aria-label="`Layout ${index + 1}`"
    >
      <div>
        <h3>
          {{ layout.repeats }} × <SheetText
            :width="supplyOf(layout.supply).width"
            :height="supplyOf(layout.supply).height"
            :units="work.units"
          />
        </h3>
        <SheetDrawing
          :layout="layout"
          :supply="supplyOf(layout.supply)"
          :paper="entry.paper"
          :names="entry.names"
          :units="work.units"
          :step="shown?.layout === index ? shown.step : undefined"
        />
      </div>
      <CutOrder
        :steps="entry.outcome!.sequences[index]!"
        :units="work.units"
        @show="shown = $event && { layout: index, step: $event }"
      />
    </section>
  </div>
</template>

<style scoped>
.proof { font-size: 1.0625rem; }
.layout { display: grid; grid-template-columns: minmax(0, 380px) minmax(0, 1fr); gap: 1.5rem; }
.layout h3 { margin-bottom: 0.5rem; }
@media (max-width: 1100px) { .layout { grid-template-columns: 1fr; } }
</style>
