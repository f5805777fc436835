import type { ComingClass, TakenBefore } from '../../core/reserved'

interface BeforeAnswer {
  before: TakenBefore[]
  classes: Pick<ComingClass, 'id' | 'title' | 'day'>[]
}

/** What classes that are taught before the one on screen take from the shelf; nothing while that is not known. */
export function useTakenBefore() {
  const work = useClassStore()
  const answer = shallowRef<BeforeAnswer>({ before: [], classes: [] })
  async function load() {
    if (work.id === undefined) return
    const id = work.id
    // Without it a class is what it was: nobody is kept from working by it.
    const found = await $fetch<BeforeAnswer>(`/api/classes/${id}/before`, { query: { today: localDay() } })
      .catch(() => undefined)
    if (found && id === work.id) answer.value = found
  }
  onMounted(() => void load())
  watch(() => work.document?.class.date, () => void load())
  return {
    /** Of a sheet format: how many of those on hand, and for whom; none where nobody is before. */
    takenOf(item: string, stock: string) {
      const taken = answer.value.before.find(one => one.item === item && one.stock === stock)
      return taken && {
        count: taken.count,
        for: answer.value.classes.filter(({ id }) => taken.classes.includes(id)),
      }
    },
  }
}
