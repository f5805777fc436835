import type { Length } from '../lengths'
import { ways } from './bound'
import type { CutNode, Cutter, Demand, Size } from './plan'
import { isOffcut } from './strips'

/** The most valuable way to cut one sheet, with its value. */
export interface BestCut {
  value: number
  root: CutNode
}

interface Item {
  demand: Demand
  turned: boolean
  width: number
  height: number
}

/**
 * Finds the guillotine pattern of greatest value on a sheet: dynamic programming
 * over normal points, that is over the sums of piece sizes that fit, of which some
 * best pattern always makes its cuts. Every cut is at most as long as the trimmer.
 * Pieces may be repeated as often as they fit.
 */
export class Guillotine {
  private readonly items: Item[]
  private readonly xs: number[]
  private readonly ys: number[]
  /** Index of the largest point that fits beside point k within point i, or −1. */
  private readonly besideX: Int16Array
  private readonly besideY: Int16Array
  /** Items that are exactly as large as a pair of points. */
  private readonly exact = new Map<number, number[]>()

  /** @param sheet what is left of the sheet after its squaring cuts */
  constructor(private readonly sheet: Size, private readonly cutter: Cutter, demands: Demand[]) {
    this.items = demands.flatMap(demand => ways(demand)
      .filter(({ width, height }, index, all) => width <= sheet.width && height <= sheet.height && (index === 0 || width !== all[0]!.width))
      .map(({ width, height }) => ({ demand, turned: width !== demand.width || (demand.turn === 'turned' && demand.width === demand.height), width, height })))
    this.xs = normalPoints(sheet.width, this.items.map(({ width }) => width))
    this.ys = normalPoints(sheet.height, this.items.map(({ height }) => height))
    this.besideX = besides(this.xs)
    this.besideY = besides(this.ys)
    this.items.forEach(({ width, height }, index) => {
      const place = this.xs.indexOf(width) * this.ys.length + this.ys.indexOf(height)
      this.exact.set(place, [...this.exact.get(place) ?? [], index])
    })
  }

  /** @param worth what one piece of each demand is worth, by key */
  best(worth: ReadonlyMap<string, number>): BestCut | undefined {
    const { xs, ys, besideX, besideY, items } = this
    const [columns, rows] = [xs.length, ys.length]
    const longest = this.cutter.length
    const values = new Float64Array(columns * rows)
    // How each rectangle is best used: 0 not at all, a piece, a cut after a point along x or y, or as the next smaller one.
    const kinds = new Uint8Array(columns * rows)
    const which = new Int32Array(columns * rows)
    const worths = items.map(({ demand }) => worth.get(demand.key) ?? 0)
    for (let i = 0; i < columns; i++) {
      const wide = xs[i]!
      for (let j = 0; j < rows; j++) {
        const high = ys[j]!
        const here = i * rows + j
        let [value, kind, chosen] = [0, 0, 0]
        for (const item of this.exact.get(here) ?? []) if (worths[item]! > value) [value, kind, chosen] = [worths[item]!, 1, item]
        if (high <= longest) {
          if (i > 0 && values[here - rows]! > value) [value, kind] = [values[here - rows]!, 4]
          for (let k = 0; 2 * xs[k]! <= wide; k++) {
            const rest = besideX[i * columns + k]!
            if (rest < 0) continue
            const both = values[k * rows + j]! + values[rest * rows + j]!
            if (both > value) [value, kind, chosen] = [both, 2, k]
          }
        }
        if (wide <= longest) {
          if (j > 0 && values[here - 1]! > value) [value, kind] = [values[here - 1]!, 5]
          for (let k = 0; 2 * ys[k]! <= high; k++) {
            const rest = besideY[j * rows + k]!
            if (rest < 0) continue
            const both = values[i * rows + k]! + values[i * rows + rest]!
            if (both > value) [value, kind, chosen] = [both, 3, k]
          }
        }
        values[here] = value
        kinds[here] = kind
        which[here] = chosen
      }
    }
    const value = values[columns * rows - 1]!
    return value > 0 ? { value, root: tidy(this.tree(kinds, which, columns - 1, rows - 1), this.cutter) } : undefined
  }

  private tree(kinds: Uint8Array, which: Int32Array, i: number, j: number): CutNode {
    const { xs, ys } = this
    const size = { width: xs[i] as Length, height: ys[j] as Length }
    const here = i * ys.length + j
    const chosen = which[here]!
    const waste = (width: number, height: number): CutNode => ({ kind: 'waste', width: width as Length, height: height as Length })
    /** A rectangle whose last part is not used because no sum of pieces reaches it. */
    const padded = (side: 'width' | 'height', node: CutNode, room: number): CutNode[] =>
      room > node[side] ? [node, side === 'width' ? waste(room - node.width, node.height) : waste(node.width, room - node.height)] : [node]
    switch (kinds[here]) {
      case 1: return { kind: 'piece', demand: this.items[chosen]!.demand.key, turned: this.items[chosen]!.turned, ...size }
      case 2: return { kind: 'cut', side: 'width', ...size, parts: [this.tree(kinds, which, chosen, j), ...padded('width', this.tree(kinds, which, this.besideX[i * xs.length + chosen]!, j), xs[i]! - xs[chosen]!)] }
      case 3: return { kind: 'cut', side: 'height', ...size, parts: [this.tree(kinds, which, i, chosen), ...padded('height', this.tree(kinds, which, i, this.besideY[j * ys.length + chosen]!), ys[j]! - ys[chosen]!)] }
      case 4: return { kind: 'cut', side: 'width', ...size, parts: padded('width', this.tree(kinds, which, i - 1, j), xs[i]!) }
      case 5: return { kind: 'cut', side: 'height', ...size, parts: padded('height', this.tree(kinds, which, i, j - 1), ys[j]!) }
      default: return { kind: 'waste', ...size }
    }
  }
}

/** Sums of sizes up to a whole, and the whole itself. */
function normalPoints(whole: number, sizes: number[]): number[] {
  const points = new Set<number>([0])
  for (const size of new Set(sizes)) {
    for (const point of [...points].sort((a, b) => a - b)) for (let sum = point + size; sum <= whole; sum += size) points.add(sum)
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
 */
export function tidy(node: CutNode, cutter: Cutter): CutNode {
  if (node.kind === 'piece') return node
  if (node.kind !== 'cut') return leftover(node, cutter)
  const { side } = node
  const parts = node.parts.map(part => tidy(part, cutter)).flatMap(part => (part.kind === 'cut' && part.side === side ? part.parts : [part]))
  const used = parts.filter(part => part.kind === 'piece' || part.kind === 'cut')
  if (used.length === 0) return leftover(node, cutter)
  const free = node[side] - used.reduce((sum, part) => sum + part[side], 0)
  const all: CutNode[] = [...used].sort((a, b) => b[side] - a[side] || JSON.stringify(a).localeCompare(JSON.stringify(b)))
  if (free > 0) all.push(leftover({ width: node.width, height: node.height, [side]: free as Length } as Size, cutter))
  return all.length === 1 ? all[0]! : { kind: 'cut', side, width: node.width, height: node.height, parts: all }
}

const leftover = ({ width, height }: Size, cutter: Cutter): CutNode => ({ kind: isOffcut({ width, height }, cutter) ? 'offcut' : 'waste', width, height })

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
