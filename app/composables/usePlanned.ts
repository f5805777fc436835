/** One paper of the class with its plan, as far as it has come. */
export type PlannedPaper = ReturnType<typeof usePlannerStore>['papers'][number]

/** The plan's number beside its bound, in words. */
export function proofOf({ plan }: NonNullable<PlannedPaper['outcome']>): string {
  const sheets = count(plan.sheets, 'sheet')
  if (plan.bound === 0) return `${sheets}; not every piece could be placed`
  return plan.sheets === plan.bound ? `${sheets}, and it cannot be done with fewer` : `${sheets}; fewer than ${plan.bound} is impossible`
}
