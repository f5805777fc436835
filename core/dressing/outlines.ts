import type { Pair, Ring } from './clipping'
import type { FreeShape, LayerShape } from '../document'
import type { Panel, Point } from '../folds'
import { outlineOf } from '../folds'
import type { Length } from '../lengths'
import { around, itemAt } from '../lists'
import { areaOfAll } from './seen'
import { difference } from './clipping'

/** Corners that stand for a whole round, and for a rounded corner. */
const ROUND = 48
const CORNER = ROUND / 4

/**
 * The outline of what is cut to a shape: corners counter-clockwise from the lower left of its box; none for a plain
 * rectangle.
 */
export function outlineFor(
  shape: LayerShape | FreeShape,
  { width, height }: { width: Length, height: Length },
  { corner, below, path }: { corner: Length, below?: { panel: Panel, mirrored: boolean }, path?: string },
): Point[] | undefined {
  if (shape === 'oval') return arc([width / 2, height / 2], [width / 2, height / 2], 0, ROUND).slice(0, -1)
  if (shape === 'rounded') return rounded(width, height, Math.min(corner, width / 2, height / 2))
  if (shape === 'outline' && path) return fitted(pathPoints(path), width, height)
  if (shape === 'like its face' && below?.panel.outline) {
    const points = outlineOf(below.panel)
    return fitted(below.mirrored ? points.map(([x, y]): Point => [-x, y]).reverse() : points, width, height)
  }
}

/** Points along part of an ellipse, counter-clockwise from some quarter turn on. */
function arc([x, y]: Point, [wide, high]: Point, quarter: number, steps: number): Point[] {
  return Array.from({ length: steps + 1 }, (_, step): Point => {
    const angle = ((quarter + step / CORNER) * Math.PI) / 2
    return [Math.round(x + wide * Math.cos(angle)), Math.round(y + high * Math.sin(angle))]
  })
}

function rounded(width: number, height: number, corner: number): Point[] | undefined {
  if (corner <= 0) return undefined
  const middles: Point[] = [
    [width - corner, height - corner], [corner, height - corner], [corner, corner], [width - corner, corner],
  ]
  return middles.flatMap((middle, quarter) => arc(middle, [corner, corner], quarter, CORNER))
}

/** Points stretched to fill a box from its lower left corner. */
function fitted(points: Point[], width: number, height: number): Point[] | undefined {
  const along = (axis: 0 | 1) => {
    const all = points.map(point => point[axis])
    return [Math.min(...all), Math.max(...all)] as const
  }
  const [[left, right], [foot, head]] = [along(0), along(1)]
  if (points.length < 3 || right === left || head === foot) return undefined
  return points.map(([x, y]): Point => [
    Math.round(((x - left) / (right - left)) * width),
    Math.round(((y - foot) / (head - foot)) * height),
  ])
}

/**
 * The corners of a path of straight lines, turned over so that up is up, counter-clockwise; nothing where it is no
 * closed outline.
 */
export function pathPoints(path: string): Point[] {
  const numbers = (path.match(/-?\d*\.?\d+/g) ?? []).map(Number)
  const corners = Math.floor(numbers.length / 2)
  const points = Array.from({ length: corners }, (_, at): Point => [numbers[at * 2] ?? 0, -(numbers[at * 2 + 1] ?? 0)])
  const twice = points.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = points[(at + 1) % points.length] ?? [0, 0]
    return sum + x * nextY - nextX * y
  }, 0)
  return twice < 0 ? points.reverse() : points
}

/**
 * What is left of an outline that bulges inwards with a border cut off all along it: of its box, less the border, what
 * is cut out of the box is taken away, made larger by the border on all its sides. Of several pieces the largest.
 * @param corners counter-clockwise, nanometres
 */
export function eroded(corners: Point[], border: number): Point[] {
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
  const box = (by: number): Ring => {
    const [left, right, foot, head] = [
      Math.min(...xs) + by, Math.max(...xs) - by, Math.min(...ys) + by, Math.max(...ys) - by,
    ]
    return [[left, foot], [right, foot], [right, head], [left, head]]
  }
  const bays = difference([box(0)], [corners.map(([x, y]): [number, number] => [x, y])])
  const left = difference([box(border)], ...bays.map(([outer]) => [grown(hullOf(outer ?? []), border)]))
  const [largest] = [...left].sort((a, b) => areaOfAll([b]) - areaOfAll([a]))
  return largest?.[0]?.slice(0, -1).map(([x, y]): Point => [Math.round(x), Math.round(y)]) ?? []
}

const turns = ([x, y]: Pair, [toX, toY]: Pair, [thenX, thenY]: Pair): number =>
  (toX - x) * (thenY - y) - (toY - y) * (thenX - x)

/**
 * The convex hull of some points, counter-clockwise, nothing of it in one line: along its foot and back along its head.
 */
function hullOf(points: Ring): Ring {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const chain = (along: Ring) => along.reduce((hull: Ring, point) => {
    let kept = hull
    while (kept.length > 1 && turns(itemAt(kept, kept.length - 2), itemAt(kept, kept.length - 1), point) <= 0)
      kept = kept.slice(0, -1)
    return [...kept, point]
  }, []).slice(0, -1)
  return [...chain(sorted), ...chain(sorted.reverse())]
}

/** A convex outline with every edge moved outwards. */
function grown(corners: Ring, by: number): Ring {
  const lines = around(corners).map(([[x, y], [toX, toY]]) => {
    const size = Math.hypot(toX - x, toY - y)
    const [right, up] = [(toX - x) / size, (toY - y) / size]
    return { at: [x + up * by, y - right * by] as const, right, up }
  })
  return around(lines).map(([one, next]): Pair => {
    const cross = one.right * next.up - one.up * next.right
    const along = ((next.at[0] - one.at[0]) * next.up - (next.at[1] - one.at[1]) * next.right) / cross
    return [Math.round(one.at[0] + one.right * along), Math.round(one.at[1] + one.up * along)]
  })
}
