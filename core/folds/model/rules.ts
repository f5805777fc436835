import type { Length, Units } from '../../lengths'
import { Measure, lengthFrom } from '../../lengths'

/**
 * The craft's rules of thumb as figures, one natural set for each school.
 * A design names the rule; the number stands here only.
 */
const RULES = {
  overlap: { label: 'Least overlap that holds', inch: '1/2 in', metric: '12 mm' },
  ease: { label: 'Ease', inch: '1/8 in', metric: '3 mm' },
  messageSide: { label: 'Smallest side to write on', inch: '1 1/2 in', metric: '40 mm' },
  clearance: { label: 'Clearance', inch: '1/16 in', metric: '1.5 mm' },
  openingSide: { label: 'Smallest centre', inch: '1 in', metric: '25 mm' },
  tape: { label: 'Tape at an edge', inch: '1/4 in', metric: '6 mm' },
  stays: { label: 'What stays in its guide', inch: '3/4 in', metric: '19 mm' },
  between: { label: 'Paper between two cuts', inch: '1/2 in', metric: '12 mm' },
  glueWidth: { label: 'Least width that holds glue', inch: '1/4 in', metric: '6 mm' },
} as const

export type Rule = keyof typeof RULES

export const rule = (name: Rule, units: Units): Measure =>
  Measure.of(RULES[name].label, lengthFrom(RULES[name][units], units))

/** Foam pads stand about this far apart; one pad for every started square of it. */
export const foamSpacing = (units: Units): Length => lengthFrom(units === 'inch' ? '1 1/2 in' : '38 mm', units)
