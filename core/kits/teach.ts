import type { Solve } from '../cutting'
import { mostKits } from '../cutting'
import type { Batch, CardEntry, PaperEntry } from '../document'
import { ANY_SCRAP } from '../document'
import type { Fold, Piece, Skill } from '../folds'
import { FOLDS, factsOf, foldById, usualPaper } from '../folds'
import { itemAt } from '../lists'
import { newCard, palest, prepare, readPaper } from '../batch'
import { planAll, kitProblems, nearbySizes } from '../plans'
import { postingOf } from './posting'
import type { Preparation } from '../batch'

/*
 * What could be taught, the other way round: every fold of the catalogue is cut from what is on the shelf, and the
 * planner says how many kits that gives, what would have to be bought for the class, and how long the cutting takes.
 */

/** What a class is to be like; `null` and empty for any. */
export interface TeachWishes {
  skills: Skill[]
  /** Goes into a flat letter. */
  flat: boolean
  /** Key of the envelope that the closed card has to fit into; empty for any. */
  envelope: string
  /** Minutes at the trimmer for the whole class. */
  minutes: number | null
}

export const ANY_CLASS: TeachWishes = { skills: [], flat: false, envelope: '', minutes: null }

/** A fold that could be taught. */
export interface Suggestion {
  /** Id of the fold: a suggestion can be handed from a worker to a page. */
  fold: string
  /** A class with this card alone, its papers chosen. */
  batch: Batch
  card: CardEntry
  /** Names of the papers of this colourway. */
  papers: string[]
  /** Kits from what is on hand, which a plan shows, and what no plan has more than. */
  kits: number
  most: number
  /**
   * Kits that the class wants; sheets to buy for those that are missing, cents for them, and whether that gives them
   * all.
   */
  wanted: number
  toBuy: { paper: string, sheets: number }[]
  spending: number
  whole: boolean
  /** At the trimmer, for all kits of the class. */
  minutes: number
  flat: boolean
  /** Other papers that give kits as well, most kits first. */
  others: { batch: Batch, papers: string[], kits: number }[]
  /** A size a mark or two off that gives more kits. */
  nearby?: { label: string, shown: string, parameter: string, value: string, kits: number }
}

/** Papers that are tried for parts of one kind, those with most paper on hand first. */
const MOST_PAPERS = 3
/** Folds whose sizes are moved. */
const MOST_MOVED = 4

type Role = 'body' | 'mat' | 'message'
const roleOf = ({ kind }: Pick<Piece, 'kind'>): Role =>
  (kind === 'message' ? 'message' : usualPaper(kind) === 'print' ? 'mat' : 'body')

/**
 * Ranks the folds of the catalogue by what the shelf of a class gives. Deterministic; nothing is written to the class.
 * @param batch the shelf, with seats, spare kits, tools, prices and envelopes; its cards do not matter
 * @returns step by step what is known so far, best first; at the end all, with sizes that give more
 */
export function* suggestions(
  batch: Batch, wishes: TeachWishes, solve: Solve, folds: readonly Fold[] = FOLDS,
): Generator<Suggestion[], Suggestion[]> {
  const empty: Batch = { ...batch, cards: [], cutting: [], pools: [], roster: [] }
  const found: Suggestion[] = []
  const put = (before: Suggestion | undefined, now: Suggestion) => {
    if (before) found[found.indexOf(before)] = now
    else found.push(now)
  }
  for (const fold of folds) {
    if (wishes.skills.length > 0 && !wishes.skills.includes(fold.skill)) continue
    if (wishes.flat && !factsOf(fold, batch.class.units).flat) continue
    const suggestion = suggestionFor(fold, empty, wishes, solve)
    if (suggestion) put(undefined, suggestion)
    yield ranked(found)
  }
  // Other papers, and sizes a little off, once there is something to choose from.
  for (const one of ranked(found)) {
    put(one, withOthers(one, empty, solve))
    yield ranked(found)
  }
  for (const one of ranked(found).filter(({ kits, wanted }) => kits > 0 && kits < wanted).slice(0, MOST_MOVED)) {
    put(one, { ...one, nearby: nearbyFor(one, solve) })
    yield ranked(found)
  }
  return ranked(found)
}

/**
 * Everything from what is here first; then what costs least to complete; of those that are alike what gives most kits,
 * and is cut soonest.
 */
const ranked = (all: Suggestion[]): Suggestion[] => {
  const figures = ({ kits, wanted, whole, spending, minutes }: Suggestion) =>
    [kits >= wanted ? 0 : whole ? 1 : 2, spending, -Math.min(kits, wanted), minutes]
  const difference = (a: number[], b: number[]) =>
    a.map((value, at) => value - itemAt(b, at)).find(value => value !== 0) ?? 0
  return [...all].sort((a, b) => difference(figures(a), figures(b)))
}

/** A fold in the papers that there is most of. */
function suggestionFor(fold: Fold, empty: Batch, wishes: TeachWishes, solve: Solve): Suggestion | undefined {
  const [first] = colourwaysOf(fold, empty)
  if (!first) return undefined
  const { batch, papers } = first
  const preparation = prepare(batch)
  const { kits, most } = kitsFrom(batch, preparation, solve)
  const prepared = itemAt(preparation.cards, 0)
  const { post, supplies, class: { units } } = batch
  const fits
    = wishes.envelope === '' || postingOf(prepared, post, supplies, units, wishes.envelope)?.envelope !== undefined
  if (!fits) return undefined
  const { toBuy, spending, whole, minutes } = classFrom(batch, preparation)
  if ((most === 0 && !whole) || (wishes.minutes !== null && minutes > wishes.minutes)) return undefined
  return {
    fold: fold.id,
    batch,
    card: itemAt(batch.cards, 0),
    papers,
    kits,
    most,
    wanted: prepared.kits,
    toBuy,
    spending,
    whole,
    minutes,
    flat: factsOf(fold, units).flat, others: [],
  }
}

/** @throws RangeError for a fold that the catalogue does not have */
function byId(id: string): Fold {
  const fold = foldById(id)
  if (!fold) throw new RangeError(`There is no fold “${id}”.`)
  return fold
}

/** A suggestion with what its fold gives in other papers. */
function withOthers(one: Suggestion, empty: Batch, solve: Solve): Suggestion {
  const others = colourwaysOf(byId(one.fold), empty).slice(1).flatMap(({ batch, papers }) => {
    const { kits } = kitsFrom(batch, prepare(batch), solve)
    return kits > 0 ? [{ batch, papers, kits }] : []
  })
  return { ...one, others: others.sort((a, b) => b.kits - a.kits) }
}

/**
 * The fold in the papers that the shelf has most of: each cardstock and print once, messages on the palest other one.
 */
function colourwaysOf(fold: Fold, empty: Batch): { batch: Batch, papers: string[] }[] {
  const stocks = byArea(empty, 'cardstock')
  const prints = byArea(empty, 'print')
  const bodies = stocks.length > 0 ? stocks : prints
  const pieces = factsOf(fold, empty.class.units).construction.pieces
  return bodies.map((body, at) => {
    const mat = prints.length > 0 ? itemAt(prints, at % prints.length) : itemAt(stocks, (at + 1) % stocks.length)
    const message = palest(stocks.filter(other => other !== body && other !== mat)) ?? body
    const paper = { body, mat, message }
    const card = newCard(fold, empty)
    const chosen = pieces.map(piece => [piece.key, piece.kind === 'hidden' ? ANY_SCRAP : paper[roleOf(piece)].key])
    const batch: Batch = { ...empty, cards: [{ ...card, papers: Object.fromEntries(chosen) }] }
    const used = new Set(pieces.filter(({ kind }) => kind !== 'hidden').map(piece => paper[roleOf(piece)].name))
    return { batch, papers: [...used] }
  })
}

/** The papers of a kind with most on hand. */
function byArea({ papers }: Batch, kind: PaperEntry['kind']): PaperEntry[] {
  const onHand = (entry: PaperEntry): number => {
    const { stocks, offcuts } = readPaper(entry)
    return stocks.reduce((sum, { width, height, onHand }) => sum + width * height * onHand, 0)
      + offcuts.reduce((sum, { width, height, count }) => sum + width * height * count, 0)
  }
  return papers.filter(paper => paper.kind === kind)
    .map(paper => ({ paper, area: onHand(paper) }))
    .filter(({ paper, area }) => area > 0 || paper.stocks.some(({ price }) => price !== null))
    .sort((a, b) => b.area - a.area)
    .slice(0, MOST_PAPERS)
    .map(({ paper }) => paper)
}

/**
 * How many kits the shelf gives, nothing bought: the paper that runs out first decides. Where it is not clear at once
 * whether there are as many as the class wants, it is looked at with care.
 */
function kitsFrom(batch: Batch, preparation: Preparation, solve: Solve): { kits: number, most: number } {
  const wanted = Math.max(...preparation.cards.map(({ kits }) => kits))
  const each = kitProblems(batch, preparation).map((drawer) => {
    const found = mostKits(drawer, solve, true)
    return found.kits < Math.min(wanted, found.most) ? mostKits(drawer, solve) : found
  })
  return { kits: Math.min(...each.map(({ kits }) => kits)), most: Math.min(...each.map(({ most }) => most)) }
}

/**
 * What the whole class takes, in a plan that is made at once: sheets to buy, cents, minutes, and whether all of it can
 * be had.
 */
function classFrom(batch: Batch, preparation: Preparation) {
  const outcomes = planAll(batch, preparation)
  const toBuy = outcomes.flatMap(({ paper, sheets }) => {
    const missing = sheets.reduce((sum, { needed, onHand }) => sum + Math.max(0, needed - onHand), 0)
    return missing > 0 ? [{ paper: paper.name, sheets: missing }] : []
  })
  return {
    toBuy,
    spending: outcomes.reduce((sum, { plan }) => sum + plan.spending, 0),
    whole: outcomes.every(({ plan }) => plan.unplaced.length === 0),
    minutes: outcomes.reduce((sum, { minutes }) => sum + minutes, 0),
  }
}

/** The size a mark or two off that gives most kits more; nothing where none does. */
function nearbyFor({ batch, card, kits }: Suggestion, solve: Solve): Suggestion['nearby'] {
  const better = nearbySizes(batch, prepare(batch), card.key).flatMap(
    ({ label, shown, parameter, value, batch: changed }) => {
      const more = kitsFrom(changed, prepare(changed), solve).kits
      return more > kits ? [{ label, shown, parameter, value, kits: more }] : []
    })
  return better.sort((a, b) => b.kits - a.kits)[0]
}
