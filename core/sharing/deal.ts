import { forRules } from '../document'
import { itemAt, lookUp } from '../lists'
import type { Priced } from './combinations'
import { allCombinations, brokenIn, cheapest, likeness, printOf, sizeOf } from './combinations'
import type { Broken, Combination, Kind, Sharing, SharingProblem } from './model'

/** What another use of a print weighs beside a wish, so that all get about their share. */
const ANOTHER_USE = 1e-3

/**
 * Prints shared out at once, kit by kit: of the combinations that break least, one that takes the prints used least so
 * far, and no combination twice where there are others. Nothing is cut with thought yet.
 */
export function dealtOut({ kinds, rules }: SharingProblem): Sharing {
  const used = new Map<string, number>()
  const usesOf = (print: string) => used.get(print) ?? 0
  const taken = new Map<string, Set<string>>()
  const kits = kinds.map((kind): Combination[] => {
    const before = taken.get(kind.alike) ?? new Set<string>()
    taken.set(kind.alike, before)
    const leastUsed = leastUsedOf(kind, rules, usesOf)
    let isNew = rules.different.hold !== 'free'
    return Array.from({ length: kind.kits }, () => {
      const fresh = isNew ? leastUsed(before) : undefined
      // Once every combination is taken it stays so.
      isNew &&= fresh !== undefined
      const combination = fresh ?? leastUsed() ?? kind.roles.map(() => 0)
      if (isNew) before.add(likeness(kind, combination))
      combination.forEach((_, role) => {
        const print = printOf(kind, combination, role)
        used.set(print, usesOf(print) + 1)
      })
      return combination
    })
  })
  return { kits, broken: brokenBy({ kinds, rules }, kits), missing: 0 }
}

/**
 * Finds the combination of one kind that breaks least and takes the prints used least: without those that are taken
 * already, or of all. Of all it hangs on how far each print is ahead of the least used one of its pool, which comes
 * again and again: then it is known.
 */
function leastUsedOf(kind: Kind, rules: SharingProblem['rules'], usesOf: (print: string) => number) {
  const price = (role: number, option: number) => ANOTHER_USE * usesOf(itemAt(itemAt(kind.roles, role).options, option))
  const searched = (skip?: Set<string>) => cheapest(kind, rules, price, 1, skip).found[0]?.combination
  const pools = new Map<string, Set<string>>()
  for (const { pool, options } of kind.roles) pools.set(pool, new Set([...pools.get(pool) ?? [], ...options]))
  const known = new Map<string, Combination | undefined>()
  const size = sizeOf(kind)
  let left: (Priced & { name: string })[] | undefined
  return (taken?: Set<string>): Combination | undefined => {
    if (taken) {
      if (size > FEW || taken.size < size / 2) return searched(taken)
      // A search would pass over most of them: those that are left are looked at one by one.
      left ??= allCombinations(kind, rules).map(each => ({ ...each, name: likeness(kind, each.combination) }))
      left = left.filter(({ name }) => !taken.has(name))
      return firstOf(kind, left, price)
    }
    const ahead = [...pools.values()].map((prints) => {
      const uses = [...prints].map(usesOf)
      const least = Math.min(...uses)
      return uses.map(count => count - least)
    }).join()
    if (!known.has(ahead)) known.set(ahead, searched())
    return known.get(ahead)
  }
}

/** So many combinations of a kind are looked at one by one. */
const FEW = 2048
/** Costs that differ by less are the same. */
const SAME = 1e-12

/**
 * The cheapest of some combinations; of equal ones the one that `cheapest` comes to first, role by role by price and
 * order.
 */
function firstOf(
  { roles }: Kind, left: Priced[], price: (role: number, option: number) => number,
): Combination | undefined {
  const prices = roles.map(({ options }, role) => options.map((_, option) => price(role, option)))
  const ranks = prices.map((list) => {
    const order = list.map((_, option) => option).sort((a, b) => itemAt(list, a) - itemAt(list, b) || a - b)
    return list.map((_, option) => order.indexOf(option))
  })
  let best: Combination | undefined
  let least = Infinity
  for (const { combination, cost } of left) {
    let whole = cost
    for (const [role, option] of combination.entries()) whole += itemAt(itemAt(prices, role), option)
    if (whole > least + SAME || (best && whole > least - SAME && !comesBefore(combination, best, ranks))) continue
    best = combination
    least = whole
  }
  return best
}

function comesBefore(one: Combination, other: Combination, ranks: number[][]): boolean {
  for (const [role, list] of ranks.entries()) {
    const [a, b] = [itemAt(list, itemAt(one, role)), itemAt(list, itemAt(other, role))]
    if (a !== b) return a < b
  }
  return false
}

/** How often a sharing breaks each rule, whether it must be kept, is a wish, or nobody minds. */
export function brokenBy(
  { kinds }: Pick<SharingProblem, 'kinds' | 'rules'>, kits: readonly (readonly Combination[])[],
): Broken {
  const broken: Broken = forRules(() => 0)
  const seen = new Map<string, Set<string>>()
  kinds.forEach((kind, at) => {
    const names = seen.get(kind.alike) ?? new Set<string>()
    seen.set(kind.alike, names)
    for (const combination of itemAt(kits, at)) {
      for (const { rule } of brokenIn(kind, combination)) broken[rule]++
      const name = likeness(kind, combination)
      if (names.has(name)) broken.different++
      names.add(name)
    }
  })
  const uses = usesIn(kinds, kits)
  for (const { pool, print, least, most } of fairShares(kinds)) {
    const count = lookUp(uses, `${pool} ${print}`)
    broken.evenly += Math.max(0, count - most, least - count)
  }
  return broken
}

/** How many roles of all kits are of each print of each pool, by `pool print`. */
function usesIn(kinds: SharingProblem['kinds'], kits: readonly (readonly Combination[])[]): Map<string, number> {
  const uses = new Map(fairShares(kinds).map(({ pool, print }) => [`${pool} ${print}`, 0]))
  kinds.forEach((kind, at) => {
    for (const combination of itemAt(kits, at)) {
      kind.roles.forEach(({ pool }, role) => {
        const key = `${pool} ${printOf(kind, combination, role)}`
        uses.set(key, (uses.get(key) ?? 0) + 1)
      })
    }
  })
  return uses
}

/**
 * How far a print may be from its fair share while its pool still counts as used evenly, as a share of that, and in
 * roles at least: sheets come whole, so that one print in three may have a sheet more than the others.
 */
const FAIR = { share: 1 / 3, roles: 1 }

/** The least and most uses of every print of every pool that still count as even. */
export function fairShares(
  kinds: SharingProblem['kinds'],
): { pool: string, print: string, least: number, most: number }[] {
  const pools = new Map<string, { prints: Set<string>, roles: number }>()
  for (const { roles, kits } of kinds) {
    for (const { pool, options } of roles) {
      const known = pools.get(pool) ?? { prints: new Set<string>(), roles: 0 }
      options.forEach(print => known.prints.add(print))
      known.roles += kits
      pools.set(pool, known)
    }
  }
  return [...pools].flatMap(([pool, { prints, roles }]) => [...prints].map((print) => {
    const fair = roles / prints.size
    const slack = Math.max(FAIR.roles, Math.floor(fair * FAIR.share))
    return { pool, print, least: Math.max(0, Math.floor(fair) - slack + 1), most: Math.ceil(fair) + slack - 1 }
  }))
}
