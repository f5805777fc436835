import type { Ref } from 'vue'
import { computed, watch } from 'vue'
import type { Preparation } from '../../core/batch'
import { prepare } from '../../core/batch'
import type { Batch } from '../../core/document'
import { useTrailing } from '../composables/useTrailing'
import { usePapersStore } from './papers'
import { useSharingStore } from './sharing'

function whileOpen<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('No class is open.')
  return value
}

/**
 * What follows from a class: its cards worked out, its prints shared out.
 * @param document the class on screen; nothing while none is open
 */
export function useWorkedOut(document: Ref<Batch | undefined>) {
  const shelf = usePapersStore()
  const sharings = useSharingStore()
  /** What was prepared last: whatever has not changed since is taken over from it. */
  let before: Preparation | undefined
  const preparation = computed(() => (before = document.value && prepare(document.value, before, sharings.known)))
  // Prints are shared out at once by their rules, and then together with the cutting.
  watch(() => preparation.value?.sharing, sharing => sharing && typeof Worker !== 'undefined' && sharings.seek(sharing))
  // Whatever draws papers draws those of the class on screen.
  watch(() => document.value?.papers, papers => papers && shelf.show(papers), { flush: 'sync' })
  return {
    preparation,
    /** Document and preparation one paint behind, for what follows from the cards and may be drawn after them. */
    settled: useTrailing(
      () => document.value && preparation.value && { batch: document.value, preparation: preparation.value },
    ),
    /** The class on screen and what follows from it, for parts of the page that are shown only while one is open. */
    batch: computed(() => whileOpen(document.value)),
    prepared: computed(() => whileOpen(preparation.value)),
    units: computed(() => document.value?.class.units ?? 'inch'),
  }
}
