import type { Construction } from '../model/card'
import type { View } from './drawing'
import { drawFolded } from './drawing'

type Point = readonly [x: number, y: number]

/** Puts what has these points into the middle of a box, as large as it goes: the path of some corners there. */
export function fitting(
  points: readonly Point[],
  width: number,
  height: number,
  margin: number,
): (outlines: readonly (readonly Point[])[]) => string {
  const span = (axis: 0 | 1) => {
    const all = points.map(point => point[axis])
    return [Math.min(...all), Math.max(...all)] as const
  }
  const [[left, right], [top, bottom]] = [span(0), span(1)]
  const scale = Math.min((width - 2 * margin) / (right - left || 1), (height - 2 * margin) / (bottom - top || 1))
  const at = ([x, y]: Point) =>
    `${(width / 2 + (x - (left + right) / 2) * scale).toFixed(1)},${(height / 2 + (y - (top + bottom) / 2) * scale).toFixed(1)}`
  return outlines => outlines.map(corners => `M${corners.map(at).join('L')}Z`).join('')
}

/** A card as a small picture: what of it is drawn, from back to front, each with the part whose paper fills it. */
export interface CardPicture {
  part: string
  path: string
  /** How much light falls on it, from 0 to 1. */
  light: number
}

/** Sides of the box that a small picture is drawn in. */
export const PICTURE = { width: 84, height: 66 }

export function pictureOf(construction: Construction, view: View): CardPicture[] {
  const panels = drawFolded(construction, 0.75, view)
  const path = fitting(panels.flatMap(({ points }) => points), PICTURE.width, PICTURE.height, 2)
  return panels.map(({ part, points, holes, light }) => ({
    part, path: path([points, ...holes]), light: Math.round(light * 100) / 100,
  }))
}
