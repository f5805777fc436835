<script setup lang="ts">
import type { PrintSection } from '../../../../core/printed'
import { cuttingSection } from '../../../../core/printed'

definePageMeta({ layout: 'print' })
const { work, planner, missing, paper, printOf, file } = usePrintedClass('Cutting sheets')
const print = computed(() =>
  printOf(planner.papers.map(({ outcome, job, paper: { name } }): PrintSection => {
    const section = outcome ? cuttingSection(outcome, work.units) : { heading: name, blocks: [] }
    if (job.state !== 'failed') return section
    const said = {
      kind: 'text' as const, strong: true, text: `This paper could not be planned to the end: ${job.reason}`,
    }
    return { ...section, blocks: [said, ...section.blocks] }
  })),
)
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document || !planner.ready">
    Planning the cutting …
  </p>
  <PrintedDocument v-else v-model:paper="paper" :print="print" :file="file" :back="`/classes/${work.id}/cutting`" />
</template>
