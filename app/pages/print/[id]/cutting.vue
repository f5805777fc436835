<script setup lang="ts">
import { byKey } from '../../../../core/lists'
import { proofOf } from '../../../../core/batch'
import { wholeMinutes } from '../../../../core/cutting'
import type { PlannedPaper } from '../../../stores/planner'

definePageMeta({ layout: 'print' })
const { work, planner, missing } = usePrintedClass('Cutting sheets')
const supplyOf = (entry: PlannedPaper, key: string) => byKey(entry.problem.supplies, key)
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document || !planner.ready">
    Planning the cutting …
  </p>
  <div v-else>
    <PaperDefs :papers="work.batch.papers" />
    <PrintBar :back="`/classes/${work.id}/cutting`" />
    <section
      v-for="entry in planner.papers"
      :key="entry.paper.key"
      class="paper"
    >
      <PrintHeading :heading="`Cutting: ${entry.paper.name}`" />
      <p v-if="entry.outcome">
        {{ proofOf(entry.outcome) }}. {{ count(entry.outcome.settings, 'fence setting') }}, about
        {{ wholeMinutes(entry.outcome.minutes) }} min. Stacks of at most {{ entry.problem.cutter.stack }}.
      </p>
      <p v-if="entry.job.state === 'failed'">
        <strong>This paper could not be planned to the end:</strong> {{ entry.job.reason }}
      </p>
      <p
        v-for="{ demand, quantity, reason } in entry.outcome?.plan.unplaced ?? []"
        :key="demand"
      >
        <strong>Missing: {{ quantity }} × {{ entry.names.get(demand) }}.</strong> {{ reason }}
      </p>
      <div class="layouts">
        <div
          v-for="(layout, index) in entry.outcome?.plan.layouts ?? []"
          :key="layout.key"
        >
          <h3>
            <template v-if="entry.outcome!.plan.layouts.length > 1">
              Sheet {{ index + 1 }}:
            </template>
            {{ layout.repeats }} × <template v-if="supplyOf(entry, layout.supply).kind !== 'sheet'">
              {{ entry.paperOf ? `leftover of ${entry.paperOf.get(layout.supply)!.name},` : supplyOf(entry, layout.supply).kind }}
            </template> <SheetText
              :width="supplyOf(entry, layout.supply).width"
              :height="supplyOf(entry, layout.supply).height"
              :units="work.units"
            />
          </h3>
          <SheetDrawing
            :layout="layout"
            :supply="supplyOf(entry, layout.supply)"
            :cutter="entry.problem.cutter"
            :paper="entry.paperOf?.get(layout.supply) ?? entry.paper"
            :names="entry.names"
            :units="work.units"
            :width="320"
          />
        </div>
      </div>
      <CutOrder
        v-if="entry.outcome"
        :steps="entry.outcome.steps"
        :units="work.units"
        class="order"
      />
    </section>
    <Cautions class="cautions" />
  </div>
</template>

<style scoped>
.paper { margin-bottom: 8mm; }
.paper + .paper { break-before: page; }
.layouts { display: grid; grid-template-columns: 1fr 1fr; gap: 4mm 6mm; margin-top: 4mm; }
.layouts > div { break-inside: avoid; }
.order { margin-top: 4mm; }
.order :deep(li) { break-inside: avoid; }
.cautions { margin-top: 6mm; break-inside: avoid; }
</style>
