import { lookUp } from '../lists'
import type { CutNode, Layout, Supply } from './plan'
import { area, countsOf, isFresh, mergedLayouts, worthOf } from './plan'
import type { Search } from './search'
import type { KnownStrips } from './strips'
import { stripLayout } from './strips'

/*
 * Plans of few layouts, each cut as often as it can be (pattern reduction by a sequential heuristic, after Haessler):
 * what is left is shared out evenly among as many sheets as possible, and the layout is taken if it fills its sheet
 * well enough.
 */

/**
 * How full a sheet has to be, beside the average of the fewest sheets; and by what power of its area a piece counts.
 */
const FILLS = [1, 0.97, 0.94, 0.9, 0.8]
const POWERS = [1, 1.1, 1.2, 1.3]
const MOST_LAYOUTS = 60
/** Numbers of sheets that are tried for a layout. */
const TRIES = 12
/**
 * Pieces on a sheet above which strips take long: layouts are cut for so long then that reading them counts for little.
 */
const MANY_PIECES = 60

/**
 * @param sheets the fewest that all pieces fit on
 * @returns whole plans; none where there are several supplies, of which the fullest sheet says nothing
 */
export function repeatedPlans(
  { patterns: { supplies }, demands, problem: { cutter } }: Search, sheets: number,
): Layout[][] {
  const [supply] = supplies
  if (!supply || supplies.length > 1 || !isFresh(supply) || supply.price === null) return []
  const areas = new Map(demands.map(demand => [demand.key, area(demand)]))
  const average = demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0) / sheets
  if (demands.reduce((sum, { quantity }) => sum + quantity, 0) / sheets > MANY_PIECES) return []
  // More of a size than a sheet holds is as good as that many: then the same sheets come up again and again.
  const held = new Map(demands.map(demand => [demand.key, Math.floor(area(supply) / area(demand))]))
  const known = new Map<string, CutNode[]>()
  const strips = new Map<number, KnownStrips>(POWERS.map(power => [power, new Map()]))
  return FILLS.flatMap(fill => POWERS.flatMap((power) => {
    const plan = onePlan(supply, average * fill, power)
    return plan ? [plan] : []
  }))

  function onePlan(supply: Supply, enough: number, power: number): Layout[] | undefined {
    const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
    const layouts: Layout[] = []
    while ([...left.values()].some(count => count > 0)) {
      const most = Math.max(1, Math.ceil(worth(left) / enough))
      let best: { root: CutNode, repeats: number, filled: number } | undefined
      for (const repeats of fewer(most)) {
        // Shared out among all that it takes, the last piece of each may be one too many.
        const share = new Map(
          [...left].map(([key, count]) => [key, (repeats === most ? Math.ceil : Math.floor)(count / repeats)]),
        )
        for (const root of filled(supply, share, power)) {
          const size = worthOf(root, areas)
          if (!best || size > best.filled) best = { root, repeats, filled: size }
        }
        if (best && best.filled >= enough) break
      }
      if (!best || layouts.length > MOST_LAYOUTS) return undefined
      const { root } = best
      // No more often than all of it is wanted still.
      const repeats = Math.min(
        best.repeats, ...[...countsOf(root)].map(([key, count]) => Math.ceil(lookUp(left, key) / count)),
      )
      for (const [key, count] of countsOf(root)) left.set(key, Math.max(0, lookUp(left, key) - count * repeats))
      layouts.push({ supply: supply.key, repeats, root })
    }
    return mergedLayouts(layouts)
  }

  function worth(counts: ReadonlyMap<string, number>): number {
    return [...counts].reduce((sum, [key, count]) => sum + count * lookUp(areas, key), 0)
  }

  function filled(supply: Supply, share: ReadonlyMap<string, number>, power: number): CutNode[] {
    const wanted = new Map([...share].map(([key, count]) => [key, Math.min(count, lookUp(held, key))]))
    const key = `${power} ${[...wanted.values()].join(' ')}`
    const roots = known.get(key) ?? (['width', 'height'] as const)
      .flatMap(along => stripLayout(supply, cutter, along, demands, wanted, demand => area(demand) ** power, {
        known: strips.get(power),
      }) ?? [])
    known.set(key, roots)
    return roots
  }
}

/** Numbers from one down to 1: all of a few, fewer and fewer between of many. */
function fewer(most: number): number[] {
  const numbers = new Set<number>()
  for (let number = most; number >= 1; number = Math.min(number - 1, Math.floor(number * (1 - 2 / TRIES))))
    numbers.add(number)
  return [...numbers]
}
