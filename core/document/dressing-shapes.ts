import 'reflect-metadata'
import { Matches } from 'class-validator'
import { BOUNDS } from './bounds'
import { key, least, listOf, most, one, oneOf, whole, yesOrNo } from './shape-checks'
import { IsFilledText, IsLengthText, IsOneOrNull, IsText } from './validators'
import type { FreeKind, FreeShape, Hold, LayerShape, PrintTop } from './vocabulary'
import { FREE_KINDS, FREE_SHAPES, HOLDS, LAYER_SHAPES, PRINT_TOPS } from './vocabulary'
import { WorkEntry } from './work-shapes'

/* What is put on a card: layers on its faces and free pieces. */

/** How far glue keeps from the edges of what it holds; with nothing all of it is glued. */
export class GlueEntry {
  @IsLengthText({ zero: true })
  left!: string

  @IsLengthText({ zero: true })
  right!: string

  @IsLengthText({ zero: true })
  top!: string

  @IsLengthText({ zero: true })
  bottom!: string
}

/** One layer on a face, or on the layer below it. */
export class LayerEntry {
  @key()
  key!: string

  /** What it is called; empty for its place. */
  @IsText(BOUNDS.title)
  name!: string

  /**
   * What it leaves visible of what it lies on, seen from its own side; where it has a fixed size and is not in the
   * middle, its place.
   */
  @IsLengthText({ zero: true })
  left!: string

  @IsLengthText({ zero: true })
  right!: string

  @IsLengthText({ zero: true })
  top!: string

  @IsLengthText({ zero: true })
  bottom!: string

  /** A size of its own; nothing where the borders say it. */
  @IsLengthText({ zero: true })
  width!: string

  @IsLengthText({ zero: true })
  height!: string

  /** Whether a layer of fixed size lies in the middle, rather than so far from the left and from the bottom. */
  @yesOrNo()
  centred!: boolean

  @oneOf(LAYER_SHAPES)
  shape!: LayerShape

  /** Radius of rounded corners. */
  @IsLengthText({ zero: true })
  corner!: string

  @oneOf(HOLDS)
  hold!: Hold

  /** Height of the foam it is raised on; zero for what the class uses. */
  @IsLengthText({ zero: true })
  foam!: string

  /** Where it is glued, where that is not all of it. */
  @one(() => GlueEntry, 'how far the glue keeps from the edges: left, right, top, bottom')
  glue!: GlueEntry

  /** What is done to it, in any order. */
  @listOf(() => WorkEntry, 'works', BOUNDS.works)
  works!: WorkEntry[]

  /** Whether it is kept free to be written on. */
  @yesOrNo()
  message!: boolean

  @oneOf(PRINT_TOPS)
  printTop!: PrintTop

  /** Layers of one card with the same word here are cut side by side from one piece of print; empty for none. */
  @IsText(BOUNDS.key)
  pair!: string

  /** Key of the window that it is a frame ring round, its borders counted from the window; empty for none. */
  @IsText(BOUNDS.key)
  ring!: string

  /** Whether windows of its panel go through it. */
  @yesOrNo()
  windows!: boolean
}

/** A face that is dressed otherwise than the catalogue has it. Its key says which: part, panel and side. */
export class FaceEntry {
  @key()
  key!: string

  /** What is done to the face itself, below its layers. */
  @listOf(() => WorkEntry, 'works', BOUNDS.works)
  works!: WorkEntry[]

  /** Whether the face itself is kept free to be written on. */
  @yesOrNo()
  message!: boolean

  /** From the lowest up; none leaves it bare. */
  @listOf(() => LayerEntry, 'layers', BOUNDS.layers)
  layers!: LayerEntry[]
}

/** A free piece: whatever else makes it a card. */
export class FreeEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  @oneOf(FREE_KINDS)
  kind!: FreeKind

  @oneOf(FREE_SHAPES)
  shape!: FreeShape

  /**
   * Closed outline as SVG path data of M, L and Z alone; only its shape counts. Empty unless the shape is an outline.
   */
  @Matches(/^(M[-\d.,\sLMZ]*Z)?$/, { message: 'is a path of straight lines: M, L and Z with numbers' })
  @IsText(BOUNDS.outline)
  outline!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  /** Radius of rounded corners. */
  @IsLengthText({ zero: true })
  corner!: string

  /** How wide a ring is; nothing where it is whole. */
  @IsLengthText({ zero: true })
  ring!: string

  /** How many a kit holds. */
  @most(BOUNDS.inKit) @least(1) @whole()
  count!: number

  /** Key of the face that one of them lies on; empty where they lie in the bag. */
  @IsText(BOUNDS.key)
  face!: string

  /** Place of its lower left corner on the face, seen from that side; below zero it sticks out. */
  @IsLengthText({ signed: true })
  left!: string

  @IsLengthText({ signed: true })
  bottom!: string

  /** Degrees it is turned by, anticlockwise about its middle. */
  @most(180) @least(-180) @whole()
  turn!: number

  @oneOf(HOLDS)
  hold!: Hold

  /** Height of the foam it is raised on; zero for what the class uses. */
  @IsLengthText({ zero: true })
  foam!: string

  /** Where it is glued, where that is not all of it. */
  @one(() => GlueEntry, 'how far the glue keeps from the edges: left, right, top, bottom')
  glue!: GlueEntry

  /** What is done to it, in any order. */
  @listOf(() => WorkEntry, 'works', BOUNDS.works)
  works!: WorkEntry[]

  @oneOf(PRINT_TOPS)
  printTop!: PrintTop

  /**
   * Key of the part that it is cut out of, so that it wants no paper of its own; empty where it is cut from a sheet.
   */
  @IsText(BOUNDS.key)
  from!: string
}

/** A part of the fold itself that is held otherwise than the catalogue has it, or that something is done to. */
export class PartEntry {
  @key()
  key!: string

  /** How it is held; `null` as the fold has it. */
  @IsOneOrNull(HOLDS)
  hold!: Hold | null

  /** Height of the foam it is raised on; zero for what the class uses. */
  @IsLengthText({ zero: true })
  foam!: string

  /** What is done to it, in any order. */
  @listOf(() => WorkEntry, 'works', BOUNDS.works)
  works!: WorkEntry[]
}

/** A step of a card that is told in the maker's words or comes somewhere else, or one of their own. */
export class StepEntry {
  @key()
  key!: string

  /** Key of the step that it speaks of; empty for one of the maker's own. */
  @IsText(BOUNDS.title)
  step!: string

  /** Key of the step that it comes after, or `start`; empty where that follows by itself. */
  @IsText(BOUNDS.title)
  after!: string

  /** Its words, figures as fields: `{mat}`, `{mat width}`. Empty for those that it has by itself. */
  @IsText(BOUNDS.words)
  words!: string

  /** Seconds that most students take for one of the maker's own, besides reading it. */
  @most(BOUNDS.seconds) @least(0) @whole()
  seconds!: number
}

/** What is put on a card otherwise than the catalogue has it, and how that is told. */
export class DressingEntry {
  /** Faces that are dressed otherwise. */
  @listOf(() => FaceEntry, 'faces', BOUNDS.faces)
  faces!: FaceEntry[]

  @listOf(() => FreeEntry, 'free pieces', BOUNDS.free)
  free!: FreeEntry[]

  /** Parts of the fold that are held or made otherwise. */
  @listOf(() => PartEntry, 'parts of the fold', BOUNDS.names)
  parts!: PartEntry[]

  /** Steps in the maker's words, moved, or their own. */
  @listOf(() => StepEntry, 'steps', BOUNDS.steps)
  steps!: StepEntry[]

  /** What the maker tells whoever makes it, besides the steps. */
  @IsText(BOUNDS.note)
  note!: string
}
