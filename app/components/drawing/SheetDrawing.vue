<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { BenchStep, Cutter, KeyedLayout, Placed, Supply } from '../../../core/cutting'
import { leavesOf } from '../../../core/cutting'
import type { Length } from '../../../core/lengths'
import { formatLength, formatSize } from '../../../core/lengths'
import type { Paper } from '../../../core/paper'

/** One layout as a drawn sheet in its paper, with the cuts of one step brought out. */
const { layout, supply, cutter, paper, names, letters, width = 380, height = width * 1.05, step } = defineProps<{
  layout: KeyedLayout
  cutter: Cutter
  supply: Supply
  paper: Paper
  names: ReadonlyMap<string, string>
  /** The letter of each piece, which its key explains. */
  letters: ReadonlyMap<string, string>
  /** Widest drawing in pixels. */
  width?: number
  /** Highest drawing in pixels. */
  height?: number
  step?: BenchStep
}>()
const { units } = useMeasures()

const MARGIN = 58
const frame = useTemplateRef('frame')
const { width: room } = useElementSize(frame, { width, height: 0 })
const scale = computed(() => {
  const available = Math.max(160, Math.min(room.value || width, width)) - MARGIN
  return Math.min(available / supply.width, (height - 44) / supply.height)
})
const size = computed(() => ({ width: supply.width * scale.value, height: supply.height * scale.value }))
const leaves = computed(() => leavesOf(layout.root, cutter.kerf))
const lines = computed(() => step?.lines.filter(line => line.layout === layout.key) ?? [])
/** The parts that the first cuts make, for dimensions along the edge. */
const edge = computed(() => {
  const { root } = layout
  if (root.kind !== 'cut') return []
  const parts: { at: number, size: Length, side: 'width' | 'height' }[] = []
  let at = 0
  for (const part of root.parts) {
    const size = part[root.side]
    if (px(size) > 30 && root.parts.length > 1) parts.push({ at: at + size / 2, size, side: root.side })
    at += size + cutter.kerf
  }
  return parts
})
const letterOf = ({ node }: Placed) => (node.kind === 'piece' ? letters.get(node.demand) ?? '' : '')
/** The part that the keyboard is on, in the order in which the parts are cut. */
const held = ref<number>()
function move(event: KeyboardEvent) {
  const way = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (!way) return
  event.preventDefault()
  const { length } = leaves.value
  held.value = held.value === undefined ? (way > 0 ? 0 : length - 1) : (held.value + way + length) % length
}
const said = computed(() => {
  const leaf = held.value === undefined ? undefined : leaves.value[held.value]
  if (!leaf) return ''
  const name = leaf.node.kind === 'piece' ? names.get(leaf.node.demand) : leaf.node.kind
  return `${name}, ${formatSize(leaf.width, leaf.height, units.value)}`
})
const px = (value: number) => value * scale.value
/** Drawings count upwards, screens downwards. */
const top = (leaf: Placed) => size.value.height - px(leaf.y + leaf.height)
const fitsText = (leaf: Placed) => px(leaf.width) > 44 && px(leaf.height) > 20

// A label lies where it fits and stands where only that fits: the letter above the measure, beside it, or alone.
const LABEL = { sign: 6.6, around: 8, line: 18, letter: 16 }
/** How long the measure of a piece gets, told by its signs. */
const length = ({ width, height }: Placed) => {
  const signs = [width, height].map(side => formatLength(side, units.value).length)
  return LABEL.sign * (signs.reduce((sum, many) => sum + many) + 3) + LABEL.around
}
const stands = (leaf: Placed) => px(leaf.width) < length(leaf) && leaf.height > leaf.width
const long = (leaf: Placed) => px(stands(leaf) ? leaf.height : leaf.width)
const short = (leaf: Placed) => px(stands(leaf) ? leaf.width : leaf.height)
function labelFor(leaf: Placed) {
  const fits = long(leaf) >= length(leaf) && short(leaf) >= LABEL.line
  const above = fits && short(leaf) >= 2 * LABEL.line + 4
  const beside = fits && !above && long(leaf) >= length(leaf) + LABEL.letter + 4
  const middle = `translate(${px(leaf.x + leaf.width / 2)} ${top(leaf) + px(leaf.height) / 2})`
  return {
    place: stands(leaf) && fits ? `${middle} rotate(-90)` : middle,
    letter: above || beside || !fits,
    // By its size alone where there is no room for more.
    size: fits ? LABEL.letter : Math.max(7, Math.min(LABEL.letter, px(Math.min(leaf.width, leaf.height)) * 0.75)),
    x: beside ? -length(leaf) / 2 : 0,
    y: above ? -4 : 5,
    measure: fits ? { x: beside ? LABEL.letter / 2 : 0, y: above ? 15 : 5 } : undefined,
  }
}
</script>

<template>
  <div ref="frame" class="frame" :style="{ maxWidth: `${width}px` }">
    <svg
      class="drawing"
      :viewBox="`${-MARGIN} -42 ${size.width + MARGIN + 2} ${size.height + 44}`"
      :width="size.width + MARGIN + 2"
      :height="size.height + 44"
      role="group"
      tabindex="0"
      :aria-label="`${count(layout.repeats, 'sheet')} of ${paper.name} cut alike. Arrow keys go from part to part.`"
      @keydown="move"
      @blur="held = undefined"
    >
      <rect :width="size.width" :height="size.height" fill="var(--sheet)" />
      <g v-for="(leaf, at) in leaves" :key="at">
        <rect
          :x="px(leaf.x)"
          :y="top(leaf)"
          :width="px(leaf.width)"
          :height="px(leaf.height)"
          :fill="
            leaf.node.kind === 'piece'
              ? paperFill(paper.key)
              : leaf.node.kind === 'offcut'
                ? 'url(#hatch)'
                : 'var(--ground)'
          "
          :class="['part', { held: held === at }]"
        />
        <g
          v-for="label in leaf.node.kind === 'piece' ? [labelFor(leaf)] : []"
          :key="label.place"
          :transform="label.place"
        >
          <text
            v-if="label.letter"
            :x="label.x"
            :y="label.measure ? label.y : label.size * 0.36"
            text-anchor="middle"
            class="label letter"
            :style="{ fontSize: `${label.size}px` }"
          >{{ letterOf(leaf) }}</text>
          <text v-if="label.measure" v-bind="label.measure" text-anchor="middle" class="label measure"><SvgLength
            :length="leaf.width"
          /><tspan> × </tspan><SvgLength :length="leaf.height" /></text>
        </g>
        <text
          v-if="leaf.node.kind === 'offcut' && fitsText(leaf)"
          :x="px(leaf.x + leaf.width / 2)"
          :y="top(leaf) + px(leaf.height) / 2 + 5"
          text-anchor="middle"
          class="label"
        >
          <SvgLength :length="leaf.width" /><tspan> × </tspan><SvgLength :length="leaf.height" />
        </text>
        <title>{{ leaf.node.kind === 'piece' ? names.get(leaf.node.demand) : leaf.node.kind }}</title>
      </g>
      <rect :width="size.width" :height="size.height" class="sheet" />
      <line
        v-for="(line, at) in lines"
        :key="`cut-${at}`"
        :x1="px(line.from.x)"
        :y1="size.height - px(line.from.y)"
        :x2="px(line.to.x)"
        :y2="size.height - px(line.to.y)"
        class="cut"
      />
      <DimensionText :x="size.width / 2" y="-26" :length="supply.width" />
      <DimensionText :transform="`translate(-44 ${size.height / 2}) rotate(-90)`" :length="supply.height" />
      <text
        v-for="(part, at) in edge"
        :key="`edge-${at}`"
        :x="part.side === 'width' ? px(part.at) : -6"
        :y="part.side === 'width' ? -8 : size.height - px(part.at) + 5"
        :text-anchor="part.side === 'width' ? 'middle' : 'end'"
        class="edge"
      ><SvgLength :length="part.size" /></text>
      <g v-if="paper.upright" class="up">
        <path :transform="`translate(-48 ${size.height})`" d="M0 -4V-30M-5 -24L0 -31L5 -24" />
        <title>Top of the print</title>
      </g>
    </svg>
    <p class="unseen" aria-live="polite">
      {{ said }}
    </p>
  </div>
</template>

<style scoped>
.frame { width: 100%; }
svg { display: block; }
.part { stroke: var(--ink); stroke-width: 1; }
.held { stroke: var(--accent); stroke-width: 4; }
svg:focus-visible { outline: 2px solid var(--accent); }
.sheet { fill: none; stroke: var(--ink); stroke-width: 1.8; }
.cut { stroke: var(--accent); stroke-width: 4; }
.label {
  font-size: 12px; paint-order: stroke; stroke: var(--sheet); stroke-width: 4px;
  stroke-linejoin: round; pointer-events: none;
}
.measure { font-size: 14px; font-weight: 600; }
.letter { font-weight: 700; }
.dimension { font-size: 14px; font-weight: 600; }
.edge { font-size: 13px; fill: var(--quiet); }
.up path { fill: none; stroke: var(--ink); stroke-width: 1.6; }
</style>
