import { itemAt } from '../lists'
import { addWorthwhile, rounds, worthOnHand } from './column-generation'
import { Patterns } from './patterns'
import type { CuttingProblem, Demand } from './plan'
import { LEAST_PIECE } from './plan'
import { plan, planPaper } from './planner'
import { ProgrammeBuilder } from './programme'
import type { Solve } from './solver'
import { withKerf } from './kerf'

/** How many kits a drawer gives: at least `kits`, which a plan shows, and never more than `most`. */
export interface KitsFrom {
  kits: number
  most: number
}

/** Sheets of a supply that are taken whole: so many for so many kits, and the next one with the kit after them. */
export interface WholeSheets {
  supply: string
  sheets: number
  kits: number
}

/** A drawer, and what one kit takes of it: pieces by demand key, and sheets that are taken whole besides. */
export interface KitDrawer {
  /** Sheets, offcuts and drop-outs on hand; the quantities of its demands do not matter. */
  problem: CuttingProblem
  /** Pieces in one kit by demand key. */
  perKit: ReadonlyMap<string, number>
  whole?: WholeSheets
}

const MOST_ROUNDS = 80
/** Plans tried between what the patterns give and what the bound allows. */
const MOST_TRIES = 4
const MANY_SIZES = 12
/** A pattern is worth adding when it is worth this much more than its sheet. */
const WORTH_WHILE = 1e-7
/** Rounds of strips for a number of kits. */
const STRIP_ROUNDS = 4
const NODES = 2000
const FEW_NODES = 50

/**
 * The most kits from what is on hand, nothing bought. Where some of the sheets are taken whole: of as many kits as
 * those give, the greatest number for which the rest of the drawer gives the pieces.
 * @param quick does without all patterns and without plans tried between the two numbers: these may lie further apart
 */
export function mostKits({ problem, perKit, whole }: KitDrawer, solve: Solve, quick = false): KitsFrom {
  if (!whole) return cutFrom(problem, perKit, solve, quick)
  const there = problem.supplies.find(({ key }) => key === whole.supply)?.onHand ?? 0
  const limit = Math.floor((there * whole.kits) / whole.sheets)
  if (perKit.size === 0) return { kits: limit, most: limit }
  const answers = new Map<number, KitsFrom>()
  const beside = (kits: number): KitsFrom => {
    const taken = Math.ceil((kits * whole.sheets) / whole.kits)
    const known = answers.get(taken)
    if (known) return known
    const supplies = problem.supplies.map(supply =>
      (supply.key === whole.supply ? { ...supply, onHand: supply.onHand - taken } : supply))
    const answer = cutFrom({ ...problem, supplies }, perKit, solve, quick)
    answers.set(taken, answer)
    return answer
  }
  return {
    kits: greatest(limit, kits => beside(kits).kits >= kits), most: greatest(limit, kits => beside(kits).most >= kits),
  }
}

/** The greatest number up to a limit that some condition holds for, which holds for all smaller ones. */
function greatest(limit: number, holds: (number: number) => boolean): number {
  let [least, most] = [0, limit]
  while (least < most) {
    const half = Math.ceil((least + most) / 2)
    if (holds(half)) least = half
    else most = half - 1
  }
  return least
}

/**
 * The greatest number of kits whose pieces some patterns give, relaxed for the bound and in whole sheets for the
 * answer. With duals that make one kit worth 1, no drawer gives more than the sum of what the best pattern of each of
 * its sheets is worth.
 */
function cutFrom(
  problem: CuttingProblem, perKit: ReadonlyMap<string, number>, solve: Solve, quick = false,
): KitsFrom {
  const drawer = drawerFor(problem, perKit)
  const none = { kits: 0, most: 0 }
  const { demands: wanted } = drawer
  if (
    wanted.length === 0
    || drawer.supplies.length === 0
    || wanted.some(({ width, height }) => Math.min(width, height) < LEAST_PIECE)
  )
    return none
  const { demands, ...inflated } = withKerf(drawer)
  const patterns = new Patterns({ ...inflated, demands }, demands)
  // The trimmer is too short for all of it, or nothing is left of a sheet once it is squared.
  if (patterns.supplies.length === 0) return none
  const allThere = !quick && patterns.addAll()
  let most = mostByDuals(patterns, demands, solve)
  if (!Number.isFinite(most)) return none
  const { programme, sets } = kitsProgramme(patterns, demands)
  const whole = solve({ ...programme, whole: { nodes: quick ? FEW_NODES : NODES } })
  const found = Math.min(most, Math.max(0, Math.floor((whole?.columns[sets] ?? 0) + 1e-6)))
  if (allThere && whole?.optimal) most = found
  let kits = narrowed(drawer, found, most, quick)
  // Patterns that mix sizes in just the right numbers are the planner's business; of many sizes it would take too long.
  const tries = quick || wanted.length > MANY_SIZES ? 0 : MOST_TRIES
  for (let more = most; more > kits && more > most - tries; more--)
    if (plan(kitsOf(drawer, more), solve).unplaced.length === 0) kits = more
  return { kits, most }
}

/** What is on hand, and the pieces of one kit. */
function drawerFor(problem: CuttingProblem, perKit: ReadonlyMap<string, number>): CuttingProblem {
  return {
    ...problem,
    demands: problem.demands
      .map(demand => ({ ...demand, quantity: perKit.get(demand.key) ?? 0 }))
      .filter(({ quantity }) => quantity > 0),
    supplies: problem.supplies.filter(({ onHand }) => onHand > 0).map(supply => ({ ...supply, price: null })),
    fixed: undefined,
    setUp: undefined,
  }
}

/** The same for a number of kits. */
const kitsOf = (drawer: CuttingProblem, kits: number): CuttingProblem => ({
  ...drawer, demands: drawer.demands.map(demand => ({ ...demand, quantity: demand.quantity * kits })),
})

/** As many sets of the pieces of one kit as the patterns give. */
function kitsProgramme(patterns: Patterns, demands: Demand[]) {
  const programme = new ProgrammeBuilder()
  patterns.columns.forEach(() => programme.column(0))
  const sets = programme.column(-1)
  const pieces = patterns.demandRows().map(({ of }, index) =>
    programme.row({ least: 0, of: [...of, [sets, -itemAt(demands, index).quantity]] }))
  const drawers = patterns.supplies.map(({ onHand }, supply) =>
    programme.row({ most: onHand, of: patterns.from(supply) }))
  return { programme: programme.programme, sets, pieces, drawers }
}

/** No more kits than this come from the drawer, by the duals of the relaxed programme; its patterns are added. */
function mostByDuals(patterns: Patterns, demands: Demand[], solve: Solve): number {
  let most = Infinity
  const asked = rounds(MOST_ROUNDS, solve, () => kitsProgramme(patterns, demands))
  for (const { built: { pieces, drawers }, relaxed: { dual } } of asked) {
    const raw = pieces.map(row => Math.max(0, dual(row)))
    const worthOfKit = demands.reduce((sum, { quantity }, index) => sum + quantity * itemAt(raw, index), 0)
    const worths = new Map(
      demands.map(({ key }, index) => [key, worthOfKit > 0 ? itemAt(raw, index) / worthOfKit : 1 / demands.length]),
    )
    const { found, tops } = addWorthwhile(patterns, {
      worths, drawer: supply => dual(drawers[supply]), least: WORTH_WHILE, isBrief: true,
    })
    most = Math.min(most, Math.floor(worthOnHand(patterns.supplies, tops) + 1e-6))
    if (!found) break
  }
  return most
}

/**
 * Strips are quick: they narrow down what the programme has left open between two numbers of kits.
 * @param quick any kits will do
 */
function narrowed(drawer: CuttingProblem, kits: number, most: number, quick: boolean): number {
  let [least, above] = [kits, most + 1]
  while (above - least > 1 && !(quick && least > 0)) {
    const middle = Math.floor((least + above) / 2)
    if (stripsGive(kitsOf(drawer, middle))) least = middle
    else above = middle
  }
  return least
}

function stripsGive(problem: CuttingProblem): boolean {
  const search = planPaper(problem)
  for (let round = 0; round < STRIP_ROUNDS; round++) {
    const { done, value } = search.next()
    if (done) return value[0].unplaced.length === 0
    if (value.plan.unplaced.length === 0) return true
  }
  return false
}
