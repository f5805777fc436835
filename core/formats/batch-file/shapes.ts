import 'reflect-metadata'
import { Type, plainToInstance } from 'class-transformer'
import {
  Equals, IsBoolean, IsHexColor, IsIn, IsInt, IsNumber, IsString,
  Length as HasLength, Matches, Max, MaxLength, Min, ValidateNested,
} from 'class-validator'
import type { Batch, CardEntry, ClassDetails, ClassDocument, EnvelopeEntry, PaperEntry, PostEntry, PricesEntry, RateEntry, StockEntry, ToolsEntry, WishesEntry } from '../../batch'
import { BOUNDS, DEFAULT_POST } from '../../batch'
import type { ParameterInputs } from '../../folds'
import { MOTIFS } from '../../paper'
import { IsCalendarDay, IsLengthText, IsListOf, IsOne, IsPaperChoice, IsParameterInputs, IsWholeOrNull } from './validators'

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
}

export class WishesShape implements WishesEntry {
  @oneOf(['sheets', 'settings'])
  priority!: WishesEntry['priority']
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

export class PaperShape implements PaperEntry {
  @key()
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
