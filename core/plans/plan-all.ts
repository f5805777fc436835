import type { Solve } from '../cutting'
import { plansFor, problemKey } from '../cutting'
import type { Batch } from '../document'
import { planHidden } from './hidden'
import type { Note } from './note'
import type { PaperOutcome } from './outcome'
import { outcomeOf } from './outcome'
import { chosenAlike } from './together'
import type { Preparation, PaperProblem } from '../batch'

/**
 * Plans every paper of a class to the end, exactly where there is a solver, chooses layouts of several papers alike,
 * and then plans hidden parts from scrap. Screens do the same step by step in a worker.
 */
export function planAll(
  batch: Batch, preparation: Preparation, solve?: Solve, note: Note = () => {},
): PaperOutcome[] {
  const outcomeFor = (entry: PaperProblem) => {
    const plans = plansFor(entry.problem, solve)
    note('plans', problemKey(entry.problem), plans)
    return outcomeOf(entry, plans, batch)
  }
  const outcomes = chosenAlike(preparation.papers.map(outcomeFor), batch, solve, note)
  const known = new Map<string, PaperOutcome>()
  const planned = (entry: PaperProblem) => {
    const key = `${entry.paper.key} ${problemKey(entry.problem)}`
    const outcome = known.get(key) ?? outcomeFor(entry)
    known.set(key, outcome)
    return outcome
  }
  const { outcomes: all, scrap } = planHidden(preparation, outcomes, planned)
  return scrap ? [...all, planned(scrap)] : all
}
