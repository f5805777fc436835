import type { Ref } from 'vue'
import { computed, shallowRef, watch } from 'vue'
import type { Plan } from '../../core/cutting'
import type { PaperOutcome } from '../../core/plans'
import { togetherProblem, withPlans } from '../../core/plans'
import { togetherKey } from '../../core/together'
import { Background } from '../background/background'
import type { Job } from '../background/job'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'
import { useMemories } from '../composables/useMemories'
import { useClassStore } from './class'

/** A paper with the plan that it has by itself, as far as that has come. */
interface PlannedAlone {
  paper: PaperOutcome['paper']
  job: Job<unknown>
  outcome?: PaperOutcome
  settled: boolean
}

/** What papers are cut by once layouts were chosen alike: worked out once for the same plans. */
const chosen = new WeakMap<ReadonlyMap<string, Plan>, { of: PaperOutcome[], outcomes: PaperOutcome[] }>()

function outcomesBy(plans: ReadonlyMap<string, Plan>, of: PaperOutcome[]): PaperOutcome[] {
  const known = chosen.get(plans)
  if (known?.of.length === of.length && known.of.every((outcome, at) => outcome === of[at])) return known.outcomes
  const outcomes = withPlans(of, plans)
  chosen.set(plans, { of, outcomes })
  return outcomes
}

/**
 * Layouts of the class's papers chosen alike once every paper is planned by itself.
 * @param alone the papers, each with the plan that it has by itself
 * @param sharing whether prints are still being shared out: what is planned until then is not what will be cut
 */
export function useChosenAlike<Planned extends PlannedAlone>(alone: Ref<Planned[]>, sharing: Ref<boolean>) {
  const work = useClassStore()
  /** Counts what has changed in the background. */
  const turn = shallowRef(0)
  const background = new Background('together', {
    start: startWorker, changed: () => turn.value++, memory: useMemories()?.together,
  })
  const isEarly = computed(() => sharing.value || alone.value.some(({ job }) => isOpen(job)))
  const own = computed(() => (isEarly.value ? [] : alone.value.flatMap(({ outcome }) => outcome ?? [])))
  const asked = computed(() => {
    const problem = work.settled && togetherProblem(own.value, work.settled.batch)
    return problem && { key: togetherKey(problem), problem }
  })
  watch(asked, one => background.show(one ? [one] : []), { immediate: true })
  const job = computed(() => (void turn.value, asked.value && background.job(asked.value.key)))
  const choosing = computed(() => job.value !== undefined && isOpen(job.value))
  return {
    /** It is looked for; what binds to a plan waits until then. */
    choosing,
    stopped: computed(() => job.value?.state === 'stopped' || job.value?.state === 'failed'),
    papers: computed(() => {
      const plans = job.value?.best
      const isComing = choosing.value || sharing.value
      if (!plans) return isComing ? alone.value.map(paper => ({ ...paper, settled: false })) : alone.value
      const outcomes = new Map(outcomesBy(plans, own.value).map(outcome => [outcome.paper, outcome]))
      return alone.value.map(paper => ({ ...paper, outcome: outcomes.get(paper.paper) ?? paper.outcome }))
    }),
    stop: () => background.stop(),
    resume: () => background.resume(),
  }
}
