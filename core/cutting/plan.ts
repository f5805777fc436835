import type { Length } from '../lengths'
import type { Turn } from '../paper'

/** Rectangles wanted of one size from one paper. */
export interface Demand {
  key: string
  name: string
  width: Length
  height: Length
  quantity: number
  turn: Turn
}

/** One sheet format to cut from. */
export interface Supply {
  key: string
  width: Length
  height: Length
  onHand: number
  /** Price of one more sheet in cents, `null` where none can be bought. */
  price: number | null
}

/** The maker's trimmer and habits. */
export interface Cutter {
  /** Longest cut. */
  length: Length
  /** Smallest mark of its scale. */
  mark: Length
  /** Narrowest piece that can be held safely. */
  smallestPiece: Length
  /** Sheets cut in one go. */
  stack: number
  /** Trimmed off every sheet edge to square it; zero for none. */
  squaring: Length
  /** Smallest side and largest side an offcut needs to be worth keeping. */
  offcut: { short: Length, long: Length }
}

export type Priority = 'sheets' | 'settings'

/** The cutting problem of one paper. */
export interface Problem {
  demands: Demand[]
  supplies: Supply[]
  cutter: Cutter
  priority: Priority
}

export interface Size {
  width: Length
  height: Length
}

/**
 * A guillotine cut tree. A `cut` divides its rectangle with parallel full cuts:
 * `side: 'width'` sets parts next to each other from left to right,
 * `side: 'height'` sets them on top of each other from bottom to top.
 */
export type CutNode = Size & (
  | { kind: 'piece', demand: string, turned: boolean }
  | { kind: 'offcut' | 'waste' }
  | { kind: 'cut', side: 'width' | 'height', parts: CutNode[] }
)

export interface Layout {
  supply: string
  /** How many sheets are cut like this. */
  repeats: number
  root: CutNode
}

export interface Unplaced {
  demand: string
  quantity: number
  reason: string
}

/** A complete answer for one paper. */
export interface Plan {
  layouts: Layout[]
  unplaced: Unplaced[]
  sheets: number
  /** No plan can need fewer sheets than this for what was placed. */
  bound: number
  /** Share of the sheets' area that ends up in pieces, 0 to 1. */
  yield: number
}

/** A rectangle of a cut tree at its place on the sheet, origin bottom left. */
export type Placed = Size & { x: Length, y: Length, node: CutNode }

/** All leaves of a cut tree at their places. */
export function leavesOf(root: CutNode): Placed[] {
  const leaves: Placed[] = []
  const visit = (node: CutNode, x: number, y: number): void => {
    if (node.kind !== 'cut') {
      leaves.push({ x: x as Length, y: y as Length, width: node.width, height: node.height, node })
      return
    }
    for (const part of node.parts) {
      visit(part, x, y)
      if (node.side === 'width') x += part.width
      else y += part.height
    }
  }
  visit(root, 0, 0)
  return leaves
}

/** How many of each demand one sheet of a layout yields. */
export function countsOf(root: CutNode): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { node } of leavesOf(root)) {
    if (node.kind === 'piece') counts.set(node.demand, (counts.get(node.demand) ?? 0) + 1)
  }
  return counts
}

export const area = ({ width, height }: Size): number => width * height
