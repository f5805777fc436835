import type { PreparedCard } from '../batch'
import type { Bag, PackedKit, StepLeft } from '../kits'
import { LEVEL_WORDS, isCutReady, scoresLeft, stateInWords, stripName } from '../batch'
import { broughtPieces, lyingPieces, extraInWords, stepsLeft } from '../kits'
import type { ProfileEntry } from '../document'
import { cardAfter, foldById } from '../folds'
import { capitalised } from '../lists'
import type { SharedTool } from '../making'
import { techniqueOf } from '../making'
import type { Units } from '../lengths'
import { formatLength, parseLength } from '../lengths'
import type { Drawing, PrintBlock, PrintSection } from './model'
import { patternDrawing } from './pattern'
import { cardDrawing, stepDrawings } from './stage'
import { drawing, rectangle } from './svg'
import { typesetSize, typesetText } from './typeset'

/** A length of the other school in a text is said in the student's own units. */
const inUnits = (text: string, units: Units): string =>
  text.replace(
    /(?<![\d/])(\d+ \d+\/\d+|\d+\/\d+|\d+(?:\.\d+)?) (in|mm)(?![a-z])/g,
    (found: string, _: string, unit: string) => {
      if ((unit === 'in') === (units === 'inch')) return found
      const read = parseLength(found, units)
      return read.ok ? formatLength(read.length, units, { unit: true }) : found
    })

const PICTURE = { width: 150, height: 120 }
const BLANK = { width: 236, height: 110 }
const STAGE = { width: 118, height: 92 }
/** Blanks that are drawn for one step. */
const MOST_BLANKS = 2

/** The drawings of a step: what it makes as flat patterns, what it puts on by the model. */
function drawingsOf({ construction, fold }: PreparedCard, at: number, units: Units): Drawing[] {
  if (!construction || !fold) return []
  const step = construction.steps[at]
  const blanks = construction.parts.filter(({ key, creases, slits }) =>
    step?.makes.includes(key) && !step.puts.includes(key) && creases.length + slits.length > 0)
  // A step in which nothing comes shows the card so far, or the blank that is being worked on.
  const idle = step && step.makes.length === 0 && step.puts.length === 0
  const so = idle ? cardAfter(construction, at) : undefined
  const last = construction.steps.slice(0, at).flatMap(({ makes }) => makes).at(-1)
  const worked = idle && !so ? construction.parts.filter(({ key }) => key === last) : []
  return [
    ...(so ? [cardDrawing(so, 0.6, fold.view, 'so far')] : []),
    ...[...blanks, ...worked].slice(0, MOST_BLANKS).map(part => patternDrawing(part, [], units, BLANK)),
    ...stepDrawings(construction, at, fold.view),
  ]
}

/** What a kit's student brings along. */
function broughtAlong(kit: PackedKit, { adhesive }: ProfileEntry, units: Units, tools: string[]): string[] {
  const isScored = kit.pieces.some(
    ({ piece, paper, level }) => scoresLeft(paper, piece) > 0 && (level === 'cut' || !isCutReady(level)),
  )
  return [
    ...broughtPieces(kit).map(({ piece, count }) =>
      `Paper for ${count} × ${piece.name}, ${typesetSize(piece.width.value, piece.height.value, units, true)}`),
    ...(adhesive === 'brought' ? ['Tape, foam and glue'] : []),
    ...(kit.pieces.some(({ level }) => level === 'uncut' || level === 'brought')
      ? ['Paper trimmer, or knife, steel ruler and mat']
      : []),
    ...(isScored ? ['Scoring board or bone tool'] : []),
    ...tools,
  ]
}

/** What the works that are left of a kit are done with, each once. */
export const toolsFor = (left: readonly Pick<StepLeft, 'step'>[]): string[] => [...new Set(left.flatMap(({ step }) => {
  if (!step?.work || step.work.by === 'instructor') return []
  const { tool, using } = techniqueOf(step.work.technique)
  const own = step.work.using === '' ? using : step.work.using
  return [capitalised(own.replace(/^the /, '')), ...(tool ? [TOOL_WORDS[tool]] : [])]
}))]
const TOOL_WORDS: Record<SharedTool, string> = {
  'machine': 'Machine for dies and folders', 'heat tool': 'Heat tool, tweezers and a mat that bears heat',
}

/** What lies in a kit's bag. */
function inTheBag(kit: PackedKit, profile: ProfileEntry, units: Units): string[] {
  const extras = kit.card.construction?.extras ?? []
  return [
    ...lyingPieces(kit)
      .filter(({ level }) => level !== 'assembled')
      .map(({ piece, count, paper, level }) =>
        [
          `${count} × ${piece.name}`, typesetSize(piece.width.value, piece.height.value, units, true),
          ...(paper ? [paper.name] : []),
          ...stateInWords(piece, level),
          ...(scoresLeft(paper, piece) < piece.scores.length ? ['comes folded'] : []),
        ].join(', ')),
    ...kit.strips.map(strip => [
      `1 × ${stripName(strip)}`,
      typesetSize(strip.width, strip.height, units, true),
      strip.paper.name,
      LEVEL_WORDS.uncut,
    ].join(', ')),
    ...extras.map(extra => extraInWords(extra, units)),
    ...(profile.adhesive === 'in the bag'
      ? ['Tape and foam']
      : profile.adhesive === 'precut'
        ? ['Tape and foam, cut ready']
        : []),
  ]
}

const headed = (head: string, items: string[], mark: 'box' | 'dot' | 'number'): PrintBlock[] =>
  (items.length > 0 ? [{ kind: 'text', strong: true, text: head }, { kind: 'list', mark, items }] : [])

/** A step with its number, its caution and its drawings. */
function stepBlocks(card: PreparedCard, { at, text, warning }: StepLeft, index: number, units: Units): PrintBlock[] {
  const drawings = at === undefined ? [] : drawingsOf(card, at, units)
  return [
    { kind: 'text', text: `${index + 1}. ${typesetText(inUnits(text, units))}` },
    ...(warning
      ? [{ kind: 'text' as const, strong: true, text: `Mind: ${typesetText(inUnits(warning, units))}` }]
      : []),
    ...(drawings.length > 0 ? [{ kind: 'drawings' as const, drawings }] : []),
  ]
}

/**
 * The hand-out of one kit: the finished card, what is in the bag, what to bring, every step with its drawings, and the
 * folded stages.
 * @param bag whose it is, for what lies on the table or is brought, and whether they are not in the room
 */
export function handoutSection(
  kit: PackedKit, { profile, isAway }: Pick<Bag, 'profile' | 'isAway'>, units: Units,
): PrintSection[] {
  const { card: { construction, entry }, card, colourway } = kit
  const fold = foldById(entry.fold)
  if (!construction || !fold) return []
  const { width, height } = construction.finished
  const stage = (opening: number, words: string) => cardDrawing(construction, opening, fold.view, words, STAGE)
  const left = stepsLeft(kit, units)
  const tools = toolsFor(left)
  const onTheTables = [
    ...(profile.adhesive === 'on the table' && !isAway ? ['Tape, foam and glue'] : []), ...(isAway ? [] : tools),
  ]
  const setUp = headed('To set it up', construction.setUp.map(typesetText), 'number')
  return [{
    heading: `${entry.title}${colourway ? `, ${colourway.name}` : ''}`,
    page: true,
    blocks: [
      {
        kind: 'side by side',
        cells: [
          [
            { kind: 'drawings', drawings: [cardDrawing(construction, 0.75, fold.view, 'When it is done', PICTURE)] },
            { kind: 'text', text: `Closed ${typesetSize(width.value, height.value, units, true)}.` },
          ],
          [
            ...headed('In your bag', inTheBag(kit, profile, units), 'box'),
            ...headed('On the tables', onTheTables, 'dot'),
            ...headed('You bring', broughtAlong(kit, profile, units, isAway ? tools : []), 'dot'),
          ],
        ],
      },
      ...(entry.note === '' ? [] : [{ kind: 'text' as const, text: typesetText(entry.note) }]),
      {
        kind: 'side by side',
        cells: left.map((step, index) => stepBlocks(card, step, index, units)),
      },
      {
        kind: 'together',
        blocks: [
          { kind: 'text', strong: true, text: 'How it moves' },
          { kind: 'drawings', drawings: [stage(0, 'Closed'), stage(0.5, 'Half open'), stage(1, 'On display')] },
        ],
      },
      ...(setUp.length > 0 ? [{ kind: 'together' as const, blocks: setUp }] : []),
      { kind: 'text',
        text: 'Hatched: glue here. Crossed: never glue here. Grey: the piece that comes. ▲ top: this edge of the print is up.',
      },
      { kind: 'drawings', drawings: [drawing('Notes', 500, 64, [rectangle(0.5, 0.5, 499, 63, 0.4)])] },
    ],
  }]
}
