import type { Length, Reading } from '../lengths'
import { difference, readOffScale } from '../lengths'
import type { CutNode, Cutter, Layout } from './plan'

/** One setting of the fence for everything in hand that needs it. */
export interface BenchStep {
  /** What is cut: `sheet`, or a strip by its letter. */
  hold: string
  /** How many of it there are. */
  quantity: number
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
  keep: { kind: 'piece' | 'strip' | 'offcut' | 'waste', name: string, quantity: number }
  /** What remains of the thing in hand after its last cut, where that differs from what came off. */
  rest?: BenchStep['keep']
  /** The thing in hand is used up. */
  last: boolean
  /** The cut is longer than the trimmer: knife and steel ruler. */
  byKnife: boolean
  /** The cuts on one drawn sheet, every alike strip included. */
  lines: Line[]
}

export interface Line {
  from: Point
  to: Point
}

interface Point {
  x: number
  y: number
}

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
  /** `JSON` of the node, by which alike strips find each other. */
  content: string
  started: boolean
  /** Parts still to come off, alike ones together; the last one is what remains. */
  groups: Group[]
  /** What the thing in hand measures now along the cut side. */
  size: Length
  /** Lower left corners of the things in hand on one drawn sheet. */
  corners: Point[]
}

/**
 * The order of cuts for one layout, for all its repeats together. A strip is
 * cut up only after it came off; among the cuts that are possible, one at the
 * fence setting that stands is taken first, else the widest.
 *
 * @param names piece names by demand key; the key itself where a name is missing
 */
export function benchSequence(layout: Layout, cutter: Cutter, names: ReadonlyMap<string, string> = new Map()): BenchStep[] {
  const hands: Hand[] = []
  const steps: BenchStep[] = []
  let strips = 0
  let fence: Length | undefined
  receive(layout.root, layout.repeats, [{ x: 0, y: 0 }], 'sheet')
  while (hands.length > 0) {
    const choices = hands.flatMap(hand => movable(hand).map(group => ({ hand, group, size: group.node[hand.node.side] })))
    const { hand, group } = choices.find(({ size }) => size === fence) ?? choices.reduce((a, b) => (b.size > a.size ? b : a))
    fence = cutOff(hand, group) ?? fence
  }
  return steps

  /** Puts down what came off; what has cuts of its own is taken in hand later, alike strips together. */
  function receive(node: CutNode, quantity: number, corners: Point[], label?: string): BenchStep['keep'] {
    if (node.kind === 'piece') return { kind: 'piece', name: names.get(node.demand) ?? node.demand, quantity }
    if (node.kind !== 'cut') return { kind: node.kind, name: node.kind, quantity }
    const content = JSON.stringify(node)
    const same = hands.find(hand => !hand.started && hand.content === content)
    if (same) {
      same.quantity += quantity
      same.corners.push(...corners)
      return { kind: 'strip', name: same.label, quantity }
    }
    const name = label ?? `strip ${letter(strips++)}`
    hands.push({ label: name, quantity, node, content, started: false, groups: groupsOf(node), size: node[node.side], corners })
    return { kind: 'strip', name, quantity }
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
    const cuts = hand.groups.length === 0 ? count - 1 : count
    const [remaining, ...others] = hand.groups
    const restGroup = others.length === 0 && remaining?.offsets.length === 1 ? remaining : undefined
    if (restGroup) hand.groups.length = 0
    const last = hand.groups.length === 0
    if (last) hands.splice(hands.indexOf(hand), 1)
    const keep = receive(group.node, count * hand.quantity, cornersOf(hand, group))
    const rest = restGroup && receive(restGroup.node, hand.quantity, cornersOf(hand, restGroup))
    if (cuts === 0) return undefined
    steps.push({
      hold: hand.label,
      quantity: hand.quantity,
      side,
      fence: size,
      reading: readOffScale(size, hand.size, cutter.mark),
      cuts,
      strokes: cuts * Math.ceil(hand.quantity / cutter.stack),
      keep,
      rest,
      last,
      byKnife: hand.node[side === 'width' ? 'height' : 'width'] > cutter.length,
      lines: linesOf(hand, group, cuts),
    })
    hand.size = difference(hand.size, (size * count) as Length)
    return size
  }
}

function groupsOf({ side, parts }: CutNode & { kind: 'cut' }): Group[] {
  const groups = new Map<string, Group>()
  let offset = 0
  for (const part of parts) {
    const content = JSON.stringify(part)
    const group = groups.get(content) ?? { node: part, offsets: [] }
    group.offsets.push(offset)
    groups.set(content, group)
    offset += part[side]
  }
  return [...groups.values()]
}

/** A point moved along the side that a cut node divides. */
const along = ({ x, y }: Point, side: 'width' | 'height', by: number): Point => (side === 'width' ? { x: x + by, y } : { x, y: y + by })

const cornersOf = ({ corners, node: { side } }: Hand, { offsets }: Group): Point[] =>
  corners.flatMap(corner => offsets.map(offset => along(corner, side, offset)))

/** Lines at the inner side of each part that comes off; between them where the last part is what remains. */
function linesOf({ corners, node: { side, width, height } }: Hand, { node, offsets }: Group, cuts: number): Line[] {
  const [whole, across] = side === 'width' ? [width, height] : [height, width]
  const cutAt = offsets.map(offset => (offset + node[side] === whole ? offset : offset + node[side])).slice(0, cuts)
  return corners.flatMap(corner => cutAt.map((at) => {
    const from = along(corner, side, at)
    return { from, to: along(from, side === 'width' ? 'height' : 'width', across) }
  }))
}

/** A, B, … Z, AA, AB, … */
const letter = (index: number): string =>
  (index >= 26 ? letter(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + index % 26)

/** How often the fence has to be moved. */
export const settingsIn = (steps: BenchStep[]): number =>
  steps.filter((step, index) => index === 0 || step.fence !== steps[index - 1]!.fence).length

export const strokesIn = (steps: BenchStep[]): number => steps.reduce((total, step) => total + step.strokes, 0)
