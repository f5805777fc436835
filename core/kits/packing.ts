import type { Batch, ColourwayEntry, PrepLevel, ProfileEntry, SeatEntry } from '../document'
import type { DealtKit, Strip, Preparation, PreparedCard, PreparedPiece } from '../batch'
import { bagLabel, bagsOf, choiceOf, seatOf, paperIn, countInKit, isCutReady, profileOf } from '../batch'
import type { Paper } from '../paper'

/** A piece in a bag: so many of it, cut from a paper. */
export interface PackedPiece {
  piece: PreparedPiece
  count: number
  /** Missing while no paper is chosen. */
  paper?: Paper
  /** How far it is made ready: what is uncut lies in a strip, and what is brought is not in the bag. */
  level: PrepLevel
}

/** One kit in a bag. */
export interface PackedKit {
  card: PreparedCard
  colourway?: ColourwayEntry
  pieces: PackedPiece[]
  /** Uncut paper that goes along. */
  strips: Strip[]
}

/** What goes into one bag. */
export interface Bag {
  key: string
  /** `Seat 3`, with the name of whoever sits there. */
  label: string
  seat: SeatEntry
  /** How its pieces are made ready. */
  profile: ProfileEntry
  /** Whether whoever gets it is not in the room: nothing that lies on its tables is theirs. */
  isAway: boolean
  kits: PackedKit[]
}

/** The pieces of one kit, each with the paper that this kit has it of. */
export function packedKit(
  card: PreparedCard, { papers, colourway, prep: { levels, strips, profile } }: DealtKit,
): PackedKit {
  const choice = choiceOf(card.entry, colourway)
  const pieces = card.pieces.map((piece) => {
    const level = levels.get(piece.key) ?? 'cut'
    const paper = level === 'brought' ? undefined : paperIn({ papers, choice }, piece)
    return { piece, count: countInKit(profile, piece), paper, level }
  })
  return { card, colourway, pieces, strips }
}

/** The pieces that lie in the bag by themselves: neither in a strip, nor put on already, nor brought. */
export const lyingPieces = ({ pieces }: PackedKit): PackedPiece[] => pieces.filter(({ level }) => isCutReady(level))

/** The cards in a bag: `Harbour lantern (High water), Two tides`; nothing where it is empty. */
export const cardsIn = ({ kits }: Pick<Bag, 'kits'>): string =>
  kits
    .map(({ card: { entry }, colourway }) => (colourway ? `${entry.title} (${colourway.name})` : entry.title))
    .join(', ')

/** How many pieces and strips lie in a bag. */
export const piecesInBag = ({ kits }: Pick<Bag, 'kits'>): number =>
  kits.reduce((sum, kit) => sum + kit.strips.length + lyingPieces(kit).reduce((all, { count }) => all + count, 0), 0)

/** What students bring for a kit. */
export const broughtPieces = ({ pieces }: PackedKit): PackedPiece[] => pieces.filter(({ level }) => level === 'brought')

/** What a piece is cut from, for a list that is to serve every bag: the prints of a pool are not told apart. */
function anyPaper({ paper, pool, shares }: PreparedPiece): Paper | undefined {
  if (!paper) return undefined
  if (pool !== undefined) return { ...paper, name: `a print of ${pool}` }
  return { ...paper, name: shares.map(share => share.paper.name).join(' or ') }
}

/** The kit of a card as all bags have it that are made ready alike: papers that differ are named together. */
export function anyKit(card: PreparedCard, profile: ProfileEntry): PackedKit | undefined {
  const dealt = card.dealt.find(({ prep }) => prep.profile === profile)
  if (!dealt) return undefined
  const kit = packedKit(card, dealt)
  return {
    ...kit,
    colourway: undefined,
    pieces: kit.pieces.map(packed => ({
      ...packed, paper: packed.level === 'brought' ? undefined : anyPaper(packed.piece),
    })),
    strips: kit.strips.map((strip) => {
      const piece = card.pieces.find(({ key }) => key === strip.parts[0]?.key)
      return { ...strip, paper: (piece && anyPaper(piece)) ?? strip.paper }
    }),
  }
}

/** All bags of a class with what goes into them. */
export function packedBags({ batch, cards }: Preparation): Bag[] {
  const ofBag = new Map<string, PackedKit[]>()
  for (const card of cards) {
    for (const kit of card.dealt) {
      if (kit.bag !== undefined) ofBag.set(kit.bag, [...(ofBag.get(kit.bag) ?? []), packedKit(card, kit)])
    }
  }
  return bagsOf(batch).map((key) => {
    const seat = seatOf(batch, key)
    const profile = profileOf(batch, seat)
    return {
      key, seat, profile, isAway: seat.online || batch.class.delivery === 'by post',
      label: seat.name ? `${bagLabel(key)}, ${seat.name}` : bagLabel(key),
      kits: ofBag.get(key) ?? [],
    }
  })
}

/** Whether a hand-out for all bags of a profile is for people who are not in the room. */
export function isForAway(
  { class: { delivery } }: Pick<Batch, 'class'>, bags: readonly Pick<Bag, 'profile' | 'isAway'>[],
  profile: ProfileEntry,
): boolean {
  const own = bags.filter(bag => bag.profile === profile)
  return own.length === 0 ? delivery === 'by post' : own.every(({ isAway }) => isAway)
}

/**
 * What tells bags apart but for their papers: the cards, how far each piece is made ready, and the strips. Those alike
 * share a list.
 */
export const bagShape = ({ profile, kits }: Pick<Bag, 'profile' | 'kits'>): string => [
  profile.key,
  ...kits.map(({ card, pieces, strips }) => [
    card.entry.key,
    ...pieces.map(({ level, count }) => `${count} ${level}`),
    ...strips.map(({ width, height, turn, parts }) =>
      `${width} ${height} ${turn} ${parts.map(({ key, count }) => `${count} ${key}`).join('+')}`),
  ].join(', ')),
].join('; ')

/** What tells bags apart by what is in them: those alike can be packed from one list. */
export const contentsOf = (bag: Pick<Bag, 'profile' | 'kits'>): string => [
  bagShape(bag),
  ...bag.kits.flatMap(({ pieces, strips }) => [...pieces, ...strips].map(({ paper }) => paper?.key ?? '')),
].join('; ')
