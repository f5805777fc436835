import { itemAt } from '../lists'
import type { Patterns } from './patterns'
import type { Demand, Supply } from './plan'
import type { Handle } from './programme'
import { worthIn } from './search'
import type { Programme, Solve } from './solver'

/*
 * Column generation (Gilmore and Gomory): a relaxation over the patterns that are known is solved, its dual values
 * price the pieces, and patterns that are worth more than their sheet become columns, until there are none. What no
 * pattern is worth more than, by the same prices, bounds all plans at every round (Farley). What is minimised, and what
 * is made of the prices, is up to who asks.
 */

/** A programme that was solved, read by the handles of its rows and columns; what was not put in is nothing. */
export interface Relaxed {
  /** Worth of one more unit of a row. */
  dual: (row: Handle | undefined) => number
  amount: (column: Handle) => number
  columns: number[]
}

/**
 * Solves a programme again and again, as it is put together anew from the columns known by then. Whoever adds none ends
 * it.
 * @param most rounds
 * @returns each round as it was put together, and its solution; it ends where a programme has none
 */
export function* rounds<R extends { programme: Programme }>(
  most: number, solve: Solve, round: () => R,
): Generator<{ built: R, relaxed: Relaxed, round: number }, void> {
  for (let number = 0; number < most; number++) {
    const built = round()
    const solved = solve(built.programme)
    if (!solved) return
    const { duals, columns } = solved
    const at = (values: number[]) => (handle: Handle | undefined) => (handle === undefined ? 0 : values[handle] ?? 0)
    yield { built, relaxed: { dual: at(duals), amount: at(columns), columns }, round: number }
  }
}

/** What pieces are worth by the dual values of their rows, which are never less than nothing. */
export const worthsBy = (demands: readonly Demand[], dual: (demand: number) => number): Map<string, number> =>
  new Map(demands.map(({ key }, at) => [key, Math.max(0, dual(at))]))

export interface Pricing {
  /** What a piece is worth, by the key of its demand. */
  worths: ReadonlyMap<string, number>
  /** Dual value of one more of a supply, by its place. */
  drawer: (supply: number) => number
  /** What one of a supply costs; nothing where that is not said. */
  cost?: (supply: Supply) => number
  /** A pattern is worth adding where it is worth so much more than its sheet. */
  least: number
  /** Only the pattern worth most on each supply. */
  isBrief?: boolean
}

export interface PricedColumns {
  /** Whether a pattern was added. */
  found: boolean
  /** What no pattern of each supply is worth more than. */
  tops: number[]
  /** Rectangles that were looked at. */
  steps: number
}

/** Prices the patterns of every supply and adds those that are worth more than their sheet. */
export function addWorthwhile(
  patterns: Patterns, { worths, drawer, cost = () => 0, least, isBrief = false }: Pricing,
): PricedColumns {
  const priced: PricedColumns = { found: false, tops: [], steps: 0 }
  patterns.supplies.forEach((supply, at) => {
    const best = isBrief ? [patterns.best(at, worths)].flatMap(one => one ?? []) : patterns.bests(at, worths)
    priced.steps += patterns.steps(at)
    priced.tops.push(patterns.atMost(at, worths, best[0]?.value ?? 0))
    for (const { value, root } of best)
      if (value + drawer(at) > cost(supply) + least) priced.found = patterns.addInside(at, root) || priced.found
  })
  return priced
}

/** What all pieces are worth together. */
export const worthOfAll = (demands: readonly Demand[], worths: ReadonlyMap<string, number>): number =>
  demands.reduce((sum, { key, quantity }) => sum + worthIn(worths, key) * quantity, 0)

/** What all that is on hand of some supplies is worth at most. */
export const worthOnHand = (
  supplies: readonly Supply[], tops: readonly number[], counts: (supply: Supply) => boolean = () => true,
): number =>
  supplies.reduce((sum, supply, at) => (counts(supply) ? sum + supply.onHand * itemAt(tops, at) : sum), 0)
