<script setup lang="ts">
import { byKey } from '../../../core/lists'
import type { Construction, Crease, Joint, Panel, Part, Place, Point } from '../../../core/folds'
import { isFreePart } from '../../../core/dressing'
import { formatLength } from '../../../core/lengths'
import { creaseAt, face, holesOf, isLayer, outlineOf, windowOutline } from '../../../core/folds'
import type { Length, Measure, Units } from '../../../core/lengths'
import type { Chosen } from '../card/chosen'
import { isChosen } from '../card/chosen'

/**
 * The flat pattern of one blank, inside face up: panels, creases (dash-dot for
 * mountain, dashes for valley), what is glued on it, and its measures. Everything
 * in it can be pointed at; by keyboard the parts are gone through with Tab, the
 * faces of one with the arrow keys.
 */
const { construction, part, papers, units, scale, chosen, flips = false, mark } = defineProps<{
  construction: Construction
  part: Part
  /** Paper key for each part key. */
  papers: Record<string, string>
  units: Units
  /** Pixels for one nanometre. */
  scale: number
  chosen?: Chosen
  /** Cannot be made as it is. */
  broken?: boolean
  /** Whether a click on a crease folds it the other way. */
  flips?: boolean
  /** What can be moved by hand is moved by whole marks; without one nothing is. */
  mark?: Length
  /** The number of each crease in the order of scoring, where it is shown. */
  numbers?: number[]
}>()
const emit = defineEmits<{
  choose: [chosen: Chosen]
  /** Which given figures a measure follows from. */
  ask: [labels: string[]]
  flip: [crease: Crease]
  /** A free piece was pulled by so much to the right and up, in whole marks. */
  move: [part: string, right: number, up: number]
}>()

const width = computed(() => part.width.value * scale)
const height = computed(() => part.height.value * scale)

/** Room that one figure takes below the drawing, in pixels. */
const FIGURE = 52
const ROW = 34
interface Label {
  at: Measure
  words: string
  place: number
  row: number
}

/** One figure for each line of scores, in further rows where they would run into each other. */
function labelsAlong(along: 'x' | 'y'): Label[] {
  const lines = new Map<number, Label>()
  for (const crease of part.creases.filter(crease => crease.along === along)) {
    const at = creaseAt(crease)
    const known = lines.get(at.value)
    if (!known) lines.set(at.value, { at, words: crease.direction, place: at.value * scale, row: 0 })
    else if (!known.words.includes(crease.direction)) known.words = 'both ways'
  }
  const ends: number[] = []
  return [...lines.values()]
    .sort((a, b) => a.place - b.place)
    .map((label) => {
      let row = ends.findIndex(end => label.place - end >= FIGURE)
      if (row < 0) row = ends.length
      ends[row] = label.place
      return { ...label, row }
    })
}
const below = computed(() => labelsAlong('x'))
const beside = computed(() => labelsAlong('y'))
const edges = computed(() => {
  const turned = (place: number) => `translate(${width.value} ${height.value - place}) rotate(-90)`
  return [
    ...below.value.map(label => ({ ...label, key: `x ${label.at.value}`, place: `translate(${label.place} ${height.value})` })),
    ...beside.value.map(label => ({ ...label, key: `y ${label.at.value}`, place: turned(label.place) })),
  ]
})
const rowsOf = (labels: Label[]) => Math.max(0, ...labels.map(({ row }) => row + 1))
// Creases are measured below the drawing, or to the right of it where they lie across.
const margin = computed(() => ({ left: 56, right: 14 + rowsOf(beside.value) * ROW, top: 26, bottom: 10 + rowsOf(below.value) * ROW }))

const spot = ([x, y]: Point, left = 0, bottom = height.value) => `${(left + x * scale).toFixed(1)},${(bottom - y * scale).toFixed(1)}`
/** The edge of a part with its windows, as one path, its lower left corner at this place; seen from behind, it is as in a mirror. */
const pathOf = (shape: Part, left = 0, bottom = height.value, behind = false) =>
  [
    shape.outline
    ?? ([
      [0, 0],
      [shape.width.value, 0],
      [shape.width.value, shape.height.value],
      [0, shape.height.value],
    ] as Point[]),
    ...shape.windows.map(windowOutline),
  ]
    .map(corners => `M${corners.map(([x, y]) => spot([behind ? shape.width.value - x : x, y], left, bottom)).join('L')}Z`)
    .join('')
/** The edge of one panel with what is cut from it. */
const faceOf = (panel: Panel) =>
  [outlineOf(panel), ...holesOf(part, panel)].map(corners => `M${corners.map(corner => spot(corner)).join('L')}Z`).join('')
const pointOf = ({ x, y }: Place): Point => [x.value, y.value]

interface Laid {
  part: Part
  joint: Joint
  /** Whether it lies on the outside, or on something that does. */
  behind: boolean
  x: number
  y: number
}

/** Everything glued on this blank and on what lies on it, lowest layer first; y counts from the top here. */
const layers = computed(() => {
  const found: Laid[] = []
  const visit = (panel: Panel, x: number, bottom: number, below = false) => {
    for (const joint of construction.joints) {
      if (joint.onto.part !== panel.part || joint.onto.key !== panel.key) continue
      const glued = byKey(construction.parts, joint.part)
      // What is no layer, such as a plate across the folded card, is drawn by itself; what the maker has laid on it can be moved.
      if (!(isLayer(glued.kind) || isFree(glued)) || glued.width.value <= 0 || glued.height.value <= 0) continue
      const behind = below !== (joint.face === 'outside')
      // On a layer that is seen from behind, left is right.
      const left = below ? panel.width.value - joint.x.value - glued.width.value : joint.x.value
      const at = { x: x + left * scale, bottom: bottom - joint.y.value * scale }
      found.push({ part: glued, joint, behind, x: at.x, y: at.bottom - glued.height.value * scale })
      visit(face(glued), at.x, at.bottom, behind)
    }
  }
  for (const panel of part.panels) visit(panel, panel.x.value * scale, height.value - panel.y.value * scale)
  return found
})
/** Where the name of a panel stands: a place that lies in it for every shape that folds use. */
function middle(panel: Panel) {
  // Where a flap is cut from its middle the name goes above it.
  if (panel.holes)
    return { x: (panel.x.value + panel.width.value / 2) * scale, y: height.value - (panel.y.value + panel.height.value) * scale + 16 }
  const corners = outlineOf(panel)
  // Many corners along one edge, as round steps, would pull the mean there.
  const mean = (axis: 0 | 1) =>
    corners.length > 5
      ? (Math.min(...corners.map(corner => corner[axis])) + Math.max(...corners.map(corner => corner[axis]))) / 2
      : corners.reduce((sum, corner) => sum + corner[axis], 0) / corners.length
  return { x: mean(0) * scale, y: height.value - mean(1) * scale }
}
/** Where the number of a crease stands: a quarter of the way along it, clear of names in the middle. */
const numbered = ({ from, to }: Crease): Point => [
  from.x.value + (to.x.value - from.x.value) / 4,
  from.y.value + (to.y.value - from.y.value) / 4,
]
/** Width of a letter of a name, about. */
const LETTER = 6.6
const nameOf = ({ name }: Panel) => (part.panels.length > 1 ? name : part.name)
function roomy(panel: Panel) {
  const corners = outlineOf(panel)
  const across = (axis: 0 | 1) =>
    (Math.max(...corners.map(corner => corner[axis])) - Math.min(...corners.map(corner => corner[axis]))) * scale
  return across(0) >= nameOf(panel).length * LETTER && across(1) >= 16
}
const isFree = ({ key }: Part) => mark !== undefined && isFreePart(key)
/** About its middle, as it lies on the card; drawings have up the other way round. */
const turning = ({ part: { width, height }, joint: { turned }, behind, x, y }: Laid) =>
  turned === 0
    ? undefined
    : `rotate(${behind ? turned : -turned} ${x + (width.value * scale) / 2} ${y + (height.value * scale) / 2})`

/** A free piece under the hand, and how far it has been moved already, in marks. */
let pulled: { key: string, way: 1 | -1, x: number, y: number, right: number, up: number } | undefined
/** What lies behind is moved along its own face, on which left is right. */
const wayOf = ({ behind }: Laid) => (behind ? -1 : 1)
function grab(event: PointerEvent, layer: Laid) {
  const { part: shape } = layer
  if (!isFree(shape)) return
  pulled = { key: shape.key, way: wayOf(layer), x: event.clientX, y: event.clientY, right: 0, up: 0 };
  (event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent) {
  if (!pulled || mark === undefined) return
  const marks = (pixels: number) => Math.round(pixels / (mark * scale))
  const [right, up] = [marks(event.clientX - pulled.x), marks(pulled.y - event.clientY)]
  if (right === pulled.right && up === pulled.up) return
  emit('move', pulled.key, pulled.way * (right - pulled.right) * mark, (up - pulled.up) * mark)
  pulled = { ...pulled, right, up }
}
function nudge(event: KeyboardEvent, layer: Laid) {
  const { part: shape } = layer
  const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
  if (!way || !isFree(shape) || mark === undefined) return
  event.preventDefault()
  const [right = 0, up = 0] = way
  emit('move', shape.key, wayOf(layer) * right * mark, up * mark)
}
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
  const size = `${formatLength(shape.width.value, units)} × ${formatLength(shape.height.value, units, { unit: true })}`
  return [shape.name, size, ...(faces.length > 0 ? [`face ${faces.map(({ name }) => name).join(' and ')}`] : [])].join(', ')
}
const turned = (part: Part) => part.printTop === 'left' || part.printTop === 'right'
</script>

<template>
  <svg
    class="drawing"
    :viewBox="`${-margin.left} ${-margin.top} ${width + margin.left + margin.right} ${height + margin.top + margin.bottom}`"
    :width="width + margin.left + margin.right"
    :height="height + margin.top + margin.bottom"
    role="group"
    :aria-label="`Flat pattern of ${part.name}`"
  >
    <path
      :d="pathOf(part)"
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
      :d="faceOf(panel)"
      fill-rule="evenodd"
      :class="['face', { marked: chosen?.panels && isChosen(chosen, part.key, panel.key) }]"
      @click="pick(part.key, [panel.key])"
    />
    <path
      v-for="layer in layers"
      :key="layer.part.key"
      :d="pathOf(layer.part, layer.x, layer.y + layer.part.height.value * scale, layer.behind)"
      :fill="paperFill(papers[layer.part.key], turned(layer.part))"
      fill-rule="evenodd"
      :class="[
        'edge layer',
        { free: isFree(layer.part), chosen: isChosen(chosen, layer.part.key), behind: layer.behind },
      ]"
      :transform="turning(layer)"
      role="button"
      tabindex="0"
      :aria-pressed="isChosen(chosen, layer.part.key)"
      :aria-label="labelOf(layer.part)"
      @click="pick(layer.part.key)"
      @keydown.enter.space.prevent="pick(layer.part.key)"
      @keydown="nudge($event, layer)"
      @pointerdown="grab($event, layer)"
      @pointermove="pull"
      @pointerup="pulled = undefined"
      @pointercancel="pulled = undefined"
    >
      <title>{{ layer.part.name }}{{ layer.behind ? ', on the outside' : '' }}</title>
    </path>
    <path
      v-for="(slit, index) in part.slits"
      :key="`slit ${index}`"
      :d="`M${spot(pointOf(slit.from))}L${spot(pointOf(slit.to))}`"
      class="slit"
    />
    <template
      v-for="(crease, index) in part.creases"
      :key="index"
    >
      <path
        v-for="look in ['halo', crease.direction]"
        :key="look"
        :d="`M${spot(pointOf(crease.from))}L${spot(pointOf(crease.to))}`"
        :class="look === 'halo' ? ['halo', { flips }] : ['crease', look]"
        @click="flips ? emit('flip', crease) : pick(part.key, crease.between)"
      />
    </template>
    <g
      v-for="(crease, index) in numbers ? part.creases : []"
      :key="`number ${index}`"
      :transform="`translate(${spot(numbered(crease))})`"
    >
      <circle
        r="9"
        class="disc"
      />
      <text
        y="4.5"
        text-anchor="middle"
        class="count"
      >{{ numbers![index] }}</text>
    </g>
    <g
      v-for="panel in part.panels"
      :key="panel.key"
    >
      <text
        v-if="roomy(panel)"
        :x="middle(panel).x"
        :y="middle(panel).y"
        class="name"
        text-anchor="middle"
      >{{ nameOf(panel) }}</text>
      <title v-else>{{ panel.name }}</title>
      <text
        v-if="roomy(panel) && layers.some(({ joint }) => joint.onto === panel && joint.face === 'outside')"
        :x="middle(panel).x"
        :y="middle(panel).y + 16"
        class="name"
        text-anchor="middle"
      >mat outside</text>
    </g>
    <g
      v-for="label in edges"
      :key="label.key"
      :transform="label.place"
      class="measured"
      @click="emit('ask', label.at.givens)"
    >
      <path
        :d="`M0 0V${8 + label.row * ROW}`"
        class="leader"
      />
      <DimensionText
        :y="20 + label.row * ROW"
        :length="label.at.value"
        :units="units"
      />
      <text
        :y="33 + label.row * ROW"
        text-anchor="middle"
        class="word"
      >{{ label.words }}</text>
    </g>
    <DimensionText
      :x="width / 2"
      y="-10"
      :length="part.width.value"
      :units="units"
      class="measured"
      @click="emit('ask', part.width.givens)"
    />
    <text
      x="-8"
      :y="height / 2 + 5"
      text-anchor="end"
      class="dimension measured"
      @click="emit('ask', part.height.givens)"
    ><SvgLength
      :length="part.height.value"
      :units="units"
    /></text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
  height: auto;
}
.edge {
  stroke: var(--ink);
  stroke-width: 1.2;
  cursor: pointer;
}
.edge:focus-visible {
  outline: none;
  stroke: var(--accent);
  stroke-width: 4;
}
.broken {
  stroke: var(--stop);
  stroke-width: 2.5;
  stroke-dasharray: 8 5;
}
.face {
  fill: transparent;
  cursor: pointer;
}
.face.marked {
  fill: color-mix(in srgb, var(--accent) 22%, transparent);
  stroke: var(--accent);
  stroke-width: 2.5;
}
.measured {
  cursor: pointer;
}
.measured:hover {
  text-decoration: underline;
}
/* Also what has no paper yet can be pointed at. */
.edge {
  pointer-events: all;
}
.layer {
  stroke-width: 0.8;
}
.behind {
  fill-opacity: 0.25;
  stroke-dasharray: 2 3;
}
.chosen {
  stroke: var(--accent);
  stroke-width: 3;
}
.crease {
  stroke: var(--ink);
  stroke-width: 1.6;
  pointer-events: none;
}
.halo {
  stroke: var(--sheet);
  stroke-width: 5;
  stroke-opacity: 0.8;
  cursor: pointer;
}
.flips {
  stroke-width: 12;
}
.free {
  cursor: move;
  touch-action: none;
}
.slit {
  stroke: var(--ink);
  stroke-width: 2.6;
  pointer-events: none;
}
.disc {
  fill: var(--sheet);
  stroke: var(--ink);
}
.count {
  font-size: 12px;
  font-weight: 700;
}
.leader {
  stroke: var(--line);
  stroke-width: 1;
}
.mountain {
  stroke-dasharray: 10 3 2 3;
}
.valley {
  stroke-dasharray: 6 4;
}
.dimension {
  font-size: 17px;
  font-weight: 500;
}
.word {
  font-size: 12px;
  fill: var(--quiet);
}
.name {
  font-size: 14px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
  stroke-linejoin: round;
  pointer-events: none;
}
</style>
