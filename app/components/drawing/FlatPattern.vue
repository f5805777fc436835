<script setup lang="ts">
import type { Construction, Crease, Part, Point } from '../../../core/folds'
import { isFreePart } from '../../../core/dressing'
import { formatSize } from '../../../core/lengths'
import type { Chosen } from '../card/chosen'
import { isChosen } from '../card/chosen'
import { useMoving } from './moving'
import type { Laid, ScoreLabel } from './pattern'
import {
  edgePath, isRoomy, labelsAlong, laidOn, middleOf, numberedAt, panelName, panelPath, pointOf, spot, turning, worksOn,
} from './pattern'

/**
 * The flat pattern of one blank, inside face up: panels, creases (dash-dot for
 * mountain, dashes for valley), what is glued on it, and its measures. Everything
 * in it can be pointed at; by keyboard the parts are gone through with Tab, the
 * faces of one with the arrow keys.
 */
const { construction, part, papers, scale, chosen, flips = false } = defineProps<{
  construction: Construction
  part: Part
  /** Paper key for each part key. */
  papers: Record<string, string>
  /** Pixels for one nanometre. */
  scale: number
  chosen?: Chosen
  /** Cannot be made as it is. */
  broken?: boolean
  /** Whether a click on a crease folds it the other way. */
  flips?: boolean
  /** The number of each crease in the order of scoring, where it is shown. */
  numbers?: number[]
}>()
const { units, mark } = useMeasures()
const emit = defineEmits<{
  choose: [chosen: Chosen]
  /** Which given figures a measure follows from. */
  ask: [labels: string[]]
  flip: [crease: Crease]
  /** A free piece was pulled by so much to the right and up, in whole marks. */
  move: [part: string, right: number, up: number]
}>()

const pattern = computed(() => ({ construction, part, scale }))
const width = computed(() => part.width.value * scale)
const height = computed(() => part.height.value * scale)

/** Room for one row of figures beside the drawing, in pixels. */
const ROW = 34
const below = computed(() => labelsAlong(pattern.value, 'x'))
const beside = computed(() => labelsAlong(pattern.value, 'y'))
const edges = computed(() => {
  const turned = (place: number) => `translate(${width.value} ${height.value - place}) rotate(-90)`
  return [
    ...below.value.map(label => ({
      ...label, key: `x ${label.at.value}`, place: `translate(${label.place} ${height.value})`,
    })),
    ...beside.value.map(label => ({ ...label, key: `y ${label.at.value}`, place: turned(label.place) })),
  ]
})
const rowsOf = (labels: ScoreLabel[]) => Math.max(0, ...labels.map(({ row }) => row + 1))
// Creases are measured below the drawing, or to the right of it where they lie across.
const margin = computed(() => ({
  left: 56, right: 14 + rowsOf(beside.value) * ROW, top: 26, bottom: 10 + rowsOf(below.value) * ROW,
}))

const placed = (point: Point) => spot(scale, point, 0, height.value)
const edgeOf = ({ part: shape, x, y, behind }: Laid) =>
  edgePath(shape, scale, x, y + shape.height.value * scale, behind)
const isFree = ({ key }: Part) => isFreePart(key)
const layers = computed(() => laidOn(pattern.value, isFree))
const works = computed(() => worksOn(pattern.value, layers.value))
/** Panels with where their names stand. */
const names = computed(() => part.panels.map(panel => ({
  panel,
  name: panelName(part, panel),
  at: middleOf(pattern.value, panel),
  roomy: isRoomy(pattern.value, panel),
  isMatted: layers.value.some(({ joint }) => joint.onto === panel && joint.face === 'outside'),
})))
const { grab, pull, nudge, letGo } = useMoving({
  scale: () => scale, mark: () => mark.value, isMovable: isFree, move: (...moved) => emit('move', ...moved),
})
const pick = (part: string, panels?: string[]) => emit('choose', { part, ...(panels && { panels }) })
/** The next face of the part, or the one before it. */
function turn(event: KeyboardEvent) {
  const way = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (!way || part.panels.length < 2) return
  event.preventDefault()
  const { length } = part.panels
  const now = part.panels.findIndex(({ key }) => isChosen(chosen, part.key, key) && chosen?.panels?.length === 1)
  pick(part.key, [part.panels[now < 0 ? (way > 0 ? 0 : length - 1) : (now + way + length) % length]?.key ?? ''])
}
const labelOf = (shape: Part) => {
  const faces = chosen?.part === shape.key ? shape.panels.filter(({ key }) => chosen.panels?.includes(key)) : []
  const size = formatSize(shape.width.value, shape.height.value, units.value)
  return [shape.name, size, ...(faces.length > 0 ? [`face ${faces.map(({ name }) => name).join(' and ')}`] : [])].join(
    ', ',
  )
}
const turned = (part: Part) => part.printTop === 'left' || part.printTop === 'right'
</script>

<template>
  <svg
    class="drawing"
    :viewBox="[
      -margin.left, -margin.top, width + margin.left + margin.right, height + margin.top + margin.bottom,
    ].join(' ')"
    :width="width + margin.left + margin.right"
    :height="height + margin.top + margin.bottom"
    role="group"
    :aria-label="`Flat pattern of ${part.name}`"
  >
    <path
      :d="edgePath(part, scale, 0, height)"
      :fill="paperFill(papers[part.key])"
      fill-rule="evenodd"
      :class="['edge', { chosen: isChosen(chosen, part.key) && !chosen?.panels, broken }]"
      role="button"
      tabindex="0"
      :aria-pressed="isChosen(chosen, part.key)"
      :aria-label="labelOf(part)"
      @click="pick(part.key)"
      @keydown.enter.space.prevent="pick(part.key)"
      @keydown="turn"
    />
    <path
      v-for="panel in part.panels.length > 1 ? part.panels : []"
      :key="`face ${panel.key}`"
      :d="panelPath(pattern, panel)"
      fill-rule="evenodd"
      :class="['face', { marked: chosen?.panels && isChosen(chosen, part.key, panel.key) }]"
      @click="pick(part.key, [panel.key])"
    />
    <path
      v-for="layer in layers"
      :key="layer.part.key"
      :d="edgeOf(layer)"
      :fill="paperFill(papers[layer.part.key], turned(layer.part))"
      fill-rule="evenodd"
      :class="[
        'edge layer',
        { free: isFree(layer.part), chosen: isChosen(chosen, layer.part.key), behind: layer.behind },
      ]"
      :transform="turning(layer, scale)"
      role="button"
      tabindex="0"
      :aria-pressed="isChosen(chosen, layer.part.key)"
      :aria-label="labelOf(layer.part)"
      @click="pick(layer.part.key)"
      @keydown.enter.space.prevent="pick(layer.part.key)"
      @keydown="nudge($event, layer)"
      @pointerdown="grab($event, layer)"
      @pointermove="pull"
      @pointerup="letGo"
      @pointercancel="letGo"
    >
      <title>{{ layer.part.name }}{{ layer.behind ? ', on the outside' : '' }}</title>
    </path>
    <g v-for="work in works" :key="work.key" :transform="work.transform" :class="['work', { behind: work.behind }]">
      <rect :x="work.x" :y="work.y" :width="work.width" :height="work.height" />
      <text
        v-if="work.width > work.name.length * 5"
        :x="work.x + work.width / 2"
        :y="work.y + work.height + 12"
        class="said"
        text-anchor="middle"
      >{{ work.name }}</text>
      <title>{{ work.name }}</title>
    </g>
    <path
      v-for="(slit, index) in part.slits"
      :key="`slit ${index}`"
      :d="`M${placed(pointOf(slit.from))}L${placed(pointOf(slit.to))}`"
      class="slit"
    />
    <template v-for="(crease, index) in part.creases" :key="index">
      <path
        v-for="look in ['halo', crease.direction]"
        :key="look"
        :d="`M${placed(pointOf(crease.from))}L${placed(pointOf(crease.to))}`"
        :class="look === 'halo' ? ['halo', { flips }] : ['crease', look]"
        @click="flips ? emit('flip', crease) : pick(part.key, crease.between)"
      />
    </template>
    <g
      v-for="(crease, index) in numbers ? part.creases : []"
      :key="`number ${index}`"
      :transform="`translate(${placed(numberedAt(crease))})`"
    >
      <circle r="9" class="disc" />
      <text y="4.5" text-anchor="middle" class="count">{{ numbers![index] }}</text>
    </g>
    <g v-for="{ panel, name, at, roomy, isMatted } in names" :key="panel.key">
      <text v-if="roomy" :x="at.x" :y="at.y" class="name" text-anchor="middle">{{ name }}</text>
      <title v-else>{{ panel.name }}</title>
      <text v-if="roomy && isMatted" :x="at.x" :y="at.y + 16" class="name" text-anchor="middle">mat outside</text>
    </g>
    <g
      v-for="label in edges"
      :key="label.key"
      :transform="label.place"
      class="measured"
      @click="emit('ask', label.at.givens)"
    >
      <path :d="`M0 0V${8 + label.row * ROW}`" class="leader" />
      <DimensionText :y="20 + label.row * ROW" :length="label.at.value" />
      <text :y="33 + label.row * ROW" text-anchor="middle" class="word">{{ label.words }}</text>
    </g>
    <DimensionText
      :x="width / 2"
      y="-10"
      :length="part.width.value"
      class="measured"
      @click="emit('ask', part.width.givens)"
    />
    <text
      x="-8"
      :y="height / 2 + 5"
      text-anchor="end"
      class="dimension measured"
      @click="emit('ask', part.height.givens)"
    ><SvgLength :length="part.height.value" /></text>
  </svg>
</template>

<style scoped>
svg { display: block; max-width: 100%; height: auto; }
.edge { stroke: var(--ink); stroke-width: 1.2; cursor: pointer; }
.edge:focus-visible { outline: none; stroke: var(--accent); stroke-width: 4; }
.broken { stroke: var(--stop); stroke-width: 2.5; stroke-dasharray: 8 5; }
.face { fill: transparent; cursor: pointer; }
.face.marked { fill: color-mix(in srgb, var(--accent) 22%, transparent); stroke: var(--accent); stroke-width: 2.5; }
.measured { cursor: pointer; }
.measured:hover { text-decoration: underline; }
/* Also what has no paper yet can be pointed at. */
.edge { pointer-events: all; }
.layer { stroke-width: 0.8; }
.behind { fill-opacity: 0.25; stroke-dasharray: 2 3; }
.chosen { stroke: var(--accent); stroke-width: 3; }
.crease { stroke: var(--ink); stroke-width: 1.6; pointer-events: none; }
.halo { stroke: var(--sheet); stroke-width: 5; stroke-opacity: 0.8; cursor: pointer; }
.flips { stroke-width: 12; }
.free { cursor: move; touch-action: none; }
.slit { stroke: var(--ink); stroke-width: 2.6; pointer-events: none; }
.disc { fill: var(--sheet); stroke: var(--ink); }
.count { font-size: 12px; font-weight: 700; }
.leader { stroke: var(--line); stroke-width: 1; }
.mountain { stroke-dasharray: 10 3 2 3; }
.valley { stroke-dasharray: 6 4; }
.work { pointer-events: none; }
.work rect { fill: none; stroke: var(--accent); stroke-width: 1.4; stroke-dasharray: 1 3; stroke-linecap: round; }
.work.behind { opacity: 0.55; }
.said {
  font-size: 12px; font-style: italic; paint-order: stroke; stroke: var(--sheet); stroke-width: 3px;
  stroke-linejoin: round;
}
.dimension { font-size: 17px; font-weight: 500; }
.word { font-size: 12px; fill: var(--quiet); }
.name {
  font-size: 14px; font-weight: 600; paint-order: stroke;
  stroke: var(--sheet); stroke-width: 4px; stroke-linejoin: round; pointer-events: none;
}
</style>
