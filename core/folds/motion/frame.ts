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
export const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]

/** A point given in a panel's own coordinates. */
export const at = ({ origin, x, y, normal }: Frame, right: number, up: number, out = 0): Vector =>
  add(add(origin, scale(x, right)), add(scale(y, up), scale(normal, out)))

/** Turns one axis towards the normal by an angle in degrees; what faces inwards turns with it. */
function turn(axis: Vector, normal: Vector, degrees: number): [axis: Vector, normal: Vector] {
  const [cos, sin] = exact(degrees)
  return [add(scale(axis, cos), scale(normal, sin)), subtract(scale(normal, cos), scale(axis, sin))]
}

/** Cosine and sine with no noise at right angles, so that a card folded flat is exactly flat. */
function exact(degrees: number): [cos: number, sin: number] {
  const turns = ((degrees % 360) + 360) % 360
  if (turns % 90 === 0) return ([[1, 0], [0, 1], [-1, 0], [0, -1]] as const)[turns / 90] as unknown as [number, number]
  const angle = degrees * Math.PI / 180
  return [Math.cos(angle), Math.sin(angle)]
}

/** The frame of the next panel along `side`, across a crease at the far end of this one, folded by degrees (valley positive). */
export function nextFrame(frame: Frame, side: 'x' | 'y', length: number, degrees: number): Frame {
  const [axis, normal] = turn(frame[side], frame.normal, degrees)
  return { ...frame, origin: add(frame.origin, scale(frame[side], length)), [side]: axis, normal }
}

/** The frame of the panel before this one, `length` long, across the crease at the near end of this one. */
export function previousFrame(frame: Frame, side: 'x' | 'y', length: number, degrees: number): Frame {
  const [axis, normal] = turn(frame[side], frame.normal, -degrees)
  return { ...frame, origin: subtract(frame.origin, scale(axis, length)), [side]: axis, normal }
}
