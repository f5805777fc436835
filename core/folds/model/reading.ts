import type { Length, Units } from '../../lengths'
import { formatLength, nanometres } from '../../lengths'
import type { Place, Window } from './card'
import type { Piece, Score } from './pieces'
import { scoringOrder } from './pieces'
import type { DrawnSide } from '../motion/drawn-side'
import { OTHER_SIDE } from '../motion/drawn-side'
import { capitalised, inARow, itemAt } from '../../lists'

/** One thing to do at the scoring board, for every score that it makes. */
export interface ScoreLine {
  /** Indices of the scores of the piece. */
  scores: number[]
  words: string
}

/**
 * What is done at the scoring board, in the order in which it is done and in words that are said there: scores at one
 * setting are one line, however many they are.
 */
export function scoreLines(
  { scores, width, drawn }: Pick<Piece, 'scores' | 'width' | 'drawn'>, units: Units,
): ScoreLine[] {
  const show = (length: Length) => formatLength(length, units)
  /** A distance from the left as it is from what is the left by then. */
  const fromLeft = ({ turnOver }: Score) => (x: Length) => (turnOver ? nanometres(width.value - x) : x)
  const groups: { key: string, scores: number[] }[] = []
  let isTurned: boolean | undefined
  for (const index of scoringOrder(scores)) {
    const score = itemAt(scores, index)
    const { along, turnOver, endForEnd, reading, at } = score
    const key
      = along === 'slant'
        ? `slant ${index}`
        : `${along} ${turnOver} ${endForEnd} ${reading.from} ${reading.at} ${at.value}`
    const known = groups.find(group => group.key === key)
    if (known) known.scores.push(index)
    else groups.push({ key, scores: [index] })
  }
  return groups.map(({ scores: indices }) => {
    const first = itemAt(scores, itemAt(indices, 0))
    const side = isTurned === first.turnOver ? '' : sideUp(first.turnOver, drawn)
    isTurned = first.turnOver
    const setting = settingOf(first, show, fromLeft(first))
    return {
      scores: indices,
      words:
        side
        + setting
        + spansOf(
          indices.map(index => itemAt(scores, index)), show, fromLeft(first),
        ),
    }
  })
}

/**
 * The scores of a piece in one line: `mountain at 2 1/8 in; valley at 4 1/4 in`, from the left, the drawn side up.
 * Where one slants, or does not run right across, a bare figure would be wrong: then it is said how each is made, with
 * its direction.
 */
export function scoreList(piece: Pick<Piece, 'scores' | 'width' | 'drawn'>, units: Units): string {
  const { scores } = piece
  if (scores.every(({ ends, along }) => !ends && along === 'x'))
    return scores
      .map(({ at, direction }) => `${direction} at ${formatLength(at.value, units, { unit: true })}`)
      .join('; ')
  return scoreLines(piece, units).map(({ scores: indices, words }) =>
    `${itemAt(scores, itemAt(indices, 0)).direction}: ${words.replace(/\.$/, '')}`).join('; ')
}

/** Which side lies up from here on; its pattern shows the other one where a sheet has been turned over. */
function sideUp(isTurned: boolean, drawn: DrawnSide): string {
  const side = isTurned ? OTHER_SIDE[drawn] : drawn
  return isTurned
    ? `Turn the sheet over like a page, ${side} up. `
    : `${capitalised(side)} up. `
}

type Show = (length: Length) => string
type Mirror = (x: Length) => Length

function settingOf(
  { along, at, fromOtherEnd, reading, turnOver, endForEnd, ends }: Score, show: Show, left: Mirror,
): string {
  if (along === 'slant' && ends) {
    const [from, to] = ends.map(({ x, y }) => `${show(left(x.value))} right, ${show(y.value)} up`)
    return `Score by ruler from ${from} to ${to}.`
  }
  // On a sheet that is turned over like a page, left and right change places; the foot stays the foot.
  const [own, other] = turnOver && along !== 'y' ? [fromOtherEnd.value, at.value] : [at.value, fromOtherEnd.value]
  const foot = along === 'y' ? ' up from the foot' : ''
  if (endForEnd) return `Turn it end for end and score at ${show(other)} again${foot}`
  return {
    near: `Score at ${show(reading.at)}${foot}`,
    far: `Score at ${show(reading.at)} from the other end${foot && ', level'}`,
    between: `Score at ${show(own)}${foot} by ruler, the nearest mark is ${show(reading.at)}`,
  }[reading.from]
}

/** Whole height or width, or where each score at this setting starts and stops. */
function spansOf(scores: Score[], show: Show, left: Mirror): string {
  const [{ along, ends }] = scores as [Score]
  if (along === 'slant') return ''
  if (!ends) return along === 'y' ? ', whole width.' : ', whole height.'
  const place = ({ x, y }: Place) => (along === 'y' ? left(x.value) : y.value)
  return `, ${inARow(inSpans(scores.flatMap(({ ends }) => (ends ? [ends.map(place)] : [])), show))}.`
}

/** Where lines start and stop; those that meet are one line to whoever draws them. */
function inSpans(lines: Length[][], show: (length: Length) => string): string[] {
  const joined: { start: Length, stop: Length }[] = []
  const sorted = lines.map(([a, b]) => ({
    start: Math.min(a ?? 0, b ?? 0) as Length, stop: Math.max(a ?? 0, b ?? 0) as Length,
  }))
  for (const next of sorted.sort((a, b) => a.start - b.start)) {
    const last = joined.at(-1)
    if (last && next.start <= last.stop) last.stop = Math.max(last.stop, next.stop) as Length
    else joined.push(next)
  }
  return joined.map(({ start, stop }) => `from ${show(start)} to ${show(stop)}`)
}

const placeInWords = ({ x, y }: Place, show: (length: Length) => string) =>
  `${show(x.value)} right, ${show(y.value)} up`

/**
 * What is cut inside a piece before it is folded, with where each cut starts and stops; slits on one line are said
 * together.
 */
export function cutLines(
  { slits, windows, shaped }: Pick<Piece, 'slits' | 'windows' | 'shaped'>, units: Units,
): string[] {
  const show = (length: Length) => formatLength(length, units)
  const along = new Map<string, Length[][]>()
  const loose: string[] = []
  for (const { from, to } of slits) {
    const upright = from.x.value === to.x.value
    if (!upright && from.y.value !== to.y.value) {
      loose.push(`Slit by ruler from ${placeInWords(from, show)} to ${placeInWords(to, show)}.`)
      continue
    }
    const words = upright
      ? `Slit upright at ${show(from.x.value)} from the left`
      : `Slit level at ${show(from.y.value)} up from the foot`
    const axis = upright ? 'y' : 'x'
    along.set(words, [...(along.get(words) ?? []), [from[axis].value, to[axis].value]])
  }
  const straight = [...along].map(([words, lines]) => `${words}, ${inARow(inSpans(lines, show))}.`)
  return [
    ...straight, ...loose, ...windows.map(windowInWords),
    ...(shaped ? ['Cut to the drawn outline after scoring.'] : []),
  ]

  function windowInWords({ name, shape, x, y, width, height }: Window): string {
    const size = shape === 'circle' ? `${show(width.value)} across` : `${show(width.value)} × ${show(height.value)}`
    const what = { circle: 'Round window', slot: 'Window with round ends', rectangle: 'Window' }[shape]
    return `${what} ${size}, its lower left corner ${placeInWords({ x, y }, show)}; keep the `
      + `${name.toLowerCase()}.`
  }
}
