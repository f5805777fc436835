import type { Bag, PackedPiece, PreparedCard } from '../batch'
import { contentsOf, sourceOf } from '../batch'
import type { Kits } from '../kits'
import { extraInWords } from '../kits'
import type { Units } from '../lengths'
import { itemAt } from '../lists'
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
 * The lists of the bags: one for all that are alike with a box for each bag to tick, or one for each bag.
 * @param each a list of its own for every bag, to be put into it
 */
export function bagSection(bags: Bag[], units: Units, each: boolean): PrintSection {
  const content = ({ kits }: Bag): PrintBlock[] =>
    kits.length === 0
      ? [{ kind: 'text', text: 'Nothing is packed.' }]
      : kits.flatMap(({ card: { entry, construction }, colourway, pieces }): PrintBlock[] => {
          const bought = construction?.extras.map(extra => extraInWords(extra, units)) ?? []
          return [
            { kind: 'text', strong: true, text: colourway ? `${entry.title}, ${colourway.name}` : entry.title },
            { kind: 'list', mark: 'box', items: [...pieces.map(piece => packedInWords(piece, units)), ...bought] },
          ]
        })
  if (each) {
    return {
      heading: 'One list for each bag',
      blocks: [{ kind: 'side by side', cells: bags.map(bag => [{ kind: 'heading', text: bag.label }, ...content(bag)]) }],
    }
  }
  const alike = new Map<string, Bag[]>()
  for (const bag of bags) alike.set(contentsOf(bag), [...(alike.get(contentsOf(bag)) ?? []), bag])
  return {
    heading: 'What goes into the bags',
    blocks: [...alike.values()].flatMap((same): PrintBlock[] => [
      { kind: 'heading', text: same.length === bags.length ? `All ${same.length} bags alike` : bagsInWords(same) },
      ...content(itemAt(same, 0)),
      { kind: 'text', text: same.map(({ label }) => `☐\u00a0${label.replaceAll(' ', '\u00a0')}`).join('   ') },
    ]),
  }
}

const bagsInWords = (bags: Bag[]): string => (bags.length === 1 ? `One bag: ${itemAt(bags, 0).label}` : `${bags.length} bags alike`)

/** `1 × Mat, 5 1/4 × 4 in, Herring`: a piece as it lies in a bag. */
const packedInWords = ({ piece: { name, width, height, made = [] }, count, paper }: PackedPiece, units: Units): string =>
  [`${count} × ${name}`, typesetSize(width.value, height.value, units, true), ...made, paper?.name ?? 'no paper yet'].join(', ')

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
