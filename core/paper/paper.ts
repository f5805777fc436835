import type { Grain, OffcutEntry, PaperEntry, PrintTop, StockEntry, Turn } from '../document'
import type { Length } from '../lengths'
import { nanometres } from '../lengths'

/** The same entity with its sizes as lengths. */
type Sized<Entry extends { width: string, height: string }> = Omit<Entry, 'width' | 'height'> & {
  width: Length
  height: Length
}

/** One sheet format of a paper, with what is on hand of it. */
export type Stock = Sized<StockEntry>

/** A leftover kept for later. */
export type Offcut = Sized<OffcutEntry>

/** A paper as the studio keeps it, with lengths instead of text. */
export type Paper = Omit<PaperEntry, 'stocks' | 'offcuts'> & { stocks: Stock[], offcuts: Offcut[] }

/** Print direction decides whether a piece may be turned on the sheet. */
export function allowedTurn(paper: Pick<Paper, 'upright'>, printTop: PrintTop): Turn {
  if (!paper.upright || printTop === 'any') return 'either'
  return printTop === 'top' || printTop === 'bottom' ? 'as drawn' : 'turned'
}

/**
 * Paper folds well along its fibres: a piece is laid so that its main crease runs along the grain,
 * where the print direction leaves a choice.
 * @param crease which way the main crease of the piece runs; nothing where it has none
 */
export function alongGrain(turn: Turn, grain: Grain, crease?: 'width' | 'height'): Turn {
  if (turn !== 'either' || grain === 'any' || !crease) return turn
  return crease === grain ? 'as drawn' : 'turned'
}

/** Cubic centimetres per gram of ordinary card; thickness is weight times bulk. */
export const ORDINARY_BULK = 1.25

/** Thickness of one layer from its weight (g/m²) and bulk (cm³/g): their product is micrometres. */
export const thickness = (weight: number, bulk = ORDINARY_BULK): Length => nanometres(weight * bulk * 1000)

/** Craft limits for stock: bases hold their shape from `light` up, and want care from `heavy` up (g/m²). */
export const STOCK_WEIGHTS = { light: 160, heavy: 270 } as const

/** Weight of the sheets that a maker counts a trimmer's stack in (g/m²); of heavier paper fewer go under the blade. */
export const STACKED_WEIGHT = 240
export const stackOf = (sheets: number, weight: number): number =>
  Math.max(1, Math.floor((sheets * STACKED_WEIGHT) / weight))

/** Weights of scrap that a hidden part may be cut from (g/m²). */
export const SCRAP_WEIGHTS = { least: 150, most: 350 } as const
