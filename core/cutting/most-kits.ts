import { itemAt } from '../lists'
import { Patterns } from './patterns'
import type { Problem } from './plan'
import { LEAST_PIECE } from './plan'
import { plan, planPaper } from './planner'
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
export function mostKits(problem: Problem, perKit: ReadonlyMap<string, number>, solve: Solve, quick = false): KitsFrom {
  const wanted = problem.demands
    .map(demand => ({ ...demand, quantity: perKit.get(demand.key) ?? 0 }))
    .filter(({ quantity }) => quantity > 0)
  const drawer: Problem = {
    ...problem,
    demands: wanted,
    supplies: problem.supplies.filter(({ onHand }) => onHand > 0).map(supply => ({ ...supply, price: null })),
    fixed: undefined,
    setUp: undefined,
  }
  const none = { kits: 0, most: 0 }
  if (wanted.length === 0 || drawer.supplies.length === 0 || wanted.some(({ width, height }) => Math.min(width, height) < LEAST_PIECE))
    return none
  const { demands, ...inflated } = withKerf(drawer)
  const patterns = new Patterns({ ...inflated, demands }, demands)
  const { columns, supplies } = patterns
  // The trimmer is too short for all of it, or nothing is left of a sheet once it is squared.
  if (supplies.length === 0) return none
  const allThere = !quick && patterns.addAll()
  const rows = () => [
    ...patterns
      .demandRows()
      .map((row, index) => ({ least: 0, of: [...row.of, [columns.length, -itemAt(demands, index).quantity] as [number, number]] })),
    ...supplies.map(({ onHand }, supply) => ({ most: onHand, of: patterns.from(supply) })),
  ]
  const costs = () => [...columns.map(() => 0), -1]

  let most = Infinity
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const relaxed = solve({ costs: costs(), rows: rows() })
    if (!relaxed) break
    const raw = demands.map((_, index) => Math.max(0, itemAt(relaxed.duals, index)))
    const worthOfKit = demands.reduce((sum, { quantity }, index) => sum + quantity * itemAt(raw, index), 0)
    const duals = new Map(demands.map(({ key }, index) => [key, worthOfKit > 0 ? itemAt(raw, index) / worthOfKit : 1 / demands.length]))
    let [found, total] = [false, 0]
    supplies.forEach((supply, index) => {
      const pattern = patterns.best(index, duals)
      total += supply.onHand * patterns.atMost(index, duals, pattern?.value ?? 0)
      if (pattern && pattern.value + itemAt(relaxed.duals, demands.length + index) > 1e-7)
        found = patterns.addInside(index, pattern.root) || found
    })
    most = Math.min(most, Math.floor(total + 1e-6))
    if (!found) break
  }
  if (!Number.isFinite(most)) return { kits: 0, most: 0 }
  const whole = solve({ costs: costs(), rows: rows(), whole: { nodes: quick ? FEW_NODES : NODES } })
  let kits = Math.min(most, Math.max(0, Math.floor((whole?.columns.at(-1) ?? 0) + 1e-6)))
  if (allThere && whole?.optimal) most = kits
  const kitsOf = (number: number) => ({ ...drawer, demands: wanted.map(demand => ({ ...demand, quantity: demand.quantity * number })) })
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
  for (let more = most; more > kits && more > most - tries; more--) if (plan(kitsOf(more), solve).unplaced.length === 0) kits = more
  return { kits, most }
}
