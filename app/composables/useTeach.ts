import type { Suggestion, TeachWishes } from '../../core/kits'
import type { Batch } from '../../core/document'
import type { TeachAnswer, TeachOrder } from '../workers/teach.worker'

/** What could be taught, looked for in a worker of its own: what is known so far comes at once, a newer question ends the older one. */
export function useTeach() {
  const found = shallowRef<Suggestion[]>([])
  const state = ref<'idle' | 'running' | 'done' | 'stopped' | 'failed'>('idle')
  const reason = ref('')
  let worker: Worker | undefined

  function stop(as: typeof state.value = 'stopped') {
    worker?.terminate()
    worker = undefined
    if (state.value === 'running') state.value = as
  }

  function ask(batch: Batch, wishes: TeachWishes) {
    stop()
    found.value = []
    state.value = 'running'
    const started = new Worker(new URL('../workers/teach.worker.ts', import.meta.url), { type: 'module' })
    worker = started
    const fail = (why: string) => {
      reason.value = why
      stop('failed')
    }
    started.addEventListener('message', ({ data }: MessageEvent<TeachAnswer>) => {
      if (worker !== started) return
      if (data.kind === 'failed') return fail(data.reason)
      found.value = data.found
      if (data.done) stop('done')
    })
    started.addEventListener('error', ({ message }) => worker === started && fail(message || 'The search ended unexpectedly.'))
    started.postMessage({ batch, wishes } satisfies TeachOrder)
  }

  onBeforeUnmount(() => stop())
  return { found, state, reason, ask, stop }
}
