import type { CutNode } from './plan'
import { contentOf } from './plan'

/** Figures of one sheet that is cut in some way. */
interface Tally {
  /** Cuts, strips with cuts of their own, and distinct ones among those. */
  strokes: number
  strips: number
  kinds: number
  /** How often the direction of the cuts changes, the first one counted. */
  stages: number
  /** Width of the narrowest strip; infinite where there is none. */
  narrowest: number
}

const known = new WeakMap<CutNode, Tally>()

/** Counts the cuts and strips of a cut tree. Worked out once for each node. */
export function tallyOf(node: CutNode): Tally {
  const found = known.get(node)
  if (found) return found
  const sum: Tally = { strokes: 0, strips: 0, kinds: 0, stages: 0, narrowest: Infinity }
  if (node.kind === 'cut') {
    const parts = node.parts.filter(part => part.kind === 'piece' || part.kind === 'cut')
    sum.strokes = parts.length === node.parts.length ? parts.length - 1 : parts.length
    const seen = new Set<string>()
    for (const part of parts) {
      if (part.kind !== 'cut') continue
      const inner = tallyOf(part)
      sum.strips += 1 + inner.strips
      sum.strokes += inner.strokes
      // Halves that are cut the same way again are no change of direction.
      sum.stages = Math.max(sum.stages, inner.stages - (part.side === node.side ? 1 : 0))
      sum.narrowest = Math.min(sum.narrowest, part[node.side], inner.narrowest)
      if (seen.has(contentOf(part))) continue
      seen.add(contentOf(part))
      sum.kinds += 1 + inner.kinds
    }
    sum.stages += 1
  }
  known.set(node, sum)
  return sum
}
