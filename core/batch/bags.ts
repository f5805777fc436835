import { itemAt, lookUp, tally } from '../lists'
import type { Batch, CardEntry, ColourwayEntry, SeatEntry } from '../document'
import type { Paper } from '../paper'
import type { KitPrep } from './prep'
import { freeKey, freeTitle, isSame, keyFrom, kitsOf, newSeat } from '../document'

/** What is decided of one kit before its prints are: whose bag it goes into, and its colourway. */
export interface BagKit {
  /** Missing for a kit that goes into nobody's bag. */
  bag?: string
  colourway?: ColourwayEntry
}

/** One kit of a card: whose bag it goes into, what each of its parts is cut from, and how far it is made ready. */
export interface DealtKit extends BagKit {
  /** Papers by part; parts without one, or that students bring, are not in it. */
  papers: ReadonlyMap<string, Paper>
  prep: KitPrep
}

/** The parts of a class that say who gets what. */
type Handed = Pick<Batch, 'class' | 'sharing' | 'cards' | 'roster'>

/** Keys of all bags, those of seats first, then spare ones, then those that people choose from on the day. */
export const bagsOf = ({
  class: { seats, spares }, sharing: { surplus },
}: Pick<Batch, 'class' | 'sharing'>): string[] => [
  ...numbered('seat', seats), ...numbered('spare', spares), ...numbered('choice', surplus),
]

const numbered = (kind: string, count: number) => Array.from({ length: count }, (_, at) => `${kind}-${at + 1}`)

const KINDS: Record<string, string> = { seat: 'Seat', spare: 'Spare', choice: 'To choose' }

/** `Seat 3`, `Spare 1`, `To choose 2`. */
export function bagLabel(key: string): string {
  const [kind = '', number = ''] = key.split('-')
  return `${KINDS[kind] ?? kind} ${number}`
}

/** Whether a bag belongs to a seat of the class. */
export const isSeat = (key: string): boolean => key.startsWith('seat-')

/** What is noted about a bag; nothing particular where nothing is. */
export const seatOf = ({ roster }: Pick<Batch, 'roster'>, key: string): SeatEntry =>
  roster.find(seat => seat.key === key) ?? newSeat(key)

/**
 * Which bags get a kit of each card and in which colourway, by the key of the card. A card goes to the bags that are
 * named for it and then to the first others; of cards that stand in for each other every bag gets one, as long as they
 * last.
 */
export function handedKits(batch: Handed): Map<string, BagKit[]> {
  const bags = bagsOf(batch)
  /** Bags that have one of the cards that stand in for each other, by the first of these. */
  const served = new Map<string, Set<string>>()
  const groupOf = (card: CardEntry) => rootOf(card, batch.cards)
  const inGroup = tally(batch.cards, groupOf)
  // Who is named for a card gets it, whatever others would leave over.
  for (const card of batch.cards) {
    const own = served.get(groupOf(card)) ?? new Set<string>()
    served.set(groupOf(card), own)
    for (const bag of card.bags) own.add(bag)
  }
  return new Map(batch.cards.map((card) => {
    const kits = kitsOf(card, batch)
    const taken = served.get(groupOf(card)) ?? new Set<string>()
    const isShared = lookUp(inGroup, groupOf(card)) > 1
    const named = new Set(card.bags.filter(bag => bags.includes(bag)))
    const others = bags.filter(bag => !named.has(bag) && !(isShared && taken.has(bag)))
    const own = new Set([...named, ...others].slice(0, kits))
    for (const bag of own) taken.add(bag)
    const inOrder = bags.filter(bag => own.has(bag))
    const list = Array.from({ length: kits }, (_, at): BagKit => ({ bag: inOrder[at] }))
    return [card.key, inColourways(card, list, batch)]
  }))
}

/** The first of the cards that stand in for each other. */
function rootOf(card: CardEntry, cards: CardEntry[]): string {
  let root = card
  for (let steps = 0; steps < cards.length; steps++) {
    const next = cards.find(({ key }) => key === root.insteadOf && key !== root.key)
    if (!next) break
    root = next
  }
  return root.key
}

/**
 * How many kits of a card are of each of its colourways: as many as are said, and of the others an even share of what
 * is left.
 */
export function colourwayCounts(
  { colourways }: CardEntry, kits: number, wished: ReadonlyMap<string, number> = new Map(),
): number[] {
  const counts = colourways.map(one => one.kits ?? 0)
  const open = colourways.flatMap(({ kits }, at) => (kits === null ? [at] : []))
  let left = Math.max(0, kits - counts.reduce((sum, count) => sum + count, 0))
  // Wishes come first, then whichever has fewest.
  for (const at of open) {
    const wishes = Math.min(left, wished.get(itemAt(colourways, at).key) ?? 0)
    counts[at] = wishes
    left -= wishes
  }
  for (const rest = open.length > 0 ? open : colourways.map((_, at) => at); left > 0; left--) {
    const least = rest.reduce((few, at) => (itemAt(counts, at) < itemAt(counts, few) ? at : few), itemAt(rest, 0))
    counts[least] = itemAt(counts, least) + 1
  }
  return counts
}

/**
 * Gives every kit its colourway: what its bag wishes for as long as there are such kits, then what is left, in turn.
 */
function inColourways(card: CardEntry, kits: BagKit[], batch: Handed): BagKit[] {
  if (card.colourways.length === 0) return kits
  const seats = new Map(batch.roster.map(seat => [seat.key, seat]))
  const wishOf = ({ bag }: BagKit) => seats.get(bag ?? '')?.colourways[card.key]
  const left = colourwayCounts(card, kits.length, tally(kits.flatMap(kit => wishOf(kit) ?? []), wish => wish))
  const granted = kits.map((kit): ColourwayEntry | undefined => {
    const at = card.colourways.findIndex(({ key }) => key === wishOf(kit))
    if (at < 0 || itemAt(left, at) === 0) return undefined
    left[at] = itemAt(left, at) - 1
    return card.colourways[at]
  })
  return kits.map((kit, index) => {
    const own = granted[index]
    if (own) return { ...kit, colourway: own }
    const most = left.reduce((many, count, at) => (count > itemAt(left, many) ? at : many), 0)
    left[most] = Math.max(0, itemAt(left, most) - 1)
    return { ...kit, colourway: card.colourways[most] }
  })
}

/** What a kit of a colourway is cut from, by part: keys of papers and pools. */
export const choiceOf = (card: CardEntry, colourway?: ColourwayEntry): Record<string, string> =>
  (colourway ? { ...card.papers, ...colourway.papers } : card.papers)

/** A wish for a colourway that is not met: it is gone, or there are no more kits of it. */
export interface UnmetWish {
  bag: string
  card: string
  colourway: string
  isGone: boolean
}

/** The wishes that the kits handed out do not meet. */
export function unmetWishes(batch: Handed, handed: ReadonlyMap<string, BagKit[]> = handedKits(batch)): UnmetWish[] {
  return batch.roster.flatMap(({ key: bag, colourways }) =>
    Object.entries(colourways).flatMap(([card, colourway]): UnmetWish[] => {
      const entry = batch.cards.find(({ key }) => key === card)
      const kit = handed.get(card)?.find(kit => kit.bag === bag)
      if (!entry || !kit || kit.colourway?.key === colourway) return []
      return [{ bag, card, colourway, isGone: !entry.colourways.some(({ key }) => key === colourway) }]
    }))
}

/**
 * Seats that a bag nobody has, one to choose from or a spare one, would serve: those with no wish yet for a card that
 * it holds in a colourway, and those whose wish for that colourway is not met.
 */
export function couldServe(
  batch: Handed, key: string, handed: ReadonlyMap<string, BagKit[]> = handedKits(batch),
): string[] {
  if (isSeat(key)) return []
  const unmet = unmetWishes(batch, handed)
  return bagsOf(batch).filter(isSeat).filter(seat => withColourways(batch).some(({ key: card }) => {
    const own = handed.get(card)?.find(kit => kit.bag === key)?.colourway?.key
    const wish = seatOf(batch, seat).colourways[card]
    return (
      own !== undefined
      && (wish === undefined || (wish === own && unmet.some(one => one.bag === seat && one.card === card)))
    )
  }))
}

/** The roster with one bag as it is now: its entry goes where nothing particular is left to say of it. */
export function withSeat(roster: SeatEntry[], seat: SeatEntry): SeatEntry[] {
  const isPlain = isSame(seat, newSeat(seat.key))
  if (!roster.some(({ key }) => key === seat.key)) return isPlain ? roster : [...roster, seat]
  return isPlain
    ? roster.filter(({ key }) => key !== seat.key)
    : roster.map(other => (other.key === seat.key ? seat : other))
}

/** Columns of a roster as CSV, beside one for each card that has colourways. */
export const ROSTER_COLUMNS = { bag: 'Bag', name: 'Name', leftHanded: 'Left-handed', online: 'Online',
  paid: 'Paid', profile: 'Made ready', notes: 'Notes' } as const

/** Cards that a student can wish a colourway of. */
export const withColourways = ({ cards }: Pick<Batch, 'cards'>) =>
  cards.filter(({ colourways }) => colourways.length > 0)

/**
 * Another colourway for a card; the first one comes with a second, so that there is something to choose. Each begins as
 * the card is.
 */
export function newColourway({ colourways }: Pick<CardEntry, 'colourways'>): ColourwayEntry[] {
  const made: ColourwayEntry[] = []
  for (let open = colourways.length === 0 ? 2 : 1; open > 0; open--) {
    const all = [...colourways, ...made]
    const name = freeTitle('Colourway', all.map(one => one.name))
    made.push({ key: freeKey(keyFrom(name, 'colourway'), all.map(({ key }) => key)), name, papers: {}, kits: null })
  }
  return made
}
