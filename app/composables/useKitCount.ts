import type { KitProblem } from '../../core/plans'
import type { KitsFrom } from '../../core/cutting'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'

/** A drawer to count kits from, under a key of the asker's choice. */
export interface KitQuestion {
  key: string
  kit: KitProblem
}

/**
 * Counts kits in a worker of its own, so that the planner is not kept waiting. A newer
 * question takes the place of the one that is being answered.
 */
export function useKitCount() {
  const answers = shallowRef(new Map<string, KitsFrom>())
  const failed = ref('')
  const asked = ref(0)
  const done = ref(0)
  let worker: Worker | undefined

  function ask(questions: KitQuestion[]) {
    stop()
    answers.value = new Map()
    failed.value = ''
    asked.value = questions.length
    if (questions.length === 0) return
    worker = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<PlannerAnswer>) => {
      if (data.kind === 'kits') answers.value = new Map(answers.value).set(data.key, data.from)
      if (data.kind === 'failed') failed.value = data.reason
      done.value += 1
      if (done.value >= asked.value) stop()
    })
    worker.addEventListener('error', (event) => {
      failed.value = event.message || 'The counting ended unexpectedly.'
      stop()
    })
    const order: PlannerOrder = {
      kind: 'kits',
      order: 1,
      jobs: questions.map(({ key, kit: { problem, perKit } }) => ({ key, problem, perKit })),
    }
    worker.postMessage(order)
  }

  function stop() {
    worker?.terminate()
    worker = undefined
    asked.value = done.value = 0
  }

  onScopeDispose(stop)
  return {
    answers,
    failed,
    share: computed(() => (asked.value === 0 ? 1 : done.value / asked.value)),
    running: computed(() => asked.value > 0),
    ask,
    stop,
  }
}
