import { itemAt } from '../lists'
import { limited } from './tidy'
import type { CutNode, Layout } from './plan'
import { area, countsOf, isFresh, worthOf } from './plan'
import { ProgrammeBuilder } from './programme'
import type { Search } from './search'
import { isScarce, worthIn } from './search'
import { stripLayout } from './strips'
import { withoutSurplus } from './surplus'

/** Steps of the dive, new patterns included. */
const MOST_DIVES = 400
/** Sheets that are filled with what rounding down leaves over. */
const MOST_LEFT = 40

const someLeft = (left: ReadonlyMap<string, number>) => [...left.values()].some(quantity => quantity > 0)
const leftOf = (left: ReadonlyMap<string, number>, key: string) => Math.max(0, left.get(key) ?? 0)

/**
 * Patterns of a supply that give no more of anything than is left: the best ones with the surplus taken out, and
 * strips, which mix sizes where an unbounded pattern would repeat one.
 */
function* bounded(
  { patterns, demands, effort }: Search,
  index: number,
  worth: ReadonlyMap<string, number>,
  left: ReadonlyMap<string, number>,
  count: number,
): Generator<{ root: CutNode, value: number }> {
  const {
    supplies,
    problem: { cutter },
  } = patterns
  const supply = supplies[index]
  if (!supply) return
  const valued = (root: CutNode) => ({ root, value: worthOf(root, worth) })
  effort.spend(patterns.steps(index))
  for (const { root } of patterns.bests(index, worth).slice(0, count > 1 ? undefined : 1))
    yield valued(limited(root, left, cutter))
  if (!isScarce(demands)) return
  for (const along of ['width', 'height'] as const) {
    const root = stripLayout(supply, cutter, along, demands, left, demand => worthIn(worth, demand.key), {
      framed: false,
    })
    if (root) yield valued(root)
  }
}

/**
 * Rounds the relaxation down and cuts what is left sheet by sheet: patterns that mix sizes in just the
 * numbers still missing become columns.
 */
export function complete(search: Search, worth: ReadonlyMap<string, number>): void {
  const { patterns, demands, values } = search
  const { columns, supplies } = patterns
  const taken = (key: string) =>
    columns.reduce(
      (sum, { counts }, index) => sum + Math.floor((values[index] ?? 0) + 1e-6) * (counts.get(key) ?? 0), 0,
    )
  const left = new Map(demands.map(({ key, quantity }) => [key, quantity - taken(key)]))
  for (let sheet = 0; sheet < MOST_LEFT && someLeft(left); sheet++) {
    const wanted = new Map([...worth].map(([key, value]) => [key, leftOf(left, key) > 0 ? Math.max(value, 1e-6) : 0]))
    const found = supplies
      .flatMap((supply, index) =>
        [...bounded(search, index, wanted, left, 1)].map(({ root, value }) => ({
          index, root, share: value / area(supply),
        })),
      )
      .sort((a, b) => b.share - a.share)
    const [best] = found
    if (!best) return
    for (const { index, root } of found) patterns.addInside(index, root)
    for (const [key, count] of countsOf(best.root)) left.set(key, (left.get(key) ?? 0) - count)
  }
}

/**
 * Takes whole sheets from the relaxation and relaxes what is left again, with
 * patterns that hold no more than that, until everything is cut.
 * @param most steps of effort after which it gives up
 * @returns nothing step by step, and at the end the layouts if all is cut
 */
export function* dive(search: Search, most: number): Generator<Layout[] | undefined, void> {
  const { patterns, demands, effort } = search
  const { columns, supplies } = patterns
  const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
  const drawer = supplies.map(({ onHand, price }) => (price === null ? onHand : Infinity))
  const counted = supplies.flatMap((_, index) => (drawer[index] === Infinity ? [] : [index]))
  const taken: number[] = []
  for (let dived = 0; dived < MOST_DIVES && effort.spent <= most && someLeft(left); dived++) {
    const open = demands.filter(({ key }) => leftOf(left, key) > 0)
    const rows = open.map(({ key }) => ({
      least: leftOf(left, key),
      of: columns.flatMap(({ counts }, index): [number, number][] => {
        const count = counts.get(key)
        return count ? [[index, Math.min(count, leftOf(left, key))]] : []
      }),
    }))
    effort.spend(rows.reduce((sum, { of }) => sum + of.length, 0))
    const programme = new ProgrammeBuilder()
    for (const column of columns) programme.column(patterns.isFresh(column) ? 1 : 0)
    const pieces = rows.map(row => programme.row(row))
    const drawers = new Map(
      counted.map(supply => [supply, programme.row({ most: drawer[supply] ?? 0, of: patterns.from(supply) })]),
    )
    const relaxed = search.solve(programme.programme)
    if (!relaxed) return
    const worth = new Map(demands.map(({ key }) => [key, 0]))
    open.forEach(({ key }, index) => worth.set(key, Math.max(0, relaxed.duals[itemAt(pieces, index)] ?? 0)))
    const isNew = supplies.map((supply, index) => {
      const row = drawers.get(index)
      const price = (isFresh(supply) ? 1 : 0) - (row === undefined ? 0 : (relaxed.duals[row] ?? 0))
      return [...bounded(search, index, worth, left, 2)]
        .map(({ root, value }) => value > price + 1e-6 && patterns.addInside(index, root))
        .some(Boolean)
    })
    // A pattern worth more than a sheet is tried before any is taken for good.
    if (isNew.some(Boolean)) continue
    const whole = relaxed.columns.map(value => Math.floor(value + 1e-6))
    if (!whole.some(count => count > 0)) whole[relaxed.columns.indexOf(Math.max(...relaxed.columns))] = 1
    columns.forEach(({ supply, counts }, index) => {
      const count = whole[index] ?? 0
      if (count === 0) return
      taken[index] = (taken[index] ?? 0) + count
      drawer[supply] = (drawer[supply] ?? 0) - count
      for (const [key, each] of counts) left.set(key, (left.get(key) ?? 0) - each * count)
    })
    yield undefined
  }
  if (!someLeft(left))
    yield withoutSurplus(patterns.layoutsOf(columns.map((_, index) => taken[index] ?? 0)), demands, patterns.problem)
}
