import type { Demand } from '../cutting'
import { capitalised, tally } from '../lists'

/** How many of a size are cut for which piece of which card. */
export interface Owner {
  /** Title of the card. */
  card: string
  piece: string
  quantity: number
}

/** Pieces of one size with whom they are cut for. */
export type OwnedDemand = Demand & { owners: Owner[] }

/**
 * Words that tell mirror twins apart: at the start, as in `Left door`, or after what lies there, as in `Mat on left
 * door`.
 */
const SIDE = '(?:left|right|upper|lower|top|bottom)'
const FIRST = new RegExp(`^${SIDE} (.+)$`, 'i')
const LATER = new RegExp(`^(.+) (on|in|inside|under|behind) (?:the )?${SIDE} (.+)$`, 'i')

const plural = (noun: string): string =>
  noun
    .replace(/(f|fe)$/, 'ves')
    .replace(/([^s])$/, '$1s')
    .replace(/(x|ch|sh)s$/, '$1es')

/** What both of two twins are called: `Left door` and `Right door` are doors; nothing where a name tells of no side. */
function twinName(piece: string): string | undefined {
  const [, what = '', where = '', side = ''] = LATER.exec(piece) ?? []
  if (side) return `${plural(what)} ${where} both ${plural(side)}`
  const [, name = ''] = FIRST.exec(piece) ?? []
  // What follows with “of” or “over” is not what there are several of.
  if (name === '' || /\s(of|on|over|for|with)\s/.test(name)) return undefined
  return plural(capitalised(name))
}

/** Mirror twins of a card under one name, how many of each. */
function withTwins(owners: Owner[]): { label: string, owners: Owner[] }[] {
  const groups = new Map<string, Owner[]>()
  for (const owner of owners) {
    const twin = twinName(owner.piece)
    const same = twin && owners.filter(({ card, piece, quantity }) =>
      card === owner.card && twinName(piece) === twin && quantity === owner.quantity)
    const label = same && same.length > 1 ? `${twin} (${same.length} × ${owner.quantity})` : owner.piece
    groups.set(label, [...(groups.get(label) ?? []), owner])
  }
  return [...groups].map(([label, owners]) => ({ label, owners }))
}

/**
 * What a pile of equal pieces is called: `Doors (2 × 20)`, `Mat, Plate`, or with several cards `Mat (Harbour, Two
 * tides)`.
 * @param alone the class has one card, which goes without saying
 */
export const pileName = (owners: Owner[], alone: boolean): string =>
  withTwins(owners).map(({ label, owners }) => {
    const cards = [...new Set(owners.map(({ card }) => card))].join(', ')
    return alone ? label : label.endsWith(')') ? `${label.slice(0, -1)}, ${cards})` : `${label} (${cards})`
  }).join(', ')

/**
 * How many of a pile belong to whom, by cards where there are several and else by pieces: `12 Harbour, 16 Two tides`;
 * nothing for one.
 */
export function belongsTo(owners: Owner[]): string {
  const sums = (of: (owner: Owner) => string) => {
    const all = tally(owners, of, ({ quantity }) => quantity)
    return all.size > 1 ? [...all].map(([name, number]) => `${number} ${name}`).join(', ') : ''
  }
  return sums(({ card }) => card) || (withTwins(owners).length > 1 ? sums(({ piece }) => piece) : '')
}
