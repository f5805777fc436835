import type { Length, Units } from '../lengths'
import { lengthFrom } from '../lengths'
import type { Construction } from './model/card'
import type { Fold } from './model/fold'
import { defaultInputs } from './model/parameters'
import { sizeAt } from './motion/pose'

/** What a maker compares before choosing a fold, at its natural size. */
export interface FoldFacts {
  construction: Construction
  closed: { width: Length, height: Length }
  displayed: { width: Length, height: Length, depth: Length }
  pieces: number
  scores: number
  /** Share of one sheet of the school's usual format that all pieces of a kit cover together. */
  sheets: number
}

/** The sheet that the need is counted in: Letter or A4. */
export const USUAL_SHEET: Record<Units, { name: string, width: Length, height: Length }> = {
  inch: { name: 'Letter', width: lengthFrom('8 1/2 in'), height: lengthFrom('11 in') },
  metric: { name: 'A4', width: lengthFrom('210 mm'), height: lengthFrom('297 mm') },
}

const USUAL_MARK: Record<Units, Length> = { inch: lengthFrom('1/16 in'), metric: lengthFrom('1 mm') }

/** The facts of a fold in one school of measuring. */
export function factsOf(fold: Fold, units: Units): FoldFacts {
  const construction = fold.construct(defaultInputs(fold.parameters, units), units, USUAL_MARK[units])
  const { pieces, finished } = construction
  const sheet = USUAL_SHEET[units]
  return {
    construction,
    closed: { width: finished.width.value, height: finished.height.value },
    displayed: sizeAt(construction, 1),
    pieces: pieces.length,
    scores: pieces.reduce((sum, piece) => sum + piece.scores.length, 0),
    sheets: pieces.reduce((sum, { width, height }) => sum + width.value * height.value, 0) / (sheet.width * sheet.height),
  }
}
