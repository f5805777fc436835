import type { TeachWishes } from '../../core/kits'
import type { Batch } from '../../core/document'
import { Background } from '../background/background'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'

/**
 * What could be taught, looked for beside the page: what is known so far comes at once, a newer question ends the older
 * one.
 */
export function useTeach() {
  const turn = shallowRef(0)
  const background = new Background('teach', { start: startWorker, changed: () => turn.value++ })
  const asked = ref(0)
  const job = computed(() => (void turn.value, asked.value > 0 ? background.job(`${asked.value}`) : undefined))

  function ask(batch: Batch, wishes: TeachWishes) {
    asked.value++
    background.show([{ key: `${asked.value}`, problem: { batch, wishes } }])
  }

  onScopeDispose(() => background.end())
  return {
    found: computed(() => job.value?.best ?? []),
    running: computed(() => job.value !== undefined && isOpen(job.value)),
    state: computed(() => job.value?.state),
    reason: computed(() => job.value?.reason ?? ''),
    ask,
    stop: () => background.stop(),
  }
}
