import type { PreparedCard, PreparedPiece } from '../batch'
import { sourceOf } from '../batch'
import type { Kits, SeatKit } from '../kits'
import { extraInWords } from '../kits'
import type { Units } from '../lengths'
import { lookUp } from '../lists'
import type { PrintBlock, PrintSection } from './model'
import { stepList } from './steps'
import { sheetInWords, typesetSize } from './typeset'

/** What has to be bought, and what the class uses of everything else. */
export function shoppingSection(kits: Kits, units: Units, words: { money: (cents: number) => string, tape: string }): PrintSection {
  const toBuy = kits.totals.spending > 0 ? `To buy for ${words.money(kits.totals.spending)}` : 'Nothing has to be bought'
  return {
    heading: 'Sheets and what to buy',
    blocks: [
      {
        kind: 'table',
        name: 'Sheets and what to buy',
        head: ['Paper', 'Sheet', 'Needed', 'On hand', 'To buy', 'Cost'],
        rows: kits.purchases.map(({ paper, width, height, needed, onHand, toBuy, cost }) => [
          paper, sheetInWords(width, height, units), String(needed), String(onHand), String(toBuy), toBuy > 0 ? words.money(cost ?? 0) : '',
        ]),
        numbers: [2, 3, 4, 5],
      },
      { kind: 'text', text: `Besides: ${words.tape}. ${toBuy}.` },
    ],
  }
}

/**
 * The lists of the bags: one for all that are alike with a box for each seat to tick, or one for each bag.
 * @param each a list of its own for every bag, to be put into it
 */
export function bagSection(kits: Kits, cards: PreparedCard[], units: Units, each: boolean): PrintSection {
  const byKey = new Map(cards.map(card => [card.entry.key, card]))
  const content = (seat: SeatKit): PrintBlock[] =>
    seat.cards.length === 0
      ? [{ kind: 'text', text: 'Nothing is packed.' }]
      : seat.cards.flatMap((key): PrintBlock[] => {
          const { entry, pieces, construction } = lookUp(byKey, key)
          const bought = construction?.extras.map(extra => extraInWords(extra, units)) ?? []
          const items = [...pieces.map(piece => pieceInWords(piece, units)), ...bought]
          return [
            { kind: 'text', strong: true, text: entry.title },
            { kind: 'list', mark: 'box', items },
          ]
        })
  if (each) {
    return {
      heading: 'One list for each bag',
      blocks: [{ kind: 'side by side', cells: kits.seats.map(seat => [{ kind: 'heading', text: seat.label }, ...content(seat)]) }],
    }
  }
  const alike = new Map<string, SeatKit[]>()
  for (const seat of kits.seats) alike.set(seat.cards.join(' '), [...(alike.get(seat.cards.join(' ')) ?? []), seat])
  return {
    heading: 'What goes into the bags',
    blocks: [...alike.values()].flatMap((seats): PrintBlock[] => [
      { kind: 'heading', text: seats.length === kits.seats.length ? `All ${seats.length} bags alike` : bagsInWords(seats) },
      ...content(seats[0] as SeatKit),
      { kind: 'text', text: seats.map(({ label }) => `☐\u00a0${label.replace(' ', '\u00a0')}`).join('   ') },
    ]),
  }
}

const bagsInWords = (seats: SeatKit[]): string => (seats.length === 1 ? `One bag: ${seats[0]?.label}` : `${seats.length} bags alike`)

const pieceInWords = (piece: PreparedPiece, units: Units): string =>
  [
    `${piece.perKit} × ${piece.name}`,
    typesetSize(piece.width.value, piece.height.value, units, true),
    ...(piece.made ?? []),
    sourceOf(piece) ?? 'no paper yet',
  ].join(', ')

/** How every card is made, in steps. */
export const stepSections = (cards: PreparedCard[]): PrintSection[] =>
  cards.flatMap(({ entry, construction }) =>
    construction ? [{ heading: `How to make ${entry.title}`, blocks: [stepList(construction.steps)] }] : [],
  )

/** All pieces of a card as a list to cut by hand. */
export const pieceSection = ({ entry, pieces, kits }: PreparedCard, units: Units): PrintSection => ({
  heading: `${entry.title}, ${kits === 1 ? 'one kit' : `${kits} kits`}`,
  blocks: [
    {
      kind: 'table',
      name: `Pieces of ${entry.title}`,
      head: ['Piece', 'Width × height', 'A kit', 'In all', 'Paper', 'Print'],
      rows: pieces.map(piece => [
        [piece.name, ...(piece.made ?? [])].join(', '),
        typesetSize(piece.width.value, piece.height.value, units),
        String(piece.perKit),
        String(piece.quantity),
        sourceOf(piece) ?? 'none yet',
        piece.turn === 'as drawn' ? 'upright' : piece.turn === 'turned' ? 'sideways' : '',
      ]),
      numbers: [2, 3],
    },
  ],
})
