import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef } from 'vue'
import type { SharingOfClass } from '../../core/batch'
import type { Sharing } from '../../core/sharing'
import { Background } from '../background/background'
import { isBetterSharing } from '../background/better'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'
import { useMemories } from '../composables/useMemories'

/**
 * Prints shared out among the kits of the class on screen. What follows from a sharing is worked out once the search
 * has ended, or step by step while somebody looks at who gets what.
 */
export const useSharingStore = defineStore('sharing', () => {
  /** Counts what has changed in the search. */
  const turn = shallowRef(0)
  const watchers = shallowRef(0)
  /** The sharing of the class on screen as far as it is told. */
  const told = shallowRef<{ key: string, sharing: Sharing }>()
  const background = new Background('share', {
    start: startWorker,
    changed() {
      turn.value++
      tell()
    },
    takesOver: isBetterSharing,
    memory: useMemories()?.sharings,
  })
  let asked: string | undefined

  function tell() {
    const job = asked === undefined ? undefined : background.job(asked)
    if (asked === undefined || !job?.best || (isOpen(job) && watchers.value === 0)) return
    if (told.value?.sharing !== job.best) told.value = { key: asked, sharing: job.best }
  }

  return {
    /** Looks for the sharing of a class, unless it is known or being looked for. */
    seek({ key, problem }: SharingOfClass) {
      asked = key
      background.show([{ key, problem }])
      tell()
    },
    /** Ends the search; the best so far stands. */
    stop: () => background.stop(),
    resume: () => background.resume(),
    /** Has what is found shown as it comes, as long as the part of the page that asks is there. */
    watch() {
      watchers.value++
      tell()
      onScopeDispose(() => watchers.value--)
    },
    /** The sharing of a problem that is told: on screen, or one that was looked for to the end and comes back. */
    known: computed(() => {
      const { key, sharing } = told.value ?? {}
      return (wanted: string) => {
        if (wanted === key) return sharing
        const before = background.job(wanted)
        return isOpen(before) ? undefined : before.best
      }
    }),
    stateOf: (key: string | undefined) => (
      void turn.value,
      key === undefined || key !== asked ? undefined : background.job(key)
    ),
    /** Whether it is not known yet if a sharing is kept somewhere. */
    isLookedUp: (key: string | undefined) => (void turn.value, key !== undefined && background.isLookedUp(key)),
  }
})
