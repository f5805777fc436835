import type { SearchStep } from './searches'

/**
 * The search for an answer to one problem. `waiting`: it was asked for. `running`: answers are coming. `settled`:
 * nothing better is looked for. `stopped`: the maker has had enough; the best answer stands. `failed`: the search broke
 * down; an answer that it had found before stands.
 */
export interface Job<Answer> {
  state: 'waiting' | 'running' | 'settled' | 'stopped' | 'failed'
  /** The best answer so far. */
  best?: Answer
  /** Share of the way that is done, 0 to 1. */
  progress: number
  /** Patterns that the search knows. */
  columns: number
  /** Why it failed. */
  reason?: string
}

export type JobEvent<Answer>
  = | { kind: 'progress' } & SearchStep<Answer>
    | { kind: 'done', answer: Answer }
    | { kind: 'failed', reason: string }
    | { kind: 'stop' }
    | { kind: 'resume' }

/**
 * Whether an answer takes the place of the one before; an equal one does not, so that what follows from it is not
 * worked out anew.
 */
export type TakesOver<Answer> = (next: Answer, before: Answer) => boolean

export const WAITING: Job<never> = { state: 'waiting', progress: 0, columns: 0 }

/** Whether something is still to come. */
export const isOpen = ({ state }: Job<unknown>): boolean => state === 'waiting' || state === 'running'

/**
 * What becomes of a job; what does not concern it in its state leaves it as it is. An answer that was found stays until
 * there is a better one: a search that begins anew comes by worse ones again.
 */
export function next<Answer>(
  job: Job<Answer>, event: JobEvent<Answer>, takesOver: TakesOver<Answer> = () => true,
): Job<Answer> {
  if (event.kind === 'resume')
    return job.state === 'stopped' || job.state === 'failed'
      ? { ...job, state: 'waiting', progress: 0, reason: undefined }
      : job
  if (!isOpen(job)) return job
  switch (event.kind) {
    case 'progress': {
      const { best = job.best, share, columns = job.columns } = event
      const isTaken = job.best === undefined || (best !== undefined && takesOver(best, job.best))
      return { state: 'running', best: isTaken ? best : job.best, progress: share, columns }
    }
    case 'done':
      return { state: 'settled', best: event.answer, progress: 1, columns: job.columns }
    case 'failed':
      return { ...job, state: 'failed', progress: 1, reason: event.reason }
    case 'stop':
      return { ...job, state: 'stopped', progress: 1 }
  }
}
