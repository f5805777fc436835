import type { Batch } from '../document'
import type { Preparation } from '../batch'
import { sourceOf } from '../batch'
import type { Length } from '../lengths'
import { formatLength } from '../lengths'
import { doneInWords } from '../making'
import { scoreList } from '../folds'
import { csvOf, harmless } from './cells'

/**
 * The pieces of a class as CSV for a spreadsheet: one row a piece, width before
 * height, texts guarded against being read as formulas.
 */
export async function piecesCsv(batch: Batch, { cards }: Preparation): Promise<string> {
  const { units } = batch.class
  const show = (length: Length) => formatLength(length, units, { unit: true })
  const rows = cards.flatMap(({ entry, pieces }) => pieces.map(piece => ({
    'Card': harmless(entry.title),
    'Piece': harmless(piece.name),
    'Width': show(piece.width.value),
    'Height': show(piece.height.value),
    'Per kit': piece.perKit,
    'In all': piece.quantity,
    'Paper': harmless(sourceOf(piece, pieces) ?? ''),
    'Made': doneInWords(piece.works).join(', '),
    'Print top': piece.printTop,
    'Scores': scoreList(piece, units),
  })))
  return csvOf(rows)
}
