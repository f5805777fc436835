import { sheetBound } from './bound'
import {
  attemptOf, better, correctWorths, finished, guillotineFiller, oneAttempt, stripFiller, supplyOrders, total,
} from './attempts'
import type { Attempt } from './attempts'
import { exactly } from './exact'
import { besideFixed, withFixed } from './fixed'
import { gathered } from './gathered'
import { lessKerf, withKerf } from './kerf'
import { sortOut } from './placeable'
import type { Demand, Layout, Plan, CuttingProblem } from './plan'
import { area, contentOf, countsOf, isFresh, keyedLayouts, openedBy } from './plan'
import type { Solve } from './solver'
import { sequenceOf } from './sequence'
import { workOf } from './work'
import { withoutSurplus } from './surplus'
import { besideOthers, withFavourite } from './tradeoff'

/** The best plan so far and how far the search has come. */
export interface Progress {
  plan: Plan
  /** Others that weigh paper against time, once some are known. */
  others?: Plan[]
  /** Patterns in the exact search; none while strips are tried. */
  columns: number
  /** Share of the way that is done, 0 to 1. */
  share: number
}

/** What a search ends with: the best plan and others, and which of them is that of a careful maker. */
interface Found {
  plans: [Plan, ...Plan[]]
  hand?: number
}

const ROUNDS = 24
/** Rounds of strips before the exact search takes over. */
const STRIP_ROUNDS = 8
const FEW_SIZES = 8
/** Pieces above which strips of many sizes take too long to start from, and pieces on a sheet. */
const MANY_PIECES = 400
const FULL_SHEET = 60

/**
 * Plans the cutting of one paper with strip layouts: at once a first plan, then
 * better ones. Each round fills sheets with the layout worth most, repeats it
 * as often as the demand allows, and then raises the worth of the pieces that
 * ended on badly used sheets (sequential value correction). With a solver the
 * exact search follows: patterns of any guillotine cuts, a bound by their linear
 * relaxation, and whole sheets by an integer programme.
 * @returns the best plan, then plans with more sheets that may take less time at the bench
 */
export function* planPaper(problem: CuttingProblem, solve?: Solve): Generator<Progress, [Plan, ...Plan[]]> {
  const rest = besideFixed(problem)
  const search = planWithoutKerf(withKerf(rest), solve)
  const whole = (plan: Plan) => withFixed({ ...plan, layouts: keyedLayouts(lessKerf(plan.layouts, rest)) }, problem)
  // Several searches come to the same plan: it is put in order once.
  const orders = new Map<string, Plan['order']>()
  const ordered = (plan: Plan): Plan => {
    const cut = plan.layouts.map(({ supply, repeats, root }) => `${supply} ${repeats} ${contentOf(root)}`).join('\n')
    const order = orders.get(cut) ?? sequenceOf(plan.layouts, problem.cutter, workOf(problem), true).order
    orders.set(cut, order)
    return { ...plan, order }
  }
  let found: Found
  for (;;) {
    const { done, value } = search.next()
    if (done) {
      found = value
      break
    }
    yield { ...value, plan: whole(value.plan), others: value.others?.map(whole) }
  }
  const finish = (plans: Found['plans']): Found['plans'] => {
    const [best, ...others] = plans.map(plan => ordered(whole(plan)))
    return [best ?? plans[0], ...others]
  }
  const [first] = found.plans
  const freshOnly = solve && first.unplaced.length === 0 ? withoutOffcuts(rest) : undefined
  if (!freshOnly) return withFavourite(finish(found.plans), found.hand, problem)
  // What the shelf holds besides never makes a plan dearer: those without it are there too.
  const again = planWithoutKerf(withKerf(freshOnly), solve)
  for (;;) {
    const { done, value } = again.next()
    if (done) {
      const plain = value.plans.filter(({ unplaced }) => unplaced.length === 0)
        .map(plan => ({ ...plan, bound: Math.min(plan.bound, first.bound), moneyBound: first.moneyBound }))
      return besideOthers(finish(found.plans), plain.map(plan => ordered(whole(plan))), found.hand, value.hand, problem)
    }
    yield { plan: whole(first), columns: value.columns, share: 0.9 + value.share / 10 }
  }
}

/**
 * The problem with fresh sheets alone; nothing where it is that already, where offcuts go first, or where it would take
 * long.
 */
function withoutOffcuts({ supplies, demands, offcutsFirst, ...problem }: CuttingProblem): CuttingProblem | undefined {
  const isFew = demands.filter(({ quantity }) => quantity > 0).length <= MOST_TWICE
  if (offcutsFirst || !isFew || supplies.every(supply => isFresh(supply) || supply.onlyFixed)) return undefined
  return { ...problem, demands, supplies: supplies.filter(supply => isFresh(supply)) }
}
/** Sizes up to which a paper is planned without its offcuts too. */
const MOST_TWICE = 8

function* planWithoutKerf(problem: CuttingProblem, solve?: Solve): Generator<Progress, Found> {
  const course = new Course(problem, solve)
  if (course.placeable.length === 0) return { plans: [course.plan] }
  yield* course.strips()
  if (solve) yield* course.exact(solve)
  return course.found()
}

/** How far the search for one paper has come: the best attempt, and what is proven of it. */
class Course {
  readonly placeable: Demand[]
  private readonly unplaced: Plan['unplaced']
  /** Sheets by area and conflicts alone, for any money; and as far as the search has proven. */
  private readonly least: number
  private bound: number
  /** With more money fewer sheets may do: the relaxation's bound is for the money of the best plan. */
  private money: number | undefined
  private best: Attempt = { layouts: [], missing: new Map(), sheets: 0, spending: 0 }
  /** Layouts that the exact search begins with. */
  private readonly tried: Layout[]
  private others: Layout[][] = []

  constructor(private readonly problem: CuttingProblem, private readonly solve?: Solve) {
    const { placeable, unplaced } = sortOut(problem)
    this.placeable = placeable
    this.unplaced = unplaced
    this.least = this.bound = sheetBound(placeable, problem.supplies, problem.cutter)
    this.tried = placeable.length > 0 ? withoutUnknown(problem) : []
    if (placeable.length > 0 && isToBeHad(this.tried, problem)) this.best = attemptOf(this.tried, problem, placeable)
  }

  get plan(): Plan {
    return this.planOf(this.best)
  }

  /** Rounds of layouts of strips. */
  * strips(): Generator<Progress, void> {
    const { problem, placeable, solve, least } = this
    // Strips of many sizes take long; where an exact search follows, whole patterns give its start.
    const pieces = placeable.reduce((sum, { quantity }) => sum + quantity, 0)
    const many
      = solve !== undefined && pieces > MANY_PIECES && (placeable.length > FEW_SIZES || pieces > FULL_SHEET * least)
    const fill = many ? guillotineFiller(problem, placeable) : stripFiller(problem, placeable)
    const rounds = many ? 1 : !solve ? ROUNDS : placeable.length > FEW_SIZES ? STRIP_ROUNDS / 2 : STRIP_ROUNDS
    const worths = new Map(placeable.map(demand => [demand.key, area(demand)]))
    for (let round = 1; round <= rounds; round++) {
      for (const supplies of supplyOrders(problem.supplies)) {
        const attempt = oneAttempt(placeable, supplies, worths, fill)
        this.tried.push(...attempt.layouts)
        if (this.best.layouts.length === 0 || better(attempt, this.best, problem)) this.best = attempt
        correctWorths(attempt, worths)
      }
      yield { plan: this.plan, columns: 0, share: round / ROUNDS }
    }
  }

  /** The exact search from there on. */
  * exact(solve: Solve): Generator<Progress, void> {
    const { problem, placeable, best: { spending, sheets, missing }, least } = this
    const known = { spending, sheets: total(missing.values()) > 0 ? Infinity : sheets, bound: least }
    let looked: Layout[] | undefined
    for (const step of exactly(problem, placeable, this.tried, known, solve)) {
      this.bound = Math.max(least, step.bound)
      this.money = step.money
      if (step.layouts && step.layouts !== looked) {
        looked = step.layouts
        const attempt = attemptOf(step.layouts, problem, placeable)
        if (better(attempt, this.best, problem)) this.best = attempt
      }
      this.others = step.others ?? this.others
      yield {
        plan: this.plan,
        others: this.others.length > 0 ? this.plansOf(this.others) : undefined,
        columns: step.columns,
        share: Math.min(0.99, (STRIP_ROUNDS + step.share * (ROUNDS - STRIP_ROUNDS)) / ROUNDS),
      }
    }
  }

  found(): Found {
    const { problem, best, others } = this
    const rest = this.plansOf(others.map(layouts => gathered(layouts, problem)))
    return {
      plans: [this.planOf({ ...best, layouts: gathered(best.layouts, problem) }), ...rest],
      // The plan of a careful maker comes first among the others, if it is whole.
      ...(rest.length > 0 && rest.length === others.length && { hand: 1 }),
    }
  }

  private planOf(attempt: Attempt): Plan {
    const bound = attempt.spending > this.best.spending ? this.least : this.bound
    const plan = finished(attempt, this.placeable, this.unplaced, bound)
    return this.money === undefined || plan.unplaced.length > 0
      ? plan
      : { ...plan, moneyBound: Math.min(this.money, plan.spending) }
  }

  private plansOf(all: Layout[][]): Plan[] {
    return all
      .map(layouts => attemptOf(layouts, this.problem, this.placeable))
      .filter(({ missing }) => total(missing.values()) === 0)
      .map(attempt => this.planOf(attempt))
  }
}

/** Runs the planner to its end, for the best plan. */
export const plan = (problem: CuttingProblem, solve?: Solve): Plan => plansFor(problem, solve)[0]

/** Runs the planner to its end, for the best plan and those that trade sheets for time. */
export function plansFor(problem: CuttingProblem, solve?: Solve): [Plan, ...Plan[]] {
  const search = planPaper(problem, solve)
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
  }
}

/** The layouts of a plan that is known, less what it gives too much; none of sheets and pieces that there are not. */
function withoutUnknown({ known = [], ...problem }: CuttingProblem): Layout[] {
  const [sizes, sheets] = [keysOf(problem.demands), keysOf(problem.supplies)]
  const own = known.filter(
    ({ supply, root }) => sheets.has(supply) && [...countsOf(root).keys()].every(key => sizes.has(key)),
  )
  return withoutSurplus(own, problem.demands, problem)
}

const keysOf = (list: { key: string }[]): Set<string> => new Set(list.map(({ key }) => key))

/** Whether there are so many sheets, or they can be bought. */
function isToBeHad(layouts: Layout[], { supplies }: CuttingProblem): boolean {
  const opened = openedBy(layouts)
  return supplies.every(({ key, onHand, price }) => price !== null || (opened.get(key) ?? 0) <= onHand)
}
