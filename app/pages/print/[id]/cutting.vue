<script setup lang="ts">
import type { PrintSection } from '../../../../core/printed'
import { cuttingSection } from '../../../../core/printed'

definePageMeta({ layout: 'print' })
const page = usePrintedClass('Cutting sheets')
const { work, planner, printOf } = page
const print = () =>
  printOf(planner.papers.map(({ outcome, job, paper: { name } }): PrintSection => {
    const section = outcome ? cuttingSection(outcome, work.units) : { heading: name, blocks: [] }
    if (job.state !== 'failed') return section
    const said = {
      kind: 'text' as const, strong: true, text: `This paper could not be planned to the end: ${job.reason}`,
    }
    return { ...section, blocks: [said, ...section.blocks] }
  }))
</script>

<template>
  <PrintedClass :page :print back="cutting" wait="Planning the cutting" :ready="planner.ready" />
</template>
