import type { PaperEntry } from '../document'
import { padsAmong, readPaper } from '../batch'
import { byKey, count as counted, sumOf } from '../lists'
import type { Paper } from '../paper'
import { padsFor } from '../paper'
import type { Take } from './takes'

/** A class that is coming up, with what it takes. */
export interface ComingClass {
  id: number
  title: string
  /** YYYY-MM-DD. */
  day: string
  takes: Take[]
  /** Papers that nothing, or not everything, can be cut from for it. */
  missing: string[]
  /** Whether its plans are known to the end, stand for it as they come to hand, or are not known yet. */
  known: 'planned' | 'about' | 'not yet'
}

/** What one class takes of one thing. */
export interface Reservation {
  class: number
  count: number
  /** What of it lies on the shelf once the classes before have theirs. */
  has: number
  /** What is missing then, and what of that is on its way. */
  short: number
  ordered: number
}

/** A sheet format or an offcut that coming classes take from, or packs of a supply that they have to buy. */
export interface Reserved {
  sort: Take['sort'] | 'pad'
  /** Key of the paper, the supply or the pad. */
  item: string
  stock: string
  name: string
  /** As they are written on the shelf; empty for a supply. */
  width: string
  height: string
  onHand: number
  /** Cents for a pack; `null` where none can be bought. */
  price: number | null
  /** Sheets of a pack: 1 where they are sold singly, and for all else. */
  pack: number
  /** The pad that the sheets come in, where they are sold in no other way: it is a line of its own. */
  pad?: string
  /** By day. */
  takes: Reservation[]
  /** What is on hand and nobody takes. */
  left: number
  /** Sheets, offcuts, packs of supplies or pads that are still to be had, on their way not counted. */
  toBuy: number
  /** What it costs, in cents; `null` where it cannot be bought. */
  cost: number | null
  /** The day of the first class that goes short; none where everybody has theirs. */
  by?: string
}

/** Classes in the order in which they take: by day, those of one day as they were made. */
const byDay = <Class extends Pick<ComingClass, 'day' | 'id'>>(classes: readonly Class[]): Class[] =>
  [...classes].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.id - b.id))

const keyOf = ({ sort, item, stock }: Pick<Reserved, 'sort' | 'item' | 'stock'>): string =>
  [sort, item, stock].join(' ')

/**
 * What coming classes take, thing by thing. Who teaches first takes first: the last sheet belongs to one class alone.
 * @param shelf the papers that they take from; what is not among them is left out
 * @returns what is short first, by the day on which it is missing
 */
export function reservedBy(classes: readonly ComingClass[], shelf: readonly PaperEntry[]): Reserved[] {
  const papers = new Map(shelf.map(paper => [paper.key, paper]))
  const things = new Map<string, { take: Take, of: { class: ComingClass, take: Take }[] }>()
  for (const one of byDay(classes)) {
    for (const take of one.takes) {
      const thing = things.get(keyOf(take))
      if (thing) thing.of.push({ class: one, take })
      else things.set(keyOf(take), { take, of: [{ class: one, take }] })
    }
  }
  const pads = padsAmong(shelf)
  const lines = [...things.values()].flatMap(({ take, of }) => {
    const known = about(take, papers.get(take.item), pads)
    return known ? [dealt({ ...known, sort: take.sort, item: take.item, stock: take.stock }, of)] : []
  })
  return [...lines, ...padLines(lines, pads)]
    .sort((a, b) => compare(a.by ?? '9', b.by ?? '9') || compare(a.name, b.name) || compare(keyOf(a), keyOf(b)))
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** Pads for what is missing of the papers in them: as many as the paper asks for that is short of most. */
function padLines(lines: readonly Reserved[], pads: readonly PaperEntry[]): Reserved[] {
  return pads.flatMap((pad): Reserved[] => {
    const [format] = pad.stocks
    const own = lines.filter(line => line.pad === pad.key && line.toBuy > 0)
    if (!format || own.length === 0) return []
    const toBuy = padsFor(own.map(({ item, toBuy: missing }) => ({ missing, inPad: byKey(pad.holds, item).count })))
    const takes = own.flatMap(line => line.takes.filter(({ short, ordered }) => short > ordered))
    return [{
      sort: 'pad', item: pad.key, stock: format.key, name: pad.name, width: format.width, height: format.height,
      onHand: 0, price: format.price, pack: 1, left: 0, toBuy,
      cost: format.price === null ? null : format.price * toBuy,
      takes: [...new Map(takes.map(take => [take.class, take])).values()],
      by: own.map(({ by = '9' }) => by).sort()[0],
    }]
  })
}

type Known = Pick<Reserved, 'name' | 'width' | 'height' | 'onHand' | 'price' | 'pack' | 'pad'>

/** What is known of a thing; nothing of what has left the shelf. */
function about(
  { sort, stock, name, price }: Take, paper: PaperEntry | undefined, pads: readonly PaperEntry[],
): Known | undefined {
  if (sort === 'supply') return { name, width: '', height: '', onHand: 0, price, pack: 1 }
  if (!paper) return undefined
  if (sort === 'sheet') return aboutSheets(paper, stock, pads)
  const offcut = paper.offcuts.find(({ key }) => key === stock)
  return offcut && {
    name: paper.name, width: offcut.width, height: offcut.height, onHand: offcut.count, price: null, pack: 1,
  }
}

/** Sheets of a format, its own or that of a pad, as they were written. */
function aboutSheets(paper: PaperEntry, key: string, pads: readonly PaperEntry[]): Known | undefined {
  const stock = readOnce(paper, pads).stocks.find(one => one.key === key)
  const size = paper.stocks.find(one => one.key === key) ?? pads.find(pad => pad.key === stock?.pad?.key)?.stocks[0]
  if (!stock || !size) return undefined
  const { onHand, price, pack, pad } = stock
  return { name: paper.name, width: size.width, height: size.height, onHand, price, pack, ...(pad && { pad: pad.key }) }
}

/** Papers that were read with the pads they come in: each of their formats is a line of its own. */
const readBefore = new WeakMap<PaperEntry, { pads: readonly PaperEntry[], paper: Paper }>()

function readOnce(entry: PaperEntry, pads: readonly PaperEntry[]): Paper {
  const before = readBefore.get(entry)
  if (before?.pads === pads) return before.paper
  const paper = readPaper(entry, pads)
  readBefore.set(entry, { pads, paper })
  return paper
}

/** Deals what is on hand out to those who take, in their order. */
function dealt(
  known: Known & Pick<Reserved, 'sort' | 'item' | 'stock'>, of: { class: ComingClass, take: Take }[],
): Reserved {
  let left = known.onHand
  const takes = of.map(({ class: { id }, take: { count, ordered } }): Reservation => {
    const has = Math.min(left, count)
    left -= has
    return { class: id, count, has, short: count - has, ordered: Math.min(ordered, count - has) }
  })
  const toBuy = sumOf(takes.map(({ short, ordered }) => short - ordered))
  const first = of.find((_, at) => (takes[at]?.short ?? 0) > (takes[at]?.ordered ?? 0))
  return {
    ...known, takes, left, toBuy,
    cost: known.pad ? 0 : known.price === null ? null : known.price * Math.ceil(toBuy / known.pack),
    ...(first && { by: first.class.day }),
  }
}

/** What has to be bought, pads instead of the sheets that come in them: an offcut cannot be. */
export function buyingOf(reserved: readonly Reserved[]): { lines: Reserved[], cents: number } {
  const lines = reserved.filter(({ sort, toBuy, pad }) => toBuy > 0 && pad === undefined && sort !== 'offcut')
  return { lines, cents: sumOf(lines.map(({ cost }) => cost ?? 0)) }
}

/** The classes that a thing is bought for, and how much for each. */
export const boughtFor = ({ takes }: Reserved): { class: number, count: number }[] =>
  takes.map(({ class: id, short, ordered }) => ({ class: id, count: short - ordered })).filter(({ count }) => count > 0)

/** `1 pack of 25`, where sheets are sold in packs; else nothing. */
export const inPacks = ({ toBuy, pack }: Pick<Reserved, 'toBuy' | 'pack'>): string =>
  (pack > 1 ? `${counted(Math.ceil(toBuy / pack), 'pack')} of ${pack}` : '')

/** What of a sheet format or an offcut the classes before one of them take, and who they are. */
export interface TakenBefore {
  item: string
  stock: string
  /** Of what lies on the shelf. */
  count: number
  classes: number[]
}

/** What others take from the shelf before a class gets to it. */
export function takenBefore(reserved: readonly Reserved[], classes: readonly ComingClass[], id: number): TakenBefore[] {
  const order = byDay(classes).map(one => one.id)
  const before = new Set(order.slice(0, Math.max(0, order.indexOf(id))))
  return reserved.filter(({ sort }) => sort === 'sheet' || sort === 'offcut').flatMap(({ item, stock, takes }) => {
    const first = takes.filter(take => before.has(take.class) && take.has > 0)
    return first.length > 0
      ? [{ item, stock, count: sumOf(first.map(({ has }) => has)), classes: first.map(take => take.class) }]
      : []
  })
}
