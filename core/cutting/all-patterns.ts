/* eslint-disable @typescript-eslint/no-non-null-assertion -- The tables of this search are read some hundred million
   times in a class, every place in them being counted from the length of the very list that is read. */
import type { CutNode, Demand } from './plan'
import type { SheetGrid } from './sheet-grid'
import { tidy } from './tidy'

/**
 * Sets of counts that one rectangle can give. The counts of all demands stand in one
 * number, with a free bit above each, so that sums and comparisons take one step for
 * all of them; beside each how it comes about: a piece, a cut after point k, or as the
 * next smaller rectangle, and from which entries of the two parts.
 */
interface Counted {
  counts: number[]
  way: (1 | 2 | 3 | 4 | 5)[]
  k: number[]
  a: number[]
  b: number[]
}

/** Puts together the sets of counts of one rectangle after the other. */
class CountSets {
  readonly sets: Counted[] = []
  /** Merges so far. */
  steps = 0
  private readonly one: Map<string, number>
  private readonly guard: number
  private set: Counted = noneYet()
  private seen = new Set<number>()

  constructor(private readonly grid: SheetGrid, demands: Demand[], bits: number) {
    this.one = new Map(demands.map(({ key }, index) => [key, 2 ** (index * bits)]))
    this.guard = demands.reduce((sum, _, index) => sum + 2 ** (index * bits + bits - 1), 0)
  }

  /** All that one rectangle can give, told by its points; those before it must be there. */
  add(i: number, j: number): void {
    const { grid: { xs, ys, besideX, besideY, items, exact, cutter: { length: longest } }, sets } = this
    const [columns, rows] = [xs.length, ys.length]
    const here = i * rows + j
    this.set = noneYet()
    this.seen = new Set()
    for (const item of exact[here] ?? []) this.offer(this.one.get(items[item]!.demand.key)!, 1, item, 0, 0)
    if (ys[j]! <= longest) {
      if (i > 0) sets[here - rows]!.counts.forEach((counts, a) => this.offer(counts, 4, 0, a, 0))
      for (let k = 0; 2 * xs[k]! <= xs[i]!; k++)
        if (besideX[i * columns + k]! >= 0)
          this.join(2, k, sets[k * rows + j]!, sets[besideX[i * columns + k]! * rows + j]!)
    }
    if (xs[i]! <= longest) {
      if (j > 0) sets[here - 1]!.counts.forEach((counts, a) => this.offer(counts, 5, 0, a, 0))
      for (let k = 0; 2 * ys[k]! <= ys[j]!; k++)
        if (besideY[j * rows + k]! >= 0) this.join(3, k, sets[i * rows + k]!, sets[i * rows + besideY[j * rows + k]!]!)
    }
    // An empty rectangle counts as one way, so that what lies beside it is found.
    if (this.set.counts.length === 0) this.offer(0, 1, -1, 0, 0)
    sets.push(this.set)
  }

  private join(way: 2 | 3, k: number, first: Counted, second: Counted): void {
    this.steps += first.counts.length * second.counts.length
    for (let a = 0; a < first.counts.length; a++)
      for (let b = 0; b < second.counts.length; b++) this.offer(first.counts[a]! + second.counts[b]!, way, k, a, b)
  }

  /** Adds counts to the rectangle at hand unless others beat them, and takes out what they beat. */
  private offer(counts: number, way: Counted['way'][number], k: number, a: number, b: number): void {
    const { set, seen, guard } = this
    if (seen.has(counts)) return
    seen.add(counts)
    for (const other of set.counts) if ((((other | guard) - counts) & guard) === guard) return
    for (let at = set.counts.length - 1; at >= 0; at--) {
      if ((((counts | guard) - set.counts[at]!) & guard) === guard)
        for (const list of Object.values(set)) list.splice(at, 1)
    }
    set.counts.push(counts)
    set.way.push(way)
    set.k.push(k)
    set.a.push(a)
    set.b.push(b)
  }
}

const noneYet = (): Counted => ({ counts: [], way: [], k: [], a: [], b: [] })

/**
 * Every pattern that no other one beats in all its counts, by the same dynamic programming as for values, over sets of
 * counts: with all of them an integer programme is exact. Only for few sizes; the sets grow fast.
 * @param most steps of merging before it gives up
 * @returns nothing where it gave up
 */
export function allPatterns(grid: SheetGrid, demands: Demand[], most: number): CutNode[] | undefined {
  const { xs, ys, sheet } = grid
  // On a grid not every pattern is there.
  if (grid.grid > 0) return undefined
  const [columns, rows] = [xs.length, ys.length]
  const bits = Math.floor(31 / demands.length)
  const full = (demand: Demand) => Math.floor((sheet.width * sheet.height) / (demand.width * demand.height))
  if (demands.some(demand => full(demand) >= 2 ** (bits - 1))) return undefined
  const counting = new CountSets(grid, demands, bits)
  for (let i = 0; i < columns; i++) {
    for (let j = 0; j < rows; j++) {
      counting.add(i, j)
      if (counting.steps > most) return undefined
    }
  }
  const { sets } = counting
  return sets
    .at(-1)!
    .counts.flatMap((counts, at) =>
      counts > 0 ? [tidy(treeOf(grid, sets, at, columns - 1, rows - 1), grid.cutter)] : [],
    )
}

/** The cut tree of one entry; a rectangle is told by its points, and what is over is padded. */
function treeOf(grid: SheetGrid, sets: Counted[], at: number, i: number, j: number): CutNode {
  const { xs, ys, besideX, besideY, items } = grid
  const set = sets[i * ys.length + j]!
  const [k, a, b] = [set.k[at]!, set.a[at]!, set.b[at]!]
  const part = (entry: number, right: number, up: number) => treeOf(grid, sets, entry, right, up)
  switch (set.way[at]) {
    case 2:
      return grid.cut('width', i, j, [part(a, k, j), part(b, besideX[i * xs.length + k]!, j)])
    case 3:
      return grid.cut('height', i, j, [part(a, i, k), part(b, i, besideY[j * ys.length + k]!)])
    case 4:
      return grid.cut('width', i, j, [part(a, i - 1, j)])
    case 5:
      return grid.cut('height', i, j, [part(a, i, j - 1)])
    default:
      return k < 0
        ? { kind: 'waste', ...grid.sizeAt(i, j) }
        : { kind: 'piece', demand: items[k]!.demand.key, turned: items[k]!.turned, ...grid.sizeAt(i, j) }
  }
}
