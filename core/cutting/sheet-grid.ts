/* eslint-disable @typescript-eslint/no-non-null-assertion -- The tables of this search are read some hundred million
   times in a class, every place in them being counted from the length of the very list that is read. */
import { ways } from './bound'
import type { CutNode, Cutter, Demand, Size } from './plan'
import type { Length } from '../lengths'
import { filled } from './tidy'

/**
 * Rectangles that one pricing looks at, at most: many times as many as a class has. With more the sizes are rounded up.
 */
const MOST_CELLS = 80_000
/** Points along one side, as many as a table of them takes. */
const MOST_POINTS = 4000

/** A piece as it may be set. */
export interface Item {
  demand: Demand
  turned: boolean
  /** As it is set, which may be larger than it is. */
  width: number
  height: number
  size: Size
}

/**
 * A sheet as the search for patterns sees it: pieces as they may be set, and normal points, that is the sums of their
 * sizes that fit, of which some best pattern always makes its cuts. Where the sizes have too many sums, as millimetres
 * beside inches do, they are rounded up to a grid that has fewer: what comes out can be cut, but is not always the
 * best.
 */
export class SheetGrid {
  /** Sizes are rounded up to multiples of this; nothing where they are as they are. */
  readonly grid: number
  readonly items: Item[]
  readonly xs: number[]
  readonly ys: number[]
  /** Index of the largest point that fits beside point k within point i, or −1. */
  readonly besideX: Int16Array
  readonly besideY: Int16Array
  /** Items that are exactly as large as a pair of points; nothing for most of them. */
  readonly exact: (number[] | undefined)[]

  /** @param sheet what is left of the sheet after its squaring cuts */
  constructor(
    readonly sheet: Size,
    readonly cutter: Cutter,
    demands: Demand[],
  ) {
    const items = demands.flatMap(demand =>
      ways(demand)
        .filter(
          ({ width, height }, index, all) =>
            width <= sheet.width && height <= sheet.height && (index === 0 || width !== all[0]!.width),
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
    const points = exact ?? {
      xs: normalPoints(
        sheet.width, this.items.map(({ width }) => width),
      ) ?? [sheet.width],
      ys: [sheet.height],
    }
    this.xs = points.xs
    this.ys = exact ? points.ys : normalPoints(sheet.height, this.items.map(({ height }) => height)) ?? points.ys
    this.besideX = besides(this.xs)
    this.besideY = besides(this.ys)
    this.exact = Array.from({ length: this.xs.length * this.ys.length })
    this.items.forEach(({ width, height }, index) => {
      const place = this.xs.indexOf(width) * this.ys.length + this.ys.indexOf(height)
      this.exact[place] = [...(this.exact[place] ?? []), index]
    })
  }

  /** A cut of the rectangle with some size, what its parts leave of it being waste. */
  cut(side: 'width' | 'height', i: number, j: number, parts: CutNode[]): CutNode {
    const size = this.sizeAt(i, j)
    return { kind: 'cut', side, ...size, parts: filled(side, parts, size[side]) }
  }

  /** The rectangle up to a pair of points. */
  sizeAt(i: number, j: number): Size {
    return { width: this.xs[i] as Length, height: this.ys[j] as Length }
  }
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
