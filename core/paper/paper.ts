import { backOf } from '../document'
import type { Grain, OffcutEntry, PaperEntry, PrintTop, StockEntry, Turn } from '../document'
import type { Length } from '../lengths'
import { lengthFrom, nanometres } from '../lengths'

/** The same entity with its sizes as lengths. */
type Sized<Entry extends { width: string, height: string }> = Omit<Entry, 'width' | 'height'> & {
  width: Length
  height: Length
}

/** A pad that holds sheets of a paper: what it costs, how many sheets it has in all, and how many of this paper. */
export interface InPad {
  key: string
  name: string
  price: number
  sheets: number
  count: number
}

/**
 * One sheet format of a paper, with what is on hand of it, and the pad that it comes in where it is sold in no other
 * way.
 */
export type Stock = Sized<StockEntry> & { pad?: InPad }

/** Whole cents that a sheet costs: its share of the pack or pad; `null` where it cannot be bought. */
export const sheetPrice = ({ price, pack, pad }: Pick<Stock, 'price' | 'pack' | 'pad'>): number | null =>
  pad ? Math.round(pad.price / pad.sheets) : price === null ? null : Math.round(price / pack)

/** A leftover kept for later. */
export type Offcut = Sized<OffcutEntry>

/** Pads for what is missing of the papers in them: as many as the paper asks for that is short of most. */
export const padsFor = (short: readonly { missing: number, inPad: number }[]): number =>
  Math.max(0, ...short.map(({ missing, inPad }) => Math.ceil(missing / inPad)))

/** A paper as the studio keeps it, with lengths instead of text; or the other side of one. */
export type Paper = Omit<PaperEntry, 'stocks' | 'offcuts'> & {
  stocks: Stock[]
  offcuts: Offcut[]
  /** Of the other side of a paper the paper itself: it is what lies on the shelf. */
  front?: Paper
}

/** What lies on the shelf of a side of a paper. */
export const sheetOf = (paper: Paper): Paper => paper.front ?? paper

/** What the other side of a paper is called. */
export const backName = ({ name, back }: Pick<PaperEntry, 'name' | 'back'>): string =>
  back.name || `${name}, other side`

const backs = new WeakMap<Paper, Paper>()

/** The other side of a paper, where it looks otherwise: the same sheets, with their back up. */
export function otherSide(paper: Paper): Paper | undefined {
  if (!paper.back.differs || paper.front) return undefined
  const { colour, motif, scale, upright } = paper.back
  const known = backs.get(paper)
  const side = known ?? {
    ...paper, key: backOf(paper.key), name: backName(paper), colour, motif, scale, upright, front: paper, pictures: [],
  }
  backs.set(paper, side)
  return side
}

/** The sides of a paper that pieces may be cut for. */
export const sidesOf = (paper: Paper): Paper[] => [paper, otherSide(paper)].flatMap(side => side ?? [])

/** How thick a sheet is, as it was measured or by its weight. */
export const thicknessOf = ({ thick, weight }: Pick<PaperEntry, 'thick' | 'weight'>, bulk = ORDINARY_BULK): Length => {
  const measured = lengthFrom(thick)
  return measured > 0 ? measured : thickness(weight, bulk)
}

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

/**
 * The weight of ordinary card that is as thick as a paper (g/m²), so that a measured thickness counts in a stack; its
 * own weight where nothing was measured.
 */
export const stackedWeight = (paper: Pick<PaperEntry, 'thick' | 'weight'>): number =>
  Math.max(1, Math.round(thicknessOf(paper) / thickness(1)))

/** Weights of scrap that a hidden part may be cut from (g/m²). */
export const SCRAP_WEIGHTS = { least: 150, most: 350 } as const

/** How far two colours are apart, as the sum over red, green and blue: 0 for the same one, 765 for black and white. */
export const colourDistance = (one: string, other: string): number =>
  [1, 3, 5].reduce((sum, at) =>
    sum + Math.abs(Number.parseInt(one.slice(at, at + 2), 16) - Number.parseInt(other.slice(at, at + 2), 16)), 0)
