import { byKey, itemAt } from '../lists'
import { worthsBy } from './column-generation'
import { dividedLayouts, oneSize, simpleLayouts } from './families'
import { without } from './tidy'
import type { Column } from './patterns'
import { fencesOf } from './patterns'
import type { CutNode, Demand, Layout, CuttingProblem } from './plan'
import { area, contentOf, countsOf, isFresh, madeBy, freshSheets } from './plan'
import { ProgrammeBuilder, eachOnce } from './programme'
import type { Search } from './search'
import { frameOf, withinFrame } from './squaring'
import { stripLayout } from './strips'
import { tallyOf } from './tally'
import { paperWorth, savedBy, sheetWorth, workOf } from './work'

/*
 * Plans that weigh paper against time: every sheet costs what it is worth and every action at the trimmer its seconds.
 * Layouts and settings cost as soon as they are used at all, so that fewer of them come out of the programme itself.
 */

/**
 * Columns that the programme looks at, more of many sizes: what the relaxations and the simple families want, then the
 * fullest.
 */
const FEW = 40
/** Rounds in which simple layouts are priced. */
const ROUNDS = 10
/**
 * Branches of the integer programme, and the share of its cost that it may be off: what it weighs are estimates of
 * effort.
 */
const LIMITS = { few: { nodes: 12, gap: 0.02 }, chosen: { nodes: 100, gap: 0.002 }, many: { nodes: 1, gap: 0.05 } }
/** Sizes above which a programme takes long. */
const MANY_SIZES = 30
/** Settings are shared among layouts: each pays for about this share of those it wants. */
const SHARED = 0.8
/** Sheets that hold an even share of everything, in so many numbers of sheets, and how many numbers are tried. */
const ALIKE = 3
const TRIES = 40
/** A layout that is set up costs next to nothing to read. */
const SET_UP = 0.05

/** What one sheet of a layout costs in seconds for its share of a stack, and what the layout costs once. */
interface Seconds {
  sheet: number
  once: number
}

export function secondsFor(root: CutNode, { cutter, ...problem }: CuttingProblem): Seconds {
  const { pace } = workOf(problem)
  const { strokes, strips, kinds } = tallyOf(frameOf(root, cutter)?.inside ?? root)
  const strip = pace.handling / 2 + pace.turning + (kinds > 1 ? pace.aside : 0)
  const sheet = (strokes * pace.stroke + pace.handling + strips * strip) / cutter.stack
  return { sheet, once: pace.reading + (pace.handling + kinds * (pace.stroke + strip)) / 2 }
}

/** About how many seconds some layouts take, without a look for the best order. */
export function secondsAbout(layouts: Layout[], problem: CuttingProblem): number {
  const settings = new Set(layouts.flatMap(({ root }) => [...fencesOf(root)])).size
  return layouts.reduce((sum, { root, repeats }) => {
    const { sheet, once } = secondsFor(root, problem)
    return sum + sheet * repeats + once
  }, settings * workOf(problem).pace.setting)
}

/**
 * Adds what hands like to cut: sheets of one size, an even share of everything on a sheet, and what a relaxation over
 * such layouts asks for.
 * @param hand the plan of a careful maker
 */
export function addFamilies(search: Search, hand: Layout[]): Set<Column> {
  const { patterns, demands, problem } = search
  const { supplies } = patterns
  const { cutter } = problem
  const liked = new Set<Column>()
  const add = (supply: number, root: CutNode | undefined) => {
    if (!root) return
    const column = patterns.added(supply, root)
    if (column) liked.add(column)
  }
  supplies.forEach((supply, index) => {
    for (const demand of demands) add(index, oneSize(supply, cutter, demand))
    if (isFresh(supply)) for (const root of evenShares(search, index)) add(index, root)
  })
  for (const { supply, root } of hand) add(supplies.findIndex(({ key }) => key === supply), root)
  // Divided sheets are looked at once nothing simpler is found any more: there are as many again of them.
  let families = [simpleLayouts]
  for (let round = 0; round < ROUNDS; round++) {
    const columns = [...liked]
    const programme = new ProgrammeBuilder()
    for (const column of columns) programme.column(costOf(search, column).sheet)
    const missing = demands.map(() => programme.column(MISSING))
    const bought = supplies.map(() => programme.column(0))
    const pieces = patterns.demandRows(columns, missing).map(row => programme.row(row))
    for (const row of patterns.drawerRows(bought, columns)) programme.row(row)
    const relaxed = search.solve(programme.programme)
    if (!relaxed) break
    columns.forEach((column, at) => {
      if ((relaxed.columns[at] ?? 0) > 1e-6) search.wanted.add(column)
    })
    const worths = worthsBy(demands, demand => relaxed.duals[itemAt(pieces, demand)] ?? 0)
    const before = liked.size
    supplies.forEach((supply, index) => {
      for (const family of families)
        for (const root of family(supply, cutter, demands, ({ key }) => worths.get(key) ?? 0)) add(index, root)
    })
    if (liked.size > before && round < ROUNDS - 2) continue
    if (families.includes(dividedLayouts)) break
    families = [dividedLayouts]
  }
  return liked
}
const MISSING = 100_000

/**
 * Adds the layouts of whole plans; those of plans with no more than so many sheets are among what a programme looks at
 * first.
 */
export function addPlans(search: Search, plans: Layout[][], most: number): Column[] {
  const { patterns } = search
  return plans.flatMap((layouts) => {
    const isGood = freshSheets(layouts, patterns.supplies) <= most
    return layouts.flatMap(({ supply, root }) => {
      const column = patterns.added(patterns.supplies.findIndex(({ key }) => key === supply), root)
      if (column && isGood) search.wanted.add(column)
      return column ? [column] : []
    })
  })
}

/**
 * Of some plans the cheapest, the quickest, and the one with fewest layouts among those with no more than so many
 * sheets.
 */
export function bestOf({ patterns: { supplies }, problem }: Search, plans: Layout[][], most: number): Layout[][] {
  const weighed = plans.map((layouts) => {
    const seconds = secondsAbout(layouts, problem)
    return {
      layouts, seconds, cents: paperWorth(layouts, supplies) + (seconds * workOf(problem).hour) / 3600,
      number: layouts.length,
    }
  })
  const within = weighed.filter(({ layouts }) => freshSheets(layouts, supplies) <= most)
  const first = <T extends typeof weighed[number]>(some: T[], many: number, of: (one: T) => number) =>
    [...some].sort((a, b) => of(a) - of(b)).slice(0, many)
  const best = [
    ...first(weighed, 3, ({ cents }) => cents), ...first(weighed, 1, ({ seconds }) => seconds),
    ...first(within, 2, ({ number, seconds }) => number + seconds / 1e6),
  ]
  return [...new Set(best.map(({ layouts }) => layouts))]
}

/** Layouts with an even share of all that is wanted, a sheet for so many kits. */
function evenShares({ patterns, demands, problem: { cutter } }: Search, index: number): CutNode[] {
  const supply = patterns.supplies[index]
  if (!supply) return []
  const pieces = demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
  const most = Math.max(...demands.map(({ quantity }) => quantity))
  const found: CutNode[] = []
  const first = Math.max(1, Math.ceil(pieces / area(supply)))
  for (let share = first; share <= Math.min(most, first + TRIES) && found.length < ALIKE; share++) {
    const wanted = demands.map(demand => ({ ...demand, quantity: Math.ceil(demand.quantity / share) }))
    const left = new Map(wanted.map(({ key, quantity }) => [key, quantity]))
    const complete = (['width', 'height'] as const)
      .flatMap(along => stripLayout(supply, cutter, along, wanted, left, area) ?? [])
      .find((root) => {
        const made = countsOf(root)
        return wanted.every(({ key, quantity }) => (made.get(key) ?? 0) >= quantity)
      })
    if (complete) found.push(complete)
  }
  return found
}

/** Cents that a sheet cut in some way costs: its paper and its share of the work; and what the layout costs once. */
export function costOf({ patterns: { supplies }, demands, problem }: Search, column: Column, paper = 1): Seconds {
  const supply = supplies[column.supply]
  const { sheet, once } = secondsFor(column.root, problem)
  const cents = workOf(problem).hour / 3600
  const worth = supply ? sheetWorth(supply, problem.supplies) - savedBy(column.root, supply, demands, problem) : 0
  return { sheet: worth * paper + sheet * cents, once: once * cents }
}

export interface Weighing {
  /** How much a cent of paper counts beside one of time. */
  paper: number
  /** No more fresh sheets and cents to spend than this. */
  sheets?: number
  cents?: number
  /** Only these, looked at for longer; all that are worth a thought where nothing is said. */
  among?: ReadonlySet<Column>
  /** Nothing is bought. */
  unbought?: boolean
}

/** Whether a layout keeps to the changes of direction and to the narrowest strip that the maker allows. */
export function isAllowed(problem: CuttingProblem, { root }: Pick<Column, 'root'>): boolean {
  const { stages: most, strip } = workOf(problem)
  const { stages, narrowest } = tallyOf(frameOf(root, problem.cutter)?.inside ?? root)
  return (most === null || stages <= most) && narrowest >= strip
}

/**
 * The plan that costs least of paper and time together, among the layouts that are worth a thought and within what the
 * maker allows.
 */
export function leastCost(
  search: Search,
  liked: ReadonlySet<Column>,
  { paper, sheets = Infinity, cents = Infinity, among, unbought = false }: Weighing,
): Layout[] | undefined {
  const { patterns, demands, problem, formats, values } = search
  const { supplies } = patterns
  const work = workOf(problem)
  const fee = work.hour / 3600
  const ready = new Set((problem.setUp ?? []).map(({ root }) => contentOf(root)))
  const isSetUp = ({ root }: Column) => ready.size > 0 && ready.has(contentOf(root))
  const rank = (column: Column, index: number) =>
    (values[index] ?? 0)
    + (isSetUp(column) ? 2 : 0)
    + (search.wanted.has(column) ? 2 : 0)
    + (search.taken.has(column) ? 3 : 0)
    + (liked.has(column) ? 0.5 : 0)
  const kept = patterns.columns
    .map((column, index) => ({ column, value: rank(column, index), fullness: patterns.fullness(column) }))
    .filter(({ column }) => isAllowed(problem, column) && (!among || among.has(column)))
    .sort((a, b) => b.value - a.value || b.fullness - a.fullness)
    .slice(0, Math.max(FEW, 2 * demands.length))
    .map(({ column }) => column)
  const fresh = patterns.fresh(kept)
  const costs = kept.map(column => costOf(search, column, paper))
  const programme = new ProgrammeBuilder()
  const taken = costs.map(({ sheet }) => programme.column(sheet))
  // Whether a layout is used at all: then it counts once, and its fence is set.
  const used = kept.map((column, at) => programme.column((costs[at]?.once ?? 0) * (isSetUp(column) ? SET_UP : 1)
    + fencesOf(column.root).size * work.pace.setting * fee * SHARED))
  const bought = supplies.map(() => programme.column(0))
  for (const row of patterns.demandRows(kept)) programme.row(row)
  for (const row of patterns.drawerRows(bought, kept)) programme.row(row)
  if (Number.isFinite(sheets)) programme.row({ most: sheets, of: fresh })
  if (search.bound > 0 && formats > 0) programme.row({ least: search.bound, of: fresh })
  if (formats > 1 && Number.isFinite(cents)) programme.row(patterns.budgetRow(bought, cents))
  if (unbought) programme.row({ most: 0, of: eachOnce(bought) })
  if (work.layouts !== null) programme.row({ most: work.layouts, of: eachOnce(used) })
  kept.forEach((column, at) =>
    programme.row({
      most: 0,
      of: [
        [itemAt(taken, at), 1], [itemAt(used, at), -mostOf(column)],
      ],
    }),
  )
  const solved = search.solve({
    ...programme.programme,
    whole: { ...(among ? LIMITS.chosen : demands.length > MANY_SIZES ? LIMITS.many : LIMITS.few), brief: 'wholly' },
  })
  return solved && withFewSpares(patterns.layoutsOf(solved.columns, kept), demands, problem)

  /** More of one layout than this is never of use. */
  function mostOf({ counts, supply }: Column): number {
    const needed = Math.max(...demands.map(({ key, quantity }) => Math.ceil(quantity / (counts.get(key) ?? Infinity))))
    const there = supplies[supply]
    return Math.max(1, Math.min(needed, there && (!isFresh(there) || there.price === null) ? there.onHand : sheets))
  }
}

/**
 * Leaves out what would be cut too much, but the same on every sheet of a layout and only where it takes no more time:
 * to cut some sheets or strips otherwise than the others is more to read and to find again. What is over then are
 * spares.
 */
export function withFewSpares(layouts: Layout[], demands: Demand[], problem: CuttingProblem): Layout[] {
  const { cutter } = problem
  const result = layouts.map(layout => ({ ...layout }))
  const made = madeBy(result)
  const isOffcut = ({ supply }: Layout) => !isFresh(byKey(problem.supplies, supply))
  // What comes from offcuts stays where they are to be used up.
  const last = (layout: Layout) => (problem.offcutsFirst && isOffcut(layout) ? 1 : 0)
  for (const { key, quantity } of demands) {
    let surplus = (made.get(key) ?? 0) - quantity
    for (const layout of [...result].sort((a, b) => last(a) - last(b) || a.repeats - b.repeats)) {
      const each = countsOf(layout.root).get(key) ?? 0
      const fewer = Math.min(each, Math.floor(surplus / layout.repeats))
      if (fewer <= 0) continue
      const root = withinFrame(layout.root, cutter, inside => without(inside, key, fewer, cutter))
      if (secondsAbout([{ ...layout, root }], problem) > secondsAbout([layout], problem)) continue
      layout.root = root
      surplus -= fewer * layout.repeats
    }
  }
  return result.filter(({ root }) => countsOf(root).size > 0)
}
