import type { Plan, Solve } from '../cutting'
import type { Batch } from '../document'
import type { OrderTogether, PaperAlone, PaperCut, Together, TogetherProblem, SheetPaper } from '../together'
import { stackedWeight } from '../paper'
import { inSittings, orderOf, plansTogether, togetherKey } from '../together'
import type { Note } from './note'
import type { PaperOutcome } from './outcome'
import { outcomeBy } from './outcome'

/** How the papers of a class are cut together, as the maker wishes. */
export function togetherOf({ tools, wishes, cutting, papers }: Batch): Together {
  const own = cutting.filter(({ apart }) => apart).map(({ paper }) => paper)
  return { stack: tools.stack, apart: new Set(wishes.together ? own : papers.map(({ key }) => key)) }
}

/** A paper with its plan, for those who choose layouts alike. */
const aloneOf = (
  { paper, entry: { problem, names, paperOf, own }, plan, choices }: PaperOutcome,
): PaperAlone => ({
  paper: stackedPaper(paper), problem, names, paperOf, plan, taken: (own?.priority ?? null) !== null,
  others: choices.map(choice => choice.plan).filter(other => other !== plan),
})

/** The papers with what each of them is cut by once layouts were chosen alike, by the key of the paper. */
export const withPlans = (outcomes: readonly PaperOutcome[], plans: ReadonlyMap<string, Plan>): PaperOutcome[] =>
  outcomes.map((outcome) => {
    const plan = plans.get(outcome.paper.key)
    return plan ? outcomeBy(outcome, plan) : outcome
  })

/** What is to be chosen alike; nothing where the maker does not want it or there is only one paper. */
export const togetherProblem = (outcomes: readonly PaperOutcome[], batch: Batch): TogetherProblem | undefined =>
  batch.wishes.together && outcomes.length > 1
    ? { papers: outcomes.map(aloneOf), together: togetherOf(batch) }
    : undefined

/** Layouts of the papers of a class chosen alike, where the maker wants it and there is a solver. */
export function chosenAlike(
  outcomes: PaperOutcome[], batch: Batch, solve?: Solve, note: Note = () => {},
): PaperOutcome[] {
  const problem = togetherProblem(outcomes, batch)
  if (!problem || !solve) return outcomes
  const plans = plansTogether(problem, solve)
  note('together', togetherKey(problem), plans)
  return withPlans(outcomes, plans)
}

/** A paper as it counts in a stack: by what is as thick as it is. */
function stackedPaper(paper: PaperOutcome['paper']): SheetPaper {
  return { key: paper.key, name: paper.name, weight: stackedWeight(paper) }
}

const cutOf = (outcome: PaperOutcome): PaperCut =>
  ({ ...outcome, ...outcome.entry, paper: stackedPaper(outcome.paper) })

/** The one order in which the papers of a class are cut, or one for each sitting. */
export function ordersOf(outcomes: readonly PaperOutcome[], batch: Batch): OrderTogether[] {
  const together = togetherOf(batch)
  const papers = outcomes.filter(({ plan }) => plan.layouts.length > 0).map(cutOf)
  return inSittings(papers, together, batch.wishes.sittings).map(some => orderOf(some, together))
}
