import type { Construction } from '../folds'

/** A part with everything that is glued on it. */
export function withAllOnIt({ joints }: Construction, part: string): Set<string> {
  const all = new Set([part])
  for (let size = 0; size < all.size;) {
    size = all.size
    for (const joint of joints) if (all.has(joint.onto.part)) all.add(joint.part)
  }
  return all
}
