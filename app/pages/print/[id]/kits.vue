<script setup lang="ts">
import type { PrintSection } from '../../../../core/printed'
import { packedBags, shoppingList, suppliesFor } from '../../../../core/kits'
import { bagSection, shoppingSection, slipSection, stepSections } from '../../../../core/printed'

definePageMeta({ layout: 'print' })
const page = usePrintedClass('Bag lists')
const { work, planner, printOf } = page
const money = useMoney()
/** A list to go into every bag, or one for all that are alike. */
const each = ref(false)
const NOT_ALL = 'Not every paper could be planned: its sheets are not counted.'
const print = () => {
  const { kits } = planner
  if (!kits) return printOf([])
  const { cards } = work.prepared
  const shopping = shoppingSection(shoppingList(work.batch, kits, suppliesFor(work.prepared)), kits, work.units, money)
  const unsure: PrintSection[] = planner.planless
    ? [{ heading: 'Not complete', blocks: [{ kind: 'text', strong: true, text: NOT_ALL }] }]
    : []
  const forCards = [...stepSections(cards), ...cards.flatMap(slipSection)]
  return printOf([shopping, ...unsure, bagSection(packedBags(work.prepared), work.units, each.value), ...forCards])
}
</script>

<template>
  <PrintedClass :page :print back="kits" wait="Packing the bags" :ready="Boolean(planner.kits) && planner.ready">
    <TickField v-model="each" switched label="One list for each bag" />
  </PrintedClass>
</template>
