<script setup lang="ts">
import { itemAt, neighbours } from '../../../core/lists'
import type { Posting } from '../../../core/kits'

/** The layers of the closed card where it is thickest, and where that is. */
const { posting } = defineProps<{ posting: Posting }>()
/** Layers from front to back, the same ones that follow each other counted. */
const layers = computed(() =>
  posting.stack.layers.reduce<{ name: string, count: number }[]>((list, name) => {
    const last = list.at(-1)
    if (last?.name === name) last.count++
    else list.push({ name, count: 1 })
    return list
  }, []),
)

/** The closed card seen from its front, the darker the thicker. */
const MAP = 110
const map = computed(() => {
  const { xs, ys, cells, most } = posting.map
  const [left, right] = [itemAt(xs, 0), itemAt(xs, -1)]
  const [foot, head] = [itemAt(ys, 0), itemAt(ys, -1)]
  const scale = MAP / Math.max(right - left, head - foot, 1)
  return {
    width: (right - left) * scale,
    height: (head - foot) * scale,
    spot: { x: most.x * scale, y: (head - foot - most.y) * scale },
    cells: neighbours(xs).flatMap(([x, nextX], i) =>
      neighbours(ys).map(([y, nextY], j) => ({
        x: (x - left) * scale,
        y: (head - nextY) * scale,
        width: (nextX - x) * scale,
        height: (nextY - y) * scale,
        share: itemAt(itemAt(cells, i), j) / most.thickness,
      })),
    ),
  }
})
</script>

<template>
  <div>
    <p class="heading">
      {{ posting.stack.layers.length }} layers where it is thickest
    </p>
    <svg
      :width="map.width + 2"
      :height="map.height + 2"
      :viewBox="`-1 -1 ${map.width + 2} ${map.height + 2}`"
      role="img"
      aria-label="Thickness over the closed card, darker where it is thicker"
    >
      <rect
        v-for="(cell, index) in map.cells"
        :key="index"
        :x="cell.x"
        :y="cell.y"
        :width="cell.width"
        :height="cell.height"
        :fill-opacity="cell.share * 0.75"
        class="cell"
      />
      <rect :width="map.width" :height="map.height" class="rim" />
      <path :d="`M${map.spot.x - 4} ${map.spot.y}h8M${map.spot.x} ${map.spot.y - 4}v8`" class="spot" />
    </svg>
    <p class="quiet">
      At the cross, from the front of the closed card:
    </p>
    <ol>
      <li v-for="(layer, index) in layers" :key="index">
        {{ layer.name }}{{ layer.count > 1 ? ` (${layer.count}×)` : '' }}
      </li>
    </ol>
  </div>
</template>

<style scoped>
.heading { font-weight: 600; margin-top: 0.4rem; }
.cell { fill: var(--ink); }
.rim { fill: none; stroke: var(--ink); }
.spot { stroke: var(--sheet); stroke-width: 2; }
svg { margin-top: 0.4rem; display: block; }
ol { margin: 0.3rem 0 0; padding-left: 1.3rem; }
</style>
