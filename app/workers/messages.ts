import type { KitsFrom, Plan, Problem } from '../../core/cutting'

/** What the page asks of the planner. Every order has a higher number than the one before. */
export type PlannerOrder
  = | { kind: 'plan', order: number, jobs: { key: string, problem: Problem }[] }
    | { kind: 'kits', order: number, jobs: { key: string, problem: Problem, perKit: Map<string, number> }[] }

/** What the planner says about one job of an order: the best plan so far, and at the end all that are worth a thought. */
export type PlannerAnswer
  = | { kind: 'progress', order: number, key: string, plan: Plan, columns: number, share: number }
    | { kind: 'done', order: number, key: string, plans: Plan[] }
    | { kind: 'kits', order: number, key: string, from: KitsFrom }
    | { kind: 'failed', order: number, key: string, reason: string }
