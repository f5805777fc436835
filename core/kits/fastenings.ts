import type { Joint } from '../folds'
import { foamSpacing } from '../folds'
import type { Length, Units } from '../lengths'
import { ZERO, sum } from '../lengths'

/** What holds one kit together. */
export interface Fastenings {
  /** Double-sided tape, and the strong one. */
  tape: Length
  strong: Length
  /** Foam pads. */
  pads: number
}

/**
 * Estimates supplies from the glue zones of one card: tape once round the edge
 * of every taped zone, one foam pad for each started square of the pad spacing
 * on every padded zone and never fewer than two.
 */
export function fasteningsFor(joints: Joint[], units: Units): Fastenings {
  const spacing = foamSpacing(units)
  const supplies: Fastenings = { tape: ZERO, strong: ZERO, pads: 0 }
  for (const { glue, means } of joints) {
    const { width: { value: width }, height: { value: height } } = glue
    if (width <= 0 || height <= 0) continue
    if (means === 'tape') supplies.tape = sum(supplies.tape, width, height, width, height)
    else if (means === 'strong tape') supplies.strong = sum(supplies.strong, width, height, width, height)
    else if (means === 'foam') supplies.pads += Math.max(2, Math.ceil(width / spacing) * Math.ceil(height / spacing))
  }
  return supplies
}
