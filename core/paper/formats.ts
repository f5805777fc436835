import type { Length, Units } from '../lengths'
import { INCH, lengthFrom } from '../lengths'

/** Sheet formats as makers call them, width × height, written as in a batch file. */
export interface SheetFormat {
  name: string
  width: string
  height: string
}

export const SHEET_FORMATS: readonly SheetFormat[] = [
  { name: 'Letter', width: '8 1/2 in', height: '11 in' },
  { name: 'Half letter', width: '5 1/2 in', height: '8 1/2 in' },
  { name: '12 × 12 in', width: '12 in', height: '12 in' },
  { name: '6 × 6 in pad', width: '6 in', height: '6 in' },
  { name: 'A4', width: '210 mm', height: '297 mm' },
  { name: 'A3', width: '297 mm', height: '420 mm' },
  { name: 'A5', width: '148 mm', height: '210 mm' },
]

const formatOf = (width: Length, height: Length) =>
  SHEET_FORMATS.find(format => lengthFrom(format.width) === width && lengthFrom(format.height) === height)

/**
 * Whether a sheet was made in inches or in millimetres: by its usual name, else by whether its sides are whole
 * sixteenths.
 */
export function sheetSchool({ width, height }: { width: Length, height: Length }): Units {
  const format = formatOf(width, height)
  if (format) return format.width.endsWith('in') ? 'inch' : 'metric'
  return [width, height].every(side => side % (INCH / 16) === 0) ? 'inch' : 'metric'
}

/**
 * The sheet formats that a maker cuts from without being asked: those of their own units; all where a paper has none of
 * them.
 */
export function ownFormats<Format extends { width: Length, height: Length }>(
  formats: readonly Format[], units: Units,
): readonly Format[] {
  const own = formats.filter(format => sheetSchool(format) === units)
  return own.length > 0 ? own : formats
}

/** The usual name of a sheet size, if it has one. */
export const sheetName = (width: Length, height: Length): string | undefined =>
  formatOf(width, height)?.name
