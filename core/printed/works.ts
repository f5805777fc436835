import type { Part, Point } from '../folds'
import { around } from '../lists'
import { techniqueOf } from '../making'
import { line, text } from './svg'

const DOTS = ' stroke-dasharray="1.2 1.8"'

/**
 * What is done to a piece, where it has a size: dotted outlines with their names, on the side that is drawn.
 * @param at where a point of the part lies on the drawing, in points
 * @param isMirrored whether the drawing shows the part from its outside
 */
export function workMarks(
  { works = [] }: Part, at: (point: Point) => readonly [number, number], isMirrored = false,
): string[] {
  return works.flatMap(({ box, turn, shows, technique, side }) => {
    if (!box) return []
    const middle: Point = [box.x + box.width / 2, box.y + box.height / 2]
    const angle = ((side === 'outside' ? -turn : turn) * Math.PI) / 180
    const corner = (right: number, up: number): Point => {
      const [x, y] = [(right * box.width) / 2, (up * box.height) / 2]
      return [
        middle[0] + x * Math.cos(angle) - y * Math.sin(angle), middle[1] + x * Math.sin(angle) + y * Math.cos(angle),
      ]
    }
    const ring = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)].map(at)
    const [x, y] = at(middle)
    const isBehind = (side === 'outside') !== isMirrored
    const name = `${shows || techniqueOf(technique).name}${isBehind ? ' (other side)' : ''}`
    const edges = around(ring).map(([[x1, y1], [x2, y2]]) => line(x1, y1, x2, y2, 0.5, DOTS))
    return [...edges, text(x, y + 2.5, name, { size: 7 })]
  })
}
