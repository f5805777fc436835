import { defineStore } from 'pinia'
import type { PaperOutcome } from '../../core/batch'
import { kitsOfBatch, outcomeOf } from '../../core/batch'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'

interface Known {
  /** Missing where planning failed before there was a plan. */
  outcome?: PaperOutcome
  /** Between 0 and 1 while better plans are being looked for. */
  progress: number
  stopped?: boolean
  failed?: string
}

const MOST_KNOWN = 200

/**
 * The cutting of the class on screen. Plans are made in a worker whenever the
 * pieces of a paper change, and remembered by the problem they solve, so that
 * undo shows the old plan at once.
 */
export const usePlannerStore = defineStore('planner', () => {
  const work = useClassStore()
  const known = shallowRef(new Map<string, Known>())
  let worker: Worker | undefined
  let order = 0

  const problems = computed(() => (work.settled?.preparation.papers ?? []).map(paper => ({ paper, key: JSON.stringify(paper.problem) })))
  const wanted = computed(() => problems.value.map(({ key }) => key).join('\n'))

  /** One entry for each paper, those still without a plan included. */
  const papers = computed(() => problems.value.map(({ paper, key }) => {
    const entry = known.value.get(key)
    return { ...paper, key, progress: entry?.progress ?? 0, stopped: entry?.stopped, failed: entry?.failed, outcome: entry?.outcome && { ...entry.outcome, paper: paper.paper } }
  }))
  const outcomes = computed(() => papers.value.map(({ outcome }) => outcome).filter((outcome): outcome is PaperOutcome => outcome !== undefined))
  const ready = computed(() => papers.value.every(({ outcome }) => outcome))
  const running = computed(() => papers.value.some(({ progress, failed, stopped }) => progress < 1 && !failed && !stopped))
  const kits = computed(() => work.settled && ready.value ? kitsOfBatch(work.settled.batch, work.settled.preparation, outcomes.value) : undefined)

  watch(wanted, plan, { immediate: true })

  function plan() {
    const jobs = problems.value
      .filter(({ key }) => (known.value.get(key)?.progress ?? 0) < 1)
      .map(({ paper, key }) => ({ key, problem: paper.problem }))
    if (jobs.length > 0) send({ kind: 'plan', order: ++order, jobs })
    else if (running.value) stop()
  }

  /** Keeps the best plans found so far and looks no further. */
  function stop() {
    send({ kind: 'stop', order: ++order })
    remember(entries => problems.value.forEach(({ key }) => {
      const entry = entries.get(key)
      if (entry && entry.progress < 1) entries.set(key, { ...entry, stopped: true })
    }))
  }

  function send(message: PlannerOrder) {
    worker ??= start()
    worker.postMessage(message)
  }

  function start(): Worker {
    const started = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    started.addEventListener('message', ({ data }: MessageEvent<PlannerAnswer>) => {
      if (data.order !== order) return
      remember((entries) => {
        const before = entries.get(data.key)
        const problem = problems.value.find(({ key }) => key === data.key)
        if (!problem) return
        if (data.kind === 'failed') entries.set(data.key, { ...before, progress: 1, failed: data.reason })
        else entries.set(data.key, { outcome: outcomeOf(problem.paper, data.plan), progress: data.kind === 'done' ? 1 : data.round / data.rounds })
      })
    })
    started.addEventListener('error', (event) => {
      worker = undefined
      remember(entries => problems.value.forEach(({ key }) => {
        if (!entries.get(key)) entries.set(key, { progress: 1, failed: event.message || 'The planner ended unexpectedly.' })
      }))
    })
    return started
  }

  function remember(change: (entries: Map<string, Known>) => void) {
    const entries = new Map([...known.value].slice(-MOST_KNOWN))
    change(entries)
    known.value = entries
  }

  return { papers, outcomes, ready, running, kits, stop }
})
