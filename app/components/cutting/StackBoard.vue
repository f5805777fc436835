<script setup lang="ts">
import type { BenchStep, KeyedLayout, Supply } from '../../../core/cutting'
import { countsOf } from '../../../core/cutting'
import { itemAt, lookUp } from '../../../core/lists'
import { isNoted } from '../../../core/plans'
import type { OrderTogether, SheetStack, StackMember } from '../../../core/together'
import { papersInWords, placeNames, sheetsIn } from '../../../core/together'

/** The stacks of an order, one of them large: what lies in it, how it is cut, and that it is. */
const { order, letters, step } = defineProps<{
  order: OrderTogether
  letters: ReadonlyMap<string, string>
  step?: BenchStep
}>()
const work = useClassStore()
const planner = usePlannerStore()
const cutting = useCuttingTogether()

const { chosen, large } = useLarge(() => order.stacks.map(({ key }) => key), () => step)
const stack = computed(() => itemAt(order.stacks, large.value))
const cutter = computed(() => itemAt(stack.value.members, 0).of.problem.cutter)
const names = computed(() => placeNames(order.stacks))
const supplyOf = ({ key, supply }: SheetStack): Supply => ({ key, ...supply, onHand: 0, price: null })
const layoutOf = (stack: SheetStack): KeyedLayout =>
  ({ key: stack.key, supply: stack.key, root: stack.root, repeats: sheetsIn(stack) })
const sheets = computed(() => order.stacks.map((stack, at) => ({
  layout: layoutOf(stack),
  supply: supplyOf(stack),
  paper: itemAt(stack.members, 0).paper.key,
  called: `Sheet ${at + 1}: ${sheetsIn(stack)} × ${papersInWords(stack.members)}`,
})))
/** It is drawn in the first paper that lies in it. */
const paperOf = ({ members }: SheetStack) => {
  const { key } = itemAt(members, 0).paper
  return work.batch.papers.find(paper => paper.key === key)
}
const drawnIn = computed(() => {
  const paper = paperOf(stack.value)
  return paper && work.prepared.shelf.get(paper.key)
})
const isAlone = ({ members }: SheetStack) => new Set(members.map(({ paper }) => paper.key)).size === 1
const canBeApart = ({ paper, of }: StackMember) => !of.paperOf && !cutting.apart.value.includes(paper.key)
const pieces = computed(() => [...countsOf(stack.value.root)].map(([place, number]) =>
  ({ place, number, letter: lookUp(letters, place), name: names.value.get(place) })))
</script>

<template>
  <section class="board layout" :aria-label="`Stack ${large + 1}`">
    <div class="head">
      <h3>
        Sheet {{ large + 1 }}: {{ sheetsIn(stack) }} × <template v-if="stack.supply.kind !== 'sheet'">
          {{ stack.supply.kind }}
        </template> <SheetText :width="stack.supply.width" :height="stack.supply.height" />,
        {{ papersInWords(stack.members) }}
      </h3>
      <SheetChoice :sheets :cutter :chosen="large" aria-label="Stacks" @choose="chosen = $event" />
    </div>
    <SheetDrawing
      v-if="drawnIn"
      :layout="layoutOf(stack)"
      :supply="supplyOf(stack)"
      :cutter
      :paper="drawnIn"
      :names
      :letters
      :width="430"
      :height="360"
      :step
    />
    <ul class="key" aria-label="Pieces on this sheet">
      <li v-for="{ place, number, letter, name } in pieces" :key="place">
        <strong>{{ letter }}</strong> <span>{{ number }} × {{ name }}</span>
      </li>
    </ul>
    <ul class="lies" aria-label="Papers in this stack">
      <li v-for="member in stack.members" :key="`${member.paper.key} ${member.layout.key}`" class="row">
        <PaperSwatch :paper="member.paper.key" />
        <span>{{ member.quantity }} × {{ member.paper.name }}</span>
        <QuietButton
          v-if="!isAlone(stack) && canBeApart(member)"
          label="Cut by itself"
          :aria-label="`Cut by itself: ${member.paper.name}`"
          @click="cutting.setApart(member.paper.key, true)"
        />
      </li>
    </ul>
    <PlainButton
      v-if="planner.ready && stack.members.some(isNoted)"
      label="All of this stack is cut"
      @click="cutting.noteCut(stack.key, order.stacks)"
    />
  </section>
</template>

<style scoped>
.layout { padding: 0.6rem 0.9rem; }
.head { display: flex; flex-wrap: wrap; gap: 0.3rem 0.8rem; align-items: center; justify-content: space-between; }
.head h3 { margin: 0; }
.key, .lies { list-style: none; margin: 0.4rem 0; padding: 0; }
.key { font-size: var(--small); display: grid; gap: 0.1rem; }
.lies li { align-items: center; gap: 0.6rem; min-height: 2rem; }
</style>
