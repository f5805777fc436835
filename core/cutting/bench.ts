import { itemAt } from '../lists'
import type { PaceEntry } from '../document'
import type { Length, Reading } from '../lengths'
import { downToMark, isOnMark, nearestMark, readOffScale } from '../lengths'
import { fencesOf } from './patterns'
import type { CutNode, Cutter, Layout, Size } from './plan'
import { contentOf } from './plan'
import { frameOf, squaringCuts } from './squaring'

/** One setting of the fence for everything in hand that needs it. */
export interface BenchStep {
  /** Tells it from the other steps of a sequence. */
  key: string
  /** What is cut: `sheet` or one of several by number, or a strip by its letter. */
  hold: string
  /** How many of it there are, and what each measures before this cut. */
  quantity: number
  size: Size
  /** Which way the fence measures: along the width or the height of the sheet. */
  side: 'width' | 'height'
  fence: Length
  /** How to set it, where the scale has no mark for the fence itself. */
  reading: Reading
  /** Cuts on each one in hand. */
  cuts: number
  /** Strokes of the blade: cuts times stacks. */
  strokes: number
  /** What comes off. */
  keep: Pile
  /** What remains of the thing in hand after its last cut, where that differs from what came off. */
  rest?: Pile
  /** The thing in hand is used up. */
  last: boolean
  /** Stacks taken in hand for this step; none where it is in hand already. */
  handlings: number
  /** The thing in hand is turned from how the last one lay. */
  turn: boolean
  /** The cut is longer than the trimmer: knife and steel ruler. */
  byKnife: boolean
  /** The cuts on the drawn layouts, every alike strip included. */
  lines: Line[]
}

/** Alike things that lie together. */
export interface Pile extends Size {
  kind: 'piece' | 'strip' | 'offcut' | 'waste'
  name: string
  /** Of a piece, the key of its demand. */
  demand?: string
  quantity: number
}

export interface Line {
  /** Key of the layout it is drawn on. */
  layout: string
  from: Point
  to: Point
}

interface Point {
  x: number
  y: number
}

type Corner = Point & { layout: string }

/** Alike parts of one cut node. */
interface Group {
  node: CutNode
  /** Where each of them begins, from the start of the cut node. */
  offsets: number[]
}

interface Hand {
  label: string
  quantity: number
  node: CutNode & { kind: 'cut' }
  /** The node in short, by which alike strips find each other. */
  content: string
  started: boolean
  /** Parts still to come off, alike ones together; the last one is what remains. */
  groups: Group[]
  /** What the thing in hand measures now along the cut side. */
  size: number
  /** Lower left corners of the things in hand on the drawn layouts. */
  corners: Corner[]
}

interface Choice {
  hand: Hand
  group: Group
  size: Length
}

/** What a sheet is called after each of its squaring cuts. */
const EDGES = ['with one straight edge', 'with two straight edges', 'with three straight edges', 'squared'] as const

/** Which cut comes next where the fence has to be moved anyhow. */
type Preference = (a: Choice, b: Choice) => number
const widest: Preference = (a, b) => b.size - a.size
const narrowest: Preference = (a, b) => a.size - b.size
const fullest: Preference = (a, b) => b.hand.quantity - a.hand.quantity || b.size - a.size

/**
 * The order of cuts for all layouts of a paper together, for all their repeats. A
 * strip is cut up only after it came off, alike strips of all layouts at once. A
 * setting of the fence stands until nothing in hand needs it; the next one is, where
 * there is one, a setting that nothing still inside a strip will want again. Of several
 * such orders the one with the fewest settings is taken.
 *
 * @param names piece names by demand key; the key itself where a name is missing
 */
export function benchSequence(layouts: Layout[], cutter: Cutter, names: ReadonlyMap<string, string> = new Map()): BenchStep[] {
  const orders = [widest, fullest, narrowest].map(preference => oneOrder(layouts, cutter, names, preference))
  const effort = (steps: BenchStep[]) => settingsIn(steps) * 1000 + handlingsIn(steps)
  return orders.reduce((best, steps) => (effort(steps) < effort(best) ? steps : best))
}

function oneOrder(layouts: Layout[], cutter: Cutter, names: ReadonlyMap<string, string>, preference: Preference): BenchStep[] {
  const hands: Hand[] = []
  const steps: BenchStep[] = []
  let strips = 0
  let fence: Length | undefined
  const sheets = layouts.map(({ key, root, repeats }, index) => ({
    root, repeats, frame: frameOf(root, cutter), layout: key ?? `${index + 1}`, name: layouts.length === 1 ? 'sheet' : `sheet ${index + 1}`,
  }))
  squareAll()
  for (const { root, repeats, frame, layout, name } of sheets) if (!frame) receive(root, repeats, [{ x: 0, y: 0, layout }], name)
  while (hands.length > 0) {
    const choices = hands.flatMap(hand => movable(hand).map((group): Choice => ({ hand, group, size: group.node[hand.node.side] })))
    const { hand, group } = choices.find(({ size }) => size === fence) ?? nextOf(choices)
    fence = cutOff(hand, group) ?? fence
  }
  return steps

  /** Trims the edges of all sheets that are squared, those of one size together, before anything is cut out of them. */
  function squareAll(): void {
    const alike = new Map<string, typeof sheets>()
    for (const sheet of sheets) {
      const { frame, root } = sheet
      if (frame) alike.set(`${root.width} ${root.height}`, [...(alike.get(`${root.width} ${root.height}`) ?? []), sheet])
    }
    for (const same of alike.values()) EDGES.forEach((_, cut) => same.forEach(sheet => squareEdge(sheet, cut)))
  }

  function squareEdge({ root, repeats, frame, layout, name }: typeof sheets[number], index: number): void {
    const cut = frame && squaringCuts(root, frame, cutter.kerf)[index]
    if (!frame || !cut) return
    const { side, keep, before, after, at, from } = cut
    const across = side === 'width' ? 'height' : 'width'
    const stacks = Math.ceil(repeats / cutter.stack)
    const start = frame.margin + cutter.kerf
    const pile: Pile = index < EDGES.length - 1
      ? { kind: 'strip', name: `${name} ${EDGES[index]}`, ...after, quantity: repeats }
      : receive(frame.inside, repeats, [{ x: start, y: start, layout }], `squared ${name}`)
    const line = { x: side === 'width' ? at : from, y: side === 'width' ? from : at }
    const last = steps.at(-1)
    steps.push({
      key: `step-${steps.length + 1}`,
      hold: index === 0 ? name : `${name} ${EDGES[index - 1]}`,
      quantity: repeats,
      size: before,
      side,
      fence: keep,
      reading: readingOf(keep, before[side], 1),
      cuts: 1,
      strokes: stacks,
      keep: pile,
      rest: { kind: 'waste', name: 'waste', ...before, [side]: frame.margin, quantity: repeats },
      last: true,
      handlings: last?.lines[0]?.layout === layout ? 0 : stacks,
      // Turned end for end, or by a quarter.
      turn: index > 0,
      byKnife: before[across] > cutter.length,
      lines: [{ layout, from: line, to: { ...line, [side === 'width' ? 'y' : 'x']: from + before[across] } }],
    })
    fence = keep
  }

  /**
   * How a fence is set. From the other edge it can be read for one cut only, because what is in hand grows smaller with each;
   * the blade takes its kerf from there. What lies between marks is never read larger than what is in hand.
   */
  function readingOf(size: Length, held: Length, cuts: number): Reading {
    if (isOnMark(size, cutter.mark)) return { from: 'near', at: size }
    const found = readOffScale(size, (held - cutter.kerf) as Length, cutter.mark)
    if (found.from === 'far' && cuts === 1 && found.at > 0) return found
    return { from: 'between', at: Math.min(nearestMark(size, cutter.mark), downToMark(held, cutter.mark)) as Length }
  }

  /** A setting that is not wanted again later, if any is not. */
  function nextOf(choices: Choice[]): Choice {
    const hidden = new Set(hands.flatMap(hand => hand.groups.flatMap(({ node }) => [...hiddenIn(node, hand.node.side)])))
    const free = choices.filter(({ size }) => !hidden.has(size))
    return itemAt([...(free.length > 0 ? free : choices)].sort(preference), 0)
  }

  /** Puts down what came off; what has cuts of its own is taken in hand later, alike strips together. */
  function receive(node: CutNode, quantity: number, corners: Corner[], label?: string): Pile {
    const size = { width: node.width, height: node.height, quantity }
    if (node.kind === 'piece') return { kind: 'piece', name: names.get(node.demand) ?? node.demand, demand: node.demand, ...size }
    if (node.kind !== 'cut') return { kind: node.kind, name: node.kind, ...size }
    const content = contentOf(node)
    const same = hands.find(hand => !hand.started && hand.content === content)
    if (same) {
      same.quantity += quantity
      same.corners.push(...corners)
      return { kind: 'strip', name: same.label, ...size }
    }
    const name = label ?? `strip ${letter(strips++)}`
    hands.push({
      label: name,
      quantity,
      node,
      content,
      started: false,
      groups: groupsOf(node, cutter.kerf),
      size: node[node.side],
      corners,
    })
    return { kind: 'strip', name, ...size }
  }

  /** Leftovers stay last; any other part may come off first. */
  function movable({ groups }: Hand): Group[] {
    const parts = groups.filter(({ node }) => node.kind === 'piece' || node.kind === 'cut')
    return parts.length > 0 ? parts : groups
  }

  /** Cuts all parts of one group off, and answers the fence it took, if any. */
  function cutOff(hand: Hand, group: Group): Length | undefined {
    const { side } = hand.node
    const size = group.node[side]
    const count = group.offsets.length
    hand.started = true
    hand.groups.splice(hand.groups.indexOf(group), 1)
    // The last part of all needs no cut, unless dust of less than a kerf is left beside it.
    const dust = hand.size - count * size - (count - 1) * cutter.kerf > 0
    const cuts = hand.groups.length === 0 && !dust ? count - 1 : count
    const [remaining, ...others] = hand.groups
    const left = hand.size - cuts * (size + cutter.kerf)
    const restGroup = others.length === 0 && remaining?.offsets.length === 1 && remaining.node[side] === left ? remaining : undefined
    if (restGroup) hand.groups.length = 0
    const last = hand.groups.length === 0
    if (last) hands.splice(hands.indexOf(hand), 1)
    const keep = receive(group.node, count * hand.quantity, cornersOf(hand, group))
    const rest = restGroup && receive(restGroup.node, hand.quantity, cornersOf(hand, restGroup))
    if (cuts === 0) return undefined
    const before = steps.at(-1)
    const stacks = Math.ceil(hand.quantity / cutter.stack)
    steps.push({
      key: `step-${steps.length + 1}`,
      hold: hand.label,
      quantity: hand.quantity,
      size: { width: hand.node.width, height: hand.node.height, [side]: hand.size as Length },
      side,
      fence: size,
      reading: readingOf(size, hand.size as Length, cuts),
      cuts,
      strokes: cuts * stacks,
      keep,
      rest,
      last,
      handlings: before?.hold === hand.label ? 0 : stacks,
      turn: before !== undefined && before.side !== side,
      byKnife: hand.node[side === 'width' ? 'height' : 'width'] > cutter.length,
      lines: linesOf(hand, group, cuts),
    })
    hand.size = left
    return size
  }
}

const hidden = { width: new WeakMap<CutNode, ReadonlySet<number>>(), height: new WeakMap<CutNode, ReadonlySet<number>>() }

/** The settings that something inside a part wants, but for its own where that can go on as soon as it is in hand. */
function hiddenIn(node: CutNode, side: 'width' | 'height'): ReadonlySet<number> {
  const known = hidden[side].get(node)
  if (known) return known
  const found = new Set(fencesOf(node))
  const own = node[side]
  if (node.kind === 'cut' && !node.parts.some(part => (part[node.side] === own ? hiddenIn(part, node.side) : fencesOf(part)).has(own)))
    found.delete(own)
  hidden[side].set(node, found)
  return found
}

function groupsOf({ side, parts }: CutNode & { kind: 'cut' }, kerf: number): Group[] {
  const groups = new Map<string, Group>()
  let offset = 0
  for (const part of parts) {
    const content = contentOf(part)
    const group = groups.get(content) ?? { node: part, offsets: [] }
    group.offsets.push(offset)
    groups.set(content, group)
    offset += part[side] + kerf
  }
  return [...groups.values()]
}

/** A corner moved along the side that a cut node divides. */
const along = ({ x, y, layout }: Corner, side: 'width' | 'height', by: number): Corner =>
  side === 'width' ? { x: x + by, y, layout } : { x, y: y + by, layout }

const cornersOf = ({ corners, node: { side } }: Hand, { offsets }: Group): Corner[] =>
  corners.flatMap(corner => offsets.map(offset => along(corner, side, offset)))

/** Lines at the inner side of each part that comes off; between them where the last part is what remains. */
function linesOf({ corners, node: { side, width, height } }: Hand, { node, offsets }: Group, cuts: number): Line[] {
  const [whole, across] = side === 'width' ? [width, height] : [height, width]
  const cutAt = offsets.map(offset => (offset + node[side] === whole ? offset : offset + node[side])).slice(0, cuts)
  const point = ({ x, y }: Corner): Point => ({ x, y })
  return corners.flatMap(corner =>
    cutAt.map((at) => {
      const from = along(corner, side, at)
      return { layout: corner.layout, from: point(from), to: point(along(from, side === 'width' ? 'height' : 'width', across)) }
    }),
  )
}

/** A, B, … Z, AA, AB, … */
const letter = (index: number): string => (index >= 26 ? letter(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26))

/** How often the fence has to be moved. */
export const settingsIn = (steps: BenchStep[]): number =>
  steps.filter((step, index) => index === 0 || step.fence !== steps[index - 1]?.fence).length

export const strokesIn = (steps: BenchStep[]): number => steps.reduce((total, step) => total + step.strokes, 0)

/** How often a stack is taken in hand. */
export const handlingsIn = (steps: BenchStep[]): number => steps.reduce((total, step) => total + step.handlings, 0)

/** Minutes at the trimmer. */
export const minutesOf = (steps: BenchStep[], { setting, stroke, handling }: PaceEntry): number =>
  (settingsIn(steps) * setting + strokesIn(steps) * stroke + handlingsIn(steps) * handling) / 60

/** Minutes as they are said everywhere: whole, and never none for some work. */
export const wholeMinutes = (minutes: number): number => (minutes > 0 ? Math.max(1, Math.round(minutes)) : 0)
