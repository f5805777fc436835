import type { PaperLook } from '../utils/paper-look'
import type { ComingClass, Reserved } from '../../core/reserved'

/** What is taken from the shelf, as it was worked out last. */
interface ReservedAnswer {
  classes: Omit<ComingClass, 'takes'>[]
  reserved: Reserved[]
  looks: PaperLook[]
  pending: boolean
  currency: string
}

/** Milliseconds until what is still being worked out is asked for again. */
const AGAIN = 1500

/** What the classes that are coming up take from the shelf; asked for again until all of it is worked out. */
export function useReserved() {
  const answer = shallowRef<ReservedAnswer>()
  const error = shallowRef<unknown>()
  let timer: ReturnType<typeof setTimeout> | undefined
  async function load() {
    clearTimeout(timer)
    try {
      answer.value = await $fetch<ReservedAnswer>('/api/reserved', { query: { today: localDay() } })
      error.value = undefined
      if (answer.value.pending) timer = setTimeout(() => void load(), AGAIN)
    }
    catch (reason) {
      error.value = reason
    }
  }
  onMounted(() => void load())
  watch(useClassTurn(), () => void load())
  onScopeDispose(() => clearTimeout(timer))
  const titles = computed(() => new Map((answer.value?.classes ?? []).map(({ id, title }) => [id, title])))
  return {
    answer, error, load,
    titleOf: (id: number) => titles.value.get(id) ?? '',
    money: useMoney(() => answer.value?.currency ?? 'EUR'),
  }
}
