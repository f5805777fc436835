import { kitRows } from './kits-first'
import type { Column } from './patterns'
import { piecesIn } from './patterns'
import type { Layout } from './plan'
import { area, isFresh } from './plan'
import { ProgrammeBuilder, eachOnce } from './programme'
import type { Search } from './search'
import { withoutSurplus } from './surplus'

/** Cost of a sheet and of a cent by what is made least of first. */
const COSTS = { money: { sheet: 1, cent: 10 }, sheets: { sheet: 10_000, cent: 1 } } as const
/** Cost of all offcuts together: less than a sheet, so that each is used, but none for nothing. */
const ALL_OFFCUTS = 0.3
/** Cost of a piece that cannot be cut, beside those of sheets. */
const A_MISSING_PIECE = 1_000_000
/** Branches of the integer programme, and the entries of it that all of them together look at. */
const NODES = 2000
const ENTRIES = 1_400_000
/** Share of those entries for a second look. */
const AGAIN = 1 / 3
/** Branches for the pieces that stay missing, once it is known how many kits do. */
const NODES_FOR_PIECES = 300
/** Sizes above which a branch takes long, and how many there are then; and the same for entries of the programme. */
const MANY = { sizes: 30, nodes: 20, entries: 1300, few: 300 }

/**
 * Whole sheets from the columns known, by an integer programme: least money and then fewest sheets, or the other way
 * round. Where they do not give everything, as few kits as possible are incomplete, and then as few pieces as possible
 * missing. What is proven already ends the search as soon as it is met.
 * @param again looks for less long, for a plan is known already that another search has found
 */
export function wholePlan(search: Search, again = false): { layouts: Layout[], optimal: boolean } | undefined {
  const { patterns, demands, problem, formats, bound } = search
  const { columns, supplies } = patterns
  const { sheet, cent } = COSTS[formats > 1 ? problem.objective : 'money']
  // Where no sheet is opened at all, as few offcuts as possible.
  const offcut
    = formats === 0 ? 1 : ALL_OFFCUTS / supplies.reduce((sum, supply) => sum + (isFresh(supply) ? 0 : supply.onHand), 1)
  const needs = search.short ? search.needs : []
  const entries = columns.reduce((sum, { counts }) => sum + counts.size, 0)
  const isLarge = demands.length > MANY.sizes || entries > MANY.entries
  const solved = needs.length > 0 ? inOrder() : solve()
  solved?.columns.forEach((amount, at) => {
    const column = columns[at]
    if (column && amount > 0.5) search.taken.add(column)
  })
  return (
    solved && { layouts: withoutSurplus(patterns.layoutsOf(solved.columns), demands, problem), optimal: solved.optimal }
  )

  /**
   * First the kits alone, then everything else with no more of them incomplete: in one sum the one would drown the
   * other.
   */
  function inOrder() {
    const first = solve({ kitsOnly: true })
    return first && (solve({ mostIncomplete: first.incomplete }) ?? first)
  }

  function solve({ kitsOnly = false, mostIncomplete = Infinity } = {}) {
    const cost = (value: number) => (kitsOnly ? 0 : value)
    const most = Number.isFinite(mostIncomplete) ? NODES_FOR_PIECES : NODES
    const programme = new ProgrammeBuilder()
    for (const column of columns)
      programme.column(cost(patterns.isFresh(column) ? sheet : offcut - reward(search, column)))
    const bought = supplies.map(({ price }) => programme.column(cost(formats > 1 ? (price ?? 0) * cent : 0)))
    const missing = search.short ? demands.map(() => programme.column(cost(A_MISSING_PIECE))) : []
    const incomplete = needs.map(() => programme.column(kitsOnly ? 1 : 0))
    for (const row of patterns.demandRows(undefined, missing)) programme.row(row)
    for (const row of patterns.drawerRows(bought)) programme.row(row)
    for (const row of kitRows(demands, needs, missing, incomplete)) programme.row(row)
    if (Number.isFinite(mostIncomplete)) programme.row({ most: mostIncomplete, of: eachOnce(incomplete) })
    if (bound > 0 && formats > 0 && !search.short) programme.row({ least: bound, of: patterns.fresh() })
    const solved = search.solve({
      ...programme.programme,
      whole: isLarge
        ? {
            nodes: demands.length > MANY.sizes ? MANY.nodes : Math.min(most, MANY.few),
            brief: search.short ? undefined : 'mostly',
          }
        : { nodes: Math.min(most, Math.floor((ENTRIES * (again ? AGAIN : 1)) / entries)) },
    })
    return (
      solved && { ...solved, incomplete: incomplete.reduce((sum, at) => sum + Math.round(solved.columns[at] ?? 0), 0) }
    )
  }
}

/** With the wish for offcuts first, what is cut from them is worth its share of all that is wanted. */
function reward({ problem, demands, short }: Search, column: Column): number {
  if (!problem.offcutsFirst || short) return 0
  return (
    (ALL_OFFCUTS * piecesIn(column, demands))
    / demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
  )
}
