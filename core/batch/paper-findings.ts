import type { Cutter } from '../cutting'
import { LEAST_PIECE } from '../cutting'
import type { CardEntry, Turn } from '../document'
import { ANY_SCRAP, isBack } from '../document'
import type { Finding, Joint } from '../folds'
import { halvedSide, mainCrease } from '../folds'
import type { Length, Units } from '../lengths'
import { techniqueOf } from '../making'
import { formatLength, formatSize, lengthFrom, millimetres } from '../lengths'
import type { Paper } from '../paper'
import { STOCK_WEIGHTS, colourDistance, sheetOf } from '../paper'
import { count } from '../lists'
import type { KitGroup } from './blanks'
import { paperIn } from './blanks'
import type { Share } from './pools'
import { turnOn } from './pools'
import type { PreparedCard, PreparedPiece } from './prepared'

/** What is found in the paper that a piece is cut from, or in those of its pool. */
export function paperFindings(
  piece: PreparedPiece, entry: CardEntry, cutter: Cutter, units: Units, joints: readonly Joint[] = [],
): Finding[] {
  if (piece.shares.length === 0) return [noPaper(piece, entry)]
  const findings = narrowFindings(piece, cutter, units)
  const told = new Set<string>()
  for (const share of piece.shares) {
    findings.push(...pictureFindings(piece, entry, share.paper, units).filter(({ problem }) => !told.has(problem)))
    findings.push(...shareFindings(piece, share, joints, units).filter(({ problem }) => !told.has(problem)))
    findings.forEach(({ problem }) => told.add(problem))
  }
  return findings
}

/**
 * Findings of a card with a paper of the shelf where one would suit better. Papers of a pool are left to the pool.
 * @param shelf papers by key
 * @param units for the words of what is found
 */
export function withOffers(
  findings: Finding[], { pieces, construction }: Pick<PreparedCard, 'pieces' | 'construction'>,
  shelf: ReadonlyMap<string, Paper>, units: Units,
): Finding[] {
  return findings.map((finding) => {
    const piece = finding.paper === undefined ? undefined : pieces.find(({ key }) => key === finding.part)
    const now = shelf.get(finding.paper ?? '')
    if (!piece || !now || piece.pool !== undefined) return finding
    const other = suitable(piece, now, construction?.joints ?? [], shelf.values(), units)
    return other ? { ...finding, instead: { paper: other.key, name: other.name } } : finding
  })
}

/** A part takes another paper wherever the card took one for it. Changes the card that it is given. */
export function takeInstead(card: CardEntry, part: string, before: string, paper: string): void {
  for (const choice of [card, ...card.colourways])
    if (choice.papers[part] === before) choice.papers = { ...choice.papers, [part]: paper }
}

/**
 * The paper on the shelf that a piece is best cut from instead: one of which nothing is found that wants care and that
 * has a sheet it fits on. One that stands in for its paper comes first, then one of its colour family, then whichever
 * looks most like it.
 */
function suitable(
  piece: PreparedPiece, now: Paper, joints: readonly Joint[], shelf: Iterable<Paper>, units: Units,
): Paper | undefined {
  const [width, height] = [piece.width.value, piece.height.value]
  const isLarge = (sheet: { width: number, height: number }, turn: Turn) =>
    (turn !== 'turned' && width <= sheet.width && height <= sheet.height)
    || (turn !== 'as drawn' && height <= sheet.width && width <= sheet.height)
  const suits = (paper: Paper) => {
    const turn = turnOn(paper, piece)
    return paper.kind === now.kind && sheetOf(paper) !== sheetOf(now)
      && paper.stocks.some(stock => (stock.onHand > 0 || stock.price !== null || stock.pad) && isLarge(stock, turn))
      && shareFindings(piece, { paper, turn }, joints, units).every(({ severity }) => severity === 'note')
  }
  const standsFor = ({ standsIn }: Paper) => standsIn.includes(sheetOf(now).key)
  const isAkin = ({ family }: Paper) => family !== '' && family === now.family
  const worth = (paper: Paper): [number, number, number, number] => [
    Number(!standsFor(paper)), Number(!isAkin(paper)), Number(paper.stocks.every(({ onHand }) => onHand === 0)),
    colourDistance(paper.colour, now.colour),
  ]
  return [...shelf].filter(suits).map(paper => ({ paper, worth: worth(paper) }))
    .sort((one, other) => byFirst(one.worth, other.worth) || (one.paper.key < other.paper.key ? -1 : 1))[0]?.paper
}

const byFirst = (one: readonly number[], other: readonly number[]): number =>
  one.map((value, at) => value - (other[at] ?? 0)).find(difference => difference !== 0) ?? 0

const about = ({ name, key }: PreparedPiece) => ({ subject: name, part: key })

/** Why a piece has no paper: its pool is empty, its paper is gone, or none was chosen. */
function noPaper(piece: PreparedPiece, entry: CardEntry): Finding {
  const stop = (problem: string): Finding => ({ ...about(piece), severity: 'stop', place: 'papers', problem })
  const chosen = entry.papers[piece.key]
  const { pool } = piece
  if (pool !== undefined) return stop(`is cut from the pool “${pool}”, which has no paper. Put one into it.`)
  if (chosen === ANY_SCRAP) return stop('shows on the card, so no scrap will do. Choose a paper.')
  return stop(
    chosen
      ? `was to be cut from “${chosen}”, which is no longer on the shelf. Choose another paper.`
      : 'has no paper yet. Choose one.',
  )
}

function narrowFindings(piece: PreparedPiece, cutter: Cutter, units: Units): Finding[] {
  const smallest = Math.min(piece.width.value, piece.height.value) as Length
  const wide = `is only ${formatLength(smallest, units, { unit: true })} wide`
  if (smallest < LEAST_PIECE)
    return [{ ...about(piece), severity: 'stop', problem: `${wide}: nothing under 1 mm can be cut.` }]
  if (smallest >= cutter.smallestPiece) return []
  return [{
    ...about(piece),
    severity: 'warn',
    problem:
      `${wide}, too narrow to hold in the trimmer. Cut it last off a wider strip, or with knife and ruler.`,
  }]
}

/** What is found in one of the papers that a piece is cut from. */
function shareFindings(
  piece: PreparedPiece, { paper, turn }: Pick<Share, 'paper' | 'turn'>, joints: readonly Joint[], units: Units,
): Finding[] {
  const findings: Finding[] = []
  const found = (severity: Finding['severity'], problem: string) =>
    void findings.push({ ...about(piece), severity, problem, ...(severity !== 'note' && { paper: paper.key }) })
  const of = `is of ${paper.weight} g/m² paper`
  const isLight = paper.weight < STOCK_WEIGHTS.light
  const enough = `${STOCK_WEIGHTS.light} g/m² or more`
  if (isLight && piece.kind === 'base') found('warn', `${of}, too light to hold its shape; ${enough} stands.`)
  for (const [is, severity, problem] of looksOdd(piece, paper, joints))
    if (is) found(severity, problem)
  for (const [is, problem] of lightFor(piece, joints))
    if (is && isLight) found('warn', `${of}, ${problem}; ${enough} will do.`)
  if (piece.heaviest !== undefined && paper.weight > piece.heaviest)
    found('warn', `${of}: above ${piece.heaviest} g/m² it cracks where its creases meet.`)
  if (piece.scores.length > 0 && paper.weight >= STOCK_WEIGHTS.heavy)
    found('note', `is of heavy stock (${paper.weight} g/m²): score before folding and fold along the grain.`)
  for (const [severity, problem] of foldedFindings(piece, paper, units)) found(severity, problem)
  const crease = mainCrease(piece)
  const isAcross = crease !== undefined && paper.grain !== 'any' && (crease === paper.grain) !== (turn === 'as drawn')
  if (turn !== 'either' && isAcross)
    found('note', `folds across the grain of “${paper.name}”, as its print direction wants: score it well.`)
  return findings
}

/** What is found in the picture that a piece is cut out of. */
function pictureFindings(piece: PreparedPiece, entry: CardEntry, paper: Paper, units: Units): Finding[] {
  const wanted = entry.pictures[piece.key]
  if (wanted === undefined || piece.pool !== undefined || isBack(paper.key)) return []
  const picture = paper.pictures.find(({ key }) => key === wanted)
  if (!picture) {
    const known = paper.pictures.map(({ name }) => name).join(', ')
    return [{
      ...about(piece), severity: 'warn', place: 'papers',
      problem: `was to be cut out of the picture “${wanted}”, which “${paper.name}” does not show: it is cut from anywhere `
        + `on the sheet. ${known ? `It shows ${known}.` : 'It shows none that is known.'}`,
    }]
  }
  const [width, height] = [lengthFrom(picture.width), lengthFrom(picture.height)]
  if (piece.width.value >= width && piece.height.value >= height) return []
  return [{
    ...about(piece), severity: 'warn',
    problem: `is ${formatSize(piece.width.value, piece.height.value, units)}, and “${picture.name}” on “${paper.name}” is `
      + `${formatSize(width, height, units)}: some of it would be cut off.`,
  }]
}

/** What is found in a piece of a base that comes folded: its fold must be the one in the middle of the piece. */
function foldedFindings(piece: PreparedPiece, paper: Paper, units: Units): [Finding['severity'], string][] {
  if (paper.folded === 'flat') return []
  const halved = halvedSide(piece)
  if (!halved) {
    return [[
      'warn', `is of “${paper.name}”, which comes folded: that fold runs through it. Only a piece that folds in its middle `
      + 'is cut from it.',
    ]]
  }
  const [sheet] = sheetOf(paper).stocks
  const [own, there] = [piece[halved].value, sheet?.[paper.folded]]
  if (there !== undefined && own !== there) {
    const say = (length: Length) => formatLength(length, units, { unit: true })
    return [[
      'stop', `folds in the middle of ${say(own)}, and “${paper.name}” comes folded in the middle of ${say(there)}. `
      + `Make it ${say(there)}, or choose another paper.`,
    ]]
  }
  return piece.scores.length > 1
    ? [['note', `of “${paper.name}” comes folded in its middle: score the rest only.`]]
    : []
}

/** Pieces narrower than this show little of a large pattern. */
const LARGE_MOTIF = millimetres(30)

/** What a surface, a core or a side of a paper does to a piece, and whether it does. */
function looksOdd(
  { shaped, windows, slits, scores, works = [], key, width, height }: PreparedPiece,
  paper: Share['paper'],
  joints: readonly Joint[],
): [boolean, Finding['severity'], string][] {
  const wet = works.map(({ technique }) => techniqueOf(technique)).find(technique => technique.wet)
  return [
    [
      paper.coating === 'coated' && wet !== undefined, 'warn',
      `is ${wet?.done ?? ''} on “${paper.name}”, which is coated: wet ink stands on it and smears. Uncoated paper takes it.`,
    ],
    [
      paper.coating === 'coated' && joints.some(({ part, means }) => part === key && means === 'glue'), 'warn',
      `is glued wet, and “${paper.name}” is coated: glue holds badly there. Take strong tape.`,
    ],
    [
      paper.core === 'white' && scores.length > 0, 'note',
      `is of “${paper.name}”, which is white within: that shows where it is scored and cut.`,
    ],
    [
      paper.front !== undefined && (shaped || windows.length > 0 || slits.length > 0), 'warn',
      `shows the other side of “${sheetOf(paper).name}”: lay it with that side up before its shape is drawn, or it `
      + 'comes out mirrored.',
    ],
    [
      paper.motif !== 'plain' && paper.scale === 'large' && Math.min(width.value, height.value) < LARGE_MOTIF, 'note',
      `is narrow for the large pattern of “${paper.name}”: little of it will be seen.`,
    ],
  ]
}

/** What light paper is not up to, and whether that is asked of a piece. */
const lightFor = ({ key, kind, scores, works = [] }: PreparedPiece, joints: readonly Joint[]): [boolean, string][] => [
  ...works.map(({ technique }) => techniqueOf(technique)).filter(({ least }) => least !== undefined).slice(0, 1)
    .map(({ done, wet }): [boolean, string] =>
      [true, `${wet ? 'which wet ink bleeds through' : 'which tears'} when it is ${done}`]),
  [(kind === 'insert' || kind === 'figure') && scores.length > 0, 'too light to stand up by itself'],
  [
    joints.some(({ part, means }) => part === key && means === 'glue'),
    'which wet glue may warp: hold it with tape, or take heavier paper',
  ],
]

/** Colourways in which a piece has no paper although it has one in others: its kits would be a piece short. */
export function colourwayFindings(
  { key, kind, name, shares }: PreparedPiece, { colourways }: CardEntry, groups: KitGroup[],
): Finding[] {
  if (shares.length === 0) return []
  const without = groups.filter(group =>
    group.prep.levels.get(key) !== 'brought' && paperIn(group, { key, kind }) === undefined)
  if (without.length === 0) return []
  const kits = without.reduce((sum, group) => sum + group.kits, 0)
  const names = [
    ...new Set(without.flatMap(({ colourway }) => colourways.find(one => one.key === colourway)?.name ?? [])),
  ]
  const where = names.length > 0 ? ` in ${names.map(one => `“${one}”`).join(' and ')}` : ''
  return [{
    severity: 'stop', subject: name, part: key, place: 'papers',
    problem: `has no paper${where}, so ${count(kits, 'kit')} would lack it. Choose one there, or one for the whole card.`,
  }]
}
