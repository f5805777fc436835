import { count, tally } from '../lists'
import type { Batch, PaperEntry, ShoppingEntry, SupplyEntry } from '../document'
import { BOUNDS, freeKey } from '../document'
import type { Kits, Purchase } from './kits'
import { WHOLE, amountInWords, measuredIn } from './usage'
import type { Units } from '../lengths'
import { formatSize, lengthFrom } from '../lengths'
import { sheetName } from '../paper'

/** A line of the shopping list: something that the class needs, with what is noted of it. */
export interface ShoppingLine extends Purchase {
  /** Where it is bought, in the maker's own words; empty while that is not said. */
  where: string
  /** Sheets or packs that are on their way. */
  ordered: number
  /** Sheets or packs that are still to be bought. */
  missing: number
  /** What comes along that nobody asked for: `3 Kelp, 2 Moss`; empty where all of it is needed. */
  besides: string
  /** The supply, where it is one. */
  supply?: SupplyEntry
}

const isOf = ({ sort, item, stock }: Pick<Purchase, 'sort' | 'item' | 'stock'>, entry: ShoppingEntry): boolean =>
  entry.sort === sort && entry.item === item && entry.stock === stock

/** What has to be bought or is on its way, grouped by where it is bought; what is of no place comes last. */
export function shoppingList(
  { shopping, papers }: Pick<Batch, 'shopping' | 'papers'>, { purchases }: Kits, supplies: SupplyEntry[],
): { where: string, lines: ShoppingLine[] }[] {
  const paperOf = (key: string) => papers.find(paper => paper.key === key)
  const besidesOf = ({ along }: Purchase) =>
    along.map(({ paper, count: number }) => `${number} ${paperOf(paper)?.name ?? paper}`).join(', ')
  // Where nothing else is noted, a paper is bought where it always is.
  const placeOf = ({ sort, item }: Purchase) => (sort === 'paper' ? paperOf(item)?.where ?? '' : '')
  const lines = purchases.map((purchase): ShoppingLine => {
    const entry = shopping.find(entry => isOf(purchase, entry))
    const ordered = entry?.ordered ?? 0
    const supply = purchase.sort === 'supply' ? supplies.find(({ key }) => key === purchase.item) : undefined
    const missing = Math.max(0, purchase.toBuy - ordered)
    const [where, besides] = [entry?.where ?? placeOf(purchase), besidesOf(purchase)]
    return { ...purchase, where, ordered, missing, besides, supply }
  }).filter(({ toBuy, ordered }) => toBuy > 0 || ordered > 0)
  const places = [...tally(lines, ({ where }) => where).keys()].sort(
    (a, b) => Number(a === '') - Number(b === '') || (a < b ? -1 : 1),
  )
  return places.map(where => ({ where, lines: lines.filter(line => line.where === where) }))
}

/**
 * Of a shopping list the things that are still to be bought with what they cost in cents, and those that are on their
 * way.
 */
export function stillToBuy(groups: { lines: ShoppingLine[] }[]): { things: number, cents: number, coming: number } {
  const lines = groups.flatMap(({ lines }) => lines)
  const open = lines.filter(({ missing }) => missing > 0)
  return {
    things: open.length,
    cents: open.reduce((sum, { cost, missing, toBuy }) => sum + ((cost ?? 0) * missing) / toBuy, 0),
    coming: lines.length - open.length,
  }
}

/** What is noted of a line changes. Changes the draft that it is given. */
export function noteLine(batch: Pick<Batch, 'shopping'>, line: ShoppingLine, change: Partial<Pick<ShoppingEntry,
  'where' | 'ordered'>>): void {
  const { sort, item, stock, where, ordered } = line
  const entry = { where, ordered, ...change }
  const known = batch.shopping.find(other => isOf(line, other))
  if (entry.where === '' && entry.ordered === 0) batch.shopping = batch.shopping.filter(other => other !== known)
  else if (known) Object.assign(known, entry)
  else if (batch.shopping.length < BOUNDS.shopping)
    batch.shopping.push({ key: freeKey('line', batch.shopping.map(({ key }) => key)), sort, item, stock, ...entry })
}

/**
 * Sheets, packs or pads have come: they are on hand, what comes along with them too, and fewer are on their way.
 * Changes the draft that it is given.
 */
export function arrive(
  batch: Pick<Batch, 'shopping' | 'papers' | 'supplies'>, line: ShoppingLine, number: number,
): void {
  const more = (onHand: number, by: number) => Math.min(BOUNDS.onHand, Number((onHand + by).toFixed(3)))
  const paper = batch.papers.find(({ key }) => key === line.item)
  const stock = paper?.stocks.find(({ key }) => key === line.stock)
  if (line.sort === 'paper' && paper && stock) {
    if (line.isPad) openPads(batch.papers, paper, number)
    else stock.onHand = more(stock.onHand, number * stock.pack)
  }
  const supply = batch.supplies.find(({ key }) => key === line.item)
  if (line.sort === 'supply') {
    if (supply) supply.onHand = more(supply.onHand, number * supply.pack)
    else if (line.supply) batch.supplies.push({ ...line.supply, onHand: number * line.supply.pack })
  }
  if (line.ordered > 0) noteLine(batch, line, { ordered: Math.max(0, line.ordered - number) })
}

/** The sheets of some pads lie on the shelf, each with its paper. Changes the papers that it is given. */
export function openPads(papers: PaperEntry[], { holds, stocks: [format] }: PaperEntry, pads: number): void {
  if (!format) return
  for (const { key, count: sheets } of holds) {
    const paper = papers.find(other => other.key === key)
    if (!paper) continue
    const isSize = (stock: PaperEntry['stocks'][number]) =>
      lengthFrom(stock.width) === lengthFrom(format.width) && lengthFrom(stock.height) === lengthFrom(format.height)
    const own = paper.stocks.find(isSize)
    const taken = [...paper.stocks, ...paper.offcuts].map(entry => entry.key)
    if (own) own.onHand = Math.min(BOUNDS.onHand, own.onHand + sheets * pads)
    else if (paper.stocks.length < BOUNDS.stocks)
      paper.stocks.push({ ...format, key: freeKey('sheet', taken), pack: 1, price: null, onHand: sheets * pads })
  }
}

/** `Kelp, Letter`, `Tape`. */
export function purchaseName({ name, width, height }: Purchase, units: Units): string {
  if (width === undefined || height === undefined) return name
  return `${name}, ${sheetName(width, height) ?? formatSize(width, height, units)}`
}

/** So many sheets or pads, or so much of a supply: `12 sheets`, `about 14 yards`. */
export const neededInWords = (
  amount: number, { sort, supply, isPad }: Pick<ShoppingLine, 'sort' | 'supply' | 'isPad'>, units: Units,
): string =>
  (sort === 'paper' ? count(amount, isPad ? 'pad' : 'sheet') : amountInWords(supply?.use ?? 'thing', amount, units))

/** What is bought: `12 sheets`, `2 packs of 25`, `1 pad`, `2 packs of 10 m`, `3` of what comes one by one. */
export function packsInWords(
  packs: number, { sort, supply, pack: sheets, isPad }: Pick<ShoppingLine, 'sort' | 'supply' | 'pack' | 'isPad'>,
  units: Units,
): string {
  if (isPad) return count(packs, 'pad')
  if (sort === 'paper' || !supply)
    return sheets > 1 ? `${count(packs, 'pack')} of ${sheets}` : count(packs, 'sheet')
  const { pack, use } = supply
  return pack === 1 && measuredIn(use) === 'pieces'
    ? String(packs)
    : `${count(packs, 'pack')} of ${amountInWords(use, Math.round(pack * WHOLE[measuredIn(use)]), units)}`
}
