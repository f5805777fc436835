import { addWorthwhile, rounds, worthOfAll, worthOnHand, worthsBy } from './column-generation'
import { kitRows } from './kits-first'
import { isFresh } from './plan'
import { ProgrammeBuilder } from './programme'
import type { Search } from './search'

const MOST_ROUNDS = 160
/** Cost of a piece that cannot be cut, beside one for every sheet, and of a kit that is incomplete. */
const A_MISSING_PIECE = 1000
const AN_INCOMPLETE_KIT = 50_000
/** A column is worth adding when it is worth this much more than its sheet. */
const WORTH_WHILE = 1e-7

/**
 * The fewest fresh sheets over the patterns known, and the bound of all plans. The dual values, scaled so that no
 * pattern is worth more than a sheet, bound the number of fresh sheets at every round; an offcut is worth at most its
 * best pattern.
 * @param most steps of effort after which it ends with the bound it has
 * @param isDone says that the bound is good enough
 * @returns the share of its way that is done, round by round
 */
export function* relaxation(search: Search, most: number, isDone: () => boolean): Generator<number, void> {
  const { patterns, demands, effort, solve } = search
  const { supplies } = patterns
  for (const {
    built, relaxed: { dual, columns }, round,
  } of rounds(MOST_ROUNDS, solve, () => sheetsProgramme(search))) {
    effort.spend(built.entries)
    search.values = columns
    search.duals = worthsBy(demands, demand => dual(built.pieces[demand]))
    const drawer = (supply: number) => dual(built.drawers[supply])
    const { found, tops, steps } = addWorthwhile(patterns, {
      worths: search.duals, drawer, cost: supply => (isFresh(supply) ? 1 : 0), least: WORTH_WHILE,
    })
    effort.spend(steps)
    const mostWorth = Math.max(
      1, ...supplies.flatMap((supply, at) => (isFresh(supply) ? [(tops[at] ?? 0) + drawer(at)] : [])),
    )
    const covered = worthOfAll(demands, search.duals) - worthOnHand(supplies, tops, supply => !isFresh(supply))
      + supplies.reduce((sum, supply, at) => sum + (isFresh(supply) ? drawer(at) * supply.onHand : 0), 0)
      + (search.budgeted ? dual(built.money) * search.budget : 0)
    search.bound = Math.max(search.bound, Math.ceil(covered / mostWorth - 1e-6))
    yield Math.min(1, round / 20)
    if (!found || isDone() || effort.spent > most) return
  }
}

/** Fewest fresh sheets; where they do not give everything, few kits are incomplete and few pieces missing. */
function sheetsProgramme({ patterns, demands, short, needs: all, budgeted, budget }: Search) {
  const programme = new ProgrammeBuilder()
  const needs = short ? all : []
  for (const column of patterns.columns) programme.column(patterns.isFresh(column) ? 1 : 0)
  const missing = demands.map(() => programme.column(A_MISSING_PIECE))
  const bought = patterns.supplies.map(() => programme.column(0))
  const incomplete = needs.map(() => programme.column(AN_INCOMPLETE_KIT))
  const demandRows = patterns.demandRows(undefined, missing)
  const pieces = demandRows.map(row => programme.row(row))
  const drawers = patterns.drawerRows(bought).map(row => programme.row(row))
  const money = budgeted ? programme.row(patterns.budgetRow(bought, budget)) : undefined
  for (const row of kitRows(demands, needs, missing, incomplete)) programme.row(row)
  return {
    programme: programme.programme, pieces, drawers, money,
    entries: demandRows.reduce((sum, { of }) => sum + of.length, 0),
  }
}
