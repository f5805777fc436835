import type { Plan, Problem, Solve } from '../../core/cutting'
import { mostKits, planPaper, solverOf } from '../../core/cutting'
import type { Sharing, SharingProblem } from '../../core/sharing'
import { shareOut } from '../../core/sharing'
import type { PlannerAnswer, PlannerOrder } from './messages'

/**
 * Plans cutting problems one after the other, off the page's own thread. A newer
 * order takes the place of the running one at the next step.
 */
let current = 0

const answer = (message: PlannerAnswer) => postMessage(message)
const breathe = () => new Promise(resolve => setTimeout(resolve))

/** The solver, loaded while the first plans are shown. Without it plans are made of strips, with a weaker bound. */
const solver: Promise<Solve | undefined> = Promise.all([import('highs'), import('highs/runtime?url')])
  .then(async ([{ default: load }, { default: runtime }]) => solverOf(await load({ locateFile: () => runtime })))
  .catch(() => undefined)

addEventListener('message', ({ data }: MessageEvent<PlannerOrder>) => {
  current = data.order
  if (data.kind === 'plan') void work(data.order, data.jobs)
  else if (data.kind === 'share') void share(data.order, data.jobs)
  else void count(data.order, data.jobs)
})

/** Answers how many kits each drawer gives. */
async function count(order: number, jobs: { key: string, problem: Problem, perKit: Map<string, number> }[]) {
  const solve = await solver
  for (const { key, problem, perKit } of jobs) {
    if (order !== current) return
    try {
      if (!solve) throw new Error('The solver could not be loaded.')
      answer({ kind: 'kits', order, key, from: mostKits(problem, perKit, solve) })
    }
    catch (error) {
      answer({ kind: 'failed', order, key, reason: (error as Error).message })
    }
    await breathe()
  }
}

/** Shares prints out, showing each sharing that is better. */
async function share(order: number, jobs: { key: string, problem: SharingProblem }[]) {
  const solve = await solver
  for (const { key, problem } of jobs) {
    try {
      if (!solve) throw new Error('The solver could not be loaded.')
      const search = shareOut(problem, solve)
      let shown: Sharing | undefined
      for (;;) {
        const { done, value } = search.next()
        if (order !== current) return
        const next = done ? value : value.shown
        // What is shown already is not sent again: a class is not prepared anew for it.
        answer({ kind: 'shared', order, key, share: done ? 1 : value.share, ...(next !== shown && { sharing: next }) })
        shown = next
        if (done) break
        await breathe()
      }
    }
    catch (error) {
      answer({ kind: 'failed', order, key, reason: (error as Error).message })
    }
  }
}

async function work(order: number, jobs: { key: string, problem: Problem }[]) {
  // Every paper gets its first plan before any is looked at more closely.
  const open: typeof jobs = []
  for (const job of jobs) {
    if (!await attempt(order, job.key, () => first(order, job))) open.push(job)
    if (order !== current) return
  }
  for (const { key, problem } of open) {
    await attempt(order, key, () => search(order, key, problem))
    if (order !== current) return
  }
}

/** Says that a job is done once it has plans, or why it failed; answers whether that settles it. */
async function attempt(order: number, key: string, plans: () => Promise<Plan[] | undefined>): Promise<boolean> {
  try {
    const finished = await plans()
    if (!finished || order !== current) return false
    answer({ kind: 'done', order, key, plans: finished })
  }
  catch (error) {
    answer({ kind: 'failed', order, key, reason: (error as Error).message })
  }
  return true
}

/** Shows the first plan; answers all plans where nothing is left to look for. */
async function first(order: number, { key, problem }: { key: string, problem: Problem }): Promise<Plan[] | undefined> {
  const { done, value } = planPaper(problem).next()
  if (done) return value
  answer({ kind: 'progress', order, key, ...value })
  await breathe()
}

/** Looks for the best plan, showing each that is better; nothing when a newer order has come. */
async function search(order: number, key: string, problem: Problem): Promise<Plan[] | undefined> {
  const steps = planPaper(problem, await solver)
  while (order === current) {
    const { done, value } = steps.next()
    if (done) return value
    answer({ kind: 'progress', order, key, ...value })
    await breathe()
  }
}
