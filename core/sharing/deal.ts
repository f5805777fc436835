import { itemAt, lookUp } from '../lists'
import { brokenIn, cheapest, likeness, printOf } from './combinations'
import type { Broken, Combination, Sharing, SharingProblem } from './model'

/** What another use of a print weighs beside a wish, so that all get about their share. */
const ANOTHER_USE = 1e-3

/**
 * Prints shared out at once, kit by kit: of the combinations that break least, one that takes the prints used least so far, and no
 * combination twice where there are others. Nothing is cut with thought yet.
 */
export function dealtOut({ kinds, rules }: SharingProblem): Sharing {
  const used = new Map<string, number>()
  const usesOf = (print: string) => used.get(print) ?? 0
  const taken = new Map<string, Set<string>>()
  const kits = kinds.map((kind): Combination[] => {
    const before = taken.get(kind.alike) ?? new Set<string>()
    taken.set(kind.alike, before)
    return Array.from({ length: kind.kits }, () => {
      const price = (role: number, option: number) => ANOTHER_USE * usesOf(itemAt(itemAt(kind.roles, role).options, option))
      const of = (skip?: Set<string>) => cheapest(kind, rules, price, 1, skip).found[0]?.combination
      const combination = of(rules.different.hold === 'free' ? undefined : before) ?? of() ?? kind.roles.map(() => 0)
      before.add(likeness(kind, combination))
      combination.forEach((_, role) => {
        const print = printOf(kind, combination, role)
        used.set(print, usesOf(print) + 1)
      })
      return combination
    })
  })
  return { kits, broken: brokenBy({ kinds, rules }, kits), missing: 0 }
}

/** How often a sharing breaks each rule, whether it must be kept, is a wish, or nobody minds. */
export function brokenBy({ kinds }: Pick<SharingProblem, 'kinds' | 'rules'>, kits: readonly (readonly Combination[])[]): Broken {
  const broken: Broken = { touching: 0, neighbours: 0, different: 0, evenly: 0 }
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
 * How far a print may be from its fair share while its pool still counts as used evenly, as a share of that, and in roles at least:
 * sheets come whole, so that one print in three may have a sheet more than the others.
 */
const FAIR = { share: 1 / 3, roles: 1 }

/** The least and most uses of every print of every pool that still count as even. */
export function fairShares(kinds: SharingProblem['kinds']): { pool: string, print: string, least: number, most: number }[] {
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
