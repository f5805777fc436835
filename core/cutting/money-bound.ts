import { addWorthwhile, rounds, worthOfAll, worthOnHand, worthsBy } from './column-generation'
import { isFresh } from './plan'
import { ProgrammeBuilder } from './programme'
import type { Search } from './search'

/** Rounds of pricing. */
const ROUNDS = 60
const A_MISSING_PIECE = 1_000_000
const WORTH_WHILE = 1e-6

/**
 * Cents below which no plan can be had: the relaxation in which what is bought costs its price and what is on hand
 * nothing. Its duals price the pieces; scaled so that no pattern is worth more than its sheet costs to buy (Farley),
 * what they make of all pieces, less what the sheets on hand can hold of that, bounds the money at every round.
 * @param spent cents of a plan that is known: nothing above is asked
 */
export function moneyBound({ patterns, demands, solve, effort }: Search, spent: number): number {
  const { supplies } = patterns
  let bound = 0
  if (spent <= 0) return 0
  for (const { built: { pieces, drawers }, relaxed: { dual } } of rounds(ROUNDS, solve, moneyProgramme)) {
    const worths = worthsBy(demands, demand => dual(pieces[demand]))
    const { found, tops, steps } = addWorthwhile(patterns, {
      worths, drawer: supply => dual(drawers[supply]), least: WORTH_WHILE,
    })
    effort.spend(steps)
    // No pattern is worth more than its sheet costs to buy.
    const scales = supplies.flatMap((supply, at) => {
      const top = tops[at] ?? 0
      return isFresh(supply) && supply.price !== null && top > 0 ? [supply.price / top] : []
    })
    const scale = Math.min(1, ...scales)
    bound = Math.max(bound, Math.ceil(scale * (worthOfAll(demands, worths) - worthOnHand(supplies, tops)) - 1e-6))
    if (!found || bound >= spent) break
  }
  return Math.min(bound, spent)

  /** What is bought costs its price; what is on hand costs nothing. */
  function moneyProgramme() {
    const programme = new ProgrammeBuilder()
    patterns.columns.forEach(() => programme.column(0))
    const missing = demands.map(() => programme.column(A_MISSING_PIECE))
    const bought = supplies.map(({ price }) => programme.column(price ?? 0))
    const pieces = patterns.demandRows(undefined, missing).map(row => programme.row(row))
    const drawers = patterns.drawerRows(bought).map(row => programme.row(row))
    return { programme: programme.programme, pieces, drawers }
  }
}
