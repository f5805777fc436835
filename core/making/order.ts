import { itemAt } from '../lists'

/* Steps that need each other, brought into one order. It knows nothing of cards. */

/** Something to be done, and what must be done before it. */
export interface Needing {
  key: string
  /** Keys of what comes before it; one that is not there needs nothing. */
  needs: readonly string[]
  /** Where it comes as long as nothing that it needs is later: the lowest first, of equal ones as they are given. */
  rank: number
}

export interface Ordered<Step> {
  steps: Step[]
  /**
   * Two that each have to come before the other, where there are any. The order still holds all steps: the need that
   * cannot be met is left out where the lowest rank is.
   */
  ring?: [Step, Step]
}

/**
 * The natural order of steps: a topological one that takes the lowest rank of what can be done next (Kahn's algorithm
 * with a priority; cards have some dozens of steps, so that a plain search for the lowest is quickest).
 */
export function inOrder<Step extends Needing>(given: readonly Step[]): Ordered<Step> {
  const sorted = [...given].sort((a, b) => a.rank - b.rank)
  const placeOf = new Map(sorted.map(({ key }, place) => [key, place]))
  const needsOf = sorted.map(({ needs }, place) =>
    [...new Set(needs)].flatMap(need => placeOf.get(need) ?? []).filter(need => need !== place))
  const neededBy: number[][] = sorted.map(() => [])
  for (const [place, needs] of needsOf.entries()) for (const need of needs) neededBy[need]?.push(place)
  /** How many needs of each are not done yet; less than nothing once it is done itself. */
  const lacks = needsOf.map(({ length }) => length)
  const steps: Step[] = []
  let ring: [Step, Step] | undefined
  while (steps.length < sorted.length) {
    let next = lacks.indexOf(0)
    if (next < 0) {
      const open = (place: number) => !isDone(place)
      next = sorted.findIndex((_, place) => open(place))
      const [before, after] = ringFrom(next, place => needsOf[place]?.find(open))
      ring ??= [itemAt(sorted, before), itemAt(sorted, after)]
    }
    lacks[next] = DONE
    steps.push(itemAt(sorted, next))
    for (const place of neededBy[next] ?? []) if (!isDone(place)) lacks[place] = (lacks[place] ?? 0) - 1
  }
  return { steps, ring }

  function isDone(place: number): boolean {
    return lacks[place] === DONE
  }
}
const DONE = -1

/** Two neighbours of a ring of needs: from any step along what it needs one comes into it. */
function ringFrom(from: number, needOf: (place: number) => number | undefined): [number, number] {
  const seen = new Set<number>()
  let at = from
  while (!seen.has(at)) {
    seen.add(at)
    at = needOf(at) ?? at
  }
  return [needOf(at) ?? at, at]
}

/** Stands for the beginning, where a step comes after nothing. */
export const START = 'start'

/** Where a step may stand among others in their order: the first and the last place, which its needs leave it. */
export function roomOf(
  { key, needs }: Pick<Needing, 'key' | 'needs'>, others: readonly Needing[],
): { first: number, last: number } {
  const before = others.map((other, at) => (needs.includes(other.key) ? at + 1 : 0))
  const after = others.findIndex(other => other.needs.includes(key))
  return { first: Math.max(0, ...before), last: after < 0 ? others.length : after }
}

/**
 * An order with some steps moved behind others, one after the other as they are given, each as far as its needs allow.
 * One that is to come after what is not there stays where it is.
 * @param moves `after` is a key, or `START`
 */
export function moved<Step extends Needing>(
  ordered: readonly Step[], moves: readonly { key: string, after: string }[],
): Step[] {
  let steps = [...ordered]
  for (const { key, after } of moves) {
    const step = steps.find(one => one.key === key)
    const others = steps.filter(one => one !== step)
    const behind = after === START ? 0 : others.findIndex(one => one.key === after) + 1
    if (!step || (behind === 0 && after !== START)) continue
    const { first, last } = roomOf(step, others)
    // In a ring of needs there is no room; the order stands then.
    if (first > last) continue
    const place = Math.min(Math.max(behind, first), last)
    steps = [...others.slice(0, place), step, ...others.slice(place)]
  }
  return steps
}
