import type { Bag, PackedKit, PackedPiece, PreparedCard } from '../batch'
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
 * The lists of the bags: what is alike once, with a table of what differs from bag to bag, or one list for each bag.
 * @param each a list of its own for every bag, to be put into it
 */
export function bagSection(bags: Bag[], units: Units, each: boolean): PrintSection {
  if (each) {
    return {
      heading: 'One list for each bag',
      blocks: [{
        kind: 'side by side',
        cells: bags.map(({ label, kits }) => [
          { kind: 'heading', text: label },
          ...(kits.length === 0 ? [{ kind: 'text' as const, text: 'Nothing is packed.' }] : kits.flatMap(kit => kitBlocks(kit, units))),
        ]),
      }],
    }
  }
  /** Bags with kits of the same cards are packed together. */
  const alike = new Map<string, Bag[]>()
  for (const bag of bags) {
    const cards = bag.kits.map(({ card }) => card.entry.key).join(' ')
    alike.set(cards, [...(alike.get(cards) ?? []), bag])
  }
  return {
    heading: 'What goes into the bags',
    blocks: [...alike.values()].flatMap((same): PrintBlock[] => {
      const isAlike = new Set(same.map(contentsOf)).size === 1
      const which = same.length === bags.length ? `All ${same.length} bags` : bagsInWords(same)
      return [
        { kind: 'heading', text: isAlike ? `${which}${same.length > 1 ? ' alike' : ''}` : which },
        ...itemAt(same, 0).kits.flatMap((_, card) => sharedBlocks(same.map(bag => itemAt(bag.kits, card)), units)),
        ...(itemAt(same, 0).kits.length === 0 ? [{ kind: 'text' as const, text: 'Nothing is packed.' }] : []),
        isAlike
          ? { kind: 'text', text: same.map(({ label }) => `☐\u00a0${label.replaceAll(' ', '\u00a0')}`).join('   ') }
          : differingTable(same),
      ]
    }),
  }
}

const kitTitle = ({ card: { entry }, colourway }: PackedKit): string => (colourway ? `${entry.title}, ${colourway.name}` : entry.title)

/** Everything in one kit. */
function kitBlocks(kit: PackedKit, units: Units): PrintBlock[] {
  const bought = kit.card.construction?.extras.map(extra => extraInWords(extra, units)) ?? []
  return [
    { kind: 'text', strong: true, text: kitTitle(kit) },
    { kind: 'list', mark: 'box', items: [...kit.pieces.map(piece => packedInWords(piece, units)), ...bought] },
  ]
}

/** What kits of one card have alike; of what differs it says that the table has it. */
function sharedBlocks(kits: PackedKit[], units: Units): PrintBlock[] {
  const first = itemAt(kits, 0)
  const differs = differing(kits)
  const bought = first.card.construction?.extras.map(extra => extraInWords(extra, units)) ?? []
  return [
    { kind: 'text', strong: true, text: new Set(kits.map(kitTitle)).size === 1 ? kitTitle(first) : first.card.entry.title },
    {
      kind: 'list',
      mark: 'box',
      items: [
        ...first.pieces.map((piece, at) => packedInWords(piece, units, differs.has(at))),
        ...bought,
      ],
    },
  ]
}

/** Places of the pieces that not all kits of a card have of one paper. */
const differing = (kits: PackedKit[]): Set<number> => new Set(itemAt(kits, 0).pieces.flatMap((_, at) =>
  (new Set(kits.map(({ pieces }) => itemAt(pieces, at).paper)).size > 1 ? [at] : [])))

/** One row for each bag with a box to tick: the colourway and the papers of what differs, card by card. */
function differingTable(bags: Bag[]): PrintBlock {
  const cards = itemAt(bags, 0).kits.map((first, at) => {
    const kits = bags.map(bag => itemAt(bag.kits, at))
    return {
      title: first.card.entry.title,
      at,
      hasColourways: kits.some(({ colourway }) => colourway),
      pieces: [...differing(kits)].map(place => ({ place, name: itemAt(first.pieces, place).piece.name })),
    }
  }).filter(({ pieces }) => pieces.length > 0)
  return {
    kind: 'table',
    name: 'What differs from bag to bag',
    head: [
      'Bag',
      ...cards.flatMap(({ title, hasColourways, pieces }) => [...(hasColourways ? [title] : []), ...pieces.map(({ name }) => name)]),
    ],
    rows: bags.map(({ label, kits }) => [
      `☐\u00a0${label}`,
      ...cards.flatMap(({ at, hasColourways, pieces }) => {
        const kit = itemAt(kits, at)
        return [...(hasColourways ? [kit.colourway?.name ?? ''] : []),
          ...pieces.map(({ place }) => itemAt(kit.pieces, place).paper?.name ?? '')]
      }),
    ]),
  }
}

const bagsInWords = (bags: Bag[]): string => (bags.length === 1 ? `One bag: ${itemAt(bags, 0).label}` : `${bags.length} bags`)

/** `1 × Mat, 5 1/4 × 4 in, Herring`: a piece as it lies in a bag. */
const packedInWords = ({ piece: { name, width, height, made = [] }, count, paper }: PackedPiece, units: Units, inTable = false): string =>
  [`${count} × ${name}`, typesetSize(width.value, height.value, units, true), ...made, inTable
    ? 'see the table'
    : (paper?.name ?? 'no paper yet')]
    .join(', ')

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
