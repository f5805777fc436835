import type { Length } from '../lengths'
import type { CutNode, Cutter, Size } from './plan'
import { contentOf, countsOf } from './plan'
import { isOffcut } from './strips'

/*
 * Changes of a cut tree that leave its pieces as they are, or leave some out.
 */

/** Parts side by side, with waste up to the whole. */
export function filled(side: 'width' | 'height', parts: CutNode[], whole: number): CutNode[] {
  const left = whole - parts.reduce((sum, part) => sum + part[side], 0)
  const [first] = parts
  return left > 0 && first
    ? [...parts, { kind: 'waste', width: first.width, height: first.height, [side]: left as Length }]
    : parts
}

/**
 * The same cuts in as few steps: cuts in one direction become one, what is left
 * over lies together at the end, equal parts beside each other.
 * @param known what was made tidy already, for trees that share their parts
 */
export function tidy(node: CutNode, cutter: Cutter, known = new Map<CutNode, CutNode>()): CutNode {
  if (node.kind === 'piece') return node
  if (node.kind !== 'cut') return leftover(node, cutter)
  const before = known.get(node)
  if (before) return before
  const { side } = node
  const used: CutNode[] = []
  // What is cut the same way inside is gathered at once, not level by level.
  const gather = (part: CutNode): void => {
    if (part.kind === 'cut' && part.side === side) part.parts.forEach(gather)
    else if (part.kind === 'piece') used.push(part)
    else if (part.kind === 'cut') {
      const inside = tidy(part, cutter, known)
      if (inside.kind === 'cut' && inside.side === side) inside.parts.forEach(gather)
      else if (inside.kind === 'piece' || inside.kind === 'cut') used.push(inside)
    }
  }
  node.parts.forEach(gather)
  const result = together(node, used, cutter)
  known.set(node, result)
  return result
}

function together({ side, width, height }: CutNode & { kind: 'cut' }, used: CutNode[], cutter: Cutter): CutNode {
  if (used.length === 0) return leftover({ width, height }, cutter)
  const free = { width, height }[side] - used.reduce((sum, part) => sum + part[side], 0)
  const all = [...used].sort((a, b) => b[side] - a[side] || compare(contentOf(a), contentOf(b)))
  if (free > 0) all.push(leftover({ width, height, [side]: free as Length }, cutter))
  const [only] = all
  return all.length === 1 && only ? only : { kind: 'cut', side, width, height, parts: all }
}

const leftover = ({ width, height }: Size, cutter: Cutter): CutNode => ({
  kind: isOffcut({ width, height }, cutter) ? 'offcut' : 'waste',
  width,
  height,
})

/** A pattern with some pieces of a demand left out. */
export function without(node: CutNode, demand: string, count: number, cutter: Cutter): CutNode {
  let left = count
  const visit = (part: CutNode): CutNode => {
    if (part.kind === 'cut') return { ...part, parts: [...part.parts].reverse().map(visit).reverse() }
    if (part.kind !== 'piece' || part.demand !== demand || left === 0) return part
    left -= 1
    return { kind: 'waste', width: part.width, height: part.height }
  }
  return tidy(visit(node), cutter)
}

/** A pattern without what is more than some number of each demand. */
export function limited(node: CutNode, left: ReadonlyMap<string, number>, cutter: Cutter): CutNode {
  let result = node
  for (const [key, count] of countsOf(node)) {
    const over = count - Math.max(0, left.get(key) ?? 0)
    if (over > 0) result = without(result, key, over, cutter)
  }
  return result
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
