import type { Panel, Part, Point, Window } from './card'

/** Corners of a panel on its part, counter-clockwise. */
export const outlineOf = ({
  x: { value: x },
  y: { value: y },
  width: { value: width },
  height: { value: height },
  outline,
}: Panel): Point[] =>
  outline ?? [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ]

const ROUND = 48
/** Which end of a slot a corner belongs to; those in the middle go to the first, and the last edge closes it. */
const side = (along: number) => (along < -1e-9 ? -1 : 1)

/** Corners of a window on its part; a circle by many. */
export function windowOutline({ shape, x, y, width, height }: Window): Point[] {
  if (shape === 'rectangle')
    return [
      [x.value, y.value],
      [x.value + width.value, y.value],
      [x.value + width.value, y.value + height.value],
      [x.value, y.value + height.value],
    ]
  const [rx, ry] = [width.value / 2, height.value / 2]
  /** How far the middles of the round ends lie from the middle of a slot. */
  const apart: Point = shape === 'slot' ? [Math.max(0, rx - ry), Math.max(0, ry - rx)] : [0, 0]
  const [wide, high] = shape === 'slot' ? [Math.min(rx, ry), Math.min(rx, ry)] : [rx, ry]
  return Array.from({ length: ROUND }, (_, index): Point => {
    const angle = (index / ROUND) * 2 * Math.PI
    const [right, up] = [Math.cos(angle), Math.sin(angle)]
    return [x.value + rx + apart[0] * side(right) + wide * right, y.value + ry + apart[1] * side(up) + high * up]
  })
}

/** All openings in a panel. */
export const holesOf = (part: Part, panel: Panel): Point[][] => [
  ...(panel.holes ?? []),
  ...part.windows
    .filter(window => window.panel === panel.key && window.width.value > 0 && window.height.value > 0)
    .map(windowOutline),
]
