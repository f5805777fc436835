import { byKey, itemAt } from '../lists'
import { isAllowed, secondsFor } from './economy'
import { twoStrips } from './families'
import { withFixed } from './fixed'
import { lessKerf, withKerf } from './kerf'
import { fencesOf } from './patterns'
import type { CutNode, CuttingProblem, Layout, Plan, Supply } from './plan'
import { area, contentOf, countsOf, isFresh } from './plan'
import type { Entry, Handle } from './programme'
import { ProgrammeBuilder } from './programme'
import type { Solve, Solved } from './solver'
import { paperWorth, sheetWorth, workOf } from './work'

/*
 * Layouts of several papers chosen alike, so that their sheets lie in one stack and the fence is set once for all of
 * them. One programme over all papers: how many sheets of each paper are cut in each way; which ways are used at all,
 * how many stacks they make, and which measures the fence is set to. No paper takes more sheets, or sheets that are
 * worth more, than the plan it comes with.
 */

/** A paper with the plan that it would be cut by alone, and others that are known. */
export interface AlikePaper {
  key: string
  problem: CuttingProblem
  plan: Plan
  others: readonly Plan[]
}

/**
 * Ways to cut a sheet in the relaxation, and those of them in the programme, fewer of many papers; columns of the
 * programme; and sizes of pieces up to which all strips of two sizes are among them.
 */
const MOST = { looked: 240, ways: 32, columns: 700, sizes: 6 }
/** Branches of the programme, and the share of its cost that it may be off: what it weighs are estimates of effort. */
const LIMITS = { nodes: 10, gap: 0.005, brief: 'slightly' as const }

/** A way to cut a sheet of some size, whatever its pieces are. */
interface Way {
  /** In one of the plans that the papers come with. */
  planned: boolean
  root: CutNode
  /** What it is for each paper that can be cut like this. */
  fits: Map<AlikePaper, Fitted[]>
}

/** A way as a layout of one paper. */
interface Fitted {
  supply: string
  root: CutNode
  counts: ReadonlyMap<string, number>
}

/** A plan for each paper, by its key; that which it came with where nothing better was found. */
export function alikePlans(papers: readonly AlikePaper[], solve: Solve): Map<string, Plan> {
  const alone = new Map(papers.map(({ key, plan }) => [key, plan]))
  const [first] = papers
  if (!first || papers.length < 2) return alone
  const ways = [...waysOf(papers).values()]
    .filter(({ planned, fits }) => planned || fits.size > 1)
    .sort((a, b) => Number(b.planned) - Number(a.planned) || b.fits.size - a.fits.size || fullness(b) - fullness(a))
    .slice(0, MOST.looked)
  const programme = new AlikeProgramme(papers, worthwhile(papers, ways, first.problem, solve), first.problem)
  const solved = solve({ ...programme.built(), whole: LIMITS })
  return solved ? programme.plansFrom(solved.columns) : alone
}

/** The ways that the relaxation takes or would take next, those of the papers' own plans among them. */
function worthwhile(papers: readonly AlikePaper[], ways: readonly Way[], common: CuttingProblem, solve: Solve): Way[] {
  const most = Math.min(MOST.ways, Math.floor(MOST.columns / papers.length))
  if (ways.length <= most) return [...ways]
  const whole = new AlikeProgramme(papers, ways, common)
  const relaxed = solve(whole.built())
  const dear = relaxed ? whole.dearness(relaxed) : new Map<Way, number>()
  const rank = (way: Way) => (way.planned ? -1 : dear.get(way) ?? Infinity)
  return [...ways].sort((a, b) => rank(a) - rank(b)).slice(0, most)
}

/** Every way that a paper might be cut, found in the plans of any of them and among strips of two sizes. */
function waysOf(papers: readonly AlikePaper[]): Map<string, Way> {
  const ways = new Map<string, Way>()
  const add = (supply: Pick<Fitted, 'supply'> & Pick<Supply, 'kind'>, root: CutNode, own?: AlikePaper) => {
    const shape = blind(root)
    const key = `${supply.kind} ${contentOf(shape)}`
    const way = ways.get(key) ?? { planned: false, root: shape, fits: new Map() }
    if (!ways.has(key)) {
      ways.set(key, way)
      for (const paper of papers) {
        const fitted = isFresh(supply) ? fittedTo(paper, shape) : []
        if (fitted.length > 0) way.fits.set(paper, fitted)
      }
    }
    if (!own) return
    // The layout of its plan as it is: what lies where may differ from how it would be filled anew.
    way.planned = true
    const known = way.fits.get(own) ?? []
    const same = (one: Fitted) => one.supply === supply.supply && contentOf(one.root) === contentOf(root)
    if (!known.some(same)) known.push({ supply: supply.supply, root, counts: countsOf(root) })
    way.fits.set(own, known)
  }
  for (const paper of papers) {
    const { problem, plan, others } = paper
    const kindOf = (layout: Layout) => ({ supply: layout.supply, kind: byKey(problem.supplies, layout.supply).kind })
    for (const layout of plan.layouts) add(kindOf(layout), layout.root, paper)
    for (const layout of others.flatMap(({ layouts }) => layouts)) add(kindOf(layout), layout.root)
    for (const layout of stripsOf(problem)) if (isAllowed(problem, layout)) add(kindOf(layout), layout.root)
  }
  return ways
}

function stripsOf(problem: CuttingProblem): Layout[] {
  if (problem.demands.length > MOST.sizes) return []
  const { supplies, cutter, demands } = withKerf(problem)
  const layouts = supplies.filter(isFresh).flatMap(supply =>
    twoStrips(supply, cutter, demands).map((root): Layout => ({ supply: supply.key, repeats: 1, root })))
  return lessKerf(layouts, problem)
}

/** A cut tree whose pieces are any pieces of their sizes. */
const blind = (node: CutNode): CutNode =>
  node.kind === 'cut'
    ? { ...node, parts: node.parts.map(blind) }
    : node.kind === 'piece' ? { ...node, demand: '', turned: false } : node

/** A way to cut as layouts of a paper, one for each of its formats of that size. */
function fittedTo({ problem }: AlikePaper, shape: CutNode): Fitted[] {
  const { demands, supplies } = problem
  const from = supplies.filter(supply => isFresh(supply) && !supply.onlyFixed
    && supply.width === shape.width && supply.height === shape.height)
  if (from.length === 0 || !isAllowed(problem, { root: shape })) return []
  const filled = (node: CutNode): CutNode | undefined => {
    if (node.kind === 'cut') {
      const parts = node.parts.map(filled)
      return parts.includes(undefined) ? undefined : { ...node, parts: parts as CutNode[] }
    }
    if (node.kind !== 'piece') return node
    for (const { key, width, height, turn } of demands) {
      if (turn !== 'turned' && width === node.width && height === node.height) return { ...node, demand: key }
      if (turn !== 'as drawn' && width === node.height && height === node.width)
        return { ...node, demand: key, turned: true }
    }
    return undefined
  }
  const root = filled(shape)
  return root ? from.map(({ key }) => ({ supply: key, root, counts: countsOf(root) })) : []
}

/** Share of a sheet that becomes pieces. */
function fullness({ root }: Way): number {
  const pieces = (node: CutNode): number => node.kind === 'cut'
    ? node.parts.reduce((sum, part) => sum + pieces(part), 0)
    : node.kind === 'piece' ? area(node) : 0
  return pieces(root) / area(root)
}

/** The programme over all papers. */
class AlikeProgramme {
  private readonly builder = new ProgrammeBuilder()
  /** How many sheets of a paper are cut in a way. */
  private readonly sheets: { paper: AlikePaper, way: Way, fitted: Fitted, column: Handle }[] = []

  /** @param common what all papers have in common: the trimmer and how the maker works */
  constructor(
    private readonly papers: readonly AlikePaper[], ways: readonly Way[], common: CuttingProblem,
  ) {
    const { pace, hour } = workOf(common)
    const cents = hour / 3600
    const fences = new Map<number, Handle>()
    const fenceOf = (fence: number): Handle => {
      const known = fences.get(fence)
      if (known !== undefined) return known
      const column = this.builder.column(pace.setting * cents)
      fences.set(fence, column)
      return column
    }
    for (const way of ways) {
      const { root, fits } = way
      const { sheet, once } = secondsFor(root, common)
      const used = this.builder.column(once * cents)
      const stacks = this.builder.column(sheet * common.cutter.stack * cents)
      const loads: Entry[] = []
      for (const [paper, all] of fits)
        for (const fitted of all) {
          const { problem } = paper
          const worth = sheetWorth(byKey(problem.supplies, fitted.supply), problem.supplies)
          const column = this.builder.column(worth)
          this.sheets.push({ paper, way, fitted, column })
          this.builder.row({ most: 0, of: [[column, 1], [used, -mostOf(paper, fitted)]] })
          loads.push([column, 1 / problem.cutter.stack])
        }
      this.builder.row({ most: 0, of: [...loads, [stacks, -1]] })
      for (const fence of fencesOf(root)) this.builder.row({ most: 0, of: [[used, 1], [fenceOf(fence), -1]] })
    }
    for (const paper of papers) this.limit(paper)
  }

  /** Everything of a paper is cut, from no more than its own plan takes. */
  private limit(paper: AlikePaper): void {
    const { problem: { demands, supplies }, plan } = paper
    const own = this.sheets.filter(sheet => sheet.paper === paper)
    for (const { key, quantity } of demands)
      this.builder.row({
        least: quantity,
        of: own.flatMap(({ fitted, column }): Entry[] => {
          const count = fitted.counts.get(key)
          return count === undefined ? [] : [[column, count]]
        }),
      })
    const bought = supplies.map(({ key, onHand, price }) => {
      const column = this.builder.column(0)
      const taken = own.filter(({ fitted }) => fitted.supply === key).map(({ column }): Entry => [column, 1])
      this.builder.row({ most: onHand, of: [...taken, [column, price === null ? 0 : -1]] })
      return [column, price ?? 0] as Entry
    })
    this.builder.row({ most: plan.spending, of: bought })
    const fresh = own.filter(({ fitted }) => isFresh(byKey(supplies, fitted.supply)))
    this.builder.row({ most: plan.sheets, of: fresh.map(({ column }): Entry => [column, 1]) })
    this.builder.row({
      most: paperWorth(plan.layouts, supplies) + 1e-6,
      of: fresh.map(({ fitted, column }): Entry => [column, sheetWorth(byKey(supplies, fitted.supply), supplies)]),
    })
  }

  built() {
    return this.builder.programme
  }

  /** By how much each way is too dear for the relaxation at least: the least reduced cost of its sheets. */
  dearness({ duals }: Solved): Map<Way, number> {
    const { costs, rows } = this.built()
    const reduced = [...costs]
    rows.forEach(({ of }, row) => {
      for (const [column, factor] of of) reduced[column] = itemAt(reduced, column) - factor * (duals[row] ?? 0)
    })
    const least = new Map<Way, number>()
    for (const { way, column } of this.sheets)
      least.set(way, Math.min(least.get(way) ?? Infinity, itemAt(reduced, column)))
    return least
  }

  /** The plans that a solution says. */
  plansFrom(columns: readonly number[]): Map<string, Plan> {
    return new Map(this.papers.map(({ key, problem, plan }) => {
      const layouts = this.sheets.flatMap(({ paper, fitted: { supply, root }, column }): Layout[] => {
        const repeats = Math.round(itemAt(columns, column))
        return paper.key === key && repeats > 0 ? [{ supply, repeats, root }] : []
      }).sort((a, b) => b.repeats - a.repeats)
      const { order: _, favoured: __, ...figures } = plan
      const stated = withFixed({ ...figures, layouts: [] }, { ...problem, fixed: layouts })
      // The bounds are for any plan of these pieces, and stay.
      const { sheets, spending, yield: used } = stated
      return [key, { ...figures, layouts: stated.layouts, sheets, spending, yield: used }]
    }))
  }
}

/** More sheets of a paper than this are never cut in one way: they would give nothing that is still wanted. */
function mostOf({ problem: { supplies, demands }, plan }: AlikePaper, { supply, counts }: Fitted): number {
  const from = byKey(supplies, supply)
  const needed = Math.max(...demands.map(({ key, quantity }) => {
    const count = counts.get(key) ?? 0
    return count === 0 ? 0 : Math.ceil(quantity / count)
  }))
  return Math.max(1, Math.min(needed, isFresh(from) ? plan.sheets : from.onHand))
}
