import type { Length, Units } from '../../core/lengths'
import { lengthFrom } from '../../core/lengths'

/** A size as it was measured, in the measure that it was written in. */
export function writtenSize(
  { width, height }: { width: string, height: string },
): { width: Length, height: Length, units: Units } {
  const units = /mm|cm|m$/.test(width.trim()) ? 'metric' : 'inch'
  return { width: lengthFrom(width, units), height: lengthFrom(height, units), units }
}
