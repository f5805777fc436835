import { itemAt } from '../lists'
import type { PaceEntry, Priority } from '../document'
import { PRIORITIES } from '../document'
import type { BenchStep } from './bench'
import { benchSequence, handlingsIn, minutesOf, settingsIn, strokesIn } from './bench'
import type { Cutter, Plan } from './plan'
import { before } from './plan'

/** A plan with its sequence at the bench and what that takes. */
export interface Measured {
  plan: Plan
  steps: BenchStep[]
  settings: number
  strokes: number
  handlings: number
  minutes: number
}

export function measured(plan: Plan, cutter: Cutter, pace: PaceEntry, names?: ReadonlyMap<string, string>): Measured {
  const steps = benchSequence(plan.layouts, cutter, names)
  return {
    plan,
    steps,
    settings: settingsIn(steps),
    strokes: strokesIn(steps),
    handlings: handlingsIn(steps),
    minutes: minutesOf(steps, pace),
  }
}

/** Settings where every layout is cut by itself, for comparison. */
export const settingsAlone = ({ layouts }: Plan, cutter: Cutter): number =>
  layouts.reduce((sum, layout) => sum + settingsIn(benchSequence([layout], cutter)), 0)

const figures = ({ plan, settings, minutes }: Measured) => [plan.sheets, plan.spending, settings, minutes]

/** The plans that no other one beats or equals in every figure, the fewest sheets first. */
export function tradeOffs(plans: Measured[]): Measured[] {
  const kept = plans.filter(
    (one, index) =>
      !plans.some(
        (other, at) =>
          other !== one
          && figures(other).every((figure, i) => figure <= itemAt(figures(one), i))
          && (at < index || figures(other).some((figure, i) => figure < itemAt(figures(one), i))),
      ),
  )
  return kept.sort((a, b) => a.plan.sheets - b.plan.sheets || a.minutes - b.minutes)
}

/**
 * The plan that suits a maker's wish.
 * @param moreSheets sheets above the fewest that it may take; `null` for any number
 */
export function preferred(plans: Measured[], priority: Priority, moreSheets: number | null = null): Measured {
  const least = Math.min(...plans.map(({ plan }) => plan.sheets))
  const order = ({ plan, settings, minutes }: Measured) =>
    ({
      sheets: [plan.sheets, plan.spending, minutes],
      money: [plan.spending, plan.sheets, minutes],
      settings: [settings, plan.sheets, minutes],
      time: [minutes, plan.sheets, settings],
    })[priority]
  return plans
    .filter(({ plan }) => moreSheets === null || plan.sheets <= least + moreSheets)
    .reduce((best, one) => (before(order(one), order(best)) ? one : best))
}

/** The wish that leads to a plan: what counts most among those with no more sheets than it. */
export function wishFor(choice: Measured, plans: Measured[]): { priority: Priority, moreSheets: number } {
  const moreSheets = choice.plan.sheets - Math.min(...plans.map(({ plan }) => plan.sheets))
  const priority = PRIORITIES.find(priority => preferred(plans, priority, moreSheets) === choice)
  return { priority: priority ?? 'time', moreSheets }
}
