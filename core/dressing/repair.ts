import type { CardEntry, DressingEntry, ParameterInputs } from '../document'
import { dressingIn } from '../document'
import type { Finding, Fix, Fold, WorkedOut } from '../folds'
import type { Length, Units } from '../lengths'
import { formatLength, lengthFrom, nanometres, writeLength } from '../lengths'
import { inARow } from '../lists'
import { putRight } from './edit'
import { layerKey } from './layers'

/** What a fix may change: the sizes of a card and what is put on it. */
export type Repairable = Pick<CardEntry, 'parameters' | keyof DressingEntry>

/** So many stops are put right one by one; with more of them one press does it all. */
const ONE_BY_ONE = 3
/**
 * A card is worked out at most so often in search of values; in steps and not in seconds, so that answers stay the
 * same.
 */
const BUDGET = 60
/** And so many at least for each finding. */
const LEAST_BUDGET = 16
/** Layers lie on layers; after so many rounds of making room for them it is given up. */
const ROUNDS = 6

/** Changes a card as a fix wants it; parts of it that are not known are left alone. */
export function applyFix(card: Repairable, { also = [], ...first }: Fix, units: Units): void {
  for (const { parameter, value } of [first, ...also]) {
    if (value === undefined) card.parameters = without(card.parameters, [parameter])
    else if (parameter.includes('/')) putRight(card, parameter, writeLength(value, units))
    else card.parameters[parameter] = writeLength(value, units)
  }
}

/** What a fix does, as a button says it: the value that would be right, and how much else changes with it. */
export function fixWords({ parameter, value, also = [] }: Fix, units: Units): string {
  const others = also.filter(other => other.parameter !== parameter)
  // The size of a work is said as a whole; borders of layers that follow are as usual.
  const values = others.flatMap(({ parameter: name, value }) =>
    value === undefined || (name.includes('/') && !name.includes('/works/')) ? [] : [value],
  )
  const natural = others.length - values.length
  const set = inARow([value, ...values].map(length => formatLength(length, units, { unit: true })))
  return `Set ${set}${natural > 0 ? ` and ${natural} more as usual` : ''}`
}

/**
 * The findings of a card with only such fixes as really help: what is offered takes its own finding away and brings no
 * stop that was not there. Where the value of a design's limit does not, the nearest that does is looked for among the
 * other sizes; and where none does, the finding says that this size cannot be met.
 * @param work works out a changed card
 */
export function soundFindings(
  fold: Fold,
  card: Repairable,
  made: WorkedOut,
  work: (card: Repairable) => WorkedOut,
  units: Units,
  mark: Length,
): Finding[] {
  const before = stopsOf(made)
  if (before.size === 0 && made.findings.every(({ fix }) => !fix)) return made.findings
  const repair = new Repair(fold, { card, made, work, units, mark })
  const whole = before.size > ONE_BY_ONE ? repair.whole() : undefined
  return made.findings.map((finding) => {
    if (finding.severity !== 'stop') return { ...finding, fix: finding.fix && repair.helpful(finding.fix, finding) }
    const fix = whole ?? repair.first(finding)
    if (fix) return { ...finding, fix, parameter: finding.parameter ?? fix.parameter }
    return { ...finding, fix: undefined, problem: `${finding.problem} No other size of this card makes room for it.` }
  })
}

/** A card that is to be put right, as it was worked out, and how changes of it are. */
interface Broken {
  card: Repairable
  made: WorkedOut
  work: (card: Repairable) => WorkedOut
  units: Units
  mark: Length
}

/** Looks for fixes of one card, and remembers what it has tried. */
class Repair {
  private readonly before: Stops
  private readonly known = new Map<string, Stops>()
  private readonly mains: string[]
  private left = BUDGET

  constructor(private readonly fold: Fold, private readonly broken: Broken) {
    this.before = stopsOf(broken.made)
    this.mains = mainSizes(fold)
  }

  /**
   * A fix that takes a finding away and brings no stop; layers that no longer have room where it is made get a border
   * instead.
   */
  helpful(fix: Fix, finding: Finding): Fix | undefined {
    const right = this.roomy(fix, this.before)
    return right && !this.stopsAfter(right)?.has(keyOf(finding)) ? right : undefined
  }

  /** The fix of a finding that changes least. */
  first(finding: Finding): Fix | undefined {
    // What was tried in vain for one finding takes nothing from the next.
    this.left = Math.max(this.left, LEAST_BUDGET)
    for (const fix of this.candidates(finding)) {
      const right = this.helpful(fix, finding)
      if (right) return right
    }
  }

  /**
   * One fix for all stops at once: nothing typed but the main sizes, or nothing at all; or, where only layers are
   * wrong, borders.
   */
  whole(): Fix | undefined {
    const { card, units } = this.broken
    const all = Object.keys(card.parameters).filter(name => this.fold.parameters[name]?.kind === 'length')
    const [layer] = [...this.before.values()].flatMap(stop => layerPath(card, stop) ?? [])
    const starts = [
      ...[all.filter(name => !this.mains.includes(name)), all]
        .filter(names => names.length > 0)
        .map(names => this.natural(names)),
      ...layer ? [{ parameter: `${layer}/border`, value: lengthFrom(BORDERS[units][0]) }] : [],
    ]
    for (const start of starts) {
      const fix = this.roomy(start, new Map())
      if (fix) return fix
    }
  }

  private stopsAfter(fix: Fix): Stops | undefined {
    const { card, work, units } = this.broken
    const key = JSON.stringify(fix)
    const found = this.known.get(key)
    if (found) return found
    if (this.left-- <= 0) return undefined
    const copy = copyOf(card)
    applyFix(copy, fix, units)
    const after = stopsOf(work(copy))
    this.known.set(key, after)
    return after
  }

  /**
   * A fix after which only such stops are left as may stay: layers that have no room any more get a border, the usual
   * one or, where nothing is left of them, none. Layers that lie on those may follow, so it takes some rounds.
   */
  private roomy(fix: Fix, mayStay: Stops): Fix | undefined {
    const { card, units } = this.broken
    const borders = new Map<string, string>()
    for (let round = 0; round < ROUNDS; round++) {
      const also = [...borders].map(([path, border]) => ({ parameter: `${path}/border`, value: lengthFrom(border) }))
      const tried = also.length > 0 ? { ...fix, also: [...fix.also ?? [], ...also] } : fix
      const after = this.stopsAfter(tried)
      if (!after) return undefined
      const brought = [...after].filter(([key]) => !mayStay.has(key)).map(([, stop]) => layerPath(card, stop))
      if (brought.length === 0) return tried
      const [usual, none] = BORDERS[units]
      for (const path of brought) {
        if (path === undefined || borders.get(path) === none) return undefined
        borders.set(path, borders.has(path) ? none : usual)
      }
    }
  }

  /** What might put a finding right, what changes least first. */
  private* candidates(finding: Finding): Generator<Fix> {
    const { card, units } = this.broken
    if (finding.fix) yield finding.fix
    const layer = layerPath(card, finding)
    if (layer)
      for (const value of BORDERS[units]) yield { parameter: `${layer}/border`, value: lengthFrom(value, units) }
    const own = finding.parameter
    const { parameters } = this.fold
    const typed = Object.keys(parameters).filter(
      name => Object.hasOwn(card.parameters, name) && parameters[name]?.kind === 'length',
    )
    const loose = typed.filter(name => !this.mains.includes(name))
    for (const name of [...loose].sort((a, b) => Number(b === own) - Number(a === own))) yield this.natural([name])
    if (loose.length > 1) yield this.natural(loose)
    for (const main of this.mains) {
      const value = this.nearestSize(main, loose, finding)
      if (value !== undefined) yield { parameter: main, value, also: loose.map(parameter => ({ parameter })) }
    }
    if (typed.length > 0) yield this.natural(typed)
  }

  /** Sizes that nobody has typed any more; the first says what it becomes. */
  private natural(names: string[]): Fix {
    const { card, work, units } = this.broken
    const parameters = without(card.parameters, names)
    const [first = ''] = names
    this.left--
    const value = lengthFrom(String(work({ ...card, parameters }).inputs[first]), units)
    return { parameter: first, value, also: names.map(parameter => ({ parameter })) }
  }

  /** The size between that of the card and the natural one that is nearest to the card's and takes the finding away. */
  private nearestSize(main: string, loose: string[], finding: Finding): Length | undefined {
    const { made, units, mark } = this.broken
    const parameter = this.fold.parameters[main]
    if (parameter?.kind !== 'length') return undefined
    const [now, usual] = [lengthFrom(String(made.inputs[main]), units), lengthFrom(parameter.defaults[units])]
    const also = loose.map(parameter => ({ parameter }))
    const works = (value: Length) => this.helpful({ parameter: main, value, also }, finding) !== undefined
    const step = Math.sign(usual - now) * mark
    let [bad, good] = [0, Math.floor(Math.abs(usual - now) / mark)]
    const at = (steps: number) => nanometres(Math.round(now / mark) * mark + steps * step)
    if (good === 0 || !works(at(good))) return undefined
    while (good - bad > 1) {
      const middle = Math.floor((good + bad) / 2)
      if (works(at(middle))) good = middle
      else bad = middle
    }
    return at(good)
  }
}

/** Where the layer is changed that a finding is about; `undefined` for what the design puts on. */
function layerPath(card: Repairable, { part, parameter = '' }: Finding): string | undefined {
  if (parameter.startsWith('faces/')) return parameter.split('/').slice(0, 4).join('/')
  for (const { key, layers } of card.faces)
    for (const layer of layers) if (part === layerKey(key, layer.key)) return `faces/${key}/layers/${layer.key}`
}

const without = (parameters: ParameterInputs, names: string[]): ParameterInputs =>
  Object.fromEntries(Object.entries(parameters).filter(([name]) => !names.includes(name)))

/** Borders to fall back to where a layer has none that leaves anything of it. */
const BORDERS: Record<Units, readonly [string, string]> = { inch: ['1/8 in', '0 in'], metric: ['3 mm', '0 mm'] }

/** The sizes of the whole card. */
const mainSizes = ({ parameters }: Fold): string[] =>
  Object.entries(parameters).flatMap(([name, parameter]) =>
    parameter.kind === 'length' && parameter.main ? [name] : [],
  )

/** A copy to try changes on; of a draft too. */
const copyOf = (card: Repairable) =>
  JSON.parse(JSON.stringify({ parameters: card.parameters, ...dressingIn(card) })) as Repairable

const keyOf = ({ subject, parameter, part }: Finding): string => [subject, parameter, part].join('|')
type Stops = ReadonlyMap<string, Finding>
const stopsOf = ({ findings }: Pick<WorkedOut, 'findings'>): Stops =>
  new Map(findings.filter(({ severity }) => severity === 'stop').map(finding => [keyOf(finding), finding]))
