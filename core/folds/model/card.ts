import type { Length, Units } from '../../lengths'
import { Measure, downToMark, formatLength, upToMark } from '../../lengths'
import type { PrintTop } from '../../paper'

export type CreaseDirection = 'mountain' | 'valley'
/** Patterns are drawn inside face up; `outside` is the back of that drawing. */
export type Face = 'inside' | 'outside'
/** `underlay` is a plain layer under a mat. */
export type PartKind = 'base' | 'insert' | 'plate' | 'underlay' | 'mat' | 'message'
/** How a joint is made: tape along the edges of the glue zone, or foam pads spread over it. */
export type Means = 'tape' | 'foam'

export interface Panel {
  part: string
  key: string
  name: string
  /** Lower left corner, from the lower left corner of the part. */
  x: Measure
  y: Measure
  width: Measure
  height: Measure
}

export interface Crease {
  /** Distance from the left end of the part, or from its lower end where panels stand on top of each other. */
  at: Measure
  direction: CreaseDirection
  /** Fold angle in degrees for each opening: 0 is flat, valley positive, mountain negative. */
  angle: (opening: number) => number
}

/** One flat blank of a card: a strip of panels, or a plain rectangle with a single panel. */
export interface Part {
  key: string
  name: string
  kind: PartKind
  width: Measure
  height: Measure
  /** Panels follow each other from left to right (`x`) or from bottom to top (`y`). */
  along: 'x' | 'y'
  panels: Panel[]
  creases: Crease[]
  printTop: PrintTop
}

/** Where a part lies on a panel and which area of it is glued. */
export interface Joint {
  part: string
  /** The panel of the part that lies in the joint. */
  by: Panel
  onto: Panel
  /** On the outside, the part's own inside looks away from the card too. */
  face: Face
  /** Lower left corner of where `by` lies, from the lower left corner of `onto`, seen from the inside. */
  x: Measure
  y: Measure
  /** The glued area, from the lower left corner of the part. */
  glue: { x: Measure, y: Measure, width: Measure, height: Measure }
  means: Means
}

export interface Step {
  text: string
  warning?: string
}

export type Severity = 'stop' | 'warn' | 'note'

/** Something the maker should know before cutting, with the number that would be right. */
export interface Finding {
  severity: Severity
  subject: string
  problem: string
  /** Parameter to change and the value that would be right, as a one-click fix. */
  fix?: { parameter: string, value: Length }
  parameter?: string
  part?: string
}

export interface MessageArea {
  where: string
  width: Measure
  height: Measure
}

/** A card worked out from its parameters. */
export interface Construction {
  /** Closed card seen from its front. */
  finished: { width: Measure, height: Measure }
  parts: Part[]
  /** The panel that stays where it is while the card opens. */
  anchor: Panel
  joints: Joint[]
  steps: Step[]
  message?: MessageArea
  findings: Finding[]
}

export interface PanelEntry {
  key: string
  name: string
  width: Measure
}

/** An entry of a strip: a panel of some width. Creases stand between panels. */
export const panel = (key: string, name: string, width: Measure): PanelEntry => ({ key, name, width })

/** An entry of a strip: a crease and how far it is folded closed and on display, in degrees. */
export interface CreaseEntry {
  direction: CreaseDirection
  closed: number
  open: number
}

export const mountain = (open: number, closed = 180): CreaseEntry => ({ direction: 'mountain', open, closed })
export const valley = (open: number, closed = 180): CreaseEntry => ({ direction: 'valley', open, closed })

interface Placing {
  key: string
  name: string
  kind?: PartKind
  face?: Face
  printTop?: PrintTop
  means?: Means
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
  severity?: Severity
}

/** Collects the parts of a card while its design describes them. Designs receive one; nobody else needs it. */
export class CardBuilder {
  private readonly parts: Part[] = []
  private readonly joints: Joint[] = []
  private readonly steps: Step[] = []
  private readonly findings: Finding[] = []
  private messageArea?: MessageArea

  /**
   * @param units the maker's school, for the words of findings
   * @param mark smallest mark of the maker's trimmer, which mats are rounded down to
   */
  constructor(readonly units: Units, readonly mark: Length) {}

  /**
   * A blank with parallel creases: panels with the crease between two of them, from left to right
   * or, `along` y, from bottom to top. `across` is the other side of the blank.
   */
  strip(key: string, name: string, kind: PartKind, across: Measure, entries: (PanelEntry | CreaseEntry)[], along: 'x' | 'y' = 'x'): Part {
    const part: Part = { key, name, kind, width: across, height: across, along, panels: [], creases: [], printTop: 'any' }
    let length = Measure.zero
    for (const entry of entries) {
      if ('direction' in entry) {
        const { direction, open, closed } = entry
        const sign = direction === 'valley' ? 1 : -1
        part.creases.push({ at: length, direction, angle: opening => sign * (closed + (open - closed) * opening) })
      }
      else {
        const size = entry.width.named(entry.name)
        const place = { part: key, key: entry.key, name: entry.name }
        part.panels.push(along === 'x'
          ? { ...place, x: length, y: Measure.zero, width: size, height: across }
          : { ...place, x: Measure.zero, y: length, width: across, height: size })
        length = length.plus(size)
      }
    }
    part[along === 'x' ? 'width' : 'height'] = length
    this.parts.push(part)
    return part
  }

  /** A flat piece laid centred on a panel, glued all over unless `glue` names a narrower zone from its left side. */
  piece(onto: Panel, size: { width: Measure, height: Measure }, placing: Placing & { x?: Measure, y?: Measure, glueWidth?: Measure }): Part {
    const { key, name, kind = 'mat', face = 'inside', printTop = 'any', means = 'tape' } = placing
    const part: Part = { key, name, kind, ...size, along: 'x', panels: [], creases: [], printTop }
    part.panels.push({ part: key, key: 'face', name, x: Measure.zero, y: Measure.zero, width: size.width.named(name), height: size.height.named(`${name} height`) })
    this.parts.push(part)
    this.joints.push({
      part: key,
      by: part.panels[0]!,
      onto,
      face,
      x: placing.x ?? onto.width.minus(size.width).half(),
      y: placing.y ?? onto.height.minus(size.height).half(),
      glue: { x: Measure.zero, y: Measure.zero, width: placing.glueWidth ?? size.width, height: size.height },
      means,
    })
    return part
  }

  /** A mat on a panel: the panel less one border on each side, down to the trimmer's mark. */
  mat(onto: Panel, border: Measure, placing: Placing): Part {
    return this.piece(onto, {
      width: onto.width.minus(border.times(2)).downToMark(this.mark),
      height: onto.height.minus(border.times(2)).downToMark(this.mark),
    }, placing)
  }

  /** A print mat, with a plain mat one border larger under it when `layers` is `two`. */
  mats(onto: Panel, border: Measure, layers: string, placing: Placing): Part {
    if (layers !== 'two') return this.mat(onto, border, placing)
    const under = this.mat(onto, border, { ...placing, key: `${placing.key}-under`, name: `${placing.name}, lower layer`, kind: 'underlay', printTop: 'any' })
    return this.mat(face(under), border, { ...placing, face: 'inside' })
  }

  /** A piece that belongs to the card but is not glued to it, such as a belly band. */
  loose(key: string, name: string, size: { width: Measure, height: Measure }): Part {
    const part: Part = { key, name, kind: 'plate', ...size, along: 'x', panels: [], creases: [], printTop: 'any' }
    part.panels.push({ part: key, key: 'face', name, x: Measure.zero, y: Measure.zero, ...size })
    this.parts.push(part)
    return part
  }

  /** Glues a part by the middle of one of its panels to the middle of a panel of another part. */
  join(by: Panel, onto: Panel, side: Face = 'inside'): void {
    this.joinAt(by, onto, side, { x: onto.width.minus(by.width).half() })
  }

  /**
   * Glues a part by one of its panels at a place on another panel, in the middle of its height
   * unless `y` says where, and over the whole panel unless `glue` names the area of it that lies there.
   */
  joinAt(by: Panel, onto: Panel, side: Face, { x, y = onto.height.minus(by.height).half(), glue = {} }: { x: Measure, y?: Measure, glue?: Partial<Joint['glue']> }): void {
    const whole = { x: by.x, y: by.y, width: by.width, height: by.height }
    this.joints.push({ part: by.part, by, onto, face: side, x, y, glue: { ...whole, ...glue }, means: 'tape' })
  }

  step(text: string, warning?: string): void {
    this.steps.push({ text, warning })
  }

  message(where: string, width: Measure, height: Measure): void {
    this.messageArea = { where, width, height }
  }

  /** States a limit; a value outside becomes a finding with the value that would be right. */
  limit({ subject, value, atLeast, atMost, because, parameter, right, severity = 'stop' }: Limit): void {
    const bound = (atLeast ?? atMost)!
    const broken = atLeast ? value.value < atLeast.value : value.value > bound.value
    if (!broken) return
    const target = right ?? bound
    const rounded = atLeast ? upToMark(target.value, this.mark) : downToMark(target.value, this.mark)
    const show = (length: Length) => formatLength(length, this.units, { unit: true })
    this.findings.push({
      severity,
      subject,
      problem: `is ${show(value.value)}, but must be ${atLeast ? 'at least' : 'at most'} ${show(bound.value)}: ${because}`,
      parameter,
      fix: rounded > 0 ? { parameter, value: rounded } : undefined,
    })
  }

  finish(finished: Construction['finished'], anchor: Panel): Construction {
    return { finished, parts: this.parts, anchor, joints: this.joints, steps: this.steps, message: this.messageArea, findings: this.findings }
  }
}

/** The single panel of a flat piece. */
export const face = (part: Part): Panel => part.panels[0]!

/** A panel of a part by its key; designs only ask for panels they made. */
export function panelOf(part: Part, key: string): Panel {
  const found = part.panels.find(candidate => candidate.key === key)
  if (!found) throw new Error(`${part.name} has no panel “${key}”`)
  return found
}
