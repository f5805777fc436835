import type { PaperEntry } from '../document'
import { sumOf } from '../lists'
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
  sort: Take['sort']
  /** Key of the paper, or of the supply. */
  item: string
  stock: string
  name: string
  /** As they are written on the shelf; empty for a supply. */
  width: string
  height: string
  onHand: number
  /** Cents for a sheet or a pack; `null` where none can be bought. */
  price: number | null
  /** By day. */
  takes: Reservation[]
  /** What is on hand and nobody takes. */
  left: number
  /** What is still to be bought, on its way not counted. */
  toBuy: number
  /** What it costs, in cents; `null` where it cannot be bought. */
  cost: number | null
  /** The day of the first class that goes short; none where everybody has theirs. */
  by?: string
}

/** Classes in the order in which they take: by day, those of one day as they were made. */
export const inTurn = <Class extends Pick<ComingClass, 'day' | 'id'>>(classes: readonly Class[]): Class[] =>
  [...classes].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.id - b.id))

const keyOf = ({ sort, item, stock }: Pick<Take, 'sort' | 'item' | 'stock'>): string => [sort, item, stock].join(' ')

/**
 * What coming classes take, thing by thing. Who teaches first takes first: the last sheet belongs to one class alone.
 * @param shelf the papers that they take from; what is not among them is left out
 * @returns what is short first, by the day on which it is missing
 */
export function reservedBy(classes: readonly ComingClass[], shelf: readonly PaperEntry[]): Reserved[] {
  const papers = new Map(shelf.map(paper => [paper.key, paper]))
  const things = new Map<string, { take: Take, of: { class: ComingClass, take: Take }[] }>()
  for (const one of inTurn(classes)) {
    for (const take of one.takes) {
      const thing = things.get(keyOf(take))
      if (thing) thing.of.push({ class: one, take })
      else things.set(keyOf(take), { take, of: [{ class: one, take }] })
    }
  }
  return [...things.values()]
    .flatMap(({ take, of }) => {
      const known = about(take, papers.get(take.item))
      return known ? [dealt({ ...known, sort: take.sort, item: take.item, stock: take.stock }, of)] : []
    })
    .sort((a, b) => compare(a.by ?? '9', b.by ?? '9') || compare(a.name, b.name) || compare(keyOf(a), keyOf(b)))
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

type Known = Pick<Reserved, 'name' | 'width' | 'height' | 'onHand' | 'price'>

/** What is known of a thing; nothing of what has left the shelf. */
function about({ sort, stock, name, price }: Take, paper?: PaperEntry): Known | undefined {
  if (sort === 'supply') return { name, width: '', height: '', onHand: 0, price }
  const size = sort === 'sheet' ? paper && byKeyOrNone(paper.stocks, stock) : undefined
  if (paper && size) return { ...size, name: paper.name }
  const offcut = sort === 'offcut' ? paper && byKeyOrNone(paper.offcuts, stock) : undefined
  return paper && offcut && { ...offcut, name: paper.name, onHand: offcut.count, price: null }
}

const byKeyOrNone = <Entry extends { key: string }>(list: Entry[], key: string): Entry | undefined =>
  list.find(entry => entry.key === key)

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
    ...plain(known), takes, left, toBuy, cost: known.price === null ? null : known.price * toBuy,
    ...(first && { by: first.class.day }),
  }
}

const plain = ({ sort, item, stock, name, width, height, onHand, price }: Known & Pick<
  Reserved, 'sort' | 'item' | 'stock'
>): Omit<Reserved, 'takes' | 'left' | 'toBuy' | 'cost'> =>
  ({ sort, item, stock, name, width, height, onHand, price })

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
  const order = inTurn(classes).map(one => one.id)
  const before = new Set(order.slice(0, Math.max(0, order.indexOf(id))))
  return reserved.filter(({ sort }) => sort !== 'supply').flatMap(({ item, stock, takes }) => {
    const first = takes.filter(take => before.has(take.class) && take.has > 0)
    return first.length > 0
      ? [{ item, stock, count: sumOf(first.map(({ has }) => has)), classes: first.map(take => take.class) }]
      : []
  })
}
