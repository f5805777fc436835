import type { Solve } from '../cutting'
import { plansFor, problemKey } from '../cutting'
import type { Batch } from '../document'
import type { Kits } from '../kits'
import { kitsFor } from '../kits'
import { planHidden } from './hidden'
import type { PaperOutcome } from './outcome'
import { outcomeOf } from './outcome'
import type { Preparation } from './prepare'
import type { PaperProblem } from './problems'

/**
 * Plans every paper of a class to the end, exactly where there is a solver, and then hidden parts from scrap.
 * Screens do the same step by step in a worker.
 */
export function planAll(batch: Batch, preparation: Preparation, solve?: Solve): PaperOutcome[] {
  const outcomes = preparation.papers.map(entry => outcomeOf(entry, plansFor(entry.problem, solve), batch))
  const known = new Map<string, PaperOutcome>()
  const planned = (entry: PaperProblem) => {
    const key = `${entry.paper.key} ${problemKey(entry.problem)}`
    const outcome = known.get(key) ?? outcomeOf(entry, plansFor(entry.problem, solve), batch)
    known.set(key, outcome)
    return outcome
  }
  const { outcomes: all, scrap } = planHidden(preparation, outcomes, planned)
  return scrap ? [...all, planned(scrap)] : all
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
