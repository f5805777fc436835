import type { Batch } from '../document'
import type { Preparation } from '../batch'
import { formatLength } from '../lengths'

/**
 * The pieces of a class as CSV for a spreadsheet: one row a piece, width before
 * height, texts guarded against being read as formulas.
 */
export async function piecesCsv(batch: Batch, { cards }: Preparation): Promise<string> {
  const { default: Papa } = await import('papaparse')
  const { units } = batch.class
  const unit = units === 'inch' ? 'in' : 'mm'
  const rows = cards.flatMap(({ entry, pieces }) => pieces.map(piece => ({
    'Card': entry.title,
    'Piece': piece.name,
    [`Width (${unit})`]: formatLength(piece.width.value, units),
    [`Height (${unit})`]: formatLength(piece.height.value, units),
    'Per kit': piece.perKit,
    'In all': piece.quantity,
    'Paper': piece.paper?.name ?? '',
    'Print top': piece.printTop,
    [`Scores (${unit})`]: piece.scores.map(({ at, direction }) => `${formatLength(at.value, units)} ${direction}`).join('; '),
  })))
  return `${Papa.unparse(rows, { escapeFormulae: true, newline: '\n' })}\n`
}
