import { applied } from './applying'
import { namedPapers } from './defaults'
import type { Patch } from './patches'
import { PatchError } from './patches'
import type { Batch } from './shapes'

/**
 * A class with the papers that a window has, after what others have changed of the class and of any papers.
 * @returns nothing where it has to be read anew: a change does not fit, or the class names a paper that is not here
 */
export function afterOthers(batch: Batch, patches: readonly Patch[]): Batch | undefined {
  const here = new Set(batch.papers.map(({ key }) => key))
  const known = patches.filter((patch) => {
    if (patch.path[0] !== 'papers') return true
    if (patch.path.length > 1) return here.has(patch.path[1] ?? '')
    if (patch.op === 'add') here.add(String((patch.entry as { key?: unknown }).key))
    // The order of papers is nothing that is kept.
    return patch.op !== 'order'
  })
  try {
    const now = applied(batch, known)
    const papers = new Set(now.papers.map(({ key }) => key))
    return namedPapers(now).every(key => papers.has(key)) ? now : undefined
  }
  catch (error) {
    if (error instanceof PatchError) return undefined
    throw error
  }
}
