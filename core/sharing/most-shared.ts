import type { Solve } from '../cutting'
import { addWorthwhile, rounds } from '../cutting'
import { itemAt } from '../lists'
import { cheapest } from './combinations'
import type { Kind, Sharing, SharingProblem } from './model'
import type { Built } from './programme'
import { SharingProgramme } from './programme'
import { WORTH_WHILE } from './share'

const MOST_ROUNDS = 60
/** Branches of the integer programme. */
const NODES = 4000

/** How many kits some sheets give: at least `kits`, and never more than `most`; with a sharing of so many. */
export interface MostShared {
  kits: number
  most: number
  sharing: Sharing['kits']
}

/** The most kits from what is on hand, one of each card, nothing bought; by the rules that must be kept. */
export function mostShared(problem: SharingProblem, solve: Solve): MostShared {
  const roomy: SharingProblem = {
    ...problem,
    rules: { ...problem.rules, evenly: { hold: 'free', weight: 0 } },
    prints: problem.prints.map(print => ({
      ...print,
      problem: { ...print.problem,
        supplies: print.problem.supplies.filter(({ onHand }) => onHand > 0).map(supply => ({ ...supply, price: null })),
      },
    })),
    kinds: problem.kinds.map(kind => ({ ...kind, kits: Math.max(kind.kits, mostByArea(problem, kind)) })),
  }
  const programme = new SharingProgramme(roomy)
  for (const { kind, combination, cost } of seeds(roomy)) programme.kits.add(kind, { combination, cost })
  let most = Infinity
  for (const {
    built, relaxed: { dual, amount },
  } of rounds(MOST_ROUNDS, solve, () => programme.build({ isMost: true, wishes: false }))) {
    if (programme.isWhole) {
      most = Math.floor(amount(built.sets ?? -1) + WORTH_WHILE)
      break
    }
    const prices = pricesOf(programme, built, dual)
    let found = false
    let total = 0
    programme.prints.forEach(({ print, patterns, demands, whole }, at) => {
      const worths = new Map(demands.map(({ key }) => [key, prices(`${print.key} ${key}`)]))
      const drawer = (supply: number) => dual(built.drawers[at]?.[supply])
      // Where all patterns are there, none is worth more than its sheet.
      const priced = whole ? undefined : addWorthwhile(patterns, { worths, drawer, least: WORTH_WHILE })
      found ||= priced?.found ?? false
      patterns.supplies.forEach(({ onHand }, index) =>
        (total += Math.max(-drawer(index), priced ? itemAt(priced.tops, index) : -drawer(index)) * onHand))
    })
    // One set takes at least its cheapest kit of every card; scaled so that a set is worth one.
    const cheap = new Map<string, number>()
    roomy.kinds.forEach((kind, at) => {
      const answer = programme.kits.price(at, prices)
      cheap.set(kind.card, Math.min(cheap.get(kind.card) ?? Infinity, answer.least))
      found = answer.found || found
    })
    const aSet = [...cheap.values()].reduce((sum, cost) => sum + cost, 0)
    if (aSet > WORTH_WHILE) most = Math.min(most, Math.floor(total / aSet + WORTH_WHILE))
    if (!found) break
  }
  if (!Number.isFinite(most)) return { kits: 0, most: 0, sharing: problem.kinds.map(() => []) }
  const built = programme.build({ isMost: true, wishes: false })
  const whole = solve({ ...built.programme, whole: { nodes: NODES } })
  if (!whole || built.sets === undefined) return { kits: 0, most, sharing: problem.kinds.map(() => []) }
  const kits = Math.round(whole.columns[built.sets] ?? 0)
  return {
    kits, most: whole.optimal && programme.isWhole ? kits : Math.max(kits, most),
    sharing: programme.kitsIn(built, whole.columns),
  }
}

/** Combinations to begin with where not all are listed. */
const seeds = ({ kinds, rules }: SharingProblem) => kinds.flatMap((kind, at) =>
  cheapest(kind, rules, (role, option) => (role + option) % kind.roles.length, MANY_SEEDS).found.map(one => ({
    kind: at, ...one,
  })),
)
const MANY_SEEDS = 24

/** Kits of a kind that all sheets on hand would give by area, so that programmes know how many pieces may be cut. */
function mostByArea({ prints }: SharingProblem, { roles }: Kind): number {
  const area = ({ width, height }: { width: number, height: number }) => width * height
  const have = prints.reduce(
    (sum, { problem }) => sum + problem.supplies.reduce((all, supply) => all + area(supply) * supply.onHand, 0), 0,
  )
  const need = roles.reduce((sum, { options, takes }) => sum + Math.min(...options.map((print, option) => {
    const demands = prints.find(({ key }) => key === print)?.problem.demands ?? []
    return [...itemAt(takes, option)].reduce(
      (all, [key, count]) =>
        all + count * area(demands.find(demand => demand.key === key) ?? { width: 0, height: 0 }),
      0,
    )
  })), 0)
  return need > 0 ? Math.ceil(have / need) : 0
}

/** What a piece of a print costs a kit by the duals of a round, by `print demand`. */
function pricesOf({ prints }: SharingProgramme, built: Built, dual: (row: number) => number): (key: string) => number {
  const prices = new Map<string, number>()
  prints.forEach(({ print, demands }, at) =>
    demands.forEach(({ key }, index) =>
      prices.set(`${print.key} ${key}`, Math.max(0, dual(itemAt(itemAt(built.demandRows, at), index)))),
    ),
  )
  return key => prices.get(key) ?? 0
}
