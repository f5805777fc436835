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
  const rises = new Int16Array(columns * rows)
  const risen = new Int16Array(rows)
  const rise = new Int16Array(rows)
  for (let i = 0; i < columns; i++) {
    const wide = xs[i]!
    const column = i * rows
    const besideI = i * columns
    let rose = 0
    for (let j = 0; j < rows; j++) {
      const high = ys[j]!
      const here = column + j
      const row = j * columns
      const besideJ = j * rows
      let [value, kind, chosen] = [0, 0, 0]
      for (const item of exact[here] ?? NONE) {
        if (worths[item]! <= value) continue
        value = worths[item]!
        kind = 1
        chosen = item
      }
      if (high <= longest) {
        if (i > 0 && across[row + i - 1]! > value) {
          value = across[row + i - 1]!
          kind = 4
        }
        // All cuts along x: what lies before the cut, and the largest rest beside it.
        for (let at = 0, most = risen[j]!; at < most; at++) {
          const k = rises[row + at]!
          const rest = besideX[besideI + k]!
          if (2 * xs[k]! > wide || rest < 0) break
          const sum = across[row + k]! + across[row + rest]!
          if (sum <= value) continue
          value = sum
          kind = 2
          chosen = k
        }
      }
      if (wide <= longest) {
        if (j > 0 && values[here - 1]! > value) {
          value = values[here - 1]!
          kind = 5
        }
        for (let at = 0; at < rose; at++) {
          const k = rise[at]!
          const rest = besideY[besideJ + k]!
          if (2 * ys[k]! > high || rest < 0) break
          const sum = values[column + k]! + values[column + rest]!
          if (sum <= value) continue
          value = sum
          kind = 3
          chosen = k
        }
      }
      if (i === 0 || value > across[row + i - 1]!) rises[row + risen[j]!++] = i
      if (j === 0 || value > values[here - 1]!) rise[rose++] = j
      values[here] = across[row + i] = value
      kinds[here] = kind
      which[here] = chosen
    }
  }
  return { values, kinds, which }
}
const NONE: number[] = []

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
