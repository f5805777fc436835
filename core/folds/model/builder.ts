import { byKey, itemAt } from '../../lists'
import type { Length, Units } from '../../lengths'
import { LONGEST, Measure, downToMark, formatLength, upToMark } from '../../lengths'
import type { PrintTop } from '../../document'
import type {
  Construction, Crease, CreaseDirection, Extra, Face, Finding, Joint, Means, MessageArea, Panel, Part, PartKind, Place, Point, Severity,
  Step, Stopper, Travel, Window, WindowShape,
} from './card'
import { face, isLayer } from './card'
import { insetOn } from './inset'

export interface PanelEntry {
  key: string
  name: string
  width: Measure
}

/** An entry of a strip: a panel of some width. Creases stand between panels. */
export const panel = (key: string, name: string, width: Measure): PanelEntry => ({ key, name, width })

/** How a crease folds: its direction, and by how many degrees at each opening. */
export interface CreaseEntry {
  direction: CreaseDirection
  fold: (opening: number) => number
}

/** From `closed` degrees as mailed to `open` degrees on display, evenly. */
const evenly
  = (direction: CreaseDirection) =>
    (open: number, closed = 180): CreaseEntry => ({ direction, fold: opening => closed + (open - closed) * opening })
export const mountain = evenly('mountain')
export const valley = evenly('valley')
/** A crease whose fold follows a formula of its own. */
export const bent = (direction: CreaseDirection, fold: CreaseEntry['fold']): CreaseEntry => ({ direction, fold })

/** A crease that folds only while the opening passes from one share of the way to another: one part waits for the other. */
export const during = (from: number, to: number, { direction, fold }: CreaseEntry): CreaseEntry =>
  bent(direction, opening => fold(Math.max(0, Math.min(1, (opening - from) / (to - from)))))

interface Placing {
  key: string
  name: string
  kind?: PartKind
  face?: Face
  printTop?: PrintTop
  means?: Means
  pair?: string
}

interface Limit {
  subject: string
  value: Measure
  atLeast?: Measure
  atMost?: Measure
  because: string
  /** The parameter to change; with `right` where its right value is not the limit itself. */
  parameter: string
  right?: Measure
  /** Which way the right value is rounded to a mark, where it runs against the limit. */
  round?: 'up' | 'down'
  severity?: Severity
}

interface JoinOptions {
  x: Measure
  y?: Measure
  glue?: Partial<Joint['glue']>
  means?: Means
  faceDown?: boolean
  turned?: number
  slide?: Joint['slide']
}

/** A place on a sheet, from its lower left corner. */
export const at = (x: Measure, y: Measure): Place => ({ x, y })
/** A box on a sheet by its lower left corner and its size. */
export const box = (x: Measure, y: Measure, width: Measure, height: Measure): Pick<Panel, 'x' | 'y' | 'width' | 'height'> => ({
  x, y, width, height,
})
const corner = ({ x, y }: Place): Point => [x.value, y.value]

/** Goes into the bag with a card that has to be set up. */
const SLIP: Extra = { name: 'Slip: how to set it up', count: 1 }

/** Collects the parts of a card while its design describes them. Designs receive one; nobody else needs it. */
export class CardBuilder {
  private readonly parts: Part[] = []
  private readonly joints: Joint[] = []
  private readonly steps: Step[] = []
  private readonly findings: Finding[] = []
  private readonly travels: Travel[] = []
  private readonly stamping: MessageArea[] = []
  private readonly extras: Extra[] = []
  private readonly stoppers: Stopper[] = []
  private readonly hiding: Panel[] = []
  private readonly settingUp: string[] = []
  /** The plain lower layer of a mat by the key of the mat. */
  private readonly underlays = new Map<string, Part>()
  private messageArea?: MessageArea
  /** Parts that a step has put on, and how many parts were there at the last step. */
  private readonly told = new Set<string>()
  private made = 0

  /**
   * @param units the maker's school, for the words of findings
   * @param mark smallest mark of the maker's trimmer, which mats are rounded down to
   * @param mats whether every mat gets a plain mat one border larger under it, and what they are held with
   */
  constructor(
    readonly units: Units,
    readonly mark: Length,
    private readonly mats: { layered: boolean, means: Means } = { layered: false, means: 'tape' },
    /** The lengths that were typed, by the names of their parameters. */
    private readonly given: Record<string, { label: string, value: Length }> = {},
  ) {}

  /** A blank without panels yet; `area`, `crease`, `slit` and `window` say what becomes of it. */
  sheet(key: string, name: string, kind: PartKind, size: { width: Measure, height: Measure }, printTop: PrintTop = 'any'): Part {
    const part: Part = { key, name, kind, ...size, panels: [], creases: [], slits: [], windows: [], printTop }
    this.parts.push(part)
    return part
  }

  /** A panel of a sheet. */
  area(
    part: Part,
    key: string,
    name: string,
    box: Pick<Panel, 'x' | 'y' | 'width' | 'height'>,
    shape: { outline?: Place[], holes?: Place[][] } = {},
  ): Panel {
    const made: Panel = {
      part: part.key,
      key,
      name,
      ...box,
      width: box.width.named(name),
      outline: shape.outline?.map(corner),
      holes: shape.holes?.map(hole => hole.map(corner)),
    }
    part.panels.push(made)
    return made
  }

  /** A crease between two panels of a sheet, from one of its ends to the other. */
  crease(part: Part, between: [string, string], from: Place, to: Place, { direction, fold }: CreaseEntry): Crease {
    const along: Crease['along'] = from.x.value === to.x.value ? 'x' : from.y.value === to.y.value ? 'y' : 'slant'
    const sign = direction === 'valley' ? 1 : -1
    const crease: Crease = { between, from, to, along, direction, angle: opening => sign * fold(opening) }
    part.creases.push(crease)
    return crease
  }

  slit(part: Part, from: Place, to: Place): void {
    part.slits.push({ from, to })
  }

  /** Cuts a window into a panel; its box counts from the lower left corner of the panel. */
  window(
    onto: Panel,
    key: string,
    name: string,
    { shape = 'rectangle', x, y, width, height }: Omit<Window, 'key' | 'name' | 'panel' | 'shape'> & { shape?: WindowShape },
  ): void {
    this.partOf(onto).windows.push({ key, name, panel: onto.key, shape, x: onto.x.plus(x), y: onto.y.plus(y), width, height })
    const under = this.underlays.get(onto.part)
    if (!under) return
    const beside = (side: 'width' | 'height') => under[side].minus(onto[side]).half()
    this.window(face(under), key, name, { shape, x: x.plus(beside('width')), y: y.plus(beside('height')), width, height })
  }

  /** Cuts a part to a shape: corners counter-clockwise, from its lower left corner. A flat piece takes the shape as its only panel. */
  shape(part: Part, corners: Place[]): void {
    part.outline = corners.map(corner)
    if (part.panels.length === 1) this.shapePanel(face(part), corners)
  }

  /** Gives a panel another shape than its box: corners counter-clockwise, from the lower left corner of its part. */
  shapePanel(panel: Panel, corners: Place[]): void {
    panel.outline = corners.map(corner)
  }

  /**
   * A blank with parallel creases: panels with the crease between two of them, from left to right
   * or, `along` y, from bottom to top. `across` is the other side of the blank.
   */
  strip(key: string, name: string, kind: PartKind, across: Measure, entries: (PanelEntry | CreaseEntry)[], along: 'x' | 'y' = 'x'): Part {
    const part = this.sheet(key, name, kind, { width: across, height: across })
    let length = Measure.zero
    let folded: CreaseEntry | undefined
    for (const entry of entries) {
      if ('direction' in entry) {
        folded = entry
        continue
      }
      const before = part.panels.at(-1)
      const size = entry.width.named(entry.name)
      const place = { part: key, key: entry.key, name: entry.name }
      part.panels.push(
        along === 'x'
          ? { ...place, x: length, y: Measure.zero, width: size, height: across }
          : { ...place, x: Measure.zero, y: length, width: across, height: size },
      )
      if (before && folded) {
        const [from, to] = along === 'x' ? [at(length, Measure.zero), at(length, across)] : [at(Measure.zero, length), at(across, length)]
        this.crease(part, [before.key, entry.key], from, to, folded).along = along
      }
      length = length.plus(size)
    }
    part[along === 'x' ? 'width' : 'height'] = length
    return part
  }

  /**
   * A flat piece laid centred on a panel, glued all over unless `glueWidth` or `glueHeight` name a narrower
   * zone from its lower left corner.
   */
  piece(
    onto: Panel,
    size: { width: Measure, height: Measure },
    placing: Placing & { slide?: Joint['slide'] } & Partial<Record<'x' | 'y' | 'glueX' | 'glueY' | 'glueWidth' | 'glueHeight', Measure>>,
  ): Part {
    const { key, name, kind = 'mat', face = 'inside', printTop = 'any', slide, pair } = placing
    const { means = isLayer(kind) ? this.mats.means : 'tape' } = placing
    const part = this.flat(key, name, kind, size, printTop)
    part.pair = pair
    this.joints.push({
      part: key,
      by: itemAt(part.panels, 0),
      onto,
      face,
      faceDown: false,
      turned: 0,
      x: placing.x ?? onto.width.minus(size.width).half(),
      y: placing.y ?? onto.height.minus(size.height).half(),
      slide,
      glue: {
        x: placing.glueX ?? Measure.zero,
        y: placing.glueY ?? Measure.zero,
        width: placing.glueWidth ?? size.width,
        height: placing.glueHeight ?? size.height,
      },
      means,
    })
    return part
  }

  private flat(key: string, name: string, kind: PartKind, size: { width: Measure, height: Measure }, printTop: PrintTop): Part {
    const part = this.sheet(key, name, kind, size, printTop)
    part.panels.push({
      part: key,
      key: 'face',
      name,
      x: Measure.zero,
      y: Measure.zero,
      width: size.width.named(name),
      height: size.height.named(`${name} height`),
    })
    return part
  }

  /**
   * A mat on a panel: the panel less one border on each side, down to the trimmer's mark.
   * Where the maker wants two layers, a decorative mat lies on a plain one, and each leaves half of the border.
   */
  mat(onto: Panel, border: Measure, placing: Placing): Part {
    if (!this.mats.layered || (placing.kind ?? 'mat') !== 'mat') return this.bordered(onto, border, placing)
    // Both layers share the border.
    const each = border.half()
    const under = this.bordered(onto, each, {
      ...placing,
      key: `${placing.key}-under`,
      name: `${placing.name}, lower layer`,
      kind: 'underlay',
      printTop: 'any',
      pair: undefined,
    })
    this.underlays.set(placing.key, under)
    return this.bordered(face(under), each, { ...placing, face: 'inside' })
  }

  private bordered(onto: Panel, border: Measure, placing: Placing): Part {
    const shaped = insetOn(onto, border, this.mark, placing.face === 'outside')
    if (shaped) {
      const { outline, x, y, width, height } = shaped
      const part = this.piece(onto, { width, height }, { ...placing, x, y })
      part.outline = outline
      face(part).outline = outline
      return part
    }
    return this.piece(
      onto,
      {
        width: onto.width.minus(border.times(2)).downToMark(this.mark),
        height: onto.height.minus(border.times(2)).downToMark(this.mark),
      },
      placing,
    )
  }

  /** A piece that belongs to the card but is not glued to it, such as a belly band. */
  loose(key: string, name: string, size: { width: Measure, height: Measure }, kind: PartKind = 'plate'): Part {
    return this.flat(key, name, kind, size, 'any')
  }

  /** Glues a part by the middle of one of its panels to the middle of a panel of another part. */
  join(by: Panel, onto: Panel, side: Face = 'inside'): void {
    this.joinAt(by, onto, side, { x: onto.width.minus(by.width).half() })
  }

  /**
   * Glues a part by one of its panels at a place on another panel, in the middle of its height
   * unless `y` says where, and over the whole panel unless `glue` names the area of it that lies there.
   */
  joinAt(
    by: Panel,
    onto: Panel,
    side: Face,
    { x, y = onto.height.minus(by.height).half(), glue = {}, means = 'tape', faceDown = false, turned = 0, slide }: JoinOptions,
  ): void {
    const whole = { x: by.x, y: by.y, width: by.width, height: by.height }
    this.joints.push({ part: by.part, by, onto, face: side, faceDown, turned, x, y, slide, glue: { ...whole, ...glue }, means })
  }

  /** Where a layer lies on the panel below all layers, from the lower left corner of that. */
  offsetOf({ key }: Part): { x: Measure, y: Measure } {
    const joint = this.joints.find(({ part }) => part === key)
    const below = joint && byKey(this.parts, joint.onto.part)
    if (!joint || !below) return { x: Measure.zero, y: Measure.zero }
    const { x, y } = isLayer(below.kind) ? this.offsetOf(below) : { x: Measure.zero, y: Measure.zero }
    return { x: x.plus(joint.x), y: y.plus(joint.y) }
  }

  /** A length as a maker reads it in a step: `4 1/8 in`. */
  show(measure: Measure): string {
    return formatLength(measure.value, this.units, { unit: true })
  }

  /**
   * A step of making the card. Parts that were joined since the last one are put on in it.
   * @param only keys of those of them that are put on in this step already, where others wait for the next one
   */
  step(text: string, warning?: string, only?: string[]): void {
    const joined = [...new Set(this.joints.map(joint => joint.part))].filter(key => !this.told.has(key))
    const puts = only ?? joined
    // What is only put on later is not made here, unless it has to be scored or cut.
    const makes = this.parts.slice(this.made).map(part => part.key).filter(key => !joined.includes(key) || this.isFolded(key))
    this.steps.push({ text, warning, makes, puts })
    for (const key of puts) this.told.add(key)
    this.made = this.parts.length
  }

  /** What is left to do of the last step where its parts come scored already. */
  whenScored(text: string, warning?: string): void {
    const last = this.steps.at(-1)
    if (last) last.scored = { text, warning }
  }

  /** An area to write on, and the side of the panel it lies on; none where it runs across a crease. */
  message(where: string, width: Measure, height: Measure, panel?: Panel, side: Face = 'inside'): void {
    this.messageArea = { where, width, height, on: panel && { panel, side } }
  }

  /** An area that stays visible and may be stamped. */
  stamp(where: string, width: Measure, height: Measure): void {
    this.stamping.push({ where, width, height })
  }

  /** States how far a panel moves from closed to displayed, against another one or against the one that stays in place. */
  travel({ part, key, name }: Panel, distance: Measure, against?: Panel): void {
    this.travels.push({ part, panel: key, name, distance, against })
  }

  /** A stopper that must stand at least as high as what rests against it. */
  holds(stopper: Part, against: Part[]): void {
    this.stoppers.push({
      part: stopper.key,
      against: against.flatMap(({ key }) => [key, ...[this.underlays.get(key)].flatMap(under => under?.key ?? [])]),
    })
  }

  /** What lies on a panel must not be seen while the card is closed. */
  hide(panel: Panel): void {
    this.hiding.push(panel)
  }

  /** How whoever gets the card sets it up, on a slip that goes with it. */
  setUp(...steps: string[]): void {
    this.settingUp.push(...steps)
  }

  /** A supply besides tape, foam and dots. */
  supply(name: string, count = 1): void {
    this.extras.push({ name, count })
  }

  /** Something that must be put right and has no length to offer. */
  missing(subject: string, problem: string): void {
    this.findings.push({ severity: 'stop', subject, problem })
  }

  warn(subject: string, problem: string): void {
    this.findings.push({ severity: 'warn', subject, problem })
  }

  note(subject: string, problem: string): void {
    this.findings.push({ severity: 'note', subject, problem })
  }

  /** States a limit; a value outside becomes a finding with the value that would be right. */
  limit({ subject, value, atLeast, atMost, because, parameter, right, round = atLeast ? 'up' : 'down', severity = 'stop' }: Limit): void {
    const bound = atLeast ?? atMost
    if (!bound) throw new Error(`The limit of ${subject} has no bound.`)
    const broken = atLeast ? value.value < atLeast.value : value.value > bound.value
    if (!broken) return
    const target = right ?? bound
    const rounded = (round === 'up' ? upToMark : downToMark)(target.value, this.mark)
    const show = (length: Length) => formatLength(length, this.units, { unit: true })
    // What was typed is named too, where the figure that is wrong follows from it.
    const given = this.given[parameter]
    const typed = given && given.value !== value.value ? ` with ${given.label} at ${show(given.value)}` : ''
    const hasRoom = atLeast !== undefined || bound.value >= 0
    const must = hasRoom ? `must be ${atLeast ? 'at least' : 'at most'} ${show(bound.value)}` : 'there is no room left for it'
    this.findings.push({
      severity,
      subject,
      problem: `is ${show(value.value)}${typed}, but ${must}: ${because}`,
      parameter,
      fix: rounded > 0 && rounded <= LONGEST ? { parameter, value: rounded } : undefined,
    })
  }

  finish(finished: Construction['finished'], anchor: Panel): Construction {
    // What was joined after the last step was said belongs to it.
    const last = this.steps.at(-1)
    for (const { part } of this.joints) if (last && !this.told.has(part) && !last.puts.includes(part)) last.puts.push(part)
    const { parts, joints, steps, messageArea: message, stamping, travels, stoppers, hiding, settingUp: setUp, findings } = this
    const extras = setUp.length > 0 ? [...this.extras, SLIP] : this.extras
    return { finished, parts, anchor, joints, steps, message, stamping, travels, extras, alsoStuck: [], stoppers, hiding, setUp, findings }
  }

  private isFolded(key: string): boolean {
    const { creases, slits } = byKey(this.parts, key)
    return creases.length > 0 || slits.length > 0
  }

  private partOf({ part }: Panel): Part {
    return byKey(this.parts, part)
  }
}
