import type { Batch, CardEntry } from '../document'
import type { Fold } from '../folds'
import { newCard, withUsualPapers } from './cards'

/** A new card with usual papers of the shelf, for tests that cut it. */
export const paperedCard = (fold: Fold, batch: Batch, own: Parameters<typeof newCard>[2] = {}): CardEntry =>
  withUsualPapers(newCard(fold, batch, own), fold, batch)
