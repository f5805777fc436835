import type { CardEntry, ClassDocument, Delivery, PaperEntry } from '../document'
import { BOUNDS } from '../document'
import type { CardPicture } from '../folds'
import { isWhole, pictureOf } from '../folds'
import type { Units } from '../lengths'
import { bagsOf, prepare } from '../batch'
import { findingsOf, onCard, stopsIn } from './findings'
import type { Preparation, PaperProblem } from '../batch'

/** What the maker does next, and where. */
export interface NextStep {
  station: 'cards' | 'papers' | 'cutting' | 'kits'
  words: string
}

/** A class on the list: what is coming up, how far it is and what is missing. */
export interface ClassSummary {
  title: string
  date: string
  units: Units
  seats: number
  spares: number
  delivery: Delivery
  /**
   * Its cards with the colour of every part's paper; those that are dressed otherwise than in the catalogue as they
   * look.
   */
  cards: { title: string, fold: string, colours: Record<string, string>, picture?: CardPicture[] }[]
  /** One for each seat, and the spare ones. */
  bags: number
  pieces: number
  /** Findings to settle before cutting. */
  stops: number
  next: NextStep
  /** Papers of which the pieces alone need more than there is, with the fewest sheets that have to be bought. */
  short: { paper: string, sheets: number }[]
  /** The figures are being worked out; what is shown is from before. */
  pending?: true
  /** There are no figures: not yet, or because the class is too large for them to be worked out. */
  unknown?: 'yet' | 'too large'
}

const isDressed = ({ faces, free, parts }: CardEntry): boolean => faces.length + free.length + parts.length > 0

/** The key figures of a class without planning its cutting. */
export function summaryOf(document: ClassDocument, papers: PaperEntry[]): ClassSummary {
  const { title, date, units, seats, spares, delivery } = document.class
  const preparation = prepare({ ...document, papers })
  const pieces = preparation.cards.flatMap(card => card.pieces)
  const findings = findingsOf(preparation)
  const short = preparation.papers.flatMap(shortage)
  return {
    title, date, units, seats, spares, delivery,
    cards: preparation.cards.map(({ entry, pieces, fold, construction }, at) => ({
      title: entry.title,
      fold: entry.fold,
      colours: Object.fromEntries(pieces.flatMap(({ key, paper }) => (paper ? [[key, paper.colour]] : []))),
      ...(at < BOUNDS.pictures && fold && construction?.parts.every(isWhole) && isDressed(entry)
        && { picture: pictureOf(construction, fold.view) }),
    })),
    bags: bagsOf(document).length,
    pieces: pieces.reduce((total, piece) => total + piece.quantity, 0),
    stops: stopsIn(findings),
    next: nextStep(preparation, stopsIn(onCard(findings)), short.length > 0),
    short,
  }
}

/** The first thing in the order of the craft that is not done. */
function nextStep({ cards, papers, batch }: Preparation, broken: number, isShort: boolean): NextStep {
  if (cards.length === 0) return { station: 'cards', words: 'Choose the cards' }
  if (broken > 0)
    return { station: 'cards', words: `Put ${broken === 1 ? 'one thing' : `${broken} things`} right on the cards` }
  const paperless = cards.flatMap(({ pieces }) => pieces).filter(({ paper, brought }) => !paper && !brought).length
  if (paperless > 0)
    return { station: 'papers', words: `Choose papers for ${paperless === 1 ? 'one piece' : `${paperless} pieces`}` }
  const left = papers.some(({ problem }) => problem.demands.some(({ quantity }) => quantity > 0))
  if (!left) return { station: 'kits', words: 'Pack the bags' }
  const begun = batch.cutting.some(({ layouts }) => layouts.some(({ cut }) => cut > 0))
  if (isShort) return { station: 'kits', words: 'Buy paper, then cut' }
  return { station: 'cutting', words: begun ? 'Go on cutting' : 'Cut the sheets' }
}

/** How many sheets are missing at least: by area alone, so that no plan can do with fewer. */
function shortage({ paper, problem }: PaperProblem): ClassSummary['short'] {
  const area = ({ width, height }: { width: number, height: number }) => width * height
  const need = problem.demands.reduce((sum, demand) => sum + area(demand) * demand.quantity, 0)
  const have = problem.supplies.reduce((sum, supply) => sum + area(supply) * supply.onHand, 0)
  const largest = Math.max(0, ...problem.supplies.filter(({ kind }) => kind === 'sheet').map(area))
  return need > have && largest > 0 ? [{ paper: paper.name, sheets: Math.ceil((need - have) / largest) }] : []
}
