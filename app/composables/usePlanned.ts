/** One paper of the class with its plan, as far as it has come. */
export type PlannedPaper = ReturnType<typeof usePlannerStore>['papers'][number]

/** The plan's number beside its bound, in words. */
export function proofOf({ plan, choices, sheets: formats }: NonNullable<PlannedPaper['outcome']>): string {
  const sheets = count(plan.sheets, 'sheet')
  if (plan.unplaced.length > 0) return `${sheets}; not every piece could be placed`
  const least = Math.min(...choices.map(choice => choice.plan.sheets))
  if (least < plan.sheets) return `${sheets}, where ${least} would do`
  // With several formats the least money comes first, and the proof is for that money.
  const money = formats.length > 1 ? ' for the same money' : ''
  if (plan.sheets === 0) return plan.layouts.length > 0 ? 'No fresh sheet: offcuts are enough' : 'Everything is cut'
  return plan.sheets === plan.bound ? `${sheets}, and it cannot be done with fewer${money}` : `${sheets}; fewer than ${plan.bound} is impossible${money}`
}

/** The other papers whose sheets are cut in the same way, sheet for sheet. */
export function alikeWith(entry: PlannedPaper, papers: PlannedPaper[]): PlannedPaper[] {
  const cuts = ({ outcome }: PlannedPaper) => JSON.stringify(outcome?.plan.layouts.map(({ supply, root }) => [supply, root]))
  return entry.outcome ? papers.filter(other => other.paper.key !== entry.paper.key && cuts(other) === cuts(entry)) : []
}
