import type { Memories } from '../background/memories'
import type { Memory } from '../background/memory'

let shared: Memories | undefined

/** Plans, layouts chosen alike and sharings that are kept; nothing where a browser cannot keep anything. */
export function useMemories(): Memories | undefined {
  if (typeof indexedDB === 'undefined') return undefined
  const version = useRuntimeConfig().public.planner
  // What looks things up is fetched with the first question.
  const later = () => import('../background/memories').then(({ memories }) => (shared ??= memories(version)))
  const asked = <Problem, Answer>(of: (memories: Memories) => Memory<Problem, Answer>): Memory<Problem, Answer> => ({
    find: wanted => later().then(kept => of(kept).find(wanted)).catch(() => new Map()),
    begin: keys => later().then(kept => of(kept).begin?.(keys) ?? new Set<string>()).catch(() => new Set<string>()),
    keep: (key, answer) => void later().then(kept => of(kept).keep(key, answer)).catch(() => {}),
  })
  return {
    plans: asked(({ plans }) => plans), together: asked(({ together }) => together),
    sharings: asked(({ sharings }) => sharings),
  }
}
