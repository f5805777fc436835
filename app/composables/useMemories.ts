import type { Memories } from '../background/memories'

let shared: Memories | undefined

/** Plans and sharings that are kept; nothing where a browser cannot keep anything. */
export function useMemories(): Memories | undefined {
  if (typeof indexedDB === 'undefined') return undefined
  const version = useRuntimeConfig().public.planner
  // What looks things up is fetched with the first question.
  const later = () => import('../background/memories').then(({ memories }) => (shared ??= memories(version)))
  return {
    plans: {
      find: wanted => later().then(({ plans }) => plans.find(wanted)).catch(() => new Map()),
      keep: (key, plans) => void later().then(kept => kept.plans.keep(key, plans)).catch(() => {}),
    },
    sharings: {
      find: wanted => later().then(({ sharings }) => sharings.find(wanted)).catch(() => new Map()),
      keep: (key, sharing) => void later().then(kept => kept.sharings.keep(key, sharing)).catch(() => {}),
    },
  }
}
