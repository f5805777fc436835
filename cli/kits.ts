import type { Preparation } from '../core/batch'
import type { ShoppingLine, Purchase, Usage } from '../core/kits'
import { readyInWords, stripInWords, stripName } from '../core/batch'
import { ordersOf, planAll, prepareShared } from '../core/plans'
import {
  cardsIn, findingsOf, kitsOfBatch, moneyOfClass, neededInWords, packedBags, packsInWords, parcelsOf, piecesInBag,
  purchaseName, shoppingList, stopsIn, suppliesFor, tasksOf, amountInWords,
} from '../core/kits'
import type { Batch } from '../core/document'
import { wholeMinutes } from '../core/cutting'
import type { Solve } from '../core/cutting'
import { bagsCsv, cutsCsv, ordersCsv, shoppingCsv } from '../core/exports'
import { writeLength } from '../core/lengths'
import type { Report } from './reports'
import { findingLines, heading, moneyIn, table } from './reports'

const planned = (batch: Batch, solve: Solve) => {
  const preparation = prepareShared(batch, solve)
  const outcomes = planAll(batch, preparation, solve)
  return { preparation, outcomes, kits: kitsOfBatch(batch, preparation, outcomes) }
}

/** One list for each bag, how far its pieces are made ready, what is to be done, and what the class costs. */
export function kitsReport(batch: Batch, solve: Solve): Report {
  const made = planned(batch, solve)
  const { preparation, outcomes, kits } = made
  const supplies = suppliesFor(preparation)
  const bags = packedBags(preparation)
  const packed = {
    ...made, supplies, bags, tasks: tasksOf(preparation, bags), parcels: parcelsOf(preparation, bags),
    worth: moneyOfClass(preparation, outcomes, kits), findings: findingsOf(preparation, outcomes),
  }
  return { data: kitsData(batch, packed), text: kitsText(batch, packed), stops: stopsIn(packed.findings) }
}

interface PackedClass extends ReturnType<typeof planned> {
  supplies: ReturnType<typeof suppliesFor>
  bags: ReturnType<typeof packedBags>
  tasks: ReturnType<typeof tasksOf>
  parcels: ReturnType<typeof parcelsOf>
  worth: ReturnType<typeof moneyOfClass>
  findings: ReturnType<typeof findingsOf>
}

function kitsData({ class: { units } }: Batch, { kits, supplies, bags, tasks, parcels, worth }: PackedClass): object {
  const usages = (uses: Usage[]) => uses.map(({ supply, amount }) => {
    const entry = supplies.find(({ key }) => key === supply)
    return { supply, name: entry?.name ?? supply, amount: amountInWords(entry?.use ?? 'thing', amount, units) }
  })
  return {
    seats: bags.map(({ key, label, profile, kits }) => ({
      key,
      label,
      profile: profile.name,
      adhesive: profile.adhesive,
      kits: kits.map(({ card: { entry, pieces: all }, colourway, pieces, strips }) => ({
        card: entry.key,
        colourway: colourway?.key ?? null,
        pieces: pieces.map(({ piece, count, paper, level }) => ({
          part: piece.key, count, paper: paper?.key ?? null, level,
        })),
        strips: strips.map(strip => ({
          width: writeLength(strip.width, units), height: writeLength(strip.height, units), paper: strip.paper.key,
          for: stripInWords(strip, all, units),
        })),
      })),
    })),
    costs: kits.costs.map(({ uses, ...cost }) => ({ ...cost, supplies: usages(uses) })),
    purchases: kits.purchases.map(purchase => sized(purchase, units)),
    totals: { ...kits.totals, uses: usages(kits.totals.uses) },
    tasks,
    parcels: parcels.map(({ rate, width, height, thickness, ...parcel }) => ({
      ...parcel,
      width: writeLength(width, units),
      height: writeLength(height, units),
      thickness: writeLength(thickness, units),
      rate: rate?.key ?? null,
      price: rate?.price ?? null,
    })),
    money: worth,
  }
}

function kitsText(batch: Batch, packed: PackedClass): string {
  const { preparation, kits, supplies, bags, tasks, findings } = packed
  const money = moneyIn(batch)
  const titles = new Map(batch.cards.map(({ key, title }) => [key, title]))
  return [
    heading(batch),
    table(
      ['Bag', 'Made ready', 'Cards', 'Pieces'],
      bags.map(({ label, profile, kits }) => [
        label,
        profile.name,
        cardsIn({ kits }) || '–',
        piecesInBag({ kits }),
      ]),
    ),
    ...stripLines(preparation),
    table(
      ['Card', 'Paper', 'Supplies', 'One kit'],
      kits.costs.map(({ card, paper, other }) => [
        titles.get(card) ?? card, money(paper), money(other), money(paper + other),
      ]),
    ),
    purchaseTable(
      batch,
      kits.purchases.map(purchase => ({ ...purchase, supply: supplies.find(({ key }) => key === purchase.item) })),
    ),
    tasks.length > 0
      ? table(['To do', 'What', 'Minutes'], tasks.map(({ name, what, minutes }) => [name, what, wholeMinutes(minutes)]))
      : 'Nothing to do beside cutting.',
    moneyLine(batch, packed),
    `To buy ${money(kits.totals.spending)}.`,
    ...findingLines(findings),
  ].join('\n')
}

/** What the class costs altogether and each seat of it, and how many seats cover it. */
function moneyLine(batch: Batch, { parcels, worth }: PackedClass): string {
  const money = moneyIn(batch)
  const unposted = parcels.filter(({ rate }) => !rate).length
  const covered = worth.breakEven === null
    ? 'not even all seats cover it'
    : `${worth.breakEven} of ${batch.class.seats} seats cover it`
  const pays = batch.prices.seat > 0 ? ` and pays ${money(batch.prices.seat)}: ${covered}` : ''
  return `Material ${money(worth.material)}, `
    + `work ${money(worth.work)} (${wholeMinutes(worth.minutes)} min with the class), venue ${money(worth.venue)}, posting ${money(worth.posting)}`
    + `${unposted > 0 ? ` (no rate takes ${unposted})` : ''}: ${money(worth.cost)}. `
    + `A seat costs ${money(worth.perSeat)}${pays}.`
}

/** Strips that go along uncut, and how far pieces are made ready that are not just cut. */
const stripLines = ({ cards, batch }: Preparation): string[] => cards.flatMap(({ entry, strips, pieces, dealt }) => [
  ...strips.map(strip => `${entry.title}: ${strip.quantity} × ${stripName(strip)}, ${strip.paper.name}: `
    + stripInWords(strip, pieces, batch.class.units)),
  ...[...new Set(dealt.map(({ prep }) => prep))].flatMap(({ profile, levels }) => {
    const words = readyInWords(pieces, levels)
    return words ? [`${entry.title}, ${profile.name}: ${words}`] : []
  }),
])

const sized = ({ width, height, ...purchase }: Purchase, units: Batch['class']['units']) => ({
  ...purchase,
  ...(width !== undefined
    && height !== undefined && { width: writeLength(width, units), height: writeLength(height, units) }),
})

function purchaseTable(batch: Batch, purchases: Pick<ShoppingLine, keyof Purchase | 'supply'>[]): string {
  const { units } = batch.class
  const money = moneyIn(batch)
  return table(
    ['What', 'Needed', 'On hand', 'To buy', 'Cost'],
    purchases.map(line => [
      purchaseName(line, units),
      neededInWords(line.needed, line, units),
      neededInWords(line.onHand, line, units),
      line.toBuy > 0 ? packsInWords(line.toBuy, line, units) : '–',
      line.toBuy === 0 ? '' : line.cost === null ? 'not for sale' : money(line.cost),
    ]),
  )
}

/** What `--csv` of a command writes, with what must be settled before it is used. */
export type Csv = (batch: Batch, solve: Solve) => Promise<Pick<Report, 'text' | 'stops'>>

/** Commands that write CSV: the order of cuts, the bags, the shopping list. */
export const CSVS: Record<string, Csv> = {
  plan: csvOf((batch, { outcomes }) => cutsCsv(batch, outcomes)),
  order: csvOf((batch, { outcomes }) => ordersCsv(batch, ordersOf(outcomes, batch))),
  kits: csvOf(({ class: { units } }, { preparation }) => bagsCsv(packedBags(preparation), units)),
  shopping: csvOf((batch, { preparation, kits }) =>
    shoppingCsv(shoppingList(batch, kits, suppliesFor(preparation)), batch.class.units, batch.prices.currency)),
}

function csvOf(write: (batch: Batch, made: ReturnType<typeof planned>) => Promise<string>): Csv {
  return async (batch, solve) => {
    const made = planned(batch, solve)
    const text = await write(batch, made)
    return { text: text.trimEnd(), stops: stopsIn(findingsOf(made.preparation, made.outcomes)) }
  }
}

/** The shopping list: what is to buy, grouped by where it is bought. */
export function shoppingReport(batch: Batch, solve: Solve): Report {
  const { preparation, outcomes, kits } = planned(batch, solve)
  const { units } = batch.class
  const money = moneyIn(batch)
  const groups = shoppingList(batch, kits, suppliesFor(preparation))
  const findings = findingsOf(preparation, outcomes)
  const data = groups.map(({ where, lines }) => ({
    where,
    lines: lines.map(({ supply: _, ...line }) => ({ ...sized(line, units), where: line.where, ordered: line.ordered,
      missing: line.missing })),
  }))
  const text = [
    heading(batch),
    ...groups.flatMap(({ where, lines }) => [
      where || (groups.length > 1 ? 'Elsewhere' : 'To buy'),
      table(
        ['What', 'Needed', 'On hand', 'Ordered', 'To buy', 'Cost'],
        lines.map(line => [
          purchaseName(line, units),
          neededInWords(line.needed, line, units),
          neededInWords(line.onHand, line, units),
          line.ordered > 0 ? packsInWords(line.ordered, line, units) : '–',
          line.missing > 0 ? packsInWords(line.missing, line, units) : '–',
          line.cost === null ? 'not for sale' : money(line.cost),
        ]),
      ),
    ]),
    groups.length === 0 ? 'Nothing has to be bought.' : `In all ${money(kits.totals.spending)}.`,
    ...findingLines(findings),
  ].join('\n')
  return { data, text, stops: stopsIn(findings) }
}
