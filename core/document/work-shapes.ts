import 'reflect-metadata'
import type { TechniqueKey } from '../making'
import { TECHNIQUE_KEYS } from '../making'
import { BOUNDS } from './bounds'
import { key, least, most, oneOf, whole, yesOrNo } from './shape-checks'
import { IsLengthText, IsText } from './validators'
import type { WorkBy, WorkShows } from './vocabulary'
import { WORK_BY, WORK_SHOWS } from './vocabulary'

/* What is done to pieces, layers and faces. */

/** Something that is done to a piece or to a face: stamped, coloured, cut with a die. The order follows by itself. */
export class WorkEntry {
  @key()
  key!: string

  @oneOf(TECHNIQUE_KEYS)
  technique!: TechniqueKey

  /** What it shows: a motif by its name, or a wording; empty where it goes all over. */
  @IsText(BOUNDS.title)
  shows!: string

  /** Whether that is a motif, or a wording that is read one way up. */
  @oneOf(WORK_SHOWS)
  sort!: WorkShows

  /** What it is done with, in the maker's words: ink, powder, die, colours in their order. */
  @IsText(BOUNDS.title)
  using!: string

  /** How large what it shows is; nothing where it goes all over. */
  @IsLengthText({ zero: true })
  width!: string

  @IsLengthText({ zero: true })
  height!: string

  /** Whether it is in the middle, rather than so far from the left and from the bottom. */
  @yesOrNo()
  centred!: boolean

  /** Place of its lower left corner on the piece, seen from its own side. */
  @IsLengthText({ signed: true })
  left!: string

  @IsLengthText({ signed: true })
  bottom!: string

  /** Degrees it is turned by, anticlockwise about its middle. */
  @most(180) @least(-180) @whole()
  turn!: number

  /** How many impressions. */
  @most(BOUNDS.inKit) @least(1) @whole()
  times!: number

  /** Who does it: whoever prepares the class, the student, or either, as the bag is made ready. */
  @oneOf(WORK_BY)
  by!: WorkBy
}
