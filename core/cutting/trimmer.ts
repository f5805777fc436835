import { itemAt } from '../lists'
import type { Length, ScaleReading } from '../lengths'
import { downToMark, isOnMark, nearestMark, readOffScale } from '../lengths'
import type { BenchStep, Line, Pile, SheetPoint } from './bench-step'
import type { CutNode, Cutter } from './plan'
import { contentOf } from './plan'
import type { AlikeParts } from './cut-kinds'
import { groupsOf } from './cut-kinds'
import type { frameOf } from './squaring'
import { squaringCuts } from './squaring'

type Corner = SheetPoint & { layout: string }

/** What lies on the table and is still to be cut. */
export interface Hand {
  serial: number
  label: string
  /** Number of the sheet that it came off first. */
  from: number
  quantity: number
  node: CutNode & { kind: 'cut' }
  /** The node in short, by which alike strips find each other. */
  content: string
  started: boolean
  /** A sheet: it may lie either way, and is not put together with others. */
  sheet: boolean
  /** Parts that come off, alike ones together, and those that are still to come; the last one is what remains. */
  groups: AlikeParts[]
  left: AlikeParts[]
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

/** All sheets of one layout. */
export interface Sheet {
  root: CutNode
  repeats: number
  index: number
  frame: ReturnType<typeof frameOf>
  layout: string
  name: string
}

/** How many stacks some things in hand make: so many of them on each of some layouts. */
export type Stacking = (layouts: readonly string[], quantity: number) => number

/** The table with the trimmer: what lies on it, and the steps that were made so far. */
export class Trimmer {
  readonly hands: Hand[] = []
  readonly steps: BenchStep[] = []
  /** Strips that came off each sheet. */
  private readonly strips = new Map<number, number>()
  private justCut: Hand[] = []
  private serials: number

  /** @param stacked how sheets of several papers lie in stacks; by their number alone where it is not given */
  constructor(
    private readonly sheets: Sheet[],
    private readonly cutter: Cutter,
    private readonly names: ReadonlyMap<string, string>,
    private readonly stacked: Stacking = (_, quantity) => Math.ceil(quantity / cutter.stack),
  ) {
    this.serials = sheets.length
  }

  private stacksOf({ corners, quantity }: Pick<Hand, 'corners' | 'quantity'>): number {
    return this.stacked(corners.map(({ layout }) => layout), quantity)
  }

  /**
   * Trims the edges of all sheets that are squared, those of one size in one pile whatever their layout, before
   * anything is cut.
   */
  squareAll(): void {
    const alike = new Map<string, Sheet[]>()
    for (const sheet of this.sheets) {
      if (!sheet.frame) continue
      // A sheet that is a piece once it is squared lies with those like it.
      const key = contentOf(sheet.frame.inside.kind === 'cut' ? { ...sheet.root, kind: 'waste' } : sheet.root)
      alike.set(key, [...(alike.get(key) ?? []), sheet])
    }
    for (const same of alike.values()) EDGES.forEach((_, cut) => this.squareEdge(same, cut))
  }

  private squareEdge(same: Sheet[], index: number): void {
    const { frame, root } = itemAt(same, 0)
    const cut = frame && squaringCuts(root, frame, this.cutter.kerf)[index]
    if (!cut) return
    const { side, keep, before, after, at, from } = cut
    const across = side === 'width' ? 'height' : 'width'
    const quantity = same.reduce((sum, { repeats }) => sum + repeats, 0)
    const stacks = this.stacked(same.map(({ layout }) => layout), quantity)
    const start = frame.margin + this.cutter.kerf
    const name = same.length === 1 ? itemAt(same, 0).name : `sheets ${runsOf(same.map(({ index }) => index + 1))}`
    const isLast = index === EDGES.length - 1
    const dealt = isLast
      ? same.map(({ frame, repeats, name, layout, index: sheet }) =>
          this.lay(frame?.inside ?? root, repeats, [{ x: start, y: start, layout }], `squared ${name}`, sheet))
      : []
    const [only] = dealt
    const keeps: Pile = dealt.length === 1 && only
      ? only
      : { kind: 'strip', name: isLast ? `squared ${name}` : `${name} ${EDGES[index]}`, ...after, quantity }
    const line = { x: side === 'width' ? at : from, y: side === 'width' ? from : at }
    this.steps.push({
      key: `step-${this.steps.length + 1}`,
      hold: index === 0 ? name : `${name} ${EDGES[index - 1]}`,
      begun: false,
      quantity,
      size: before,
      side,
      fence: keep,
      reading: this.readingOf(keep, before[side], 1),
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
      byKnife: before[across] > this.cutter.length,
      lines: same.map(({ layout }) => ({
        layout, from: line, to: { ...line, [side === 'width' ? 'y' : 'x']: from + before[across] },
      })),
    })
  }

  /**
   * How a fence is set. From the other edge it can be read for one cut only, because what is in hand grows smaller with
   * each; the blade takes its kerf from there. What lies between marks is never read larger than what is in hand.
   */
  private readingOf(size: Length, held: Length, cuts: number): ScaleReading {
    if (isOnMark(size, this.cutter.mark)) return { from: 'near', at: size }
    const found = readOffScale(size, (held - this.cutter.kerf) as Length, this.cutter.mark)
    if (found.from === 'far' && cuts === 1 && found.at > 0) return found
    return {
      from: 'between', at: Math.min(nearestMark(size, this.cutter.mark), downToMark(held, this.cutter.mark)) as Length,
    }
  }

  /** Puts down a sheet that is to be cut; one that is a piece by itself is done. */
  lay(node: CutNode, quantity: number, corners: Corner[], label: string, index: number): Pile {
    if (node.kind !== 'cut') return this.leftOrPiece(node, quantity)
    this.hands.push({ ...this.handOf(node, quantity, corners), serial: index, label, from: index + 1, sheet: true })
    return { kind: 'strip', name: label, width: node.width, height: node.height, quantity }
  }

  /** Puts down what came off; what has cuts of its own is taken in hand later, alike strips together. */
  private receive(node: CutNode, quantity: number, corners: Corner[], from: Hand): Pile {
    if (node.kind !== 'cut') return this.leftOrPiece(node, quantity)
    const size = { width: node.width, height: node.height, quantity }
    const content = contentOf(node)
    const same = this.hands.find(hand => !hand.started && !hand.sheet && hand.content === content)
    if (same) {
      same.quantity += quantity
      same.corners.push(...corners)
      return { kind: 'strip', name: same.label, ...size }
    }
    const place = this.strips.get(from.from) ?? 0
    this.strips.set(from.from, place + 1)
    const hand: Hand = {
      ...this.handOf(node, quantity, corners),
      serial: this.serials++,
      label: `strip ${from.from}${letterOf(place)}`,
      from: from.from,
      sheet: false,
      lies: from.node.side,
    }
    this.hands.push(hand)
    this.justCut.push(hand)
    return { kind: 'strip', name: hand.label, fresh: true, ...size }
  }

  private leftOrPiece(node: Exclude<CutNode, { kind: 'cut' }>, quantity: number): Pile {
    const size = { width: node.width, height: node.height, quantity }
    if (node.kind === 'piece')
      return { kind: 'piece', name: this.names.get(node.demand) ?? node.demand, demand: node.demand, ...size }
    return { kind: node.kind, name: node.kind, ...size }
  }

  private handOf(node: CutNode & { kind: 'cut' }, quantity: number, corners: Corner[]) {
    const groups = groupsOf(node, this.cutter.kerf)
    return {
      quantity, node, content: contentOf(node), started: false, groups, left: [...groups], size: node[node.side],
      corners,
    }
  }

  /** Cuts all parts of one group off. */
  cutOff(hand: Hand, group: AlikeParts): void {
    const { side } = hand.node
    const size = group.node[side]
    const count = group.offsets.length
    hand.left.splice(hand.left.indexOf(group), 1)
    // The last part of all needs no cut, unless dust of less than a kerf is left beside it.
    const dust = hand.size - count * size - (count - 1) * this.cutter.kerf > 0
    const cuts = hand.left.length === 0 && !dust ? count - 1 : count
    const [remaining, ...others] = hand.left
    const left = hand.size - cuts * (size + this.cutter.kerf)
    const restGroup
      = others.length === 0 && remaining?.offsets.length === 1 && remaining.node[side] === left ? remaining : undefined
    if (restGroup) hand.left.length = 0
    const last = hand.left.length === 0
    if (last) this.hands.splice(this.hands.indexOf(hand), 1)
    const before = this.steps.at(-1)
    const wasCut = this.justCut.includes(hand)
    const begun = hand.started
    const loose = this.hands.filter(other => other !== hand && (!other.sheet || other.started))
    const waiting = loose.reduce((sum, other) => sum + this.stacksOf(other), 0)
    const turn = hand.lies !== undefined && hand.lies !== side
    if (cuts > 0) this.justCut = []
    const keep = this.receive(group.node, count * hand.quantity, cornersOf(hand, group), hand)
    const rest = restGroup && this.receive(restGroup.node, hand.quantity, cornersOf(hand, restGroup), hand)
    hand.started = true
    hand.lies = side
    if (cuts === 0) return
    const stacks = this.stacksOf(hand)
    this.steps.push({
      key: `step-${this.steps.length + 1}`,
      hold: hand.label,
      begun,
      quantity: hand.quantity,
      size: { width: hand.node.width, height: hand.node.height, [side]: hand.size as Length },
      side,
      fence: size,
      reading: this.readingOf(size, hand.size as Length, cuts),
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
      byKnife: hand.node[side === 'width' ? 'height' : 'width'] > this.cutter.length,
      lines: linesOf(hand, group, cuts),
    })
    hand.size = left
  }
}

/** A corner moved along the side that a cut node divides. */
const along = ({ x, y, layout }: Corner, side: 'width' | 'height', by: number): Corner =>
  side === 'width' ? { x: x + by, y, layout } : { x, y: y + by, layout }

const cornersOf = ({ corners, node: { side } }: Hand, { offsets }: AlikeParts): Corner[] =>
  corners.flatMap(corner => offsets.map(offset => along(corner, side, offset)))

/** Lines at the inner side of each part that comes off; between them where the last part is what remains. */
function linesOf(
  { corners, node: { side, width, height } }: Hand, { node, offsets }: AlikeParts, cuts: number,
): Line[] {
  const [whole, across] = side === 'width' ? [width, height] : [height, width]
  const cutAt = offsets.map(offset => (offset + node[side] === whole ? offset : offset + node[side])).slice(0, cuts)
  const point = ({ x, y }: Corner): SheetPoint => ({ x, y })
  return corners.flatMap(corner =>
    cutAt.map((at) => {
      const from = along(corner, side, at)
      return {
        layout: corner.layout, from: point(from), to: point(along(from, side === 'width' ? 'height' : 'width', across)),
      }
    }),
  )
}
