import type { Demand, CuttingProblem } from '../cutting'
import { Patterns, withKerf } from '../cutting'
import { itemAt } from '../lists'
import type { Kind } from './model'

/**
 * The sheets of a print, or of prints that stand for each other: ways to cut them, and what is wanted of them whatever
 * is shared how.
 */
export interface Sheets {
  patterns: Patterns
  demands: Demand[]
  /** What is wanted of each demand besides what kits take. */
  wanted: number[]
  /** Whether every pattern is there. */
  whole: boolean
}

/**
 * The ways to cut a print for what is wanted of it and what kits could take of it.
 * @param print its key
 * @param most from `mostTaken`
 */
export function sheetsOf(print: string, problem: CuttingProblem, most: ReadonlyMap<string, number>): Sheets {
  const { demands: own, ...inflated } = withKerf(problem)
  const demands = own
    .map(demand => ({ ...demand, quantity: demand.quantity + (most.get(`${print} ${demand.key}`) ?? 0) }))
    .filter(({ quantity }) => quantity > 0)
  const patterns = new Patterns({ ...inflated, demands }, demands)
  const wanted = demands.map(({ key }) => problem.demands.find(demand => demand.key === key)?.quantity ?? 0)
  return { patterns, demands, wanted, whole: patterns.addAll() }
}

/** How many pieces of each size kits could take of a print at most, by `print demand`. */
export function mostTaken(kinds: Kind[]): Map<string, number> {
  const most = new Map<string, number>()
  for (const { roles, kits } of kinds) {
    for (const { options, takes } of roles) {
      options.forEach((print, option) => {
        for (const [demand, count] of itemAt(takes, option)) {
          const key = `${print} ${demand}`
          most.set(key, (most.get(key) ?? 0) + count * Math.max(1, kits))
        }
      })
    }
  }
  return most
}
