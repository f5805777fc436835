import type { Length, Units } from '../../lengths'
import { formatLength, formatSize } from '../../lengths'
import type { Part } from './card'

/* A maker's own words for a step. Figures in them are fields, so that they follow the card: `{mat}`, `{mat width}`. */

const FIELD = /\{([^{}]*)\}/g
const SIDES = { width: 'width', height: 'height' } as const
type Sized = Pick<Part, 'key' | 'name' | 'width' | 'height'>

/** What a field stands for; nothing where the card has no such piece. */
function figureOf(field: string, parts: readonly Sized[], units: Units): string | undefined {
  const [, named = '', side] = /^\s*(.+?)(?:\s+(width|height))?\s*$/.exec(field) ?? []
  const part = parts.find(({ key }) => key === named)
  if (!part) return undefined
  const show = (length: Length) => formatLength(length, units, { unit: true })
  if (side === undefined) return formatSize(part.width.value, part.height.value, units)
  return show(part[SIDES[side as keyof typeof SIDES]].value)
}

/**
 * A maker's words with the figures of the card in place of their fields.
 * @returns the words, and fields of pieces that the card does not have, which stay as they are
 */
export function saidWords(
  words: string, parts: readonly Sized[], units: Units,
): { text: string, unknown: string[] } {
  const unknown: string[] = []
  const text = words.replace(FIELD, (field: string, inside: string) => {
    const figure = figureOf(inside, parts, units)
    if (figure === undefined) unknown.push(field)
    return figure ?? field
  })
  return { text, unknown }
}
