import { limited, without } from './guillotine'
import { Patterns, fencesOf } from './patterns'
import type { Column } from './patterns'
import type { CutNode, Demand, Layout, Problem } from './plan'
import { area, contentOf, countsOf, isFresh, madeBy, sheetsOf, spendingOf, worthOf } from './plan'
import type { Solve } from './solver'
import { stripLayout } from './strips'

export interface ExactStep {
  /** Better layouts than before, when some were found. */
  layouts?: Layout[]
  /** Plans with more sheets that may take less time at the bench; with the last step. */
  others?: Layout[][]
  /** No plan needs fewer fresh sheets than this. */
  bound: number
  /** Columns of the programme, and the share of the way that is done. */
  columns: number
  share: number
}

/** What is known before the search: of a plan that is whole, and of any. */
export interface Known {
  /** Cents. */
  spending: number
  /** Infinite where no whole plan is known. */
  sheets: number
  bound: number
}

const MOST_ROUNDS = 160
/** Seconds for columns, and for columns and dive together; the best so far stands after that. */
const SEARCH = { columns: 6, all: 8 }
const SECONDS = { whole: 1.5, settings: 0.6, tradeOff: 0.3 }
/** Cost of a sheet and of a cent by what is made least of first. */
const COSTS = { money: { sheet: 1, cent: 10 }, sheets: { sheet: 10_000, cent: 1 } } as const
/** Cost of all offcuts together: less than a sheet, so that each is used, but none for nothing. */
const ALL_OFFCUTS = 0.3
/** Cost of a piece that cannot be cut, beside one for every sheet. */
const A_MISSING_PIECE = 1000
/** Steps of the dive, new patterns included. */
const MOST_DIVES = 400
/** Sheets that are filled with what rounding down leaves over. */
const MOST_LEFT = 40
/** Columns that the programme for fewer settings looks at. */
const FEW = 60
/** Pieces of a size on average below which they are scarce. */
const SCARCE = 12
/** Sizes up to which a few columns can be expected to do. */
const MEDIUM = 30
/** Sizes up to which plans with more sheets and fewer settings are looked for, and how many. */
const TRADE_OFF = { sizes: 14, plans: 5, alike: 3 }
/** Cost of a layout beside one for every fence setting; one that is set up costs next to nothing. */
const A_LAYOUT = { fresh: 0.25, setUp: 0.02 }

/**
 * Column generation over guillotine patterns (Gilmore and Gomory), then an integer
 * programme over the patterns found. The relaxation bounds the number of fresh sheets
 * from below; its duals, scaled so that no pattern is worth more than a sheet (Farley),
 * bound it at every step; an offcut is worth at most its best pattern. Where the sizes
 * are few, all patterns are there from the start and the integer programme is the proof. Where money comes
 * first and there are several formats the bound is for plans that spend no more than
 * the best one known.
 * @param start layouts known so far, all of which become columns
 * @param known what the best plan known so far spends and opens, and the bound known so far
 * @returns better layouts and bounds as they come; at the end the layouts with the fewest
 * fence settings, and plans with more sheets and fewer settings
 */
export function* exactly(problem: Problem, demands: Demand[], start: Layout[], { spending, sheets: known, bound: floor }: Known, solve: Solve): Generator<ExactStep, void> {
  const { cutter } = problem
  const patterns = new Patterns(problem, demands)
  const { supplies, columns } = patterns
  if (supplies.length === 0 || demands.length === 0) return
  patterns.addLayouts(start)
  for (const { root } of problem.setUp ?? []) {
    const alike = problem.supplies.filter(({ width, height }) => width === root.width && height === root.height)
    patterns.addLayouts(alike.map(({ key }) => ({ supply: key, repeats: 1, root })))
  }
  const allThere = patterns.addAll()
  const formats = supplies.filter(isFresh).length
  // Few pieces of each size: patterns that repeat one are of little use.
  const scarce = demands.reduce((sum, { quantity }) => sum + quantity, 0) < SCARCE * demands.length
  const budgeted = problem.objective === 'money' && formats > 1

  const began = Date.now()
  const isLate = (seconds: number) => Date.now() - began > 1000 * seconds
  /** A plan is known that no other one beats; of many sizes nothing else is asked. */
  const isDone = () => formats === 1 && known <= bound && demands.length > TRADE_OFF.sizes
  let bound = floor
  let values: number[] = []
  let duals = new Map<string, number>()
  let budget = spending
  let best: Layout[] | undefined
  /** Columns that hold an even share of everything, by the number of shares. */
  const alike = new Map<Column, number>()
  const sheets = (layouts: Layout[]) => sheetsOf(layouts, supplies)
  const step = (share: number, layouts?: Layout[], others?: Layout[][]): ExactStep => ({ bound, layouts, others, share, columns: columns.length })
  // Once more where the first integer plan spends less than was known: the bound is for that money then.
  for (const last of [false, true]) {
    if (isDone()) return yield step(1)
    // The bound of area and conflicts holds for any money.
    bound = floor
    yield* generate(last ? 0.6 : 0)
    if (isDone()) return yield step(1)
    for (const worth of [duals, new Map(demands.map(demand => [demand.key, area(demand)]))]) complete(worth)
    const whole = wholePlan()
    best = whole?.layouts ?? best
    // With every pattern there is, the best whole plan is the proof.
    if (allThere && whole?.optimal) bound = Math.max(bound, sheets(whole.layouts))
    yield step(last ? 0.75 : 0.55, best)
    if (formats === 1 && best && sheets(best) > bound) {
      for (const dived of dive()) {
        if (dived && sheets(dived) < sheets(best)) best = dived
        yield step(0.8, best)
      }
      // The dive has found patterns that the programme did not know.
      if (sheets(best) > bound && demands.length <= MEDIUM) {
        const again = wholePlan()
        if (again && sheets(again.layouts) < sheets(best)) best = again.layouts
        yield step(0.85, best)
      }
    }
    const spent = best ? spendingOf(best, supplies) : budget
    if (!budgeted || spent >= budget) break
    budget = spent
  }
  if (!best) return yield step(1)
  const least = sheets(best)
  if (demands.length <= MEDIUM) best = fewestSettings(least, spendingOf(best, supplies)) ?? best
  yield step(0.9, best)
  if (demands.length > TRADE_OFF.sizes) return yield step(1, best)
  addAlike()
  const others: Layout[][] = []
  for (let more = 1; more <= TRADE_OFF.plans; more++) {
    const layouts = fewestSettings(least + more, Infinity, { seconds: SECONDS.tradeOff, spares: true })
    if (layouts) others.push(layouts)
    yield step(0.9 + 0.1 * more / TRADE_OFF.plans, best)
    if (!layouts || layouts.length === 1) break
  }
  yield step(1, best, others.concat(everySheetAlike()))

  /** Adds columns until none is worth more than a sheet. */
  function* generate(from: number): Generator<ExactStep, void> {
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const [missing, buying] = [columns.length, columns.length + demands.length]
      const relaxed = solve({
        costs: [...columns.map(column => (patterns.isFresh(column) ? 1 : 0)), ...demands.map(() => A_MISSING_PIECE), ...supplies.map(() => 0)],
        rows: [
          ...patterns.demandRows().map((row, index) => ({ ...row, of: [...row.of, [missing + index, 1] as [number, number]] })),
          ...patterns.drawerRows(buying),
          ...budgeted ? [patterns.budgetRow(buying, budget)] : [],
        ],
      })
      if (!relaxed) return
      values = relaxed.columns
      duals = new Map(demands.map(({ key }, index) => [key, Math.max(0, relaxed.duals[index]!)]))
      let [most, found, scrap] = [1, false, 0]
      supplies.forEach((supply, index) => {
        const priced = patterns.bests(index, duals)
        const drawer = relaxed.duals[demands.length + index]!
        const top = priced[0]?.value ?? 0
        if (isFresh(supply)) most = Math.max(most, top + drawer)
        else scrap += supply.onHand * top
        for (const { value, root } of priced) {
          if (value + drawer > (isFresh(supply) ? 1 : 0) + 1e-7) found = patterns.addInside(index, root) || found
        }
      })
      const covered = demands.reduce((sum, { key, quantity }) => sum + duals.get(key)! * quantity, 0) - scrap
        + supplies.reduce((sum, supply, index) => sum + (isFresh(supply) ? relaxed.duals[demands.length + index]! * supply.onHand : 0), 0)
        + (budgeted ? relaxed.duals[demands.length + supplies.length]! * budget : 0)
      bound = Math.max(bound, Math.ceil(covered / most - 1e-6))
      yield step(from + Math.min(0.2, round / 100))
      if (!found || isDone() || isLate(SEARCH.columns)) return
    }
  }

  /**
   * Patterns of a supply with no more than is left of anything: the best ones without what is
   * too much, and strips, which mix sizes where a pattern of any number would repeat one.
   */
  function* bounded(index: number, worth: ReadonlyMap<string, number>, left: ReadonlyMap<string, number>, count: number): Generator<{ root: CutNode, value: number }> {
    const valued = (root: CutNode) => ({ root, value: worthOf(root, worth) })
    for (const { root } of count > 1 ? patterns.bests(index, worth) : [patterns.best(index, worth)].filter(best => best !== undefined)) yield valued(limited(root, left, cutter))
    for (const along of ['width', 'height'] as const) {
      const root = scarce ? stripLayout(supplies[index]!, cutter, along, demands, left, demand => worth.get(demand.key) ?? 0, { framed: false }) : undefined
      if (root) yield valued(root)
    }
  }

  /** Rounds the relaxation down and cuts what is left sheet by sheet: patterns that mix sizes in just the numbers still missing. */
  function complete(worth: ReadonlyMap<string, number>): void {
    const left = new Map(demands.map(({ key, quantity }) => [key, quantity - columns.reduce((sum, { counts }, index) => sum + Math.floor((values[index] ?? 0) + 1e-6) * (counts.get(key) ?? 0), 0)]))
    for (let sheet = 0; sheet < MOST_LEFT && [...left.values()].some(quantity => quantity > 0); sheet++) {
      const wanted = new Map([...worth].map(([key, value]) => [key, left.get(key)! > 0 ? Math.max(value, 1e-6) : 0]))
      const found = supplies.flatMap((supply, index) => [...bounded(index, wanted, left, 1)].map(({ root, value }) => ({ index, root, share: value / area(supply) })))
        .sort((a, b) => b.share - a.share)
      if (found.length === 0) return
      for (const { index, root } of found) patterns.addInside(index, root)
      for (const [key, count] of countsOf(found[0]!.root)) left.set(key, left.get(key)! - count)
    }
  }

  /**
   * Takes whole sheets from the relaxation and relaxes what is left again, with
   * patterns that hold no more than that, until everything is cut.
   */
  function* dive(): Generator<Layout[] | undefined, void> {
    const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
    const drawer = supplies.map(({ onHand, price }) => (price === null ? onHand : Infinity))
    const taken: number[] = []
    for (let dived = 0; dived < MOST_DIVES && !isLate(SEARCH.all) && [...left.values()].some(quantity => quantity > 0); dived++) {
      const open = demands.filter(({ key }) => left.get(key)! > 0)
      const limited = supplies.map((_, index) => index).filter(index => drawer[index] !== Infinity)
      const relaxed = solve({
        costs: columns.map(column => (patterns.isFresh(column) ? 1 : 0)),
        rows: [
          ...open.map(({ key }) => ({ least: left.get(key)!, of: columns.flatMap(({ counts }, index): [number, number][] => (counts.has(key) ? [[index, Math.min(counts.get(key)!, left.get(key)!)]] : [])) })),
          ...limited.map(supply => ({ most: drawer[supply]!, of: patterns.from(supply) })),
        ],
      })
      if (!relaxed) return
      const worth = new Map(demands.map(({ key }) => [key, 0]))
      open.forEach(({ key }, index) => worth.set(key, Math.max(0, relaxed.duals[index]!)))
      const isNew = supplies.map((supply, index) => {
        const price = (isFresh(supply) ? 1 : 0) - (limited.includes(index) ? relaxed.duals[open.length + limited.indexOf(index)]! : 0)
        return [...bounded(index, worth, left, 2)].map(({ root, value }) => value > price + 1e-6 && patterns.addInside(index, root)).some(Boolean)
      })
      // A pattern worth more than a sheet is tried before any is taken for good.
      if (isNew.some(Boolean)) continue
      const whole = relaxed.columns.map(value => Math.floor(value + 1e-6))
      if (!whole.some(count => count > 0)) whole[relaxed.columns.indexOf(Math.max(...relaxed.columns))] = 1
      whole.forEach((count, index) => {
        if (count === 0) return
        taken[index] = (taken[index] ?? 0) + count
        drawer[columns[index]!.supply]! -= count
        for (const [key, each] of columns[index]!.counts) left.set(key, left.get(key)! - each * count)
      })
      yield undefined
    }
    if ([...left.values()].every(quantity => quantity <= 0)) yield layoutsOf(columns.map((_, index) => taken[index] ?? 0))
  }

  /** Whole sheets: least money and then fewest sheets, or the other way round. */
  function wholePlan(): { layouts: Layout[], optimal: boolean } | undefined {
    const { sheet, cent } = COSTS[formats > 1 ? problem.objective : 'money']
    // Where no sheet is opened at all, as few offcuts as possible.
    const offcut = formats === 0 ? 1 : ALL_OFFCUTS / supplies.reduce((sum, supply) => sum + (isFresh(supply) ? 0 : supply.onHand), 1)
    const solved = solve({
      costs: [...columns.map(column => (patterns.isFresh(column) ? sheet : offcut)), ...supplies.map(({ price }) => (formats > 1 ? (price ?? 0) * cent : 0))],
      rows: [
        ...patterns.demandRows(), ...patterns.drawerRows(columns.length),
        // What is proven already ends the search as soon as it is met.
        ...bound > 0 && formats > 0 ? [{ least: bound, of: patterns.fresh() }] : [],
      ],
      whole: true,
    }, SECONDS.whole)
    return solved && { layouts: layoutsOf(solved.columns), optimal: solved.optimal }
  }

  /**
   * No more than some sheets and some cents, with the fewest fence settings: every
   * setting that some layout in use wants counts once, as layouts are cut together.
   * With `spares` a layout that gives too much is cut as it is, and the rest are spares.
   */
  function fewestSettings(most: number, cents: number, { seconds = SECONDS.settings, spares = false } = {}): Layout[] | undefined {
    // Columns that the relaxation uses, then those with the most on a sheet; what is set up in any case.
    const ready = new Set((problem.setUp ?? []).map(({ root }) => contentOf(root)))
    const isSetUp = ({ root }: Column) => ready.size > 0 && ready.has(contentOf(root))
    const kept = columns.map((column, index) => ({ column, value: (values[index] ?? 0) + (isSetUp(column) ? 1 : 0) + (alike.has(column) ? 1 : 0) }))
      .sort((a, b) => b.value - a.value || patterns.fullness(b.column) - patterns.fullness(a.column)).slice(0, FEW).map(({ column }) => column)
    const settings = [...new Set(kept.flatMap(({ root }) => [...fencesOf(root)]))]
    const [used, bought] = [kept.length, 2 * kept.length + settings.length]
    const fewSizes = demands.length <= TRADE_OFF.sizes
    const uses = kept.flatMap(({ root }, at) => [...fencesOf(root)].map(fence => [at, settings.indexOf(fence)] as const))
    const solved = solve({
      costs: [...kept.map(() => 0), ...kept.map(column => (isSetUp(column) ? A_LAYOUT.setUp : fewSizes ? A_LAYOUT.fresh : 1)), ...settings.map(() => (fewSizes ? 1 : 0)), ...supplies.map(() => 0)],
      rows: [
        ...patterns.demandRows(kept),
        ...patterns.drawerRows(bought, kept),
        { most, of: patterns.fresh(kept) },
        ...formats > 1 && Number.isFinite(cents) ? [patterns.budgetRow(bought, cents)] : [],
        // A layout that is used at all counts once, and so does each of its settings.
        ...kept.map(({ counts, supply }, at) => ({ most: 0, of: [[at, 1], [used + at, -mostOf(counts, supply)]] as [number, number][] })),
        ...fewSizes ? uses.map(([at, setting]) => ({ most: 0, of: [[used + at, 1], [2 * used + setting, -1]] as [number, number][] })) : [],
      ],
      whole: true,
    }, seconds)
    const layouts = solved && patterns.layoutsOf(solved.columns, kept)
    return layouts && (spares ? layouts : withoutSurplus(layouts, demands, problem))

    /** More of one layout than this is never of use. */
    function mostOf(counts: Map<string, number>, supply: number): number {
      const needed = Math.max(...demands.map(({ key, quantity }) => (counts.has(key) ? Math.ceil(quantity / counts.get(key)!) : 0)))
      return Math.max(1, Math.min(needed, isFresh(supplies[supply]!) ? most : supplies[supply]!.onHand))
    }
  }

  /** Layouts that hold an even share of everything, or a single size: they make plans with few settings. */
  function addAlike(): void {
    const worth = (demand: Demand) => area(demand)
    const fill = (index: number, wanted: Demand[]) => {
      const left = new Map(wanted.map(({ key, quantity }) => [key, quantity]))
      for (const along of ['width', 'height'] as const) {
        const root = stripLayout(supplies[index]!, cutter, along, wanted, left, worth)
        if (!root) continue
        patterns.add(index, root)
        const complete = wanted.every(({ key, quantity }) => (countsOf(root).get(key) ?? 0) >= quantity)
        const column = columns.find(({ supply, counts }) => supply === index && countsOf(root).size === counts.size && [...countsOf(root)].every(([key, count]) => counts.get(key) === count))
        if (complete && column) return column
      }
    }
    const pieces = demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
    supplies.forEach((supply, index) => {
      if (!isFresh(supply)) return
      for (const demand of demands) fill(index, [demand])
      let found = 0
      const most = Math.max(...demands.map(({ quantity }) => quantity))
      for (let share = Math.max(1, Math.ceil(pieces / area(supply))); share <= most && found < TRADE_OFF.alike; share++) {
        const column = fill(index, demands.map(demand => ({ ...demand, quantity: Math.ceil(demand.quantity / share) })))
        if (!column) continue
        found += 1
        alike.set(column, share)
      }
    })
  }

  /** Plans of a single layout, as few sheets as it takes. */
  function everySheetAlike(): Layout[][] {
    return [...alike].filter(([{ supply }, repeats]) => supplies[supply]!.price !== null || supplies[supply]!.onHand >= repeats)
      .sort((a, b) => a[1] - b[1]).slice(0, 1)
      .map(([{ supply, root }, repeats]) => [{ supply: supplies[supply]!.key, repeats, root }])
  }

  function layoutsOf(amounts: number[]): Layout[] {
    return withoutSurplus(patterns.layoutsOf(amounts), demands, problem)
  }
}

/** Leaves out what would be cut too much: it stays an offcut instead. */
export function withoutSurplus(layouts: Layout[], demands: Demand[], { cutter }: Pick<Problem, 'cutter'>): Layout[] {
  let result = layouts
  for (const { key, quantity } of demands) {
    let surplus = (madeBy(result).get(key) ?? 0) - quantity
    if (surplus <= 0) continue
    result = result.flatMap((layout) => {
      const each = countsOf(layout.root).get(key) ?? 0
      const less = (count: number, repeats: number): Layout[] => (repeats > 0 && count >= 0 ? [{ ...layout, repeats, root: count > 0 ? without(layout.root, key, count, cutter) : layout.root }] : [])
      if (each === 0 || surplus === 0) return [layout]
      const bare = Math.min(layout.repeats, Math.floor(surplus / each))
      surplus -= bare * each
      const partly = surplus > 0 && bare < layout.repeats ? surplus : 0
      surplus -= partly
      return [...less(0, layout.repeats - bare - (partly > 0 ? 1 : 0)), ...less(partly, partly > 0 ? 1 : 0), ...less(each, bare)]
    })
  }
  // A sheet with nothing left on it is not opened.
  return result.filter(({ root }) => countsOf(root).size > 0)
}
