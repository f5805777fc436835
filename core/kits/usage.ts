import type { StickingWay, SupplyEntry, SupplyUse } from '../document'
import type { Construction, Joint, Means, Stuck } from '../folds'
import { foamSpacing } from '../folds'
import type { Length, Units } from '../lengths'
import { METRE, MILLIMETRE, lengthFrom, millimetres } from '../lengths'

/** What a supply is measured in. Amounts are whole: nanometres, microlitres, pieces. */
export type Quantity = 'length' | 'volume' | 'pieces'
/** Whole amounts in what the maker counts: a metre, a millilitre, a piece. */
export const WHOLE: Record<Quantity, number> = { length: METRE, volume: 1000, pieces: 1 }

const MEASURED: Partial<Record<SupplyUse, Quantity>> = {
  'tape': 'length', 'strong tape': 'length', 'thing by length': 'length', 'glue': 'volume',
}
export const measuredIn = (use: SupplyUse): Quantity => MEASURED[use] ?? 'pieces'

/** So much of a supply, by its key. */
export interface Usage {
  supply: string
  amount: number
}

/** Tape laid side by side to cover an area; what a corner takes of tape and of glue. */
const TAPE = millimetres(6)
const CORNER = millimetres(12)
/**
 * A thin line of wet glue, and a thin coat: half a millilitre a metre, 60 millilitres a square metre. Rules of thumb.
 */
const LINE = 500 / METRE
const COAT = 60_000 / METRE / METRE

/**
 * How much a glued area of one joint takes.
 * @param width of the area, in nanometres, as is its height
 * @returns nanometres of tape, microlitres of glue, or pieces of foam and dots
 */
export function amountFor(use: SupplyUse, way: StickingWay, width: Length, height: Length, units: Units): number {
  if (width <= 0 || height <= 0) return 0
  const [short, long] = width < height ? [width, height] : [height, width]
  const inLine = { 'outline': 2 * (width + height), 'two strips': 2 * long, 'full area': Math.ceil(short / TAPE) * long,
    'corners': 4 * Math.min(CORNER, short / 2) }
  if (measuredIn(use) === 'length') return Math.round(inLine[way])
  if (use === 'glue') return Math.ceil(way === 'full area' ? width * height * COAT : inLine[way] * LINE)
  const spacing = foamSpacing(units)
  const along = (side: Length) => Math.ceil(side / spacing)
  const pieces = {
    'outline': Math.max(2, 2 * (along(width) + along(height))),
    'two strips': 2 * along(long),
    'full area': Math.max(2, along(width) * along(height)),
    // A narrow strip has two ends and no four corners.
    'corners': short < spacing / 2 ? 2 : 4,
  }
  return use === 'dot' ? 1 : pieces[way]
}

const USED: Partial<Record<Means, SupplyUse>> = {
  'tape': 'tape',
  'strong tape': 'strong tape',
  'glue': 'glue',
  'foam': 'foam',
  'dot': 'dot' }

/** The supply that serves a joint: of foam the one of its height where there is one. */
export function supplyFor(
  supplies: SupplyEntry[], { means, foam }: Pick<Joint, 'means' | 'foam'>,
): SupplyEntry | undefined {
  const fit = supplies.filter(({ use }) => use === USED[means])
  if (means !== 'foam' || foam === undefined) return fit.find(({ of }) => of === '') ?? fit[0]
  const high = fit.find(({ of }) => of !== '' && Math.abs(lengthFrom(of) - foam) < MILLIMETRE / 10)
  return high ?? fit.find(({ of }) => of === '')
}

/** Everything that is stuck in one kit: each joint as often as there are pieces of its part, and what has no joint. */
export const stuckIn = ({
  joints, parts, alsoStuck,
}: Pick<Construction, 'joints' | 'parts' | 'alsoStuck'>): Stuck[] => [
  ...joints.map(({ part, means, foam, glue }) => ({
    means,
    foam,
    width: glue.width.value,
    height: glue.height.value,
    count: parts.find(({ key }) => key === part)?.count ?? 1,
  })),
  ...alsoStuck,
]

/**
 * What is stuck in one kit takes so much of every supply, from its glue zones and how the maker sticks.
 * `unlisted` names means of which no supply is in the table.
 */
export function stickingFor(
  stuck: Stuck[], supplies: SupplyEntry[], units: Units,
): { uses: Usage[], unlisted: Means[] } {
  const amounts = new Map<string, number>()
  const unlisted = new Set<Means>()
  for (const { means, foam, width, height, count } of stuck) {
    if (means === 'held') continue
    const supply = supplyFor(supplies, { means, foam })
    if (!supply) {
      unlisted.add(means)
      continue
    }
    const amount = count * amountFor(supply.use, supply.way, width, height, units)
    if (amount > 0) amounts.set(supply.key, (amounts.get(supply.key) ?? 0) + amount)
  }
  return { uses: [...amounts].map(([supply, amount]) => ({ supply, amount })), unlisted: [...unlisted] }
}

/** Usages of the same supplies added up, each so many times. */
export function added(...all: { uses: Usage[], times: number }[]): Usage[] {
  const amounts = new Map<string, number>()
  for (const { uses, times } of all)
    for (const { supply, amount } of uses) amounts.set(supply, (amounts.get(supply) ?? 0) + amount * times)
  return [...amounts].flatMap(([supply, amount]) => (amount > 0 ? [{ supply, amount }] : []))
}

/** Cents and grams of what is used. */
export function valueOf(uses: Usage[], supplies: SupplyEntry[]): { price: number, weight: number } {
  return uses.reduce((total, { supply, amount }) => {
    const entry = supplies.find(({ key }) => key === supply)
    if (!entry) return total
    const much = amount / WHOLE[measuredIn(entry.use)]
    return { price: total.price + (much / entry.pack) * entry.price, weight: total.weight + much * entry.weight }
  }, { price: 0, weight: 0 })
}

const YARD = 914_400_000

/** So much of a supply as its maker says it: `about 14 yards`, `3 m`, `12 ml`, `24`. */
export function amountInWords(use: SupplyUse, amount: number, units: Units): string {
  const measured = measuredIn(use)
  if (measured === 'pieces') return String(amount)
  const much = measured === 'volume' ? amount / WHOLE.volume : amount / (units === 'inch' ? YARD : METRE)
  const shown = much < 10 ? String(Number(much.toFixed(1))) : String(Math.round(much))
  return measured === 'volume'
    ? `${shown} ml`
    : `${shown} ${units === 'inch' ? (shown === '1' ? 'yard' : 'yards') : 'm'}`
}
