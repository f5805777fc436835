import type { Cutter, Demand } from '../cutting'
import type { Batch, CardEntry, PaperEntry } from '../document'
import { ANY_SCRAP, isPool, kitsOf } from '../document'
import { dressedCard, fixedFindings } from '../dressing'
import type { Finding, Piece } from '../folds'
import { foldById, inputProblems } from '../folds'
import { lengthFrom } from '../lengths'
import { once } from '../lists'
import type { Paper } from '../paper'
import type { PreparedCard, PreparedPiece } from './prepared'
import { paperFindings } from './paper-findings'
import type { Pool } from './pools'
import { dealt, readPool } from './pools'
import { demandsOf, paperProblem } from './problems'
import type { PaperProblem } from './problems'
import { readPaper, readTools } from './read'
import { SCRAP_PAPER, mayBeScrap } from './scrap-paper'

/** Everything that follows from a class without planning its cutting. */
export interface Preparation {
  batch: Batch
  cards: PreparedCard[]
  papers: PaperProblem[]
  /** Parts of which nothing shows that are cut from any scrap once the papers are planned. */
  scrap: Demand[]
  cutter: Cutter
  /** The papers of the shelf with lengths instead of text, by key. */
  shelf: Map<string, Paper>
}

/**
 * From a class to pieces, findings and one cutting problem for each paper. The batch must have passed its door.
 * @param before what was prepared from an earlier state of the class: what does not
 * depend on anything that has changed since is taken from it, the same objects
 */
export function prepare(batch: Batch, before?: Preparation): Preparation {
  const sameTools = before?.batch.tools === batch.tools && before.batch.class.units === batch.class.units
  const cutter = sameTools ? before.cutter : readTools(batch.tools, batch.class.units)
  const shelf = new Map(batch.papers.map(entry => [entry.key, asBefore(entry, before) ?? readPaper(entry)]))
  const pools = new Map(batch.pools.map(entry => [entry.key, readPool(entry, shelf)]))
  const known = new Map(sameTools ? before.cards.map(card => [card.entry, card]) : [])
  const cards = batch.cards.map((entry) => {
    const card = known.get(entry)
    const same = card?.kits === kitsOf(entry, batch) && papersIn(entry, batch).every(key => before?.shelf.get(key) === shelf.get(key))
      && (before?.batch.pools === batch.pools || !Object.values(entry.papers).some(isPool))
    return same ? card : prepareCard(entry, batch, shelf, pools, cutter)
  })
  const scrap = demandsOf(batch, cards, SCRAP_PAPER)
  return { batch, cards, papers: problemsOf(), scrap, cutter, shelf }

  /** One cutting problem for each paper that pieces are cut from. */
  function problemsOf(): PaperProblem[] {
    const isSame = sameTools && before.batch.wishes === batch.wishes && before.batch.prices === batch.prices
      && isAlone(before.batch) === isAlone(batch)
    return [...shelf.values()].flatMap((paper) => {
      const users = cards.filter(card => isCutFrom(card, paper))
      if (users.length === 0) return []
      const entry = batch.cutting.find(own => own.paper === paper.key)
      const old = isSame ? before.papers.find(problem => problem.paper === paper) : undefined
      const sameUsers = old && users.length === old.cards.length && users.every((card, index) => card === old.cards[index])
      return [sameUsers && old.own === entry ? old : paperProblem(batch, users, paper, cutter)]
    })
  }
}

/** Pieces of a class with one card are not named after it. */
const isAlone = ({ cards }: Batch) => cards.length <= 1

/** A paper as it was read before, where nothing of it has changed. */
const asBefore = (entry: PaperEntry, before?: Preparation): Paper | undefined =>
  before?.batch.papers.includes(entry) ? before.shelf.get(entry.key) : undefined

const isCutFrom = ({ pieces }: PreparedCard, paper: Paper) =>
  pieces.some(({ shares }) => shares.some(share => share.paper === paper && share.quantity > 0))

/** The papers that a card is cut from, those of its pools among them. */
const papersIn = ({ papers }: CardEntry, { pools }: Batch): string[] =>
  Object.values(papers).flatMap(key => pools.find(pool => pool.key === key)?.papers ?? [key])

function prepareCard(
  entry: CardEntry,
  batch: Batch,
  shelf: ReadonlyMap<string, Paper>,
  pools: ReadonlyMap<string, Pool>,
  cutter: Cutter,
): PreparedCard {
  const { units } = batch.class
  const kits = kitsOf(entry, batch)
  const fold = foldById(entry.fold)
  const broken = (findings: Finding[]): PreparedCard => ({ entry, kits, pieces: [], findings, fixed: () => findings })
  if (!fold) {
    const problem = `uses the fold “${entry.fold}”, which this Wakaru does not know.`
    return broken([{ severity: 'stop', subject: entry.title, problem }])
  }
  const wrong = inputProblems(fold.parameters, entry.parameters, units)
  if (wrong.length > 0)
    return broken(wrong.map(({ parameter, problem }) => ({ severity: 'stop', subject: entry.title, parameter, problem })))
  const board = lengthFrom(batch.tools.board, units)
  const made = dressedCard(fold, entry, units, cutter.mark, board)
  const { pieces: plain, ...construction } = made
  /** Pieces of a card from one pool begin with different papers; both of a matched pair with the same. */
  const begun = new Map<string, string[]>()
  function dealtFrom({ key }: Pool, { key: part, pair }: Piece): number {
    const started = begun.get(key) ?? []
    begun.set(key, started)
    const name = pair === undefined ? `piece ${part}` : `pair ${pair}`
    if (!started.includes(name)) started.push(name)
    return started.indexOf(name)
  }
  const pieces = plain.map((piece): PreparedPiece => {
    const chosen = entry.papers[piece.key] ?? ''
    const quantity = kits * piece.perKit
    const pool = pools.get(chosen)
    const one = chosen === ANY_SCRAP && mayBeScrap(piece.kind) ? SCRAP_PAPER : shelf.get(chosen)
    const shares = dealt(pool?.papers ?? (one ? [one] : []), piece, quantity, pool ? dealtFrom(pool, piece) : 0)
    return { ...piece, paper: shares[0]?.paper, pool: pool?.name, shares, turn: shares[0]?.turn ?? 'either', quantity }
  })
  const ofPapers = pieces.flatMap(piece => paperFindings(piece, entry, cutter, units))
  const findings = [...made.findings.map(finding => ({ ...finding, fix: undefined })), ...ofPapers]
  const fixed = once(() => [...fixedFindings(fold, entry, made, units, cutter.mark, board), ...ofPapers])
  return { entry, kits, fold, construction, pieces, findings, fixed }
}
