/* eslint-disable @typescript-eslint/no-non-null-assertion -- The tables of this search are read some hundred million
   times in a class, every place in them being counted from the length of the very list that is read. */
import type { Length } from '../lengths'
import { ways } from './bound'
import type { CutNode, Cutter, Demand, Size } from './plan'
import { contentOf, countsOf } from './plan'
import { isOffcut } from './strips'

/** The most valuable way to cut one sheet, with its value. */
export interface BestCut {
  value: number
  root: CutNode
}

/** Rectangles that one pricing looks at, at most: many times as many as a class has. With more the sizes are rounded up. */
const MOST_CELLS = 80_000
/** Cuts of a rectangle that are looked at in a step of effort. */
const CUTS_A_STEP = 12
/** Points along one side, as many as a table of them takes. */
const MOST_POINTS = 4000

interface Item {
  demand: Demand
  turned: boolean
  /** As it is set, which may be larger than it is. */
  width: number
  height: number
  size: Size
}

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

/**
 * Finds the guillotine pattern of greatest value on a sheet: dynamic programming
 * over normal points, that is over the sums of piece sizes that fit, of which some
 * best pattern always makes its cuts. Every cut is at most as long as the trimmer.
 * Pieces may be repeated as often as they fit. Where the sizes have too many sums, as millimetres beside inches do, they are
 * rounded up to a grid that has fewer: what comes out can be cut, but is not always the best.
 */
export class Guillotine {
  /** Sizes are rounded up to multiples of this; nothing where they are as they are. */
  readonly grid: number
  private readonly items: Item[]
  private readonly xs: number[]
  private readonly ys: number[]
  /** Index of the largest point that fits beside point k within point i, or −1. */
  private readonly besideX: Int16Array
  private readonly besideY: Int16Array
  /** Items that are exactly as large as a pair of points. */
  private readonly exact = new Map<number, number[]>()

  /** @param sheet what is left of the sheet after its squaring cuts */
  constructor(
    private readonly sheet: Size,
    private readonly cutter: Cutter,
    demands: Demand[],
  ) {
    const items = demands.flatMap(demand =>
      ways(demand)
        .filter(
          ({ width, height }, index, all) => width <= sheet.width && height <= sheet.height && (index === 0 || width !== all[0]!.width),
        )
        .map((size): Item => ({
          demand,
          turned: size.width !== demand.width || (demand.turn === 'turned' && demand.width === demand.height),
          width: size.width,
          height: size.height,
          size,
        })),
    )
    const exact = pointsOf(sheet, items)
    this.grid = exact ? 0 : Math.max(cutter.mark, Math.ceil(Math.sqrt((sheet.width * sheet.height) / MOST_CELLS)))
    this.items = exact ? items : items.flatMap(item => onGrid(item, this.grid, sheet))
    const points = exact ?? { xs: normalPoints(sheet.width, this.items.map(({ width }) => width)) ?? [sheet.width], ys: [sheet.height] }
    this.xs = points.xs
    this.ys = exact ? points.ys : normalPoints(sheet.height, this.items.map(({ height }) => height)) ?? points.ys
    this.besideX = besides(this.xs)
    this.besideY = besides(this.ys)
    this.items.forEach(({ width, height }, index) => {
      const place = this.xs.indexOf(width) * this.ys.length + this.ys.indexOf(height)
      this.exact.set(place, [...(this.exact.get(place) ?? []), index])
    })
  }

  /** What one pricing takes: the rectangles that it looks at; on a grid, which is fine, each of them many times as long. */
  get steps(): number {
    const [wide, high] = [this.xs.length, this.ys.length]
    return wide * high * (this.grid === 0 ? 1 : Math.ceil((wide + high) / CUTS_A_STEP))
  }

  /**
   * What no pattern is worth more than: the best one, or on a grid what the sheet would be worth if it were
   * full of what is worth most for its size.
   * @param top the worth of the best pattern found
   */
  atMost(worth: ReadonlyMap<string, number>, top: number): number {
    if (this.grid === 0) return top
    const densest = Math.max(0, ...this.items.map(({ demand, size }) => (worth.get(demand.key) ?? 0) / (size.width * size.height)))
    return Math.max(top, densest * this.sheet.width * this.sheet.height)
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
    const { xs, ys, besideX, besideY, items } = this
    const [columns, rows] = [xs.length, ys.length]
    const longest = this.cutter.length
    // Values by column and once more by row, so that both kinds of cuts read what lies side by side.
    const values = new Float64Array(columns * rows)
    const across = new Float64Array(columns * rows)
    // How each rectangle is best used: 0 not at all, a piece, a cut after a point along x or y, or as the next smaller one.
    const kinds = new Uint8Array(columns * rows)
    const which = new Int32Array(columns * rows)
    // Points after which a cut may pay: a smaller part of the same value leaves more beside it.
    const rises = ys.map(() => [] as number[])
    const worths = items.map(({ demand }) => worth.get(demand.key) ?? 0)
    for (let i = 0; i < columns; i++) {
      const wide = xs[i]!
      const [column, ahead] = [i * rows, i * columns]
      const rise: number[] = []
      for (let j = 0; j < rows; j++) {
        const high = ys[j]!
        const here = column + j
        const row = j * columns
        let value = 0
        let kind = 0
        let chosen = 0
        const pieces = this.exact.get(here)
        if (pieces) {
          for (const item of pieces) {
            if (worths[item]! <= value) continue
            value = worths[item]!
            kind = 1
            chosen = item
          }
        }
        if (high <= longest) {
          if (i > 0 && across[row + i - 1]! > value) {
            value = across[row + i - 1]!
            kind = 4
          }
          const cuts = rises[j]!
          for (let at = 0; at < cuts.length; at++) {
            const k = cuts[at]!
            if (2 * xs[k]! > wide) break
            const rest = besideX[ahead + k]!
            if (rest < 0) break
            const both = across[row + k]! + across[row + rest]!
            if (both > value) {
              value = both
              kind = 2
              chosen = k
            }
          }
        }
        if (wide <= longest) {
          if (j > 0 && values[here - 1]! > value) {
            value = values[here - 1]!
            kind = 5
          }
          for (let at = 0; at < rise.length; at++) {
            const k = rise[at]!
            if (2 * ys[k]! > high) break
            const rest = besideY[j * rows + k]!
            if (rest < 0) break
            const both = values[column + k]! + values[column + rest]!
            if (both > value) {
              value = both
              kind = 3
              chosen = k
            }
          }
        }
        if (i === 0 || value > across[row + i - 1]!) rises[j]!.push(i)
        if (j === 0 || value > values[here - 1]!) rise.push(j)
        values[here] = value
        across[row + i] = value
        kinds[here] = kind
        which[here] = chosen
      }
    }
    const whole = values[columns * rows - 1]!
    if (whole === 0) return []
    // Equal rectangles are cut alike, so each is made once, and all patterns share them.
    const [made, tidied]: Shared = [new Map(), new Map()]
    const tree = (i: number, j: number) => this.tree({ kinds, which, made }, i, j)
    const found: BestCut[] = [{ value: whole, root: tidy(tree(columns - 1, rows - 1), this.cutter, tidied) }]
    if (count === 1) return found
    for (const { side, k, rest, value } of this.firstCuts(values).slice(0, count - 1)) {
      const [i, j] = [columns - 1, rows - 1]
      const parts
        = side === 'width'
          ? [tree(k, j), tree(rest, j)]
          : [tree(i, k), tree(i, rest)]
      found.push({
        value,
        root: tidy(
          {
            kind: 'cut',
            side,
            width: xs[i] as Length,
            height: ys[j] as Length,
            parts: this.filled(side, parts, side === 'width' ? xs[i]! : ys[j]!),
          },
          this.cutter,
          tidied,
        ),
      })
    }
    return found
  }

  /** First cuts of the whole sheet with what they are worth, the best first. */
  private firstCuts(values: Float64Array): { side: 'width' | 'height', k: number, rest: number, value: number }[] {
    const { xs, ys, besideX, besideY } = this
    const [i, j, rows] = [xs.length - 1, ys.length - 1, ys.length]
    const cuts: { side: 'width' | 'height', k: number, rest: number, value: number }[] = []
    if (ys[j]! <= this.cutter.length) {
      for (let k = 0; 2 * xs[k]! <= xs[i]!; k++) {
        const rest = besideX[i * xs.length + k]!
        if (rest >= 0) cuts.push({ side: 'width', k, rest, value: values[k * rows + j]! + values[rest * rows + j]! })
      }
    }
    if (xs[i]! <= this.cutter.length) {
      for (let k = 0; 2 * ys[k]! <= ys[j]!; k++) {
        const rest = besideY[j * rows + k]!
        if (rest >= 0) cuts.push({ side: 'height', k, rest, value: values[i * rows + k]! + values[i * rows + rest]! })
      }
    }
    return cuts.sort((a, b) => b.value - a.value)
  }

  /** Parts side by side, with waste up to the whole. */
  private filled(side: 'width' | 'height', parts: CutNode[], whole: number): CutNode[] {
    const left = whole - parts.reduce((sum, part) => sum + part[side], 0)
    const [first] = parts
    return left > 0 ? [...parts, { kind: 'waste', width: first!.width, height: first!.height, [side]: left as Length }] : parts
  }

  /**
   * Every pattern that no other one beats in all its counts, by the same dynamic
   * programming over sets of counts instead of values: with all of them an integer
   * programme is exact. Only for few sizes; the sets grow fast.
   * @param most steps of merging before it gives up
   * @returns nothing where it gave up
   */
  all(demands: Demand[], most: number): CutNode[] | undefined {
    const { xs, ys, besideX, besideY, items } = this
    // On a grid not every pattern is there.
    if (this.grid > 0) return undefined
    const [columns, rows] = [xs.length, ys.length]
    const bits = Math.floor(31 / demands.length)
    const full = (demand: Demand) => Math.floor((this.sheet.width * this.sheet.height) / (demand.width * demand.height))
    if (demands.some(demand => full(demand) >= 2 ** (bits - 1))) return undefined
    const one = new Map(demands.map(({ key }, index) => [key, 2 ** (index * bits)]))
    const guard = demands.reduce((sum, _, index) => sum + 2 ** (index * bits + bits - 1), 0)
    const sets: Counted[] = []
    let steps = 0
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const here = i * rows + j
        const set: Counted = { counts: [], way: [], k: [], a: [], b: [] }
        const seen = new Set<number>()
        const offer = (counts: number, way: Counted['way'][number], k: number, a: number, b: number) => {
          if (seen.has(counts)) return
          seen.add(counts)
          for (const other of set.counts) if ((((other | guard) - counts) & guard) === guard) return
          for (let at = set.counts.length - 1; at >= 0; at--) {
            if ((((counts | guard) - set.counts[at]!) & guard) === guard) for (const list of Object.values(set)) list.splice(at, 1)
          }
          set.counts.push(counts)
          set.way.push(way)
          set.k.push(k)
          set.a.push(a)
          set.b.push(b)
        }
        const join = (way: 2 | 3, k: number, first: Counted, second: Counted) => {
          steps += first.counts.length * second.counts.length
          for (let a = 0; a < first.counts.length; a++)
            for (let b = 0; b < second.counts.length; b++) offer(first.counts[a]! + second.counts[b]!, way, k, a, b)
        }
        for (const item of this.exact.get(here) ?? []) offer(one.get(items[item]!.demand.key)!, 1, item, 0, 0)
        if (ys[j]! <= this.cutter.length) {
          if (i > 0) sets[here - rows]!.counts.forEach((counts, a) => offer(counts, 4, 0, a, 0))
          for (let k = 0; 2 * xs[k]! <= xs[i]!; k++)
            if (besideX[i * columns + k]! >= 0) join(2, k, sets[k * rows + j]!, sets[besideX[i * columns + k]! * rows + j]!)
        }
        if (xs[i]! <= this.cutter.length) {
          if (j > 0) sets[here - 1]!.counts.forEach((counts, a) => offer(counts, 5, 0, a, 0))
          for (let k = 0; 2 * ys[k]! <= ys[j]!; k++)
            if (besideY[j * rows + k]! >= 0) join(3, k, sets[i * rows + k]!, sets[i * rows + besideY[j * rows + k]!]!)
        }
        if (steps > most) return undefined
        // An empty rectangle counts as one way, so that what lies beside it is found.
        if (set.counts.length === 0) offer(0, 1, -1, 0, 0)
        sets.push(set)
      }
    }
    return sets
      .at(-1)!
      .counts.flatMap((counts, at) => (counts > 0 ? [tidy(this.counted(sets, at, columns - 1, rows - 1), this.cutter)] : []))
  }

  /** The cut tree of one entry; a rectangle is told by its points, and what is over is padded. */
  private counted(sets: Counted[], at: number, i: number, j: number): CutNode {
    const { xs, ys } = this
    const set = sets[i * ys.length + j]!
    const [k, a, b] = [set.k[at]!, set.a[at]!, set.b[at]!]
    const size = { width: xs[i] as Length, height: ys[j] as Length }
    const cut = (side: 'width' | 'height', parts: CutNode[]): CutNode => ({
      kind: 'cut',
      side,
      ...size,
      parts: this.filled(side, parts, size[side]),
    })
    switch (set.way[at]) {
      case 2:
        return cut('width', [this.counted(sets, a, k, j), this.counted(sets, b, this.besideX[i * xs.length + k]!, j)])
      case 3:
        return cut('height', [this.counted(sets, a, i, k), this.counted(sets, b, i, this.besideY[j * ys.length + k]!)])
      case 4:
        return cut('width', [this.counted(sets, a, i - 1, j)])
      case 5:
        return cut('height', [this.counted(sets, a, i, j - 1)])
      default:
        return k < 0
          ? { kind: 'waste', ...size }
          : { kind: 'piece', demand: this.items[k]!.demand.key, turned: this.items[k]!.turned, ...size }
    }
  }

  /** The cut tree of a rectangle, told by its points. */
  private tree(of: Chosen, i: number, j: number): CutNode {
    const here = i * this.ys.length + j
    const known = of.made.get(here)
    if (known) return known
    const node = this.newTree(of, i, j)
    of.made.set(here, node)
    return node
  }

  private newTree(of: Chosen, i: number, j: number): CutNode {
    const { xs, ys } = this
    const size = { width: xs[i] as Length, height: ys[j] as Length }
    const here = i * ys.length + j
    const chosen = of.which[here]!
    const cut = (side: 'width' | 'height', parts: CutNode[]): CutNode => ({
      kind: 'cut',
      side,
      ...size,
      parts: this.filled(side, parts, size[side]),
    })
    switch (of.kinds[here]) {
      case 1:
        return asItIs(this.items[chosen]!)
      case 2:
        return cut('width', [this.tree(of, chosen, j), this.tree(of, this.besideX[i * xs.length + chosen]!, j)])
      case 3:
        return cut('height', [this.tree(of, i, chosen), this.tree(of, i, this.besideY[j * ys.length + chosen]!)])
      case 4:
        return cut('width', [this.tree(of, i - 1, j)])
      case 5:
        return cut('height', [this.tree(of, i, j - 1)])
      default:
        return { kind: 'waste', ...size }
    }
  }
}

/** How each rectangle is best used, and the trees that are made of it so far. */
interface Chosen {
  kinds: Uint8Array
  which: Int32Array
  made: Map<number, CutNode>
}

/** Trees by rectangle, and tidy ones by those they are made from. */
type Shared = [Map<number, CutNode>, Map<CutNode, CutNode>]

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

/** A piece rounded up to a grid; one that then is too large just fills the sheet. */
function onGrid(item: Item, grid: number, sheet: Size): Item[] {
  const up = (length: number, most: number) => Math.min(most, Math.ceil(length / grid) * grid)
  return [{ ...item, width: up(item.width, sheet.width), height: up(item.height, sheet.height) }]
}

/** The points of both sides; nothing where there are too many of them. */
function pointsOf(sheet: Size, items: Item[]): { xs: number[], ys: number[] } | undefined {
  const xs = normalPoints(sheet.width, items.map(({ width }) => width))
  const ys = xs && normalPoints(sheet.height, items.map(({ height }) => height))
  return xs && ys && xs.length * ys.length <= MOST_CELLS ? { xs, ys } : undefined
}

/** Sums of sizes up to a whole, and the whole itself; nothing where there are too many of them. */
function normalPoints(whole: number, sizes: number[]): number[] | undefined {
  const points = new Set<number>([0])
  for (const size of new Set(sizes)) {
    for (const point of [...points].sort((a, b) => a - b)) {
      for (let sum = point + size; sum <= whole; sum += size) points.add(sum)
      if (points.size > MOST_POINTS) return undefined
    }
  }
  points.delete(0)
  points.add(whole)
  return [...points].sort((a, b) => a - b)
}

function besides(points: number[]): Int16Array {
  const table = new Int16Array(points.length * points.length).fill(-1)
  points.forEach((whole, i) => {
    let rest = points.length - 1
    points.forEach((point, k) => {
      while (rest >= 0 && points[rest]! > whole - point) rest--
      table[i * points.length + k] = rest
    })
  })
  return table
}

/**
 * The same cuts in as few steps: cuts in one direction become one, what is left
 * over lies together at the end, equal parts beside each other.
 * @param known what was made tidy already, for trees that share their parts
 */
export function tidy(node: CutNode, cutter: Cutter, known = new Map<CutNode, CutNode>()): CutNode {
  if (node.kind === 'piece') return node
  if (node.kind !== 'cut') return leftover(node, cutter)
  const before = known.get(node)
  if (before) return before
  const { side } = node
  const used: CutNode[] = []
  // What is cut the same way inside is gathered at once, not level by level.
  const gather = (part: CutNode): void => {
    if (part.kind === 'cut' && part.side === side) part.parts.forEach(gather)
    else if (part.kind === 'piece') used.push(part)
    else if (part.kind === 'cut') {
      const inside = tidy(part, cutter, known)
      if (inside.kind === 'cut' && inside.side === side) inside.parts.forEach(gather)
      else if (inside.kind === 'piece' || inside.kind === 'cut') used.push(inside)
    }
  }
  node.parts.forEach(gather)
  const result = together(node, used, cutter)
  known.set(node, result)
  return result
}

function together({ side, width, height }: CutNode & { kind: 'cut' }, used: CutNode[], cutter: Cutter): CutNode {
  if (used.length === 0) return leftover({ width, height }, cutter)
  const free = { width, height }[side] - used.reduce((sum, part) => sum + part[side], 0)
  const all = [...used].sort((a, b) => b[side] - a[side] || compare(contentOf(a), contentOf(b)))
  if (free > 0) all.push(leftover({ width, height, [side]: free as Length }, cutter))
  return all.length === 1 ? all[0]! : { kind: 'cut', side, width, height, parts: all }
}

const leftover = ({ width, height }: Size, cutter: Cutter): CutNode => ({
  kind: isOffcut({ width, height }, cutter) ? 'offcut' : 'waste',
  width,
  height,
})

/** A pattern with some pieces of a demand left out. */
export function without(node: CutNode, demand: string, count: number, cutter: Cutter): CutNode {
  let left = count
  const visit = (part: CutNode): CutNode => {
    if (part.kind === 'cut') return { ...part, parts: [...part.parts].reverse().map(visit).reverse() }
    if (part.kind !== 'piece' || part.demand !== demand || left === 0) return part
    left -= 1
    return { kind: 'waste', width: part.width, height: part.height }
  }
  return tidy(visit(node), cutter)
}

/** A pattern without what is more than some number of each demand. */
export function limited(node: CutNode, left: ReadonlyMap<string, number>, cutter: Cutter): CutNode {
  let result = node
  for (const [key, count] of countsOf(node)) {
    const over = count - Math.max(0, left.get(key)!)
    if (over > 0) result = without(result, key, over, cutter)
  }
  return result
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
