import type { Solve } from '../cutting'
import { plansFor, problemKey } from '../cutting'
import type { Batch } from '../document'
import { planHidden } from './hidden'
import type { PaperOutcome } from './outcome'
import { outcomeOf } from './outcome'
import { chosenAlike } from './together'
import type { Preparation, PaperProblem } from '../batch'

/**
 * Plans every paper of a class to the end, exactly where there is a solver, chooses layouts of several papers alike,
 * and then plans hidden parts from scrap. Screens do the same step by step in a worker.
 */
export function planAll(batch: Batch, preparation: Preparation, solve?: Solve): PaperOutcome[] {
  const alone = preparation.papers.map(entry => outcomeOf(entry, plansFor(entry.problem, solve), batch))
  const outcomes = chosenAlike(alone, batch, solve)
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
