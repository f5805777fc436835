import { isFresh } from './plan'
import type { Search } from './search'
import { worthIn } from './search'

/** Rounds of pricing. */
const ROUNDS = 60
const A_MISSING_PIECE = 1_000_000
const WORTH_WHILE = 1e-6

/**
 * Cents below which no plan can be had: the relaxation in which what is bought costs its price and what is on hand nothing. Its
 * duals price the pieces; scaled so that no pattern is worth more than its sheet costs to buy (Farley), what they make of all pieces,
 * less what the sheets on hand can hold of that, bounds the money at every round.
 * @param spent cents of a plan that is known: nothing above is asked
 */
export function moneyBound({ patterns, demands, solve, effort }: Search, spent: number): number {
  const { columns, supplies } = patterns
  let bound = 0
  for (let round = 0; round < ROUNDS && bound < spent; round++) {
    const [missing, buying] = [columns.length, columns.length + demands.length]
    const rows = patterns.demandRows().map((row, at) => ({ ...row, of: [...row.of, [missing + at, 1] as [number, number]] }))
    const relaxed = solve({
      costs: [...columns.map(() => 0), ...demands.map(() => A_MISSING_PIECE), ...supplies.map(({ price }) => price ?? 0)],
      rows: [...rows, ...patterns.drawerRows(buying)],
    })
    if (!relaxed) break
    const duals = new Map(demands.map(({ key }, at) => [key, Math.max(0, relaxed.duals[at] ?? 0)]))
    let [scale, onHand, found] = [1, 0, false]
    supplies.forEach((supply, index) => {
      const priced = patterns.bests(index, duals)
      effort.spend(patterns.steps(index))
      const top = patterns.atMost(index, duals, priced[0]?.value ?? 0)
      if (isFresh(supply) && supply.price !== null && top > 0) scale = Math.min(scale, supply.price / top)
      onHand += supply.onHand * top
      const drawer = relaxed.duals[demands.length + index] ?? 0
      for (const { value, root } of priced) if (value + drawer > WORTH_WHILE) found = patterns.addInside(index, root) || found
    })
    const pieces = demands.reduce((sum, { key, quantity }) => sum + worthIn(duals, key) * quantity, 0)
    bound = Math.max(bound, Math.ceil(scale * (pieces - onHand) - 1e-6))
    if (!found) break
  }
  return Math.min(bound, spent)
}
