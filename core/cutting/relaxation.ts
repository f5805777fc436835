import { kitRows } from './kits-first'
import { isFresh } from './plan'
import type { Search } from './search'
import { worthIn } from './search'

const MOST_ROUNDS = 160
/** Cost of a piece that cannot be cut, beside one for every sheet, and of a kit that is incomplete. */
const A_MISSING_PIECE = 1000
const AN_INCOMPLETE_KIT = 50_000
/** A column is worth adding when it is worth this much more than its sheet. */
const WORTH_WHILE = 1e-7

/**
 * Column generation (Gilmore and Gomory): solves the relaxation over the patterns known,
 * prices the pieces by its duals, and adds the patterns worth more than a sheet, until there is
 * none. The duals, scaled so that no pattern is worth more than a sheet (Farley), bound
 * the number of fresh sheets at every round; an offcut is worth at most its best pattern.
 * @param most steps of effort after which it ends with the bound it has
 * @param isDone says that the bound is good enough
 * @returns the share of its way that is done, round by round
 */
export function* relaxation(search: Search, most: number, isDone: () => boolean): Generator<number, void> {
  const { patterns, demands, effort } = search
  const { columns, supplies } = patterns
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const [missing, buying] = [columns.length, columns.length + demands.length]
    const needs = search.short ? search.needs : []
    const demandRows = patterns.demandRows().map((row, index) => ({ ...row, of: [...row.of, [missing + index, 1] as [number, number]] }))
    const relaxed = search.solve({
      costs: [
        ...columns.map(column => (patterns.isFresh(column) ? 1 : 0)),
        ...demands.map(() => A_MISSING_PIECE),
        ...supplies.map(() => 0),
        ...needs.map(() => AN_INCOMPLETE_KIT),
      ],
      rows: [
        ...demandRows,
        ...patterns.drawerRows(buying),
        ...(search.budgeted ? [patterns.budgetRow(buying, search.budget)] : []),
        ...kitRows(demands, needs, missing, buying + supplies.length),
      ],
    })
    effort.spend(demandRows.reduce((sum, { of }) => sum + of.length, 0))
    if (!relaxed) return
    const dual = (row: number) => relaxed.duals[row] ?? 0
    search.values = relaxed.columns
    search.duals = new Map(demands.map(({ key }, index) => [key, Math.max(0, dual(index))]))
    let [mostWorth, found, scrap] = [1, false, 0]
    supplies.forEach((supply, index) => {
      const priced = patterns.bests(index, search.duals)
      effort.spend(patterns.steps(index))
      const drawer = dual(demands.length + index)
      const top = patterns.atMost(index, search.duals, priced[0]?.value ?? 0)
      if (isFresh(supply)) mostWorth = Math.max(mostWorth, top + drawer)
      else scrap += supply.onHand * top
      for (const { value, root } of priced) {
        if (value + drawer > (isFresh(supply) ? 1 : 0) + WORTH_WHILE) found = patterns.addInside(index, root) || found
      }
    })
    const covered
      = demands.reduce((sum, { key, quantity }) => sum + worthIn(search.duals, key) * quantity, 0)
        - scrap
        + supplies.reduce((sum, supply, index) => sum + (isFresh(supply) ? dual(demands.length + index) * supply.onHand : 0), 0)
        + (search.budgeted ? dual(demands.length + supplies.length) * search.budget : 0)
    search.bound = Math.max(search.bound, Math.ceil(covered / mostWorth - 1e-6))
    yield Math.min(1, round / 20)
    if (!found || isDone() || effort.spent > most) return
  }
}
