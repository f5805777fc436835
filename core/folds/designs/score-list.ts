import type { Length, Units } from '../../lengths'
import { parseLength, writeLength } from '../../lengths'
import type { CreaseDirection } from '../model/card'
import type { TextParameter } from '../model/parameters'

/** Which part of the height a score runs over: all of it, the two rails, or the band between slits. */
export type ScoreRow = 'all' | 'rails' | 'band'

/**
 * A score as a maker notes it: `4 1/4 valley 60 band`, or `4 1/4` alone, which folds to and fro with its neighbours.
 */
export interface NotedScore {
  at: Length
  direction: CreaseDirection
  row: ScoreRow
  /** Degrees that it stays folded on display. */
  open: number
}

/** A piece as a maker notes it: `3 x 1 1/2 on 2` or `8 x 1 1/2 on 1 to 4`. */
export interface NotedPiece {
  width: Length
  height: Length
  /** Numbers of the panels it is glued to, counted from the left. */
  onto: number[]
}

type Read<T> = { ok: true, entries: T[] } | { ok: false, reason: string }

const MOST = 60
const USUAL_OPEN = 60

function readList<T>(
  text: string,
  units: Units,
  pattern: RegExp,
  form: string,
  read: (found: string[], length: (text: string) => Length | undefined) => T | string,
): Read<T> {
  const entries: T[] = []
  const written = text
    .split(/[,;\n]/)
    .map(entry => entry.trim())
    .filter(Boolean)
  if (written.length > MOST)
    return { ok: false, reason: `there are ${written.length} entries; at most ${MOST} can be read.` }
  for (const entry of written) {
    const found = pattern.exec(entry)
    if (!found) return { ok: false, reason: `“${entry.slice(0, 40)}” is not of the form ${form}.` }
    const made = read(found.map(part => part ?? ''), (part) => {
      const parsed = parseLength(part, units)
      return parsed.ok && parsed.length > 0 ? parsed.length : undefined
    })
    if (typeof made === 'string') return { ok: false, reason: `“${entry.slice(0, 40)}” ${made}` }
    entries.push(made)
  }
  return { ok: true, entries }
}

const SCORE_FORM = '“4 1/4”, “4 1/4 valley”, “4 1/4 valley 60” (degrees on display) or “4 1/4 valley 60 band”'

/**
 * Reads scores in any order; they come back from left to right. One without a direction folds the other way than the
 * next to its right, the last a valley.
 */
export function readScores(text: string, units: Units): Read<NotedScore> {
  const list = readList<Omit<NotedScore, 'direction'> & { direction?: CreaseDirection }>(
    text,
    units,
    /^(.+?)(?:\s+(mountain|valley|m|v)(?:\s+(\d+))?(?:\s+(rails|band))?)?$/i,
    SCORE_FORM,
    ([, position = '', word = '', open, row], length) => {
      const at = length(position)
      if (at === undefined)
        return word ? 'has no position that can be read, more than zero.' : `is not of the form ${SCORE_FORM}.`
      const degrees = open ? Number(open) : USUAL_OPEN
      if (degrees > 180) return 'is folded by more than 180 degrees.'
      const direction = word && (/^m/i.test(word) ? 'mountain' : 'valley')
      return { at, direction: direction || undefined, row: (row?.toLowerCase() || 'all') as ScoreRow, open: degrees }
    },
  )
  if (!list.ok) return list
  const entries = folded([...list.entries].sort((a, b) => a.at - b.at))
  const twice = entries.find((entry, index) =>
    entries.some(
      (other, at) =>
        at < index && other.at === entry.at && (other.row === entry.row || other.row === 'all' || entry.row === 'all'),
    ),
  )
  return twice
    ? { ok: false, reason: `there are two scores at ${writeLength(twice.at, units)} over the same height.` }
    : { ok: true, entries }
}

function folded(scores: (Omit<NotedScore, 'direction'> & { direction?: CreaseDirection })[]): NotedScore[] {
  let next: CreaseDirection = 'mountain'
  return scores.reverse().map((score) => {
    next = score.direction ?? (next === 'valley' ? 'mountain' : 'valley')
    return { ...score, direction: next }
  }).reverse()
}

export function readPieces(text: string, units: Units): Read<NotedPiece> {
  return readList(
    text,
    units,
    /^(.+?)\s*[x×]\s*(.+?)\s+on\s+(\d+)(?:\s+to\s+(\d+))?$/i,
    '“3 x 1 1/2 on 2” or, glued from one panel to another, “8 x 1 1/2 on 1 to 4”',
    ([, wide = '', high = '', first, second], length) => {
      const [width, height] = [length(wide), length(high)]
      if (width === undefined || height === undefined)
        return 'has no width and height that can be read, more than zero.'
      return { width, height, onto: [Number(first), ...(second ? [Number(second)] : [])] }
    },
  )
}

/**
 * A further step as a maker notes it: `3/4 x 1 1/4 at 2`, with `figure 1 1/2 x 2` where that is wider than the step.
 */
export interface NotedStep {
  width: Length
  depth: Length
  /** Of its left edge from the left of the inner sheet. */
  at: Length
  figure?: { width: Length, height: Length }
}

export function readSteps(text: string, units: Units): Read<NotedStep> {
  return readList(
    text,
    units,
    /^(.+?)\s*[x×]\s*(.+?)\s+at\s+(.+?)(?:\s+figure\s+(.+?)\s*[x×]\s*(.+))?$/i,
    '“3/4 x 1 at 2” (width, depth, from the left) or “3/4 x 1 at 2 figure 1 1/2 x 2”',
    ([, wide = '', deep = '', left = '', figureWide = '', figureHigh = ''], length) => {
      const [width, depth, at] = [length(wide), length(deep), length(left)]
      if (width === undefined || depth === undefined || at === undefined)
        return 'has no width, depth and place that can be read.'
      if (!figureWide) return { width, depth, at }
      const figure = { width: length(figureWide), height: length(figureHigh) }
      if (figure.width === undefined || figure.height === undefined)
        return 'has a figure without a size that can be read.'
      return { width, depth, at, figure: { width: figure.width, height: figure.height } }
    },
  )
}

const writeScores = (scores: NotedScore[], units: Units): string =>
  scores
    .map(
      ({ at, direction, open, row }) =>
        `${writeLength(at, units)} ${direction} ${open}${row === 'all' ? '' : ` ${row}`}`,
    )
    .join(', ')

/** The list with one score folded the other way; all say their direction then, so that the others stay as they are. */
export function flippedScores(
  text: string, at: number, units: Units, isMeant: (score: NotedScore) => boolean,
): string | undefined {
  const list = readScores(text, units)
  const score = list.ok ? list.entries.find(score => score.at === at && isMeant(score)) : undefined
  if (!list.ok || !score) return undefined
  const direction: CreaseDirection = score.direction === 'valley' ? 'mountain' : 'valley'
  return writeScores(list.entries.map(other => (other === score ? { ...score, direction } : other)), units)
}

const problemOf
  = (read: (text: string, units: Units) => Read<unknown>): TextParameter['problem'] =>
    (text, units) => {
      const list = read(text, units)
      return list.ok ? undefined : list.reason
    }

export const scoreParameter = (
  label: string, inch: string, metric: string, help: string, follows: string,
): TextParameter => ({
  kind: 'text',
  label,
  help,
  follows,
  defaults: { inch, metric },
  problem: problemOf(readScores),
  resized(text, change, units) {
    const list = readScores(text, units)
    return list.ok ? writeScores(list.entries.map(score => ({ ...score, at: change(score.at) })), units) : text
  },
})

export const pieceList = (label: string, help: string): TextParameter => ({
  kind: 'text',
  label,
  help,
  defaults: { inch: '', metric: '' },
  problem: problemOf(readPieces),
  resized(text, change, units) {
    const list = readPieces(text, units)
    return list.ok
      ? list.entries
          .map(
            ({ width, height, onto }) =>
              `${writeLength(change(width), units)} x ${writeLength(change(height), units)} on ${onto.join(' to ')}`,
          )
          .join(', ')
      : text
  },
})

export const stepParameter = (label: string, help: string): TextParameter => ({
  kind: 'text',
  label,
  help,
  defaults: { inch: '', metric: '' },
  problem: problemOf(readSteps),
  resized(text, change, units) {
    const list = readSteps(text, units)
    const write = (length: Length) => writeLength(change(length), units)
    return list.ok
      ? list.entries
          .map(({ width, depth, at, figure }) =>
            `${write(width)} x ${write(depth)} at ${write(at)}${figure ? ` figure ${write(figure.width)} x ${write(figure.height)}` : ''}`,
          )
          .join(', ')
      : text
  },
})
