import type { Batch, RuleName } from '../document'
import { paperOfSide } from '../document'
import type { Role } from '../sharing'
import { brokenIn, likeness } from '../sharing'
import { itemAt } from '../lists'
import { seatOf, withSeat } from '../batch'
import type { Preparation, SharingOfClass } from '../batch'

/** One print in a bag: of which part of which card. */
export interface PrintPlace {
  bag: string
  card: string
  part: string
}

/** The kit of a card in a bag as the sharing has it. */
interface SharedKit {
  roles: Role[]
  /** Keys of prints by part; only what is shared out. */
  prints: Record<string, string>
  /** Rules that it does not keep, of those that somebody minds. */
  broken: RuleName[]
}

const known = new WeakMap<SharingOfClass, Map<string, SharedKit>>()

/** All kits that prints are shared out among, by `bag card`. Worked out once for a sharing. */
function sharedKits({ sharing, cards }: Preparation): Map<string, SharedKit> {
  if (!sharing) return new Map()
  const before = known.get(sharing)
  if (before) return before
  const { rules } = sharing.problem
  const isMinded = (rule: RuleName) => rules[rule].hold !== 'free'
  const kits = new Map<string, SharedKit>()
  const alike = new Map<string, SharedKit[]>()
  sharing.problem.kinds.forEach((kind, at) => {
    for (const { card, kit } of itemAt(sharing.kits, at)) {
      const { entry, dealt } = itemAt(cards, card)
      const { bag = '', papers } = itemAt(dealt, kit)
      const prints = Object.fromEntries(kind.roles.map(({ key }) => [key, papers.get(key)?.key ?? '']))
      const combination = kind.roles.map(({ key, options }) =>
        Math.max(0, options.indexOf(paperOfSide(prints[key] ?? ''))))
      const broken = [...new Set(brokenIn(kind, combination).map(({ rule }) => rule))].filter(isMinded)
      const one: SharedKit = { roles: kind.roles, prints, broken }
      kits.set(`${bag} ${entry.key}`, one)
      const name = `${kind.alike}: ${likeness(kind, combination)}`
      alike.set(name, [...(alike.get(name) ?? []), one])
    }
  })
  if (isMinded('different'))
    for (const same of alike.values()) if (same.length > 1) for (const { broken } of same) broken.push('different')
  known.set(sharing, kits)
  return kits
}

const kitIn = (preparation: Preparation, { bag, card }: Pick<PrintPlace, 'bag' | 'card'>): SharedKit | undefined =>
  sharedKits(preparation).get(`${bag} ${card}`)

/** The prints that a bag has of a card, by part; only what is shared out. */
export const printsIn = (preparation: Preparation, bag: string, card: string): Record<string, string> =>
  kitIn(preparation, { bag, card })?.prints ?? {}

/** Rules that the kit of a card in a bag does not keep, of those that somebody minds. */
export const rulesBroken = (preparation: Preparation, bag: string, card: string): RuleName[] =>
  kitIn(preparation, { bag, card })?.broken ?? []

/**
 * Two bags swap the prints of a part, or of two parts of one size and pool: both bags are as given by hand from then
 * on.
 * @returns the roster, or why they cannot be swapped
 */
export function swapped(
  preparation: Preparation, one: PrintPlace, other: PrintPlace,
): { roster: Batch['roster'] } | { wrong: string } {
  const { batch } = preparation
  const [mine, theirs] = [kitIn(preparation, one), kitIn(preparation, other)]
  if (!mine || !theirs) return { wrong: 'There is no print to swap in one of these bags.' }
  const [a, b] = [mine.roles.find(({ key }) => key === one.part), theirs.roles.find(({ key }) => key === other.part)]
  const [print, theirPrint] = [mine.prints[one.part] ?? '', theirs.prints[other.part] ?? '']
  const pool = (key?: string) => batch.pools.find(pool => pool.key === key)?.papers ?? []
  if (!a || !b || !pool(a.pool).includes(theirPrint) || !pool(b.pool).includes(print))
    return { wrong: 'These two come from different pools, so that they cannot be swapped.' }
  const sizeOf = (takes: ReadonlyMap<string, number>[]) =>
    [...(takes[0]?.keys() ?? [])].map(key => key.split(' ')[0]).join()
  if (sizeOf(a.takes) !== sizeOf(b.takes))
    return { wrong: 'These two are of different sizes, so that they cannot be swapped.' }
  const given = (roster: Batch['roster'], { bag, card }: PrintPlace, prints: Record<string, string>) => {
    const seat = seatOf({ roster }, bag)
    return withSeat(roster, {
      ...seat,
      prints: {
        ...seat.prints, ...Object.fromEntries(Object.entries(prints).map(([part, key]) => [`${card} ${part}`, key])),
      },
    })
  }
  const isOne = one.bag === other.bag && one.card === other.card
  const first = given(batch.roster, one, {
    ...mine.prints, [one.part]: theirPrint, ...(isOne && { [other.part]: print }),
  })
  return { roster: isOne ? first : given(first, other, { ...theirs.prints, [other.part]: print }) }
}

/** Nothing in a bag is as given by hand any more: its prints are shared out with the others. */
export function unpinned(roster: Batch['roster'], bag: string): Batch['roster'] {
  return withSeat(roster, { ...seatOf({ roster }, bag), prints: {} })
}
