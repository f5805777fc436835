import type { CutNode } from './plan'
import { area } from './plan'

const known = new WeakMap<CutNode, number>()

/** The areas of what is left over, each squared. Worked out once for each node. */
function squares(node: CutNode): number {
  if (node.kind === 'piece') return 0
  if (node.kind !== 'cut') return area(node) ** 2
  const found = known.get(node)
  if (found !== undefined) return found
  const sum = node.parts.reduce((sum, part) => sum + squares(part), 0)
  known.set(node, sum)
  return sum
}

/**
 * How much of what is left over lies together: each leftover by its share of the sheet, squared, so that one large one
 * counts more than the same in crumbs. 1 for a bare sheet, 0 where nothing is left.
 */
export const restIn = (root: CutNode): number => squares(root) / area(root) ** 2
