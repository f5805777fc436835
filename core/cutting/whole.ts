import { kitRows } from './kits-first'
import type { Column } from './patterns'
import { piecesIn } from './patterns'
import type { Layout } from './plan'
import { area, isFresh } from './plan'
import type { Search } from './search'
import { withoutSurplus } from './surplus'

/** Cost of a sheet and of a cent by what is made least of first. */
const COSTS = { money: { sheet: 1, cent: 10 }, sheets: { sheet: 10_000, cent: 1 } } as const
/** Cost of all offcuts together: less than a sheet, so that each is used, but none for nothing. */
const ALL_OFFCUTS = 0.3
/** Cost of a piece that cannot be cut, beside those of sheets. */
const A_MISSING_PIECE = 1_000_000
/** Branches of the integer programme. */
const NODES = 2000
/** And of that for the pieces that stay missing, once it is known how many kits do. */
const NODES_FOR_PIECES = 300
/** Sizes above which a branch takes long, and how many there are then; and the same for entries of the programme. */
const MANY = { sizes: 30, nodes: 20, entries: 1300, few: 300 }

/**
 * Whole sheets from the columns known, by an integer programme: least money and then fewest sheets, or the other way round. Where
 * they do not give everything, as few kits as possible are incomplete, and then as few pieces as possible missing. What is proven
 * already ends the search as soon as it is met.
 */
export function wholePlan(search: Search): { layouts: Layout[], optimal: boolean } | undefined {
  const { patterns, demands, problem, formats, bound } = search
  const { columns, supplies } = patterns
  const { sheet, cent } = COSTS[formats > 1 ? problem.objective : 'money']
  // Where no sheet is opened at all, as few offcuts as possible.
  const offcut = formats === 0 ? 1 : ALL_OFFCUTS / supplies.reduce((sum, supply) => sum + (isFresh(supply) ? 0 : supply.onHand), 1)
  const lacking = columns.length + supplies.length
  const needs = search.short ? search.needs : []
  const incomplete = lacking + demands.length
  const entries = columns.reduce((sum, { counts }) => sum + counts.size, 0)
  const isLarge = demands.length > MANY.sizes || entries > MANY.entries
  const kits = needs.map((_, at): [number, number] => [incomplete + at, 1])
  const solved = needs.length > 0 ? inOrder() : solve()
  solved?.columns.forEach((amount, at) => {
    const column = columns[at]
    if (column && amount > 0.5) search.taken.add(column)
  })
  return solved && { layouts: withoutSurplus(patterns.layoutsOf(solved.columns), demands, problem), optimal: solved.optimal }

  /** First the kits alone, then everything else with no more of them incomplete: in one sum the one would drown the other. */
  function inOrder() {
    const first = solve({ kitsOnly: true })
    const least = first && kits.reduce((sum, [at]) => sum + Math.round(first.columns[at] ?? 0), 0)
    return least === undefined ? first : solve({ mostIncomplete: least }) ?? first
  }

  function solve({ kitsOnly = false, mostIncomplete = Infinity } = {}) {
    const cost = (value: number) => (kitsOnly ? 0 : value)
    const most = Number.isFinite(mostIncomplete) ? NODES_FOR_PIECES : NODES
    return search.solve({
      costs: [
        ...columns.map(column => cost(patterns.isFresh(column) ? sheet : offcut - reward(column))),
        ...supplies.map(({ price }) => cost(formats > 1 ? (price ?? 0) * cent : 0)),
        ...(search.short ? demands.map(() => cost(A_MISSING_PIECE)) : []),
        ...needs.map(() => (kitsOnly ? 1 : 0)),
      ],
      rows: [
        ...patterns.demandRows().map((row, at) =>
          (search.short ? { ...row, of: [...row.of, [lacking + at, 1] as [number, number]] } : row)),
        ...patterns.drawerRows(columns.length),
        ...kitRows(demands, needs, lacking, incomplete),
        ...(Number.isFinite(mostIncomplete) ? [{ most: mostIncomplete, of: kits }] : []),
        ...(bound > 0 && formats > 0 && !search.short ? [{ least: bound, of: patterns.fresh() }] : []),
      ],
      whole: isLarge
        ? { nodes: demands.length > MANY.sizes ? MANY.nodes : Math.min(most, MANY.few), brief: !search.short }
        : { nodes: most },
    })
  }

  /** With the wish for offcuts first, what is cut from them is worth its share of all that is wanted. */
  function reward(column: Column): number {
    if (!problem.offcutsFirst || search.short) return 0
    return ALL_OFFCUTS * piecesIn(column, demands) / demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
  }
}
