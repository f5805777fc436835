import { count, tally } from '../lists'
import type { Batch, ShoppingEntry, SupplyEntry } from '../document'
import { BOUNDS, freeKey } from '../document'
import type { Kits, Purchase } from './kits'
import { WHOLE, amountInWords, measuredIn } from './usage'
import type { Units } from '../lengths'
import { formatSize } from '../lengths'
import { sheetName } from '../paper'

/** A line of the shopping list: something that the class needs, with what is noted of it. */
export interface ShoppingLine extends Purchase {
  /** Where it is bought, in the maker's own words; empty while that is not said. */
  where: string
  /** Sheets or packs that are on their way. */
  ordered: number
  /** Sheets or packs that are still to be bought. */
  missing: number
  /** The supply, where it is one. */
  supply?: SupplyEntry
}

const isOf = ({ sort, item, stock }: Pick<Purchase, 'sort' | 'item' | 'stock'>, entry: ShoppingEntry): boolean =>
  entry.sort === sort && entry.item === item && entry.stock === stock

/** What has to be bought or is on its way, grouped by where it is bought; what is of no place comes last. */
export function shoppingList(
  { shopping }: Pick<Batch, 'shopping'>, { purchases }: Kits, supplies: SupplyEntry[],
): { where: string, lines: ShoppingLine[] }[] {
  const lines = purchases.map((purchase): ShoppingLine => {
    const entry = shopping.find(entry => isOf(purchase, entry))
    const ordered = entry?.ordered ?? 0
    const supply = purchase.sort === 'supply' ? supplies.find(({ key }) => key === purchase.item) : undefined
    return { ...purchase, where: entry?.where ?? '', ordered, missing: Math.max(0, purchase.toBuy - ordered), supply }
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

/** Sheets or packs have come: they are on hand, and fewer are on their way. Changes the draft that it is given. */
export function arrive(
  batch: Pick<Batch, 'shopping' | 'papers' | 'supplies'>, line: ShoppingLine, number: number,
): void {
  const more = (onHand: number, by: number) => Math.min(BOUNDS.onHand, Number((onHand + by).toFixed(3)))
  const stock = batch.papers.find(({ key }) => key === line.item)?.stocks.find(({ key }) => key === line.stock)
  if (line.sort === 'paper' && stock) stock.onHand = more(stock.onHand, number)
  const supply = batch.supplies.find(({ key }) => key === line.item)
  if (line.sort === 'supply') {
    if (supply) supply.onHand = more(supply.onHand, number * supply.pack)
    else if (line.supply) batch.supplies.push({ ...line.supply, onHand: number * line.supply.pack })
  }
  if (line.ordered > 0) noteLine(batch, line, { ordered: Math.max(0, line.ordered - number) })
}

/** `Kelp, Letter`, `Tape`. */
export function purchaseName({ name, width, height }: Purchase, units: Units): string {
  if (width === undefined || height === undefined) return name
  return `${name}, ${sheetName(width, height) ?? formatSize(width, height, units)}`
}

/** So many sheets, or so much of a supply: `12 sheets`, `about 14 yards`. */
export const neededInWords = (
  amount: number, { sort, supply }: Pick<ShoppingLine, 'sort' | 'supply'>, units: Units,
): string => (sort === 'paper' ? count(amount, 'sheet') : amountInWords(supply?.use ?? 'thing', amount, units))

/** What is bought: `12 sheets`, `2 packs of 10 m`, `3` of what comes one by one. */
export function packsInWords(
  packs: number, { sort, supply }: Pick<ShoppingLine, 'sort' | 'supply'>, units: Units,
): string {
  if (sort === 'paper' || !supply) return count(packs, 'sheet')
  const { pack, use } = supply
  return pack === 1 && measuredIn(use) === 'pieces'
    ? String(packs)
    : `${count(packs, 'pack')} of ${amountInWords(use, Math.round(pack * WHOLE[measuredIn(use)]), units)}`
}
