import { proxy, wrap } from 'comlink'
import type { Hear, Keyed, SearchName, Searches, Searching } from './searches'

/** A worker that searches, seen from the page. */
export interface Remote<Name extends SearchName> {
  /** Searches one job after the other; answers once the worker has left the order before. */
  search: (order: number, jobs: Keyed<Searches[Name]['problem']>[]) => Promise<unknown>
  end: () => void
}

/**
 * Starts a worker.
 * @param hear is told what it finds
 * @param broken is told why it ended by itself
 */
export type Start<Name extends SearchName> = (
  name: Name, hear: Hear<Searches[Name]['answer']>, broken: (reason: string) => void,
) => Remote<Name>

/** What makes cards takes the whole catalogue, which the other searches need not load. */
const scriptOf = (name: SearchName): Worker => (name === 'teach' || name === 'evening'
  ? new Worker(new URL('../workers/catalogue.worker.ts', import.meta.url), { type: 'module' })
  : new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' }))

export function startWorker<Name extends SearchName>(...[name, hear, broken]: Parameters<Start<Name>>): Remote<Name> {
  const worker = scriptOf(name)
  worker.addEventListener('error', ({ message }) => broken(message))
  // The package knows what can be sent, but not of which kind of search it is.
  const remote = wrap(worker) as unknown as Searching<Name>
  const heard = proxy(hear)
  return {
    search: async (order, jobs) => await remote.search(name, order, jobs, heard),
    end: () => worker.terminate(),
  }
}
