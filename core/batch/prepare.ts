import type { Cutter } from '../cutting'
import type { Batch, CardEntry, PaperEntry } from '../document'
import { ANY_SCRAP, choicesOf, isPool } from '../document'
import { dressedCard, fixedFindings } from '../dressing'
import type { Finding, Piece } from '../folds'
import { foldById, inputProblems } from '../folds'
import { lengthFrom } from '../lengths'
import { itemAt, lookUp, once, tally } from '../lists'
import type { Paper } from '../paper'
import { sheetOf, sidesOf } from '../paper'
import type { PreparedCard, PreparedPiece, PreparedStrip } from './prepared'
import type { KitGroup } from './blanks'
import { paperIn } from './blanks'
import { cutPerKit, stripName } from './prep'
import { colourwayFindings, paperFindings } from './paper-findings'
import type { Pool, Share } from './pools'
import { readPool, turnOn } from './pools'
import type { OwnedDemand } from './owners'
import type { PaperProblem } from './problems'
import { demandsOf, paperProblem } from './problems'
import { padsAmong, padsWith, readPaper, readTools } from './read'
import { SCRAP_PAPER, mayBeScrap } from './scrap-paper'
import type { DealtKit } from './bags'
import { choiceOf } from './bags'
import type { SharingOfClass } from './sharing'
import { dealtKits } from './sharing'
import type { Sharing } from '../sharing'

/** Everything that follows from a class without planning its cutting. */
export interface Preparation {
  batch: Batch
  cards: PreparedCard[]
  papers: PaperProblem[]
  /** Parts of which nothing shows that are cut from any scrap once the papers are planned. */
  scrap: OwnedDemand[]
  cutter: Cutter
  /** The papers of the shelf with lengths instead of text, by key. */
  shelf: Map<string, Paper>
  /** How prints of pools are shared out, where there are any. */
  sharing?: SharingOfClass
}

/**
 * From a class to pieces, findings and one cutting problem for each paper. The batch must have passed its door.
 * @param before what was prepared from an earlier state of the class: what does not
 * depend on anything that has changed since is taken from it, the same objects
 * @param known the sharing of prints that was found for a problem, by its key; until there is one they are dealt out in
 *   turn
 */
export function prepare(batch: Batch, before?: Preparation, known?: (key: string) => Sharing | undefined): Preparation {
  const sameTools = before?.batch.tools === batch.tools && before.batch.class.units === batch.class.units
  const cutter = sameTools ? before.cutter : readTools(batch.tools, batch.class.units)
  const pads = padsAmong(batch.papers)
  const padsBefore = padsAmong(before?.batch.papers ?? [])
  const papers = batch.papers.map(entry => asBefore(entry, pads, padsBefore, before) ?? readPaper(entry, pads))
  const shelf = new Map(papers.flatMap(sidesOf).map(side => [side.key, side]))
  const pools = new Map(batch.pools.map(entry => [entry.key, readPool(entry, shelf)]))
  const old = new Map(sameTools ? before.cards.map(card => [card.entry, card]) : [])
  const made = batch.cards.map(entry => old.get(entry)?.made ?? makeCard(entry, batch, cutter))
  const { kits, sharing } = dealtKits(batch, made, shelf, pools, cutter, known)
  const cards = made.map((one, at) => {
    const card = old.get(one.entry)
    const dealt = itemAt(kits, at)
    const same = card !== undefined && isDealtAlike(card.dealt, dealt)
      && poolsIn(one.entry).every(key => namesOf(key, before) === namesOf(key))
      && papersIn(one.entry, batch).every(key => before?.shelf.get(key) === shelf.get(key))
    return same ? card : prepareCard(one, dealt, shelf, pools, batch, cutter)
  })
  const scrap = demandsOf(batch, cards, SCRAP_PAPER)
  return { batch, cards, papers: problemsOf(), scrap, cutter, shelf, sharing }

  /** Name and papers of a pool, as text. */
  function namesOf(key: string, of: Pick<Preparation, 'batch'> = { batch }): string {
    const pool = of.batch.pools.find(pool => pool.key === key)
    return pool ? [pool.name, ...pool.papers].join('\n') : ''
  }

  /** One cutting problem for each paper that pieces are cut from. */
  function problemsOf(): PaperProblem[] {
    const isSame = sameTools && before.batch.wishes === batch.wishes && before.batch.prices === batch.prices
      && isAlone(before.batch) === isAlone(batch)
    // Hidden parts may be among the layouts that are kept.
    const sameScrap = isSame && JSON.stringify(before.scrap) === JSON.stringify(scrap)
    return [...shelf.values()].filter(paper => sheetOf(paper) === paper).flatMap((paper) => {
      const users = cards.filter(card => isCutFrom(card, paper))
      const entry = batch.cutting.find(own => own.paper === paper.key)
      // A paper that no card is cut from may hold hidden parts on layouts that are kept.
      if (users.length === 0 && (scrap.length === 0 || !entry?.layouts.length)) return []
      const old = isSame ? before.papers.find(problem => problem.paper === paper) : undefined
      const sameUsers
        = old && users.length === old.cards.length && users.every((card, index) => card === old.cards[index])
      const known = sharing?.sharing.layouts?.get(paper.key)
      const isAsBefore = sameUsers && old.own === entry && sameScrap && old.problem.known === known
      const problem = isAsBefore ? old : paperProblem(batch, users, paper, cutter, scrap, known)
      return users.length > 0 || problem.hidden.size > 0 ? [problem] : []
    })
  }
}

const poolsIn = (card: CardEntry): string[] => choicesOf(card).map(({ paper }) => paper).filter(isPool)

/** Whether two lists of kits come to the same: the same bags, colourways and papers. */
const isDealtAlike = (one: DealtKit[], other: DealtKit[]): boolean =>
  one.length === other.length && one.every((kit, at) => {
    const { bag, colourway, papers, prep } = itemAt(other, at)
    return (
      kit.bag === bag
      && kit.colourway === colourway
      && kit.prep.profile === prep.profile
      && isSameTable(kit.papers, papers)
    )
  })

const compared = new WeakMap<object, WeakMap<object, boolean>>()

/** Kits that are alike share their table, so that few are compared. */
function isSameTable(one: ReadonlyMap<string, Paper>, other: ReadonlyMap<string, Paper>): boolean {
  const before = compared.get(one)?.get(other)
  if (before !== undefined) return before
  const same = one.size === other.size && [...one].every(([part, paper]) => other.get(part) === paper)
  const own = compared.get(one) ?? new WeakMap<object, boolean>()
  compared.set(one, own.set(other, same))
  return same
}

/** Pieces of a class with one card are not named after it. */
const isAlone = ({ cards }: Batch) => cards.length <= 1

/** A paper as it was read before, where nothing of it and of the pads that it comes in has changed. */
function asBefore(
  entry: PaperEntry, pads: PaperEntry[], padsBefore: PaperEntry[], before?: Preparation,
): Paper | undefined {
  if (!before?.batch.papers.includes(entry)) return undefined
  const [then, now] = [padsWith(entry, padsBefore), padsWith(entry, pads)]
  const isSame = then.length === now.length && then.every((pad, at) => pad === now[at])
  return isSame ? before.shelf.get(entry.key) : undefined
}

const isCutFrom = ({ pieces, strips }: PreparedCard, paper: Paper) =>
  strips.some(strip => sheetOf(strip.paper) === paper) || pieces.some(({ shares }) =>
    shares.some(share => sheetOf(share.paper) === paper && share.quantity > 0))

/** The papers that a card is cut from, those of its pools among them. */
const papersIn = (card: CardEntry, { pools }: Batch): string[] =>
  choicesOf(card).flatMap(({ paper }) => pools.find(pool => pool.key === paper)?.papers ?? [paper])

/** A card worked out from its parameters and dressing, before anything is said of papers. */
function makeCard(entry: CardEntry, batch: Batch, cutter: Cutter): PreparedCard['made'] {
  const { units } = batch.class
  const fold = foldById(entry.fold)
  const broken = (findings: Finding[]): PreparedCard['made'] => ({ entry, pieces: [], findings, fixed: () => findings })
  if (!fold) {
    const problem = `uses the fold “${entry.fold}”, which this Wakaru does not know.`
    return broken([{ severity: 'stop', subject: entry.title, problem }])
  }
  const wrong = inputProblems(fold.parameters, entry.parameters, units)
  if (wrong.length > 0)
    return broken(
      wrong.map(({ parameter, problem }) => ({ severity: 'stop', subject: entry.title, parameter, problem })),
    )
  const board = lengthFrom(batch.tools.board, units)
  const made = dressedCard(fold, entry, units, cutter.mark, board)
  const { pieces, ...construction } = made
  const findings = made.findings.map(finding => ({ ...finding, fix: undefined }))
  return {
    entry, fold, construction, pieces, findings,
    fixed: once(() => fixedFindings(fold, entry, made, units, cutter.mark, board)),
  }
}

/** A card with its papers: what its kits are cut from, added up for each piece. */
function prepareCard(
  made: PreparedCard['made'],
  dealt: DealtKit[],
  shelf: ReadonlyMap<string, Paper>,
  pools: ReadonlyMap<string, Pool>,
  { class: { units } }: Batch,
  cutter: Cutter,
): PreparedCard {
  const { entry, fold, construction } = made
  const kits = dealt.length
  const groups = groupsOf(entry, dealt)
  const pieces = made.pieces.map((piece): PreparedPiece => {
    const chosen = [
      ...new Set([entry, ...entry.colourways].flatMap(({ papers }) => papers[piece.outOf ?? piece.key] ?? [])),
    ]
    const pool = chosen.map(key => pools.get(key)).find(pool => pool !== undefined)
    const shares = sharesOf(piece, chosen)
    const isOwn = piece.outOf === undefined
    const quantity = isOwn ? groups.reduce((sum, { kits, prep }) => sum + kits * cutPerKit(prep, piece), 0) : 0
    const brought = groups.length > 0 && groups.every(({ prep }) => prep.levels.get(piece.key) === 'brought')
    return {
      ...piece, paper: shares[0]?.paper, pool: pool?.name, shares, turn: shares[0]?.turn ?? 'either', quantity,
      ...(brought && { brought }),
    }
  })
  const strips = stripsOf(groups)
  const ofPapers = pieces.flatMap(piece =>
    (piece.brought || piece.outOf !== undefined
      ? []
      : [
          ...paperFindings(piece, entry, cutter, units, construction?.joints),
          ...colourwayFindings(piece, entry, groups),
        ]))
  const fixed = once(() => [...made.fixed(), ...ofPapers])
  return {
    entry, kits, dealt, groups, made, fold, construction, pieces, strips, findings: [...made.findings, ...ofPapers],
    fixed,
  }

  /** How many of a piece are cut from which paper; without any kit it is still said which. */
  function sharesOf(piece: Piece, chosen: string[]): Share[] {
    const counts = new Map<Paper, number>()
    for (const key of chosen) {
      if (key === ANY_SCRAP && mayBeScrap(piece.kind)) counts.set(SCRAP_PAPER, 0)
      for (const paper of pools.get(key)?.papers ?? [shelf.get(key)]) if (paper) counts.set(paper, 0)
    }
    for (const group of groups) {
      const paper = piece.outOf === undefined ? paperIn(group, piece) : undefined
      if (paper) counts.set(paper, (counts.get(paper) ?? 0) + group.kits * cutPerKit(group.prep, piece))
    }
    const used = [...counts].filter(([, quantity]) => quantity > 0)
    return (used.length > 0 ? used : [...counts]).map(([paper, quantity]) => ({
      paper, turn: turnOn(paper, piece), quantity,
    }))
  }
}

/** Kits that share one table of papers are cut and made ready alike. */
function groupsOf(entry: CardEntry, dealt: DealtKit[]): KitGroup[] {
  const firsts = new Map([...dealt].reverse().map(kit => [kit.papers, kit]))
  return [...tally(dealt, ({ papers }) => papers)].map(([papers, kits]) => {
    const { colourway, prep } = lookUp(firsts, papers)
    const { pictures } = entry
    return { kits, papers, prep, colourway: colourway?.key, choice: choiceOf(entry, colourway), pictures }
  })
}

/** The strips of all kits, those alike together. */
function stripsOf(groups: KitGroup[]): PreparedStrip[] {
  const strips = new Map<string, PreparedStrip>()
  for (const { kits, prep } of groups) {
    for (const strip of prep.strips) {
      const key = [strip.paper.key, strip.width, strip.height, strip.turn, stripName(strip)].join(' ')
      const same = strips.get(key)
      if (same) same.quantity += kits
      else strips.set(key, { ...strip, quantity: kits })
    }
  }
  return [...strips.values()]
}
