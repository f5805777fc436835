import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { PaperProblem } from '../../core/batch'
import type { PaperOutcome } from '../../core/plans'
import { ordersOf, planHidden } from '../../core/plans'
import { kitsOfBatch } from '../../core/kits'
import { problemKey } from '../../core/cutting'
import type { Plan } from '../../core/cutting'
import { useMemories } from '../composables/useMemories'
import { Background } from '../background/background'
import { isBetterPlan } from '../background/better'
import { isOpen } from '../background/job'
import type { Job } from '../background/job'
import { startWorker } from '../background/remote'
import { useChosenAlike } from './chosen-alike'
import { useClassStore } from './class'
import { outcomeFor } from './outcomes'
import { useSharingStore } from './sharing'

/** One paper of the class with its plan, as far as it has come. */
export interface PlannedPaper extends PaperProblem {
  key: string
  job: Job<Plan[]>
  outcome?: PaperOutcome
  /** What the plan would be with nothing fixed and no format forbidden, once that is known. */
  freePlan?: Plan
  /** The plan will not change by itself any more: what binds to it may be noted. */
  settled: boolean
}

/** The papers of the class on screen, each with its plan, as far as the background has come. */
function usePlannedPapers() {
  const work = useClassStore()
  const sharings = useSharingStore()
  const newest = computed(() => work.preparation?.sharing)
  /** What was shared out has not come down to the papers yet. */
  const isAhead = computed(() => newest.value?.sharing !== work.settled?.preparation.sharing?.sharing)
  /** Prints are still being shared out, or it has not come down to the papers yet: what is cut may change. */
  const sharing = computed(() => {
    const job = sharings.stateOf(newest.value?.key)
    return (job !== undefined && isOpen(job)) || isAhead.value
  })
  /** What is dealt out so far gives way at once, or may give way to what is kept: nothing is planned for it. */
  const isPassing = computed(() => isAhead.value || sharings.isLookedUp(newest.value?.key))
  /** Counts what has changed in the background. */
  const turn = shallowRef(0)
  const background = new Background('plan', {
    start: startWorker,
    changed: () => turn.value++,
    takesOver: isBetterPlan,
    memory: useMemories()?.plans,
  })

  function planned(paper: PaperProblem): PlannedPaper {
    void turn.value
    const key = problemKey(paper.problem)
    const job = background.job(key)
    return {
      ...paper,
      key,
      job,
      outcome: job.best && work.settled && outcomeFor(paper, job.best, work.settled.batch),
      freePlan: paper.free && background.job(problemKey(paper.free)).best?.[0],
      settled: job.state === 'settled' || job.state === 'stopped',
    }
  }

  const alone = computed(() => (work.settled?.preparation.papers ?? []).map(planned))
  const alike = useChosenAlike(alone, sharing)
  const fromSheets = alike.papers
  /**
   * Hidden parts, once it is settled what the papers leave over; where that is not enough, together with one of them.
   */
  const hidden = computed(() => {
    if (!work.settled || sharing.value || alike.choosing.value) return undefined
    if (fromSheets.value.some(({ job }) => isOpen(job))) return undefined
    return planHidden(work.settled.preparation, fromSheets.value.flatMap(({ outcome }) => outcome ?? []), (paper) => {
      const { job, outcome } = planned(paper)
      return isOpen(job) ? 'open' : outcome
    })
  })
  /** One entry for each paper, those still without a plan included. */
  const papers = computed(() => {
    if (!hidden.value) return fromSheets.value
    const { outcomes, scrap } = hidden.value
    const known = new Map(fromSheets.value.map(one => [one.outcome, one]))
    const without = fromSheets.value.filter(({ outcome }) => !outcome)
    return [
      ...outcomes.map(outcome => known.get(outcome) ?? planned(outcome.entry)), ...without,
      ...(scrap ? [planned(scrap)] : []),
    ]
  })

  watch(
    [papers, hidden, isPassing],
    () => {
      if (isPassing.value) return
      const asked = [...papers.value, ...fromSheets.value, ...(hidden.value?.asked ?? []).map(planned)]
      background.show(asked.flatMap(({ key, problem, free }) =>
        [{ key, problem }, ...(free ? [{ key: problemKey(free), problem: free }] : [])]))
    },
    { immediate: true },
  )
  return { papers, alike, hidden, sharing, background }
}

/**
 * The cutting of the class on screen. Plans are made in a worker whenever the
 * pieces of a paper change, and remembered by the problem they solve, so that
 * undo shows the old plan at once.
 */
export const usePlannerStore = defineStore('planner', () => {
  const work = useClassStore()
  const { papers, alike, hidden, sharing, background } = usePlannedPapers()

  const outcomes = computed(() => papers.value.flatMap(({ outcome }) => outcome ?? []))
  const running = computed(
    () =>
      sharing.value || alike.choosing.value || (hidden.value?.open ?? false)
      || papers.value.some(({ job }) => isOpen(job)),
  )
  /** Everything is planned as far as it will be, what failed included. */
  const ready = computed(() => work.settled !== undefined && !running.value)
  const stopped = computed(() =>
    alike.stopped.value || papers.value.some(({ job }) => job.state === 'stopped' || job.state === 'failed'))
  const progress = computed(
    () => papers.value.reduce((total, { job }) => total + job.progress, 0) / Math.max(1, papers.value.length),
  )
  /** Somebody else plans some of it: the answers are waited for. */
  const elsewhere = computed(() => papers.value.some(({ key, job }) => isOpen(job) && background.isElsewhere(key)))
  /** Papers without any plan: their sheets are not known. */
  const planless = computed(() => papers.value.some(({ outcome }) => !outcome))
  const kits = computed(() =>
    work.settled && (ready.value || !planless.value)
      ? kitsOfBatch(work.settled.batch, work.settled.preparation, outcomes.value)
      : undefined,
  )
  return {
    papers, outcomes, planless, ready, running, elsewhere, stopped, progress, kits,
    /** The orders of cuts of the whole class, one for each sitting; none before everything is planned. */
    orders: computed(() => (ready.value && work.settled ? ordersOf(outcomes.value, work.settled.batch) : [])),
    stop() {
      background.stop()
      alike.stop()
    },
    resume() {
      background.resume()
      alike.resume()
    },
  }
})
