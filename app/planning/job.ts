import type { Plan, Problem } from '../../core/cutting'
import { before, contentOf } from '../../core/cutting'

/**
 * The planning of one problem. `waiting`: it was asked for. `running`: plans are coming. `settled`:
 * nothing better is looked for. `stopped`: the maker has had enough; the best plan stands.
 * `failed`: the planner broke down over it; a plan that it had found before stands.
 */
export interface Job {
  state: 'waiting' | 'running' | 'settled' | 'stopped' | 'failed'
  /** The best plan, and once it is settled those that trade sheets for time. */
  plans?: Plan[]
  /** Share of the way that is done, 0 to 1. */
  progress: number
  /** Patterns that the exact search knows. */
  columns: number
  /** Why it failed. */
  reason?: string
}

export type JobEvent
  = | { kind: 'progress', plan: Plan, columns: number, share: number }
    | { kind: 'done', plans: Plan[] }
    | { kind: 'failed', reason: string }
    | { kind: 'stop' }
    | { kind: 'resume' }

export const WAITING: Job = { state: 'waiting', progress: 0, columns: 0 }

/** Whether something is still to come. */
export const isOpen = ({ state }: Job): boolean => state === 'waiting' || state === 'running'

/**
 * What becomes of a job; what does not concern it in its state leaves it as it is. A plan that was found stays until there is a better
 * one: a search that begins anew comes by worse ones again.
 */
export function next(job: Job, event: JobEvent, objective: Problem['objective'] = 'sheets'): Job {
  if (event.kind === 'resume')
    return job.state === 'stopped' || job.state === 'failed' ? { ...job, state: 'waiting', progress: 0, reason: undefined } : job
  if (!isOpen(job)) return job
  switch (event.kind) {
    case 'progress': {
      const [best] = job.plans ?? []
      // The same plan again keeps its identity, so that nothing that follows from it is worked out anew.
      const plans = best && (isSamePlan(best, event.plan) || isWorse(event.plan, best, objective)) ? job.plans : [event.plan]
      return { state: 'running', plans, progress: event.share, columns: event.columns }
    }
    case 'done':
      return { state: 'settled', plans: event.plans, progress: 1, columns: job.columns }
    case 'failed':
      return { ...job, state: 'failed', progress: 1, reason: event.reason }
    case 'stop':
      return { ...job, state: 'stopped', progress: 1 }
  }
}

/** Whether a plan leaves out more or takes more paper than another one. */
function isWorse(one: Plan, other: Plan, objective: Problem['objective']): boolean {
  const rank = ({ unplaced, sheets, spending }: Plan) => [
    unplaced.reduce((sum, { quantity }) => sum + quantity, 0), ...(objective === 'money' ? [spending, sheets] : [sheets, spending]),
  ]
  return before(rank(other), rank(one)) ?? false
}

const isSamePlan = (a: Plan, b: Plan): boolean =>
  a.sheets === b.sheets
  && a.bound === b.bound
  && a.spending === b.spending
  && a.layouts.length === b.layouts.length
  && a.layouts.every((layout, index) => {
    const other = b.layouts[index]
    return (
      other !== undefined
      && layout.key === other.key
      && layout.supply === other.supply
      && layout.repeats === other.repeats
      && contentOf(layout.root) === contentOf(other.root)
    )
  })
