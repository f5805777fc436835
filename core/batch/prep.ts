import { itemAt } from '../lists'
import type { Batch, PrepLevel, ProfileEntry, SeatEntry, Turn } from '../document'
import { POST_PROFILE, ROOM_PROFILE, isPool } from '../document'
import type { PartWork, Piece } from '../folds'
import type { Length, Units } from '../lengths'
import { formatSize } from '../lengths'
import type { TechniqueKey } from '../making'
import { doneInWords, techniqueOf } from '../making'
import type { Paper } from '../paper'
import { ownFormats } from '../paper'
import { turnOn } from './pools'

/** The words for how far a piece is made ready, as they stand on a list. */
export const LEVEL_WORDS: Record<PrepLevel, string> = {
  'uncut': 'uncut',
  'cut': 'cut',
  'scored': 'cut and scored',
  'die cut': 'die cut',
  'stamped': 'stamped',
  'assembled': 'put on already',
  'brought': 'you bring it',
}

/** Everything is cut, and tape lies on the table: what a bag has whose profile is gone. */
export const PLAIN: ProfileEntry = { key: '', name: 'Cut', levels: {}, more: {}, adhesive: 'on the table' }

/**
 * The profile of bags that name none of their own: that of the class, else the one natural for how the class is held.
 */
export function usualProfile({
  prep: { usual, profiles }, class: { delivery },
}: Pick<Batch, 'prep' | 'class'>): ProfileEntry {
  const find = (wanted: string) => profiles.find(({ key }) => key === wanted)
  return find(usual) ?? find(delivery === 'by post' ? POST_PROFILE : ROOM_PROFILE) ?? profiles[0] ?? PLAIN
}

/** The profile of a bag: its own, that of the post for who joins from afar, else the usual one. */
export function profileOf(batch: Pick<Batch, 'prep' | 'class'>, seat?: SeatEntry): ProfileEntry {
  const find = (wanted: string) => batch.prep.profiles.find(({ key }) => key === wanted)
  return (seat && (find(seat.profile) ?? (seat.online ? find(POST_PROFILE) : undefined))) ?? usualProfile(batch)
}

/**
 * How far each piece of a card is made ready, by its key. Both of a matched pair are as the first: they are cut from
 * one blank.
 */
export function levelsOf(
  { levels }: ProfileEntry, card: string, pieces: readonly Piece[],
): ReadonlyMap<string, PrepLevel> {
  const levelFor = (piece: Piece) => {
    const first = piece.pair === undefined ? piece : pieces.find(({ pair }) => pair === piece.pair) ?? piece
    return levels[`${card} ${first.key}`] ?? levels[first.kind] ?? 'cut'
  }
  return new Map(pieces.map((piece) => {
    // What is cut out of something that students bring is brought with it.
    const from = piece.outOf === undefined ? undefined : pieces.find(({ key }) => key === piece.outOf)
    if (from && levelFor(from) === 'brought') return [piece.key, 'brought']
    const level = levelFor(piece)
    // Nothing is scored on a piece without a score, and what is cut out of another one has no strip of its own.
    const isCut = (level === 'scored' && piece.scores.length === 0) || (level === 'uncut' && piece.outOf !== undefined)
    return [piece.key, isCut ? 'cut' : level]
  }))
}

/**
 * Pieces that are not just cut, each with how far it is made ready: `Base cut and scored, Mat uncut`; nothing where all
 * are.
 */
export const readyInWords = (pieces: readonly Piece[], levels: ReadonlyMap<string, PrepLevel>): string =>
  pieces.flatMap(({ key, name }) => {
    const level = levels.get(key) ?? 'cut'
    return level === 'cut' ? [] : [`${name} ${LEVEL_WORDS[level]}`]
  }).join(', ')

/** Whether a piece of a level is cut to its size by the maker. */
export const isCutReady = (level: PrepLevel): boolean => level !== 'uncut' && level !== 'brought'

/** What a piece that comes die cut has gone through. */
const CUT_AWAY: ReadonlySet<TechniqueKey> = new Set(['die cut', 'punch'])

/**
 * Whether a work is done before the bag is handed out. Whoever prepares the class does what is theirs, and what either
 * may do as far as the piece is made ready; nobody works on what goes along uncut, or ties round what is not put on.
 */
export function isWorkDone({ by, technique }: Pick<PartWork, 'by' | 'technique'>, level: PrepLevel): boolean {
  if (by === 'student' || !isCutReady(level)) return false
  const isFlat = techniqueOf(technique).when === 'flat'
  if (by === 'instructor') return isFlat || level === 'assembled'
  return isFlat && (level === 'assembled' || level === 'stamped' || (level === 'die cut' && CUT_AWAY.has(technique)))
}

/**
 * How a piece comes in its bag, in words: what was done to it before, and how far it is made ready where that says
 * more; nothing where it is just cut.
 */
export function stateInWords({ works = [] }: Pick<Piece, 'works'>, level: PrepLevel): string[] {
  const done = doneInWords(works.filter(work => isWorkDone(work, level)))
  const says = level !== 'cut' && (done.length === 0 || (level !== 'stamped' && level !== 'die cut'))
  return [...done, ...(says ? [LEVEL_WORDS[level]] : [])]
}

/** Uncut paper that goes along: the pieces of one kit side by side, to be cut by whoever gets the bag. */
export interface Strip {
  paper: Paper
  /** Keys and names of the pieces to be cut from it, each so many times. */
  parts: { key: string, name: string, count: number }[]
  width: Length
  height: Length
  turn: Turn
}

/** How the pieces of a kit are made ready. Kits that are alike share it. */
export interface KitPrep {
  profile: ProfileEntry
  levels: ReadonlyMap<string, PrepLevel>
  strips: Strip[]
}

const levelIn = ({ levels }: Pick<KitPrep, 'levels'>, key: string): PrepLevel => levels.get(key) ?? 'cut'

/** Pieces of a kit with those that are in it to choose from: `perKit` counts them too. */
export const withMore = <T extends Piece>({ more }: Pick<ProfileEntry, 'more'>, pieces: readonly T[]): T[] =>
  pieces.map(piece => ({ ...piece, perKit: piece.perKit + (more[piece.kind] ?? 0) }))

/** How many of a piece a kit has, those to choose from among them. */
export const countInKit = (
  { more }: Pick<ProfileEntry, 'more'>, { kind, perKit }: Pick<Piece, 'kind' | 'perKit'>,
): number => perKit + (more[kind] ?? 0)

/** How many of a piece are cut to size for one kit. */
export const cutPerKit = (prep: Pick<KitPrep, 'levels'> & { profile: Pick<ProfileEntry, 'more'> }, piece: Pick<Piece,
  'key' | 'kind' | 'perKit'>): number =>
  (isCutReady(levelIn(prep, piece.key)) ? countInKit(prep.profile, piece) : 0)

/**
 * Whether a strip fits on some sheet of its paper that the class cuts from unasked; where there are only offcuts nobody
 * knows.
 */
function fitsSheet({ stocks }: Paper, units: Units, width: number, height: number, turn: Turn): boolean {
  const fits = (wide: number, high: number) =>
    ownFormats(stocks, units).some(stock => wide <= stock.width && high <= stock.height)
  return (turn !== 'turned' && fits(width, height)) || (turn !== 'as drawn' && fits(height, width))
}

/**
 * Strips for uncut pieces of one paper: those of one height lie side by side, as many as a sheet is long.
 * @param pieces those of one kit that are uncut
 */
export function stripsFor(paper: Paper, pieces: readonly Piece[], units: Units): Strip[] {
  const strips: Strip[] = []
  for (const piece of pieces) {
    const turn = turnOn(paper, piece)
    const [w, h] = [piece.width.value, piece.height.value]
    // What may lie either way lies with its longer side across, so that more of one height come together.
    const [width, height] = turn === 'either' && w > h ? [h, w] : [w, h]
    for (let left = piece.perKit; left > 0; left--) {
      const open = strips.find(strip => strip.height === height && strip.turn === turn
        && fitsSheet(paper, units, strip.width + width, height, turn))
      if (!open) {
        strips.push({ paper, parts: [{ key: piece.key, name: piece.name, count: 1 }], width, height, turn })
        continue
      }
      open.width = (open.width + width) as Length
      const part = open.parts.find(({ key }) => key === piece.key)
      if (part) part.count++
      else open.parts.push({ key: piece.key, name: piece.name, count: 1 })
    }
  }
  return strips
}

/**
 * How the pieces of one kit are made ready.
 * @param papers of the kit, by part
 * @param choice what its parts are said to be cut from: prints of a pool keep to themselves, for they are shared out
 *   one by one
 */
export function kitPrep(
  profile: ProfileEntry,
  card: string,
  pieces: readonly Piece[],
  papers: ReadonlyMap<string, Paper>,
  choice: Record<string, string>,
  units: Units,
): KitPrep {
  const levels = new Map(levelsOf(profile, card, pieces))
  // What is cut from any scrap, or from a paper that is not chosen yet, cannot go along as a strip of it.
  for (const [key, level] of levels) if (level === 'uncut' && !papers.has(key)) levels.set(key, 'cut')
  const groups = new Map<string, { paper: Paper, pieces: Piece[] }>()
  for (const piece of withMore(profile, pieces)) {
    const paper = papers.get(piece.key)
    if (!paper || levels.get(piece.key) !== 'uncut') continue
    const own = isPool(choice[piece.key] ?? '') ? (piece.pair ?? piece.key) : ''
    const group = groups.get(`${paper.key} ${own}`) ?? { paper, pieces: [] }
    group.pieces.push(piece)
    groups.set(`${paper.key} ${own}`, group)
  }
  return {
    profile, levels, strips: [...groups.values()].flatMap(({ paper, pieces }) => stripsFor(paper, pieces, units)),
  }
}

/** `Strip for Mat, 2 × Plate`. */
export const stripName = ({ parts }: Pick<Strip, 'parts'>): string =>
  `Strip for ${parts.map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)).join(', ')}`

/** Every size to cut from a strip, for whoever cuts it: `Mat 5 1/4 × 4 in`. */
export const stripInWords = ({ parts }: Strip, pieces: readonly Piece[], units: Units): string =>
  parts.map(({ key, name, count }) => {
    const piece = pieces.find(other => other.key === key) ?? itemAt(pieces, 0)
    return `${count} × ${name} ${formatSize(piece.width.value, piece.height.value, units)}`
  }).join(', ')
