import { itemAt } from '../lists'
import type { PrintCut } from './to-prints'
import { typeOf } from './classes'
import { fairShares } from './deal'
import type { Combination, Kind, Role, SharingProblem } from './model'

/** What a rule weighs that must be kept, while prints are handed out. */
const MUST = 100_000
/** Swaps that are tried, and rounds without anything better, before it is content. */
const MOST_TRIES = 4_000_000
const MOST_STILL = 60
/** Rounds for which a slot does not take back what it gave away. */
const TABU = 7

/** One role of one kit. */
interface Slot {
  kit: number
  role: number
  type: string
}

interface Kit {
  kind: Kind
  at: number
  prints: string[]
}

/**
 * Hands the pieces that are cut to kits, so that rules are broken as little as swaps can bring about: first in turn, then slots that
 * break a rule swap their prints with others of the same type, or take a print of which pieces are over.
 * @returns the kits by kind, and how many of their roles had no print left and were given one that is not cut
 */
export function handedOut(problem: SharingProblem, { dealt, pieces }: PrintCut): { kits: Combination[][], missing: number } {
  const { kinds, rules } = problem
  const kits: Kit[] = kinds.flatMap((kind, at) => Array.from({ length: kind.kits }, () => ({ kind, at, prints: [] as string[] })))
  const slots: Slot[] = kits.flatMap(({ kind }, kit) => kind.roles.map((role, at) => ({ kit, role: at, type: sizeOf(role) })))
  const dealtTo = grouped(slots.map(slot => [typeOf(itemAt(itemAt(kits, slot.kit).kind.roles, slot.role)), slot]))
  const ofSize = grouped(slots.map((slot, at) => [slot.type, [slot, at] as const]))
  const over = new Map(pieces)
  const missing = new Set<Kit>()
  for (const [type, own] of dealtTo) {
    const left = new Map(dealt.get(type) ?? [])
    const prints = [...left.keys()]
    let turn = 0
    for (const { kit, role } of own) {
      const to = itemAt(kits, kit)
      // In turn, as cards are dealt, one further for each role, so that the roles of a kit begin with different prints.
      let print: string | undefined
      for (let step = 0; step < prints.length && print === undefined; step++) {
        const next = itemAt(prints, (turn + role + step) % prints.length)
        if ((left.get(next) ?? 0) > 0) print = next
      }
      turn++
      if (print === undefined) {
        missing.add(to)
        print = itemAt(itemAt(to.kind.roles, role).options, kit % itemAt(to.kind.roles, role).options.length)
      }
      else { left.set(print, (left.get(print) ?? 0) - 1) }
      to.prints[role] = print
      use(to, role, print, -1)
    }
  }
  const weights = { touching: weightOf('touching'), neighbours: weightOf('neighbours'),
    different: weightOf('different'), evenly: weightOf('evenly') }
  const alike = new Map<string, number>()
  for (const kit of kits) note(kit, 1)
  const fair = new Map(fairShares(kinds).map(({ pool, print, least, most }) => [`${pool} ${print}`, { least, most, uses: 0 }]))
  for (const { kind, prints } of kits) kind.roles.forEach(({ pool }, role) => count(pool, itemAt(prints, role), 1))
  improve()
  return {
    missing: missing.size,
    kits: kinds.map((kind, at) => kits.filter(kit => kit.at === at).map(({ prints }) =>
      kind.roles.map(({ options }, role) => options.indexOf(itemAt(prints, role))))),
  }

  function weightOf(rule: keyof typeof rules): number {
    const { hold, weight } = rules[rule]
    return hold === 'must' ? MUST : hold === 'wish' ? weight : 0
  }

  /** Takes pieces from what is over, or gives them back. */
  function use({ kind }: Kit, role: number, print: string, sign: number): void {
    const { options, takes } = itemAt(kind.roles, role)
    for (const [demand, number] of itemAt(takes, options.indexOf(print))) {
      const key = `${print} ${demand}`
      over.set(key, (over.get(key) ?? 0) + sign * number)
    }
  }

  function nameOf({ kind, prints }: Kit): string {
    return `${kind.alike}: ${kind.roles.map(({ key }, role) => `${key}=${prints[role]}`).join(' ')}`
  }

  function note(kit: Kit, sign: number): void {
    const name = nameOf(kit)
    alike.set(name, (alike.get(name) ?? 0) + sign)
  }

  function count(pool: string, print: string, sign: number): void {
    const share = fair.get(`${pool} ${print}`)
    if (share) share.uses += sign
  }

  /** Weight of the rules that a kit breaks by itself. */
  function within({ kind, prints }: Kit): number {
    let sum = 0
    for (const { roles: [a, b], rule } of kind.apart) if (prints[a] === prints[b]) sum += weights[rule]
    return sum
  }

  /** Sets a print and answers how much lighter what is broken became. */
  function put(kit: Kit, role: number, print: string): number {
    const before = within(kit) + twins(kit)
    note(kit, -1)
    kit.prints[role] = print
    note(kit, 1)
    return before - within(kit) - twins(kit)
  }

  function twins(kit: Kit): number {
    return weights.different === 0 ? 0 : weights.different * ((alike.get(nameOf(kit)) ?? 1) - 1)
  }

  /**
   * Tabu search: a slot that breaks a rule takes the best swap or spare print, even where that is no better, but not one that it has
   * just given away; the best state seen is kept. Nothing in it is left to chance.
   */
  function improve(): void {
    const given = new Map<string, number>()
    let [tries, turn, weight] = [0, 0, weightOfAll()]
    let best = { weight, prints: kits.map(({ prints }) => [...prints]) }
    for (let still = 0; tries < MOST_TRIES && still < MOST_STILL && best.weight > 0; turn++, still++) {
      let acted = false
      for (const [at, slot] of slots.entries()) {
        const kit = itemAt(kits, slot.kit)
        if (within(kit) + twins(kit) > 0 || (still === 0 && isUneven(slot, kit))) acted = settle(slot, at, kit) || acted
        if (tries >= MOST_TRIES) break
      }
      weight = weightOfAll()
      if (weight < best.weight - 1e-9) {
        best = { weight, prints: kits.map(({ prints }) => [...prints]) }
        still = -1
      }
      if (!acted) break
    }
    kits.forEach((kit, at) => (kit.prints = itemAt(best.prints, at)))

    function weightOfAll(): number {
      let sum = 0
      for (const kit of kits) sum += within(kit)
      for (const count of alike.values()) sum += weights.different * Math.max(0, count - 1)
      for (const { uses, least, most } of fair.values()) sum += weights.evenly * Math.max(0, uses - most, least - uses)
      return sum
    }

    function isUneven({ role }: Slot, kit: Kit): boolean {
      const share = fair.get(`${itemAt(kit.kind.roles, role).pool} ${itemAt(kit.prints, role)}`)
      return weights.evenly > 0 && share !== undefined && share.uses > share.most
    }

    function settle(slot: Slot, at: number, kit: Kit): boolean {
      const mine = itemAt(kit.prints, slot.role)
      const mayTake = (place: number, print: string) => (given.get(`${place} ${print}`) ?? -TABU) + TABU <= turn
      let top: { gain: number, other?: Slot, place: number, print: string } | undefined
      const offer = (gain: number, place: number, print: string, other?: Slot) => {
        if (!top || gain > top.gain + 1e-9) top = { gain, other, place, print }
      }
      for (const [other, place] of ofSize.get(slot.type) ?? []) {
        const theirs = itemAt(kits, other.kit)
        const print = itemAt(theirs.prints, other.role)
        if (print === mine || !mayTake(at, print) || !mayTake(place, mine)) continue
        if (!itemAt(theirs.kind.roles, other.role).options.includes(mine)
          || !itemAt(kit.kind.roles, slot.role).options.includes(print)) continue
        tries++
        const gain = put(kit, slot.role, print) + put(theirs, other.role, mine) + (poolOf(slot, kit) === poolOf(other, theirs)
          ? 0
          : evener(slot, kit, mine, print) + evener(other, theirs, print, mine))
        put(theirs, other.role, print)
        put(kit, slot.role, mine)
        offer(gain, place, print, other)
      }
      for (const print of spare(slot, mine)) {
        if (!mayTake(at, print)) continue
        tries++
        const gain = put(kit, slot.role, print) + evener(slot, kit, mine, print)
        put(kit, slot.role, mine)
        offer(gain, -1, print)
      }
      if (!top || (top.gain <= 1e-9 && within(kit) + twins(kit) === 0)) return false
      given.set(`${at} ${mine}`, turn)
      if (!top.other) {
        take(slot, kit, mine, top.print)
        return true
      }
      const theirs = itemAt(kits, top.other.kit)
      given.set(`${top.place} ${top.print}`, turn)
      swapUses(slot, kit, top.other, theirs)
      put(kit, slot.role, top.print)
      put(theirs, top.other.role, mine)
      return true
    }

    function poolOf({ role }: Slot, { kind }: Kit): string {
      return itemAt(kind.roles, role).pool
    }

    /** What comes nearer to even use when a slot takes another print. */
    function evener({ role }: Slot, { kind }: Kit, from: string, to: string): number {
      const { pool } = itemAt(kind.roles, role)
      const off = (print: string, more: number) => {
        const share = fair.get(`${pool} ${print}`)
        return share ? Math.max(0, share.uses + more - share.most, share.least - share.uses - more) : 0
      }
      return weights.evenly * (off(from, 0) + off(to, 0) - off(from, -1) - off(to, 1))
    }

    /** Slots of one size may be of different pools. */
    function swapUses(one: Slot, kit: Kit, other: Slot, theirs: Kit): void {
      const [pool, their] = [poolOf(one, kit), poolOf(other, theirs)]
      if (pool === their) return
      const [mine, print] = [itemAt(kit.prints, one.role), itemAt(theirs.prints, other.role)]
      count(pool, mine, -1)
      count(pool, print, 1)
      count(their, print, -1)
      count(their, mine, 1)
    }

    function take(slot: Slot, kit: Kit, from: string, to: string): void {
      const { pool } = itemAt(kit.kind.roles, slot.role)
      use(kit, slot.role, from, 1)
      use(kit, slot.role, to, -1)
      count(pool, from, -1)
      count(pool, to, 1)
      put(kit, slot.role, to)
    }

    /** Prints of which pieces for a slot are over. */
    function spare({ kit, role }: Slot, mine: string): string[] {
      const { options, takes } = itemAt(itemAt(kits, kit).kind.roles, role)
      return options.filter((print, option) => print !== mine
        && [...itemAt(takes, option)].every(([demand, number]) => (over.get(`${print} ${demand}`) ?? 0) >= number))
    }
  }
}

/** What a role takes of the first of its prints: roles that take the same can swap prints that both may be of. */
const sizeOf = ({ takes }: Role): string => [...(takes[0] ?? [])].sort().join()

function grouped<T>(entries: [string, T][]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const [key, item] of entries) {
    const own = groups.get(key)
    if (own) own.push(item)
    else groups.set(key, [item])
  }
  return groups
}
