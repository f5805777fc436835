import { defineStore } from 'pinia'
import type { Batch, PaperOutcome, PaperProblem } from '../../core/batch'
import { kitsOfBatch, outcomeOf, scrapProblem } from '../../core/batch'
import type { Plan, Problem } from '../../core/cutting'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'

interface Known {
  /** The best plan, and at the end those that trade sheets for time; missing where planning failed before there was one. */
  plans?: Plan[]
  /** Between 0 and 1 while better plans are being looked for. */
  progress: number
  /** Patterns that the exact search knows. */
  columns: number
  stopped?: boolean
  failed?: string
}

const MOST_KNOWN = 200
/** Milliseconds that a worker has to take up a newer order. */
const PATIENCE = 400

/**
 * The cutting of the class on screen. Plans are made in a worker whenever the
 * pieces of a paper change, and remembered by the problem they solve, so that
 * undo shows the old plan at once.
 */
const isSame = (a: Plan | undefined, b: Plan): boolean => a !== undefined && a.sheets === b.sheets && a.bound === b.bound && JSON.stringify(a.layouts) === JSON.stringify(b.layouts)

/** Outcomes by their plans: a sequence of cuts is worked out once, not at every step of the search. */
const outcomes = new WeakMap<Plan[], { for: string, outcome: PaperOutcome }>()

function outcomeFor(paper: PaperProblem, plans: Plan[], batch: Batch): PaperOutcome {
  const own = batch.cutting.find(entry => entry.paper === paper.paper.key)
  const wishes = JSON.stringify([batch.wishes, batch.tools.pace, own?.priority, own?.moreSheets, [...paper.names], [...paper.opened], paper.cut])
  const known = outcomes.get(plans)
  if (known?.for === wishes) return { ...known.outcome, paper: paper.paper, entry: paper }
  const outcome = outcomeOf(paper, plans, batch)
  outcomes.set(plans, { for: wishes, outcome })
  return outcome
}

export const usePlannerStore = defineStore('planner', () => {
  const work = useClassStore()
  const known = shallowRef(new Map<string, Known>())
  let worker: Worker | undefined
  let order = 0
  /** The newest order that was answered, and the jobs of the newest one that are not done. */
  let answered = 0
  let unanswered = 0

  const fromSheets = computed(() => (work.settled?.preparation.papers ?? []).map(paper => ({ paper, key: JSON.stringify(paper.problem), free: paper.free && JSON.stringify(paper.free) })))
  /** Hidden parts from scrap, once it is settled what the papers leave over. */
  const fromScrap = computed(() => {
    if (!work.settled || work.settled.preparation.scrap.length === 0) return []
    const planned = fromSheets.value.map(plannedOf)
    if (planned.some(({ outcome, progress, stopped }) => !outcome || (progress < 1 && !stopped))) return []
    const paper = scrapProblem(work.settled.batch, work.settled.preparation, planned.map(({ outcome }) => outcome!))
    return paper ? [{ paper, key: JSON.stringify(paper.problem), free: undefined }] : []
  })
  const problems = computed(() => [...fromSheets.value, ...fromScrap.value])
  const wanted = computed(() => problems.value.map(({ key }) => key).join('\n'))

  /** One entry for each paper, those still without a plan included. */
  const papers = computed(() => problems.value.map(plannedOf))

  function plannedOf({ paper, key, free }: { paper: PaperProblem, key: string, free?: string }) {
    const { plans, progress = 0, columns = 0, stopped, failed } = known.value.get(key) ?? {}
    return {
      ...paper, key, progress, columns, stopped, failed,
      outcome: plans && work.settled && outcomeFor(paper, plans, work.settled.batch),
      /** The plan were nothing fixed and no format forbidden, once it is known. */
      free: free === undefined ? undefined : known.value.get(free)?.plans?.[0],
    }
  }

  const outcomes = computed(() => papers.value.map(({ outcome }) => outcome).filter((outcome): outcome is PaperOutcome => outcome !== undefined))
  const ready = computed(() => papers.value.every(({ outcome }) => outcome))
  const running = computed(() => papers.value.some(({ progress, failed, stopped }) => progress < 1 && !failed && !stopped))
  const kits = computed(() => work.settled && ready.value ? kitsOfBatch(work.settled.batch, work.settled.preparation, outcomes.value) : undefined)

  watch(wanted, plan, { immediate: true })

  function plan() {
    const all = [
      ...problems.value.map(({ paper, key }) => ({ key, problem: paper.problem })),
      ...problems.value.flatMap(({ paper, free }) => (paper.free && free !== undefined ? [{ key: free, problem: paper.free }] : [])),
    ]
    const jobs = all.filter(({ key }) => (known.value.get(key)?.progress ?? 0) < 1)
    if (jobs.length > 0) give(jobs)
    else if (unanswered > 0) end()
  }

  /** Ends the worker, which may be deep in a step. */
  function end() {
    order += 1
    unanswered = 0
    worker?.terminate()
    worker = undefined
  }

  /** Keeps the best plans found so far and looks no further. */
  function stop() {
    end()
    remember(entries => problems.value.forEach(({ key }) => {
      const entry = entries.get(key)
      if (entry && entry.progress < 1) entries.set(key, { ...entry, stopped: true })
    }))
  }

  /** Gives an order. A worker that is deep in a step of an older one and does not answer soon is replaced. */
  function give(jobs: { key: string, problem: Problem }[]) {
    const late = unanswered > 0
    const message: PlannerOrder = { kind: 'plan', order: ++order, jobs }
    unanswered = jobs.length
    worker ??= start()
    worker.postMessage(message)
    if (!late) return
    setTimeout(() => {
      if (message.order !== order || answered === order) return
      worker?.terminate()
      worker = start()
      worker.postMessage(message)
    }, PATIENCE)
  }

  function start(): Worker {
    const started = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    started.addEventListener('message', ({ data }: MessageEvent<PlannerAnswer>) => {
      if (data.order !== order || data.kind === 'kits') return
      answered = order
      if (data.kind !== 'progress') unanswered -= 1
      remember((entries) => {
        const before = entries.get(data.key)
        if (data.kind === 'failed') entries.set(data.key, { ...before, progress: 1, columns: 0, failed: data.reason })
        else if (data.kind === 'done') entries.set(data.key, { plans: data.plans, progress: 1, columns: before?.columns ?? 0 })
        else entries.set(data.key, { plans: isSame(before?.plans?.[0], data.plan) ? before!.plans : [data.plan], progress: data.share, columns: data.columns })
      })
    })
    started.addEventListener('error', (event) => {
      worker = undefined
      remember(entries => problems.value.forEach(({ key }) => {
        if (!entries.get(key)) entries.set(key, { progress: 1, columns: 0, failed: event.message || 'The planner ended unexpectedly.' })
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
