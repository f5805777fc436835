import polygonClipping from 'polygon-clipping'
import type { Ring } from 'polygon-clipping'
import type { FreeShape, LayerShape } from '../document'
import type { Panel, Point } from '../folds'
import { outlineOf } from '../folds'
import type { Length } from '../lengths'

/** Corners that stand for a whole round, and for a rounded corner. */
const ROUND = 48
const CORNER = ROUND / 4

/** The outline of what is cut to a shape: corners counter-clockwise from the lower left of its box; none for a plain rectangle. */
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
  const middles: Point[] = [[width - corner, height - corner], [corner, height - corner], [corner, corner], [width - corner, corner]]
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

/** The corners of a path of straight lines, turned over so that up is up, counter-clockwise; nothing where it is no closed outline. */
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
 * What is left of any outline with the same border cut off all along it: a strip of twice the border is taken off along every
 * edge, square at its ends. Of several pieces the largest.
 * @param corners counter-clockwise, nanometres
 */
export function eroded(corners: Point[], border: number): Point[] {
  const strips = corners.map((from, index) => strip(from, corners[(index + 1) % corners.length] ?? from, border))
  const ring = corners.map(([x, y]): [number, number] => [Math.round(x), Math.round(y)])
  const left = border > 0 ? polygonClipping.difference([ring], ...strips.map(one => [one])) : [[ring]]
  const size = (outer: Ring = []) => Math.abs(outer.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = outer[(at + 1) % outer.length] ?? [0, 0]
    return sum + (x * nextY - nextX * y) / 2
  }, 0))
  const [largest] = left.map(([outer]) => outer ?? []).sort((a, b) => size(b) - size(a))
  return (border > 0 ? largest?.slice(0, -1) : largest) ?? []
}

/** The strip along an edge, as wide on both sides of it as the border, and longer by that at both ends. */
function strip([x, y]: Point, [toX, toY]: Point, border: number): Ring {
  const size = Math.hypot(toX - x, toY - y)
  const [right, up] = size === 0 ? [border, 0] : [((toX - x) / size) * border, ((toY - y) / size) * border]
  const [before, after] = [[x - right, y - up] as const, [toX + right, toY + up] as const]
  return [
    [before[0] - up, before[1] + right], [before[0] + up, before[1] - right],
    [after[0] + up, after[1] - right], [after[0] - up, after[1] + right],
  ].map(([a = 0, b = 0]): [number, number] => [Math.round(a), Math.round(b)])
}
