import { DRYING, EVENING, HANDS, LABELS, PACE, PREP_PACE, PRICES, POSTING, TOOLS, WISHES, naturalOf } from './fields'
import { RULES, forRules } from './rules'
import type { Units } from '../lengths'
import type {
  CardEntry,
  ClassDetails,
  ClassDocument,
  CuttingEntry,
  DressingEntry,
  EveningEntry,
  GlueEntry,
  LabelsEntry,
  PaperEntry,
  PostEntry,
  PrepEntry,
  PricesEntry,
  SeatEntry,
  SharingEntry, StudioSettings,
  SupplyEntry, ToolsEntry,
} from './shapes'
import { isSame } from './patches'
import { VERSION } from './version'
import { ANY_SCRAP, POST_PROFILE, ROOM_PROFILE, isPool, paperOfSide } from './vocabulary'

/** Livelier cards and bags that differ where that costs little; a sheet weighs 100. */
export const DEFAULT_SHARING: SharingEntry = {
  ...forRules(rule => ({ ...RULES[rule].natural })),
  surplus: 0,
}

/** A paper of which nothing is known but what it looks like: alike on both sides and good for everything. */
export const plainPaper = (
  known: Pick<PaperEntry, 'key' | 'name' | 'kind' | 'weight' | 'colour'> & Partial<PaperEntry>,
): PaperEntry => {
  const { motif = 'plain', scale = 'middle', upright = false } = known
  return {
    article: '', where: '', link: '', note: '', family: '', standsIn: [], thick: '0 mm', coating: 'uncoated',
    core: 'dyed', motif, scale, upright, grain: 'any', folded: 'flat', pictures: [], stocks: [], offcuts: [], holds: [],
    back: { differs: false, name: '', colour: known.colour, motif, scale, upright },
    ...known,
  }
}

/** A card that is the same for everybody: one choice of papers, for every bag. */
export const SAME_FOR_ALL: Pick<CardEntry, 'colourways' | 'insteadOf' | 'bags'> = {
  colourways: [], insteadOf: '', bags: [],
}

/** Nothing is put on a card otherwise than the catalogue has it. */
export const NO_DRESSING: DressingEntry = { faces: [], free: [], parts: [], steps: [], note: '' }

/** What is put on a card, and how that is told, without anything else of it. */
export const dressingIn = ({ faces, free, parts, steps, note }: DressingEntry): DressingEntry =>
  ({ faces, free, parts, steps, note })

/** A card as the catalogue has its fold, with no paper chosen. */
export const bareCard = (key: string, title: string, fold: string): CardEntry => ({
  key,
  title,
  fold,
  kits: null,
  parameters: {},
  papers: {},
  ...structuredClone(SAME_FOR_ALL),
  pictures: {},
  envelope: '',
  ...structuredClone(NO_DRESSING),
})

/** Nothing is wished, kept, cut or spoiled of a paper. */
export const newCutting = (paper: string): CuttingEntry => ({
  paper, priority: null, moreSheets: null, without: [], also: [], apart: false, layouts: [], spoiled: [], miscut: [],
})

/** Nothing particular about a bag. */
export const newSeat = (key: string): SeatEntry => ({
  key,
  name: '',
  colourways: {},
  prints: {},
  profile: '',
  leftHanded: false,
  online: false,
  paid: false,
  packed: false,
  notes: '',
})

const toolsOf = (units: Units): ToolsEntry => ({ ...naturalOf(TOOLS, units), pace: naturalOf(PACE, units) })
export const DEFAULT_TOOLS: Record<Units, ToolsEntry> = { inch: toolsOf('inch'), metric: toolsOf('metric') }

export const DEFAULT_PRICES: PricesEntry = naturalOf(PRICES, 'inch')

const supply = (
  entry: Pick<SupplyEntry, 'key' | 'name' | 'use' | 'pack' | 'price'> & Partial<SupplyEntry>,
): SupplyEntry => ({
  of: '', way: 'outline', onHand: 0, weight: 0, ...entry,
})

/**
 * What holds cards together and what they go into. Packs and prices are made up; the maker puts in what is in the
 * drawer.
 */
export const DEFAULT_SUPPLIES: SupplyEntry[] = [
  supply({ key: 'tape', name: 'Tape', use: 'tape', pack: 10, price: 90, weight: 0.5 }),
  supply({ key: 'strong-tape', name: 'Strong tape', use: 'strong tape', pack: 10, price: 200, weight: 1 }),
  supply({ key: 'wet-glue', name: 'Wet glue', use: 'glue', pack: 50, price: 350, weight: 0.3 }),
  supply({ key: 'foam-pads', name: 'Foam pads', use: 'foam', way: 'full area', pack: 100, price: 200, weight: 0.02 }),
  supply({ key: 'glue-dots', name: 'Glue dots', use: 'dot', way: 'corners', pack: 100, price: 250, weight: 0.05 }),
  supply({
    key: 'hook-and-loop-dot', name: 'Hook-and-loop dots', use: 'thing', way: 'corners', pack: 50, price: 400,
    weight: 0.2,
  }),
  supply({ key: 'bags', name: 'Clear bags', use: 'bag', pack: 50, price: 300, weight: 3 }),
  supply({ key: 'labels', name: 'Labels', use: 'label', pack: 200, price: 250, weight: 0.3 }),
]

/** Labels that are halves of a sheet across and fifths of it down. */
export const DEFAULT_LABELS: Record<Units, LabelsEntry> = {
  inch: naturalOf(LABELS, 'inch'), metric: naturalOf(LABELS, 'metric'),
}

/** The usual ways to make pieces ready. What a profile does not name is cut. */
export const DEFAULT_PREP: PrepEntry = {
  usual: '',
  profiles: [
    { key: ROOM_PROFILE, name: 'In the room', levels: {}, more: {}, adhesive: 'on the table' },
    {
      key: POST_PROFILE,
      name: 'By post or online',
      levels: { base: 'scored', insert: 'scored', hidden: 'scored' },
      more: {},
      adhesive: 'in the bag',
    },
    {
      key: 'children',
      name: 'Children',
      levels: { base: 'scored', insert: 'scored', hidden: 'assembled', underlay: 'assembled', figure: 'die cut' },
      more: { message: 1 },
      adhesive: 'precut',
    },
    {
      key: 'own-stash', name: 'Own stash', levels: { base: 'scored', insert: 'scored', mat: 'brought' }, more: {},
      adhesive: 'brought',
    },
  ],
  pace: naturalOf(PREP_PACE, 'inch'),
}

export const DEFAULT_EVENING: EveningEntry = {
  ...naturalOf(EVENING, 'inch'), hands: naturalOf(HANDS, 'inch'), drying: naturalOf(DRYING, 'inch'),
}

export const DEFAULT_POST: PostEntry = {
  ...naturalOf(POSTING, 'inch'),
  envelopes: [
    { key: 'small', name: 'Small envelope', width: '4 3/8 in', height: '5 3/4 in' },
    { key: 'half-sheet', name: 'Half sheet envelope', width: '5 3/4 in', height: '8 3/4 in' },
    { key: 'square', name: 'Square envelope', width: '6 1/4 in', height: '6 1/4 in' },
    { key: 'a6', name: 'A6 envelope', width: '114 mm', height: '162 mm' },
    { key: 'a5', name: 'A5 envelope', width: '162 mm', height: '229 mm' },
    { key: 'long', name: 'Long envelope', width: '110 mm', height: '220 mm' },
  ],
  rates: [
    {
      key: 'flat-letter', name: 'Flat letter', width: '165 mm', height: '240 mm', thickness: '5 mm', weight: 100,
      price: 110,
    },
    {
      key: 'thick-letter', name: 'Thick letter', width: '250 mm', height: '353 mm', thickness: '25 mm', weight: 500,
      price: 290,
    },
    {
      key: 'small-parcel', name: 'Small parcel', width: '350 mm', height: '450 mm', thickness: '160 mm', weight: 2000,
      price: 540,
    },
  ],
}

/** What a studio starts with that has set nothing. */
export const DEFAULT_SETTINGS: StudioSettings = {
  units: 'inch',
  tools: DEFAULT_TOOLS,
  prices: { ...DEFAULT_PRICES, currency: 'USD' },
  post: DEFAULT_POST,
  supplies: DEFAULT_SUPPLIES,
  evening: DEFAULT_EVENING,
}

/** A class with nothing in it yet, with the tools, prices and envelopes of its studio. */
export function newClass(
  details: Partial<ClassDetails> & Pick<ClassDetails, 'title' | 'date' | 'units'>,
  { tools, prices, post, supplies, evening }: StudioSettings = DEFAULT_SETTINGS,
): ClassDocument {
  return {
    version: VERSION,
    class: { seats: 12, spares: 2, starts: '', lasts: 180, place: '', delivery: 'in person', notes: '', ...details },
    cards: [],
    pools: [],
    sharing: structuredClone(DEFAULT_SHARING),
    roster: [],
    prep: structuredClone(DEFAULT_PREP),
    evening: structuredClone(evening),
    supplies: structuredClone(supplies),
    shopping: [],
    tools: structuredClone(tools[details.units]),
    // Paper and time weighed in money, and nothing limited.
    wishes: naturalOf(WISHES, details.units),
    cutting: [],
    prices: { ...prices },
    post: structuredClone(post),
    labels: { ...DEFAULT_LABELS[details.units] },
  }
}

/** The same class again on another day: the wishes stay, but nothing is cut yet. */
export function copyOf(document: ClassDocument, details: Pick<ClassDetails, 'title' | 'date'>): ClassDocument {
  const cutting = document.cutting
    .map(entry => ({ ...entry, layouts: [], spoiled: [], miscut: [] }))
    .filter(
      ({ priority, moreSheets, without, also, apart }) =>
        priority !== null || moreSheets !== null || apart || without.length + also.length > 0,
    )
  // Those who came last time need not come again; how the bags were filled has no meaning without them.
  // Where things are bought is worth keeping; what was ordered has come.
  const shopping = document.shopping.filter(({ where }) => where !== '').map(line => ({ ...line, ordered: 0 }))
  return { ...document, class: { ...document.class, ...details }, cutting, roster: [], shopping }
}

/** Glue up to every edge. */
export const ALL_GLUED: GlueEntry = { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }

/** Keys of the papers that a class names, for pieces or in its pools, whichever side of them. */
export const namedPapers = ({ cards, pools }: Pick<ClassDocument, 'cards' | 'pools'>): string[] => [
  ...new Set([
    ...cards.flatMap(card => choicesOf(card).map(({ paper }) => paperOfSide(paper))),
    ...pools.flatMap(({ papers }) => papers.map(paperOfSide)),
  ]),
].filter(key => key !== ANY_SCRAP && !isPool(key))

/** How many kits of a card are made: one to each bag unless it says otherwise. */
export const kitsOf = (
  card: CardEntry,
  { class: { seats, spares }, sharing: { surplus } }: Pick<ClassDocument, 'class' | 'sharing'>,
): number => card.kits ?? seats + spares + surplus

/** A card with every choice of papers of it and of its colourways changed. */
export function withChoices(
  card: CardEntry, change: (papers: Record<string, string>) => Record<string, string>,
): CardEntry {
  return {
    ...card, papers: change(card.papers),
    colourways: card.colourways.map(one => ({ ...one, papers: change(one.papers) })),
  }
}

/** A paper that a card says a part is of. */
interface Choice {
  part: string
  /** Key of a paper or of a pool. */
  paper: string
  /** Where in the card that stands. */
  path: string
}

/** All that a card and its colourways say of papers. */
export const choicesOf = ({ papers, colourways }: Pick<CardEntry, 'papers' | 'colourways'>): Choice[] => [
  ...Object.entries(papers).map(([part, paper]) => ({ part, paper, path: `papers.${part}` })),
  ...colourways.flatMap((one, at) =>
    Object.entries(one.papers).map(([part, paper]) => ({ part, paper, path: `colourways[${at}].papers.${part}` }))),
]

/** A class without the names of its students and what is noted about them, as it is handed to others; wishes stay. */
export const withoutNames = <T extends Pick<ClassDocument, 'roster'>>(document: T): T =>
  ({ ...document, roster: document.roster.map(seat => ({ ...seat, name: '', notes: '', paid: false })).filter(
    seat => !isSame(seat, newSeat(seat.key))) })
