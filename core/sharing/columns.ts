import { itemAt } from '../lists'
import type { Priced } from './combinations'
import { allCombinations, cheapest, likeness, printOf, sizeOf, wishesBroken } from './combinations'
import type { Combination, Kind, Rules } from './model'

/**
 * Kits of a kind that take the same pieces of the same prints and break the same wishes: as a column of a programme
 * they are one.
 */
export interface KitColumn {
  kind: number
  /** Combinations that come to this; each is another kit. */
  members: Combination[]
  /** Weight of the wishes that each of them breaks. */
  cost: number
  /** Pieces taken, by `print demand`. */
  takes: ReadonlyMap<string, number>
  /** Roles of each print of each pool, by `pool print`. */
  uses: ReadonlyMap<string, number>
}

/** Combinations up to which a kind is listed, and columns up to which that is worth it. */
const LISTED = { combinations: 20_000, columns: 3000 }
/** Combinations added from one pricing of a kind. */
const MANY = 24

/** The ways in which kits of some kinds can be put together that are known so far. */
export class KitColumns {
  readonly columns: KitColumn[] = []
  /** Kinds of which every combination is there. */
  private readonly whole = new Set<number>()
  private readonly known = new Map<string, KitColumn>()
  private readonly names: Set<string>[]

  constructor(
    readonly kinds: Kind[],
    readonly rules: Rules,
  ) {
    this.names = kinds.map(() => new Set())
    kinds.forEach((kind, at) => {
      if (sizeOf(kind) > LISTED.combinations) return
      const all = allCombinations(kind, rules)
      const first = this.columns.length
      for (const one of all) this.add(at, one)
      if (this.columns.length - first <= LISTED.columns) return void this.whole.add(at)
      // Too many to weigh all at once: they come as they are asked for.
      for (const column of this.columns.splice(first)) this.known.delete(keyOf(column))
      this.names[at] = new Set()
    })
  }

  /** Whether every combination of every kind is there. */
  get isWhole(): boolean {
    return this.whole.size === this.kinds.length
  }

  /** Adds a combination of a kind; answers whether it was not there yet. */
  add(kind: number, { combination, cost }: Priced): boolean {
    const of = itemAt(this.kinds, kind)
    const name = likeness(of, combination)
    if (itemAt(this.names, kind).has(name)) return false
    itemAt(this.names, kind).add(name)
    const column = columnOf(of, kind, combination, cost)
    const same = this.known.get(keyOf(column))
    if (same) {
      same.members.push(combination)
      return true
    }
    this.known.set(keyOf(column), column)
    this.columns.push(column)
    return true
  }

  /**
   * Adds the combinations of a kind that cost least by some prices, whatever is wished for.
   * @param price of a piece of a print, by `print demand`
   * @returns whether there was a new one, and a cost that no combination is below
   */
  price(kind: number, price: (key: string) => number): { found: boolean, least: number } {
    const of = itemAt(this.kinds, kind)
    if (this.whole.has(kind)) {
      const costs = this.columns.filter(column => column.kind === kind).map(({ takes }) => total(takes, price))
      return { found: false, least: costs.length > 0 ? costs.reduce((least, cost) => Math.min(least, cost)) : 0 }
    }
    const prices = of.roles.map(({ options, takes }) => options.map((print, option) =>
      total(itemAt(takes, option), demand => price(`${print} ${demand}`))))
    const { found, least } = cheapest(
      of, lenient(this.rules), (role, option) => itemAt(itemAt(prices, role), option), MANY,
    )
    let some = false
    for (const { combination } of found)
      some = this.add(kind, { combination, cost: wishesBroken(of, combination, this.rules) }) || some
    return { found: some, least }
  }
}

const total = (counts: ReadonlyMap<string, number>, price: (key: string) => number): number =>
  [...counts].reduce((sum, [key, count]) => sum + count * price(key), 0)

/** Wishes count for nothing; what must be kept stays. */
const lenient = (rules: Rules): Rules => Object.fromEntries(Object.entries(rules).map(([name, rule]) =>
  [name, rule.hold === 'wish' ? { ...rule, hold: 'free' } : rule])) as unknown as Rules

function columnOf(of: Kind, kind: number, combination: Combination, cost: number): KitColumn {
  const [takes, uses] = [new Map<string, number>(), new Map<string, number>()]
  const more = (counts: Map<string, number>, key: string, count: number) =>
    counts.set(key, (counts.get(key) ?? 0) + count)
  of.roles.forEach((role, at) => {
    const print = printOf(of, combination, at)
    more(uses, `${role.pool} ${print}`, 1)
    for (const [demand, count] of itemAt(role.takes, itemAt(combination, at))) more(takes, `${print} ${demand}`, count)
  })
  return { kind, members: [combination], cost, takes, uses }
}

const keyOf = ({ kind, cost, takes, uses }: KitColumn): string =>
  `${kind} ${cost} ${[...takes].sort().join()} ${[...uses].sort().join()}`
