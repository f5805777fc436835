import { around, itemAt } from '../../lists'
import type { Length } from '../../lengths'
import { Measure, nanometres } from '../../lengths'
import type { Panel, Point } from './card'
import { outlineOf } from './outlines'

/** A shape of its own with the box round it, from the lower left corner of the box of what it lies on. */
export interface Inset {
  x: Measure
  y: Measure
  width: Measure
  height: Measure
  /** From its own lower left corner, counter-clockwise. */
  outline: Point[]
}

/**
 * What is left of a convex outline with the same border cut off all along it: the half-planes inside its edges, one
 * after the other. Empty where nothing is left.
 * @param corners counter-clockwise
 */
export function insetOf(corners: Point[], border: number): Point[] {
  let left = corners
  for (const [a, b] of around(corners)) {
    const size = Math.hypot(b[0] - a[0], b[1] - a[1])
    if (size === 0) continue
    const [nx, ny] = [-(b[1] - a[1]) / size, (b[0] - a[0]) / size]
    /** How far a point lies beyond the border, inwards. */
    const beyond = ([x, y]: Point) => (x - a[0]) * nx + (y - a[1]) * ny - border
    left = around(left).flatMap(([from, to]) => {
      const [here, there] = [beyond(from), beyond(to)]
      const share = here / (here - there)
      const crossing: Point = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]
      return [...(here >= 0 ? [from] : []), ...(here * there < 0 ? [crossing] : [])]
    })
    if (left.length < 3) return []
  }
  return left
}

/**
 * An outline with every edge moved inwards by the border, its neighbours met again: what is left of it as long as every
 * edge keeps its direction and none crosses another. Nothing where that is not so; some of it is lost then.
 * @param corners counter-clockwise
 */
export function mitred(corners: Point[], border: number): Point[] | undefined {
  const last = corners.length - 1
  const moved = corners.map((to, at): Point => {
    const [from, next] = [itemAt(corners, at === 0 ? last : at - 1), itemAt(corners, at === last ? 0 : at + 1)]
    const [x, y, thenX, thenY] = [to[0] - from[0], to[1] - from[1], next[0] - to[0], next[1] - to[1]]
    const [size, thenSize] = [Math.hypot(x, y), Math.hypot(thenX, thenY)]
    const [right, up, thenRight, thenUp] = [x / size, y / size, thenX / thenSize, thenY / thenSize]
    // Half of the turn at the corner tells how far along both edges the new corner lies.
    const along = (right * thenUp - up * thenRight) / (1 + right * thenRight + up * thenUp)
    return [to[0] + border * (-up - along * right), to[1] + border * (right - along * up)]
  })
  for (let at = 0; at <= last; at++) {
    const [a, b, from, to] = [itemAt(corners, at), itemAt(corners, at === last ? 0 : at + 1),
      itemAt(moved, at), itemAt(moved, at === last ? 0 : at + 1)]
    // What is not a number, at an edge of no length, is not above it either.
    if (!((b[0] - a[0]) * (to[0] - from[0]) + (b[1] - a[1]) * (to[1] - from[1]) > 0)) return undefined
  }
  return isConvex(corners) || isSimple(moved) ? moved : undefined
}

/** Whether no two edges of an outline meet but neighbours in their corner. */
function isSimple(corners: Point[]): boolean {
  const edges = around(corners)
  const isApart = (axis: 0 | 1, [a, b]: [Point, Point], [c, d]: [Point, Point]) =>
    Math.max(a[axis], b[axis]) < Math.min(c[axis], d[axis]) || Math.max(c[axis], d[axis]) < Math.min(a[axis], b[axis])
  const leftOf = ([a, b]: [Point, Point], [x, y]: Point) =>
    Math.sign((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]))
  return edges.every((one, at) => edges.slice(at + 2, at === 0 ? -1 : undefined).every(other =>
    isApart(0, one, other) || isApart(1, one, other)
    || leftOf(one, other[0]) * leftOf(one, other[1]) > 0 || leftOf(other, one[0]) * leftOf(other, one[1]) > 0))
}

/** Round edges are drawn with corners, which come so near to where the round would be. */
const ROUGH = 150_000

/** Whether an outline bulges nowhere inwards. */
const isConvex = (corners: Point[]): boolean =>
  around(corners).every(([a, b], index) => {
    const c = itemAt(corners, (index + 2) % corners.length)
    return (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]) >= -1e6
  })

/**
 * A layer with an even border on a panel that is no rectangle: the same shape, its box down to the mark.
 * @param mirrored on the outside of the panel, where left is right
 * @param eroded insets shapes that bulge inwards; without it a layer on them is a rectangle
 * @returns nothing for rectangles
 */
export function insetOn(
  panel: Panel,
  border: Measure,
  mark: Length,
  mirrored: boolean,
  eroded?: (corners: Point[], border: number) => Point[],
): Inset | undefined {
  if (!panel.outline) return undefined
  const inset = isConvex(panel.outline) ? insetOf : eroded
  if (!inset) return undefined
  const whole = outlineOf(panel)
  const corners = mitred(whole, border.value) ?? inset(whole, border.value)
  if (corners.length < 3) return undefined
  const span = (axis: 0 | 1) => {
    const all = corners.map(corner => corner[axis])
    return [Math.min(...all), Math.max(...all)] as const
  }
  const [[left, right], [foot, head]] = [span(0), span(1)]
  /** Where the shape reaches the borders of its box, the box says where the size comes from. */
  const size = (name: string, between: Measure, exact: number) =>
    (Math.abs(exact - between.value) < ROUGH ? between : Measure.of(name, nanometres(Math.round(exact)))).downToMark(
      mark,
    )
  const width = size('Width inside the border', panel.width.minus(border.times(2)), right - left)
  const height = size('Height inside the border', panel.height.minus(border.times(2)), head - foot)
  const fitted = corners.map(([x, y]): Point => [
    Math.round(((x - left) / (right - left)) * width.value),
    Math.round(((y - foot) / (head - foot)) * height.value),
  ])
  return {
    x: Measure.of('Border', nanometres(Math.round((left + right - width.value) / 2 - panel.x.value))),
    y: Measure.of('Border', nanometres(Math.round((foot + head - height.value) / 2 - panel.y.value))),
    width,
    height,
    outline: mirrored ? fitted.map(([x, y]): Point => [width.value - x, y]).reverse() : fitted,
  }
}
