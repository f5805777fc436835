import { complete, dive } from './dive'
import type { Column } from './patterns'
import { Patterns } from './patterns'
import type { Demand, Layout, CuttingProblem } from './plan'
import { area, madeBy, freshSheets, spendingOf } from './plan'
import { byHand } from './families'
import { moneyBound } from './money-bound'
import { relaxation } from './relaxation'
import type { Search } from './search'
import { searchOf } from './search'
import { addFamilies, addPlans, bestOf, leastCost } from './economy'
import { fewLayoutPlans } from './few-layouts'
import { repeatedPlans } from './repeated'
import type { Solve } from './solver'
import { wholePlan } from './whole'

export interface ExactStep {
  /** Better layouts than before, when some were found. */
  layouts?: Layout[]
  /** Plans with more sheets that may take less time at the bench; with the last step. */
  others?: Layout[][]
  /** No plan needs fewer fresh sheets than this. */
  bound: number
  /** Cents below which no plan can be had, where that was looked for. */
  money?: number
  /** Columns of the programme, and the share of the way that is done. */
  columns: number
  share: number
}

/** What is known before the search: of a plan that is whole, and of any. */
export interface Incumbent {
  /** Cents. */
  spending: number
  /** Infinite where no whole plan is known. */
  sheets: number
  bound: number
}

/** Steps of effort for columns, and for columns and dive together; the best so far stands after that. */
const MOST = { columns: 40_000_000, all: 60_000_000 }
/**
 * Sizes up to which a few columns can be expected to do, and beyond which nothing else is asked once the fewest sheets
 * are known.
 */
const MEDIUM = 30
const MANY = 60
/** How much a cent of paper counts where time counts first. */
const LITTLE = 0.02
/** Sheets that a plan of few layouts may cost beside the fewest. */
const MORE = 1.02

/**
 * The exact search: column generation over guillotine patterns, then an integer
 * programme over the patterns found. Where the sizes are few, all patterns are there
 * from the start and the integer programme is the proof. Where money comes
 * first and there are several formats the bound is for plans that spend no more than
 * the best one known. It has no clock: the same problem has the same answer everywhere.
 * @param start layouts known so far, all of which become columns
 * @param known what the best plan known so far spends and opens, and the bound known so far
 * @returns better layouts and bounds as they come; at the end the layouts with the fewest
 * fence settings, and plans with more sheets and fewer settings
 */
export function* exactly(
  problem: CuttingProblem,
  demands: Demand[],
  start: Layout[],
  { spending, sheets: known, bound: floor }: Incumbent,
  solve: Solve,
): Generator<ExactStep, void> {
  const patterns = new Patterns(problem, demands)
  if (patterns.supplies.length === 0 || demands.length === 0) return
  patterns.addLayouts(start)
  for (const { root } of problem.setUp ?? []) {
    const alike = problem.supplies.filter(({ width, height }) => width === root.width && height === root.height)
    patterns.addLayouts(alike.map(({ key }) => ({ supply: key, repeats: 1, root })))
  }
  const isWhole = patterns.addAll()
  const search = searchOf(problem, demands, patterns, solve, { spending, bound: floor, short: known === Infinity })
  const found = yield* fewestSheets(search, { known, floor, isWhole })
  // With pieces missing nothing is to be traded.
  if (found === 'proven') return
  if (!found || search.short) return yield stepOf(search, { share: 1, layouts: found })
  yield* traded(search, found)
}

function stepOf(
  { bound, patterns }: Search, { share, ...found }: Pick<ExactStep, 'share' | 'layouts' | 'others' | 'money'>,
): ExactStep {
  return {
    bound, money: undefined, layouts: undefined, others: undefined, ...found, share, columns: patterns.columns.length,
  }
}

interface KnownBefore {
  /** Sheets of the best plan known before. */
  known: number
  /** A bound that holds for any money. */
  floor: number
  /** Whether every pattern is there. */
  isWhole: boolean
}

/**
 * Bound and best whole plan, in sheets and then in money.
 * @returns the plan; `proven` where the one known before cannot be beaten, and that was said
 */
function* fewestSheets(
  search: Search, { known, floor, isWhole }: KnownBefore,
): Generator<ExactStep, Layout[] | 'proven' | undefined> {
  const { demands, formats, patterns: { supplies } } = search
  /** A plan is known that no other one beats; of many sizes nothing else is asked. */
  const isDone = () => formats === 1 && known <= search.bound && demands.length > MANY
  let best: Layout[] | undefined
  // Once more where the first integer plan spends less than was known: the bound is for that money then.
  for (const last of [false, true]) {
    if (isDone()) return yield* proven(search)
    // The bound of area and conflicts holds for any money.
    search.bound = floor
    for (const share of relaxation(search, MOST.columns, isDone))
      yield stepOf(search, { share: (last ? 0.6 : 0) + 0.2 * share })
    if (isDone()) return yield* proven(search)
    for (const worth of [search.duals, new Map(demands.map(demand => [demand.key, area(demand)]))])
      complete(search, worth)
    // Of many sizes in one format the dive finds better ones sooner.
    const whole = formats === 1 && demands.length > MEDIUM && !search.short ? undefined : wholePlan(search)
    best = whole?.layouts ?? best
    const made = madeBy(best ?? [])
    search.short &&= demands.some(({ key, quantity }) => (made.get(key) ?? 0) < quantity)
    // With every pattern there is, the best whole plan is the proof.
    if (isWhole && whole?.optimal) search.bound = Math.max(search.bound, freshSheets(whole.layouts, supplies))
    yield stepOf(search, { share: last ? 0.75 : 0.55, layouts: best })
    if (formats === 1) best = yield* dived(search, best)
    const spent = best ? spendingOf(best, supplies) : search.budget
    if (!search.budgeted || spent >= search.budget) break
    search.budget = spent
  }
  return best
}

function* proven(search: Search): Generator<ExactStep, 'proven'> {
  yield stepOf(search, { share: 1 })
  return 'proven'
}

/** Of one format: the best plan that diving finds, where the bound leaves room for a better one. */
function* dived(search: Search, known: Layout[] | undefined): Generator<ExactStep, Layout[] | undefined> {
  const sheets = (layouts: Layout[]) => freshSheets(layouts, search.patterns.supplies)
  let best = known
  if (best && sheets(best) <= search.bound) return best
  for (const found of dive(search, MOST.all)) {
    if (found && (!best || sheets(found) < sheets(best))) best = found
    yield stepOf(search, { share: 0.8, layouts: best })
  }
  // The dive has found patterns that the programme did not know.
  if (best && sheets(best) > search.bound && search.demands.length <= MEDIUM) {
    const again = wholePlan(search, true)
    if (again && sheets(again.layouts) < sheets(best)) best = again.layouts
    yield stepOf(search, { share: 0.85, layouts: best })
  }
  return best
}

/** Plans that trade sheets and money for time, beside one with the fewest sheets, and that one with fewer settings. */
function* traded(search: Search, fewest: Layout[]): Generator<ExactStep, void> {
  const { problem, demands, formats, patterns: { supplies } } = search
  const [least, cheapest] = [freshSheets(fewest, supplies), spendingOf(fewest, supplies)]
  const money = formats > 1 && cheapest > 0 ? moneyBound(search, cheapest) : undefined
  const hand = byHand(problem, demands)
  const repeated = demands.length > MEDIUM ? [] : repeatedPlans(search, least)
  const liked = addFamilies(search, hand)
  for (const column of addPlans(search, repeated, Math.floor(least * MORE))) liked.add(column)
  const first = leastCost(search, liked, { paper: 1 })
  const good = [...bestOf(search, repeated, Math.floor(least * MORE)), ...first ? [first] : []]
  const chosen = new Set(addPlans(search, good, Infinity))
  const balanced = good.length < 2 ? first : leastCost(search, liked, { paper: 1, among: chosen }) ?? first
  const isBought = balanced !== undefined && cheapest === 0 && spendingOf(balanced, supplies) > 0
  const others = [
    hand, ...good, ...balanced ? [balanced] : [], ...fewLayoutPlans(search, liked),
    ...isBought ? fromWhatIsThere(search, liked) : [],
  ]
  yield stepOf(search, { share: 0.9, money, layouts: fewest, others })
  const isFew = balanced && freshSheets(balanced, supplies) <= least && spendingOf(balanced, supplies) <= cheapest
  const few = () =>
    demands.length > MEDIUM ? undefined : leastCost(search, liked, { paper: 1, sheets: least, cents: cheapest })
  const best = (isFew ? balanced : few()) ?? fewest
  yield stepOf(search, { share: 0.95, money, layouts: best, others })
  const easy = leastCost(search, liked, { paper: LITTLE })
  yield stepOf(search, { share: 1, money, layouts: best, others: [...others, ...easy ? [easy] : []] })
}

/** A plan from what lies there, where that is enough. */
function fromWhatIsThere(search: Search, liked: Set<Column>): Layout[][] {
  const onHand = search.patterns.supplies.reduce((sum, supply) => sum + area(supply) * supply.onHand, 0)
  if (onHand < search.demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)) return []
  const found = leastCost(search, liked, { paper: 1, unbought: true })
  return found ? [found] : []
}
