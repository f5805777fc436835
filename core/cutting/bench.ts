import { itemAt } from '../lists'
import type { Length, Reading } from '../lengths'
import { downToMark, isOnMark, nearestMark, readOffScale } from '../lengths'
import type { CutNode, Cutter, Layout, Order, Size, Supply, Work } from './plan'
import { contentOf } from './plan'
import type { Group } from './sequence'
import { groupsOf, sequenceOf } from './sequence'
import { frameOf, squaringCuts } from './squaring'
import { USUAL_WORK } from './work'

/** One setting of the fence for everything in hand that needs it. */
export interface BenchStep {
  /** Tells it from the other steps of a sequence. */
  key: string
  /** What is cut: a sheet by its number, or a strip by that of the sheet it came off first and a letter. */
  hold: string
  /** It has been cut before, so that it is what was left of it. */
  begun: boolean
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
  /** Sheets of several layouts that are taken up as one pile, by their names; and what such a pile is dealt out into. */
  gathers?: string[]
  deals?: Pile[]
  /** The thing in hand is used up. */
  last: boolean
  /** Stacks that it makes. */
  stacks: number
  /** Whether it is taken up for the first time, is in hand, came off with the last cut, or was put aside and has to be found again. */
  taken: 'new' | 'in hand' | 'just cut' | 'found'
  /** Other piles of strips that lie waiting on the table, and the stacks that they make. */
  piles: number
  waiting: number
  /** What is taken up is turned from how it lay. */
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
  /** A pile that was not there before and is put aside: its name is to be written on it. */
  fresh?: boolean
  /** Of strips that come off at several times: how many lie ready then, and how many there are before they are cut up. */
  ready?: { lying: number, of: number }
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

interface Hand {
  serial: number
  label: string
  /** Number of the sheet that it came off first. */
  from: number
  quantity: number
  node: CutNode & { kind: 'cut' }
  /** The node in short, by which alike strips find each other. */
  content: string
  started: boolean
  /** A sheet, which lies as it likes and finds no others. */
  sheet: boolean
  /** Parts that come off, alike ones together, and those that are still to come; the last one is what remains. */
  groups: Group[]
  left: Group[]
  /** What the thing in hand measures now along the cut side. */
  size: number
  /** The side along which it lies ready to be cut, once it has been cut or has come off. */
  lies?: 'width' | 'height'
  /** Lower left corners of the things in hand on the drawn layouts. */
  corners: Corner[]
}

/** What a sheet is called after each of its squaring cuts. */
const EDGES = ['with one straight edge', 'with two straight edges', 'with three straight edges', 'squared'] as const

/** a, b, … z, aa, ab, … : pieces have capital letters. */
const letterOf = (index: number): string =>
  (index >= 26 ? letterOf(Math.floor(index / 26) - 1) : '') + String.fromCharCode(97 + (index % 26))

/** What the sheets of layouts are called: an offcut is not called sheet. */
const sheetName = (index: number, kind: Supply['kind'] = 'sheet'): string => `${kind} ${index + 1}`

/** Numbers that follow each other as a run: `1–3, 5`. */
function runsOf(numbers: number[]): string {
  const runs: number[][] = []
  for (const number of numbers) {
    const run = runs.at(-1)
    if (run && run.at(-1) === number - 1) run.push(number)
    else runs.push([number])
  }
  return runs.map(run => (run.length > 1 ? `${run[0]}–${run.at(-1)}` : `${run[0]}`)).join(', ')
}

interface Options {
  /** Piece names by demand key; the key itself where a name is missing. */
  names?: ReadonlyMap<string, string>
  work?: Work
  /** The order that was found for these layouts; looked for where it is not given. */
  order?: Order
  /** What the layouts are cut from. */
  supplies?: Supply[]
}

/**
 * The steps of all layouts of a paper, for all their repeats, in the order that takes the least effort. A strip is cut up only
 * after it came off, alike strips of all layouts at once.
 */
export function benchSequence(
  layouts: Layout[],
  cutter: Cutter,
  { names = new Map(), work = USUAL_WORK, order, supplies = [] }: Options = {},
): BenchStep[] {
  const hands: Hand[] = []
  const steps: BenchStep[] = []
  const strips = new Map<number, number>()
  let justCut: Hand[] = []
  let serials = layouts.length
  const sheets = layouts.map(({ key, root, repeats, supply }, index) => ({
    root, repeats, index, frame: frameOf(root, cutter), layout: key ?? `${index + 1}`,
    name: sheetName(index, supplies.find(other => other.key === supply)?.kind),
  }))
  squareAll()
  for (const { root, repeats, frame, layout, name, index } of sheets)
    if (!frame) lay(root, repeats, [{ x: 0, y: 0, layout }], name, index)
  const found = order ?? sequenceOf(layouts, cutter, work).order
  for (let at = 0; at < found.length; at += 2) {
    const hand = hands.find(({ serial }) => serial === found[at])
    const group = hand?.groups[itemAt(found, at + 1)]
    if (hand && group) cutOff(hand, group)
  }
  const cutUp = new Map([...steps].reverse().map(({ hold, quantity }) => [hold, quantity]))
  const lying = new Map<string, number>()
  return steps.map((step, index) => {
    const said = (pile: Pile): Pile => {
      if (pile.kind !== 'strip') return pile
      const ready = (lying.get(pile.name) ?? 0) + pile.quantity
      lying.set(pile.name, ready)
      const of = cutUp.get(pile.name) ?? pile.quantity
      // What is cut up at once needs no name on it.
      const fresh = pile.fresh && steps[index + 1]?.hold !== pile.name
      return { ...pile, fresh, ...(of !== pile.quantity && { ready: { lying: ready, of } }) }
    }
    return { ...step, keep: said(step.keep), rest: step.rest && said(step.rest) }
  })
  /** Trims the edges of all sheets that are squared, those of one size in one pile whatever their layout, before anything is cut. */
  function squareAll(): void {
    const alike = new Map<string, typeof sheets>()
    for (const sheet of sheets) {
      if (!sheet.frame) continue
      // A sheet that is a piece once it is squared lies with those like it.
      const key = contentOf(sheet.frame.inside.kind === 'cut' ? { ...sheet.root, kind: 'waste' } : sheet.root)
      alike.set(key, [...(alike.get(key) ?? []), sheet])
    }
    for (const same of alike.values()) EDGES.forEach((_, cut) => squareEdge(same, cut))
  }

  function squareEdge(same: typeof sheets, index: number): void {
    const { frame, root } = itemAt(same, 0)
    const cut = frame && squaringCuts(root, frame, cutter.kerf)[index]
    if (!cut) return
    const { side, keep, before, after, at, from } = cut
    const across = side === 'width' ? 'height' : 'width'
    const quantity = same.reduce((sum, { repeats }) => sum + repeats, 0)
    const stacks = Math.ceil(quantity / cutter.stack)
    const start = frame.margin + cutter.kerf
    const name = same.length === 1 ? itemAt(same, 0).name : `sheets ${runsOf(same.map(({ index }) => index + 1))}`
    const isLast = index === EDGES.length - 1
    const dealt = isLast
      ? same.map(({ frame, repeats, name, layout, index: sheet }) =>
          lay(frame?.inside ?? root, repeats, [{ x: start, y: start, layout }], `squared ${name}`, sheet))
      : []
    const [only] = dealt
    const keeps: Pile = dealt.length === 1 && only
      ? only
      : { kind: 'strip', name: isLast ? `squared ${name}` : `${name} ${EDGES[index]}`, ...after, quantity }
    const line = { x: side === 'width' ? at : from, y: side === 'width' ? from : at }
    steps.push({
      key: `step-${steps.length + 1}`,
      hold: index === 0 ? name : `${name} ${EDGES[index - 1]}`,
      begun: false,
      quantity,
      size: before,
      side,
      fence: keep,
      reading: readingOf(keep, before[side], 1),
      cuts: 1,
      strokes: stacks,
      keep: keeps,
      rest: { kind: 'waste', name: 'waste', ...before, [side]: frame.margin, quantity },
      ...(same.length > 1 && index === 0 && { gathers: same.map(({ name }) => name) }),
      ...(dealt.length > 1 && { deals: dealt }),
      last: true,
      stacks,
      taken: index === 0 ? 'new' : 'in hand',
      piles: 0,
      waiting: 0,
      // Turned end for end, or by a quarter.
      turn: index > 0,
      byKnife: before[across] > cutter.length,
      lines: same.map(({ layout }) => ({ layout, from: line, to: { ...line, [side === 'width' ? 'y' : 'x']: from + before[across] } })),
    })
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

  /** Puts down a sheet that is to be cut; one that is a piece by itself is done. */
  function lay(node: CutNode, quantity: number, corners: Corner[], label: string, index: number): Pile {
    if (node.kind !== 'cut') return leftOrPiece(node, quantity)
    hands.push({ ...handOf(node, quantity, corners), serial: index, label, from: index + 1, sheet: true })
    return { kind: 'strip', name: label, width: node.width, height: node.height, quantity }
  }

  /** Puts down what came off; what has cuts of its own is taken in hand later, alike strips together. */
  function receive(node: CutNode, quantity: number, corners: Corner[], from: Hand): Pile {
    if (node.kind !== 'cut') return leftOrPiece(node, quantity)
    const size = { width: node.width, height: node.height, quantity }
    const content = contentOf(node)
    const same = hands.find(hand => !hand.started && !hand.sheet && hand.content === content)
    if (same) {
      same.quantity += quantity
      same.corners.push(...corners)
      return { kind: 'strip', name: same.label, ...size }
    }
    const place = strips.get(from.from) ?? 0
    strips.set(from.from, place + 1)
    const hand: Hand = {
      ...handOf(node, quantity, corners), serial: serials++, label: `strip ${from.from}${letterOf(place)}`, from: from.from, sheet: false,
      lies: from.node.side,
    }
    hands.push(hand)
    justCut.push(hand)
    return { kind: 'strip', name: hand.label, fresh: true, ...size }
  }

  function leftOrPiece(node: Exclude<CutNode, { kind: 'cut' }>, quantity: number): Pile {
    const size = { width: node.width, height: node.height, quantity }
    if (node.kind === 'piece') return { kind: 'piece', name: names.get(node.demand) ?? node.demand, demand: node.demand, ...size }
    return { kind: node.kind, name: node.kind, ...size }
  }

  function handOf(node: CutNode & { kind: 'cut' }, quantity: number, corners: Corner[]) {
    const groups = groupsOf(node, cutter.kerf)
    return { quantity, node, content: contentOf(node), started: false, groups, left: [...groups], size: node[node.side], corners }
  }

  /** Cuts all parts of one group off. */
  function cutOff(hand: Hand, group: Group): void {
    const { side } = hand.node
    const size = group.node[side]
    const count = group.offsets.length
    hand.left.splice(hand.left.indexOf(group), 1)
    // The last part of all needs no cut, unless dust of less than a kerf is left beside it.
    const dust = hand.size - count * size - (count - 1) * cutter.kerf > 0
    const cuts = hand.left.length === 0 && !dust ? count - 1 : count
    const [remaining, ...others] = hand.left
    const left = hand.size - cuts * (size + cutter.kerf)
    const restGroup = others.length === 0 && remaining?.offsets.length === 1 && remaining.node[side] === left ? remaining : undefined
    if (restGroup) hand.left.length = 0
    const last = hand.left.length === 0
    if (last) hands.splice(hands.indexOf(hand), 1)
    const before = steps.at(-1)
    const wasCut = justCut.includes(hand)
    const begun = hand.started
    const stacksOf = ({ quantity }: Pick<Hand, 'quantity'>) => Math.ceil(quantity / cutter.stack)
    const loose = hands.filter(other => other !== hand && (!other.sheet || other.started))
    const waiting = loose.reduce((sum, other) => sum + stacksOf(other), 0)
    const turn = hand.lies !== undefined && hand.lies !== side
    if (cuts > 0) justCut = []
    const keep = receive(group.node, count * hand.quantity, cornersOf(hand, group), hand)
    const rest = restGroup && receive(restGroup.node, hand.quantity, cornersOf(hand, restGroup), hand)
    hand.started = true
    hand.lies = side
    if (cuts === 0) return
    const stacks = stacksOf(hand)
    steps.push({
      key: `step-${steps.length + 1}`,
      hold: hand.label,
      begun,
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
      stacks,
      piles: loose.length,
      taken: before?.hold === hand.label ? 'in hand' : hand.sheet && !begun ? 'new' : wasCut ? 'just cut' : 'found',
      waiting,
      turn,
      byKnife: hand.node[side === 'width' ? 'height' : 'width'] > cutter.length,
      lines: linesOf(hand, group, cuts),
    })
    hand.size = left
  }
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
