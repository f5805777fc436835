import { Guillotine, without } from './guillotine'
import type { CutNode, Demand, Layout, Problem } from './plan'
import { area, countsOf } from './plan'
import type { Solve } from './solver'
import { frame, isCuttable, squared } from './strips'

/** One way to cut one sheet, as a column of the programme. */
interface Column {
  supply: number
  counts: Map<string, number>
  root: CutNode
}

const sheetsOf = (layouts: Layout[]): number => layouts.reduce((sum, { repeats }) => sum + repeats, 0)

export interface ExactStep {
  /** Better layouts than before, when some were found. */
  layouts?: Layout[]
  /** No plan needs fewer sheets than this. */
  bound: number
  /** Share of the way that is done. */
  share: number
}

const MOST_ROUNDS = 160
const SECONDS = { whole: 2, settings: 1.5 }
/** Cost of a sheet that has to be bought, for each cent, beside one for every sheet. */
const A_CENT = 10
/** Cost of a piece that cannot be cut, beside one for every sheet. */
const A_MISSING_PIECE = 1000
/** Steps of the dive, new patterns included. */
const MOST_DIVES = 400
/** Sheets that are filled with what rounding down leaves over. */
const MOST_LEFT = 40
/** Columns that the programme for fewer layouts looks at. */
const FEW = 60

/**
 * Column generation over guillotine patterns (Gilmore and Gomory), then an integer
 * programme over the patterns found. The relaxation bounds the number of sheets from
 * below; its duals, scaled so that no pattern is worth more than a sheet (Farley),
 * bound it at every step. Where there are several formats the bound is for plans that
 * spend no more than the best one known.
 * @param start layouts known so far, all of which become columns
 * @param spending cents that the best plan known so far spends
 * @returns better layouts and bounds as they come; at the end the layouts with the fewest different ones
 */
export function* exactly(problem: Problem, demands: Demand[], start: Layout[], spending: number, solve: Solve): Generator<ExactStep, void> {
  const { cutter } = problem
  const supplies = problem.supplies.filter(supply => (supply.price !== null || supply.onHand > 0) && isCuttable(supply, cutter))
  if (supplies.length === 0 || demands.length === 0) return
  const several = supplies.length > 1
  const columns: Column[] = []
  const known = new Set<string>()
  for (const { supply, root } of start) add(supplies.findIndex(({ key }) => key === supply), root)
  const pricing = supplies.map(supply => new Guillotine(squared(supply, cutter), cutter, demands))

  let bound = 0
  let values: number[] = []
  let duals = new Map<string, number>()
  let budget = spending
  let best: Layout[] | undefined
  // Once more where the first integer plan spends less than was known: the bound is for that money then.
  for (const last of [false, true]) {
    bound = 0
    yield* generate(last ? 0.6 : 0)
    for (const worth of [duals, new Map(demands.map(demand => [demand.key, area(demand)]))]) complete(worth)
    best = wholePlan() ?? best
    yield { bound, layouts: best, share: last ? 0.85 : 0.55 }
    if (!several && best && sheetsOf(best) > bound) {
      for (const step of dive()) {
        if (step && sheetsOf(step) < sheetsOf(best)) best = step
        yield { bound, layouts: best, share: 0.9 }
      }
    }
    const spent = best ? spendingOf(best) : budget
    if (!several || spent >= budget) break
    budget = spent
  }
  const sheets = best ? sheetsOf(best) : Infinity
  yield { bound, layouts: best && !several ? fewestLayouts(sheets) : undefined, share: 1 }

  /** Adds columns until none is worth more than a sheet. */
  function* generate(from: number): Generator<ExactStep, void> {
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const [missing, buying] = [columns.length, columns.length + demands.length]
      const relaxed = solve({
        costs: [...columns.map(() => 1), ...demands.map(() => A_MISSING_PIECE), ...supplies.map(() => 0)],
        rows: [
          ...demandRows().map((row, index) => ({ ...row, of: [...row.of, [missing + index, 1] as [number, number]] })),
          ...drawerRows(buying),
          ...several ? [{ most: budget, of: supplies.map(({ price }, index): [number, number] => [buying + index, price ?? 0]) }] : [],
        ],
      })
      if (!relaxed) return
      values = relaxed.columns
      duals = new Map(demands.map(({ key }, index) => [key, Math.max(0, relaxed.duals[index]!)]))
      let [most, found] = [1, false]
      supplies.forEach((supply, index) => {
        const pattern = pricing[index]!.best(duals)
        const worth = (pattern?.value ?? 0) + relaxed.duals[demands.length + index]!
        most = Math.max(most, worth)
        if (pattern && worth > 1 + 1e-7) found = add(index, frame(supply, cutter, pattern.root)) || found
      })
      const covered = demands.reduce((sum, { key, quantity }) => sum + duals.get(key)! * quantity, 0)
        + supplies.reduce((sum, { onHand }, index) => sum + relaxed.duals[demands.length + index]! * onHand, 0)
        + (several ? relaxed.duals[demands.length + supplies.length]! * budget : 0)
      bound = Math.max(bound, Math.ceil(covered / most - 1e-6))
      yield { bound, share: from + Math.min(0.2, round / 100) }
      if (!found) return
    }
  }

  /** No more sheets of a format than are on hand and bought; none is bought where it has no price. */
  function drawerRows(buying: number) {
    return supplies.map(({ onHand, price }, supply) => ({
      most: onHand,
      of: [...columns.flatMap((column, index): [number, number][] => (column.supply === supply ? [[index, 1]] : [])), [buying + supply, price === null ? 0 : -1] as [number, number]],
    }))
  }

  function demandRows() {
    return demands.map(({ key, quantity }) => ({
      least: quantity,
      of: columns.flatMap(({ counts }, index): [number, number][] => (counts.has(key) ? [[index, counts.get(key)!]] : [])),
    }))
  }

  /** Rounds the relaxation down and cuts what is left sheet by sheet: patterns that mix sizes in just the numbers still missing. */
  function complete(worth: ReadonlyMap<string, number>): void {
    const left = new Map(demands.map(({ key, quantity }) => [key, quantity - columns.reduce((sum, { counts }, index) => sum + Math.floor((values[index] ?? 0) + 1e-6) * (counts.get(key) ?? 0), 0)]))
    for (let sheet = 0; sheet < MOST_LEFT && [...left.values()].some(quantity => quantity > 0); sheet++) {
      const wanted = new Map([...worth].map(([key, value]) => [key, left.get(key)! > 0 ? Math.max(value, 1e-6) : 0]))
      const patterns = supplies.flatMap((supply, index) => {
        const pattern = pricing[index]!.best(wanted)
        if (!pattern) return []
        const root = demands.reduce((node, { key }) => {
          const over = (countsOf(node).get(key) ?? 0) - Math.max(0, left.get(key)!)
          return over > 0 ? without(node, key, over, cutter) : node
        }, pattern.root)
        return [{ index, root, share: [...countsOf(root)].reduce((sum, [key, count]) => sum + wanted.get(key)! * count, 0) / area(supply) }]
      }).sort((a, b) => b.share - a.share)
      if (patterns.length === 0) return
      for (const { index, root } of patterns) add(index, frame(supplies[index]!, cutter, root))
      for (const [key, count] of countsOf(patterns[0]!.root)) left.set(key, left.get(key)! - count)
    }
  }

  /**
   * Takes whole sheets from the relaxation and relaxes what is left again, with
   * patterns that hold no more than that, until everything is cut.
   */
  function* dive(): Generator<Layout[] | undefined, void> {
    const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
    const taken: number[] = columns.map(() => 0)
    for (let step = 0; step < MOST_DIVES && [...left.values()].some(quantity => quantity > 0); step++) {
      const open = demands.filter(({ key }) => left.get(key)! > 0)
      const relaxed = solve({
        costs: columns.map(() => 1),
        rows: open.map(({ key }) => ({ least: left.get(key)!, of: columns.flatMap(({ counts }, index): [number, number][] => (counts.has(key) ? [[index, Math.min(counts.get(key)!, left.get(key)!)]] : [])) })),
      })
      if (!relaxed) return
      const worth = new Map(demands.map(({ key }) => [key, 0]))
      open.forEach(({ key }, index) => worth.set(key, Math.max(0, relaxed.duals[index]!)))
      const pattern = pricing[0]!.best(worth)
      const fresh = pattern && demands.reduce((node, { key }) => without(node, key, Math.max(0, (countsOf(node).get(key) ?? 0) - Math.max(0, left.get(key)!)), cutter), pattern.root)
      // A pattern worth more than a sheet is tried before any is taken for good.
      if (fresh && [...countsOf(fresh)].reduce((sum, [key, count]) => sum + worth.get(key)! * count, 0) > 1 + 1e-6 && add(0, frame(supplies[0]!, cutter, fresh))) {
        taken.push(0)
        continue
      }
      const whole = relaxed.columns.map(value => Math.floor(value + 1e-6))
      if (!whole.some(count => count > 0)) whole[relaxed.columns.indexOf(Math.max(...relaxed.columns))] = 1
      whole.forEach((count, index) => {
        if (count === 0) return
        taken[index] = (taken[index] ?? 0) + count
        for (const [key, each] of columns[index]!.counts) left.set(key, left.get(key)! - each * count)
      })
      yield undefined
    }
    if ([...left.values()].every(quantity => quantity <= 0)) yield layoutsOf(columns.map((_, index) => taken[index] ?? 0))
  }

  function spendingOf(layouts: Layout[]): number {
    return supplies.reduce((sum, { key, onHand, price }) => sum + (price ?? 0) * Math.max(0, layouts.reduce((used, layout) => used + (layout.supply === key ? layout.repeats : 0), 0) - onHand), 0)
  }

  function add(supply: number, root: CutNode): boolean {
    if (supply < 0) return false
    const counts = countsOf(root)
    const key = `${supply} ${[...counts].sort().join(' ')}`
    if (known.has(key)) return false
    known.add(key)
    columns.push({ supply, counts, root })
    return true
  }

  /** Least money, then fewest sheets, in whole sheets. */
  function wholePlan(): Layout[] | undefined {
    const solved = solve({
      costs: [...columns.map(() => 1), ...supplies.map(({ price }) => (several ? (price ?? 0) * A_CENT : 0))],
      rows: [...demandRows(), ...drawerRows(columns.length)],
      whole: true,
    }, SECONDS.whole)
    return solved && layoutsOf(solved.columns)
  }

  /** As many sheets, in as few different layouts as there are. */
  function fewestLayouts(sheets: number): Layout[] | undefined {
    // Columns that the relaxation uses, then those with the most on a sheet.
    const fullness = ({ counts, supply }: Column) => demands.reduce((sum, demand) => sum + area(demand) * Math.min(demand.quantity, counts.get(demand.key) ?? 0), 0) / area(supplies[supply]!)
    const kept = columns.map((column, index) => ({ column, index, value: values[index] ?? 0 }))
      .sort((a, b) => b.value - a.value || fullness(b.column) - fullness(a.column)).slice(0, FEW)
    const size = kept.length
    const solved = solve({
      costs: [...kept.map(() => 0), ...kept.map(() => 1)],
      rows: [
        ...demands.map(({ key, quantity }) => ({ least: quantity, of: kept.flatMap(({ column }, at): [number, number][] => (column.counts.has(key) ? [[at, column.counts.get(key)!]] : [])) })),
        { most: sheets, of: kept.map((_, at): [number, number] => [at, 1]) },
        // A layout that is used at all counts once.
        ...kept.map((_, at) => ({ most: 0, of: [[at, 1], [size + at, -sheets]] as [number, number][] })),
      ],
      whole: true,
    }, SECONDS.settings)
    if (!solved) return undefined
    const all = columns.map(() => 0)
    kept.forEach(({ index }, at) => (all[index] = solved.columns[at]!))
    return layoutsOf(all)
  }

  function layoutsOf(amounts: number[]): Layout[] {
    const layouts = columns.flatMap(({ supply, root }, index) => {
      const repeats = Math.round(amounts[index]!)
      return repeats > 0 ? [{ supply: supplies[supply]!.key, repeats, root }] : []
    })
    return withoutSurplus(layouts, demands, problem)
  }
}

/** Leaves out what would be cut too much: it stays an offcut instead. */
export function withoutSurplus(layouts: Layout[], demands: Demand[], { cutter }: Pick<Problem, 'cutter'>): Layout[] {
  let result = layouts
  for (const { key, quantity } of demands) {
    let surplus = result.reduce((sum, { root, repeats }) => sum + (countsOf(root).get(key) ?? 0) * repeats, 0) - quantity
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
