import type { ClassDocument, Delivery, PaperEntry } from '../document'
import { findingsOf, stopsIn } from './findings'
import { prepare } from './prepare'

/** A class on the list: what is coming up and what is missing. */
export interface ClassSummary {
  title: string
  date: string
  seats: number
  spares: number
  delivery: Delivery
  /** Titles of its cards. */
  cards: string[]
  kits: number
  pieces: number
  /** Findings to settle before cutting. */
  stops: number
  /** The figures are still being worked out. */
  pending?: true
}

/** The key figures of a class without planning its cutting. */
export function summaryOf(document: ClassDocument, papers: PaperEntry[]): ClassSummary {
  const { title, date, seats, spares, delivery } = document.class
  const preparation = prepare({ ...document, papers })
  const pieces = preparation.cards.flatMap(card => card.pieces)
  return {
    title, date, seats, spares, delivery,
    cards: document.cards.map(card => card.title),
    kits: preparation.cards.reduce((total, card) => total + card.kits, 0),
    pieces: pieces.reduce((total, piece) => total + piece.quantity, 0),
    stops: stopsIn(findingsOf(preparation)),
  }
}
