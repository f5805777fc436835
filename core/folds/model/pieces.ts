import type { Length, Reading } from '../../lengths'
import { Measure, readOffScale } from '../../lengths'
import type { PaperKind, PrintTop } from '../../paper'
import type { Construction, CreaseDirection, Part, PartKind } from './card'

/** A crease as it is scored on a board. */
export interface Score {
  /** From the left end of the piece, or from its lower end along y, inside face up. */
  at: Measure
  along: 'x' | 'y'
  fromOtherEnd: Measure
  direction: CreaseDirection
  /** Mountains are pressed from the other face, so the sheet is turned over first. */
  turnOver: boolean
  /** Where the board has a mark for it, as read with the face named above upwards. */
  reading: Reading
}

/** One piece to cut for every kit. Width always stands before height. */
export interface Piece {
  key: string
  name: string
  kind: PartKind
  width: Measure
  height: Measure
  printTop: PrintTop
  scores: Score[]
}

/** The kind of paper a part usually wants. */
export const usualPaper = (kind: PartKind): PaperKind => (kind === 'mat' ? 'print' : 'cardstock')

/** Whether a part is a layer on a panel rather than a blank of its own. */
export const isLayer = (kind: PartKind): boolean => kind === 'mat' || kind === 'message' || kind === 'underlay'

/** The parts of a card that are blanks of their own, to be scored or folded; mats are plain rectangles on them. */
export const blanksOf = ({ parts }: Pick<Construction, 'parts'>): Part[] =>
  parts.filter(part => !isLayer(part.kind) && part.width.value > 0 && part.height.value > 0)

/** The pieces of a card, in the order in which its design lists them. Parts without a size are left to the findings. */
export function piecesOf(construction: Construction, mark: Length): Piece[] {
  return construction.parts
    .filter(part => part.width.value > 0 && part.height.value > 0)
    .map(({ key, name, kind, width, height, along, printTop, creases }) => ({
      key,
      name,
      kind,
      width,
      height,
      printTop,
      scores: creases.map(({ at, direction }) => {
        const turnOver = direction === 'mountain'
        const whole = along === 'x' ? Measure.of(`${name} width`, width.value) : Measure.of(`${name} height`, height.value)
        const fromOtherEnd = whole.minus(at)
        const read = turnOver ? fromOtherEnd : at
        return { at, fromOtherEnd, along, direction, turnOver, reading: readOffScale(read.value, whole.value, mark) }
      }),
    }))
}
