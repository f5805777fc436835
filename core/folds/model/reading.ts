import type { Length, Units } from '../../lengths'
import { formatLength } from '../../lengths'
import type { Place } from './card'
import type { Score } from './pieces'

/** How a score is set on the board, in one line: which face, the setting, its distance from both ends, and where it starts and stops. */
export function scoreReading({ at, along, fromOtherEnd, reading, turnOver, ends, endForEnd }: Score, units: Units): string {
  const show = (length: Length) => formatLength(length, units)
  const place = ({ x, y }: Place) => `${show(x.value)} right, ${show(y.value)} up`
  const face = turnOver ? 'turn over, ' : ''
  if (along === 'slant') return `${face}by ruler${ends ? ` from ${place(ends[0])} to ${place(ends[1])}` : ''}`
  const axis = along === 'y' ? 'x' : 'y'
  const [start, stop] = ends ? ([ends[0][axis].value, ends[1][axis].value].sort((a, b) => a - b) as [Length, Length]) : []
  const span = start !== undefined && stop !== undefined ? `; only from ${show(start)} to ${show(stop)}` : ''
  if (endForEnd) return `${face}same setting, piece turned end for end${span}; ends ${show(at.value)} and ${show(fromOtherEnd.value)}`
  const set = {
    near: `set ${show(reading.at)}`,
    far: `set ${show(reading.at)} from the other end`,
    between: `between marks, nearest ${show(reading.at)}`,
  }[reading.from]
  return `${face}${set}; ends ${show(at.value)} and ${show(fromOtherEnd.value)}${span}`
}
