import type { MultiPolygon } from './clipping'
import type { Point } from '../folds'
import { inside } from '../folds'
import { around, itemAt, neighbours } from '../lists'

/**
 * Round edges give many lines close together; so many each way find a rectangle that is hardly smaller than the largest
 * one.
 */
const MOST_LINES = 36
/** An edge that runs aslant by less, in micrometres, is one of a round. */
const SLANT = 10_000
type Spot = readonly [number, number]

/** How far off its corners a cell is looked at, as a share of its size. */
const WITHIN = 0.02

/** The largest upright rectangle within polygons, in their unit; with no size where there is none. */
export function largestWithin(polygons: MultiPolygon): { width: number, height: number } {
  const [xs, ys] = [linesOf(polygons, 0), linesOf(polygons, 1)]
  const columns = neighbours(xs)
  /** From where on each column is free up to the row that is looked at. */
  const since = columns.map(() => 0)
  let best = { width: 0, height: 0 }
  neighbours(ys).forEach(([foot, head], row) => {
    columns.forEach(([left, right], column) => {
      if (!isFree(polygons, left, right, foot, head)) since[column] = row + 1
    })
    for (let first = 0; first < columns.length; first++) {
      let lowest = 0
      for (let last = first; last < columns.length; last++) {
        lowest = Math.max(lowest, itemAt(since, last))
        if (lowest > row) break
        const [width, height] = [itemAt(xs, last + 1) - itemAt(xs, first), head - itemAt(ys, lowest)]
        if (width * height > best.width * best.height) best = { width, height }
      }
    }
  })
  return best
}

/** Places along a long edge that runs aslant: a rectangle may touch it anywhere. */
function alongSlant([x, y]: Spot, [toX, toY]: Spot): Spot[] {
  const isLong = Math.min(Math.abs(toX - x), Math.abs(toY - y)) > SLANT
  return isLong ? [0.2, 0.35, 0.5, 0.65, 0.8].map((share): Spot => [x + share * (toX - x), y + share * (toY - y)]) : []
}

const isFar = ([x, y]: Spot, [toX, toY]: Spot): boolean => Math.hypot(toX - x, toY - y) > SLANT

function linesOf(polygons: MultiPolygon, axis: 0 | 1): number[] {
  const between = polygons.flat().flatMap(ring => around(ring).flatMap(([from, to]) => alongSlant(from, to)))
  const sharp = polygons.flat().flatMap(ring => ring.filter((corner, at) =>
    [itemAt(ring, (at || ring.length) - 1), itemAt(ring, (at + 1) % ring.length)].some(other => isFar(corner, other))))
  const sorted = (corners: readonly Spot[]) => [...new Set(corners.map(corner => corner[axis]))].sort((a, b) => a - b)
  const others = sorted([...polygons.flat(2), ...between])
  const step = Math.max(1, Math.ceil(others.length / MOST_LINES))
  // Where an edge turns back, as at the end of an oval, a rectangle may pass it.
  const turns = polygons.flat().flatMap(ring => ring.filter((corner, at) => {
    const [before, after] = [itemAt(ring, (at || ring.length) - 1), itemAt(ring, (at + 1) % ring.length)]
    return (before[axis] - corner[axis]) * (after[axis] - corner[axis]) >= 0
  }))
  // The ends of straight edges always count; of round ones every so many are enough.
  const some = others.filter((_, at) => at % step === 0 || at === others.length - 1)
  return [...new Set([...sorted([...sharp, ...turns]), ...some])].sort((a, b) => a - b)
}

function isFree(polygons: MultiPolygon, left: number, right: number, foot: number, head: number): boolean {
  const [wide, high] = [(right - left) * WITHIN, (head - foot) * WITHIN]
  const places: Point[] = [
    [(left + right) / 2, (foot + head) / 2],
    [left + wide, foot + high], [right - wide, foot + high], [left + wide, head - high], [right - wide, head - high],
  ]
  return places.every(place =>
    polygons.some(([outer = [], ...holes]) => inside(outer, place) && !holes.some(hole => inside(hole, place))),
  )
}
