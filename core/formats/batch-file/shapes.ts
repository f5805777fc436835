import 'reflect-metadata'
import { Type, plainToInstance } from 'class-transformer'
import {
  Equals, IsBoolean, IsHexColor, IsIn, IsInt, IsNumber, IsString,
  Length as HasLength, Matches, Max, MaxLength, Min, NotEquals, ValidateNested,
} from 'class-validator'
import type { Batch, CardEntry, ClassDetails, ClassDocument, CuttingEntry, EnvelopeEntry, LayoutEntry, OffcutEntry, PaperEntry, PieceRef, PostEntry, PricesEntry, RateEntry, StockEntry, ToolsEntry, WishesEntry } from '../../batch'
import { BOUNDS, DEFAULT_PACE, DEFAULT_POST } from '../../batch'
import type { Pace } from '../../cutting'
import { PRIORITIES } from '../../cutting'
import type { ParameterInputs } from '../../folds'
import { ANY_SCRAP, GRAINS, MOTIFS, TURNS } from '../../paper'
import { IsCalendarDay, IsCutTree, IsLengthText, IsListOf, IsOne, IsOneOrNull, IsPaperChoice, IsParameterInputs, IsWholeOrNull } from './validators'

/**
 * The shape of a class in a file and at the server's door. The JSON Schema in
 * docs is written from these classes, so the two cannot drift apart.
 */

const KEY = /^[a-z0-9][a-z0-9-]{0,79}$/
const key = () => Matches(KEY, { message: 'is a key of small letters, digits and hyphens' })
const oneOf = (values: readonly string[]) => IsIn(values, { message: `is one of: ${values.join(', ')}` })
const text = (longest: number) => MaxLength(longest, { message: `is a text of at most ${longest} characters` })
const filled = () => Matches(/\S/, { message: 'cannot be empty' })
const whole = () => IsInt({ message: 'is a whole number' })
const least = (value: number) => Min(value, { message: `must be at least ${value}` })
const most = (value: number) => Max(value, { message: `must be at most ${value}` })

export class ClassDetailsShape implements ClassDetails {
  @filled() @text(BOUNDS.title) @IsString({ message: 'is a text' })
  title!: string

  @IsCalendarDay()
  date!: string

  @most(BOUNDS.seats) @least(1) @whole()
  seats!: number

  @most(BOUNDS.spares) @least(0) @whole()
  spares!: number

  @oneOf(['in person', 'by post'])
  delivery!: ClassDetails['delivery']

  @oneOf(['inch', 'metric'])
  units!: ClassDetails['units']

  @text(BOUNDS.notes) @IsString({ message: 'is a text' })
  notes!: string
}

export class CardShape implements CardEntry {
  @key()
  key!: string

  @filled() @text(BOUNDS.title) @IsString({ message: 'is a text' })
  title!: string

  @key()
  fold!: string

  @IsWholeOrNull(BOUNDS.kits)
  kits!: number | null

  @IsParameterInputs()
  parameters!: ParameterInputs

  @IsPaperChoice()
  papers!: Record<string, string>

  @text(BOUNDS.title) @IsString({ message: 'is a text' })
  envelope: string = ''
}

export class PaceShape implements Pace {
  @most(BOUNDS.seconds) @least(0) @IsNumber({}, { message: 'is a number of seconds' })
  setting!: number

  @most(BOUNDS.seconds) @least(0) @IsNumber({}, { message: 'is a number of seconds' })
  stroke!: number

  @most(BOUNDS.seconds) @least(0) @IsNumber({}, { message: 'is a number of seconds' })
  handling!: number
}

export class ToolsShape implements ToolsEntry {
  @IsLengthText()
  trimmer!: string

  @IsLengthText()
  mark!: string

  @IsLengthText({ zero: true })
  smallestPiece!: string

  @most(BOUNDS.stack) @least(1) @whole()
  stack!: number

  @IsLengthText({ zero: true })
  squaring!: string

  @IsLengthText()
  offcutShort!: string

  @IsLengthText()
  offcutLong!: string

  /** Older files have none. */
  @IsLengthText({ zero: true })
  kerf: string = '0 mm'

  @ValidateNested() @Type(() => PaceShape) @IsOne('the seconds for each action: setting, stroke, handling')
  pace: PaceShape = plainToInstance(PaceShape, DEFAULT_PACE)
}

export class WishesShape implements WishesEntry {
  @oneOf(PRIORITIES)
  priority!: WishesEntry['priority']
}

export class SheetRefShape {
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string
}

export class PieceRefShape implements PieceRef {
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @oneOf(TURNS)
  turn!: PieceRef['turn']
}

export class LayoutShape implements LayoutEntry {
  @oneOf(['sheet', 'offcut', 'drop-out'])
  from!: LayoutEntry['from']

  @most(BOUNDS.onHand) @least(1) @whole()
  repeats!: number

  @most(BOUNDS.onHand) @least(0) @whole()
  cut!: number

  @IsBoolean({ message: 'is true or false' })
  shelved: boolean = false

  @IsCutTree(BOUNDS.parts)
  tree!: LayoutEntry['tree']
}

export class SpoiledShape {
  @ValidateNested() @Type(() => PieceRefShape) @IsOne('the piece: width, height, turn')
  piece!: PieceRefShape

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number
}

export class CuttingShape implements CuttingEntry {
  @key()
  paper!: string

  @IsOneOrNull(PRIORITIES)
  priority!: CuttingEntry['priority']

  @IsWholeOrNull(BOUNDS.moreSheets)
  moreSheets!: number | null

  @ValidateNested({ each: true }) @Type(() => SheetRefShape) @IsListOf('sheet formats', BOUNDS.stocks)
  without!: SheetRefShape[]

  @ValidateNested({ each: true }) @Type(() => LayoutShape) @IsListOf('layouts', BOUNDS.layouts)
  layouts!: LayoutShape[]

  @ValidateNested({ each: true }) @Type(() => SpoiledShape) @IsListOf('spoiled pieces', BOUNDS.layouts)
  spoiled!: SpoiledShape[]
}

export class PricesShape implements PricesEntry {
  @Matches(/^[A-Z]{3}$/, { message: 'is a currency code of three capital letters' })
  currency!: string

  @most(BOUNDS.cents) @least(0) @IsNumber({}, { message: 'is a number of cents' })
  tapePerMetre!: number

  @most(BOUNDS.cents) @least(0) @IsNumber({}, { message: 'is a number of cents' })
  foamPad!: number
}

export class EnvelopeShape implements EnvelopeEntry {
  @filled() @text(BOUNDS.title) @IsString({ message: 'is a text' })
  name!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string
}

export class RateShape implements RateEntry {
  @filled() @text(BOUNDS.title) @IsString({ message: 'is a text' })
  name!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @IsLengthText()
  thickness!: string

  @most(BOUNDS.grams) @least(1) @whole()
  weight!: number

  @most(BOUNDS.cents) @least(0) @whole()
  price!: number
}

export class PostShape implements PostEntry {
  @IsLengthText({ zero: true })
  foam!: string

  @most(4) @least(0.5) @IsNumber({}, { message: 'is a number of cubic centimetres per gram' })
  bulk!: number

  @ValidateNested({ each: true }) @Type(() => EnvelopeShape) @IsListOf('envelopes', BOUNDS.envelopes)
  envelopes!: EnvelopeShape[]

  @ValidateNested({ each: true }) @Type(() => RateShape) @IsListOf('rates', BOUNDS.rates)
  rates!: RateShape[]
}

export class StockShape implements StockEntry {
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @most(BOUNDS.onHand) @least(0) @whole()
  onHand!: number

  @IsWholeOrNull(BOUNDS.cents)
  price!: number | null
}

export class OffcutShape implements OffcutEntry {
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number
}

export class PaperShape implements PaperEntry {
  @NotEquals(ANY_SCRAP, { message: `cannot be “${ANY_SCRAP}”, which stands for leftovers` }) @key()
  key!: string

  @filled() @text(BOUNDS.title) @IsString({ message: 'is a text' })
  name!: string

  @oneOf(['cardstock', 'print'])
  kind!: PaperEntry['kind']

  @most(BOUNDS.weight.most) @least(BOUNDS.weight.least) @whole()
  weight!: number

  @HasLength(7, 7, { message: 'is a colour such as #4f6d7a' }) @IsHexColor({ message: 'is a colour such as #4f6d7a' })
  colour!: string

  @oneOf(MOTIFS)
  motif!: PaperEntry['motif']

  @IsBoolean({ message: 'is true or false' })
  upright!: boolean

  @ValidateNested({ each: true }) @Type(() => StockShape) @IsListOf('sheet formats', BOUNDS.stocks)
  stocks!: StockShape[]

  /** Older files have neither. */
  @oneOf(GRAINS)
  grain: PaperEntry['grain'] = 'any'

  @ValidateNested({ each: true }) @Type(() => OffcutShape) @IsListOf('offcuts', BOUNDS.offcuts)
  offcuts: OffcutShape[] = []
}

export class ClassDocumentShape implements ClassDocument {
  @ValidateNested() @Type(() => ClassDetailsShape) @IsOne('the class: title, date, seats, …')
  class!: ClassDetailsShape

  @ValidateNested({ each: true }) @Type(() => CardShape) @IsListOf('cards', BOUNDS.cards)
  cards!: CardShape[]

  @ValidateNested() @Type(() => ToolsShape) @IsOne('the tools: trimmer, mark, …')
  tools!: ToolsShape

  @ValidateNested() @Type(() => WishesShape) @IsOne('the wishes: priority')
  wishes!: WishesShape

  /** Older files have none. */
  @ValidateNested({ each: true }) @Type(() => CuttingShape) @IsListOf('wishes for single papers', BOUNDS.papers)
  cutting: CuttingShape[] = []

  @ValidateNested() @Type(() => PricesShape) @IsOne('the prices: currency, tapePerMetre, foamPad')
  prices!: PricesShape

  /** Older files have none; they get what a new class starts with. */
  @ValidateNested() @Type(() => PostShape) @IsOne('the posting: foam, bulk, envelopes, rates')
  post: PostShape = plainToInstance(PostShape, DEFAULT_POST)
}

export class BatchShape extends ClassDocumentShape implements Batch {
  @ValidateNested({ each: true }) @Type(() => PaperShape) @IsListOf('papers', BOUNDS.papers)
  papers!: PaperShape[]
}

/** A class on its way in or out of a file. */
export class BatchFileShape extends BatchShape {
  @Equals('wakaru-batch', { message: 'must be "wakaru-batch"' })
  format!: 'wakaru-batch'

  @Equals(1, { message: 'must be 1' })
  version!: 1
}
