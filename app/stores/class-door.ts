import type { Ref } from 'vue'
import { ref } from 'vue'
import type { Batch, Patch } from '../../core/document'
import { afterOthers } from '../../core/document'
import { refusalOf } from '../utils/refusal'
import type { At, Door } from './door'
import { forgetDraft, keepDraft } from './drafts'
import { newToken } from './feed'

/**
 * How a class comes from the server and goes back there.
 * @param id number of the class that is open
 */
export function useClassDoor(id: Ref<number | undefined>) {
  /** Papers that were looked for and chosen, besides those that come by themselves. */
  const wanted = new Set<string>()
  /** How many papers the shelf has besides those that are here. */
  const morePapers = ref(0)

  const read = (of: number) =>
    $fetch<At<Batch> & { more: number }>(`/api/classes/${of}`, {
      query: wanted.size > 0 ? { with: [...wanted].join(',') } : undefined,
    })

  const door: Door<Batch> = {
    load: async () => {
      const { more, ...at } = await read(id.value ?? 0)
      morePapers.value = more
      return at
    },
    later: async (since, base) => {
      const { position, patches } = await $fetch<{ position: number, patches: Patch[] | null }>(
        `/api/classes/${id.value ?? 0}/changes`, { query: { since } })
      const document = patches ? afterOthers(base, patches) : undefined
      return document && { position, document }
    },
    save: sent =>
      $fetch<{ position: number }>('/api/edits', {
        method: 'POST', body: { ...sent, class: id.value ?? null }, retry: 0,
      }),
    keep: (session, at) => id.value === undefined || keepDraft(id.value, session, at),
    forget: () => id.value !== undefined && forgetDraft(id.value),
    newToken,
    refusalOf,
  }
  return { read, door, wanted, morePapers }
}
