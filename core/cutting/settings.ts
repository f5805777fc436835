import type { Column } from './patterns'
import { fencesOf } from './patterns'
import type { Demand, Layout } from './plan'
import { area, contentOf, countsOf, isFresh } from './plan'
import type { Search } from './search'
import { stripLayout } from './strips'
import { withoutSurplus } from './surplus'

/** Columns that the programme for fewer settings looks at. */
const FEW = 40
/** Sizes up to which settings are counted one by one, and plans with more sheets are looked for; how many of those. */
export const TRADE_OFF = { sizes: 14, plans: 5, alike: 3 }
/** Cost of a layout beside one for every fence setting; one that is set up costs next to nothing. */
const A_LAYOUT = { fresh: 0.25, setUp: 0.02 }
/** Branches of the integer programme. */
const NODES = 60

/** Columns that hold an even share of everything, by the number of shares. */
export type Alike = Map<Column, number>

/**
 * No more than some sheets and some cents, with the fewest fence settings: every
 * setting that some layout in use wants counts once, as layouts are cut together.
 * With `spares` a layout that gives too much is cut as it is, and the rest are spares.
 */
export function fewestSettings(
  search: Search,
  most: number,
  cents: number,
  { spares = false, alike = new Map() as Alike } = {},
): Layout[] | undefined {
  const { patterns, demands, problem, formats, values } = search
  const { columns, supplies } = patterns
  // Columns that the relaxation uses, then those with the most on a sheet; what is set up in any case.
  const ready = new Set((problem.setUp ?? []).map(({ root }) => contentOf(root)))
  const isSetUp = ({ root }: Column) => ready.size > 0 && ready.has(contentOf(root))
  const rank = (column: Column, index: number) => (values[index] ?? 0) + (isSetUp(column) ? 1 : 0) + (alike.has(column) ? 1 : 0)
  const kept = columns
    .map((column, index) => ({ column, value: rank(column, index), fullness: patterns.fullness(column) }))
    .sort((a, b) => b.value - a.value || b.fullness - a.fullness)
    .slice(0, FEW)
    .map(({ column }) => column)
  const settings = [...new Set(kept.flatMap(({ root }) => [...fencesOf(root)]))]
  const [used, bought] = [kept.length, 2 * kept.length + settings.length]
  const fewSizes = demands.length <= TRADE_OFF.sizes
  const uses = kept.flatMap(({ root }, at) => [...fencesOf(root)].map(fence => [at, settings.indexOf(fence)] as const))
  const solved = search.solve({
    costs: [
      ...kept.map(() => 0),
      ...kept.map(column => (isSetUp(column) ? A_LAYOUT.setUp : fewSizes ? A_LAYOUT.fresh : 1)),
      ...settings.map(() => (fewSizes ? 1 : 0)),
      ...supplies.map(() => 0),
    ],
    rows: [
      ...patterns.demandRows(kept),
      ...patterns.drawerRows(bought, kept),
      { most, of: patterns.fresh(kept) },
      ...(formats > 1 && Number.isFinite(cents) ? [patterns.budgetRow(bought, cents)] : []),
      // A layout that is used at all counts once, and so does each of its settings.
      ...kept.map((column, at) => ({
        most: 0,
        of: [
          [at, 1],
          [used + at, -mostOf(column)],
        ] as [number, number][],
      })),
      ...(fewSizes
        ? uses.map(([at, setting]) => ({
            most: 0,
            of: [
              [used + at, 1],
              [2 * used + setting, -1],
            ] as [number, number][],
          }))
        : []),
    ],
    whole: { nodes: NODES, plain: true },
  })
  const layouts = solved && patterns.layoutsOf(solved.columns, kept)
  return layouts && (spares ? layouts : withoutSurplus(layouts, demands, problem))

  /** More of one layout than this is never of use. */
  function mostOf({ counts, supply }: Column): number {
    const needed = Math.max(...demands.map(({ key, quantity }) => Math.ceil(quantity / (counts.get(key) ?? Infinity))))
    const there = supplies[supply]
    return Math.max(1, Math.min(needed, there && !isFresh(there) ? there.onHand : most))
  }
}

/** Adds layouts that hold an even share of everything, or a single size: they make plans with few settings. */
export function addAlike({ patterns, demands }: Search): Alike {
  const alike: Alike = new Map()
  const {
    columns,
    supplies,
    problem: { cutter },
  } = patterns
  const pieces = demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
  const most = Math.max(...demands.map(({ quantity }) => quantity))
  supplies.forEach((supply, index) => {
    if (!isFresh(supply)) return
    const fill = (wanted: Demand[]): Column | undefined => {
      const left = new Map(wanted.map(({ key, quantity }) => [key, quantity]))
      for (const along of ['width', 'height'] as const) {
        const root = stripLayout(supply, cutter, along, wanted, left, area)
        if (!root) continue
        patterns.add(index, root)
        const made = countsOf(root)
        const isComplete = wanted.every(({ key, quantity }) => (made.get(key) ?? 0) >= quantity)
        const column = columns.find(
          ({ supply, counts }) =>
            supply === index && made.size === counts.size && [...made].every(([key, count]) => counts.get(key) === count),
        )
        if (isComplete && column) return column
      }
      return undefined
    }
    for (const demand of demands) fill([demand])
    let found = 0
    for (let share = Math.max(1, Math.ceil(pieces / area(supply))); share <= most && found < TRADE_OFF.alike; share++) {
      const column = fill(demands.map(demand => ({ ...demand, quantity: Math.ceil(demand.quantity / share) })))
      if (!column) continue
      found += 1
      alike.set(column, share)
    }
  })
  return alike
}

/** Plans of a single layout, as few sheets as it takes. */
export function everySheetAlike({ patterns }: Search, alike: Alike): Layout[][] {
  return [...alike]
    .sort((a, b) => a[1] - b[1])
    .flatMap(([{ supply, root }, repeats]) => {
      const there = patterns.supplies[supply]
      return there && (there.price !== null || there.onHand >= repeats) ? [[{ supply: there.key, repeats, root }]] : []
    })
    .slice(0, 1)
}
