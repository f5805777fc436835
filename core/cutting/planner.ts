import { fits, sheetBound, ways } from './bound'
import { benchSequence, settingsIn } from './bench'
import { exactly } from './exact'
import { Guillotine, without } from './guillotine'
import type { CutNode, Demand, Layout, Plan, Problem, Supply, Unplaced } from './plan'
import { area, countsOf } from './plan'
import type { Solve } from './solver'
import { frame, isCuttable, squared, stripLayout } from './strips'

/** The best plan so far and how far the search has come. */
export interface Progress {
  plan: Plan
  round: number
  rounds: number
}

const SIDES = ['width', 'height'] as const
const ROUNDS = 24
/** Rounds of strips before the exact search takes over. */
const STRIP_ROUNDS = 8
const FEW_SIZES = 8
/** Rounds spent on fewer settings once the number of sheets is proven. */
const PROVEN_ROUNDS = 4

/**
 * Plans the cutting of one paper with strip layouts: at once a first plan, then
 * better ones. Each round fills sheets with the layout worth most, repeats it
 * as often as the demand allows, and then raises the worth of the pieces that
 * ended on badly used sheets (sequential value correction). With a solver the
 * exact search follows: patterns of any guillotine cuts, a bound by their linear
 * relaxation, and whole sheets by an integer programme. Stops early when the
 * lower bound is met.
 */
export function* planPaper(problem: Problem, solve?: Solve): Generator<Progress, Plan> {
  const { placeable, unplaced } = sortOut(problem)
  const least = sheetBound(placeable, problem.supplies, problem.cutter)
  let bound = least
  const worths = new Map(placeable.map(demand => [demand.key, area(demand)]))
  let best: Attempt = { layouts: [], missing: new Map(), sheets: 0, spending: 0 }
  if (placeable.length === 0) return finished(best, problem, placeable, unplaced, bound)
  const tried: Layout[] = []
  // Strips of many sizes take long; where an exact search follows, whole patterns give its start.
  const many = solve !== undefined && placeable.length > FEW_SIZES
  const fill = many ? guillotineFiller(problem, placeable) : stripFiller(problem, placeable)
  const rounds = many ? 1 : solve ? STRIP_ROUNDS : ROUNDS
  for (let round = 1; round <= rounds; round++) {
    for (const supplies of supplyOrders(problem.supplies)) {
      const attempt = oneAttempt(placeable, supplies, worths, fill)
      tried.push(...attempt.layouts)
      if (best.layouts.length === 0 || better(attempt, best, problem)) best = attempt
      correctWorths(attempt, worths)
    }
    const plan = finished(best, problem, placeable, unplaced, bound)
    if (plan.sheets === bound && problem.priority === 'sheets' && round >= PROVEN_ROUNDS) return plan
    yield { plan, round, rounds: ROUNDS }
  }
  if (solve) {
    for (const { layouts, bound: proven, share } of exactly(problem, placeable, tried, best.spending, solve)) {
      bound = Math.max(least, proven)
      if (layouts) {
        const attempt = attemptOf(layouts, problem, placeable)
        if (better(attempt, best, problem)) best = attempt
      }
      yield { plan: finished(best, problem, placeable, unplaced, bound), round: Math.min(ROUNDS - 1, Math.round(STRIP_ROUNDS + share * (ROUNDS - STRIP_ROUNDS))), rounds: ROUNDS }
    }
  }
  return finished(best, problem, placeable, unplaced, bound)
}

/** Runs the planner to its end. */
export function plan(problem: Problem, solve?: Solve): Plan {
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
    if (available.length === 0) return 'There is no sheet on hand and none to buy.'
    const cuttable = available.filter(supply => isCuttable(supply, cutter))
    if (cuttable.length === 0) return 'The trimmer is too short for every sheet of this paper.'
    if (cuttable.some(supply => SIDES.some(along => stripLayout(supply, cutter, along, [demand], new Map([[demand.key, 1]]), area)))) return undefined
    const sheets = cuttable.map(supply => squared(supply, cutter))
    if (ways(demand).some(way => sheets.some(sheet => fits(way, sheet)))) return 'The trimmer is too short to cut it out.'
    const turnedFits = sheets.some(sheet => fits({ width: demand.height, height: demand.width }, sheet))
    return demand.turn !== 'either' && turnedFits
      ? 'It fits only turned, which the print direction forbids.'
      : 'It is larger than every sheet of this paper.'
  }
}

/** Each format first in turn, the others after it: sheets on hand are used before any is bought. */
function supplyOrders(supplies: Supply[]): Supply[][] {
  return supplies.map(first => [first, ...supplies.filter(other => other !== first)])
}

interface Attempt {
  layouts: Layout[]
  missing: Map<string, number>
  sheets: number
  /** Cents to spend on sheets that are not on hand. */
  spending: number
}

/** Layouts from elsewhere, measured as an attempt. */
function attemptOf(layouts: Layout[], { supplies }: Problem, demands: Demand[]): Attempt {
  const made = (key: string) => layouts.reduce((sum, { root, repeats }) => sum + (countsOf(root).get(key) ?? 0) * repeats, 0)
  const opened = (key: string) => layouts.reduce((sum, { supply, repeats }) => sum + (supply === key ? repeats : 0), 0)
  return {
    layouts: mergeAlike(layouts),
    missing: new Map(demands.map(({ key, quantity }) => [key, Math.max(0, quantity - made(key))])),
    sheets: layouts.reduce((sum, { repeats }) => sum + repeats, 0),
    spending: supplies.reduce((sum, { key, onHand, price }) => sum + Math.max(0, opened(key) - onHand) * (price ?? 0), 0),
  }
}

/** Fills one sheet with what is left to cut; nothing when not a single piece fits. */
type Filler = (supply: Supply, left: Map<string, number>, worths: Map<string, number>) => CutNode | undefined

const worthOf = (root: CutNode, worths: Map<string, number>) => [...countsOf(root)].reduce((sum, [key, count]) => sum + worths.get(key)! * count, 0)

function stripFiller({ cutter }: Problem, demands: Demand[]): Filler {
  return (supply, left, worths) => SIDES
    .map(along => stripLayout(supply, cutter, along, demands, left, demand => worths.get(demand.key)!))
    .filter(root => root !== undefined)
    .sort((a, b) => worthOf(b, worths) - worthOf(a, worths))[0]
}

function guillotineFiller({ cutter, supplies }: Problem, demands: Demand[]): Filler {
  const patterns = new Map(supplies.filter(supply => isCuttable(supply, cutter)).map(supply => [supply.key, new Guillotine(squared(supply, cutter), cutter, demands)]))
  return (supply, left, worths) => {
    const wanted = new Map([...worths].map(([key, worth]) => [key, left.get(key)! > 0 ? worth : 0]))
    const root = patterns.get(supply.key)?.best(wanted)?.root
    return root && frame(supply, cutter, demands.reduce((node, { key }) => without(node, key, Math.max(0, (countsOf(node).get(key) ?? 0) - left.get(key)!), cutter), root))
  }
}

function oneAttempt(demands: Demand[], supplies: Supply[], worths: Map<string, number>, fill: Filler): Attempt {
  const left = new Map(demands.map(demand => [demand.key, demand.quantity]))
  let spending = 0
  const layouts: Layout[] = []
  const drawer = new Map(supplies.map(supply => [supply.key, supply.onHand]))
  for (const buying of [false, true]) {
    for (const supply of supplies) {
      const available = () => buying ? (supply.price === null ? 0 : Infinity) : drawer.get(supply.key)!
      while (available() > 0) {
        const root = fill(supply, left, worths)
        if (!root) break
        const counts = countsOf(root)
        const repeats = Math.min(available(), ...[...counts].map(([key, count]) => Math.floor(left.get(key)! / count)))
        for (const [key, count] of counts) left.set(key, left.get(key)! - count * repeats)
        if (buying) spending += repeats * supply.price!
        else drawer.set(supply.key, drawer.get(supply.key)! - repeats)
        layouts.push({ supply: supply.key, repeats, root })
      }
    }
  }
  const merged = mergeAlike(layouts)
  return { layouts: merged, missing: left, spending, sheets: merged.reduce((total, layout) => total + layout.repeats, 0) }
}

/** Layouts that turned out alike on the same format are one layout. */
function mergeAlike(layouts: Layout[]): Layout[] {
  const merged = new Map<string, Layout>()
  for (const layout of layouts) {
    const key = layout.supply + JSON.stringify(layout.root)
    const same = merged.get(key)
    if (same) same.repeats += layout.repeats
    else merged.set(key, { ...layout })
  }
  return [...merged.values()]
}

/** Pieces on badly used sheets become worth more, so the next round places them earlier and in other company. */
function correctWorths({ layouts }: Attempt, worths: Map<string, number>): void {
  for (const { root } of layouts) {
    const counts = countsOf(root)
    const filled = [...counts].reduce((sum, [key, count]) => sum + worths.get(key)! * count, 0)
    if (filled === 0) continue
    const scale = area(root) / filled
    for (const key of counts.keys()) worths.set(key, worths.get(key)! * (0.75 + 0.25 * scale))
  }
}

/** Orders attempts: nothing missing first, then the money to spend, then the maker's priority. */
function better(a: Attempt, b: Attempt, problem: Problem): boolean {
  const total = (values: Iterable<number>) => [...values].reduce((sum, value) => sum + value, 0)
  const score = (attempt: Attempt): number[] => {
    const settings = settingsIn(attempt.layouts.flatMap(layout => benchSequence(layout, problem.cutter)))
    return [
      total(attempt.missing.values()),
      attempt.spending,
      ...(problem.priority === 'sheets' ? [attempt.sheets, settings] : [settings, attempt.sheets]),
    ]
  }
  const [left, right] = [score(a), score(b)]
  const decisive = left.findIndex((value, index) => value !== right[index])
  return decisive >= 0 && left[decisive]! < right[decisive]!
}

function finished(attempt: Attempt, problem: Problem, demands: Demand[], unplaced: Unplaced[], bound: number): Plan {
  const short = demands.filter(demand => attempt.missing.get(demand.key)! > 0).map(demand => ({
    demand: demand.key,
    quantity: attempt.missing.get(demand.key)!,
    reason: 'The sheets on hand are used up and none can be bought.',
  }))
  const supplies = new Map(problem.supplies.map(supply => [supply.key, supply]))
  const sheetArea = attempt.layouts.reduce((sum, layout) => sum + area(supplies.get(layout.supply)!) * layout.repeats, 0)
  const pieceArea = demands.reduce((sum, demand) => sum + area(demand) * (demand.quantity - attempt.missing.get(demand.key)!), 0)
  return {
    layouts: [...attempt.layouts].sort((a, b) => b.repeats - a.repeats),
    unplaced: [...unplaced, ...short],
    sheets: attempt.sheets,
    bound: short.length > 0 ? 0 : bound,
    yield: sheetArea === 0 ? 0 : pieceArea / sheetArea,
  }
}
