<script setup lang="ts">
import type { PlannedPaper } from '../../../composables/usePlanned'

definePageMeta({ layout: 'print' })
const { work, planner, missing } = usePrintedClass('Cutting sheets')
const supplyOf = (entry: PlannedPaper, key: string) => entry.problem.supplies.find(supply => supply.key === key)!
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document || !planner.ready || planner.running">
    Planning the cutting …
  </p>
  <div v-else>
    <PaperDefs :papers="work.batch!.papers" />
    <PrintBar :back="`/classes/${work.id}/cutting`" />
    <section
      v-for="entry in planner.papers"
      :key="entry.paper.key"
      class="paper"
    >
      <PrintHeading :heading="`Cutting: ${entry.paper.name}`" />
      <p v-if="entry.outcome">
        {{ proofOf(entry.outcome) }}. Stacks of at most {{ work.document.tools.stack }}.
      </p>
      <p
        v-for="{ demand, quantity, reason } in entry.outcome?.plan.unplaced ?? []"
        :key="demand"
      >
        <strong>Missing: {{ quantity }} × {{ entry.names.get(demand) }}.</strong> {{ reason }}
      </p>
      <div
        v-for="(layout, index) in entry.outcome?.plan.layouts ?? []"
        :key="index"
        class="layout"
      >
        <div>
          <h3>
            {{ layout.repeats }} × <SheetText
              :width="supplyOf(entry, layout.supply).width"
              :height="supplyOf(entry, layout.supply).height"
              :units="work.units"
            />
          </h3>
          <SheetDrawing
            :layout="layout"
            :supply="supplyOf(entry, layout.supply)"
            :paper="entry.paper"
            :names="entry.names"
            :units="work.units"
            :width="300"
          />
        </div>
        <CutOrder
          :steps="entry.outcome!.sequences[index]!"
          :units="work.units"
        />
      </div>
    </section>
    <Cautions class="cautions" />
  </div>
</template>

<style scoped>
.paper { margin-bottom: 8mm; }
.paper + .paper { break-before: page; }
.layout { display: grid; grid-template-columns: 305px 1fr; gap: 6mm; margin-top: 5mm; break-inside: avoid; }
.cautions { margin-top: 6mm; break-inside: avoid; }
</style>
