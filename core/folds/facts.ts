import type { Length, Units } from '../lengths'
import { lengthFrom, millimetres, nanometres } from '../lengths'
import { thickness } from '../paper'
import type { Construction } from './model/card'
import type { Fold } from './model/fold'
import { defaultInputs } from './model/parameters'
import type { Piece } from './model/pieces'
import { usualPaper } from './model/pieces'
import { sizeAt } from './motion/pose'
import { thicknessMap } from './motion/thickness'

/** What a maker compares before choosing a fold, at its natural size. */
export interface FoldFacts {
  construction: Construction & { pieces: Piece[] }
  closed: { width: Length, height: Length }
  displayed: { width: Length, height: Length, depth: Length }
  pieces: number
  scores: number
  /** Share of one sheet of the school's usual format that all pieces of a kit cover together. */
  sheets: number
  /** At the thickest place of the closed card, in usual papers. */
  thickness: Length
  /** Whether it goes into a flat letter. */
  flat: boolean
}

/** The sheet that the need is counted in: Letter or A4. */
export const USUAL_SHEET: Record<Units, { name: string, width: Length, height: Length }> = {
  inch: { name: 'Letter', width: lengthFrom('8 1/2 in'), height: lengthFrom('11 in') },
  metric: { name: 'A4', width: lengthFrom('210 mm'), height: lengthFrom('297 mm') },
}

const USUAL_MARK: Record<Units, Length> = { inch: lengthFrom('1/16 in'), metric: lengthFrom('1 mm') }

/** Grams per square metre of the papers that facts are computed with, and the height of a foam pad. */
const USUAL = { print: 120, cardstock: 240, foam: millimetres(1.5) } as const
/** Thickest that goes as a flat letter. */
const FLAT = millimetres(5)

/** Share of a sheet of the school's usual format that pieces cover together; more than 1 where they cover more. */
export function usualSheets(pieces: Pick<Piece, 'width' | 'height'>[], units: Units): number {
  const sheet = USUAL_SHEET[units]
  return pieces.reduce((sum, { width, height }) => sum + width.value * height.value, 0) / (sheet.width * sheet.height)
}

const known = new Map<string, FoldFacts>()

/** The facts of a fold in one school of measuring. They never change, so they are computed once. */
export function factsOf(fold: Fold, units: Units): FoldFacts {
  const key = `${fold.id} ${units}`
  const facts = known.get(key) ?? compute(fold, units)
  known.set(key, facts)
  return facts
}

function compute(fold: Fold, units: Units): FoldFacts {
  const construction = fold.construct(defaultInputs(fold.parameters, units), units, USUAL_MARK[units])
  const { pieces, finished } = construction
  const map = thicknessMap(construction, part => thickness(USUAL[usualPaper(part.kind)]), USUAL.foam)
  const thickest = nanometres(Math.max(map?.most.thickness ?? 0, finished.depth?.value ?? 0))
  return {
    construction,
    closed: { width: finished.width.value, height: finished.height.value },
    displayed: sizeAt(construction, 1),
    thickness: thickest,
    flat: thickest <= FLAT,
    pieces: pieces.length,
    scores: pieces.reduce((sum, piece) => sum + piece.scores.length, 0),
    sheets: usualSheets(pieces, units),
  }
}
