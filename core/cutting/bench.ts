import { itemAt } from '../lists'
import type { Length, Reading } from '../lengths'
import type { Cutter, Layout, Order, Size, Supply, Work } from './plan'
import { sequenceOf } from './sequence'
import { frameOf } from './squaring'
import { Trimmer } from './trimmer'
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

export interface Point {
  x: number
  y: number
}

/** What the sheets of layouts are called: an offcut is not called sheet. */
const sheetName = (index: number, kind: Supply['kind'] = 'sheet'): string => `${kind} ${index + 1}`

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
  const sheets = layouts.map(({ key, root, repeats, supply }, index) => ({
    root, repeats, index, frame: frameOf(root, cutter), layout: key ?? `${index + 1}`,
    name: sheetName(index, supplies.find(other => other.key === supply)?.kind),
  }))
  const trimmer = new Trimmer(sheets, cutter, names)
  trimmer.squareAll()
  for (const { root, repeats, frame, layout, name, index } of sheets)
    if (!frame) trimmer.lay(root, repeats, [{ x: 0, y: 0, layout }], name, index)
  const found = order ?? sequenceOf(layouts, cutter, work).order
  for (let at = 0; at < found.length; at += 2) {
    const hand = trimmer.hands.find(({ serial }) => serial === found[at])
    const group = hand?.groups[itemAt(found, at + 1)]
    if (hand && group) trimmer.cutOff(hand, group)
  }
  return withPilesReady(trimmer.steps)
}

/** The steps with what lies ready of strips that come off at several times, and with names on those only that are put aside. */
function withPilesReady(steps: BenchStep[]): BenchStep[] {
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
}
