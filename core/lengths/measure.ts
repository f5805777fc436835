import type { Length, Units } from './length'
import { ZERO, nanometres } from './length'
import { downToMark } from './marks'
import { formatLength } from './text'

interface Term {
  factor: number
  label: string
  value: Length
  /** What a named figure was made of. */
  from?: Measure
}

/** The sums that somebody asked about. */
const ADDED_UP = new WeakMap<Measure, readonly Term[]>()

/**
 * A length that knows where it comes from.
 *
 * Every figure of a card is linear in the figures it is made of, so a measure
 * is its value beside a short sum of named terms. Naming a measure folds its sum
 * away; the named figure then explains itself in turn.
 */
export class Measure {
  private constructor(
    readonly value: Length,
    /**
     * A figure with a name, or what a sum is made of, each so many times. Most sums are never asked about, so they are
     * not added up.
     */
    private readonly made: Term | readonly (readonly [Measure, number])[],
    /** How the value was rounded to a tool's mark, if it was. */
    private readonly rounding?: { mark: Length },
  ) {}

  /** A given figure: a parameter, a sheet edge, a fixed rule. */
  static of(label: string, value: Length): Measure {
    return new Measure(value, { factor: 1, label, value })
  }

  static readonly zero = new Measure(ZERO, [])

  plus(other: Measure): Measure {
    return new Measure((this.value + other.value) as Length, [[this, 1], [other, 1]])
  }

  minus(other: Measure): Measure {
    return new Measure((this.value - other.value) as Length, [[this, 1], [other, -1]])
  }

  /** Times a plain factor. Halving an odd 64th of an inch rounds to the nearest nanometre. */
  times(factor: number): Measure {
    return new Measure(nanometres(this.value * factor), [[this, factor]])
  }

  half(): Measure {
    return this.times(0.5)
  }

  /** The same figure under a name of its own, as the next figure will quote it. */
  named(label: string): Measure {
    return new Measure(this.value, { factor: 1, label, value: this.value, from: this })
  }

  private get terms(): readonly Term[] {
    const known = ADDED_UP.get(this)
    if (known) return known
    const { made } = this
    const terms = 'label' in made
      ? [made]
      : gather(made.flatMap(([part, times]) => part.terms.map(term => ({ ...term, factor: term.factor * times }))))
    ADDED_UP.set(this, terms)
    return terms
  }

  /** Labels of the given figures it follows from, however often they were folded away under other names; each once. */
  get givens(): string[] {
    return [...new Set(this.terms.flatMap(({ label, from }) => from?.givens ?? [label]))]
  }

  /** Rounded down to a tool's mark, so that a piece never grows past its place. */
  downToMark(mark: Length): Measure {
    const value = downToMark(this.value, mark)
    return value === this.value ? this : new Measure(value, [[this, 1]], { mark })
  }

  /** One line of arithmetic in the maker's units: `Front panel 2 1/8 − 2 × Border 1/8`. */
  explain(units: Units): string {
    const text = this.terms.map(({ factor, label, value }, index) => {
      const size = Math.abs(factor)
      const shown = `${label} ${formatLength(value, units)}`
      const scaled = size === 1 ? shown : size === 0.5 ? `½ × ${shown}` : `${size} × ${shown}`
      return index === 0 ? (factor < 0 ? `−${scaled}` : scaled) : `${factor < 0 ? '−' : '+'} ${scaled}`
    }).join(' ')
    return this.rounding ? `${text}, down to the ${formatLength(this.rounding.mark, units, { unit: true })} mark` : text
  }
}

function gather(terms: Term[]): Term[] {
  const kept: Term[] = []
  for (const term of terms) {
    const same = kept.find(other => other.label === term.label && other.value === term.value)
    if (same) same.factor += term.factor
    else kept.push({ ...term })
  }
  return kept.filter(term => term.factor !== 0)
}
