import type { Length, Units } from './length'
import { INCH, MILLIMETRE, nanometres } from './length'

/**
 * Rounding to the marks of a tool. Nothing else in Wakaru rounds a length:
 * each function says which way it goes and needs the mark it goes to.
 */

/** Smallest marks a maker can choose for a trimmer or a board. */
export const MARKS: Record<Units, Length[]> = {
  inch: [nanometres(INCH / 32), nanometres(INCH / 16), nanometres(INCH / 8)],
  metric: [nanometres(MILLIMETRE / 2), MILLIMETRE],
}

/** What scoring boards are grooved to. */
export const BOARD_MARKS: Record<Units, Length[]> = {
  inch: [...MARKS.inch, nanometres(INCH / 4), nanometres(INCH / 2)],
  metric: [...MARKS.metric, nanometres(5 * MILLIMETRE), nanometres(10 * MILLIMETRE)],
}

export const isOnMark = (length: Length, mark: Length): boolean => length % mark === 0
export const downToMark = (length: Length, mark: Length): Length => (Math.floor(length / mark) * mark) as Length
export const upToMark = (length: Length, mark: Length): Length => (Math.ceil(length / mark) * mark) as Length
export const nearestMark = (length: Length, mark: Length): Length => (Math.round(length / mark) * mark) as Length

/** How a measure is set on a tool whose sheet is `whole` long. */
export interface ScaleReading {
  /** `near`: set the measure itself. `far`: set what remains, from the other end. `between`: neither end has a mark. */
  from: 'near' | 'far' | 'between'
  /** What to set: exact for `near` and `far`, the nearest mark for `between`. */
  at: Length
}

/**
 * Reads a measure off a scale: from its own end if there is a mark, else from the other end, else by the nearest mark.
 */
export function readOffScale(measure: Length, whole: Length, mark: Length): ScaleReading {
  if (isOnMark(measure, mark)) return { from: 'near', at: measure }
  const rest = (whole - measure) as Length
  if (isOnMark(rest, mark)) return { from: 'far', at: rest }
  return { from: 'between', at: nearestMark(measure, mark) }
}
