import { itemAt } from '../lists'
import { addWorthwhile, rounds, worthOnHand } from './column-generation'
import { Patterns } from './patterns'
import type { CuttingProblem } from './plan'
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
 * The most kits from what is on hand, nothing bought: the greatest number of kits whose
 * pieces some patterns give, relaxed for the bound and in whole sheets for the answer.
 * With duals that make one kit worth 1, no drawer gives more than the sum of what the
 * best pattern of each of its sheets is worth.
 * @param problem sheets, offcuts and drop-outs on hand; the quantities of its demands do not matter
 * @param perKit pieces in one kit by demand key
 * @param quick does without all patterns and without plans tried between the two numbers: these may lie further apart
 */
export function mostKits(
  problem: CuttingProblem, perKit: ReadonlyMap<string, number>, solve: Solve, quick = false,
): KitsFrom {
  const wanted = problem.demands
    .map(demand => ({ ...demand, quantity: perKit.get(demand.key) ?? 0 }))
    .filter(({ quantity }) => quantity > 0)
  const drawer: CuttingProblem = {
    ...problem,
    demands: wanted,
    supplies: problem.supplies.filter(({ onHand }) => onHand > 0).map(supply => ({ ...supply, price: null })),
    fixed: undefined,
    setUp: undefined,
  }
  const none = { kits: 0, most: 0 }
  if (
    wanted.length === 0
    || drawer.supplies.length === 0
    || wanted.some(({ width, height }) => Math.min(width, height) < LEAST_PIECE)
  )
    return none
  const { demands, ...inflated } = withKerf(drawer)
  const patterns = new Patterns({ ...inflated, demands }, demands)
  const { supplies } = patterns
  // The trimmer is too short for all of it, or nothing is left of a sheet once it is squared.
  if (supplies.length === 0) return none
  const allThere = !quick && patterns.addAll()
  /** As many sets of the pieces of one kit as the patterns give. */
  const kitsProgramme = () => {
    const programme = new ProgrammeBuilder()
    patterns.columns.forEach(() => programme.column(0))
    const sets = programme.column(-1)
    const pieces = patterns.demandRows().map(({ of }, index) =>
      programme.row({ least: 0, of: [...of, [sets, -itemAt(demands, index).quantity]] }))
    const drawers = supplies.map(({ onHand }, supply) => programme.row({ most: onHand, of: patterns.from(supply) }))
    return { programme: programme.programme, sets, pieces, drawers }
  }

  let most = Infinity
  for (const { built: { pieces, drawers }, relaxed: { dual } } of rounds(MOST_ROUNDS, solve, kitsProgramme)) {
    const raw = pieces.map(row => Math.max(0, dual(row)))
    const worthOfKit = demands.reduce((sum, { quantity }, index) => sum + quantity * itemAt(raw, index), 0)
    const worths = new Map(
      demands.map(({ key }, index) => [key, worthOfKit > 0 ? itemAt(raw, index) / worthOfKit : 1 / demands.length]),
    )
    const { found, tops } = addWorthwhile(patterns, {
      worths, drawer: supply => dual(drawers[supply]), least: WORTH_WHILE, isBrief: true,
    })
    most = Math.min(most, Math.floor(worthOnHand(supplies, tops) + 1e-6))
    if (!found) break
  }
  if (!Number.isFinite(most)) return { kits: 0, most: 0 }
  const { programme, sets } = kitsProgramme()
  const whole = solve({ ...programme, whole: { nodes: quick ? FEW_NODES : NODES } })
  let kits = Math.min(most, Math.max(0, Math.floor((whole?.columns[sets] ?? 0) + 1e-6)))
  if (allThere && whole?.optimal) most = kits
  const kitsOf = (number: number) => ({
    ...drawer, demands: wanted.map(demand => ({ ...demand, quantity: demand.quantity * number })),
  })
  const stripsGive = (number: number) => {
    const search = planPaper(kitsOf(number))
    for (let round = 0; round < STRIP_ROUNDS; round++) {
      const { done, value } = search.next()
      if (done) return value[0].unplaced.length === 0
      if (value.plan.unplaced.length === 0) return true
    }
    return false
  }
  // Strips are quick: they narrow down what the programme left open.
  for (let [least, above] = [kits, most + 1]; above - least > 1 && !(quick && kits > 0);) {
    const middle = Math.floor((least + above) / 2)
    if (stripsGive(middle)) kits = least = middle
    else above = middle
  }
  // Patterns that mix sizes in just the right numbers are the planner's business; of many sizes it would take too long.
  const tries = quick || wanted.length > MANY_SIZES ? 0 : MOST_TRIES
  for (let more = most; more > kits && more > most - tries; more--)
    if (plan(kitsOf(more), solve).unplaced.length === 0) kits = more
  return { kits, most }
}
