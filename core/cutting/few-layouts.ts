import { itemAt } from '../lists'
import { twoStrips } from './families'
import type { Column } from './patterns'
import { fencesOf } from './patterns'
import type { Layout } from './plan'
import { countsOf, isFresh, keyedLayouts } from './plan'
import type { Search } from './search'
import { benchSequence } from './bench'
import { costOf, isAllowed, withFewSpares } from './economy'
import { effortOf, secondsOf } from './effort'
import { paperWorth, workOf } from './work'

/*
 * Plans of one or two layouts, all pairs of them looked at: what hands come upon first, and what a programme that
 * weighs many layouts may pass over. Fresh sheets only, so that offcuts never make a plan dearer than it would be
 * without them.
 */

/** Sizes up to which plans of two layouts are worth a look, and layouts that are paired. */
const MOST = { sizes: 6, columns: 140, repeats: 40 }
/** Plans that are measured at the bench, and those of them that are handed on. */
const MEASURED = 24
const KEPT = 3

interface Option {
  column: Column
  /** Pieces of each demand on a sheet. */
  gives: number[]
  /** Cents of a sheet, and of the layout once. */
  sheet: number
  once: number
  fences: ReadonlySet<number>
}

interface Pair {
  cents: number
  buys: number
  taken: { option: Option, repeats: number }[]
}

/** The cheapest plans of one or two layouts, and the cheapest of them for which nothing has to be bought. */
export function fewLayoutPlans(search: Search, liked: ReadonlySet<Column>): Layout[][] {
  const { demands, patterns } = search
  if (demands.length > MOST.sizes) return []
  const options = optionsOf(search, liked)
  const found: Pair[] = []
  options.forEach((one, at) => {
    for (const other of options.slice(at)) {
      const pair = bestPair(search, one, other)
      if (pair) found.push(pair)
    }
  })
  const cheapest = found.sort((a, b) => a.cents - b.cents)
  const unbought = cheapest.find(({ buys }) => buys === 0)
  const looked = [...new Set([...cheapest.slice(0, MEASURED), ...unbought ? [unbought] : []])].map((pair) => {
    const layouts = withFewSpares(pair.taken.map(({ option: { column }, repeats }) =>
      ({ supply: itemAt(patterns.supplies, column.supply).key, repeats, root: column.root })), demands, search.problem)
    return { layouts, pair, cents: centsOf(search, layouts) }
  }).sort((a, b) => a.cents - b.cents)
  return looked.filter(({ pair }, at) => at < KEPT || pair === unbought).map(({ layouts }) => layouts)
}

/** What a plan costs with its order at the bench. */
function centsOf({ problem }: Search, layouts: Layout[]): number {
  const work = workOf(problem)
  const steps = benchSequence(keyedLayouts(layouts), problem.cutter, { work, supplies: problem.supplies })
  return paperWorth(layouts, problem.supplies) + secondsOf(effortOf(steps), work.pace) * work.hour / 3600
}

/**
 * Layouts of fresh sheets that keep to what the maker allows: strips of one or two sizes, and what is liked besides;
 * fullest first.
 */
function optionsOf(search: Search, liked: ReadonlySet<Column>): Option[] {
  const { patterns, demands, problem } = search
  const columns = new Set<Column>()
  patterns.supplies.forEach((supply, index) => {
    if (!isFresh(supply)) return
    for (const root of twoStrips(supply, problem.cutter, demands))
      columns.add({ supply: index, counts: countsOf(root), root })
  })
  for (const column of liked) if (patterns.isFresh(column)) columns.add(column)
  return [...columns].filter(column => isAllowed(problem, column))
    .sort((a, b) => patterns.fullness(b) - patterns.fullness(a))
    .slice(0, MOST.columns)
    .map(column => ({
      column,
      ...costOf(search, column),
      fences: fencesOf(column.root),
      gives: demands.map(({ key }) => column.counts.get(key) ?? 0),
    }))
}

/** The cheapest way to cut everything from two layouts, or from one where both are the same. */
function bestPair(search: Search, one: Option, other: Option): Pair | undefined {
  const { demands, patterns: { supplies }, problem } = search
  if (one.gives.some((count, at) => count + (other.gives[at] ?? 0) === 0)) return undefined
  const { pace, hour } = workOf(problem)
  const isOne = one === other
  const settings = new Set([...one.fences, ...isOne ? [] : other.fences]).size * pace.setting * hour / 3600
  /** Sheets of a layout for what another one leaves open. */
  const needed = ({ gives }: Option, left: (at: number) => number) => gives.reduce((most, count, at) =>
    (left(at) <= 0 ? most : count === 0 ? Infinity : Math.max(most, Math.ceil(left(at) / count))), 0)
  const wanted = (at: number) => itemAt(demands, at).quantity
  const most = one.gives.reduce(
    (sum, count, at) => (count === 0 ? sum : Math.max(sum, Math.ceil(wanted(at) / count))), 0,
  )
  const step = Math.max(1, Math.floor(most / MOST.repeats))
  let best: Pair | undefined
  for (let repeats = isOne ? most : 1; repeats <= most; repeats += step) {
    const rest = isOne ? 0 : needed(other, at => wanted(at) - repeats * (one.gives[at] ?? 0))
    if (!Number.isFinite(rest) || (isOne && needed(one, wanted) > repeats)) continue
    const taken = [{ option: one, repeats }, ...rest > 0 ? [{ option: other, repeats: rest }] : []]
    const cents = settings + taken.reduce((sum, { option, repeats }) => sum + option.sheet * repeats + option.once, 0)
    if (best && cents >= best.cents) continue
    const buys = bought(taken)
    if (buys !== undefined) best = { cents, buys, taken }
  }
  return best

  /** Sheets to buy; nothing where some are neither there nor for sale. */
  function bought(taken: Pair['taken']): number | undefined {
    const sheets = new Map<number, number>()
    for (const {
      option: {
        column: { supply },
      },
      repeats,
    } of taken)
      sheets.set(supply, (sheets.get(supply) ?? 0) + repeats)
    let buys = 0
    for (const [at, number] of sheets) {
      const { onHand, price } = itemAt(supplies, at)
      const missing = Math.max(0, number - onHand)
      if (missing > 0 && price === null) return undefined
      buys += missing
    }
    return buys
  }
}
