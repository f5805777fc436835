import type { PaperEntry, PaperKind } from '../document'
import type { Fold } from '../folds'
import { factsOf, usualPaper } from '../folds'
import type { Units } from '../lengths'
import { lengthFrom } from '../lengths'

/**
 * How many kits of a fold at its natural size the papers of a shelf are enough for at most: by area, cardstock and
 * prints apart. No plan makes more; how they lie on the sheets may make fewer.
 */
export function kitsByArea(fold: Fold, papers: PaperEntry[], units: Units): number {
  const { pieces } = factsOf(fold, units).construction
  const kinds: PaperKind[] = ['cardstock', 'print']
  const enough = kinds.map((kind) => {
    const need = pieces
      .filter(piece => usualPaper(piece.kind) === kind)
      .reduce((sum, { width, height }) => sum + width.value * height.value, 0)
    const have = papers
      .filter(paper => paper.kind === kind)
      .flatMap(({ stocks, offcuts }) => [
        ...stocks.map(({ width, height, onHand }) => lengthFrom(width, units) * lengthFrom(height, units) * onHand),
        ...offcuts.map(({ width, height, count }) => lengthFrom(width, units) * lengthFrom(height, units) * count),
      ])
      .reduce((sum, area) => sum + area, 0)
    return need === 0 ? Infinity : Math.floor(have / need)
  })
  return Math.min(...enough)
}
