import type { PreparedCard, Strip } from '../batch'
import type { Bag, PackedKit, PackedPiece, ShoppingLine, Kits } from '../kits'
import { LEVEL_WORDS, stateInWords, isCutReady, outOfInWords, sourceOf, stripName } from '../batch'
import {
  broughtPieces, contentsOf, lyingPieces, neededInWords, packsInWords, purchaseName, bagShape, extraInWords,
} from '../kits'
import type { Units } from '../lengths'
import { itemAt } from '../lists'
import type { PrintBlock, PrintSection } from './model'
import { stepList } from './steps'
import { typesetSize, typesetText } from './typeset'

/** What the class needs of sheets and supplies, and what of it has to be bought, by where it is bought. */
export function shoppingSection(
  groups: { where: string, lines: ShoppingLine[] }[], kits: Kits, units: Units, money: (cents: number) => string,
): PrintSection {
  const { spending } = kits.totals
  return {
    heading: 'To buy',
    blocks: [
      ...groups.flatMap(({ where, lines }): PrintBlock[] => [
        ...(where || groups.length > 1 ? [{ kind: 'heading' as const, text: where || 'Elsewhere' }] : []),
        {
          kind: 'table',
          name: `To buy${where ? `: ${where}` : ''}`,
          head: ['', 'What', 'Needed', 'On hand', 'Ordered', 'To buy', 'Cost'],
          rows: lines.map(line => [
            '☐',
            typesetText(purchaseName(line, units)) + (line.besides ? ` (along come ${line.besides})` : ''),
            neededInWords(line.needed, line, units),
            neededInWords(line.onHand, line, units),
            line.ordered > 0 ? packsInWords(line.ordered, line, units) : '',
            line.missing > 0 ? packsInWords(line.missing, line, units) : '',
            line.cost === null ? 'not for sale' : money(line.cost),
          ]),
          numbers: [2, 3, 4, 5, 6],
        },
      ]),
      { kind: 'text', text: spending > 0 ? `In all ${money(spending)}.` : 'Nothing has to be bought.' },
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
          ...(kits.length === 0
            ? [{ kind: 'text' as const, text: 'Nothing is packed.' }]
            : kits.flatMap(kit => kitBlocks(kit, units))),
        ]),
      }],
    }
  }
  /** Bags with kits of the same cards, made ready alike, are packed together. */
  const alike = new Map<string, Bag[]>()
  for (const bag of bags) alike.set(bagShape(bag), [...(alike.get(bagShape(bag)) ?? []), bag])
  return {
    heading: 'What goes into the bags',
    blocks: [...alike.values()].flatMap((same): PrintBlock[] => {
      const isAlike = new Set(same.map(contentsOf)).size === 1
      const { profile } = itemAt(same, 0)
      const isOnly = bags.every(bag => bag.profile === profile)
      const which = [same.length === bags.length ? `All ${same.length} bags` : bagsInWords(same), ...isOnly
        ? []
        : [profile.name]].join(', ')
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

const kitTitle = ({ card: { entry }, colourway }: PackedKit): string =>
  colourway ? `${entry.title}, ${colourway.name}` : entry.title

/** Everything in one kit. */
function kitBlocks(kit: PackedKit, units: Units): PrintBlock[] {
  const bought = kit.card.construction?.extras.map(extra => extraInWords(extra, units)) ?? []
  return [
    { kind: 'text', strong: true, text: kitTitle(kit) },
    {
      kind: 'list',
      mark: 'box',
      items: [
        ...lyingPieces(kit).map(piece => packedInWords(piece, kit, units)),
        ...kit.strips.map(strip => stripItem(strip, units)),
        ...bought],
    },
    ...bringBlocks(kit, units),
  ]
}

/** `Strip for Mat, Plate, 9 × 4 in, Kelp, uncut`. */
const stripItem = (strip: Strip, units: Units, inTable = false): string => [
  `1 × ${stripName(strip)}`,
  typesetSize(strip.width, strip.height, units, true),
  inTable ? SEE_TABLE : strip.paper.name,
  LEVEL_WORDS.uncut,
].join(', ')
const SEE_TABLE = 'see the table'

/** What students bring for a kit themselves. */
function bringBlocks(kit: PackedKit, units: Units): PrintBlock[] {
  const brought = broughtPieces(kit)
  return brought.length === 0
    ? []
    : [
        { kind: 'text', strong: true, text: 'You bring' },
        { kind: 'list', mark: 'dot', items: brought.map(({ piece, count }) =>
          `${count} × ${piece.name}, ${typesetSize(piece.width.value, piece.height.value, units, true)}`) },
      ]
}

/** What kits of one card have alike; of what differs it says that the table has it. */
function sharedBlocks(kits: PackedKit[], units: Units): PrintBlock[] {
  const first = itemAt(kits, 0)
  const [differs, stripsDiffer] = [differing(kits.map(listed)), differing(kits.map(({ strips }) => strips))]
  const bought = first.card.construction?.extras.map(extra => extraInWords(extra, units)) ?? []
  return [
    {
      kind: 'text', strong: true,
      text: new Set(kits.map(kitTitle)).size === 1 ? kitTitle(first) : first.card.entry.title,
    },
    {
      kind: 'list',
      mark: 'box',
      items: [
        ...first.pieces.flatMap((piece, at) =>
          isCutReady(piece.level) ? [packedInWords(piece, first, units, differs.has(at))] : [],
        ),
        ...first.strips.map((strip, at) => stripItem(strip, units, stripsDiffer.has(at))),
        ...bought,
      ],
    },
    ...bringBlocks(first, units),
  ]
}

/** The pieces of a kit with the paper of those that stand on the list: what lies in a strip is told by that. */
const listed = ({ pieces }: PackedKit): { paper?: { key: string } }[] =>
  pieces.map(({ level, paper }) => (isCutReady(level) ? { paper } : {}))

/** Places of what not all kits of a card have of one paper. */
const differing = (lists: { paper?: { key: string } }[][]): Set<number> => new Set(itemAt(lists, 0).flatMap((_, at) =>
  (new Set(lists.map(list => itemAt(list, at).paper?.key)).size > 1 ? [at] : [])))

/** One row for each bag with a box to tick: the colourway and the papers of what differs, card by card. */
function differingTable(bags: Bag[]): PrintBlock {
  const cards = itemAt(bags, 0).kits.map((first, at) => {
    const kits = bags.map(bag => itemAt(bag.kits, at))
    const [pieces, strips] = [differing(kits.map(listed)), differing(kits.map(kit => kit.strips))]
    return {
      title: first.card.entry.title,
      at,
      hasColourways: kits.some(({ colourway }) => colourway),
      names: [...[...pieces].map(place => itemAt(first.pieces, place).piece.name),
        ...[...strips].map(place => stripName(itemAt(first.strips, place)))],
      papersIn: (kit: PackedKit) => [...[...pieces].map(place => itemAt(kit.pieces, place)),
        ...[...strips].map(place => itemAt(kit.strips, place))].map(({ paper }) => paper?.name ?? ''),
    }
  }).filter(({ names }) => names.length > 0)
  return {
    kind: 'table',
    name: 'What differs from bag to bag',
    head: ['Bag', ...cards.flatMap(({ title, hasColourways, names }) => [...(hasColourways ? [title] : []), ...names])],
    rows: bags.map(({ label, kits }) => [
      `☐\u00a0${label}`,
      ...cards.flatMap(({ at, hasColourways, papersIn }) => {
        const kit = itemAt(kits, at)
        return [...(hasColourways ? [kit.colourway?.name ?? ''] : []), ...papersIn(kit)]
      }),
    ]),
  }
}

const bagsInWords = (bags: Bag[]): string =>
  bags.length === 1 ? `One bag: ${itemAt(bags, 0).label}` : `${bags.length} bags`

/** `1 × Mat, 5 1/4 × 4 in, Herring, cut and scored`: a piece as it lies in a bag. */
const packedInWords = (
  { piece, piece: { name, width, height, outOf }, count, paper, level }: PackedPiece,
  kit: PackedKit,
  units: Units,
  inTable = false,
): string =>
  [
    `${count} × ${name}`, typesetSize(width.value, height.value, units, true), inTable
      ? SEE_TABLE
      : (paper?.name ?? 'no paper yet'),
    ...outOf === undefined ? [] : [outOfInWords(outOf, kit.card.pieces)],
    ...stateInWords(piece, level),
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
        piece.name,
        typesetSize(piece.width.value, piece.height.value, units),
        String(piece.perKit),
        String(piece.quantity),
        sourceOf(piece, pieces) ?? 'none yet',
        piece.turn === 'as drawn' ? 'upright' : piece.turn === 'turned' ? 'sideways' : '',
      ]),
      numbers: [2, 3],
    },
  ],
})
