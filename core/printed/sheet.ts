import type { PreparedCard, PreparedPiece } from '../batch'
import { sourceOf } from '../batch'
import type { Batch, CardEntry, PaperEntry } from '../document'
import { DEFAULT_TOOLS } from '../document'
import { dressedCard } from '../dressing'
import type { Fold, Piece, WorkedOut } from '../folds'
import { blanksOf, cutLines, scoreLines } from '../folds'
import { extraInWords } from '../kits'
import type { Length, Units } from '../lengths'
import { formatLength, inches, lengthFrom, millimetres, nearestMark } from '../lengths'
import { capitalised } from '../lists'
import { sheetOf } from '../paper'
import { toolsFor } from './handout'
import { pageHtml, sectionsHtml } from './html'
import type { PrintBlock, PrintSection } from './model'
import { patternDrawing } from './pattern'
import { cardDrawing } from './stage'
import { stepList } from './steps'
import { CAUTIONS } from './student'
import { escaped } from './svg'
import { typesetText } from './typeset'

/*
 * A card for those who make it at home: one sheet with every size in inches and in centimetres, scores and slits, what
 * it takes and where that is had, the order of work and its picture.
 */

const PICTURE = { width: 180, height: 140 }
const BLANK = { width: 250, height: 150 }

/** Whether a card has sizes that its maker typed: then it has no natural figures of the other school. */
const isTyped = (fold: Fold, { parameters, faces, free }: CardEntry): boolean =>
  faces.length + free.length > 0 || Object.keys(parameters).some(name => fold.parameters[name]?.kind === 'length')

/** The same card as makers of the other school have it; nothing where its sizes were typed. */
function otherSchool({ entry, fold }: PreparedCard, units: Units): WorkedOut | undefined {
  if (!fold || isTyped(fold, entry)) return undefined
  const { mark, board } = DEFAULT_TOOLS[units]
  return dressedCard(fold, entry, units, lengthFrom(mark, units), lengthFrom(board, units))
}

/** A length as it is measured in inches, to the nearest 16th, or in centimetres, to the nearest millimetre. */
const measured = (length: Length, units: Units): string => (units === 'inch'
  ? typesetText(formatLength(nearestMark(length, inches(1 / 16)), 'inch'))
  : (nearestMark(length, millimetres(1)) / millimetres(10)).toFixed(1))
const sizeIn = ({ width, height }: Pick<Piece, 'width' | 'height'>, units: Units): string =>
  `${measured(width.value, units)} × ${measured(height.value, units)}`

const SCHOOLS: readonly Units[] = ['inch', 'metric']
const UNIT_WORDS: Record<Units, string> = { inch: 'inches', metric: 'centimetres' }

/** A paper as it is asked for in a shop. */
function paperInWords({ name, weight, article, where, link }: PaperEntry): string {
  return [name, `${weight} g/m²`, article && `no. ${article}`, where, link].filter(Boolean).join(', ')
}

/** What a card takes: papers, what is bought, what it is held with, and what is done with which tool. */
function takes(card: PreparedCard, { papers, class: { units } }: Batch): string[] {
  const { construction, pieces } = card
  const used = new Set(pieces.flatMap(({ shares }) => shares.map(({ paper }) => sheetOf(paper).key)))
  const means = [...new Set(construction?.joints.map(({ means: held }) => held).filter(held => held !== 'held'))]
  const steps = construction?.steps.map(step => ({ step })) ?? []
  return [
    ...papers.filter(({ key }) => used.has(key)).map(paperInWords),
    ...(construction?.extras ?? []).map(extra => extraInWords(extra, units)),
    ...(means.length > 0 ? [capitalised(means.join(', '))] : []),
    ...toolsFor(steps),
    'Paper trimmer, or knife, steel ruler and mat; scoring board or bone tool',
  ]
}

/** What is scored and cut on a blank, in the words of a school. */
const workLines = (piece: Pick<Piece, 'scores' | 'width' | 'drawn' | 'slits' | 'windows' | 'shaped'>, units: Units) =>
  [...scoreLines(piece, units).map(({ words }) => words), ...cutLines(piece, units)].map(typesetText)

/** The published sheet of one card. */
export function sheetSections(card: PreparedCard, batch: Batch): PrintSection[] {
  const { construction, entry, fold, pieces } = card
  const own = batch.class.units
  if (!construction || !fold) return []
  const other = otherSchool(card, own === 'inch' ? 'metric' : 'inch')
  const pieceIn = (piece: PreparedPiece, units: Units): Piece =>
    (units === own ? piece : other?.pieces.find(({ key }) => key === piece.key) ?? piece)
  const closed = (units: Units) => {
    const { width, height } = (units === own ? construction : other ?? construction).finished
    return `${sizeIn({ width, height }, units)} ${units === 'inch' ? 'in' : 'cm'}`
  }
  const blanks = blanksOf(construction).flatMap((part): PrintBlock[][] => {
    const piece = pieces.find(({ key }) => key === part.key)
    if (!piece || workLines(piece, own).length === 0) return []
    return [[
      { kind: 'drawings', drawings: [patternDrawing(part, [], own, BLANK)] },
      ...SCHOOLS.flatMap((units): PrintBlock[] => [
        { kind: 'text', strong: true, text: `In ${units === 'inch' ? 'inches' : 'millimetres'}` },
        { kind: 'list', mark: 'dot', items: workLines(pieceIn(piece, units), units) },
      ]),
    ]]
  })
  return [{
    heading: entry.title,
    page: true,
    blocks: [
      {
        kind: 'side by side',
        cells: [
          [
            { kind: 'drawings', drawings: [cardDrawing(construction, 0.75, fold.view, 'When it is done', PICTURE)] },
            { kind: 'text', text: `Closed ${closed('inch')}, or ${closed('metric')}.` },
          ],
          [
            { kind: 'text', strong: true, text: 'What it takes' },
            { kind: 'list', mark: 'dot', items: takes(card, batch).map(typesetText) },
          ],
        ],
      },
      {
        kind: 'table',
        name: `Sizes of ${entry.title}`,
        head: ['Piece', 'How many', ...SCHOOLS.map(units => capitalised(UNIT_WORDS[units])), 'Paper'],
        rows: pieces.map(piece => [
          piece.name, String(piece.perKit), ...SCHOOLS.map(units => sizeIn(pieceIn(piece, units), units)),
          sourceOf(piece, pieces) ?? '',
        ]),
        numbers: [1],
      },
      {
        kind: 'text',
        text: other
          ? 'Inches and centimetres are each a card of its own, as its papers are sold: keep to one of them throughout.'
          : `Made in ${UNIT_WORDS[own]}; the others are rounded.`,
      },
      ...(blanks.length > 0 ? [{ kind: 'side by side' as const, cells: blanks }] : []),
      { kind: 'text', strong: true, text: 'How it is made' },
      stepList(construction.steps),
      ...(entry.note === '' ? [] : [{ kind: 'text' as const, text: typesetText(entry.note) }]),
      { kind: 'text', text: CAUTIONS },
    ],
  }]
}

/** The sheets of all cards of a class as one HTML text that needs nothing beside it. */
export function sheetPage({ batch, cards }: { batch: Batch, cards: readonly PreparedCard[] }): string {
  const { title } = batch.class
  return pageHtml(title, `<header><h1>${escaped(title)}</h1></header>${
    sectionsHtml(cards.flatMap(card => sheetSections(card, batch)))}`)
}
