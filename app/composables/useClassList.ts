import type { ClassSummary } from '../../core/kits'

/** A class as the list shows it. */
export type ListedClass = ClassSummary & { id: number }

/**
 * Classes that are read at once, and milliseconds until figures that are still being worked out are asked for again.
 */
const STRETCH = 50
const AGAIN = 1500

/** Counts what has changed in the classes, for every list that shows them. */
export const useClassTurn = () => useState('class-turn', () => 0)

/**
 * A list of classes, read stretch by stretch.
 * @param when which side of today
 * @param search part of the title
 */
export function useClassList(when: 'coming' | 'past', search: Ref<string>, today: Ref<string>) {
  const turn = useClassTurn()
  const classes = shallowRef<ListedClass[]>([])
  const total = ref(0)
  const error = shallowRef<unknown>()
  const ready = ref(false)
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  async function load(offset: number, limit: number) {
    const order = ++asked
    clearTimeout(timer)
    try {
      const answer = await $fetch<{ total: number, classes: ListedClass[] }>('/api/classes', {
        query: { when, search: search.value, today: today.value, offset, limit },
      })
      if (order !== asked) return
      classes.value = [...classes.value.slice(0, offset), ...answer.classes]
      total.value = answer.total
      error.value = undefined
      if (answer.classes.some(({ pending }) => pending)) timer = setTimeout(() => void refresh(), AGAIN)
    }
    catch (reason) {
      if (order === asked) error.value = reason
    }
    ready.value = true
  }
  const refresh = () => load(0, Math.min(100, Math.max(STRETCH, classes.value.length)))
  const more = () => load(classes.value.length, STRETCH)

  watch([search, today], () => void load(0, STRETCH), { immediate: true })
  watch(turn, () => void refresh())
  onScopeDispose(() => clearTimeout(timer))
  return { classes, total, error, ready, more }
}
