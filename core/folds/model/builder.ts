import { byKey } from '../../lists'
import type { Length, Units, Measure } from '../../lengths'
import { LONGEST, downToMark, formatLength, upToMark } from '../../lengths'
import type {
  Construction, Extra, Face, Finding, Means, MessageArea, Panel, Part, Severity, Step, Stopper, Travel,
} from './card'
import { isLayer } from './card'
import { PieceBuilder } from './piece-builder'
import { AS_DRAWN } from './sides'

interface Limit {
  /** The parameter to change; with `right` where its right value is not the limit itself. */
  parameter: string
  /** What is limited, where it is not the parameter itself. */
  subject?: string
  value?: Pick<Measure, 'value'>
  atLeast?: Measure
  atMost?: Measure
  because: string
  right?: Measure
  /** Which way the right value is rounded to a mark, where it runs against the limit. */
  round?: 'up' | 'down'
  severity?: Severity
}

/** Later than anything that a maker adds. */
const AT_THE_END = 10_000

/** Goes into the bag with a card that has to be set up. */
const SLIP: Extra = { name: 'Slip: how to set it up', count: 1 }

/** Collects a card while its design describes it. Designs receive one; nobody else needs it. */
export class CardBuilder extends PieceBuilder {
  private readonly steps: Step[] = []
  private readonly findings: Finding[] = []
  private readonly travels: Travel[] = []
  private readonly stamping: MessageArea[] = []
  private readonly extras: Extra[] = []
  private readonly stoppers: Stopper[] = []
  private readonly hiding: Panel[] = []
  private readonly settingUp: string[] = []
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
    mark: Length,
    mats: { layered: boolean, means: Means } = { layered: false, means: 'tape' },
    /** The lengths that the card is worked out from, by the names of their parameters. */
    private readonly given: Record<string, { label: string, value: Length }> = {},
  ) {
    super(mark, mats)
  }

  /** A length as a maker reads it in a step: `4 1/8 in`. */
  show(measure: Measure): string {
    return formatLength(measure.value, this.units, { unit: true })
  }

  /**
   * A step of making the card. Parts that were joined since the last one are put on in it; layers among them are laid
   * in a step of their own before it.
   * @param only keys of those of them that are put on in this step already, where others wait for the next one
   */
  step(text: string, warning?: string, only?: string[]): void {
    if (!only) this.lay()
    const joined = this.waiting()
    const puts = only ?? joined
    // What is only put on later is not made here, unless it has to be scored or cut.
    const makes = this.parts
      .slice(this.made)
      .map(part => part.key)
      .filter(key => !this.told.has(key) && !only?.includes(key) && (!joined.includes(key) || this.isFolded(key)))
    // One thing after the other, as the design has it: its mechanism is built up step by step.
    const last = this.steps.findLast(({ lays }) => !lays)
    this.push({ text, warning, makes, puts, needs: last ? [last.key] : [] })
    this.made = this.parts.length
  }

  /** The last step waits until everything else is done, whatever the maker adds: it closes the card. */
  atTheEnd(): void {
    const last = this.steps.at(-1)
    if (last) last.rank = AT_THE_END
  }

  /** Lays the layers that were put on faces since the last step; what is said of them follows from where they lie. */
  lay(warning?: string): void {
    const puts = this.waiting().filter(key => isLayer(byKey(this.parts, key).kind))
    if (puts.length > 0) this.push({ text: '', warning, makes: [], puts, needs: [], lays: () => AS_DRAWN })
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

  /**
   * States how far a panel moves from closed to displayed, against another one or against the one that stays in place.
   */
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
  limit({
    parameter, subject = this.given[parameter]?.label, value = this.given[parameter], atLeast, atMost, because, right,
    round = atLeast ? 'up' : 'down', severity = 'stop',
  }: Limit): void {
    const bound = atLeast ?? atMost
    if (!bound || !value || !subject) throw new Error(`The limit of ${parameter} has no ${bound ? 'value' : 'bound'}.`)
    const broken = atLeast ? value.value < atLeast.value : value.value > bound.value
    if (!broken) return
    const target = right ?? bound
    const rounded = (round === 'up' ? upToMark : downToMark)(target.value, this.mark)
    const show = (length: Length) => formatLength(length, this.units, { unit: true })
    // What was typed is named too, where the figure that is wrong follows from it.
    const given = this.given[parameter]
    const typed = given && given.value !== value.value ? ` with ${given.label} at ${show(given.value)}` : ''
    const hasRoom = atLeast !== undefined || bound.value >= 0
    const must = hasRoom
      ? `must be ${atLeast ? 'at least' : 'at most'} ${show(bound.value)}`
      : 'there is no room left for it'
    this.findings.push({
      severity,
      subject,
      problem: `is ${show(value.value)}${typed}, but ${must}: ${because}`,
      parameter,
      fix: rounded > 0 && rounded <= LONGEST ? { parameter, value: rounded } : undefined,
    })
  }

  finish(finished: Construction['finished'], anchor: Panel): Construction {
    this.lay()
    // What else was joined after the last step was said belongs to it.
    this.steps.at(-1)?.puts.push(...this.waiting())
    const {
      parts, joints, steps, messageArea: message, stamping, travels, stoppers, hiding, settingUp: setUp, findings,
    } = this
    const extras = setUp.length > 0 ? [...this.extras, SLIP] : this.extras
    return {
      finished, parts, anchor, joints, steps, message, stamping, travels, extras, alsoStuck: [], stoppers, hiding,
      setUp, findings,
    }
  }

  /** Parts that were joined and that no step has put on yet. */
  private waiting(): string[] {
    return [...new Set(this.joints.map(joint => joint.part))].filter(key => !this.told.has(key))
  }

  /** A step is called by what is done in it, so that it keeps its name when others come and go. */
  private push(step: Omit<Step, 'key' | 'rank'>): void {
    const [made, put] = [step.makes[0], step.puts[0]]
    const name = made ? `make--${made}` : put ? `put--${put}` : `then--${this.steps.at(-1)?.key ?? 'start'}`
    const taken = this.steps.filter(({ key }) => key === name || key.startsWith(`${name}-`)).length
    this.steps.push({ ...step, key: taken > 0 ? `${name}-${taken + 1}` : name, rank: this.steps.length })
    for (const key of step.puts) this.told.add(key)
  }

  private isFolded(key: string): boolean {
    const { creases, slits } = byKey(this.parts, key)
    return creases.length > 0 || slits.length > 0
  }
}
