<script setup lang="ts">
import type { Cutter, KeyedLayout, Supply } from '../../../core/cutting'
import { leavesOf } from '../../../core/cutting'

/** A layout as small as a stamp, to be told from the others by its cuts. */
const { layout, supply, cutter, paper } = defineProps<{
  layout: KeyedLayout
  supply: Supply
  cutter: Cutter
  paper: string
}>()
const SIZE = 40
const scale = computed(() => SIZE / Math.max(supply.width, supply.height))
const leaves = computed(() => leavesOf(layout.root, cutter.kerf).map(({ x, y, width, height, node }) => ({
  x: x * scale.value,
  y: (supply.height - y - height) * scale.value,
  width: width * scale.value,
  height: height * scale.value,
  fill: node.kind === 'piece' ? paperFill(paper) : node.kind === 'offcut' ? 'url(#hatch)' : 'var(--ground)',
})))
</script>

<template>
  <svg
    :width="supply.width * scale + 2"
    :height="supply.height * scale + 2"
    :viewBox="`-1 -1 ${supply.width * scale + 2} ${supply.height * scale + 2}`"
    aria-hidden="true"
  >
    <rect v-for="({ fill, ...box }, at) in leaves" :key="at" v-bind="box" :fill />
  </svg>
</template>

<style scoped>
svg { display: block; }
rect { stroke: var(--ink); stroke-width: 0.7; }
</style>
