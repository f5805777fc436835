import { itemAt } from '../lists'
import type { Priority } from '../document'
import { PRIORITIES } from '../document'
import type { BenchStep } from './bench-step'
import { benchSequence } from './bench'
import type { Plan, CuttingProblem } from './plan'
import { before } from './plan'
import { restIn } from './rests'
import { frameOf } from './squaring'
import { tallyOf } from './tally'
import type { Effort } from './effort'
import { effortOf, looseIn, secondsOf } from './effort'
import { paperWorth, savedIn, workOf } from './work'

/** A plan with its sequence at the bench and what that takes. */
export interface MeasuredPlan {
  plan: Plan
  steps: BenchStep[]
  effort: Effort
  settings: number
  minutes: number
  /** Most piles of strips that lie waiting at once. */
  loose: number
  /** Cents: what the fresh sheets are worth, and that together with the time. */
  worth: number
  cost: number
  /** Cents by which a plan is preferred for what it cuts from offcuts, where those are to be used up first. */
  saved: number
  /** How much of what is left over lies together, over all layouts. */
  rest: number
}

export function measured(plan: Plan, problem: CuttingProblem, names?: ReadonlyMap<string, string>): MeasuredPlan {
  const work = workOf(problem)
  const steps = benchSequence(plan.layouts, problem.cutter, {
    names, work, order: plan.order, supplies: problem.supplies,
  })
  const effort = effortOf(steps)
  const seconds = secondsOf(effort, work.pace)
  const worth = paperWorth(plan.layouts, problem.supplies)
  return {
    plan, steps, effort, settings: effort.settings, minutes: seconds / 60, loose: looseIn(steps), worth,
    cost: worth + (seconds / 3600) * work.hour, saved: savedIn(plan.layouts, problem),
    rest: plan.layouts.reduce((sum, { root, repeats }) => sum + restIn(root) * repeats, 0),
  }
}

/** Whether a plan keeps to what the maker allows. */
export function isWithinLimits(
  { plan: { layouts }, loose }: Pick<MeasuredPlan, 'plan' | 'loose'>, { cutter, ...problem }: CuttingProblem,
): boolean {
  const { piles, layouts: most, stages, strip } = workOf(problem)
  return (
    (piles === null || loose <= piles)
    && (most === null || layouts.length <= most)
    && layouts.every(({ root }) => {
      const found = tallyOf(frameOf(root, cutter)?.inside ?? root)
      return (stages === null || found.stages <= stages) && found.narrowest >= strip
    })
  )
}

/** What is weighed are estimates: plans that cost as little up to this factor cost the same. */
const ALIKE = 1.015

/**
 * Marks, of the plans that cost about the least, the one with fewest layouts: never one that is dearer than a careful
 * maker's.
 * @param hand place of the careful maker's plan, where it is known
 * @param ceiling cents that it may cost at most
 */
export function withFavourite(
  plans: [Plan, ...Plan[]], hand: number | undefined, problem: CuttingProblem, ceiling = Infinity,
): [Plan, ...Plan[]] {
  if (plans.length === 1) return plans
  const costs = plans.map(plan => costOf(plan, problem))
  const least = Math.min(...costs)
  const most = Math.min(least * ALIKE, ceiling, hand === undefined ? Infinity : itemAt(costs, hand))
  const order = (at: number) => [itemAt(plans, at).layouts.length, itemAt(costs, at)]
  const favourite = plans.map((_, at) => at).filter(at => itemAt(costs, at) <= Math.max(least, most) + 1e-9)
    .reduce((best, at) => (before(order(at), order(best)) ? at : best))
  const marked = plans.map((plan, at) => (at === favourite ? { ...plan, favoured: true } : plan))
  return [itemAt(marked, 0), ...marked.slice(1)]
}

function costOf(plan: Plan, problem: CuttingProblem): number {
  const { cost, saved } = measured(plan, problem)
  return cost - saved
}

/**
 * Plans with those that were found without the offcuts: the favourite is never dearer than the one among these would
 * be.
 */
export function besideOthers(
  plans: [Plan, ...Plan[]],
  plain: Plan[],
  hand: number | undefined,
  plainHand: number | undefined,
  problem: CuttingProblem,
): [Plan, ...Plan[]] {
  const [first, ...others] = plain
  const own = first && (withFavourite([first, ...others], plainHand, problem).find(({ favoured }) => favoured) ?? first)
  return withFavourite([...plans, ...plain], hand, problem, own && costOf(own, problem))
}

const figures = ({ plan, worth, minutes, saved }: MeasuredPlan) => [plan.sheets, plan.spending, worth, minutes, -saved]

/**
 * The plans that no other one beats or equals in every figure, and the one that is favoured; the fewest sheets first.
 */
export function tradeOffs(plans: MeasuredPlan[]): MeasuredPlan[] {
  const kept = plans.filter(
    (one, index) =>
      one.plan.favoured || !plans.some(
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
export function preferred(plans: MeasuredPlan[], priority: Priority, moreSheets: number | null = null): MeasuredPlan {
  const least = Math.min(...plans.map(({ plan }) => plan.sheets))
  const order = ({ plan, minutes, worth, cost, saved, rest }: MeasuredPlan) =>
    ({
      balanced: [plan.favoured ? 0 : 1, cost - saved, plan.sheets, minutes, -rest],
      sheets: [plan.sheets, plan.spending, cost - saved, -rest],
      easy: [minutes, worth - saved, plan.sheets, -rest],
      money: [plan.spending, worth - saved, cost - saved, -rest],
    })[priority]
  return plans
    .filter(({ plan }) => moreSheets === null || plan.sheets <= least + moreSheets)
    .reduce((best, one) => (before(order(one), order(best)) ? one : best))
}

/** The wish that leads to a plan: what counts most among those with no more sheets than it. */
export function wishFor(choice: MeasuredPlan, plans: MeasuredPlan[]): { priority: Priority, moreSheets: number } {
  const moreSheets = choice.plan.sheets - Math.min(...plans.map(({ plan }) => plan.sheets))
  const priority = PRIORITIES.find(priority => preferred(plans, priority, moreSheets) === choice)
  return { priority: priority ?? 'easy', moreSheets }
}
