import type { Solve } from '../../core/cutting'
import { solverOf } from '../../core/cutting'
import type { Hear, Keyed, SearchName, Searches, Searching, SearchStep } from '../background/searches'

/** A search in steps. What needs the solver says so where it is called without one. */
export type SearchOf<Name extends SearchName> = (
  problem: Searches[Name]['problem'], solve: Solve | undefined,
) => Generator<SearchStep<Searches[Name]['answer']>, Searches[Name]['answer']>

/** A search, and how far it comes without the solver. */
export interface Searched<Name extends SearchName> {
  search: SearchOf<Name>
  alone: 'nowhere' | 'to a first answer' | 'to the end'
}

export const NO_SOLVER = 'The solver could not be loaded.'

/** A turn of the worker's own, in which a newer order is heard. */
const breathe = () => new Promise(resolve => setTimeout(resolve))

/** The solver, loaded while the first answers are shown. Without it plans are made of strips, with a weaker bound. */
const loadSolver = (): Promise<Solve | undefined> => Promise.all([import('highs'), import('highs/runtime?url')])
  .then(async ([{ default: load }, { default: runtime }]) => solverOf(await load({ locateFile: () => runtime })))
  .catch(() => undefined)

/**
 * Searches for one answer after the other, off the page's own thread. A newer order takes the place of the running one
 * at the next step.
 */
export class Searcher<Name extends SearchName> implements Searching<Name> {
  private current = 0
  private solver?: Promise<Solve | undefined>
  constructor(private readonly searches: { [name in Name]: Searched<name> }) {}

  search(
    name: Name, order: number, jobs: Keyed<Searches[Name]['problem']>[], hear: Hear<Searches[Name]['answer']>,
  ): void {
    this.current = order
    void this.work(this.searches[name], order, jobs, hear)
  }

  private async work(
    { search, alone }: Searched<Name>,
    order: number,
    jobs: Keyed<Searches[Name]['problem']>[],
    hear: Hear<Searches[Name]['answer']>,
  ) {
    const open: typeof jobs = []
    if (alone !== 'to the end') this.solver ??= loadSolver()
    // Every job shows its first answer before any is looked at more closely.
    for (const job of jobs) {
      const most = alone === 'nowhere' ? 0 : alone === 'to the end' ? Infinity : 1
      if (!await this.attempt(order, job.key, hear, search(job.problem, undefined), most)) open.push(job)
      if (order !== this.current) return
    }
    const solve = await this.solver
    for (const { key, problem } of open) {
      if (order !== this.current) return
      await this.attempt(order, key, hear, search(problem, solve))
    }
  }

  /**
   * Goes some steps of a search and says what comes of them, also that it failed.
   * @returns whether the job is done with
   */
  private async attempt(
    order: number,
    key: string,
    hear: Hear<Searches[Name]['answer']>,
    steps: ReturnType<SearchOf<Name>>,
    most = Infinity,
  ): Promise<boolean> {
    let shown: Searches[Name]['answer'] | undefined
    try {
      for (let at = 0; at < most; at++) {
        const { done, value } = steps.next()
        if (order !== this.current) return false
        if (done) {
          hear({ kind: 'done', order, key, answer: value })
          return true
        }
        // What is shown already is not sent again.
        const { best, ...step } = value
        hear({ kind: 'progress', order, key, ...step, ...(best !== shown && { best }) })
        shown = best
        await breathe()
        if (order !== this.current) return false
      }
      return false
    }
    catch (error) {
      hear({ kind: 'failed', order, key, reason: (error as Error).message })
      return true
    }
  }
}
