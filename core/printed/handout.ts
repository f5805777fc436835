import type { PreparedCard } from '../batch'
import type { Bag, PackedKit } from '../kits'
import { LEVEL_WORDS, isCutReady, scoresLeft, stripInWords, stripName } from '../batch'
import { broughtPieces, lyingPieces, extraInWords } from '../kits'
import type { PrepLevel, ProfileEntry } from '../document'
import type { Step } from '../folds'
import { wayUp } from '../dressing'
import { cardAfter, foldById, layerWords } from '../folds'
import type { Units } from '../lengths'
import { formatLength, formatSize, parseLength } from '../lengths'
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

const IS_SCORED: ReadonlySet<PrepLevel> = new Set(['scored', 'die cut', 'stamped', 'assembled'])

/**
 * A step as it is left to do, by how far what is worked on in it is made ready.
 * @param folded what is worked on and has creases, by key
 * @param bought what of it comes folded and has no other score
 */
function leftOf(
  step: Step, folded: string[], levels: ReadonlyMap<string, PrepLevel>, bought: ReadonlySet<string>,
  nameOf: (key: string) => string,
): Pick<Step, 'text' | 'warning'> {
  const names = (keys: string[]) => keys.map(nameOf).join(', ')
  const scored = folded.filter(key => bought.has(key) || IS_SCORED.has(levels.get(key) ?? 'cut'))
  const dies = folded.filter(key => levels.get(key) === 'die cut')
  if (!step.scored || scored.length === 0) return step
  const cut = dies.length > 0 ? `${names(dies)}: slits and windows are cut already. ` : ''
  if (scored.length < folded.length) return { ...step, text: `${names(scored)}: scored already. ${cut}${step.text}` }
  return { ...step.scored, text: `${cut}${step.scored.text}` }
}

/** Whether all that a step does is done already: what it puts on is put on, and it makes nothing. */
const isDone = ({ puts, makes }: Step, levels: ReadonlyMap<string, PrepLevel>): boolean =>
  puts.length > 0 && makes.every(key => puts.includes(key)) && puts.every(key => levels.get(key) === 'assembled')

/**
 * Whether a work is done before the bag is handed out: by whoever prepares the class, or as its piece is made ready.
 */
function isDoneBefore({ work, works = [] }: Step, levels: ReadonlyMap<string, PrepLevel>): boolean {
  if (!work || work.by === 'student') return false
  if (work.by === 'instructor') return true
  const level = levels.get(works[0] ?? '')
  return level === 'assembled' || level === 'stamped' || (level === 'die cut' && CUT_AWAY.has(work.technique))
}
const CUT_AWAY: ReadonlySet<string> = new Set(['die cut', 'punch'])

/** The steps of a kit as they are left to whoever gets the bag. */
interface HandStep {
  /** Its place among the steps of the card; none for what comes before them. */
  at?: number
  text: string
  warning?: string
}

function stepsOf({ card, pieces, strips }: PackedKit, units: Units): HandStep[] {
  const { construction } = card
  if (!construction) return []
  const levels = new Map(pieces.map(({ piece, level }) => [piece.key, level]))
  const bought = new Set(pieces.flatMap(({ piece, paper }) =>
    (piece.scores.length > 0 && scoresLeft(paper, piece) === 0 ? [piece.key] : [])))
  const isPrint = (key: string) => pieces.some(({ piece, paper }) => piece.key === key && paper?.kind === 'print')
  const nameOf = (key: string) => construction.parts.find(part => part.key === key)?.name ?? key
  const uncut = strips.map(
    strip => `From the strip of ${strip.paper.name}: ${stripInWords(strip, card.pieces, units)}.`,
  )
  const brought = pieces.filter(({ level }) => level === 'brought').map(({ piece, count }) =>
    `${count} × ${piece.name} ${formatSize(piece.width.value, piece.height.value, units)}`,
  )
  let worked: string[] = []
  return [
    ...(uncut.length > 0 ? [{ text: `Cut your pieces. ${uncut.join(' ')}` }] : []),
    ...(brought.length > 0 ? [{ text: `Cut from your own paper: ${brought.join(', ')}.` }] : []),
    ...construction.steps.flatMap((step, at): HandStep[] => {
      const folded = step.makes.filter(key =>
        construction.parts.some(part => part.key === key && part.creases.length > 0),
      )
      if (folded.length > 0) worked = folded
      if (isDone(step, levels) || isDoneBefore(step, levels)) return []
      const ready = step.puts.filter(key => levels.get(key) === 'assembled')
      const already = ready.length > 0 ? `${ready.map(nameOf).join(', ')}: put on already. ` : ''
      if (step.lays) {
        const left = step.puts.filter(key => levels.get(key) !== 'assembled')
        const top = wayUp(construction, left.filter(isPrint), left.length)
        const words = [layerWords(construction, left, units, step.lays), top]
        return [{ at, text: `${already}${words.filter(Boolean).join(' ')}`, warning: step.warning }]
      }
      const { text, warning } = leftOf(step, worked, levels, bought, nameOf)
      return [{ at, text: `${already}${text}`, warning }]
    }),
  ]
}

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
function broughtAlong(kit: PackedKit, { adhesive }: ProfileEntry, units: Units): string[] {
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
  ]
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
          ...(level === 'cut' ? [] : [LEVEL_WORDS[level]]),
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
function stepBlocks(card: PreparedCard, { at, text, warning }: HandStep, index: number, units: Units): PrintBlock[] {
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
 * @param bag whose it is, for what lies on the table or is brought
 */
export function handoutSection(kit: PackedKit, { profile }: Pick<Bag, 'profile'>, units: Units): PrintSection[] {
  const { card: { construction, entry }, card, colourway } = kit
  const fold = foldById(entry.fold)
  if (!construction || !fold) return []
  const { width, height } = construction.finished
  const stage = (opening: number, words: string) => cardDrawing(construction, opening, fold.view, words, STAGE)
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
            ...headed('You bring', broughtAlong(kit, profile, units), 'dot'),
          ],
        ],
      },
      {
        kind: 'side by side',
        cells: stepsOf(kit, units).map((step, index) => stepBlocks(card, step, index, units)),
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
