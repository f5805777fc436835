<script setup lang="ts">
import { countsOf } from '../../../core/cutting'
import type { BenchStep, CuttingProblem, KeyedLayout } from '../../../core/cutting'
import { byKey } from '../../../core/lists'
import type { Paper } from '../../../core/paper'

/**
 * The layouts of a plan, one of them large: the one chosen, or the one that the step in hand is about. What can be done
 * with it is said by the slot.
 */
const { layouts, problem, paper, paperOf, names, belongs, step } = defineProps<{
  layouts: KeyedLayout[]
  problem: CuttingProblem
  paper: Paper
  /** The paper of each supply, where they differ. */
  paperOf?: ReadonlyMap<string, Paper>
  names: ReadonlyMap<string, string>
  /** How many of a size belong to whom. */
  belongs: ReadonlyMap<string, string>
  letters: ReadonlyMap<string, string>
  step?: BenchStep
}>()
defineSlots<{ default?: (properties: { layout: KeyedLayout, number: number }) => unknown }>()

const { chosen, large, isHeld } = useLarge(() => layouts.map(({ key }) => key), () => step)
const layout = computed(() => layouts[large.value])
const supplyOf = (of: KeyedLayout) => byKey(problem.supplies, of.supply)
const cutFrom = (of: KeyedLayout) => paperOf?.get(of.supply) ?? paper
const sheets = computed(() => layouts.map((layout, at) => ({
  layout, supply: supplyOf(layout), paper: cutFrom(layout).key, called: `Sheet ${at + 1}, ${layout.repeats} times`,
})))
/** What the letters on the drawing stand for. */
const pieces = computed(() => (layout.value
  ? [...countsOf(layout.value.root)].map(([demand, number]) => ({
      ...byKey(problem.demands, demand), number, name: names.get(demand), belongs: belongs.get(demand),
    }))
  : []))
</script>

<template>
  <section v-if="layout" class="board layout" :class="{ held: isHeld(layout.key) }" :aria-label="`Layout ${large + 1}`">
    <div class="head">
      <h3>
        Sheet {{ large + 1 }}: {{ layout.repeats }} × <template v-if="supplyOf(layout).kind !== 'sheet'">
          {{ paperOf ? `leftover of ${cutFrom(layout).name},` : supplyOf(layout).kind }}
        </template> <SheetText :width="supplyOf(layout).width" :height="supplyOf(layout).height" />
      </h3>
      <SheetChoice :sheets :cutter="problem.cutter" :chosen="large" aria-label="Layouts" @choose="chosen = $event" />
    </div>
    <SheetDrawing
      :layout
      :supply="supplyOf(layout)"
      :cutter="problem.cutter"
      :paper="cutFrom(layout)"
      :names
      :letters
      :width="430"
      :height="405"
      :step
    />
    <ul class="key" aria-label="Pieces on this sheet">
      <li v-for="{ key, number, name, belongs: whose, width, height } in pieces" :key="key">
        <strong>{{ letters.get(key) }}</strong>
        <span>{{ number }} × {{ name }}<span v-if="whose" class="quiet small"> in all {{ whose }}</span></span>
        <SizeText :width :height />
      </li>
    </ul>
    <slot :layout :number="large + 1" />
  </section>
</template>

<style scoped>
.layout { padding: 0.6rem 0.9rem; }
.head { display: flex; flex-wrap: wrap; gap: 0.3rem 0.8rem; align-items: center; justify-content: space-between; }
.head h3 { margin: 0; }
.key { list-style: none; margin: 0.4rem 0 0; padding: 0; font-size: var(--small); display: grid; gap: 0.1rem; }
.key li { display: grid; grid-template-columns: 1.6rem minmax(0, 1fr) auto; gap: 0.4rem; }
.held { border-color: var(--accent); }
.layout :deep(> .row) { margin-top: 0.5rem; }
</style>
