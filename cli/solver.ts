import type { Solve } from '../core/cutting'
import { solverOf } from '../core/cutting'

/** Loads the solver of the exact planner. */
export async function loadSolver(): Promise<Solve> {
  const { default: load } = await import('highs')
  return solverOf(await load())
}
