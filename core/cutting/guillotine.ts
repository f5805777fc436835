/* eslint-disable @typescript-eslint/no-non-null-assertion -- The tables of this search are read some hundred million
   times in a class, every place in them being counted from the length of the very list that is read. */
import type { Demand, Cutter, CutNode, Size } from './plan'
import type { Length } from '../lengths'
import { allPatterns } from './all-patterns'
import { SheetGrid } from './sheet-grid'
import type { Item } from './sheet-grid'
import { tidy } from './tidy'

/** The most valuable way to cut one sheet, with its value. */
export interface BestCut {
  value: number
  root: CutNode
}

/** Cuts of a rectangle that are looked at in a step of effort. */
const CUTS_A_STEP = 12

/**
 * Finds the guillotine pattern of greatest value on a sheet: dynamic programming over normal points. Every cut is at
 * most as long as the trimmer. Pieces may be repeated as often as they fit.
 */
export class Guillotine {
  private readonly grid: SheetGrid

  /** @param sheet what is left of the sheet after its squaring cuts */
  constructor(sheet: Size, cutter: Cutter, demands: Demand[]) {
    this.grid = new SheetGrid(sheet, cutter, demands)
  }

  /**
   * What one pricing takes: the rectangles that it looks at; on a grid, which is fine, each of them many times as long.
   */
  get steps(): number {
    const [wide, high] = [this.grid.xs.length, this.grid.ys.length]
    return wide * high * (this.grid.grid === 0 ? 1 : Math.ceil((wide + high) / CUTS_A_STEP))
  }

  /**
   * What no pattern is worth more than: the best one, or on a grid what the sheet would be worth if it were
   * full of what is worth most for its size.
   * @param top the worth of the best pattern found
   */
  atMost(worth: ReadonlyMap<string, number>, top: number): number {
    const { grid, items, sheet } = this.grid
    if (grid === 0) return top
    const densest = Math.max(
      0, ...items.map(({ demand, size }) => (worth.get(demand.key) ?? 0) / (size.width * size.height)),
    )
    return Math.max(top, densest * sheet.width * sheet.height)
  }

  /** @param worth what one piece of each demand is worth, by key */
  best(worth: ReadonlyMap<string, number>): BestCut | undefined {
    return this.bests(worth, 1)[0]
  }

  /**
   * The best pattern, and others that are the best after another first cut.
   * @param worth what one piece of each demand is worth, by key
   * @param count of patterns at most, the most valuable first
   */
  bests(worth: ReadonlyMap<string, number>, count: number): BestCut[] {
    const { grid } = this
    const [right, top] = [grid.xs.length - 1, grid.ys.length - 1]
    const table = valuesOf(grid, grid.items.map(({ demand }) => worth.get(demand.key) ?? 0))
    const whole = table.values.at(-1) ?? 0
    if (whole === 0) return []
    // Equal rectangles are cut alike, so each is made once, and all patterns share them.
    const trees = new Trees(grid, table)
    const tidied = new Map<CutNode, CutNode>()
    const found: BestCut[] = [{ value: whole, root: tidy(trees.at(right, top), grid.cutter, tidied) }]
    if (count === 1) return found
    for (const { side, k, rest, value } of firstCuts(grid, table.values).slice(0, count - 1)) {
      const parts
        = side === 'width' ? [trees.at(k, top), trees.at(rest, top)] : [trees.at(right, k), trees.at(right, rest)]
      found.push({ value, root: tidy(grid.cut(side, right, top, parts), grid.cutter, tidied) })
    }
    return found
  }

  /**
   * Every pattern that is worth a thought, where the sizes are few enough.
   * @param most steps of merging before it gives up
   */
  all(demands: Demand[], most: number): CutNode[] | undefined {
    return allPatterns(this.grid, demands, most)
  }
}

/**
 * What each rectangle is worth, and how it is best used: 0 not at all, a piece, a cut after a point along x or y, the
 * next smaller one.
 */
interface ValueTable {
  values: Float64Array
  kinds: Uint8Array
  which: Int32Array
}

/** @param worths what a piece of each item is worth */
function valuesOf(
  { xs, ys, besideX, besideY, exact, cutter: { length: longest } }: SheetGrid, worths: number[],
): ValueTable {
  const [columns, rows] = [xs.length, ys.length]
  // Values by column and once more by row, so that both kinds of cuts read what lies side by side.
  const values = new Float64Array(columns * rows)
  const across = new Float64Array(columns * rows)
  const kinds = new Uint8Array(columns * rows)
  const which = new Int32Array(columns * rows)
  // Points after which a cut may pay: a smaller part of the same value leaves more beside it.
  const rises = ys.map(() => [] as number[])
  const use: Use = { value: 0, kind: 0, chosen: 0 }
  for (let i = 0; i < columns; i++) {
    const wide = xs[i]!
    const column = i * rows
    const rise: number[] = []
    for (let j = 0; j < rows; j++) {
      const high = ys[j]!
      const here = column + j
      const row = j * columns
      use.value = use.kind = use.chosen = 0
      for (const item of exact.get(here) ?? NONE) better(use, worths[item]!, 1, item)
      if (high <= longest) {
        if (i > 0) better(use, across[row + i - 1]!, 4, use.chosen)
        tryCuts(use, {
          kind: 2, points: xs, whole: wide, cuts: rises[j]!, rests: besideX, of: i * columns, values: across, from: row,
        })
      }
      if (wide <= longest) {
        if (j > 0) better(use, values[here - 1]!, 5, use.chosen)
        tryCuts(use, {
          kind: 3, points: ys, whole: high, cuts: rise, rests: besideY, of: j * rows, values, from: column,
        })
      }
      if (i === 0 || use.value > across[row + i - 1]!) rises[j]!.push(i)
      if (j === 0 || use.value > values[here - 1]!) rise.push(j)
      values[here] = across[row + i] = use.value
      kinds[here] = use.kind
      which[here] = use.chosen
    }
  }
  return { values, kinds, which }
}

/** The best use of a rectangle that is known. */
interface Use {
  value: number
  kind: number
  chosen: number
}
const NONE: number[] = []

function better(use: Use, value: number, kind: number, chosen: number): void {
  if (value <= use.value) return
  use.value = value
  use.kind = kind
  use.chosen = chosen
}

/** Cuts of a rectangle in one direction: where values and rests of its points begin in their tables. */
interface Direction {
  kind: 2 | 3
  points: number[]
  whole: number
  /** Points that may pay. */
  cuts: number[]
  rests: Int16Array
  of: number
  values: Float64Array
  from: number
}

/**
 * All cuts of a rectangle in one direction: after each of some points, what lies before the cut and the largest rest
 * beside it.
 */
function tryCuts(use: Use, { kind, points, whole, cuts, rests, of, values, from }: Direction): void {
  for (let at = 0; at < cuts.length; at++) {
    const k = cuts[at]!
    if (2 * points[k]! > whole) return
    const rest = rests[of + k]!
    if (rest < 0) return
    better(use, values[from + k]! + values[from + rest]!, kind, k)
  }
}

interface FirstCut {
  side: 'width' | 'height'
  k: number
  rest: number
  value: number
}

/** First cuts of the whole sheet with what they are worth, the best first. */
function firstCuts({ xs, ys, besideX, besideY, cutter }: SheetGrid, values: Float64Array): FirstCut[] {
  const [i, j, rows] = [xs.length - 1, ys.length - 1, ys.length]
  const cuts: FirstCut[] = []
  if (ys[j]! <= cutter.length) {
    for (let k = 0; 2 * xs[k]! <= xs[i]!; k++) {
      const rest = besideX[i * xs.length + k]!
      if (rest >= 0) cuts.push({ side: 'width', k, rest, value: values[k * rows + j]! + values[rest * rows + j]! })
    }
  }
  if (xs[i]! <= cutter.length) {
    for (let k = 0; 2 * ys[k]! <= ys[j]!; k++) {
      const rest = besideY[j * rows + k]!
      if (rest >= 0) cuts.push({ side: 'height', k, rest, value: values[i * rows + k]! + values[i * rows + rest]! })
    }
  }
  return cuts.sort((a, b) => b.value - a.value)
}

/** Cut trees of rectangles, told by their points; each is made once. */
class Trees {
  private readonly made = new Map<number, CutNode>()

  constructor(private readonly grid: SheetGrid, private readonly table: ValueTable) {}

  at(i: number, j: number): CutNode {
    const here = i * this.grid.ys.length + j
    const node = this.made.get(here) ?? this.newTree(i, j)
    this.made.set(here, node)
    return node
  }

  private newTree(i: number, j: number): CutNode {
    const { grid, table: { kinds, which } } = this
    const { xs, ys, besideX, besideY, items } = grid
    const here = i * ys.length + j
    const chosen = which[here]!
    switch (kinds[here]) {
      case 1:
        return asItIs(items[chosen]!)
      case 2:
        return grid.cut('width', i, j, [this.at(chosen, j), this.at(besideX[i * xs.length + chosen]!, j)])
      case 3:
        return grid.cut('height', i, j, [this.at(i, chosen), this.at(i, besideY[j * ys.length + chosen]!)])
      case 4:
        return grid.cut('width', i, j, [this.at(i - 1, j)])
      case 5:
        return grid.cut('height', i, j, [this.at(i, j - 1)])
      default:
        return { kind: 'waste', ...grid.sizeAt(i, j) }
    }
  }
}

/** A piece in the place that it is set in: what its place is larger is cut off it. */
function asItIs({ demand, turned, width, height, size }: Item): CutNode {
  const piece: CutNode = { kind: 'piece', demand: demand.key, turned, ...size }
  const parted = (node: CutNode, side: 'width' | 'height', whole: number): CutNode => {
    const left = (whole - node[side]) as Length
    if (left === 0) return node
    const waste: CutNode = { kind: 'waste', width: node.width, height: node.height, [side]: left }
    return { kind: 'cut', side, width: node.width, height: node.height, [side]: whole as Length, parts: [node, waste] }
  }
  return parted(parted(piece, 'height', height), 'width', width)
}
