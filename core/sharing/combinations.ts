import { itemAt } from '../lists'
import type { Apart, Combination, Kind, Rules } from './model'

/** The print of a role in a combination. */
export const printOf = ({ roles }: Kind, combination: Combination, role: number): string =>
  itemAt(itemAt(roles, role).options, itemAt(combination, role))

/** Pairs of roles that a combination gives the same print although they should differ. */
export const brokenIn = (kind: Kind, combination: Combination): Apart[] =>
  kind.apart.filter(({ roles: [a, b] }) => printOf(kind, combination, a) === printOf(kind, combination, b))

/** What the wishes weigh that a combination does not meet. */
export const wishesBroken = (kind: Kind, combination: Combination, rules: Rules): number =>
  brokenIn(kind, combination).reduce(
    (sum, { rule }) => (rules[rule].hold === 'wish' ? sum + rules[rule].weight : sum), 0,
  )

/** Steps after which a search for the cheapest combinations is content with what it has. */
const MOST_STEPS = 40_000

/** A combination with what it costs. */
export interface Priced {
  combination: Combination
  cost: number
}

/**
 * The cheapest combinations of a kind that keep what must be kept, cheapest first; of equal ones the first in order.
 * What a wish weighs that is not kept is part of the cost.
 * @param price of a role's option
 * @param many how many at most
 * @param skip combinations that are not wanted, by `likeness`
 * @returns them, and a cost that none is below, even where the search ended early
 */
export function cheapest(
  kind: Kind,
  rules: Rules,
  price: (role: number, option: number) => number,
  many: number,
  skip?: ReadonlySet<string>,
): { found: Priced[], least: number } {
  const { roles, apart } = kind
  const prices = roles.map(({ options }, role) => options.map((_, option) => price(role, option)))
  /** Options of each role, cheapest first, so that little is looked at in vain. */
  const order = prices.map(list =>
    list.map((_, option) => option).sort((a, b) => itemAt(list, a) - itemAt(list, b) || a - b),
  )
  const rest = roles.map(() => 0)
  for (let role = roles.length - 1; role > 0; role--)
    rest[role - 1] = itemAt(rest, role) + Math.min(...itemAt(prices, role))
  /** Rules between a role and those before it. */
  const back = roles.map((_, role) => apart.flatMap(({ roles: [a, b], rule }) =>
    (Math.max(a, b) === role && a !== b ? [{ other: Math.min(a, b), ...rules[rule] }] : [])))
  const found: Priced[] = []
  const chosen: number[] = []
  let steps = 0
  visit(0, 0)
  const floor = roles.length === 0 ? 0 : Math.min(...itemAt(prices, 0)) + itemAt(rest, 0)
  return { found, least: steps > MOST_STEPS ? floor : Math.min(found[0]?.cost ?? Infinity, Infinity) }

  function visit(role: number, cost: number): void {
    if (role === roles.length) {
      if (skip?.has(likeness(kind, chosen))) return
      const at = found.findIndex(other => other.cost > cost + 1e-12)
      found.splice(at < 0 ? found.length : at, 0, { combination: [...chosen], cost })
      if (found.length > many) found.pop()
      return
    }
    for (const option of itemAt(order, role)) {
      if (steps++ > MOST_STEPS) return
      const print = itemAt(roles, role).options[option]
      let next = cost + (prices[role]?.[option] ?? 0)
      let allowed = true
      for (const { other, hold, weight } of itemAt(back, role)) {
        if (hold === 'free' || print !== itemAt(roles, other).options[itemAt(chosen, other)]) continue
        if (hold === 'must') allowed = false
        else next += weight
      }
      if (!allowed) continue
      if (found.length >= many && next + itemAt(rest, role) >= itemAt(found, -1).cost - 1e-12) continue
      chosen.push(option)
      visit(role + 1, next)
      chosen.pop()
    }
  }
}

/** What tells kits of a card from each other: their prints, role by role. */
export const likeness = (kind: Kind, combination: Combination): string =>
  kind.roles.map(({ key }, role) => `${key}=${printOf(kind, combination, role)}`).join(' ')

/** How many combinations a kind has, rules aside. */
export const sizeOf = ({ roles }: Kind): number => roles.reduce((size, { options }) => size * options.length, 1)

/** Every combination of a kind that keeps what must be kept, with the weight of wishes that it breaks; in order. */
export function allCombinations(kind: Kind, rules: Rules): Priced[] {
  const { roles, apart } = kind
  const all: Priced[] = []
  const chosen: number[] = []
  const visit = (role: number, cost: number): void => {
    if (role === roles.length) return void all.push({ combination: [...chosen], cost })
    itemAt(roles, role).options.forEach((print, option) => {
      let next = cost
      for (const { roles: [a, b], rule } of apart) {
        if (Math.max(a, b) !== role || a === b) continue
        const other = Math.min(a, b)
        if (itemAt(roles, other).options[itemAt(chosen, other)] !== print) continue
        if (rules[rule].hold === 'must') return
        if (rules[rule].hold === 'wish') next += rules[rule].weight
      }
      chosen.push(option)
      visit(role + 1, next)
      chosen.pop()
    })
  }
  visit(0, 0)
  return all
}
