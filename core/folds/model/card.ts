import type { PrintTop, WorkBy } from '../../document'
import { itemAt } from '../../lists'
import type { Length, Measure } from '../../lengths'
import type { TechniqueKey } from '../../making'
import type { SideWords } from './sides'

export type CreaseDirection = 'mountain' | 'valley'
/** Patterns are drawn inside face up; `outside` is the back of that drawing. */
export type Face = 'inside' | 'outside'
/** `underlay` is a plain layer under a mat, `hidden` a part nobody sees, which any scrap will do for. */
export type PartKind = 'base' | 'insert' | 'plate' | 'underlay' | 'mat' | 'message' | 'hidden' | 'figure'
/** The key of the plain layer under a mat. */
export const underlayKey = (mat: string): string => `${mat}-under`
/** Whether a part is a layer on a panel rather than a blank of its own. */
export const isLayer = (kind: PartKind): boolean => kind === 'mat' || kind === 'message' || kind === 'underlay'

/**
 * Whether a part is the maker's own, a layer on a face or a free piece, by its key, `base--left--inside--layer-1`;
 * parts of designs are never called so.
 */
export const isMakers = (key: string): boolean => key.includes('--')

/**
 * How a joint is made: tape along the edges of the glue zone, wet glue, foam pads spread over it, a hook-and-loop dot,
 * or not glued but held in a guide.
 */
export type Means = 'tape' | 'strong tape' | 'glue' | 'foam' | 'dot' | 'held'

/** A point on a part, from its lower left corner, in nanometres. */
export type Point = readonly [x: number, y: number]
/** The same with the arithmetic behind it. */
export interface Place {
  x: Measure
  y: Measure
}

export interface Panel {
  part: string
  key: string
  name: string
  /** Lower left corner of the box round it, from the lower left corner of the part. */
  x: Measure
  y: Measure
  width: Measure
  height: Measure
  /** Corners on the part, counter-clockwise, where the panel is not its whole box. */
  outline?: Point[]
  /** Openings in it that are no windows, such as the place a flap is cut from. */
  holes?: Point[][]
}

export interface Crease {
  /** The panels on its two sides. */
  between: [string, string]
  from: Place
  to: Place
  /** Which way it is measured: `x` from the left end, `y` from the lower end, `slant` by its two ends. */
  along: 'x' | 'y' | 'slant'
  direction: CreaseDirection
  /** Fold angle in degrees for each opening: 0 is flat, valley positive, mountain negative. */
  angle: (opening: number) => number
}

/**
 * Distance of a crease from the left end of its part, or from the lower end; for a slanting one that of its first end
 * from the left.
 */
export const creaseAt = ({ along, from }: Crease): Measure => (along === 'y' ? from.y : from.x)

/** A cut that stays inside the sheet. */
export interface Slit {
  from: Place
  to: Place
}

/** A slot has round ends. */
export type WindowShape = 'rectangle' | 'circle' | 'slot'

/** A cut-out of a panel; what it releases is a usable piece. */
export interface Window {
  key: string
  name: string
  panel: string
  shape: WindowShape
  /** Lower left corner of its box on the part. */
  x: Measure
  y: Measure
  width: Measure
  height: Measure
}

/** One flat blank of a card: panels between creases, slits and edges. */
export interface Part {
  key: string
  name: string
  kind: PartKind
  width: Measure
  height: Measure
  panels: Panel[]
  creases: Crease[]
  slits: Slit[]
  windows: Window[]
  /** Corners of the part where it is cut to another shape than its blank. */
  outline?: Point[]
  printTop: PrintTop
  /** How many of it a kit holds; one unless it says so. */
  count?: number
  /** What is done to it. */
  works?: PartWork[]
  /** Key of the part that it is cut out of, where it wants no paper of its own. */
  outOf?: string
  /** Grams per square metre above which its paper cracks or does not fold. */
  heaviest?: number
  /** Parts of one pair are cut side by side from one piece, so that a print runs on across them. */
  pair?: string
}

/** Something that is done to a part, and where on it. */
export interface PartWork {
  key: string
  /** Where it stands in the dressing of the card. */
  path: string
  technique: TechniqueKey
  /** A motif by its name or a wording; empty where it goes all over. */
  shows: string
  isWording: boolean
  using: string
  times: number
  by: WorkBy
  /** The panel it is on, where it is on one; and its side. */
  panel?: string
  side: Face
  /** From the lower left corner of the part, its inside up; nothing where it goes all over. */
  box?: { x: Length, y: Length, width: Length, height: Length }
  /** Degrees it is turned by, anticlockwise about its middle, seen from its own side. */
  turn: number
}

/** Where a part lies on a panel and which area of it is glued. */
export interface Joint {
  part: string
  /** The panel of the part that lies in the joint. */
  by: Panel
  onto: Panel
  /** The face of `onto` it lies on. */
  face: Face
  /** Whether the part's own inside lies down on that face instead of looking away from it. */
  faceDown: boolean
  /** Lower left corner of where `by` lies, from the lower left corner of `onto`, seen from the inside. */
  x: Measure
  y: Measure
  /**
   * Degrees by which `by` is turned counter-clockwise. Turned by right angles its box still starts at that corner; by
   * others it is turned about the middle of the box that it would fill unturned.
   */
  turned: number
  /** How far it has moved from there at each opening, where it slides. Nanometres. */
  slide?: (opening: number) => Point
  /** The glued area, from the lower left corner of the part. */
  glue: { x: Measure, y: Measure, width: Measure, height: Measure }
  means: Means
  /** Height of the foam it stands on, where that is not what the class uses. */
  foam?: Length
}

/** Something that is stuck although it has no joint: what is bought, and pieces that lie in the bag. */
export interface Stuck {
  means: Means
  foam?: Length
  width: Length
  height: Length
  count: number
}

export interface Step {
  /** What it is called within its card, whatever its sizes are: `make--base`, `put--plate`. */
  key: string
  /** Keys of the steps that come before it, as its design or its maker says; more follow from what lies where. */
  needs: string[]
  /** Where it comes as long as nothing that it needs is later. The steps of a design count from zero. */
  rank: number
  /** Empty until all layers are there, for a step that lays some. */
  text: string
  warning?: string
  /** What is left to do of it where its parts come scored already. */
  scored?: { text: string, warning?: string }
  /** Keys of the parts that are made ready in it: scored, cut to shape. */
  makes: string[]
  /** Keys of the parts that are put on in it. */
  puts: string[]
  /** Keys of the parts that something is done to in it while they are flat: stamped, coloured, cut out. */
  works?: string[]
  /** Keys of the parts that something is done to in it once they are on the card: tied, written on. */
  finishes?: string[]
  /** What is done in it, where it is a work. */
  work?: PartWork
  /** The maker's words for it, figures as fields; and the step that they have moved it behind. */
  said?: string
  after?: string
  /** One of the maker's own, with the seconds that it takes. */
  own?: { seconds: number }
  /** Whether it lays layers, and what the sides of their face are called: its words follow from them. */
  lays?: () => SideWords
}

export type Severity = 'stop' | 'warn' | 'note'

/** A parameter, or a figure of the dressing by its path, with the value that would be right. */
export interface Fix {
  parameter: string
  value: Length
  /** What has to change with it; without a value it becomes natural again. */
  also?: { parameter: string, value?: Length }[]
}

/** Something the maker should know before cutting, with the number that would be right. */
export interface Finding {
  severity: Severity
  subject: string
  problem: string
  /** What would put it right with one click. */
  fix?: Fix
  /** Key of the paper that does not suit the part, where it is about that. */
  paper?: string
  /** Another paper for the part that would suit it. */
  instead?: { paper: string, name: string }
  /** The other answer to a question: what is set so that it is not asked again. */
  keep?: { words: string, parameter: string, value: string }
  parameter?: string
  part?: string
  /** Where it is put right, when that is not on the card itself. */
  place?: 'papers'
}

/** Something that is bought and not cut, so much of it in a kit. */
export interface Extra {
  name: string
  count: number
  /** Of each, where it is bought by length. */
  length?: Length
}

/** An area to write or stamp on that stays visible. */
export interface MessageArea {
  where: string
  width: Measure
  height: Measure
  /** The side of a panel that is written on. */
  on?: { panel: Panel, side: Face }
}

/** A part that stands up to hold others, by their keys. */
export interface Stopper {
  part: string
  against: string[]
}

/** How far a moving part moves from closed to displayed. */
export interface Travel {
  part: string
  panel: string
  name: string
  distance: Measure
  /** The panel it moves along, where that moves itself. */
  against?: Panel
}

/** A card worked out from its parameters. */
export interface Construction {
  /** Closed card seen from its front. */
  finished: { width: Measure, height: Measure, depth?: Measure }
  parts: Part[]
  /** The panel that stays where it is while the card opens. */
  anchor: Panel
  joints: Joint[]
  steps: Step[]
  message?: MessageArea
  /** Others that are kept free to be written on, smaller than that. */
  alsoMessages?: MessageArea[]
  /** Areas for stamping, other than the message. */
  stamping: MessageArea[]
  travels: Travel[]
  /** What a kit holds besides paper, tape and foam. */
  extras: Extra[]
  /** What is stuck besides what joints say. */
  alsoStuck: Stuck[]
  stoppers: Stopper[]
  /** What lies on these panels is not to be seen while the card is closed. */
  hiding: Panel[]
  /** How whoever gets the card sets it up; nothing where it only has to be opened. */
  setUp: string[]
  findings: Finding[]
}

/** The single panel of a flat piece. */
export const face = ({ panels }: Part): Panel => itemAt(panels, 0)

/** A panel of a part by its key; designs only ask for panels they made. */
export function panelOf(part: Part, key: string): Panel {
  const found = part.panels.find(candidate => candidate.key === key)
  if (!found) throw new Error(`${part.name} has no panel “${key}”`)
  return found
}

/** Whether everything on a part has a size and lies on its blank; a drawing of anything else would be broken. */
export const isWhole = (part: Part): boolean =>
  part.width.value > 0
  && part.height.value > 0
  && part.panels.every(
    ({ x, y, width, height }) =>
      width.value > 0
      && height.value > 0
      && x.value >= 0
      && y.value >= 0
      && x.value + width.value <= part.width.value
      && y.value + height.value <= part.height.value,
  )
