import type { Solve } from '../cutting'
import { plansFor } from '../cutting'
import type { Batch } from '../document'
import type { Kits } from '../kits'
import { kitsFor } from '../kits'
import type { PaperOutcome } from './outcome'
import { outcomeOf } from './outcome'
import type { Preparation } from './prepare'
import { scrapProblem } from './scrap'

/**
 * Plans every paper of a class to the end, exactly where there is a solver, and then hidden parts from scrap.
 * Screens do the same step by step in a worker.
 */
export function planAll(batch: Batch, preparation: Preparation, solve?: Solve): PaperOutcome[] {
  const outcomes = preparation.papers.map(entry => outcomeOf(entry, plansFor(entry.problem, solve), batch))
  const scrap = scrapProblem(preparation, outcomes)
  return scrap ? [...outcomes, outcomeOf(scrap, plansFor(scrap.problem, solve), batch)] : outcomes
}

/** The kits of a prepared and planned class. */
export function kitsOfBatch(batch: Batch, { cards }: Preparation, outcomes: PaperOutcome[]): Kits {
  return kitsFor({
    units: batch.class.units,
    prices: batch.prices,
    bought: batch.bought,
    cards: cards.map(({ entry, kits, construction, pieces }) => ({
      key: entry.key,
      title: entry.title,
      kits,
      joints: construction?.joints ?? [],
      extras: construction?.extras ?? [],
      pieces: pieces.map(({ name, width, height, quantity, shares }) => ({
        name,
        width: width.value,
        height: height.value,
        papers: shares.map(share => ({ key: share.paper.key, share: quantity > 0 ? share.quantity / quantity : 0 })),
      })),
    })),
    papers: outcomes.map(({ paper, sheets }) => ({
      paper,
      sheets: sheets.map(({ cut, ...sheet }) => ({ ...sheet, needed: sheet.needed + cut, onHand: sheet.onHand + cut })),
    })),
  })
}
