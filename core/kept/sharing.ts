import type { Layout, CuttingProblem } from '../cutting'
import { verifyPlan } from '../cutting'
import { itemAt } from '../lists'
import type { Sharing, SharingProblem } from '../sharing'
import { brokenBy } from '../sharing'

/**
 * A sharing that was kept, or comes from another device. It is answered only where every kit has prints that it may
 * have, broken rules are counted as they are, and sheets can be cut as it says; bounds are taken as they are said.
 * @param read whatever was read
 * @returns nothing where anything about it is wrong
 */
export function keptSharing(read: unknown, problem: SharingProblem): Sharing | undefined {
  try {
    const sharing = read as Sharing
    return isShaped(sharing, problem) && isCutAsSaid(sharing, problem)
      ? { ...sharing, broken: brokenBy(problem, sharing.kits) }
      : undefined
  }
  catch {
    // What has another shape breaks what looks at it.
    return undefined
  }
}

const isShaped = ({ kits, missing, sheets, bound, cost, least }: Sharing, { kinds }: SharingProblem): boolean =>
  [missing, sheets, bound, cost, least].every(value => value === undefined || (Number.isFinite(value) && value >= 0))
  && (bound ?? 0) <= (sheets ?? Infinity)
  && kits.length === kinds.length
  && kinds.every(({ kits: count, roles }, at) => {
    const combinations = itemAt(kits, at)
    return combinations.length === count && combinations.every(combination =>
      combination.length === roles.length
      && combination.every((option, role) => Number.isInteger(option) && roles[role]?.options[option] !== undefined))
  })

/** Whether its layouts can be cut from what there is, and where no kit goes without give every kit its pieces. */
function isCutAsSaid({ kits, layouts = new Map(), missing }: Sharing, { prints, kinds }: SharingProblem): boolean {
  const taken = new Map<string, number>()
  kinds.forEach(({ roles }, at) => {
    for (const combination of itemAt(kits, at)) roles.forEach(({ options, takes }, role) => {
      const option = itemAt(combination, role)
      for (const [demand, count] of itemAt(takes, option)) {
        const key = `${itemAt(options, option)} ${demand}`
        taken.set(key, (taken.get(key) ?? 0) + count)
      }
    })
  })
  return [...layouts].every(([key, cut]) => {
    const print = prints.find(print => print.key === key)
    if (!print || !Array.isArray(cut)) return false
    const demands = print.problem.demands.map(demand =>
      ({ ...demand, quantity: missing > 0 ? 0 : taken.get(`${key} ${demand.key}`) ?? 0 }))
    return canBeCut(cut, { ...print.problem, demands })
  })
}

function canBeCut(layouts: Layout[], problem: CuttingProblem): boolean {
  const opened = (key: string) =>
    layouts.reduce((sum, { supply, repeats }) => (supply === key ? sum + repeats : sum), 0)
  const sheets = problem.supplies.reduce((sum, { kind, key }) => (kind === 'sheet' ? sum + opened(key) : sum), 0)
  const spending = problem.supplies.reduce(
    (sum, { key, onHand, price }) => sum + (price ?? 0) * Math.max(0, opened(key) - onHand), 0,
  )
  const keyed = layouts.map((layout, at) => ({ ...layout, key: `${at}` }))
  return verifyPlan({ layouts: keyed, unplaced: [], sheets, bound: 0, spending, yield: 0 }, problem).length === 0
}
