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
  /** What remains in the end, when this is the last cut of the thing in hand. */
  rest?: { kind: 'piece' | 'strip' | 'offcut' | 'waste', name: string, quantity: number }
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

interface Group {
  node: CutNode
  count: number
  /** Where the first of them begins, from the start of the cut node. */
  offset: number
}

interface Hand {
  label: string
  quantity: number
  node: CutNode & { kind: 'cut' }
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
  const letters = new Map<string, string>()
  const hands: Hand[] = []
  const steps: BenchStep[] = []
  take('sheet', layout.repeats, layout.root, [{ x: 0, y: 0 }])
  let fence: Length | undefined
  while (hands.length > 0) {
    const choices = hands.flatMap(hand => hand.groups.slice(0, movable(hand)).map(group => ({ hand, group })))
    const same = choices.find(({ hand, group }) => group.node[hand.node.side] === fence)
    const { hand, group } = same ?? choices.reduce((a, b) => (b.group.node[b.hand.node.side] > a.group.node[a.hand.node.side] ? b : a))
    fence = cutOff(hand, group)
  }
  return steps

  function take(label: string, quantity: number, node: CutNode, corners: Point[]): void {
    if (node.kind !== 'cut') return
    const groups: Group[] = []
    let offset = 0
    for (const part of node.parts) {
      const last = groups.at(-1)
      if (last && alike(last.node, part)) last.count++
      else groups.push({ node: part, count: 1, offset })
      offset += part[node.side]
    }
    hands.push({ label, quantity, node, groups, size: node[node.side], corners })
  }

  /** Leftovers stay last; any other part may come off first. */
  function movable({ groups }: Hand): number {
    const last = groups.at(-1)!.node.kind
    return groups.length > 1 && (last === 'offcut' || last === 'waste') ? groups.length - 1 : groups.length
  }

  function cutOff(hand: Hand, group: Group): Length {
    const { side } = hand.node
    const size = group.node[side]
    const isLast = hand.groups.length === 1
    const cuts = isLast ? group.count - 1 : group.count
    const across = side === 'width' ? hand.node.height : hand.node.width
    hand.groups.splice(hand.groups.indexOf(group), 1)
    const restGroup = hand.groups.length === 1 && hand.groups[0]!.count === 1 ? hand.groups[0]! : undefined
    const step: BenchStep = {
      hold: hand.label,
      quantity: hand.quantity,
      side,
      fence: size,
      reading: readOffScale(size, hand.size, cutter.mark),
      cuts,
      strokes: cuts * Math.ceil(hand.quantity / cutter.stack),
      keep: named(group.node, group.count * hand.quantity),
      rest: restGroup && named(restGroup.node, hand.quantity),
      byKnife: across > cutter.length,
      lines: linesOf(hand, group, cuts),
    }
    if (cuts > 0) steps.push(step)
    hand.size = difference(hand.size, (size * group.count) as Length)
    take(step.keep.name, step.keep.quantity, group.node, cornersOf(hand, group))
    if (restGroup) {
      hand.groups.length = 0
      take(step.rest!.name, step.rest!.quantity, restGroup.node, cornersOf(hand, restGroup))
    }
    if (hand.groups.length === 0) hands.splice(hands.indexOf(hand), 1)
    return cuts > 0 ? size : fence ?? size
  }

  function named(node: CutNode, quantity: number): BenchStep['keep'] {
    if (node.kind === 'piece') return { kind: 'piece', name: names.get(node.demand) ?? node.demand, quantity }
    if (node.kind !== 'cut') return { kind: node.kind, name: node.kind, quantity }
    const key = JSON.stringify(node)
    if (!letters.has(key)) letters.set(key, letter(letters.size))
    return { kind: 'strip', name: `strip ${letters.get(key)}`, quantity }
  }
}

/** A point moved along the side that a cut node divides. */
const along = ({ x, y }: Point, side: 'width' | 'height', by: number): Point => (side === 'width' ? { x: x + by, y } : { x, y: y + by })

const cornersOf = ({ corners, node: { side } }: Hand, { node, count, offset }: Group): Point[] =>
  corners.flatMap(corner => Array.from({ length: count }, (_, index) => along(corner, side, offset + index * node[side])))

/** Lines at the far side of each part that comes off, or between them where the last part is what remains. */
function linesOf({ corners, node: { side, width, height } }: Hand, { node, count, offset }: Group, cuts: number): Line[] {
  const size = node[side]
  const atEnd = offset + count * size === (side === 'width' ? width : height)
  const first = atEnd ? offset + (count - cuts) * size : offset + size
  return corners.flatMap(corner => Array.from({ length: cuts }, (_, index) => {
    const from = along(corner, side, first + index * size)
    return { from, to: along(from, side === 'width' ? 'height' : 'width', side === 'width' ? height : width) }
  }))
}

const alike = (a: CutNode, b: CutNode): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

/** A, B, … Z, AA, AB, … */
const letter = (index: number): string =>
  (index >= 26 ? letter(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + index % 26)

/** How often the fence has to be moved. */
export const settingsIn = (steps: BenchStep[]): number =>
  steps.filter((step, index) => index === 0 || step.fence !== steps[index - 1]!.fence).length

export const strokesIn = (steps: BenchStep[]): number => steps.reduce((total, step) => total + step.strokes, 0)
