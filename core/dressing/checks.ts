import type { Construction, Face, Finding, Frame, HeldSide, OwnSide } from '../folds'
import { boxOf, cornersOf, face as onlyPanel, isLayer, isWhole, panelKey, poseOf } from '../folds'
import type { Length, Units } from '../lengths'
import { formatLength, lengthFrom, nanometres, nearestMark } from '../lengths'
import type { PlacedPiece } from './free'
import { sideWords } from './held'

/** Across and up a face: its two sides, and the measure of a piece that runs that way. */
const ACROSS = { sides: ['left', 'right'], size: 'left' } as const
const UP = { sides: ['bottom', 'top'], size: 'bottom' } as const
const AT: Record<HeldSide, string> = {
  left: 'on the left', right: 'on the right', head: 'at the head', foot: 'at the foot',
}
/** Cosine from which an axis of a face runs along one of the closed card. */
const STRAIGHT = 0.99

/**
 * How an axis of the closed card runs on a face, which may lie turned on it: along which measure of its own, and which
 * way. `runs` is 1 or -1, and 0 where the face lies aslant.
 */
function wayOn(
  frame: Frame, side: Face, axis: 0 | 1,
): { sides: readonly [OwnSide, OwnSide], size: 'left' | 'bottom', runs: number } {
  const isAcross = Math.abs(frame.x[axis]) >= Math.abs(frame.y[axis])
  const along = (isAcross ? frame.x : frame.y)[axis]
  const sign = Math.sign(along) * (isAcross && side === 'outside' ? -1 : 1)
  return { ...(isAcross ? ACROSS : UP), runs: Math.abs(along) < STRAIGHT ? 0 : sign }
}

/**
 * What is wrong with free pieces once they lie on the card: each names the piece, the number and the one that would be
 * right.
 */
export function freeFindings(
  natural: Construction, card: Construction, placed: PlacedPiece[], units: Units, mark: Length,
): Finding[] {
  if (natural.parts.some(part => !isLayer(part.kind) && !isWhole(part))) return []
  const show = (length: Length) => formatLength(length, units, { unit: true })
  return [...sticksOut(natural, card, placed, mark, show), ...placed.flatMap(piece => brokenShapes(piece, show))]
}

type Show = (length: Length) => string

/** Out of the closed card, by how much and on which side. */
function sticksOut(
  natural: Construction, card: Construction, placed: PlacedPiece[], mark: Length, show: Show,
): Finding[] {
  const { least, most } = boxOf(natural, poseOf(natural, 0))
  const pose = poseOf(card, 0)
  return placed.flatMap(({ entry, part, face }): Finding[] => {
    const frame = part && pose.get(panelKey(onlyPanel(part)))
    const under = face && pose.get(panelKey(face.panel))
    if (!frame || !part || !under) return []
    const corners = cornersOf(onlyPanel(part), frame)
    return ([0, 1] as const).flatMap((axis): Finding[] => {
      const along = corners.map(corner => corner[axis])
      const [before, after] = [least[axis] - Math.min(...along), Math.max(...along) - most[axis]]
      const over = Math.max(before, after)
      if (over <= mark / 2) return []
      const { sides, size, runs } = wayOn(under, face.side, axis)
      const shift = (before > after ? 1 : -1) * over * runs
      // The side is named as whoever holds the card calls it, as its fields and its step do.
      const isFirst = (before > after) !== (runs < 0)
      const where = AT[sideWords(card, face)[sides[isFirst ? 0 : 1]]]
      const value = nearestMark(nanometres(lengthFrom(entry[size]) + shift), mark)
      const fits = Math.min(before, after) <= -over
      return [{
        severity: 'warn',
        subject: entry.name,
        part: part.key,
        parameter: `free/${entry.key}/${size}`,
        problem: `sticks out of the closed card by ${show(nanometres(over))} ${where}: it would be bent in an envelope.`,
        fix: runs !== 0 && fits && value > 0 ? { parameter: `free/${entry.key}/${size}`, value } : undefined,
      }]
    })
  })
}

/** An outline that is none, a ring without a hole. */
function brokenShapes({ entry, part }: PlacedPiece, show: Show): Finding[] {
  if (!part) return []
  const found: Finding[] = []
  if (entry.shape === 'outline' && !part.outline) {
    found.push({
      severity: 'warn', subject: entry.name, part: part.key, parameter: `free/${entry.key}/shape`,
      problem: 'has no outline yet: it is cut as a rectangle. Read one from an SVG file.',
    })
  }
  const ring = lengthFrom(entry.ring)
  const half = nanometres(Math.min(part.width.value, part.height.value) / 2)
  if (ring >= half && ring > 0) {
    found.push({
      severity: 'warn', subject: entry.name, part: part.key, parameter: `free/${entry.key}/ring`,
      problem: `is a ring ${show(ring)} wide in a piece that is ${show(nanometres(half * 2))} across: nothing is left open. `
        + `It must be less than ${show(half)}.`,
    })
  }
  return found
}
