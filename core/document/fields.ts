import type { Units } from '../lengths'
import type { TechniqueKey } from '../making'
import { TECHNIQUE_KEYS, techniqueOf } from '../making'
import { BOUNDS } from './bounds'
import { OFFCUT_WORTHS, PACK_COUNTS, PRINTER_PAPERS, PRIORITIES, WAYS_OF_WORKING } from './vocabulary'

/*
 * Fields of the document in tables: what each is called, what it may hold, and what it is by itself. Shapes, forms,
 * what a new class starts with, the schema and the page about files come from here.
 */

interface Named {
  /** As a form says it. */
  name: string
  /** What a name does not say. */
  help?: string
}

export type Field = Named & (
  | { kind: 'length', natural: string | Record<Units, string>, zero?: true }
  /** A number of something, with so many digits behind the point. */
  | { kind: 'number', natural: number, least: number, most: number, of: string, decimals: number }
  | { kind: 'whole', natural: number, least: number, most: number }
  /** A whole number from one on; `null` where nothing is limited. */
  | { kind: 'limit', natural: number | null, most: number }
  | { kind: 'money', natural: number, most: number }
  | {
    kind: 'choice'
    natural: string | Record<Units, string>
    of: readonly string[]
    words: Readonly<Record<string, string>>
  }
  | { kind: 'currency', natural: string }
  | { kind: 'yes or no', natural: boolean }
)
export type Fields = Readonly<Record<string, Field>>

/** What a field holds. */
export type ValueOf<F extends Field>
  = F extends { kind: 'choice', of: readonly (infer Word)[] } ? Word
    : F extends { kind: 'limit' } ? number | null
      : F extends { kind: 'yes or no' } ? boolean
        : F extends { kind: 'length' | 'currency' } ? string : number
export type ValuesOf<Table extends Fields> = { -readonly [key in keyof Table]: ValueOf<Table[key]> }

/** What fields hold by themselves. */
export const naturalOf = <const Table extends Fields>(table: Table, units: Units): ValuesOf<Table> =>
  Object.fromEntries(Object.entries(table).map(([key, { natural }]) =>
    [key, typeof natural === 'object' && natural !== null ? natural[units] : natural])) as ValuesOf<Table>

const table = <const Table extends Fields>(of: Table): Table => of

/** @param natural seconds */
const seconds = <const Natural extends number>(name: string, natural: Natural) =>
  ({ kind: 'number', name, natural, least: 0, most: BOUNDS.seconds, of: 'seconds', decimals: 1 }) as const
const money = (name: string, natural: number) => ({ kind: 'money', name, natural, most: BOUNDS.cents }) as const
const limit = (name: string) => ({ kind: 'limit', name, natural: null, most: BOUNDS.limit }) as const
const length = (name: string, natural: string | Record<Units, string>) => ({ kind: 'length', name, natural }) as const
const lengthFromZero = (name: string, natural: string | Record<Units, string>) =>
  ({ ...length(name, natural), zero: true }) as const

/** Seconds for each action at the trimmer. */
export const PACE = table({
  setting: { ...seconds('Seconds to set the fence', 25), help: 'moving it and reading it twice' },
  stroke: seconds('Seconds for one cut', 4),
  handling: {
    ...seconds('Seconds to take up a stack', 8), help: 'and to square it; half of it where the stack is in hand still',
  },
  turning: seconds('Seconds to turn a stack', 3),
  aside: seconds('Seconds to put a stack aside and find it', 10),
  beside: { ...seconds('Seconds more for each other stack', 2), help: 'of those that lie on the table' },
  reading: { ...seconds('Seconds to read a layout', 30), help: 'for the first time' },
})

/** Seconds for what is done to pieces beside cutting. */
export const PREP_PACE = table({
  score: seconds('A score', 12),
  dieCut: seconds('Die cutting', 30),
  stamp: seconds('Stamping', 25),
  assemble: { ...seconds('Putting on', 40), help: 'one piece' },
  stick: { ...seconds('Tape for a piece', 15), help: 'cutting it, or counting the foam' },
  pack: seconds('Packing a piece', 4),
})

/** Who makes the cards in the evening, and what they share. */
export const EVENING = table({
  machines: {
    kind: 'whole', name: 'Machines for dies and folders', natural: 1, least: 1, most: BOUNDS.tools,
  },
  heatTools: { kind: 'whole', name: 'Heat tools', natural: 1, least: 1, most: BOUNDS.tools },
  spread: {
    kind: 'whole', name: 'The slowest takes longer, by %', natural: 35, least: 0, most: 100,
    help: 'than most, and the quickest is quicker by as much',
  },
  showing: { kind: 'whole', name: 'Minutes to show each card', natural: 4, least: 0, most: 120 },
  share: {
    kind: 'whole', name: 'Your time, % of a student’s', natural: 60, least: 10, most: 200,
    help: 'doing the same for all bags in a row',
  },
})

const forTechniques = <Made>(of: (key: TechniqueKey) => Made): Record<TechniqueKey, Made> =>
  Object.fromEntries(TECHNIQUE_KEYS.map(key => [key, of(key)])) as Record<TechniqueKey, Made>

/** Seconds that most students take for what is done to a card; of a technique for one piece or impression. */
export const HANDS = table({
  reading: seconds('To read a step and find its pieces', 40),
  cutting: seconds('To cut a piece', 90),
  scoring: seconds('To score and fold once', 45),
  slitting: seconds('To cut a slit or a window', 90),
  putting: seconds('To put a piece on', 90),
  ...forTechniques(key => seconds<number>(techniqueOf(key).name, techniqueOf(key).minutes * 60)),
})

/** Seconds before what was done may be touched, folded or covered. */
export const DRYING = table({
  'wet glue': seconds('Wet glue, drying', 120),
  ...forTechniques(key => seconds<number>(`${techniqueOf(key).name}, drying`, techniqueOf(key).waiting * 60)),
})

/** The trimmer and the scoring board, beside the pace at the trimmer. */
export const TOOLS = table({
  trimmer: length('Longest cut', { inch: '12 in', metric: '310 mm' }),
  smallestPiece: lengthFromZero('Narrowest safe piece', { inch: '1/2 in', metric: '12 mm' }),
  squaring: lengthFromZero('Trimmed off each edge first', { inch: '0 in', metric: '0 mm' }),
  kerf: lengthFromZero('Lost at every cut', { inch: '0 in', metric: '0 mm' }),
  offcutShort: length('Offcut worth keeping: short side', { inch: '2 in', metric: '50 mm' }),
  offcutLong: length('Offcut worth keeping: long side', { inch: '4 in', metric: '100 mm' }),
  mark: length('Smallest mark', { inch: '1/16 in', metric: '1 mm' }),
  board: length('Marks of your scoring board', { inch: '1/16 in', metric: '1 mm' }),
  stack: { kind: 'whole', name: 'Sheets in one stack', natural: 4, least: 1, most: BOUNDS.stack },
})

/** What the cutting of a class is to be like. */
export const WISHES = table({
  priority: {
    kind: 'choice', name: 'What counts most', natural: 'balanced', of: PRIORITIES,
    words: { balanced: 'Balanced', sheets: 'Fewest sheets', easy: 'Easy to cut', money: 'Least money' },
  },
  working: {
    kind: 'choice', name: 'Sheets are cut', natural: 'as it pays', of: WAYS_OF_WORKING,
    words: {
      'as it pays': 'Whichever is quickest',
      'sheet by sheet': 'One layout after the other',
      'all together': 'All layouts together',
      'few strips': 'Few strips lying about',
    },
  },
  mostPiles: limit('Most piles of strips waiting'),
  mostLayouts: limit('Most layouts of a paper'),
  mostStages: limit('Most changes of direction on a sheet'),
  leastStrip: { ...lengthFromZero('Narrowest strip', '0 in'), help: 'the least that may come off a sheet' },
  offcutsFirst: {
    kind: 'yes or no',
    name: 'Use up offcuts before opening sheets',
    natural: false,
    help: 'even where that saves no sheet',
  },
  together: {
    kind: 'yes or no',
    name: 'Cut papers together',
    natural: true,
    help: 'in one stack where they are cut alike, with layouts chosen to match',
  },
  sittings: {
    kind: 'whole', name: 'In how many sittings', natural: 1, least: 1, most: BOUNDS.sittings,
    help: 'evenings, or people with a trimmer each: every paper is cut in one of them',
  },
})

/** The money of a class beside what things cost. */
export const PRICES = table({
  currency: { kind: 'currency', name: 'Currency', natural: 'EUR' },
  hour: money('An hour of yours', 1200),
  venue: money('The room', 0),
  seat: money('A seat pays', 0),
  packs: {
    kind: 'choice', name: 'Packs count', natural: 'share', of: PACK_COUNTS,
    words: { share: 'by what is used', whole: 'whole once opened' },
  },
  offcuts: {
    kind: 'choice', name: 'What is left of sheets', natural: 'nothing', of: OFFCUT_WORTHS,
    words: { 'nothing': 'is worth nothing', 'by area': 'is worth its share' },
  },
})

/** How thick a card comes out and how long the post takes, beside envelopes and rates. */
export const POSTING = table({
  foam: lengthFromZero('Height of a foam pad', '1.5 mm'),
  bulk: {
    kind: 'number', name: 'Thickness for its weight (bulk), cm³ per gram', natural: 1.25, ...BOUNDS.bulk,
    of: 'cubic centimetres per gram', decimals: 2,
  },
  days: { kind: 'whole', name: 'Days that the post takes', natural: 4, least: 0, most: BOUNDS.postDays },
})

/**
 * Labels on a sheet of them: so many across and down, their size, where the first one begins and what lies between
 * them.
 */
export const LABELS = table({
  paper: {
    kind: 'choice', name: 'Paper', natural: { inch: 'LETTER', metric: 'A4' }, of: PRINTER_PAPERS,
    words: { LETTER: 'Letter', A4: 'A4' },
  },
  columns: { kind: 'whole', name: 'Across', natural: 2, least: 1, most: BOUNDS.labels },
  rows: { kind: 'whole', name: 'Down', natural: 5, least: 1, most: BOUNDS.labels },
  width: length('Width', { inch: '4 in', metric: '105 mm' }),
  height: length('Height', { inch: '2 in', metric: '57 mm' }),
  left: lengthFromZero('From the left', { inch: '1/4 in', metric: '0 mm' }),
  top: lengthFromZero('From the top', { inch: '1/2 in', metric: '6 mm' }),
  across: lengthFromZero('Gap across', { inch: '0 in', metric: '0 mm' }),
  down: lengthFromZero('Gap down', { inch: '0 in', metric: '0 mm' }),
})

/** All tables, by where they stand in a file, with the shapes that have them. */
export const FIELDS = {
  'tools': { shape: 'ToolsEntry', table: TOOLS },
  'tools.pace': { shape: 'PaceEntry', table: PACE },
  'wishes': { shape: 'WishesEntry', table: WISHES },
  'prices': { shape: 'PricesEntry', table: PRICES },
  'post': { shape: 'PostEntry', table: POSTING },
  'prep.pace': { shape: 'PrepPaceEntry', table: PREP_PACE },
  'evening': { shape: 'EveningEntry', table: EVENING },
  'evening.hands': { shape: 'HandsEntry', table: HANDS },
  'evening.drying': { shape: 'DryingEntry', table: DRYING },
  'labels': { shape: 'LabelsEntry', table: LABELS },
} as const satisfies Record<string, { shape: string, table: Fields }>

/** The field that stands at a path of a class, where a table has it. */
export function fieldAt(path: readonly string[]): Field | undefined {
  const tables: Readonly<Record<string, { table: Fields } | undefined>> = FIELDS
  const key = path.at(-1) ?? ''
  const fields = tables[path.slice(0, -1).join('.')]?.table
  return fields && Object.hasOwn(fields, key) ? fields[key] : undefined
}
