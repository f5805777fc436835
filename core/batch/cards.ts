import { ANY_SCRAP, bareCard, freeKey, freeTitle } from '../document'
import type { Batch, CardEntry, DressingEntry, PaperEntry, ParameterInputs } from '../document'
import { dressedCard } from '../dressing'
import type { Fold, PartKind, Piece } from '../folds'
import { foldById, usualPaper } from '../folds'
import { lengthFrom } from '../lengths'
import { once } from '../lists'
import { STOCK_WEIGHTS, colourDistance } from '../paper'

/**
 * A new card of natural size, or with what of the maker's own start was typed. Its parts are cut from what the class
 * cuts such parts from; where the class has chosen nothing yet, nothing is chosen.
 */
export function newCard(
  fold: Fold,
  batch: Batch,
  own: { key?: string, title?: string, parameters?: ParameterInputs } & Partial<DressingEntry> = {},
): CardEntry {
  const card: CardEntry = {
    ...bareCard(
      own.key ?? freeKey(fold.id, batch.cards.map(({ key }) => key)),
      freeTitle(own.title ?? fold.name, batch.cards.map(({ title }) => title)),
      fold.id,
    ),
    parameters: { ...own.parameters },
    faces: own.faces ?? [],
    free: own.free ?? [],
    parts: own.parts ?? [],
  }
  return withPapers(card, fold, batch)
}

/**
 * The card with the class's paper for each part that has none yet, that of the card itself first. Papers already chosen
 * stay.
 */
export function withPapers(card: CardEntry, fold: Fold, batch: Batch): CardEntry {
  // Seldom asked: while a number is typed every part has its paper already, and no other card is worked out.
  const own = once(() => papersByKind([card], batch))
  const ofClass = once(() => papersByKind(batch.cards.filter(({ key }) => key !== card.key), batch))
  return filled(card, piecesOfCard(card, fold, batch), ({ kind }) => own().get(kind) ?? ofClass().get(kind))
}

/** The card with a usual paper of the shelf for each part that has none yet. Only for a maker who asks for it. */
export const withUsualPapers = (card: CardEntry, fold: Fold, batch: Batch): CardEntry =>
  filled(card, piecesOfCard(card, fold, batch), ({ kind }) => usual(kind, batch.papers)?.key)

function filled(card: CardEntry, pieces: Piece[], paper: (piece: Piece) => string | undefined): CardEntry {
  const missing = pieces.flatMap((piece) => {
    const key = card.papers[piece.key] === undefined ? paper(piece) : undefined
    return key === undefined ? [] : [[piece.key, key] as const]
  })
  return missing.length === 0 ? card : { ...card, papers: { ...card.papers, ...Object.fromEntries(missing) } }
}

const piecesOfCard = (card: CardEntry, fold: Fold, { class: { units }, tools }: Batch): Piece[] =>
  dressedCard(fold, card, units, lengthFrom(tools.mark, units)).pieces

/** The paper that most parts of each kind are cut from; of several the one that was first. */
function papersByKind(cards: CardEntry[], batch: Batch): Map<PartKind, string> {
  const counts = new Map<PartKind, Map<string, number>>()
  for (const card of cards) {
    const fold = Object.keys(card.papers).length > 0 ? foldById(card.fold) : undefined
    for (const { key, kind } of fold ? piecesOfCard(card, fold, batch) : []) {
      const paper = card.papers[key]
      // A layer that is cut from scrap because nothing of it shows says nothing of other layers.
      if (paper === undefined || (paper === ANY_SCRAP && kind !== 'hidden')) continue
      const own = counts.get(kind) ?? new Map<string, number>()
      counts.set(kind, own.set(paper, (own.get(paper) ?? 0) + 1))
    }
  }
  const mostOf = (papers: Map<string, number>) =>
    [...papers].reduce((most, next) => (next[1] > most[1] ? next : most))[0]
  return new Map([...counts].map(([kind, papers]) => [kind, mostOf(papers)]))
}

/** Bases get firm cardstock, messages the palest one, mats a print; the first of its kind wins. */
function usual(kind: PartKind, papers: PaperEntry[]): PaperEntry | undefined {
  const fitting = papers.filter(paper => paper.kind === usualPaper(kind))
  if (kind === 'message') return palest(fitting)
  return fitting.find(paper => kind === 'mat' || paper.weight >= STOCK_WEIGHTS.light) ?? fitting[0]
    ?? papers.find(paper => paper.kind !== 'pad')
}

/** The palest of some papers: what is written on it is read best. */
export const palest = (papers: PaperEntry[]): PaperEntry | undefined =>
  [...papers].sort((a, b) => colourDistance(b.colour, BLACK) - colourDistance(a.colour, BLACK))[0]

const BLACK = '#000000'
