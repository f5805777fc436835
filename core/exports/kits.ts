import type { Bag, ShoppingLine } from '../kits'
import { LEVEL_WORDS, bagLabel, stripName } from '../batch'
import { neededInWords, packsInWords, purchaseName, extraInWords } from '../kits'
import type { Length, Units } from '../lengths'
import { formatLength } from '../lengths'
import { csvOf, harmless } from './cells'

/** What is in every bag as CSV: a row for each piece, strip and thing, and for what is brought. */
export async function bagsCsv(bags: Bag[], units: Units): Promise<string> {
  return csvOf(bags.flatMap(({ key, seat, profile, kits }) => kits.flatMap(({ card, colourway, pieces, strips }) => {
    const row = (
      what: string, count: number, rest: { width?: string, height?: string, paper?: string, level?: string },
    ) => ({
      'Bag': bagLabel(key),
      'Name': harmless(seat.name),
      'Made ready': harmless(profile.name),
      'Card': harmless(card.entry.title),
      'Colourway': harmless(colourway?.name ?? ''),
      'What': harmless(what),
      'Count': count,
      'Width': rest.width ?? '',
      'Height': rest.height ?? '',
      'Paper': harmless(rest.paper ?? ''),
      'State': rest.level ?? '',
    })
    const sized = ({ width, height }: { width: Length, height: Length }) =>
      ({ width: formatLength(width, units, { unit: true }), height: formatLength(height, units, { unit: true }) })
    return [
      // What lies uncut in a strip is told by the strip.
      ...pieces
        .filter(({ level }) => level !== 'uncut')
        .map(({ piece, count, paper, level }) =>
          row(piece.name, count, {
            ...sized({ width: piece.width.value, height: piece.height.value }),
            paper: paper?.name,
            level: LEVEL_WORDS[level],
          })),
      ...strips.map(strip =>
        row(stripName(strip), 1, { ...sized(strip), paper: strip.paper.name, level: LEVEL_WORDS.uncut }),
      ),
      ...(card.construction?.extras ?? []).map(extra => row(extraInWords(extra, units), extra.count, {})),
    ]
  })))
}

/** The shopping list as CSV, money in whole units of the currency. */
export async function shoppingCsv(
  groups: { where: string, lines: ShoppingLine[] }[], units: Units, currency: string,
): Promise<string> {
  return csvOf(groups.flatMap(({ where, lines }) => lines.map(line => ({
    'Where': harmless(where),
    'What': harmless(purchaseName(line, units)),
    'Needed': neededInWords(line.needed, line, units),
    'On hand': neededInWords(line.onHand, line, units),
    'Ordered': line.ordered > 0 ? packsInWords(line.ordered, line, units) : '',
    'To buy': line.missing > 0 ? packsInWords(line.missing, line, units) : '',
    [`Cost, ${currency}`]: line.cost === null ? 'not for sale' : (line.cost / 100).toFixed(2),
    'Comes along': harmless(line.besides),
  }))))
}
