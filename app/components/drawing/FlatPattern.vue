<script setup lang="ts">
import type { Construction, Joint, Panel, Part } from '../../../core/folds'
import { isLayer } from '../../../core/folds'
import type { Units } from '../../../core/lengths'

/**
 * The flat pattern of one blank, inside face up: panels, creases (dash-dot for
 * mountain, dashes for valley), what is glued on it, and its measures.
 */
const { construction, part, papers, units, scale } = defineProps<{
  construction: Construction
  part: Part
  /** Paper key for each part key. */
  papers: Record<string, string>
  units: Units
  /** Pixels for one nanometre. */
  scale: number
  chosen?: string
}>()
const emit = defineEmits<{ choose: [part: string] }>()

// Creases are measured below the drawing, or to the right of it where they lie across.
const MARGIN = { left: 46, right: part.along === 'y' ? 46 : 14, top: 26, bottom: 44 }
const width = computed(() => part.width.value * scale)
const height = computed(() => part.height.value * scale)

interface Laid {
  part: Part
  joint: Joint
  x: number
  y: number
}

/** Everything glued on this blank and on what lies on it, lowest layer first; y counts from the top here. */
const layers = computed(() => {
  const found: Laid[] = []
  const visit = (panel: Panel, x: number, bottom: number) => {
    for (const joint of construction.joints) {
      if (joint.onto.part !== panel.part || joint.onto.key !== panel.key) continue
      const glued = construction.parts.find(candidate => candidate.key === joint.part)!
      // What is no layer, such as a plate across the folded card, is drawn by itself.
      if (!isLayer(glued.kind) || glued.width.value <= 0 || glued.height.value <= 0) continue
      const at = { x: x + joint.x.value * scale, bottom: bottom - joint.y.value * scale }
      found.push({ part: glued, joint, x: at.x, y: at.bottom - glued.height.value * scale })
      visit(glued.panels[0]!, at.x, at.bottom)
    }
  }
  for (const panel of part.panels) visit(panel, panel.x.value * scale, height.value - panel.y.value * scale)
  return found
})
const middle = (panel: Panel) => ({
  x: (panel.x.value + panel.width.value / 2) * scale,
  y: height.value - (panel.y.value + panel.height.value / 2) * scale,
})
const turned = (part: Part) => part.printTop === 'left' || part.printTop === 'right'
</script>

<template>
  <svg
    class="drawing"
    :viewBox="`${-MARGIN.left} ${-MARGIN.top} ${width + MARGIN.left + MARGIN.right} ${height + MARGIN.top + MARGIN.bottom}`"
    :width="width + MARGIN.left + MARGIN.right"
    :height="height + MARGIN.top + MARGIN.bottom"
    role="img"
    :aria-label="`Flat pattern of ${part.name}`"
  >
    <rect
      :width="width"
      :height="height"
      :fill="paperFill(papers[part.key])"
      :class="['edge', { chosen: chosen === part.key }]"
      @click="emit('choose', part.key)"
    />
    <g
      v-for="layer in layers"
      :key="layer.part.key"
      @click="emit('choose', layer.part.key)"
    >
      <rect
        :x="layer.x"
        :y="layer.y"
        :width="layer.part.width.value * scale"
        :height="layer.part.height.value * scale"
        :fill="paperFill(papers[layer.part.key], turned(layer.part))"
        :class="['edge layer', { chosen: chosen === layer.part.key, behind: layer.joint.face === 'outside' }]"
      >
        <title>{{ layer.part.name }}{{ layer.joint.face === 'outside' ? ', on the outside' : '' }}</title>
      </rect>
    </g>
    <g
      v-for="panel in part.panels"
      :key="panel.key"
    >
      <text
        :x="middle(panel).x"
        :y="middle(panel).y"
        class="name"
        text-anchor="middle"
      >{{ part.panels.length > 1 ? panel.name : part.name }}</text>
      <text
        v-if="layers.some(({ joint }) => joint.onto === panel && joint.face === 'outside')"
        :x="middle(panel).x"
        :y="middle(panel).y + 16"
        class="name"
        text-anchor="middle"
      >mat outside</text>
    </g>
    <g
      v-for="(crease, index) in part.creases"
      :key="index"
      :transform="part.along === 'x' ? `translate(${crease.at.value * scale} 0)` : `translate(0 ${height - crease.at.value * scale}) rotate(-90)`"
    >
      <line
        y1="-6"
        :y2="(part.along === 'x' ? height : width) + 6"
        class="halo"
      />
      <line
        y1="-6"
        :y2="(part.along === 'x' ? height : width) + 6"
        :class="['crease', crease.direction]"
      />
      <text
        :y="(part.along === 'x' ? height : width) + 20"
        text-anchor="middle"
        class="dimension"
      ><SvgLength
        :length="crease.at.value"
        :units="units"
      /></text>
      <text
        :y="(part.along === 'x' ? height : width) + 35"
        text-anchor="middle"
        class="word"
      >{{ crease.direction }}</text>
    </g>
    <text
      :x="width / 2"
      y="-10"
      text-anchor="middle"
      class="dimension"
    ><SvgLength
      :length="part.width.value"
      :units="units"
    /></text>
    <text
      x="-8"
      :y="height / 2 + 5"
      text-anchor="end"
      class="dimension"
    ><SvgLength
      :length="part.height.value"
      :units="units"
    /></text>
  </svg>
</template>

<style scoped>
svg { display: block; max-width: 100%; height: auto; }
.edge { stroke: var(--ink); stroke-width: 1.2; cursor: pointer; }
.layer { stroke-width: 0.8; }
.behind { fill-opacity: 0.25; stroke-dasharray: 2 3; }
.chosen { stroke: var(--accent); stroke-width: 3; }
.crease { stroke: var(--ink); stroke-width: 1.6; }
.halo { stroke: var(--sheet); stroke-width: 4; stroke-opacity: 0.8; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
.dimension { font-size: 17px; font-weight: 500; }
.word { font-size: 12px; fill: var(--quiet); }
.name { font-size: 14px; font-weight: 600; paint-order: stroke; stroke: var(--sheet); stroke-width: 4px; stroke-linejoin: round; pointer-events: none; }
</style>
