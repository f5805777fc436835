import type { Batch } from '../../core/document'
import type { Plan } from '../../core/cutting'
import { problemKey } from '../../core/cutting'
import { prepare } from '../../core/batch'
import type { PaperProblem } from '../../core/batch'
import type { PaperOutcome } from '../../core/plans'
import { outcomeOf } from '../../core/plans'
import type { CutFor } from '../../core/reserved'
import { addedUp, atOnce, unfitFor } from '../../core/reserved'
import { Background } from '../background/background'
import { isBetterPlan } from '../background/better'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'

/** A class that takes a paper, with its document as it was read. */
interface Asked extends CutFor {
  batch: Batch
}

/** One paper cut for several classes in one go, beside each of them by itself. */
export function useAtOnce(paper: string, ids: Ref<number[]>) {
  const all = shallowRef<Asked[]>([])
  const error = shallowRef<unknown>()
  const ready = ref(false)
  const memories = useMemories()
  const turn = shallowRef(0)
  const background = new Background('plan', {
    start: startWorker, changed: () => turn.value++, takesOver: isBetterPlan, memory: memories?.plans,
  })
  onScopeDispose(() => background.end())

  /** A class with its prints as they were shared out, where that is kept. */
  async function prepared(batch: Batch) {
    const first = prepare(batch)
    const { sharing } = first
    const found = sharing && await memories?.sharings.find([sharing])
    const known = sharing && found?.get(sharing.key)
    return known ? prepare(batch, first, key => (key === sharing.key ? known : undefined)) : first
  }

  async function read(id: number): Promise<Asked[]> {
    const { document: batch } = await $fetch<{ document: Batch }>(`/api/classes/${id}`)
    const entry = (await prepared(batch)).papers.find(one => one.paper.key === paper)
    return entry ? [{ id, title: batch.class.title, entry, batch }] : []
  }

  async function load(wanted: number[]) {
    try {
      all.value = (await Promise.all(wanted.map(read))).flat()
      error.value = undefined
    }
    catch (reason) {
      error.value = reason
    }
    ready.value = true
  }
  watch(ids, wanted => void load(wanted), { immediate: true })

  const left = ref<number[]>([])
  /** Every class that takes the paper, and why it cannot be cut with the first of them. */
  const classes = computed(() => all.value.map((one, at) => ({
    ...one, unfit: at === 0 ? undefined : unfitFor(one, all.value[0] ?? one),
  })))
  const chosen = computed(() => classes.value.filter(({ id, unfit }) => !unfit && !left.value.includes(id)))
  const together = computed(() => {
    const [first, ...others] = chosen.value
    return first && atOnce([first, ...others])
  })
  watch([chosen, together], () => {
    const entries = [...chosen.value.map(({ entry }) => entry), ...(together.value ? [together.value.entry] : [])]
    background.show(entries.map(({ problem }) => ({ key: problemKey(problem), problem })))
  }, { immediate: true })

  const plansOf = ({ problem }: PaperProblem): Plan[] | undefined =>
    (void turn.value, background.job(problemKey(problem)).best)
  const outcomeFor = (entry: PaperProblem, batch: Batch): PaperOutcome | undefined => {
    const plans = plansOf(entry)
    return plans && outcomeOf(entry, plans, batch)
  }
  const outcome = computed(() => {
    const [first] = chosen.value
    return first && together.value && outcomeFor(together.value.entry, first.batch)
  })
  const alone = computed(() => chosen.value.flatMap(({ entry, batch }) => outcomeFor(entry, batch) ?? []))
  return {
    classes, chosen, left, together, outcome, error, ready, load: () => load(ids.value),
    apart: computed(() => (alone.value.length === chosen.value.length ? addedUp(alone.value) : undefined)),
    running: computed(() => (void turn.value, [
      ...chosen.value.map(({ entry }) => entry), ...(together.value ? [together.value.entry] : []),
    ].some(({ problem }) => isOpen(background.job(problemKey(problem)))))),
    shelf: computed(() => chosen.value[0]?.batch.papers ?? []),
  }
}
