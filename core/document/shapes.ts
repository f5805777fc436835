import 'reflect-metadata'
import { Equals, IsOptional, Matches } from 'class-validator'
import type { Units } from '../lengths'
import { ColourwayEntry, SeatEntry, SharingEntry } from './bag-shapes'
import { BOUNDS } from './bounds'
import { DressingEntry } from './dressing-shapes'
import { EveningEntry } from './evening-shapes'
import { fieldsOf, namesOf, withFields } from './field-checks'
import { EVENING, LABELS, PACE, PRICES, POSTING, TOOLS, WISHES } from './fields'
import { PaperEntry } from './paper-shapes'
import { PrepEntry } from './prep-shapes'
import { LabelsEntry, PricesEntry, ShoppingEntry, SupplyEntry } from './supply-shapes'
import { key, least, listOf, most, one, oneOf, whole, yesOrNo } from './shape-checks'
import {
  IsCalendarDay, IsFilledText, IsLengthText, IsListOf, IsOneOrNull, IsPaperChoice,
  IsParameterInputs, IsText, IsTimeOfDay, IsWholeOrNull,
} from './validators'
import { IsCutTree } from './tree-validators'
import { BATCH_FORMAT, VERSION } from './version'
import type { Delivery, ParameterInputs, Priority, SupplyKind, Turn } from './vocabulary'
import { DELIVERIES, POOL_PREFIX, PRIORITIES, SUPPLY_KINDS, TURNS, UNIT_SCHOOLS } from './vocabulary'

export * from './bag-shapes'
export * from './dressing-shapes'
export * from './evening-shapes'
export * from './paper-shapes'
export * from './prep-shapes'
export * from './supply-shapes'
export * from './work-shapes'

/*
 * A class as data: what is stored, edited, exported and imported. Each entity is
 * declared once, here: the types, the checks at every door, the JSON Schema and the
 * limits of the forms are taken from these classes. Lengths are text with unit,
 * just as the maker wrote them; everything else that Wakaru shows is computed
 * from this. Entities in lists have keys, and whatever points at one uses its key.
 */

export class ClassDetails {
  @IsFilledText(BOUNDS.title)
  title!: string

  /** Day of the class, YYYY-MM-DD. */
  @IsCalendarDay()
  date!: string

  @most(BOUNDS.seats) @least(1) @whole()
  seats!: number

  @most(BOUNDS.spares) @least(0) @whole()
  spares!: number

  /** When it begins, HH:MM; empty while that is open. */
  @IsTimeOfDay()
  starts!: string

  /** Minutes that it lasts. */
  @most(BOUNDS.lasts) @least(1) @whole()
  lasts!: number

  /** Where it is held. */
  @IsText(BOUNDS.title)
  place!: string

  @oneOf(DELIVERIES)
  delivery!: Delivery

  @oneOf(UNIT_SCHOOLS)
  units!: Units

  @IsText(BOUNDS.notes)
  notes!: string
}

export class CardEntry extends DressingEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  title!: string

  /** Identifier of the fold in the catalogue. */
  @key()
  fold!: string

  /** How many kits of this card; `null` for one to each seat and spare. */
  @IsWholeOrNull(BOUNDS.kits)
  kits!: number | null

  @IsParameterInputs()
  parameters!: ParameterInputs

  /** For each part key the key of its paper, or of the pool that it is cut from. */
  @IsPaperChoice()
  papers!: Record<string, string>

  /** For part keys the key of the picture of its paper that the part is cut out of. */
  @IsPaperChoice()
  pictures!: Record<string, string>

  /** Named choices of papers; without any every kit is of the papers above. */
  @listOf(() => ColourwayEntry, 'colourways', BOUNDS.colourways)
  colourways!: ColourwayEntry[]

  /**
   * Key of a card that this one stands in for, such as its copy in other papers: a bag holds one of them. Empty for
   * none.
   */
  @IsText(BOUNDS.key)
  insteadOf!: string

  /**
   * Keys of the bags that get one where there are fewer kits than bags: those named first, then the first of the
   * others.
   */
  @key({ each: true }) @IsListOf('keys of bags', BOUNDS.bags, 'text')
  bags!: string[]

  /** Key of the envelope it goes into; empty for the smallest that fits. */
  @IsText(BOUNDS.key)
  envelope!: string
}

@withFields(PACE)
export class PaceEntry extends fieldsOf(PACE) {}

@withFields(TOOLS)
export class ToolsEntry extends fieldsOf(TOOLS) {
  @one(() => PaceEntry, namesOf('the seconds for each action', PACE))
  pace!: PaceEntry
}

@withFields(WISHES)
export class WishesEntry extends fieldsOf(WISHES) {}

/** A piece to cut by its size and how it may lie: pieces alike in that are cut as one. */
export class PieceRef {
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @oneOf(TURNS)
  turn!: Turn
}

/** A cut tree: a part is a piece or a leftover, or is parted along its width or its height. `IsCutTree` checks it. */
export interface TreeEntry {
  width: string
  height: string
  side?: 'width' | 'height'
  parts?: TreeEntry[]
  piece?: PieceRef
  turned?: boolean
}

export class LayoutEntry {
  @key()
  key!: string

  @oneOf(SUPPLY_KINDS)
  from!: SupplyKind

  /** Key of the sheet format or offcut; empty for a drop-out, which has none. */
  @IsText(BOUNDS.key)
  supply!: string

  @most(BOUNDS.onHand) @least(1) @whole()
  repeats!: number

  /** Sheets of it that are cut already. */
  @most(BOUNDS.onHand) @least(0) @whole()
  cut!: number

  /** Whether the shelf knows of what is cut: its sheets and offcuts are taken off it already. */
  @yesOrNo()
  shelved!: boolean

  @IsCutTree(BOUNDS.parts)
  tree!: TreeEntry
}

export class SpoiledEntry {
  @one(() => PieceRef, 'the piece: width, height, turn')
  piece!: PieceRef

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number
}

/**
 * Pieces that were cut to another size than they should have: they are missing, and something else may be cut from
 * them.
 */
export class MiscutEntry {
  @one(() => PieceRef, 'the piece that was meant: width, height, turn')
  piece!: PieceRef

  @most(BOUNDS.onHand) @least(1) @whole()
  count!: number

  /** What they measure, the way the piece lies. */
  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string
}

/** Wishes and progress for the cutting of one paper; its key is that of the paper. */
export class CuttingEntry {
  @key()
  paper!: string

  /** What counts most for this paper; `null` to go by the wishes of the class. */
  @IsOneOrNull(PRIORITIES)
  priority!: Priority | null

  /** Sheets above the fewest that it may cost; `null` for any number. */
  @IsWholeOrNull(BOUNDS.moreSheets)
  moreSheets!: number | null

  /** Keys of sheet formats that are not to be used. */
  @key({ each: true }) @IsListOf('keys of sheet formats', BOUNDS.stocks, 'text')
  without!: string[]

  /** Keys of sheet formats of the other units that are to be used too: they are not mixed in unasked. */
  @key({ each: true }) @IsListOf('keys of sheet formats', BOUNDS.stocks, 'text')
  also!: string[]

  /** Its sheets lie in no stack with those of other papers. */
  @yesOrNo()
  apart!: boolean

  /** Layouts that stay in the plan as they are, and how many sheets of them are cut. */
  @listOf(() => LayoutEntry, 'layouts', BOUNDS.layouts)
  layouts!: LayoutEntry[]

  /** Pieces that were cut and spoiled. */
  @listOf(() => SpoiledEntry, 'spoiled pieces', BOUNDS.layouts)
  spoiled!: SpoiledEntry[]

  /** Pieces that came out in a wrong size and are there still. */
  @listOf(() => MiscutEntry, 'pieces cut wrong', BOUNDS.layouts)
  miscut!: MiscutEntry[]
}

/** A name for several papers: what is cut from it is shared out among them. */
export class PoolEntry {
  @Matches(new RegExp(`^${POOL_PREFIX}`), { message: `begins with “${POOL_PREFIX}”` }) @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  /** Keys of its papers, each once. */
  @key({ each: true }) @IsListOf('keys of papers', BOUNDS.inPool, 'text')
  papers!: string[]
}

export class EnvelopeEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string
}

/** Largest sides of what is posted, its greatest thickness and weight (grams), and what that costs (cents). */
export class RateEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
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

/**
 * What cards are posted in and for how much. Everything here can be changed; the figures it starts with are made up.
 */
@withFields(POSTING)
export class PostEntry extends fieldsOf(POSTING) {
  @listOf(() => EnvelopeEntry, 'envelopes', BOUNDS.envelopes)
  envelopes!: EnvelopeEntry[]

  @listOf(() => RateEntry, 'rates', BOUNDS.rates)
  rates!: RateEntry[]
}

/** The trimmers of both schools: each class is measured in one of them. */
export class SchoolTools {
  @one(() => ToolsEntry, 'the tools of an inch maker')
  inch!: ToolsEntry

  @one(() => ToolsEntry, 'the tools of a metric maker')
  metric!: ToolsEntry
}

/** What every new class of a studio starts with. */
export class StudioSettings {
  @oneOf(UNIT_SCHOOLS)
  units!: Units

  @one(() => SchoolTools, 'the tools of both schools')
  tools!: SchoolTools

  @one(() => PricesEntry, namesOf('the prices', PRICES))
  prices!: PricesEntry

  @one(() => PostEntry, 'the envelopes and rates')
  post!: PostEntry

  @listOf(() => SupplyEntry, 'supplies', BOUNDS.supplies)
  supplies!: SupplyEntry[]

  @one(() => EveningEntry, namesOf('the evening', EVENING, 'hands', 'drying'))
  evening!: EveningEntry
}

/** Settings as they are to be, by a window that knows of those at a position. */
export class SettingsChange {
  @least(0) @whole()
  since!: number

  @one(() => StudioSettings, 'the settings')
  settings!: StudioSettings

  /** Settings that cannot be read are set aside, and these take their place. */
  @yesOrNo() @IsOptional()
  anew?: boolean
}

export class ClassDocument {
  @Equals(VERSION, { message: `must be ${VERSION}` })
  version!: typeof VERSION

  @one(() => ClassDetails, 'the class: title, date, seats, …')
  class!: ClassDetails

  @listOf(() => CardEntry, 'cards', BOUNDS.cards)
  cards!: CardEntry[]

  /** Names for several papers that pieces are shared out among. */
  @listOf(() => PoolEntry, 'pools', BOUNDS.pools)
  pools!: PoolEntry[]

  /** How prints of pools are shared out. */
  @one(() => SharingEntry, 'the sharing: touching, neighbours, different, evenly, surplus')
  sharing!: SharingEntry

  /** Bags that somebody has a name or a wish for. */
  @listOf(() => SeatEntry, 'bags of the roster', BOUNDS.bags)
  roster!: SeatEntry[]

  /** How far pieces are made ready before they go into a bag. */
  @one(() => PrepEntry, 'the preparation: usual, profiles, pace')
  prep!: PrepEntry

  /** How long the making takes in the evening. */
  @one(() => EveningEntry, namesOf('the evening', EVENING, 'hands', 'drying'))
  evening!: EveningEntry

  /** What is bought and not cut. */
  @listOf(() => SupplyEntry, 'supplies', BOUNDS.supplies)
  supplies!: SupplyEntry[]

  /** What is noted of the shopping. */
  @listOf(() => ShoppingEntry, 'lines of the shopping list', BOUNDS.shopping)
  shopping!: ShoppingEntry[]

  @one(() => ToolsEntry, 'the tools: trimmer, mark, …')
  tools!: ToolsEntry

  @one(() => WishesEntry, namesOf('the wishes', WISHES))
  wishes!: WishesEntry

  /** Wishes and progress for the cutting of single papers. */
  @listOf(() => CuttingEntry, 'wishes for single papers', BOUNDS.papers)
  cutting!: CuttingEntry[]

  @one(() => PricesEntry, namesOf('the prices', PRICES))
  prices!: PricesEntry

  @one(() => PostEntry, namesOf('the posting', POSTING, 'envelopes', 'rates'))
  post!: PostEntry

  @one(() => LabelsEntry, namesOf('the labels', LABELS))
  labels!: LabelsEntry
}

/** A class with the papers it uses: all that is needed to prepare it. */
export class Batch extends ClassDocument {
  @listOf(() => PaperEntry, 'papers', BOUNDS.papers)
  papers!: PaperEntry[]
}

/** A class on its way in or out of a file. */
export class BatchFile extends Batch {
  @Equals(BATCH_FORMAT, { message: `must be "${BATCH_FORMAT}"` })
  format!: typeof BATCH_FORMAT
}
