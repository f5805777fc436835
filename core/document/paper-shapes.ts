import 'reflect-metadata'
import { IsHexColor, Length as HasLength, Matches, NotEquals } from 'class-validator'
import { BOUNDS } from './bounds'
import { key, least, listOf, most, one, oneOf, whole, yesOrNo } from './shape-checks'
import { IsFilledText, IsLengthText, IsListOf, IsText, IsWholeOrNull } from './validators'
import type { Coating, ColourFamily, Core, Folded, Grain, Motif, PaperKind, Scale } from './vocabulary'
import {
  ANY_SCRAP, BACK_PREFIX, COATINGS, COLOUR_FAMILIES, CORES, FOLDED, GRAINS, MOTIFS, PAPER_KINDS, POOL_PREFIX, SCALES,
} from './vocabulary'

/* Papers as they are bought and lie on the shelf. */

const hexColour = (): PropertyDecorator => (target, name) => {
  HasLength(7, 7, { message: 'is a colour such as #4f6d7a' })(target, name)
  IsHexColor({ message: 'is a colour such as #4f6d7a' })(target, name)
}

/** One sheet format of a paper, with what is on hand of it. */
export class StockEntry {
  @key()
  key!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @most(BOUNDS.onHand) @least(0) @whole()
  onHand!: number

  /** Sheets that are bought at once: 1 where they are sold singly. */
  @most(BOUNDS.inPack) @least(1) @whole()
  pack!: number

  /** Price of a pack in cents; `null` where it cannot be bought any more, or only in a pad. */
  @IsWholeOrNull(BOUNDS.cents)
  price!: number | null
}

/** A leftover kept for later. */
export class OffcutEntry {
  @key()
  key!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number
}

/** What a side of a sheet looks like. */
class LookEntry {
  /** CSS hex colour for drawings. */
  @hexColour()
  colour!: string

  @oneOf(MOTIFS)
  motif!: Motif

  @oneOf(SCALES)
  scale!: Scale

  /** Whether its print has a right way up, running along the height of the sheet. */
  @yesOrNo()
  upright!: boolean
}

/** The other side of a sheet. */
export class BackEntry extends LookEntry {
  /** Whether it looks otherwise than the front; where it does not, nothing else here counts. */
  @yesOrNo()
  differs!: boolean

  /** What it is called; empty for the other side of the paper. */
  @IsText(BOUNDS.title)
  name!: string
}

/** A picture of a print that is cut out along its edge, so many of it on each sheet. */
export class PictureEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  /** Of the picture itself. */
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number
}

/** How many sheets of a paper a pad holds; its key is that of the paper. */
export class PadSheetEntry {
  @key()
  key!: string

  @most(BOUNDS.inPack) @least(1) @whole()
  count!: number
}

/** A paper as the studio keeps it; or a pad of several papers, which is bought as a whole. */
export class PaperEntry extends LookEntry {
  @Matches(new RegExp(`^(?!${POOL_PREFIX}|${BACK_PREFIX})`), {
    message: `cannot begin with “${POOL_PREFIX}”, which stands for a pool, or “${BACK_PREFIX}”, which stands for another side`,
  })
  @NotEquals(ANY_SCRAP, { message: `cannot be “${ANY_SCRAP}”, which stands for leftovers` })
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  @oneOf(PAPER_KINDS)
  kind!: PaperKind

  /** Article number, where it is bought, where it is found, and whatever else is worth knowing. */
  @IsText(BOUNDS.title)
  article!: string

  @IsText(BOUNDS.title)
  where!: string

  @Matches(/^(https?:\/\/\S+)?$/, { message: 'is an address that begins with https:// or http://' })
  @IsText(BOUNDS.link)
  link!: string

  @IsText(BOUNDS.paperNote)
  note!: string

  @oneOf(COLOUR_FAMILIES)
  family!: ColourFamily

  /** Keys of papers that it may be taken for. */
  @key({ each: true }) @IsListOf('keys of papers', BOUNDS.standsIn, 'text')
  standsIn!: string[]

  /** Grams per square metre. */
  @most(BOUNDS.weight.most) @least(BOUNDS.weight.least) @whole()
  weight!: number

  /** As it was measured; zero where it follows from the weight. */
  @IsLengthText({ zero: true })
  thick!: string

  /** Whether ink stands on it instead of going in. */
  @oneOf(COATINGS)
  coating!: Coating

  /** What shows where it is cut, torn or scored. */
  @oneOf(CORES)
  core!: Core

  @one(() => BackEntry, 'the other side: differs, name, colour, motif, scale, upright')
  back!: BackEntry

  /** Which way the fibres run; creases then follow them where the print direction allows it. */
  @oneOf(GRAINS)
  grain!: Grain

  /** Whether it is bought as bases folded in the middle, and which side of the sheet, laid open, that halves. */
  @oneOf(FOLDED)
  folded!: Folded

  /** What its front shows that is cut out whole. */
  @listOf(() => PictureEntry, 'pictures', BOUNDS.onSheet)
  pictures!: PictureEntry[]

  @listOf(() => StockEntry, 'sheet formats', BOUNDS.stocks)
  stocks!: StockEntry[]

  @listOf(() => OffcutEntry, 'offcuts', BOUNDS.offcuts)
  offcuts!: OffcutEntry[]

  /** Of a pad the papers in it; none of a paper. */
  @listOf(() => PadSheetEntry, 'papers of the pad', BOUNDS.inPad)
  holds!: PadSheetEntry[]
}
