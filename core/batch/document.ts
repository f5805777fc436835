import type { ParameterInputs } from '../folds'
import type { Units } from '../lengths'
import type { Pace, Priority, SupplyKind } from '../cutting'
import type { Grain, Motif, PaperKind, Turn } from '../paper'
import { ORDINARY_BULK } from '../paper'

/**
 * A class as data: what is stored, edited, exported and imported. Lengths are
 * text with unit, just as the maker wrote them; everything else that Wakaru
 * shows is computed from this.
 */
export interface ClassDocument {
  class: ClassDetails
  cards: CardEntry[]
  tools: ToolsEntry
  wishes: WishesEntry
  /** Wishes and progress for the cutting of single papers. */
  cutting: CuttingEntry[]
  prices: PricesEntry
  post: PostEntry
}

/** A class with the papers it uses: all that is needed to prepare it. */
export interface Batch extends ClassDocument {
  papers: PaperEntry[]
}

export type Delivery = 'in person' | 'by post'

export interface ClassDetails {
  title: string
  /** Day of the class, YYYY-MM-DD. */
  date: string
  seats: number
  spares: number
  delivery: Delivery
  units: Units
  notes: string
}

export interface CardEntry {
  key: string
  title: string
  /** Identifier of the fold in the catalogue. */
  fold: string
  /** How many kits of this card; `null` for one to each seat and spare. */
  kits: number | null
  parameters: ParameterInputs
  /** Paper key for each part key. */
  papers: Record<string, string>
  /** Name of the envelope it goes into; empty for the smallest that fits. */
  envelope: string
}

export interface ToolsEntry {
  trimmer: string
  mark: string
  smallestPiece: string
  stack: number
  squaring: string
  offcutShort: string
  offcutLong: string
  kerf: string
  /** Seconds for each action at the trimmer. */
  pace: Pace
}

export interface WishesEntry {
  priority: Priority
}

export interface CuttingEntry {
  /** Key of the paper. */
  paper: string
  /** What counts most for this paper; `null` to go by the wishes of the class. */
  priority: Priority | null
  /** Sheets above the fewest that it may cost; `null` for any number. */
  moreSheets: number | null
  /** Sheet formats that are not to be used. */
  without: { width: string, height: string }[]
  /** Layouts that stay in the plan as they are, and how many sheets of them are cut. */
  layouts: LayoutEntry[]
  /** Pieces that were cut and spoiled. */
  spoiled: { piece: PieceRef, count: number }[]
}

/** A piece to cut by its size and how it may lie. */
export interface PieceRef {
  width: string
  height: string
  turn: Turn
}

export interface LayoutEntry {
  from: SupplyKind
  repeats: number
  /** Sheets of it that are cut already. */
  cut: number
  /** Whether the shelf knows of what is cut: its sheets and offcuts are taken off it already. */
  shelved: boolean
  tree: TreeEntry
}

/** A cut tree in a file: a part is a piece or a leftover, or is parted along its width or its height. */
export interface TreeEntry {
  width: string
  height: string
  side?: 'width' | 'height'
  parts?: TreeEntry[]
  piece?: PieceRef
  turned?: boolean
}

export interface PricesEntry {
  /** Three-letter currency code. */
  currency: string
  /** Cents. */
  tapePerMetre: number
  foamPad: number
}

/** What cards are posted in and for how much. Everything here can be changed; the figures it starts with are made up. */
export interface PostEntry {
  /** Height of a foam pad. */
  foam: string
  /** Cubic centimetres per gram of paper: its thickness is weight times bulk. */
  bulk: number
  envelopes: EnvelopeEntry[]
  rates: RateEntry[]
}

export interface EnvelopeEntry {
  name: string
  width: string
  height: string
}

export interface RateEntry {
  name: string
  /** Largest sides of what is posted, and its greatest thickness. */
  width: string
  height: string
  thickness: string
  /** Grams. */
  weight: number
  /** Cents. */
  price: number
}

export interface PaperEntry {
  key: string
  name: string
  kind: PaperKind
  weight: number
  colour: string
  motif: Motif
  upright: boolean
  grain: Grain
  stocks: StockEntry[]
  offcuts: OffcutEntry[]
}

export interface OffcutEntry {
  width: string
  height: string
  count: number
}

export interface StockEntry {
  width: string
  height: string
  onHand: number
  price: number | null
}

/** What the doors allow; the same figures stand in the JSON Schema and in the forms. */
export const BOUNDS = {
  /** Bytes; a file beyond it is something else. */
  file: 2_000_000,
  title: 120,
  notes: 4000,
  seats: 500,
  spares: 100,
  kits: 10_000,
  cards: 40,
  papers: 60,
  stocks: 8,
  weight: { least: 40, most: 600 },
  stack: 50,
  onHand: 100_000,
  offcuts: 60,
  seconds: 3600,
  moreSheets: 1000,
  layouts: 60,
  parts: 400,
  cents: 1_000_000,
  envelopes: 24,
  rates: 12,
  grams: 5000,
} as const

/** Seconds: moving the fence and reading it twice, one stroke, taking up and squaring a stack. */
export const DEFAULT_PACE: Pace = { setting: 25, stroke: 4, handling: 8 }

export const DEFAULT_TOOLS: Record<Units, ToolsEntry> = {
  inch: { trimmer: '12 in', mark: '1/16 in', smallestPiece: '1/2 in', stack: 4, squaring: '0 in', offcutShort: '2 in', offcutLong: '4 in', kerf: '0 in', pace: DEFAULT_PACE },
  metric: { trimmer: '310 mm', mark: '1 mm', smallestPiece: '12 mm', stack: 4, squaring: '0 mm', offcutShort: '50 mm', offcutLong: '100 mm', kerf: '0 mm', pace: DEFAULT_PACE },
}

export const DEFAULT_PRICES: PricesEntry = { currency: 'EUR', tapePerMetre: 9, foamPad: 2 }

export const DEFAULT_POST: PostEntry = {
  foam: '1.5 mm',
  bulk: ORDINARY_BULK,
  envelopes: [
    { name: 'Small envelope', width: '4 3/8 in', height: '5 3/4 in' },
    { name: 'Half sheet envelope', width: '5 3/4 in', height: '8 3/4 in' },
    { name: 'Square envelope', width: '6 1/4 in', height: '6 1/4 in' },
    { name: 'A6 envelope', width: '114 mm', height: '162 mm' },
    { name: 'A5 envelope', width: '162 mm', height: '229 mm' },
    { name: 'Long envelope', width: '110 mm', height: '220 mm' },
  ],
  rates: [
    { name: 'Flat letter', width: '165 mm', height: '240 mm', thickness: '5 mm', weight: 100, price: 110 },
    { name: 'Thick letter', width: '250 mm', height: '353 mm', thickness: '25 mm', weight: 500, price: 290 },
    { name: 'Small parcel', width: '350 mm', height: '450 mm', thickness: '160 mm', weight: 2000, price: 540 },
  ],
}

/** A class with nothing in it yet. */
export function newClass(details: Partial<ClassDetails> & Pick<ClassDetails, 'title' | 'date' | 'units'>): ClassDocument {
  return {
    class: { seats: 12, spares: 2, delivery: 'in person', notes: '', ...details },
    cards: [],
    tools: structuredClone(DEFAULT_TOOLS[details.units]),
    wishes: { priority: 'money' },
    cutting: [],
    prices: { ...DEFAULT_PRICES },
    post: structuredClone(DEFAULT_POST),
  }
}

/** The same class again on another day: the wishes stay, but nothing is cut yet. */
export function copyOf(document: ClassDocument, details: Pick<ClassDetails, 'title' | 'date'>): ClassDocument {
  const cutting = document.cutting.map(entry => ({ ...entry, layouts: [], spoiled: [] })).filter(({ priority, without }) => priority !== null || without.length > 0)
  return { ...document, class: { ...document.class, ...details }, cutting }
}

/** How many kits of a card are made. */
export const kitsOf = (card: CardEntry, { seats, spares }: ClassDetails): number => card.kits ?? seats + spares
