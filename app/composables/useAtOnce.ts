import type { Batch } from '../../core/document'
import { problemKey } from '../../core/cutting'
import { prepare } from '../../core/batch'
import type { PaperProblem } from '../../core/batch'
import type { CutFor } from '../../core/reserved'
import { addedUp, atOnce, unfitFor } from '../../core/reserved'
import { Background } from '../background/background'
import { isBetterPlan } from '../background/better'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'
import { outcomeFor } from '../stores/outcomes'

/** A class that takes a paper, with its document as it was read. */
interface Asked extends CutFor {
  batch: Batch
  position: number
}

/**
 * One paper cut for several classes in one go, beside each of them by itself: which paper and which classes stands in
 * the address, as in `/reserved/kelp?classes=2,4`.
 */
export function useAtOnce() {
  const route = useRoute()
  const paper = String(route.params.paper)
  const ids = computed(() => String(route.query.classes ?? '').split(',').map(Number).filter(id => id > 0))
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
    const { document: batch, position } = await $fetch<{ document: Batch, position: number }>(`/api/classes/${id}`)
    const entry = (await prepared(batch)).papers.find(one => one.paper.key === paper)
    return entry ? [{ id, title: batch.class.title, entry, batch, position }] : []
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
  const entries = computed(() =>
    [...chosen.value.map(({ entry }) => entry), ...(together.value ? [together.value.entry] : [])])
  watch(entries, all => background.show(all.map(({ problem }) => ({ key: problemKey(problem), problem }))),
    { immediate: true })
  const jobOf = ({ problem }: PaperProblem) => (void turn.value, background.job(problemKey(problem)))
  const cutBy = (entry: PaperProblem, batch: Batch) => {
    const plans = jobOf(entry).best
    return plans && outcomeFor(entry, plans, batch)
  }
  const outcome = computed(() => {
    const [first] = chosen.value
    return first && together.value && cutBy(together.value.entry, first.batch)
  })
  const alone = computed(() => chosen.value.flatMap(({ entry, batch }) => cutBy(entry, batch) ?? []))
  return {
    paper, ids, classes, chosen, left, together, outcome, error, ready, load: () => load(ids.value),
    units: computed(() => chosen.value[0]?.batch.class.units ?? 'inch'),
    apart: computed(() => (alone.value.length === chosen.value.length ? addedUp(alone.value) : undefined)),
    running: computed(() => entries.value.some(entry => isOpen(jobOf(entry)))),
    shelf: computed(() => chosen.value[0]?.batch.papers ?? []),
    /** Since when the shelf may have changed. */
    since: computed(() => Math.min(...chosen.value.map(({ position }) => position))),
  }
}
