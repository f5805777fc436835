import type { Length, Units } from './length'
import { INCH, LONGEST, MILLIMETRE, nanometres } from './length'

const UNIT_SIZES: Record<string, Length> = {
  'in': INCH,
  'inch': INCH,
  'inches': INCH,
  '"': INCH,
  '″': INCH,
  '”': INCH,
  'mm': MILLIMETRE,
  'cm': nanometres(10 * MILLIMETRE),
  'm': nanometres(1000 * MILLIMETRE),
}

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

/** Letters of a measure; nothing longer is even looked at. */
const MOST_LETTERS = 60

const ACCEPTED = /^([+-]?)(?:(\d{1,9})(?=[\s/.]|$)\s*)?(?:(\.\d{1,9})|\s*(\d{1,6})\s*\/\s*(\d{1,6}))?$/

export type ParsedLength = { ok: true, length: Length } | { ok: false, reason: string }

const refuse = (reason: string): ParsedLength => ({ ok: false, reason })

/**
 * Reads a length as people write it: `5 3/8`, `5⅜"`, `5-3/8 in`, `5.375 in`, `13,5 cm`, `136mm`.
 *
 * @param text what was typed
 * @param units what a bare number means: inches or millimetres
 * @returns the exact length, or a reason that says what would be right. Never throws.
 */
export function parseLength(text: string, units: Units): ParsedLength {
  const example = units === 'inch' ? '5 3/8 or 5.375 in' : '136 or 13.6 cm'
  if (text.length > MOST_LETTERS)
    return refuse(`A measure has at most ${MOST_LETTERS} characters. Write it like ${example}.`)
  const written = text.trim()
  if (written === '') return refuse(`Type a measure, such as ${example}.`)

  const unit = /[a-z"″”]+$/i.exec(written)?.[0] ?? ''
  const size = unit === '' ? (units === 'inch' ? INCH : MILLIMETRE) : UNIT_SIZES[unit.toLowerCase()]
  if (size === undefined) return refuse(`“${unit}” is not a unit here: use in, mm, cm or m.`)

  const number = written
    .slice(0, written.length - unit.length)
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, character => ` ${VULGAR[character]}`)
    .replace(/⁄/g, '/')
    .replace(/−/g, '-')
    .replace(/^(\d+),(\d+)$/, '$1.$2')
    .replace(/^([+-]?\d+)-(\d+\/)/, '$1 $2')
    .trim()
  const parts = ACCEPTED.exec(number)
  const [, sign, whole, decimals, numerator, denominator] = parts ?? []
  if (!parts || (whole === undefined && decimals === undefined && numerator === undefined)) {
    return refuse(`“${written}” cannot be read as a measure. Write it like ${example}.`)
  }
  if (denominator !== undefined && Number(denominator) === 0) return refuse('A fraction cannot have 0 below the line.')

  let length = Number(whole ?? 0) * size
  if (decimals !== undefined) length += Math.round(Number(`0${decimals}`) * size)
  if (numerator !== undefined) {
    const exact = (Number(numerator) * size) / Number(denominator)
    if (!Number.isInteger(exact))
      return refuse(`No ruler has ${numerator}/${denominator}: use halves down to 64ths, or a decimal.`)
    length += exact
  }
  if (length > LONGEST) return refuse('That is longer than 5 m. Check the number and the unit.')
  return { ok: true, length: nanometres(sign === '-' ? -length : length) }
}

/** Lengths that were read already: a document writes the same ones over and over. */
const READ: Record<Units, Map<string, Length>> = { inch: new Map(), metric: new Map() }
const MOST_READ = 4000

/** Reads text that has passed a door already. Throws when it is not a length after all. */
export function lengthFrom(text: string, units: Units = 'inch'): Length {
  const known = READ[units].get(text)
  if (known !== undefined) return known
  const parsed = parseLength(text, units)
  if (!parsed.ok) throw new RangeError(parsed.reason)
  if (READ[units].size >= MOST_READ) READ[units].clear()
  READ[units].set(text, parsed.length)
  return parsed.length
}

/** A length split for typesetting. `approximate` says that the fraction is the nearest one, not the exact value. */
export interface LengthParts {
  negative: boolean
  whole: string
  numerator?: number
  denominator?: number
  unit: 'in' | 'mm'
  approximate: boolean
}

const FINEST_INCH = INCH / 64
const FINEST_METRIC = MILLIMETRE / 100
const HALF_MILLIMETRE = MILLIMETRE / 2

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b))

/**
 * A length in millimetres as a ruler is read: what was made in inches (8 1/2 in), or is no hundredth (a diagonal), to
 * the nearest half; what a metric maker can have typed just so. Nothing is shown as nothing that is something.
 */
function millimetresShown(size: number): number {
  const metric = size % FINEST_METRIC === 0 && size % FINEST_INCH !== 0
  const halves = Math.round(size / HALF_MILLIMETRE) / 2
  return metric || (halves === 0 && size > 0) ? Math.round(size / FINEST_METRIC) / 100 : halves
}

/** Splits a length into digits: inches as whole and fraction down to 64ths, millimetres as a ruler is read. */
export function lengthParts(length: Length, units: Units): LengthParts {
  const size = Math.abs(length)
  const negative = length < 0
  if (units === 'metric') {
    return { negative, whole: String(millimetresShown(size)), unit: 'mm', approximate: false }
  }
  const steps = Math.round(size / FINEST_INCH)
  const approximate = size % FINEST_INCH !== 0
  const whole = Math.floor(steps / 64)
  const rest = steps % 64
  if (rest === 0) return { negative, whole: String(whole), unit: 'in', approximate }
  const divisor = greatestDivisor(rest, 64)
  return {
    negative,
    whole: whole === 0 ? '' : String(whole),
    numerator: rest / divisor,
    denominator: 64 / divisor,
    unit: 'in',
    approximate,
  }
}

/**
 * Plain text for lists, exports and the terminal: `5 3/8`, `136`, with `≈` in front of a fraction that is only the
 * nearest.
 */
export function formatLength(length: Length, units: Units, options: { unit?: boolean } = {}): string {
  const parts = lengthParts(length, units)
  const fraction = parts.numerator === undefined ? '' : `${parts.numerator}/${parts.denominator}`
  const digits = [parts.whole, fraction].filter(Boolean).join(' ')
  const sign = (parts.approximate ? '≈' : '') + (parts.negative ? '−' : '')
  return `${sign}${digits}${options.unit ? ` ${parts.unit}` : ''}`
}

/** Width and height as one text, the unit at the end: `5 1/4 × 4 in`. */
export const formatSize = (width: Length, height: Length, units: Units): string =>
  `${formatLength(width, units)} × ${formatLength(height, units, { unit: true })}`

/**
 * Writes a length for a file, so that reading it back gives the same integer: inches where a 64th fits, else
 * millimetres.
 */
export function writeLength(length: Length, units: Units): string {
  const sign = length < 0 ? '-' : ''
  const size = nanometres(Math.abs(length))
  const fits = { inch: size % FINEST_INCH === 0, metric: size % FINEST_METRIC === 0 }
  if (fits.inch && (units === 'inch' || !fits.metric)) return sign + formatLength(size, 'inch', { unit: true })
  if (fits.metric) return `${sign}${size / FINEST_METRIC / 100} mm`
  return `${sign}${Math.floor(size / MILLIMETRE)}.${String(size % MILLIMETRE).padStart(6, '0')} mm`
}

/** Lengths in a text that was written elsewhere, set for print: `2 3/8` becomes a true fraction. */
export const typesetText = (text: string): string =>
  text
    .replace(/(\d) (\d+)\/(\d+)/g, '$1\u2009$2\u2044$3')
    .replace(/(^|[^\d\u2044/])(\d+)\/(\d+)(?![\d/])/g, '$1$2\u2044$3')
