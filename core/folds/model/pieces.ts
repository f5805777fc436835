import { itemAt } from '../../lists'
import type { SheetKind, PrintTop } from '../../document'
import type { Length, ScaleReading } from '../../lengths'
import { Measure, readOffScale } from '../../lengths'
import type { Construction, Crease, CreaseDirection, Part, PartKind, Place, Slit, Window, PartWork } from './card'
import { creaseAt, isLayer, isWhole } from './card'
import type { DrawnSide } from '../motion/drawn-side'
import { drawnSides } from '../motion/drawn-side'

/** A crease as it is scored on a board. */
export interface Score {
  /**
   * From the left end of the piece, or from its lower end along y, inside face up; of a slanting score its first end.
   */
  at: Measure
  along: Crease['along']
  fromOtherEnd: Measure
  direction: CreaseDirection
  /** Mountains are pressed from the other face, so the sheet is turned over first. */
  turnOver: boolean
  /** Where the board has a mark for it, as read with the face named above upwards. */
  reading: ScaleReading
  /** The two ends of a score that does not run right across, or that slants. */
  ends?: [Place, Place]
  /** The same setting as an earlier score, with the piece turned end for end. */
  endForEnd: boolean
}

/** One piece to cut for every kit. Width always stands before height. */
export interface Piece {
  key: string
  name: string
  kind: PartKind
  width: Measure
  height: Measure
  printTop: PrintTop
  /** What is called the side that lies up for the valleys, and that its pattern shows. */
  drawn: DrawnSide
  scores: Score[]
  slits: Slit[]
  windows: Window[]
  /** Whether the blank is cut to another shape afterwards. */
  shaped: boolean
  /** How many of it a kit holds. */
  perKit: number
  /** What is done to it before it is put on. */
  works?: PartWork[]
  /** Key of the piece that it is cut out of, where it wants no paper of its own. */
  outOf?: string
  /** Grams per square metre above which its paper cracks or does not fold. */
  heaviest?: number
  /** Pieces of one pair are cut side by side from one blank. */
  pair?: string
}

/** What a window releases: a usable piece. */
export interface DropOut {
  part: string
  name: string
  shape: Window['shape']
  width: Measure
  height: Measure
}

/** The kind of paper a part usually wants. */
export const usualPaper = (kind: PartKind): SheetKind => (kind === 'mat' ? 'print' : 'cardstock')

const hasSize = ({ width, height }: Pick<Part, 'width' | 'height'>): boolean => width.value > 0 && height.value > 0

/** Plain mats are rectangles on other blanks. */
const isBlank = ({ kind, windows, outline }: Part): boolean =>
  !isLayer(kind) || windows.length > 0 || outline !== undefined

/** The parts of a card that are blanks of their own, to be scored, slit or folded, as far as they can be made. */
export const blanksOf = ({ parts }: Pick<Construction, 'parts'>): Part[] =>
  parts.filter(part => isBlank(part) && isWhole(part))

/** All blanks that have a size and can be drawn, those included that cannot be made as they are. */
export const drawnBlanksOf = ({ parts }: Pick<Construction, 'parts'>): Part[] =>
  parts.filter(part => isBlank(part) && hasSize(part))

/**
 * The pieces of a card, in the order in which its design lists them. Parts without a size are left to the findings.
 * @param board smallest mark of the scoring board
 */
export function piecesOf(construction: Construction, board: Length): Piece[] {
  const drawnSide = drawnSides(construction)
  return construction.parts
    .filter(hasSize)
    .map((part) => {
      const {
        key, name, kind, width, height, printTop, creases, slits, windows, outline, pair, heaviest, works, outOf,
        count = 1,
      } = part
      const scores: Score[] = []
      for (const crease of creases) scores.push(scoreOf(crease, scores))
      const cuts = { slits, windows, shaped: outline !== undefined }
      const drawn = drawnSide(part)
      return {
        key, name, kind, width, height, printTop, drawn, scores, ...cuts, perKit: count, pair, heaviest, works, outOf,
      }

      function scoreOf(crease: Crease, earlier: Score[]): Score {
        const { along, direction, from, to } = crease
        const at = creaseAt(crease)
        const turnOver = direction === 'mountain'
        const whole
          = along === 'y' ? Measure.of(`${name} height`, height.value) : Measure.of(`${name} width`, width.value)
        const fromOtherEnd = whole.minus(at)
        const [start, end, across]
          = along === 'y' ? [from.x.value, to.x.value, width.value] : [from.y.value, to.y.value, height.value]
        const partial = along === 'slant' || Math.min(start, end) > 0 || Math.max(start, end) < across
        const mirrored = (other: Score) =>
          other.along === along
          && other.direction === direction
          && !other.endForEnd
          && other.at.value === fromOtherEnd.value
          && other.at.value !== at.value
          && Boolean(other.ends) === partial
          && (!other.ends || sameSpan(other.ends, [from, to], along))
        return {
          at,
          fromOtherEnd,
          along,
          direction,
          turnOver,
          // Turned over like a page, left and right change places and the foot stays the foot.
          reading: readOffScale(turnOver && along !== 'y' ? fromOtherEnd.value : at.value, whole.value, board),
          ends: partial ? [from, to] : undefined,
          endForEnd: along !== 'slant' && earlier.some(mirrored),
        }
      }
    })
}

/**
 * Indices of scores in the order they are made: front first, then turned over; from left to right, then from
 * bottom to top, slanting ones last.
 */
export function scoringOrder(scores: Score[]): number[] {
  const ways = ['x', 'y', 'slant']
  return scores
    .map((_, index) => index)
    .sort((a, b) => {
      const [first, second] = [itemAt(scores, a), itemAt(scores, b)]
      return (
        Number(first.turnOver) - Number(second.turnOver)
        || ways.indexOf(first.along) - ways.indexOf(second.along)
        || first.at.value - second.at.value
        || a - b
      )
    })
}

function sameSpan([a, b]: [Place, Place], [from, to]: [Place, Place], along: 'x' | 'y' | 'slant'): boolean {
  const axis = along === 'y' ? 'x' : 'y'
  return a[axis].value === from[axis].value && b[axis].value === to[axis].value
}

/** The pieces that windows release, largest first. */
export const dropOutsOf = ({ parts }: Pick<Construction, 'parts'>): DropOut[] =>
  parts
    .flatMap(part =>
      part.windows
        .filter(hasSize)
        .map(({ name, shape, width, height }) => ({ part: part.key, name, shape, width, height })),
    )
    .sort((a, b) => b.width.value * b.height.value - a.width.value * a.height.value)

/** Which way the creases of a piece run for the most part. */
export function mainCrease({ scores, width, height }: Piece): 'width' | 'height' | undefined {
  const run = (along: 'x' | 'y', length: number) => scores.filter(score => score.along === along).length * length
  const [upright, level] = [run('x', height.value), run('y', width.value)]
  return upright + level === 0 ? undefined : upright >= level ? 'height' : 'width'
}

/** Which side of a piece a score right across its middle halves; nothing where it has none there. */
export function halvedSide(
  { scores, width, height }: Pick<Piece, 'scores' | 'width' | 'height'>,
): 'width' | 'height' | undefined {
  const isMiddle = ({ along, at, ends }: Score) =>
    ends === undefined && 2 * at.value === (along === 'x' ? width : height).value
  const score = scores.find(isMiddle)
  return score && (score.along === 'x' ? 'width' : 'height')
}
