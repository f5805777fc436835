import type { Length, ScaleReading } from '../lengths'
import type { Size } from './plan'

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
  reading: ScaleReading
  /** Cuts on each one in hand. */
  cuts: number
  /** Strokes of the blade: cuts times stacks. */
  strokes: number
  /** What comes off. */
  keep: Pile
  /** What remains of the thing in hand after its last cut, where that differs from what came off. */
  rest?: Pile
  /**
   * Sheets of several layouts that are taken up as one pile, by their names; and what such a pile is dealt out into.
   */
  gathers?: string[]
  deals?: Pile[]
  /** The thing in hand is used up. */
  last: boolean
  /** Stacks that it makes. */
  stacks: number
  /**
   * Whether it is taken up for the first time, is in hand, came off with the last cut, or was put aside and has to be
   * found again.
   */
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
  /**
   * Of strips that come off at several times: how many lie ready then, and how many there are before they are cut up.
   */
  ready?: { lying: number, of: number }
}

export interface Line {
  /** Key of the layout it is drawn on. */
  layout: string
  from: SheetPoint
  to: SheetPoint
}

export interface SheetPoint {
  x: number
  y: number
}
