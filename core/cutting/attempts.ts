import { lookUp } from '../lists'
import { secondsAbout } from './economy'
import { Guillotine } from './guillotine'
import { incompleteKits } from './kits-first'
import type { CutNode, Demand, Layout, Plan, CuttingProblem, Supply, Unplaced } from './plan'
import {
  area, before, contentOf, countsOf, isFresh, keyedLayouts, madeBy, mergedLayouts, freshSheets, spendingOf, worthOf,
} from './plan'
import { isCuttable, squared, withMargins } from './squaring'
import { stripLayout } from './strips'
import { limited } from './tidy'
import { savedIn } from './work'

/*
 * Plans made in one go: sheet after sheet is filled with what is worth most and still wanted.
 */

const SIDES = ['width', 'height'] as const

/**
 * Offcuts and drop-outs first, the smallest before larger ones; then each sheet format first in turn and the others
 * after it.
 */
export function supplyOrders(supplies: Supply[]): Supply[][] {
  const scraps = supplies.filter(supply => !isFresh(supply)).sort((a, b) => area(a) - area(b))
  const sheets = supplies.filter(isFresh)
  return sheets.length === 0
    ? [scraps]
    : sheets.map(first => [...scraps, first, ...sheets.filter(other => other !== first)])
}

export interface Attempt {
  layouts: Layout[]
  missing: Map<string, number>
  sheets: number
  /** Cents to spend on sheets that are not on hand. */
  spending: number
}

/** Layouts measured as an attempt. */
export function attemptOf(
  layouts: Layout[], { supplies }: Pick<CuttingProblem, 'supplies'>, demands: Demand[],
): Attempt {
  const made = madeBy(layouts)
  return {
    layouts: mergedLayouts(layouts),
    missing: new Map(demands.map(({ key, quantity }) => [key, Math.max(0, quantity - (made.get(key) ?? 0))])),
    sheets: freshSheets(layouts, supplies),
    spending: spendingOf(layouts, supplies),
  }
}

/** Fills one sheet with what is left to cut; nothing when not a single piece fits. */
type Filler = (supply: Supply, left: Map<string, number>, worths: Map<string, number>) => CutNode | undefined

export function stripFiller({ cutter }: CuttingProblem, demands: Demand[]): Filler {
  return (supply, left, worths) =>
    SIDES.map(along => stripLayout(supply, cutter, along, demands, left, demand => lookUp(worths, demand.key)))
      .filter(root => root !== undefined)
      .sort((a, b) => worthOf(b, worths) - worthOf(a, worths))[0]
}

export function guillotineFiller({ cutter, supplies }: CuttingProblem, demands: Demand[]): Filler {
  const patterns = new Map(
    supplies
      .filter(supply => isCuttable(supply, cutter))
      .map(supply => [supply.key, new Guillotine(squared(supply, cutter), cutter, demands)]),
  )
  return (supply, left, worths) => {
    const wanted = new Map([...worths].map(([key, worth]) => [key, lookUp(left, key) > 0 ? worth : 0]))
    const root = patterns.get(supply.key)?.best(wanted)?.root
    return root && withMargins(supply, cutter, limited(root, left, cutter))
  }
}

/** Fills supply after supply, first what there is, then what can be bought. */
export function oneAttempt(demands: Demand[], supplies: Supply[], worths: Map<string, number>, fill: Filler): Attempt {
  const left = new Map(demands.map(demand => [demand.key, demand.quantity]))
  const layouts: Layout[] = []
  const drawer = new Map(supplies.map(supply => [supply.key, supply.onHand]))
  for (const buying of [false, true]) {
    for (const supply of supplies) {
      const available = () => (buying ? (supply.price === null ? 0 : Infinity) : lookUp(drawer, supply.key))
      while (available() > 0) {
        const root = fill(supply, left, worths)
        if (!root) break
        const counts = countsOf(root)
        const repeats = Math.min(
          available(), ...[...counts].map(([key, count]) => Math.floor(lookUp(left, key) / count)),
        )
        for (const [key, count] of counts) left.set(key, lookUp(left, key) - count * repeats)
        if (!buying) drawer.set(supply.key, lookUp(drawer, supply.key) - repeats)
        layouts.push({ supply: supply.key, repeats, root })
      }
    }
  }
  return attemptOf(layouts, { supplies }, demands)
}

/** Pieces on badly used sheets become worth more, so the next round places them earlier and in other company. */
export function correctWorths({ layouts }: Attempt, worths: Map<string, number>): void {
  for (const { root } of layouts) {
    const counts = countsOf(root)
    const filled = worthOf(root, worths)
    if (filled === 0) continue
    const scale = area(root) / filled
    for (const key of counts.keys()) worths.set(key, lookUp(worths, key) * (0.75 + 0.25 * scale))
  }
}

/** All of some numbers together. */
export const total = (values: Iterable<number>) => [...values].reduce((sum, value) => sum + value, 0)

/**
 * Orders attempts: as few kits incomplete and pieces missing as possible first, then what is made least of, the layouts
 * that are set up, and the time it takes.
 */
export function better(a: Attempt, b: Attempt, problem: CuttingProblem): boolean {
  const { objective, setUp = [], kits = [] } = problem
  const ready = new Set(setUp.map(({ root }) => contentOf(root)))
  const first = (attempt: Attempt) => [
    incompleteKits(kits, attempt.missing),
    total(attempt.missing.values()),
    ...(objective === 'money' ? [attempt.spending, attempt.sheets] : [attempt.sheets, attempt.spending]),
  ]
  const second = ({ layouts }: Attempt) => [
    -savedIn(layouts, problem),
    layouts.filter(({ root }) => ready.size > 0 && !ready.has(contentOf(root))).length,
    secondsAbout(layouts, problem),
  ]
  return before(first(a), first(b)) ?? before(second(a), second(b)) ?? false
}

/** An attempt as a plan; its yield is stated once the fixed layouts are with it. */
export function finished(attempt: Attempt, demands: Demand[], unplaced: Unplaced[], bound: number): Plan {
  const short = demands
    .filter(demand => lookUp(attempt.missing, demand.key) > 0)
    .map(demand => ({
      demand: demand.key,
      quantity: lookUp(attempt.missing, demand.key),
      reason: 'What is on hand gives no more, and none can be bought.',
    }))
  return {
    layouts: keyedLayouts([...attempt.layouts].sort((a, b) => b.repeats - a.repeats)),
    unplaced: [...unplaced, ...short],
    sheets: attempt.sheets,
    spending: attempt.spending,
    bound: short.length > 0 ? 0 : bound,
    yield: 0,
  }
}
