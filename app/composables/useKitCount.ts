import type { KitProblem } from '../../core/plans'
import type { KitsFrom } from '../../core/cutting'
import { problemKey } from '../../core/cutting'
import { Background } from '../background/background'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'

/** A drawer to count kits from, under a key of the asker's choice. */
export interface KitQuestion {
  key: string
  kit: KitProblem
}

/** Counts kits beside the planner. A newer question takes the place of the one that is being answered. */
export function useKitCount() {
  const turn = shallowRef(0)
  const background = new Background('kits', { start: startWorker, changed: () => turn.value++ })
  /** What was asked, and under which key each is counted. */
  const asked = shallowRef(new Map<string, string>())
  const jobs = computed(
    () => (void turn.value, [...asked.value].map(([key, count]) => [key, background.job(count)] as const)),
  )
  const open = computed(() => jobs.value.filter(([, job]) => isOpen(job)).length)

  function ask(questions: KitQuestion[]) {
    const counts = questions.map(({ key, kit: { problem, perKit, whole } }) => ({
      key, count: `${problemKey(problem)} ${JSON.stringify([[...perKit], whole])}`, problem: { problem, perKit, whole },
    }))
    asked.value = new Map(counts.map(({ key, count }) => [key, count]))
    background.show(counts.map(({ count, problem }) => ({ key: count, problem })))
    // What was stopped or has failed before is counted when it is asked again.
    background.resume()
  }

  onScopeDispose(() => background.end())
  return {
    answers: computed(
      () => new Map(jobs.value.flatMap(([key, { best }]): [string, KitsFrom][] => (best ? [[key, best]] : []))),
    ),
    failed: computed(() => jobs.value.find(([, { state }]) => state === 'failed')?.[1].reason ?? ''),
    share: computed(() => (jobs.value.length === 0 ? 1 : 1 - open.value / jobs.value.length)),
    running: computed(() => open.value > 0),
    ask,
    stop: () => background.stop(),
  }
}
