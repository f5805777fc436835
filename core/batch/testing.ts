import { plainPaper } from '../document'
import type { Batch, CardEntry, PaperEntry } from '../document'
import type { Fold } from '../folds'
import { newCard, withUsualPapers } from './cards'

/** A new card with usual papers of the shelf, for tests that cut it. */
export const paperedCard = (fold: Fold, batch: Batch, own: Parameters<typeof newCard>[2] = {}): CardEntry =>
  withUsualPapers(newCard(fold, batch, own), fold, batch)

/** Plain cardstock of ten Letter sheets, as far as a test does not say otherwise. */
export const letterPaper = (key: string, changes: Partial<PaperEntry> = {}): PaperEntry => plainPaper({
  key,
  name: key,
  kind: 'cardstock',
  weight: 240,
  colour: '#808080',
  stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 10, pack: 1, price: 50 }],
  ...changes,
})
