import type { Problem } from '../../core/cutting'
import { planPaper } from '../../core/cutting'
import type { PlannerAnswer, PlannerOrder } from './messages'

/**
 * Plans cutting problems one after the other, off the page's own thread. A newer
 * order takes the place of the running one at the next round.
 */
let current = 0

const answer = (message: PlannerAnswer) => postMessage(message)
const breathe = () => new Promise(resolve => setTimeout(resolve))

addEventListener('message', ({ data }: MessageEvent<PlannerOrder>) => {
  current = data.order
  if (data.kind === 'plan') void work(data.order, data.jobs)
})

async function work(order: number, jobs: { key: string, problem: Problem }[]) {
  for (const { key, problem } of jobs) {
    try {
      const search = planPaper(problem)
      for (;;) {
        const { done, value } = search.next()
        answer(done
          ? { kind: 'done', order, key, plan: value }
          : { kind: 'progress', order, key, plan: value.plan, round: value.round, rounds: value.rounds })
        if (done) break
        await breathe()
        if (order !== current) return
      }
    }
    catch (error) {
      answer({ kind: 'failed', order, key, reason: (error as Error).message })
    }
  }
}
