import type { Column, Patterns } from './patterns'
import type { Demand, KitNeed, CuttingProblem } from './plan'
import { isFresh } from './plan'
import type { Solve } from './solver'

/**
 * How much work a search may take. It is counted in steps of its own, never in time, so
 * that the same problem has the same plan on any machine and at any load: a step is one
 * rectangle looked at in a pricing, or one entry of a relaxation that is solved.
 */
export class StepCount {
  spent = 0
  spend(steps: number): void {
    this.spent += steps
  }
}

/** What the parts of the exact search share: the programme as far as it has come, and what is known of its answer. */
export interface Search {
  problem: CuttingProblem
  demands: Demand[]
  patterns: Patterns
  solve: Solve
  effort: StepCount
  /** Number of sheet formats. */
  formats: number
  /** Money comes first and there are several formats: the bound is for plans that spend no more than `budget`. */
  budgeted: boolean
  /** Cents. */
  budget: number
  /** No plan is known that gives everything: what can be had may not be enough. */
  short: boolean
  /** Which pieces make kits, where they come before pieces. */
  needs: KitNeed[]
  /** No plan needs fewer fresh sheets than this. */
  bound: number
  /** How often the relaxation takes each column, and what one more piece of each demand is worth to it. */
  values: number[]
  /** Columns that a relaxation or a whole plan made use of. */
  wanted: Set<Column>
  taken: Set<Column>
  duals: Map<string, number>
}

export function searchOf(
  problem: CuttingProblem,
  demands: Demand[],
  patterns: Patterns,
  solve: Solve,
  known: { spending: number, bound: number, short: boolean },
): Search {
  const formats = patterns.supplies.filter(isFresh).length
  return {
    problem,
    demands,
    patterns,
    solve,
    formats,
    effort: new StepCount(),
    budgeted: problem.objective === 'money' && formats > 1,
    budget: known.spending,
    bound: known.bound,
    short: known.short,
    needs: problem.kits ?? [],
    values: [],
    wanted: new Set(),
    taken: new Set(),
    duals: new Map(),
  }
}

/** Few pieces of each size: patterns that repeat one are of little use. */
export const isScarce = (demands: Demand[]): boolean =>
  demands.reduce((sum, { quantity }) => sum + quantity, 0) < SCARCE * demands.length
/** Pieces of a size on average below which they are scarce. */
const SCARCE = 12

/** What is worth how much, for every demand; nothing where it is not in the list. */
export const worthIn = (worths: ReadonlyMap<string, number>, key: string): number => worths.get(key) ?? 0
