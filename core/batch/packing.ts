import type { ColourwayEntry, PrepLevel, ProfileEntry, SeatEntry } from '../document'
import type { DealtKit } from './bags'
import { bagLabel, bagsOf, seatOf } from './bags'
import type { Strip } from './prep'
import { isCutReady, profileOf } from './prep'
import type { Preparation } from './prepare'
import type { PreparedCard, PreparedPiece } from './prepared'
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
  kits: PackedKit[]
}

/** The pieces of one kit, each with the paper that this kit has it of. */
export const packedKit = (card: PreparedCard, { papers, colourway, prep: { levels, strips } }: DealtKit): PackedKit => ({
  card,
  colourway,
  pieces: card.pieces.map((piece) => {
    const level = levels.get(piece.key) ?? 'cut'
    return { piece, count: piece.perKit, paper: papers.get(piece.key) ?? (level === 'brought' ? undefined : piece.paper), level }
  }),
  strips,
})

/** The pieces that lie in the bag by themselves: neither in a strip, nor put on already, nor brought. */
export const lyingPieces = ({ pieces }: PackedKit): PackedPiece[] => pieces.filter(({ level }) => isCutReady(level))

/** What students bring for a kit. */
export const broughtPieces = ({ pieces }: PackedKit): PackedPiece[] => pieces.filter(({ level }) => level === 'brought')

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
    return { key, seat, profile, label: seat.name ? `${bagLabel(key)}, ${seat.name}` : bagLabel(key), kits: ofBag.get(key) ?? [] }
  })
}

/** What tells bags apart by what is in them: those alike can be packed from one list. */
export const contentsOf = ({ kits }: Bag): string =>
  kits.map(({ card, pieces }) =>
    `${card.entry.key}: ${pieces.map(({ paper, level }) => `${paper?.key ?? ''} ${level}`).join()}`).join('; ')
