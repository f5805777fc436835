import { itemAt } from '../lists'
import type { Length } from '../lengths'
import type { Cutter, CutNode, Size, Supply } from './plan'
import { isFresh } from './plan'

/*
 * Squaring: fresh sheets may come out of square, so a margin is trimmed off each of their four edges before anything
 * else is cut. In a cut tree that frame stands round everything: an edge, what is inside, an edge, first one way and
 * then the other.
 */

export type Side = 'width' | 'height'
export const OTHER = { width: 'height', height: 'width' } as const

/** Offcuts and drop-outs have edges that were cut. */
const marginOf = (supply: Supply, { squaring }: Cutter): number => (isFresh(supply) ? squaring : 0)

/** What is left of a sheet after its squaring cuts. */
export function squared(supply: Supply, cutter: Cutter): Size {
  const margin = marginOf(supply, cutter)
  const lost = margin > 0 ? 2 * (margin + cutter.kerf) : 0
  return { width: (supply.width - lost) as Length, height: (supply.height - lost) as Length }
}

/**
 * Which pair of edges is squared first, so that no squaring cut is longer than
 * the trimmer; `undefined` where the sheet is too large for it either way.
 */
export function squaringOrder(supply: Supply, cutter: Cutter): Side | undefined {
  const inner = squared(supply, cutter)
  if (supply.width <= cutter.length && inner.height <= cutter.length) return 'height'
  if (supply.height <= cutter.length && inner.width <= cutter.length) return 'width'
  return undefined
}

/** Puts the squaring cuts around the part of the sheet that is used. */
export function withMargins(supply: Supply, cutter: Cutter, body: CutNode): CutNode {
  const margin = marginOf(supply, cutter) as Length
  const first = squaringOrder(supply, cutter)
  if (margin === 0 || !first) return body
  const wrap = (inside: CutNode, side: Side): CutNode => {
    const edge: CutNode = { kind: 'waste', width: inside.width, height: inside.height, [side]: margin }
    return {
      kind: 'cut', side, width: inside.width, height: inside.height, [side]: supply[side], parts: [edge, inside, edge],
    }
  }
  return wrap(wrap(body, OTHER[first]), first)
}

/** Whether the trimmer can part a sheet at all, squaring cuts included. */
export function isCuttable(supply: Supply, cutter: Cutter): boolean {
  const inner = squared(supply, cutter)
  const short = Math.min(inner.width, inner.height)
  if (short <= 0 || short > cutter.length) return false
  return marginOf(supply, cutter) === 0 || squaringOrder(supply, cutter) !== undefined
}

/** The frame of squaring cuts in a cut tree. */
export interface Squaring {
  /** Which pair of edges comes off first. */
  first: Side
  margin: Length
  inside: CutNode
}

/** The frame round a tree; nothing where its sheet is not squared. */
export function frameOf(root: CutNode, { squaring }: Cutter): Squaring | undefined {
  const within = (node: CutNode, side: Side): CutNode | undefined => {
    if (squaring === 0 || node.kind !== 'cut' || node.side !== side || node.parts.length !== 3) return undefined
    const isEdge = (at: number) =>
      ['waste', 'offcut'].includes(itemAt(node.parts, at).kind) && itemAt(node.parts, at)[side] === squaring
    return isEdge(0) && isEdge(2) ? itemAt(node.parts, 1) : undefined
  }
  if (root.kind !== 'cut') return undefined
  const body = within(root, root.side)
  const inside = body && within(body, OTHER[root.side])
  return inside && { first: root.side, margin: squaring, inside }
}

/** A tree with something done to it inside its frame, which stays as it is. */
export function withinFrame(root: CutNode, cutter: Cutter, change: (inside: CutNode) => CutNode): CutNode {
  if (!frameOf(root, cutter)) return change(root)
  const inside = (node: CutNode, deep: number): CutNode => {
    if (deep === 0 || node.kind !== 'cut') return change(node)
    return { ...node, parts: node.parts.map((part, at) => (at === 1 ? inside(part, deep - 1) : part)) }
  }
  return inside(root, 2)
}

/** One squaring cut of a sheet: what of it is kept, and what it measured before. */
export interface SquaringCut {
  side: Side
  /** What is kept, which the fence is set to. */
  keep: Length
  before: Size
  after: Size
  /** Where the cut lies on the raw sheet, and where it begins across it. */
  at: number
  from: number
}

/**
 * The four squaring cuts in their order: an edge, then the one opposite with the first at the fence. Sides of the same
 * length take turns, an edge and the one beside it first, so that two settings do for all four.
 */
export function squaringCuts(sheet: Size, { first, margin }: Squaring, kerf: number): SquaringCut[] {
  const second = OTHER[first]
  const sides = sheet.width === sheet.height ? [first, second, first, second] : [first, first, second, second]
  let before: Size = { width: sheet.width, height: sheet.height }
  return sides.map((side, index) => {
    const isNear = sides.indexOf(side) === index
    const keep = (before[side] - margin - kerf) as Length
    const after = { ...before, [side]: keep }
    // Where the edge beside it is gone already, the cut begins behind it.
    const from = sides.slice(0, index).includes(OTHER[side]) ? margin + kerf : 0
    const cut = { side, keep, before, after, at: isNear ? margin : sheet[side] - margin, from }
    before = after
    return cut
  })
}
