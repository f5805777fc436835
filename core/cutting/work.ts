import { DEFAULT_PRICES, DEFAULT_TOOLS } from '../document'
import { ZERO } from '../lengths'
import { byKey } from '../lists'
import type { CutNode, Demand, Layout, CuttingProblem, Supply, Work } from './plan'
import { area, countsOf, isFresh, openedBy } from './plan'

export const USUAL_WORK: Work = {
  pace: DEFAULT_TOOLS.inch.pace,
  hour: DEFAULT_PRICES.hour,
  way: 'as it pays',
  piles: null,
  layouts: null,
  stages: null,
  strip: ZERO,
}

export const workOf = ({ work }: Pick<CuttingProblem, 'work'>): Work => work ?? USUAL_WORK

/** Minutes as they are said everywhere: whole, and never none for some work. */
export const wholeMinutes = (minutes: number): number => (minutes > 0 ? Math.max(1, Math.round(minutes)) : 0)

/**
 * What a sheet is worth, in cents: its price, on hand or not; one that cannot be bought as much as others for its area.
 * Offcuts and drop-outs are worth nothing: they are there anyhow.
 */
export function sheetWorth(supply: Supply, supplies: Supply[]): number {
  if (!isFresh(supply)) return 0
  if (supply.price !== null) return supply.price
  const priced = supplies.filter(({ kind, price }) => kind === 'sheet' && price !== null)
  return priced.length > 0 ? Math.min(...priced.map(other => (other.price ?? 0) * area(supply) / area(other))) : 0
}

/** What the fresh sheets of some layouts are worth, in cents. */
export function paperWorth(layouts: Layout[], supplies: Supply[]): number {
  const opened = openedBy(layouts)
  return supplies.reduce((sum, supply) => sum + sheetWorth(supply, supplies) * (opened.get(supply.key) ?? 0), 0)
}

/**
 * Cents that the pieces on an offcut save of a sheet by their area, where offcuts are to be used up first; else
 * nothing.
 */
export function savedBy(
  root: CutNode,
  supply: Supply,
  demands: Demand[],
  { supplies, offcutsFirst }: Pick<CuttingProblem, 'supplies' | 'offcutsFirst'>,
): number {
  if (!offcutsFirst || isFresh(supply)) return 0
  const rates = supplies.filter(isFresh).map(sheet => sheetWorth(sheet, supplies) / area(sheet))
  const counts = countsOf(root)
  const pieces = demands.reduce(
    (sum, demand) => sum + area(demand) * Math.min(demand.quantity, counts.get(demand.key) ?? 0), 0,
  )
  // Paper without a price is worth something all the same, or it would not be kept.
  return pieces * Math.max(0, ...rates) + (rates.some(rate => rate > 0) ? 0 : pieces / area(supply))
}

/** The same for all layouts of a plan. */
export const savedIn = (layouts: Layout[], problem: CuttingProblem): number =>
  layouts.reduce((sum, { supply, root, repeats }) =>
    sum + repeats * savedBy(root, byKey(problem.supplies, supply), problem.demands, problem), 0)
