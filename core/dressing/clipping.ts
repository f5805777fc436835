// By files: whatever else the package can do stays out of the page.
import { Clipper64, PolyTree64 } from 'clipper2-ts/dist/Engine.js'
import { ClipType, FillRule, PathType } from 'clipper2-ts/dist/Core.js'
import type { Path64 } from 'clipper2-ts/dist/Core.js'
import type { PolyPath64 } from 'clipper2-ts/dist/Engine.js'
import { around } from '../lists'

/**
 * Clipping of polygons whose corners lie on whole micrometres. A ring may go round either way, and may repeat its first
 * corner.
 */

/** A corner, in micrometres. */
export type Pair = [number, number]
export type Ring = Pair[]
/** An outline and the openings in it. */
export type Polygon = Ring[]
export type MultiPolygon = Polygon[]

const isMany = (polygons: Polygon | MultiPolygon): polygons is MultiPolygon => Array.isArray(polygons[0]?.[0]?.[0])

const asMany = (polygons: Polygon | MultiPolygon): MultiPolygon =>
  polygons.length === 0 ? [] : isMany(polygons) ? polygons : [polygons]

/** Outlines to the left and openings to the right, so that what is wound around at all is covered, however often. */
const pathsOf = (polygons: Polygon | MultiPolygon): Path64[] =>
  asMany(polygons).flatMap(polygon =>
    polygon.map((ring, at) => {
      const path = ring.map(([x, y]) => ({ x: Math.round(x), y: Math.round(y) }))
      return (doubleArea(ring) > 0) === (at === 0) ? path : path.reverse()
    }))

/** Twice the area in a ring, positive where it goes round to the left. */
const doubleArea = (ring: Ring): number =>
  around(ring).reduce((sum, [[ax, ay], [bx, by]]) => sum + ax * by - bx * ay, 0)

/** Each outline with the openings right inside it; what stands in an opening is an outline again. */
const polygonsOf = (tree: PolyPath64): MultiPolygon => children(tree).flatMap((outline) => {
  const holes = children(outline)
  return [[outline, ...holes].map(ringOf), ...holes.flatMap(polygonsOf)]
})

const children = (path: PolyPath64): PolyPath64[] => Array.from({ length: path.count }, (_, at) => path.child(at))
const ringOf = ({ poly }: PolyPath64): Ring => closedRing((poly ?? []).map(({ x, y }): Pair => [x, y]))

function clipped(
  clip: ClipType, first: Polygon | MultiPolygon, others: readonly (Polygon | MultiPolygon)[],
): MultiPolygon {
  const clipper = new Clipper64()
  clipper.addPaths(pathsOf(first), PathType.Subject)
  clipper.addPaths(others.flatMap(pathsOf), PathType.Clip)
  const tree = new PolyTree64()
  clipper.execute(clip, FillRule.NonZero, tree)
  return polygonsOf(tree)
}

/** What is left of polygons. Mostly one sheet covers all of it, which is told without clipping. */
export function difference(first: Polygon | MultiPolygon, ...covers: Polygon[]): MultiPolygon {
  const left = asMany(first).filter(polygon => !covers.some(cover => coversAll(cover, polygon)))
  if (left.length === 0 || covers.length === 0) return left.map(closed)
  // Of sheets that lie on each other the largest one tells all; edges that all but coincide are what takes clipping
  // longest.
  const needed = covers.filter((cover, at) => !covers.some((other, place) =>
    place !== at && coversAll(other, cover) && (place < at || !coversAll(cover, other))))
  return clipped(ClipType.Difference, left, needed)
}

/** What lies in any of them. */
export const union = (...all: (Polygon | MultiPolygon)[]): MultiPolygon =>
  clipped(ClipType.Union, all.flatMap(asMany), [])

/** What lies in both. */
export function intersection(first: Polygon | MultiPolygon, second: Polygon | MultiPolygon): MultiPolygon {
  const [ones, others] = [first, second].map(asMany) as [MultiPolygon, MultiPolygon]
  if (ones.length === 0 || others.length === 0) return []
  if (others.some(other => ones.every(one => coversAll(other, one)))) return ones.map(closed)
  if (ones.some(one => others.every(other => coversAll(one, other)))) return others.map(closed)
  return clipped(ClipType.Intersection, ones, others)
}

/** Whether a convex polygon without openings covers another one; `false` where that is not told. */
function coversAll([ring = [], ...holes]: Polygon, [outer = []]: Polygon): boolean {
  if (holes.length > 0 || ring.length < 3 || ring.length > MOST_CORNERS) return false
  if (!mayHold(ring, outer)) return false
  const corners = [...outer, ...ring]
  let turn = 0
  // All corners of both lie on one side of all edges. An outline that has come down to a point or a line has no such
  // side.
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

/**
 * Whether no corner of a ring lies beyond another one to the left, right, head or foot: told at once, and mostly the
 * end of it.
 */
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

/** As they are given back: the last corner of a ring is its first one again. */
const closed = (polygon: Polygon): Polygon => polygon.map(closedRing)
const closedRing = (ring: Ring): Ring => {
  const [first, last] = [ring[0], ring.at(-1)]
  return first && last && (first[0] !== last[0] || first[1] !== last[1]) ? [...ring, first] : ring
}

/** An outline of more corners is round, and it takes longer to see whether it is convex than to clip it. */
const MOST_CORNERS = 8

/** On which side of an edge a corner lies: positive to the left of it, negative to the right. */
const sideOf = ([[ax, ay], [bx, by]]: readonly [Pair, Pair], [x, y]: Pair): number =>
  (bx - ax) * (y - ay) - (by - ay) * (x - ax)
