import { defineStore } from 'pinia'
import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import type { Batch } from '../../core/document'
import type { Advice } from '../../core/rehearsal'
import { isFitting } from '../../core/rehearsal'
import { Background } from '../background/background'
import { isOpen } from '../background/job'
import { startWorker } from '../background/remote'
import { useClassStore } from './class'

/** Milliseconds without a change after which an evening is rehearsed anew. */
const SETTLED = 500

/**
 * The evening of the class on screen, rehearsed beside the page. It begins when somebody looks at it; from then on it
 * follows every change.
 */
export const useEveningStore = defineStore('evening', () => {
  const work = useClassStore()
  const turn = shallowRef(0)
  const background = new Background('evening', { start: startWorker, changed: () => void turn.value++ })
  /** The class whose evening is looked at, as it was when it was asked for last, and how often it was. */
  const watched = shallowRef<number>()
  let rehearsed: Batch | undefined
  const asked = shallowRef(0)
  const job = computed(() =>
    (void turn.value, asked.value > 0 && watched.value === work.id ? background.job(`${asked.value}`) : undefined))

  function rehearse() {
    if (!work.settled || watched.value !== work.id) return
    asked.value++
    rehearsed = work.settled.batch
    background.show([{ key: `${asked.value}`, problem: JSON.parse(JSON.stringify(rehearsed)) }])
  }
  const soon = useDebounceFn(rehearse, SETTLED)
  watch(() => work.settled?.batch, (now, before) => {
    if (now && before && watched.value === work.id) void soon()
  })

  /** What was found last: it stands until there is something newer of the same class. */
  const advice = shallowRef<Advice>()
  watch(() => job.value?.best, (best) => {
    if (best) advice.value = best
  })
  watch(() => work.id, () => (advice.value = undefined))

  /** Somebody looks at the evening of the class on screen. */
  function look() {
    if (watched.value === work.id && rehearsed === work.settled?.batch) return
    watched.value = work.id
    rehearse()
  }

  return {
    look,
    advice,
    isRunning: computed(() => job.value !== undefined && isOpen(job.value)),
    failed: computed(() => (job.value?.state === 'failed' ? job.value.reason : undefined)),
    /** Whether the class fits; nothing while nobody has looked. */
    fits: computed(() => advice.value && isFitting(advice.value.rehearsal)),
  }
})
