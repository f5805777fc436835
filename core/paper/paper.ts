import type { Length } from '../lengths'
import { nanometres } from '../lengths'

export type PaperKind = 'cardstock' | 'print'

/** Drawn patterns a print can be shown with on screen. */
export const MOTIFS = ['plain', 'shoal', 'lanterns', 'ripples', 'ropes', 'dots'] as const
export type Motif = typeof MOTIFS[number]

/** One sheet format of a paper, with what is on hand of it. */
export interface Stock {
  width: Length
  height: Length
  onHand: number
  /** Price of one sheet in cents; `null` where it cannot be bought any more. */
  price: number | null
}

/** A leftover kept for later. */
export interface Offcut {
  width: Length
  height: Length
  count: number
}

/** Which way the fibres run on a sheet; `any` where it is not known or does not matter. */
export const GRAINS = ['any', 'width', 'height'] as const
export type Grain = typeof GRAINS[number]

/** A paper as the studio keeps it. */
export interface Paper {
  key: string
  name: string
  kind: PaperKind
  /** Grams per square metre. */
  weight: number
  /** CSS hex colour for drawings. */
  colour: string
  motif: Motif
  /** Whether the print has a right way up, running along the height of the sheet. */
  upright: boolean
  /** Which way the fibres run; creases then follow them where the print direction allows it. */
  grain: Grain
  stocks: Stock[]
  offcuts: Offcut[]
}

/** Which edge of a piece the top of a print must meet; `any` where it does not matter. */
export type PrintTop = 'top' | 'right' | 'bottom' | 'left' | 'any'

/** How a piece may lie on a sheet: width along the sheet's width, width along its height, or either. */
export const TURNS = ['as drawn', 'turned', 'either'] as const
export type Turn = typeof TURNS[number]

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
export const stackOf = (sheets: number, weight: number): number => Math.max(1, Math.floor(sheets * STACKED_WEIGHT / weight))

/** Stands for a paper where a hidden part is cut from whatever is left over; no paper may have it as its key. */
export const ANY_SCRAP = 'any-scrap'
/** Weights of scrap that a hidden part may be cut from (g/m²). */
export const SCRAP_WEIGHTS = { least: 150, most: 350 } as const
