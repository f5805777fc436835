import { lookUp } from '../lists'
import { fits, sheetBound, ways } from './bound'
import { secondsAbout } from './economy'
import { exactly } from './exact'
import { besideFixed, withFixed } from './fixed'
import { gathered } from './gathered'
import { Guillotine } from './guillotine'
import { limited } from './tidy'
import type { CutNode, Demand, Layout, Plan, Problem, Supply, Unplaced } from './plan'
import { incompleteKits } from './kits-first'
import { lessKerf, withKerf } from './kerf'
import {
  LEAST_PIECE, area, before, contentOf, countsOf, isFresh, keyedLayouts, madeBy, mergedLayouts, openedBy, sheetsOf, spendingOf, worthOf,
} from './plan'
import type { Solve } from './solver'
import { isCuttable, squared, withMargins } from './squaring'
import { sequenceOf } from './sequence'
import { savedIn, workOf } from './work'
import { stripLayout } from './strips'
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

const SIDES = ['width', 'height'] as const
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
export function* planPaper(problem: Problem, solve?: Solve): Generator<Progress, [Plan, ...Plan[]]> {
  const rest = besideFixed(problem)
  const search = planWithoutKerf(withKerf(rest), solve)
  const whole = (plan: Plan) => withFixed({ ...plan, layouts: keyedLayouts(lessKerf(plan.layouts, rest)) }, problem)
  const ordered = (plan: Plan): Plan => ({ ...plan, order: sequenceOf(plan.layouts, problem.cutter, workOf(problem), true).order })
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

/** The problem with fresh sheets alone; nothing where it is that already, where offcuts go first, or where it would take long. */
function withoutOffcuts({ supplies, demands, offcutsFirst, ...problem }: Problem): Problem | undefined {
  const isFew = demands.filter(({ quantity }) => quantity > 0).length <= MOST_TWICE
  if (offcutsFirst || !isFew || supplies.every(supply => isFresh(supply) || supply.onlyFixed)) return undefined
  return { ...problem, demands, supplies: supplies.filter(supply => isFresh(supply)) }
}
/** Sizes up to which a paper is planned without its offcuts too. */
const MOST_TWICE = 8

function* planWithoutKerf(problem: Problem, solve?: Solve): Generator<Progress, Found> {
  const { placeable, unplaced } = sortOut(problem)
  const least = sheetBound(placeable, problem.supplies, problem.cutter)
  let bound = least
  const worths = new Map(placeable.map(demand => [demand.key, area(demand)]))
  let best: Attempt = { layouts: [], missing: new Map(), sheets: 0, spending: 0 }
  // With more money fewer sheets may do: the relaxation's bound is for the money of the best plan.
  let money: number | undefined
  const planOf = (attempt: Attempt): Plan => {
    const plan = finished(attempt, placeable, unplaced, attempt.spending > best.spending ? least : bound)
    return money === undefined || plan.unplaced.length > 0 ? plan : { ...plan, moneyBound: Math.min(money, plan.spending) }
  }
  if (placeable.length === 0) return { plans: [planOf(best)] }
  const tried = withoutUnknown(problem)
  if (isToBeHad(tried, problem)) best = attemptOf(tried, problem, placeable)
  // Strips of many sizes take long; where an exact search follows, whole patterns give its start.
  const pieces = placeable.reduce((sum, { quantity }) => sum + quantity, 0)
  const many = solve !== undefined && pieces > MANY_PIECES && (placeable.length > FEW_SIZES || pieces > FULL_SHEET * least)
  const fill = many ? guillotineFiller(problem, placeable) : stripFiller(problem, placeable)
  const rounds = many ? 1 : !solve ? ROUNDS : placeable.length > FEW_SIZES ? STRIP_ROUNDS / 2 : STRIP_ROUNDS
  for (let round = 1; round <= rounds; round++) {
    for (const supplies of supplyOrders(problem.supplies)) {
      const attempt = oneAttempt(placeable, supplies, worths, fill)
      tried.push(...attempt.layouts)
      if (best.layouts.length === 0 || better(attempt, best, problem)) best = attempt
      correctWorths(attempt, worths)
    }
    yield { plan: planOf(best), columns: 0, share: round / ROUNDS }
  }
  let others: Layout[][] = []
  let looked: Layout[] | undefined
  if (solve) {
    for (const step of exactly(
      problem,
      placeable,
      tried,
      { spending: best.spending, sheets: total(best.missing.values()) > 0 ? Infinity : best.sheets, bound: least },
      solve,
    )) {
      bound = Math.max(least, step.bound)
      money = step.money
      if (step.layouts && step.layouts !== looked) {
        looked = step.layouts
        const attempt = attemptOf(step.layouts, problem, placeable)
        if (better(attempt, best, problem)) best = attempt
      }
      others = step.others ?? others
      yield {
        plan: planOf(best),
        others: others.length > 0 ? plansOf(others) : undefined,
        columns: step.columns,
        share: Math.min(0.99, (STRIP_ROUNDS + step.share * (ROUNDS - STRIP_ROUNDS)) / ROUNDS),
      }
    }
  }
  const rest = plansOf(others.map(layouts => gathered(layouts, problem)))
  return {
    plans: [planOf({ ...best, layouts: gathered(best.layouts, problem) }), ...rest],
    // The plan of a careful maker comes first among the others, if it is whole.
    ...(rest.length > 0 && rest.length === others.length && { hand: 1 }),
  }

  function plansOf(all: Layout[][]): Plan[] {
    return all.map(layouts => attemptOf(layouts, problem, placeable)).filter(({ missing }) => total(missing.values()) === 0).map(planOf)
  }
}

/** Runs the planner to its end, for the best plan. */
export const plan = (problem: Problem, solve?: Solve): Plan => plansFor(problem, solve)[0]

/** Runs the planner to its end, for the best plan and those that trade sheets for time. */
export function plansFor(problem: Problem, solve?: Solve): [Plan, ...Plan[]] {
  const search = planPaper(problem, solve)
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
  }
}

/** Parts the demands that fit some sheet from those that fit none, with the reason. */
function sortOut({ demands, supplies, cutter }: Problem): { placeable: Demand[], unplaced: Unplaced[] } {
  const wanted = demands.filter(demand => demand.quantity > 0)
  const unplaced: Unplaced[] = []
  const placeable = wanted.filter((demand) => {
    const reason = whyNot(demand)
    if (reason) unplaced.push({ demand: demand.key, quantity: demand.quantity, reason })
    return !reason
  })
  return { placeable, unplaced }

  function whyNot(demand: Demand): string | undefined {
    const available = supplies.filter(supply => supply.price !== null || supply.onHand > 0)
    if (Math.min(demand.width, demand.height) < LEAST_PIECE) return 'It is less than 1 mm wide: nothing that small can be cut.'
    if (available.length === 0) return 'There is no sheet on hand and none to buy.'
    const cuttable = available.filter(supply => isCuttable(supply, cutter))
    if (cuttable.length === 0)
      return 'Nothing is left of a sheet once it is squared, or the trimmer is too short for every sheet of this paper.'
    if (cuttable.some(supply => SIDES.some(along => stripLayout(supply, cutter, along, [demand], new Map([[demand.key, 1]]), area))))
      return undefined
    const sheets = cuttable.map(supply => squared(supply, cutter))
    if (ways(demand).some(way => sheets.some(sheet => fits(way, sheet)))) return 'The trimmer is too short to cut it out.'
    const turnedFits = sheets.some(sheet => fits({ width: demand.height, height: demand.width }, sheet))
    if (demand.turn !== 'either' && turnedFits) return 'It fits only turned, which the print direction forbids.'
    return cuttable.length < available.length
      ? 'It is larger than every sheet that can be cut; squaring or the length of the trimmer leaves the others out.'
      : 'It is larger than every sheet of this paper.'
  }
}

/** The layouts of a plan that is known, less what it gives too much; none of sheets and pieces that there are not. */
function withoutUnknown({ known = [], ...problem }: Problem): Layout[] {
  const [sizes, sheets] = [keysOf(problem.demands), keysOf(problem.supplies)]
  const own = known.filter(({ supply, root }) => sheets.has(supply) && [...countsOf(root).keys()].every(key => sizes.has(key)))
  return withoutSurplus(own, problem.demands, problem)
}

const keysOf = (list: { key: string }[]): Set<string> => new Set(list.map(({ key }) => key))

/** Whether there are so many sheets, or they can be bought. */
function isToBeHad(layouts: Layout[], { supplies }: Problem): boolean {
  const opened = openedBy(layouts)
  return supplies.every(({ key, onHand, price }) => price !== null || (opened.get(key) ?? 0) <= onHand)
}

/** Offcuts and drop-outs first, the smallest before larger ones; then each sheet format first in turn and the others after it. */
function supplyOrders(supplies: Supply[]): Supply[][] {
  const scraps = supplies.filter(supply => !isFresh(supply)).sort((a, b) => area(a) - area(b))
  const sheets = supplies.filter(isFresh)
  return sheets.length === 0 ? [scraps] : sheets.map(first => [...scraps, first, ...sheets.filter(other => other !== first)])
}

interface Attempt {
  layouts: Layout[]
  missing: Map<string, number>
  sheets: number
  /** Cents to spend on sheets that are not on hand. */
  spending: number
}

/** Layouts measured as an attempt. */
function attemptOf(layouts: Layout[], { supplies }: Pick<Problem, 'supplies'>, demands: Demand[]): Attempt {
  const made = madeBy(layouts)
  return {
    layouts: mergedLayouts(layouts),
    missing: new Map(demands.map(({ key, quantity }) => [key, Math.max(0, quantity - (made.get(key) ?? 0))])),
    sheets: sheetsOf(layouts, supplies),
    spending: spendingOf(layouts, supplies),
  }
}

/** Fills one sheet with what is left to cut; nothing when not a single piece fits. */
type Filler = (supply: Supply, left: Map<string, number>, worths: Map<string, number>) => CutNode | undefined

function stripFiller({ cutter }: Problem, demands: Demand[]): Filler {
  return (supply, left, worths) =>
    SIDES.map(along => stripLayout(supply, cutter, along, demands, left, demand => lookUp(worths, demand.key)))
      .filter(root => root !== undefined)
      .sort((a, b) => worthOf(b, worths) - worthOf(a, worths))[0]
}

function guillotineFiller({ cutter, supplies }: Problem, demands: Demand[]): Filler {
  const patterns = new Map(
    supplies
      .filter(supply => isCuttable(supply, cutter))
      .map(supply => [supply.key, new Guillotine(squared(supply, cutter), cutter, demands)]),
  )
  return (supply, left, worths) => {
    const wanted = new Map([...worths].map(([key, worth]) => [key, lookUp(left, key) > 0 ? worth : 0]))
    const root = patterns.get(supply.key)?.best(wanted)?.root
    return root && withMargins(supply, cutter, limited(root, left, cutter))
  }
}

/** Fills supply after supply, first what there is, then what can be bought. */
function oneAttempt(demands: Demand[], supplies: Supply[], worths: Map<string, number>, fill: Filler): Attempt {
  const left = new Map(demands.map(demand => [demand.key, demand.quantity]))
  const layouts: Layout[] = []
  const drawer = new Map(supplies.map(supply => [supply.key, supply.onHand]))
  for (const buying of [false, true]) {
    for (const supply of supplies) {
      const available = () => (buying ? (supply.price === null ? 0 : Infinity) : lookUp(drawer, supply.key))
      while (available() > 0) {
        const root = fill(supply, left, worths)
        if (!root) break
        const counts = countsOf(root)
        const repeats = Math.min(available(), ...[...counts].map(([key, count]) => Math.floor(lookUp(left, key) / count)))
        for (const [key, count] of counts) left.set(key, lookUp(left, key) - count * repeats)
        if (!buying) drawer.set(supply.key, lookUp(drawer, supply.key) - repeats)
        layouts.push({ supply: supply.key, repeats, root })
      }
    }
  }
  return attemptOf(layouts, { supplies }, demands)
}

/** Pieces on badly used sheets become worth more, so the next round places them earlier and in other company. */
function correctWorths({ layouts }: Attempt, worths: Map<string, number>): void {
  for (const { root } of layouts) {
    const counts = countsOf(root)
    const filled = worthOf(root, worths)
    if (filled === 0) continue
    const scale = area(root) / filled
    for (const key of counts.keys()) worths.set(key, lookUp(worths, key) * (0.75 + 0.25 * scale))
  }
}

const total = (values: Iterable<number>) => [...values].reduce((sum, value) => sum + value, 0)

/**
 * Orders attempts: as few kits incomplete and pieces missing as possible first, then what is made least of, the layouts that are
 * set up, and the time it takes.
 */
function better(a: Attempt, b: Attempt, problem: Problem): boolean {
  const { objective, setUp = [], kits = [] } = problem
  const ready = new Set(setUp.map(({ root }) => contentOf(root)))
  const first = (attempt: Attempt) => [
    incompleteKits(kits, attempt.missing),
    total(attempt.missing.values()),
    ...(objective === 'money' ? [attempt.spending, attempt.sheets] : [attempt.sheets, attempt.spending]),
  ]
  const second = ({ layouts }: Attempt) => [
    -savedIn(layouts, problem),
    layouts.filter(({ root }) => ready.size > 0 && !ready.has(contentOf(root))).length,
    secondsAbout(layouts, problem),
  ]
  return before(first(a), first(b)) ?? before(second(a), second(b)) ?? false
}

/** An attempt as a plan; its yield is stated once the fixed layouts are with it. */
function finished(attempt: Attempt, demands: Demand[], unplaced: Unplaced[], bound: number): Plan {
  const short = demands
    .filter(demand => lookUp(attempt.missing, demand.key) > 0)
    .map(demand => ({
      demand: demand.key,
      quantity: lookUp(attempt.missing, demand.key),
      reason: 'What is on hand gives no more, and none can be bought.',
    }))
  return {
    layouts: keyedLayouts([...attempt.layouts].sort((a, b) => b.repeats - a.repeats)),
    unplaced: [...unplaced, ...short],
    sheets: attempt.sheets,
    spending: attempt.spending,
    bound: short.length > 0 ? 0 : bound,
    yield: 0,
  }
}
