/** The words that a document may hold where only some are allowed. Everything that reads one takes them from here. */

export const UNIT_SCHOOLS = ['inch', 'metric'] as const
export const DELIVERIES = ['in person', 'by post'] as const
/** What lies on the shelf: sheets of one paper, or a pad of several papers that is bought as a whole. */
export const PAPER_KINDS = ['cardstock', 'print', 'pad'] as const

/** Where ink goes into a paper, or stands on it. */
export const COATINGS = ['uncoated', 'coated'] as const
/** Whether a paper is of its colour all through, or white within. */
export const CORES = ['dyed', 'white'] as const
/** How large the print of a paper is. */
export const SCALES = ['small', 'middle', 'large'] as const
/** What colours a maker looks papers up by; nothing where that is not said. */
export const COLOUR_FAMILIES = [
  '', 'white', 'grey', 'black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'pink', 'metal', 'mixed',
] as const

/** Drawn patterns a print can be shown with on screen. */
export const MOTIFS = ['plain', 'shoal', 'lanterns', 'ripples', 'ropes', 'dots'] as const

/** Which way the fibres run on a sheet; `any` where it is not known or does not matter. */
export const GRAINS = ['any', 'width', 'height'] as const

/** Which side of a bought base its fold halves; flat where a sheet comes without any fold. */
export const FOLDED = ['flat', 'width', 'height'] as const

/** How a piece may lie on a sheet: width along the sheet's width, width along its height, or either. */
export const TURNS = ['as drawn', 'turned', 'either'] as const

/** What is cut from: fresh sheets, offcuts from the shelf, or what windows release. */
export const SUPPLY_KINDS = ['sheet', 'offcut', 'drop-out', 'miscut'] as const

/**
 * What counts most for the maker: paper and time together in money, the fewest sheets, the least time at the trimmer,
 * or the least money for paper.
 */
export const PRIORITIES = ['balanced', 'sheets', 'easy', 'money'] as const

/**
 * How sheets are cut: one layout after the other, all of them together, few strips lying about, or whichever takes
 * least time.
 */
export const WAYS_OF_WORKING = ['as it pays', 'sheet by sheet', 'all together', 'few strips'] as const

/** Shapes of what is put on a card: `like its face` follows the outline of what it lies on. */
export const LAYER_SHAPES = ['like its face', 'rectangle', 'rounded', 'oval'] as const
export const FREE_SHAPES = ['rectangle', 'rounded', 'oval', 'outline'] as const

/** How what is put on a card is held; `loose` lies there unglued. */
export const HOLDS = ['tape', 'strong tape', 'glue', 'dots', 'foam', 'loose'] as const

/** What a work shows, and who does it. */
export const WORK_SHOWS = ['motif', 'wording'] as const
export const WORK_BY = ['either', 'instructor', 'student'] as const

/** What a free piece is for. Liners and flap strips dress an envelope; ribbons and solids are bought, not cut. */
export const FREE_KINDS = [
  'topper', 'sentiment', 'figure', 'strip', 'ring', 'insert', 'liner', 'flap strip', 'ribbon', 'solid',
] as const

/** How firmly a rule for sharing prints out is held: it must be kept, it is a wish with a weight, or nobody minds. */
export const RULE_HOLDS = ['must', 'wish', 'free'] as const

/** Which edge of a piece the top of a print must meet; `any` where it does not matter. */
export const PRINT_TOPS = ['any', 'top', 'right', 'bottom', 'left'] as const

/** What a supply is for: it holds pieces together, is a thing that a card names, or goes with each card or bag. */
export const SUPPLY_USES = [
  'tape', 'strong tape', 'glue', 'foam', 'dot', 'thing', 'thing by length', 'envelope', 'bag', 'label',
] as const

/** How makers stick: all round the edge, two strips, over the whole area, or at the corners only. */
export const STICKING_WAYS = ['outline', 'two strips', 'full area', 'corners'] as const

/**
 * How far a piece is made ready: uncut paper goes along as a strip, and what is brought does not come from the maker at
 * all.
 */
export const PREP_LEVELS = ['uncut', 'cut', 'scored', 'die cut', 'stamped', 'assembled', 'brought'] as const

/** Profiles that are natural for how a class is held, where a bag has none of its own. */
export const ROOM_PROFILE = 'room'
export const POST_PROFILE = 'post'

/**
 * Where tape, foam and glue are found: on the table, a share in the bag, cut ready in the bag, or students bring their
 * own.
 */
export const ADHESIVES = ['on the table', 'in the bag', 'precut', 'brought'] as const

/** Packs count by what is used of them, or whole once they are opened. */
export const PACK_COUNTS = ['share', 'whole'] as const
/** What is left of sheets is worth its share by area, or nothing. */
export const OFFCUT_WORTHS = ['by area', 'nothing'] as const
/** Papers that a printer takes. */
export const PRINTER_PAPERS = ['LETTER', 'A4'] as const
export const SHOPPING_SORTS = ['paper', 'supply'] as const

/** Stands for a paper where a hidden part is cut from whatever is left over; no paper may have it as its key. */
export const ANY_SCRAP = 'any-scrap'

/** Keys of pools begin with it, so that a piece can be cut from a paper or from a pool; no paper's key may. */
export const POOL_PREFIX = 'pool--'

/** Names the other side of a paper: before its key. No paper's own key may begin with it. */
export const BACK_PREFIX = 'back--'

/** Keys of bags: those of seats, spare ones, and those that people choose from on the day. */
export const BAG_KEY = /^(seat|spare|choice)-[1-9]\d{0,2}$/

/** Whether the other side of a paper is meant. */
export const isBack = (key: string): boolean => key.startsWith(BACK_PREFIX)
/** The paper that is meant, whichever side of it is. */
export const paperOfSide = (key: string): string => (isBack(key) ? key.slice(BACK_PREFIX.length) : key)
/** How the other side of a paper is named. */
export const backOf = (key: string): string => `${BACK_PREFIX}${key}`

/** Whether a piece is said to be cut from a pool. */
export const isPool = (key: string): boolean => key.startsWith(POOL_PREFIX)

export type LayerShape = typeof LAYER_SHAPES[number]
export type FreeShape = typeof FREE_SHAPES[number]
export type Hold = typeof HOLDS[number]
export type WorkShows = typeof WORK_SHOWS[number]
export type WorkBy = typeof WORK_BY[number]
export type FreeKind = typeof FREE_KINDS[number]
export type RuleHold = typeof RULE_HOLDS[number]
export type SupplyUse = typeof SUPPLY_USES[number]
export type StickingWay = typeof STICKING_WAYS[number]
export type PrepLevel = typeof PREP_LEVELS[number]
export type Adhesive = typeof ADHESIVES[number]
export type PackCount = typeof PACK_COUNTS[number]
export type OffcutWorth = typeof OFFCUT_WORTHS[number]
export type PrinterPaper = typeof PRINTER_PAPERS[number]
export type ShoppingSort = typeof SHOPPING_SORTS[number]
export type PrintTop = typeof PRINT_TOPS[number]
export type Delivery = typeof DELIVERIES[number]
export type PaperKind = typeof PAPER_KINDS[number]
/** What pieces are cut from. */
export type SheetKind = Exclude<PaperKind, 'pad'>
export type Motif = typeof MOTIFS[number]
export type Coating = typeof COATINGS[number]
export type Core = typeof CORES[number]
export type Scale = typeof SCALES[number]
export type ColourFamily = typeof COLOUR_FAMILIES[number]
export type Folded = typeof FOLDED[number]
export type Grain = typeof GRAINS[number]
export type Turn = typeof TURNS[number]
export type SupplyKind = typeof SUPPLY_KINDS[number]
export type Priority = typeof PRIORITIES[number]
export type WayOfWorking = typeof WAYS_OF_WORKING[number]

/** A parameter of a fold as a class keeps it: lengths are text with unit. */
export type ParameterInput = string | boolean
export type ParameterInputs = Record<string, ParameterInput>
