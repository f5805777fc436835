import type { RuleName } from '../document'
import { forRules } from '../document'
import { itemAt, lookUp } from '../lists'
import { fairShares } from './deal'
import type { Kind, Role, SharingProblem } from './model'

/*
 * A sharing in numbers, for a search that looks at millions of exchanges: prints, pools and pieces by their places, and
 * what each kit breaks kept up to date with every change.
 */

/** What a rule weighs that must be kept, while prints are handed out. */
const MUST = 100_000

/** One role of one kit. */
export interface Slot {
  kit: number
  role: number
}

interface NumberedRole {
  pool: number
  options: number[]
  /** Whether it may be of a print. */
  may: boolean[]
  /** What it takes of a print: pieces, and how many of each. */
  takes: (readonly [piece: number, count: number][])[]
}

/** Kits that may not be alike, with how many there are of each. */
interface Likeness {
  /** Place of each role of the kind among all roles of such kits. */
  places: number[]
  /** For each role what one print further adds to the number of a kit; nothing where numbers would get too large. */
  steps?: number[]
  counts: Map<number | string, number>
}

interface NumberedKind {
  roles: NumberedRole[]
  /** For each role those that should be of another print, and what it weighs when they are not. */
  apart: { other: number, weight: number }[][]
  /** What every kit of it breaks. */
  always: number
  likeness: Likeness
}

/** How often a print of a pool is used, and from where to where that is even. */
interface Share {
  least: number
  most: number
  uses: number
}

export interface NumberedKit {
  kind: NumberedKind
  /** Place of its kind. */
  at: number
  prints: number[]
  /** What tells it from other kits. */
  name: number | string
  /** Weight of the rules that it breaks by itself. */
  broken: number
}

export class NumberedSharing {
  /** Keys of prints by their numbers. */
  readonly prints: string[]
  readonly kits: NumberedKit[]
  readonly slots: Slot[]
  readonly weights: Record<RuleName, number>
  private readonly numbers: Map<string, number>
  private readonly pieces = new Map<string, number>()
  /** Pieces that are cut and not handed out, by number. */
  private readonly over: number[]
  private readonly pools = new Map<string, number>()
  /** How many kits there are of each name, by what may be alike. */
  private readonly counts = new Map<string, Likeness['counts']>()
  private readonly shares: (Share | undefined)[] = []

  /** @param cut pieces that are cut, by `print demand` */
  constructor(private readonly problem: SharingProblem, cut: ReadonlyMap<string, number>) {
    const { kinds, rules } = problem
    this.prints = [...new Set(kinds.flatMap(({ roles }) => roles.flatMap(({ options }) => options)))]
    this.numbers = new Map(this.prints.map((key, at) => [key, at]))
    this.weights = forRules((rule) => {
      const { hold, weight } = rules[rule]
      return hold === 'must' ? MUST : hold === 'wish' ? weight : 0
    })
    const numbered = this.numberedKinds()
    this.over = [...this.pieces.keys()].map(key => cut.get(key) ?? 0)
    this.kits = kinds.flatMap(({ kits, roles }, at) =>
      Array.from({ length: kits }, () => ({
        kind: itemAt(numbered, at), at, prints: roles.map(() => -1), name: '', broken: 0,
      })),
    )
    this.slots = this.kits.flatMap(({ kind }, kit) => kind.roles.map((_, role) => ({ kit, role })))
  }

  numberOf(print: string): number | undefined {
    return this.numbers.get(print)
  }

  /** Gives a role its first print, and takes the pieces for it. */
  give({ kit, role }: Slot, print: number): void {
    itemAt(this.kits, kit).prints[role] = print
    this.use({ kit, role }, print, -1)
  }

  /** Counts what is broken once every role has its print. */
  count(): void {
    for (const kit of this.kits) {
      const { kind: { apart, always, likeness }, prints } = kit
      // Each pair is met from both of its sides.
      const pairs = apart.flatMap((others, role) =>
        others.map(({ other, weight }) => (prints[role] === prints[other] ? weight / 2 : 0)),
      )
      kit.broken = always + pairs.reduce((sum, weight) => sum + weight, 0)
      kit.name = nameOf(kit)
      likeness.counts.set(kit.name, (likeness.counts.get(kit.name) ?? 0) + 1)
    }
    for (const { pool, print, least, most } of fairShares(this.problem.kinds))
      this.shares[this.placeOf(this.pools.get(pool) ?? 0, this.numbers.get(print) ?? 0)] = { least, most, uses: 0 }
    for (const {
      kind: { roles }, prints,
    } of this.kits)
      roles.forEach(({ pool }, role) => this.countUse(pool, itemAt(prints, role), 1))
  }

  /** Weight of the rules that a kit breaks, by itself and as a twin of others. */
  weightOf(kit: NumberedKit): number {
    return kit.broken + this.weights.different * ((kit.kind.likeness.counts.get(kit.name) ?? 1) - 1)
  }

  /** Weight of all that is broken. */
  weightOfAll(): number {
    const { different, evenly } = this.weights
    let sum = 0
    for (const { broken } of this.kits) sum += broken
    for (const counts of this.counts.values())
      for (const count of counts.values()) sum += different * Math.max(0, count - 1)
    for (const share of this.shares) if (share) sum += evenly * offShare(share, 0)
    return sum
  }

  /** Sets a print and answers how much lighter what is broken became. */
  put(kit: NumberedKit, role: number, print: number): number {
    const { kind: { apart, likeness: { counts, steps } }, prints } = kit
    const before = prints[role]
    let gain = 0
    for (const { other, weight } of itemAt(apart, role)) {
      const its = prints[other]
      if (its === before) gain += weight
      if (its === print) gain -= weight
    }
    kit.broken -= gain
    prints[role] = print
    const { different } = this.weights
    if (different === 0) return gain
    const old = counts.get(kit.name) ?? 1
    counts.set(kit.name, old - 1)
    kit.name
      = steps && typeof kit.name === 'number' ? kit.name + (print - (before ?? 0)) * itemAt(steps, role) : nameOf(kit)
    const now = (counts.get(kit.name) ?? 0) + 1
    counts.set(kit.name, now)
    return gain + different * (old - now)
  }

  poolOf(slot: Slot): number {
    return this.roleOf(slot).pool
  }

  roleOf({ kit, role }: Slot): NumberedRole {
    return itemAt(itemAt(this.kits, kit).kind.roles, role)
  }

  /** Whether a print of a pool is used more than evenly. */
  isOverused(pool: number, print: number): boolean {
    const share = this.shares[this.placeOf(pool, print)]
    return share !== undefined && share.uses > share.most
  }

  /** What comes nearer to even use when a slot of a pool takes another print. */
  evener(pool: number, from: number, to: number): number {
    const [less, more] = [this.shares[this.placeOf(pool, from)], this.shares[this.placeOf(pool, to)]]
    return this.weights.evenly * (offShare(less, 0) + offShare(more, 0) - offShare(less, -1) - offShare(more, 1))
  }

  countUse(pool: number, print: number, sign: number): void {
    const share = this.shares[this.placeOf(pool, print)]
    if (share) share.uses += sign
  }

  /** Takes pieces from what is over, or gives them back. */
  use(slot: Slot, print: number, sign: number): void {
    for (const [piece, count] of this.roleOf(slot).takes[print] ?? [])
      this.over[piece] = (this.over[piece] ?? 0) + sign * count
  }

  /** Prints of which pieces for a slot are over. */
  spare(slot: Slot, mine: number): number[] {
    const { options, takes } = this.roleOf(slot)
    return options.filter(
      print => print !== mine && (takes[print] ?? []).every(([piece, count]) => (this.over[piece] ?? 0) >= count),
    )
  }

  private placeOf(pool: number, print: number): number {
    return pool * this.prints.length + print
  }

  private numberedKinds(): NumberedKind[] {
    const { kinds } = this.problem
    const groups = new Map<string, Kind[]>()
    for (const kind of kinds) groups.set(kind.alike, [...(groups.get(kind.alike) ?? []), kind])
    for (const alike of groups.keys()) this.counts.set(alike, new Map())
    return kinds.map((kind): NumberedKind => {
      const roles = kind.roles.map(role => this.numberedRole(role))
      const apart: NumberedKind['apart'] = kind.roles.map(() => [])
      let always = 0
      for (const { roles: [a, b], rule } of kind.apart) {
        const weight = this.weights[rule]
        if (a === b) always += weight
        else {
          apart[a]?.push({ other: b, weight })
          apart[b]?.push({ other: a, weight })
        }
      }
      // Kinds of one card have the same roles; each has a place in the number of a kit.
      const places = [...new Set((groups.get(kind.alike) ?? []).flatMap(({ roles }) => roles.map(({ key }) => key)))]
      const base = this.prints.length + 1
      const own = kind.roles.map(({ key }) => places.indexOf(key))
      const steps = base ** places.length < Number.MAX_SAFE_INTEGER ? own.map(place => base ** place) : undefined
      return { roles, apart, always, likeness: { places: own, steps, counts: lookUp(this.counts, kind.alike) } }
    })
  }

  private numberedRole({ pool, options, takes }: Role): NumberedRole {
    if (!this.pools.has(pool)) this.pools.set(pool, this.pools.size)
    const numbered: NumberedRole = { pool: this.pools.get(pool) ?? 0, options: [], may: [], takes: [] }
    options.forEach((key, option) => {
      const print = this.numbers.get(key) ?? 0
      numbered.options.push(print)
      numbered.may[print] = true
      numbered.takes[print] = [...itemAt(takes, option)].map(([demand, count]) => {
        const piece = `${key} ${demand}`
        if (!this.pieces.has(piece)) this.pieces.set(piece, this.pieces.size)
        return [this.pieces.get(piece) ?? 0, count] as const
      })
    })
    return numbered
  }
}

/** How far a print would be from even use with so many uses more. */
const offShare = (share: Share | undefined, more: number): number =>
  (share ? Math.max(0, share.uses + more - share.most, share.least - share.uses - more) : 0)

/** A number for the prints of a kit, role by role; a text where numbers would get too large. */
function nameOf({ kind: { likeness: { places, steps } }, prints }: NumberedKit): number | string {
  if (steps) return prints.reduce((sum, print, role) => sum + (print + 1) * itemAt(steps, role), 0)
  const placed: number[] = []
  prints.forEach((print, role) => (placed[itemAt(places, role)] = print))
  return placed.join()
}
