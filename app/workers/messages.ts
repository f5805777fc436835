import type { KitsFrom, Plan, Problem } from '../../core/cutting'
import type { Sharing, SharingProblem } from '../../core/sharing'

/** What the page asks of the planner. Every order has a higher number than the one before. */
export type PlannerOrder
  = | { kind: 'plan', order: number, jobs: { key: string, problem: Problem }[] }
    | { kind: 'kits', order: number, jobs: { key: string, problem: Problem, perKit: Map<string, number> }[] }
    | { kind: 'share', order: number, jobs: { key: string, problem: SharingProblem }[] }

/**
 * What the planner says about one job of an order: the best plan so far, and at the end all that are worth a thought; of a sharing only how
 * far it has come, where no other one is to be shown.
 */
export type PlannerAnswer
  = | { kind: 'progress', order: number, key: string, plan: Plan, columns: number, share: number }
    | { kind: 'done', order: number, key: string, plans: Plan[] }
    | { kind: 'kits', order: number, key: string, from: KitsFrom }
    | { kind: 'shared', order: number, key: string, sharing?: Sharing, share: number }
    | { kind: 'failed', order: number, key: string, reason: string }
