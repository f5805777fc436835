import type { Length, Units } from '../lengths'
import { lengthParts } from '../lengths'
import { sheetName } from '../paper'

/** A length for print: `5 ⅜ in` as digits round a fraction slash, which the typeface sets as a true fraction. */
export function typeset(length: Length, units: Units, unit = false): string {
  const { approximate, negative, whole, numerator, denominator, unit: name } = lengthParts(length, units)
  const fraction = numerator === undefined ? '' : `${numerator}\u2044${denominator}`
  const digits = [whole, fraction].filter(Boolean).join('\u2009')
  return `${approximate ? '≈' : ''}${negative ? '−' : ''}${digits}${unit ? `\u00a0${name}` : ''}`
}

/** Width × height. */
export const typesetSize = (width: Length, height: Length, units: Units, unit = false): string =>
  `${typeset(width, units)} × ${typeset(height, units, unit)}`

/** A sheet by its usual name, else by its size. */
export const sheetInWords = (width: Length, height: Length, units: Units): string =>
  sheetName(width, height) ?? typesetSize(width, height, units, true)

export { typesetText } from '../lengths'
