import type { ParameterInputs } from '../folds'
import type { Units } from '../lengths'
import type { Priority } from '../cutting'
import type { Motif, PaperKind } from '../paper'

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
  prices: PricesEntry
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
}

export interface ToolsEntry {
  trimmer: string
  mark: string
  smallestPiece: string
  stack: number
  squaring: string
  offcutShort: string
  offcutLong: string
}

export interface WishesEntry {
  priority: Priority
}

export interface PricesEntry {
  /** Three-letter currency code. */
  currency: string
  /** Cents. */
  tapePerMetre: number
  foamPad: number
}

export interface PaperEntry {
  key: string
  name: string
  kind: PaperKind
  weight: number
  colour: string
  motif: Motif
  upright: boolean
  stocks: StockEntry[]
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
  cards: 24,
  papers: 60,
  stocks: 8,
  weight: { least: 40, most: 600 },
  stack: 50,
  onHand: 100_000,
  cents: 1_000_000,
} as const

export const DEFAULT_TOOLS: Record<Units, ToolsEntry> = {
  inch: { trimmer: '12 in', mark: '1/16 in', smallestPiece: '1/2 in', stack: 4, squaring: '0 in', offcutShort: '2 in', offcutLong: '4 in' },
  metric: { trimmer: '310 mm', mark: '1 mm', smallestPiece: '12 mm', stack: 4, squaring: '0 mm', offcutShort: '50 mm', offcutLong: '100 mm' },
}

export const DEFAULT_PRICES: PricesEntry = { currency: 'EUR', tapePerMetre: 9, foamPad: 2 }

/** A class with nothing in it yet. */
export function newClass(details: Partial<ClassDetails> & Pick<ClassDetails, 'title' | 'date' | 'units'>): ClassDocument {
  return {
    class: { seats: 12, spares: 2, delivery: 'in person', notes: '', ...details },
    cards: [],
    tools: { ...DEFAULT_TOOLS[details.units] },
    wishes: { priority: 'sheets' },
    prices: { ...DEFAULT_PRICES },
  }
}

/** How many kits of a card are made. */
export const kitsOf = (card: CardEntry, { seats, spares }: ClassDetails): number => card.kits ?? seats + spares
