import type { ColourwayEntry, SeatEntry } from '../document'
import type { DealtKit } from './bags'
import { bagLabel, bagsOf, seatOf } from './bags'
import type { Preparation } from './prepare'
import type { PreparedCard, PreparedPiece } from './prepared'
import type { Paper } from '../paper'

/** A piece in a bag: so many of it, cut from a paper. */
export interface PackedPiece {
  piece: PreparedPiece
  count: number
  /** Missing while no paper is chosen. */
  paper?: Paper
}

/** One kit in a bag. */
export interface PackedKit {
  card: PreparedCard
  colourway?: ColourwayEntry
  pieces: PackedPiece[]
}

/** What goes into one bag. */
export interface Bag {
  key: string
  /** `Seat 3`, with the name of whoever sits there. */
  label: string
  seat: SeatEntry
  kits: PackedKit[]
}

/** The pieces of one kit, each with the paper that this kit has it of. */
export const packedKit = (card: PreparedCard, { papers, colourway }: DealtKit): PackedKit => ({
  card,
  colourway,
  pieces: card.pieces.map(piece => ({ piece, count: piece.perKit, paper: papers.get(piece.key) ?? piece.paper })),
})

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
    return { key, seat, label: seat.name ? `${bagLabel(key)}, ${seat.name}` : bagLabel(key), kits: ofBag.get(key) ?? [] }
  })
}

/** What tells bags apart by what is in them: those alike can be packed from one list. */
export const contentsOf = ({ kits }: Bag): string =>
  kits.map(({ card, pieces }) => `${card.entry.key}: ${pieces.map(({ paper }) => paper?.key ?? '').join()}`).join('; ')
