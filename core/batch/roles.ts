import type { PartKind } from '../folds'
import type { PreparedCard, PreparedPiece } from './prepared'

/** What parts of a card are for, as makers call them, in the order in which papers are chosen. */
export const ROLE_NAMES: Record<PartKind, string> = {
  base: 'Bases',
  insert: 'Inner sheets',
  plate: 'Plates',
  mat: 'Mats',
  underlay: 'Under the mats',
  message: 'Messages',
  figure: 'Raised pieces',
  hidden: 'Hidden parts',
}

/** All pieces of a class that do the same job. */
export interface PaperRole {
  kind: PartKind
  cards: { card: PreparedCard, pieces: PreparedPiece[] }[]
}

/** The roles that the cards of a class have, with their pieces card by card. */
export function rolesOf(cards: PreparedCard[]): PaperRole[] {
  return (Object.keys(ROLE_NAMES) as PartKind[])
    .map(kind => ({
      kind,
      cards: cards
        .map(card => ({ card, pieces: card.pieces.filter(piece => piece.kind === kind && piece.outOf === undefined) }))
        .filter(({ pieces }) => pieces.length > 0),
    }))
    .filter(({ cards }) => cards.length > 0)
}

/** Keys of the papers that pieces of a card were given, each once; an empty one stands for those without. */
export const papersOf = ({ card: { entry }, pieces }: PaperRole['cards'][number]): string[] => [
  ...new Set(pieces.map(({ key }) => entry.papers[key] ?? '')),
]
