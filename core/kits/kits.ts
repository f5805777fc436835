import type { OffcutWorth, PackCount, PaperEntry, SupplyEntry } from '../document'
import type { Length } from '../lengths'
import { lengthFrom } from '../lengths'
import { padsFor } from '../paper'
import { sumOf } from '../lists'
import type { Usage } from './usage'
import type { SheetUse } from '../plans'
import { WHOLE, added, measuredIn, valueOf } from './usage'

/** One card of the class as the kits see it. */
export interface KitCard {
  key: string
  kits: number
  /** What one kit takes of supplies; `sticking` only where students do not bring their own, in so many kits. */
  sticking: Usage[]
  stuck: number
  things: Usage[]
  /** Square nanometres that all kits together take of each paper. */
  areas: ReadonlyMap<string, number>
}

export interface CardCost {
  card: string
  /** Supplies of one kit. */
  uses: Usage[]
  /** Cents for one kit: its share of the sheets opened, by area, and its supplies. */
  paper: number
  other: number
}

/** A line of what is needed, with what of it has to be bought. */
export interface Purchase {
  sort: 'paper' | 'supply'
  /** Key of the paper, or of the supply. */
  item: string
  /** Key of the sheet format of a paper. */
  stock: string
  name: string
  /** Of a sheet. */
  width?: Length
  height?: Length
  /** Sheets; of supplies nanometres, microlitres or pieces. */
  needed: number
  onHand: number
  /** Sheets, packs or pads. */
  toBuy: number
  /** Sheets of a pack; 1 where sheets are sold singly, and for all else. */
  pack: number
  /** What comes along that nobody asked for: sheets over of a pack, sheets of a pad by their papers. */
  along: { paper: string, count: number }[]
  /** Whether it is a pad of several papers. */
  isPad?: true
  /** Cents; `null` where it cannot be bought. */
  cost: number | null
}

export interface Kits {
  costs: CardCost[]
  purchases: Purchase[]
  totals: {
    /** What the class uses of supplies. */
    uses: Usage[]
    /** Cents to spend on what is not on hand. */
    spending: number
    /**
     * Cents for everything the class uses up, on hand or not: sheets, and packs by the share used or as they are
     * opened.
     */
    paper: number
    supplies: number
    /** Cents that what is left of the sheets is worth; nothing where the maker values it so. */
    left: number
    cost: number
  }
}

interface Request {
  cards: KitCard[]
  papers: SheetUse[]
  /** Pads that hold some of these papers. */
  pads?: readonly PaperEntry[]
  supplies: SupplyEntry[]
  /** What goes with each bag, such as the bag itself, and with how many. */
  perBag: Usage[]
  bags: number
  packs: PackCount
  offcuts: OffcutWorth
}

/** Adds up what the class needs, and what a kit costs. */
export function kitsFor({ cards, papers, pads = [], supplies, perBag, bags, packs, offcuts }: Request): Kits {
  const uses = added(
    ...cards.flatMap(({ sticking, stuck, things, kits }) => [
      { uses: sticking, times: stuck }, { uses: things, times: kits },
    ]),
    { uses: perBag, times: bags },
  )
  const packed = supplyPurchases(supplies, uses)
  const purchases = [...sheetPurchases(papers), ...padPurchases(papers, pads), ...packed]
  const paper = sumOf(papers.map(sheetCost))
  const opened = sumOf(packed.map(({ item, needed }) => {
    const entry = supplies.find(({ key }) => key === item)
    return entry ? packsFor(entry, needed) * entry.price : 0
  }))
  const used = packs === 'whole' ? opened : valueOf(uses, supplies).price
  const left = offcuts === 'nothing' ? 0 : sumOf(papers.map(leftWorth))
  const spending = sumOf(purchases.map(({ cost }) => cost ?? 0))
  return {
    costs: costsOf(cards, papers, supplies),
    purchases,
    totals: { uses, spending, paper, supplies: used, left, cost: paper + used - left },
  }
}

/** What the sheets of a paper cost that are cut. */
const sheetCost = ({ sheets }: SheetUse): number => sumOf(sheets.map(({ needed, price }) => needed * (price ?? 0)))

/** What is left takes its share by area of what the sheets cost. */
function leftWorth(use: SheetUse): number {
  const area = sumOf(use.sheets.map(({ needed, width, height }) => needed * width * height))
  return area === 0 ? 0 : sheetCost(use) * Math.min(1, use.left / area)
}

/** What a kit of each card costs: its share by area of every paper, and what holds it together. */
function costsOf(cards: KitCard[], papers: SheetUse[], supplies: SupplyEntry[]): CardCost[] {
  const ofPaper = new Map(papers.map(use => [use.paper.key, sheetCost(use)]))
  const shareOf = (paper: string, area: number): number => {
    const whole = sumOf(cards.map(({ areas }) => areas.get(paper) ?? 0))
    return whole === 0 ? 0 : area / whole
  }
  return cards.map(({ key, kits, sticking, stuck, things, areas }) => {
    const ofKit = added({ uses: sticking, times: 1 }, { uses: things, times: 1 })
    const all = added({ uses: sticking, times: stuck }, { uses: things, times: kits })
    const paper = sumOf([...areas].map(([paper, area]) => (ofPaper.get(paper) ?? 0) * shareOf(paper, area)))
    return {
      card: key,
      uses: ofKit,
      paper: kits === 0 ? 0 : paper / kits,
      other: kits === 0 ? 0 : valueOf(all, supplies).price / kits,
    }
  })
}

const sheetPurchases = (papers: SheetUse[]): Purchase[] => papers.flatMap(({ paper, sheets }) =>
  sheets.filter(({ needed }) => needed > 0).map((sheet): Purchase => {
    const { width, height, needed, onHand, pack, packPrice, pad } = sheet
    const missing = Math.max(0, needed - onHand)
    // What comes in a pad is bought with the pad.
    const toBuy = pad ? 0 : Math.ceil(missing / pack)
    const over = pad ? 0 : toBuy * pack - missing
    return {
      sort: 'paper', item: paper.key, stock: sheet.key, name: paper.name, width, height, needed, onHand, toBuy, pack,
      cost: pad ? 0 : packPrice === null ? null : packPrice * toBuy,
      along: over > 0 ? [{ paper: paper.key, count: over }] : [],
    }
  }))

/** Pads for what is missing of the papers in them: as many as the paper asks for that is short of most. */
function padPurchases(papers: SheetUse[], pads: readonly PaperEntry[]): Purchase[] {
  const short = papers.flatMap(({ paper, sheets }) => sheets.flatMap(({ needed, onHand, pad }) =>
    (pad && needed > onHand ? [{ paper: paper.key, pad, missing: needed - onHand }] : [])))
  return pads.flatMap((entry): Purchase[] => {
    const own = short.filter(({ pad }) => pad.key === entry.key)
    const [format] = entry.stocks
    if (own.length === 0 || !format) return []
    const toBuy = padsFor(own.map(({ pad, missing }) => ({ missing, inPad: pad.count })))
    const along = entry.holds.flatMap(({ key, count }) => {
      const over = count * toBuy - (own.find(({ paper }) => paper === key)?.missing ?? 0)
      return over > 0 ? [{ paper: key, count: over }] : []
    })
    return [{
      sort: 'paper', item: entry.key, stock: format.key, name: entry.name, width: lengthFrom(format.width),
      height: lengthFrom(format.height), needed: toBuy, onHand: 0, toBuy, pack: 1, along, isPad: true,
      cost: format.price === null ? null : format.price * toBuy,
    }]
  })
}

const supplyPurchases = (supplies: SupplyEntry[], uses: Usage[]): Purchase[] =>
  supplies.flatMap((entry): Purchase[] => {
    const needed = uses.find(({ supply }) => supply === entry.key)?.amount ?? 0
    if (needed === 0) return []
    const onHand = Math.round(entry.onHand * WHOLE[measuredIn(entry.use)])
    const toBuy = packsFor(entry, needed - onHand)
    return [{
      sort: 'supply', item: entry.key, stock: '', name: entry.name, needed, onHand, toBuy, cost: toBuy * entry.price,
      pack: 1, along: [],
    }]
  })

/** Packs that hold at least so much. */
export const packsFor = ({ pack, use }: Pick<SupplyEntry, 'pack' | 'use'>, amount: number): number =>
  Math.max(0, Math.ceil(amount / Math.round(pack * WHOLE[measuredIn(use)])))

/** What a class costs and brings in. Cents throughout. */
export interface Money {
  /** Sheets and supplies that the class uses up, less what is left where that is worth something. */
  material: number
  /** Minutes of the maker's, preparing and teaching, and what they are worth. */
  minutes: number
  work: number
  venue: number
  posting: number
  cost: number
  /** What all seats pay. */
  income: number
  margin: number
  /** What a seat has to pay at least so that nothing is lost. */
  perSeat: number
  /** Seats that have to be sold so that nothing is lost; `null` where no number of seats of this class does it. */
  breakEven: number | null
}

interface Costs {
  material: number
  minutes: number
  hour: number
  venue: number
  posting: number
  seats: number
  /** What a seat pays. */
  seat: number
}

/**
 * Adds up what a class costs and what seats bring in. Everything is prepared for all seats, so an empty one saves
 * nothing.
 */
export function moneyOf({ material, minutes, hour, venue, posting, seats, seat }: Costs): Money {
  const work = (minutes / 60) * hour
  const cost = material + work + venue + posting
  const sold = seat > 0 ? Math.ceil(cost / seat) : Infinity
  return {
    material,
    minutes,
    work,
    venue,
    posting,
    cost,
    income: seats * seat,
    margin: seats * seat - cost,
    perSeat: seats > 0 ? Math.ceil(cost / seats) : 0,
    breakEven: cost <= 0 ? 0 : sold <= seats ? sold : null,
  }
}
