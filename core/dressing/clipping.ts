import polygonClipping from 'polygon-clipping'
import type { MultiPolygon, Pair, Polygon, Ring } from 'polygon-clipping'
import { around } from '../lists'

/*
 * Clipping of polygons that lie in whole micrometres. The package gives up on a few inputs whose edges all but coincide; on a coarser
 * grid it does not, and nobody cuts by hundredths of a millimetre.
 */

type Clip = (first: Polygon | MultiPolygon, ...others: (Polygon | MultiPolygon)[]) => MultiPolygon

/** Micrometres that corners are rounded to until it works. */
const GRIDS = [1, 7, 50, 300]

const isMany = (polygons: Polygon | MultiPolygon): polygons is MultiPolygon => Array.isArray(polygons[0]?.[0]?.[0])

const asMany = (polygons: Polygon | MultiPolygon): MultiPolygon =>
  polygons.length === 0 ? [] : isMany(polygons) ? polygons : [polygons]

const rounded = (polygons: Polygon | MultiPolygon, grid: number): MultiPolygon =>
  asMany(polygons).map(polygon => polygon.map(ring =>
    ring.map(([x, y]): [number, number] => [Math.round(x / grid) * grid, Math.round(y / grid) * grid])))

/** @throws what the package throws where no grid helps */
export const robust = (clip: Clip): Clip => (first, ...others) => {
  for (const grid of GRIDS) {
    try {
      return grid === 1 ? clip(first, ...others) : clip(rounded(first, grid), ...others.map(other => rounded(other, grid)))
    }
    catch (error) {
      if (grid === GRIDS.at(-1)) throw error
    }
  }
  return []
}

const clippedDifference = robust(polygonClipping.difference)
const clippedIntersection = robust(polygonClipping.intersection)

/** What is left of polygons. Mostly one sheet covers all of it, which is told without clipping. */
export function difference(first: Polygon | MultiPolygon, ...covers: Polygon[]): MultiPolygon {
  const left = asMany(first).filter(polygon => !covers.some(cover => coversAll(cover, polygon)))
  if (left.length === 0 || covers.length === 0) return left.map(closed)
  // Of sheets that lie on each other the largest one tells all; edges that all but coincide are what takes clipping longest.
  const needed = covers.filter((cover, at) => !covers.some((other, place) =>
    place !== at && coversAll(other, cover) && (place < at || !coversAll(cover, other))))
  return clippedDifference(left, ...needed)
}

/** What lies in both. */
export function intersection(first: Polygon | MultiPolygon, second: Polygon | MultiPolygon): MultiPolygon {
  const [ones, others] = [first, second].map(asMany) as [MultiPolygon, MultiPolygon]
  if (ones.length === 0 || others.length === 0) return []
  if (others.some(other => ones.every(one => coversAll(other, one)))) return ones.map(closed)
  if (ones.some(one => others.every(other => coversAll(one, other)))) return others.map(closed)
  return clippedIntersection(ones, others)
}

/** Whether a convex polygon without openings covers another one; `false` where that is not told. */
function coversAll([ring = [], ...holes]: Polygon, [outer = []]: Polygon): boolean {
  if (holes.length > 0 || ring.length < 3 || ring.length > MOST_CORNERS) return false
  if (!mayHold(ring, outer)) return false
  const corners = [...outer, ...ring]
  let turn = 0
  // All corners of both lie on one side of all edges. An outline that has come down to a point or a line has no such side.
  for (const edge of around(ring)) {
    for (const corner of corners) {
      const side = Math.sign(sideOf(edge, corner))
      if (side === 0 || side === turn) continue
      if (turn !== 0) return false
      turn = side
    }
  }
  return turn !== 0
}

/** Whether no corner of a ring lies beyond another one to the left, right, head or foot: told at once, and mostly the end of it. */
function mayHold(ring: Ring, other: Ring): boolean {
  let [left, right, foot, head] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const [x, y] of ring) {
    if (x < left) left = x
    if (x > right) right = x
    if (y < foot) foot = y
    if (y > head) head = y
  }
  return other.every(([x, y]) => x >= left && x <= right && y >= foot && y <= head)
}

/** As the package gives polygons back: the last corner of a ring is its first one again. */
const closed = (polygon: Polygon): Polygon => polygon.map((ring) => {
  const [first, last] = [ring[0], ring.at(-1)]
  return first && last && (first[0] !== last[0] || first[1] !== last[1]) ? [...ring, first] : ring
})

/** An outline of more corners is round, and it takes longer to see whether it is convex than to clip it. */
const MOST_CORNERS = 8

/** On which side of an edge a corner lies: positive to the left of it, negative to the right. */
const sideOf = ([[ax, ay], [bx, by]]: readonly [Pair, Pair], [x, y]: Pair): number => (bx - ax) * (y - ay) - (by - ay) * (x - ax)

export const union: Clip = robust(polygonClipping.union)
