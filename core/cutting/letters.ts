import type { KeyedLayout } from './plan'
import { leavesOf } from './plan'

const ALPHABET = 'ABCDEFGHJKLMNPQRSTUVWXYZ'

/** A, B, … Z without I and O, which look like figures; then AA, AB, … */
export function letterAt(index: number): string {
  const place = ALPHABET[index % ALPHABET.length] ?? 'A'
  return index < ALPHABET.length ? place : letterAt(Math.floor(index / ALPHABET.length) - 1) + place
}

/** A letter for every piece on the layouts of a paper, in the order in which they come up. */
export function lettersOf(layouts: KeyedLayout[], kerf = 0): Map<string, string> {
  const letters = new Map<string, string>()
  for (const { root } of layouts)
    for (const { node } of leavesOf(root, kerf))
      if (node.kind === 'piece' && !letters.has(node.demand)) letters.set(node.demand, letterAt(letters.size))
  return letters
}
