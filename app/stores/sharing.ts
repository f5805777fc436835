import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { SharingOfClass } from '../../core/batch'
import type { Sharing, SharingProblem } from '../../core/sharing'
import { useMemories } from '../composables/useMemories'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'

/** How far a sharing has come. */
interface Sought {
  sharing?: Sharing
  /** Share of the way that is done. */
  share: number
  state: 'running' | 'done' | 'stopped' | 'failed'
  reason?: string
}

/** Sharings that are remembered, so that undo shows the old one at once. */
const REMEMBERED = 40

/**
 * Prints shared out among kits, in a worker of its own beside the planner: remembered by the problem that they solve. A newer problem
 * takes the place of the one that is being looked at.
 */
export const useSharingStore = defineStore('sharing', () => {
  const sought = shallowRef(new Map<string, Sought>())
  let worker: Worker | undefined
  let order = 0
  let asked: string | undefined
  const memory = useMemories()?.sharings

  function note(key: string, change: Partial<Sought>) {
    const before = sought.value.get(key) ?? { share: 0, state: 'running' as const }
    const next = new Map(sought.value)
    next.delete(key)
    next.set(key, { ...before, ...change })
    while (next.size > REMEMBERED) next.delete(next.keys().next().value ?? '')
    sought.value = next
  }

  /** Looks for the sharing of a class, unless it is known or being looked for. */
  function seek({ key, problem }: SharingOfClass) {
    const before = sought.value.get(key)
    // What was left for a newer problem is taken up again.
    if (asked === key || (before && before.state !== 'running')) return
    stopWorker()
    asked = key
    note(key, { state: 'running', share: 0 })
    if (!memory) return start(key, problem)
    void memory.find([{ key, problem }]).then((found) => {
      if (asked !== key) return
      const sharing = found.get(key)
      if (!sharing) return start(key, problem)
      note(key, { sharing, share: 1, state: 'done' })
      asked = undefined
    })
  }

  function start(key: string, problem: SharingProblem) {
    const started = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    worker = started
    started.addEventListener('message', ({ data }: MessageEvent<PlannerAnswer>) => {
      if (data.order !== order || worker !== started) return
      if (data.kind === 'failed') note(key, { state: 'failed', reason: data.reason })
      if (data.kind === 'shared')
        note(key, { ...(data.sharing && { sharing: data.sharing }), share: data.share, state: data.share < 1 ? 'running' : 'done' })
      const { state, sharing: best } = sought.value.get(key) ?? {}
      if (state === 'done' && best) memory?.keep(key, best)
      if (state !== 'running') stopWorker()
    })
    started.addEventListener('error', ({ message }) => {
      note(key, { state: 'failed', reason: message || 'The sharing ended unexpectedly.' })
      stopWorker()
    })
    started.postMessage({ kind: 'share', order: ++order, jobs: [{ key, problem }] } satisfies PlannerOrder)
  }

  function stopWorker() {
    worker?.terminate()
    worker = undefined
    asked = undefined
  }

  /** Ends the search; the best so far stands. */
  function stop() {
    if (asked !== undefined) note(asked, { state: 'stopped', share: 1 })
    stopWorker()
  }

  return {
    seek,
    stop,
    /** The best sharing known for a problem. */
    known: computed(() => (key: string) => sought.value.get(key)?.sharing),
    stateOf: (key: string | undefined) => (key === undefined ? undefined : sought.value.get(key)),
    retry(sharing: SharingOfClass) {
      sought.value = new Map([...sought.value].filter(([key]) => key !== sharing.key))
      seek(sharing)
    },
  }
})
