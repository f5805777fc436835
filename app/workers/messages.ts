import type { Plan, Problem } from '../../core/cutting'

/** What the page asks of the planner. Every order has a higher number than the one before. */
export type PlannerOrder
  = | { kind: 'plan', order: number, jobs: { key: string, problem: Problem }[] }
    | { kind: 'stop', order: number }

/** What the planner says about one job of an order. */
export type PlannerAnswer
  = | { kind: 'progress', order: number, key: string, plan: Plan, round: number, rounds: number }
    | { kind: 'done', order: number, key: string, plan: Plan }
    | { kind: 'failed', order: number, key: string, reason: string }
