import type { Layout, Plan, CuttingProblem } from '../cutting'
import { benchSequence, contentOf, sequenceViolations, verifyPlan, workOf } from '../cutting'

/**
 * Plans that were kept, or come from another device. They are answered only where each of them can be cut for this very
 * problem, in the order that it states, with what the maker has fixed; bounds are taken as they are said.
 * @param read whatever was read
 * @returns nothing where anything about them is wrong
 */
export function keptPlans(read: unknown, problem: CuttingProblem): Plan[] | undefined {
  try {
    const plans = read as Plan[]
    return Array.isArray(read) && plans.length > 0 && plans.every(plan => isSound(plan, problem)) ? plans : undefined
  }
  catch {
    // What has another shape breaks what looks at it.
    return undefined
  }
}

function isSound(plan: Plan, problem: CuttingProblem): boolean {
  const keys = new Set(plan.layouts.map(({ key }) => key))
  const isShaped = keys.size === plan.layouts.length
    && plan.layouts.every(({ key }) => typeof key === 'string' && key !== '')
    && isCount(plan.bound) && isCount(plan.moneyBound ?? 0) && plan.yield >= 0 && plan.yield <= 1
    && plan.unplaced.every(({ quantity, reason }) => isCount(quantity) && typeof reason === 'string')
    && (plan.order ?? []).every(isCount)
  if (!isShaped || !isFixedIn(plan, problem.fixed ?? []) || verifyPlan(plan, problem).length > 0) return false
  const { demands, supplies, cutter } = problem
  const names = new Map(demands.map(({ key, name }) => [key, name]))
  const steps = benchSequence(plan.layouts, cutter, { names, work: workOf(problem), order: plan.order, supplies })
  return sequenceViolations(steps, plan, problem).length === 0
}

const isCount = (value: number): boolean => Number.isSafeInteger(value) && value >= 0

const isFixedIn = ({ layouts }: Plan, fixed: Layout[]): boolean =>
  fixed.every(({ supply, repeats, root }) =>
    layouts.some(
      layout => layout.supply === supply && layout.repeats >= repeats && contentOf(layout.root) === contentOf(root),
    ),
  )
