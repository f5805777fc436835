import type { PaperProblem } from '../../core/batch'
import type { Plan } from '../../core/cutting'
import type { Batch } from '../../core/document'
import type { PaperOutcome } from '../../core/plans'
import { outcomeOf } from '../../core/plans'

/** Outcomes that were worked out before: a sequence of cuts is worked out once, not at every step of the search. */
const followed = new WeakMap<Plan[], { of: unknown[], outcome: PaperOutcome }>()

/** What follows for a paper from its plans, worked out once for the same ones. */
export function outcomeFor(paper: PaperProblem, plans: Plan[], batch: Batch): PaperOutcome {
  const of = [paper, batch.wishes, batch.tools]
  const known = followed.get(plans)
  if (known?.of.every((part, index) => part === of[index])) return known.outcome
  const outcome = outcomeOf(paper, plans, batch)
  followed.set(plans, { of, outcome })
  return outcome
}
