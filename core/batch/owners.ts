import { tally } from '../lists'

/** How many of a size are cut for which piece of which card. */
export interface Owner {
  /** Title of the card. */
  card: string
  piece: string
  quantity: number
}

/** Words that tell mirror twins apart. */
const SIDES = /\b(left|right|upper|lower|top|bottom)\b */i

/** What both of two twins are called: `Left door` and `Right door` are doors. */
function twinName(piece: string): string | undefined {
  const name = piece.replace(SIDES, '').trim()
  // What follows with “of” or “over” is not what there are several of.
  if (name === piece || name === '' || /\s(of|over|for|with)\s/.test(name)) return undefined
  const plural = name.replace(/(f|fe)$/, 'ves').replace(/([^s])$/, '$1s').replace(/(x|ch|sh)s$/, '$1es')
  return plural.charAt(0).toUpperCase() + plural.slice(1)
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
 * What a pile of equal pieces is called: `Doors (2 × 20)`, `Mat, Plate`, or with several cards `Mat (Harbour, Two tides)`.
 * @param alone the class has one card, which goes without saying
 */
export const pileName = (owners: Owner[], alone: boolean): string =>
  withTwins(owners).map(({ label, owners }) => {
    const cards = [...new Set(owners.map(({ card }) => card))].join(', ')
    return alone ? label : label.endsWith(')') ? `${label.slice(0, -1)}, ${cards})` : `${label} (${cards})`
  }).join(', ')

/** How many of a pile belong to whom, by cards where there are several and else by pieces: `12 Harbour, 16 Two tides`; nothing for one. */
export function belongsTo(owners: Owner[]): string {
  const sums = (of: (owner: Owner) => string) => {
    const all = tally(owners, of, ({ quantity }) => quantity)
    return all.size > 1 ? [...all].map(([name, number]) => `${number} ${name}`).join(', ') : ''
  }
  return sums(({ card }) => card) || (withTwins(owners).length > 1 ? sums(({ piece }) => piece) : '')
}
