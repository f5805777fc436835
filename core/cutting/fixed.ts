import { byKey } from '../lists'
import type { Demand, Plan, CuttingProblem } from './plan'
import { area, keyedLayouts, madeBy, mergedLayouts, openedBy, freshSheets, spendingOf } from './plan'

/** What is left to plan beside the layouts that are in the plan whatever else is. */
export function besideFixed(problem: CuttingProblem): CuttingProblem {
  const { fixed = [], demands, supplies } = problem
  if (fixed.length === 0) return problem
  const opened = openedBy(fixed)
  const made = madeBy(fixed)
  return {
    ...problem,
    fixed: undefined,
    demands: demands.map((demand): Demand => ({
      ...demand, quantity: Math.max(0, demand.quantity - (made.get(demand.key) ?? 0)),
    })),
    supplies: supplies
      .filter(({ onlyFixed }) => !onlyFixed)
      .map(supply => ({ ...supply, onHand: Math.max(0, supply.onHand - (opened.get(supply.key) ?? 0)) })),
  }
}

/** A plan for what was left together with the fixed layouts, its figures stated anew. */
export function withFixed(plan: Plan, { fixed = [], setUp, supplies, demands }: CuttingProblem): Plan {
  const layouts = keyedLayouts(mergedLayouts([...fixed, ...plan.layouts.map(({ key: _, ...layout }) => layout)]), setUp)
  const sheets = freshSheets(layouts, supplies)
  const made = madeBy(layouts)
  const used = demands.reduce(
    (sum, demand) => sum + area(demand) * Math.min(demand.quantity, made.get(demand.key) ?? 0), 0,
  )
  const opened = layouts.reduce((sum, { supply, repeats }) => sum + repeats * area(byKey(supplies, supply)), 0)
  return {
    ...plan,
    layouts,
    sheets,
    bound: plan.unplaced.length > 0 && plan.bound === 0 ? 0 : plan.bound + freshSheets(fixed, supplies),
    spending: spendingOf(layouts, supplies),
    ...(plan.moneyBound !== undefined && { moneyBound: plan.moneyBound + spendingOf(fixed, supplies) }),
    yield: opened === 0 ? 0 : used / opened,
  }
}
