/** A point or direction in space: x to the right, y up, z towards the viewer of the closed card. Nanometres. */
export type Vector = readonly [number, number, number]

/** Where a panel lies: its lower left corner, its own x and y axis, and the normal of its inside face. */
export interface Frame {
  origin: Vector
  x: Vector
  y: Vector
  normal: Vector
}

export const FLAT: Frame = { origin: [0, 0, 0], x: [1, 0, 0], y: [0, 1, 0], normal: [0, 0, 1] }

export const add = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const subtract = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const scale = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by]
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0],
]

/** A point given in a panel's own coordinates. */
export const pointAt = ({ origin, x, y, normal }: Frame, right: number, up: number, out = 0): Vector =>
  add(add(origin, scale(x, right)), add(scale(y, up), scale(normal, out)))

const SQUARE = new Map<number, readonly [cos: number, sin: number]>([
  [0, [1, 0]],
  [90, [0, 1]],
  [180, [-1, 0]],
  [270, [0, -1]],
])

/** Cosine and sine with no noise at right angles, so that a card folded flat is exactly flat. */
function exact(degrees: number): readonly [cos: number, sin: number] {
  const square = SQUARE.get(((degrees % 360) + 360) % 360)
  if (square) return square
  const angle = (degrees * Math.PI) / 180
  return [Math.cos(angle), Math.sin(angle)]
}

/** Turns a vector about a unit axis by degrees (Rodrigues). */
function turnedAbout(vector: Vector, axis: Vector, degrees: number): Vector {
  const [cos, sin] = exact(degrees)
  return add(add(scale(vector, cos), scale(cross(axis, vector), sin)), scale(axis, dot(axis, vector) * (1 - cos)))
}

/**
 * The frame of a neighbour turned about a crease.
 * @param frame of this panel
 * @param start one end of the crease, in this panel's coordinates; `end` the other
 * @param degrees turn about the direction from start to end
 * @param corner lower left corner of the neighbour, in this panel's coordinates
 */
export function foldOver(
  frame: Frame,
  start: readonly [number, number],
  end: readonly [number, number],
  degrees: number,
  corner: readonly [number, number],
): Frame {
  const length = Math.hypot(end[0] - start[0], end[1] - start[1]) || 1
  const axis = add(scale(frame.x, (end[0] - start[0]) / length), scale(frame.y, (end[1] - start[1]) / length))
  const turn = (vector: Vector) => turnedAbout(vector, axis, degrees)
  const from = pointAt(frame, ...start)
  const origin = add(from, turn(subtract(pointAt(frame, ...corner), from)))
  return { origin, x: turn(frame.x), y: turn(frame.y), normal: turn(frame.normal) }
}

/** A frame turned in its own plane about its corner. */
export function turnedFlat(frame: Frame, degrees: number): Frame {
  return degrees === 0
    ? frame
    : { ...frame, x: turnedAbout(frame.x, frame.normal, degrees), y: turnedAbout(frame.y, frame.normal, degrees) }
}
