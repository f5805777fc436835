import type { Part, Point } from '../folds'
import { around } from '../lists'
import { nameOfWork } from '../making'
import { line, text } from './svg'

const DOTS = ' stroke-dasharray="1.2 1.8"'

/**
 * What is done to a piece, where it has a size: dotted outlines with their names, the inside up.
 * @param at where a point of the part lies on the drawing, in points
 */
export function workMarks({ works = [] }: Part, at: (point: Point) => readonly [number, number]): string[] {
  return works.flatMap((work) => {
    const { box, turn, side } = work
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
    const name = `${nameOfWork(work)}${side === 'outside' ? ' (other side)' : ''}`
    const edges = around(ring).map(([[x1, y1], [x2, y2]]) => line(x1, y1, x2, y2, 0.5, DOTS))
    return [...edges, text(x, y + 2.5, name, { size: 7 })]
  })
}
