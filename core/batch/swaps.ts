import type { Batch, RuleName } from '../document'
import { brokenIn } from '../sharing'
import { itemAt } from '../lists'
import { seatOf, withSeat } from './bags'
import type { Preparation } from './prepare'

/** One print in a bag: of which part of which card. */
export interface PrintPlace {
  bag: string
  card: string
  part: string
}

/** The kit of a card in a bag, with its kind in the sharing. */
function placeOf({ sharing, cards }: Preparation, { bag, card }: Pick<PrintPlace, 'bag' | 'card'>) {
  if (!sharing) return undefined
  const at = cards.findIndex(({ entry }) => entry.key === card)
  const kit = cards[at]?.dealt.findIndex(kit => kit.bag === bag) ?? -1
  const kind = sharing.kits.findIndex(list => list.some(place => place.card === at && place.kit === kit))
  if (kit < 0 || kind < 0) return undefined
  const place = itemAt(sharing.kits, kind).findIndex(place => place.card === at && place.kit === kit)
  const { roles, ...of } = itemAt(sharing.problem.kinds, kind)
  const dealt = itemAt(itemAt(cards, at).dealt, kit)
  const prints = Object.fromEntries(roles.map(({ key }) => [key, dealt.papers.get(key)?.key ?? '']))
  return { kind: { ...of, roles }, place, prints, roles }
}

/** The prints that a bag has of a card, by part; only what is shared out. */
export const printsIn = (preparation: Preparation, bag: string, card: string): Record<string, string> =>
  placeOf(preparation, { bag, card })?.prints ?? {}

/**
 * Two bags swap the prints of a part, or of two parts of one size and pool: both bags are as given by hand from then on.
 * @returns the roster, or why they cannot be swapped
 */
export function swapped(preparation: Preparation, one: PrintPlace, other: PrintPlace): { roster: Batch['roster'] } | { wrong: string } {
  const { batch } = preparation
  const [mine, theirs] = [placeOf(preparation, one), placeOf(preparation, other)]
  if (!mine || !theirs) return { wrong: 'There is no print to swap in one of these bags.' }
  const [a, b] = [mine.roles.find(({ key }) => key === one.part), theirs.roles.find(({ key }) => key === other.part)]
  const [print, theirPrint] = [mine.prints[one.part] ?? '', theirs.prints[other.part] ?? '']
  const pool = (key?: string) => batch.pools.find(pool => pool.key === key)?.papers ?? []
  if (!a || !b || !pool(a.pool).includes(theirPrint) || !pool(b.pool).includes(print))
    return { wrong: 'These two come from different pools, so that they cannot be swapped.' }
  const sizeOf = (takes: ReadonlyMap<string, number>[]) => [...(takes[0]?.keys() ?? [])].map(key => key.split(' ')[0]).join()
  if (sizeOf(a.takes) !== sizeOf(b.takes)) return { wrong: 'These two are of different sizes, so that they cannot be swapped.' }
  const given = (roster: Batch['roster'], { bag, card }: PrintPlace, prints: Record<string, string>) => {
    const seat = seatOf({ roster }, bag)
    return withSeat(roster,
      { ...seat, prints: { ...seat.prints, ...Object.fromEntries(Object.entries(prints).map(([part, key]) => [`${card} ${part}`, key])) } })
  }
  const isOne = one.bag === other.bag && one.card === other.card
  const first = given(batch.roster, one, { ...mine.prints, [one.part]: theirPrint, ...(isOne && { [other.part]: print }) })
  return { roster: isOne ? first : given(first, other, { ...theirs.prints, [other.part]: print }) }
}

/** Nothing in a bag is as given by hand any more: its prints are shared out with the others. */
export function unpinned(roster: Batch['roster'], bag: string): Batch['roster'] {
  return withSeat(roster, { ...seatOf({ roster }, bag), prints: {} })
}

/** Rules that the kit of a card in a bag does not keep. */
export function rulesBroken(preparation: Preparation, bag: string, card: string): RuleName[] {
  const place = placeOf(preparation, { bag, card })
  if (!place || !preparation.sharing) return []
  const { sharing } = preparation
  const combination = place.roles.map(({ key, options }) => Math.max(0, options.indexOf(place.prints[key] ?? '')))
  const own = new Set<RuleName>(brokenIn(place.kind, combination).map(({ rule }) => rule))
  const name = JSON.stringify(Object.entries(place.prints))
  const dealt = preparation.cards.find(({ entry }) => entry.key === card)?.dealt ?? []
  const colourway = dealt.find(kit => kit.bag === bag)?.colourway
  const alike = dealt.filter(kit => kit.bag !== bag && kit.colourway === colourway
    && JSON.stringify(place.roles.map(({ key }) => [key, kit.papers.get(key)?.key ?? ''])) === name)
  if (alike.length > 0) own.add('different')
  return [...own].filter(rule => sharing.problem.rules[rule].hold !== 'free')
}
