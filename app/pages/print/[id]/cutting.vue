<script setup lang="ts">
import type { PrintSection } from '../../../../core/printed'
import { cuttingSection, orderSection } from '../../../../core/printed'

definePageMeta({ layout: 'print' })
const page = usePrintedClass('Cutting sheets')
const { work, planner, printOf } = page
const route = useRoute()
const router = useRouter()

const BY = [{ value: 'class', label: 'One order for the class' }, { value: 'paper', label: 'Paper by paper' }] as const
const by = computed<'class' | 'paper'>({
  get: () => (route.query.by === 'paper' ? 'paper' : 'class'),
  set: chosen => void router.replace({ query: chosen === 'paper' ? { by: 'paper' } : {} }),
})

const papers = () => planner.papers.map(({ outcome, job, paper: { name } }): PrintSection => {
  const section = outcome ? cuttingSection(outcome, work.units) : { heading: name, blocks: [] }
  if (job.state !== 'failed') return section
  const said = {
    kind: 'text' as const, strong: true, text: `This paper could not be planned to the end: ${job.reason}`,
  }
  return { ...section, blocks: [said, ...section.blocks] }
})
/** The order of the class, and those papers of which something is to be said besides. */
function together(): PrintSection[] {
  const { orders } = planner
  const lacking = papers().filter((_, at) => {
    const { outcome, job } = planner.papers[at] ?? {}
    return !outcome || job?.state === 'failed' || outcome.plan.unplaced.length > 0
  })
  return [
    ...orders.map((order, at) =>
      orderSection(order, work.units, orders.length > 1 ? `Sitting ${at + 1}` : 'The class at the trimmer')),
    ...lacking,
  ]
}
const print = () => printOf(by.value === 'class' && planner.orders.length > 0 ? together() : papers())
</script>

<template>
  <PrintedClass :page :print back="cutting" wait="Planning the cutting" :ready="planner.ready">
    <OneOf v-model="by" :options="BY" aria-label="How it is printed" />
  </PrintedClass>
</template>
