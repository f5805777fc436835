import type { Supply } from '../cutting'
import { itemAt } from '../lists'
import type { Print, Role, SharingProblem } from './model'
import type { Sheets } from './sheets'
import { mostTaken, sheetsOf } from './sheets'

/*
 * Prints that are to be had in the same sheets, for the same roles, are of one class. How many sheets are cut in which
 * way does not depend on which of them they are, and a programme that does not tell them apart has none of their
 * symmetry: it is small, and what it proves holds for every sharing.
 */

/** Prints that stand for each other. */
export interface PrintClass extends Sheets {
  prints: Print[]
  /** For each supply of the patterns that of every print: formats of one size may have other keys on another print. */
  stocks: Supply[][]
}

/** Roles of a pool that take the same of the same classes. */
export interface RoleType {
  key: string
  pool: string
  /** Places of classes, and what such a role takes of any print of each. */
  classes: number[]
  takes: ReadonlyMap<string, number>[]
  count: number
}

/** What tells the type of a role: its pool, what it may be of, and what it takes. */
export const typeOf = ({ pool, options, takes }: Role): string =>
  `${pool}: ` + options.map((print, option) => `${print} ${[...itemAt(takes, option)].sort().join()}`).join('; ')

/**
 * Prints of one class have the same formats, the same sizes to give and the same roles, and nothing else is wanted of
 * them.
 */
export function classesOf({ prints, kinds }: SharingProblem): PrintClass[] {
  const served = new Map<string, string[]>()
  kinds.forEach(({ roles }, kind) => roles.forEach(({ options, takes }, role) => options.forEach((print, option) => {
    const list = served.get(print) ?? []
    served.set(print, list)
    list.push(`${kind}.${role} ${[...itemAt(takes, option)].sort().join()}`)
  })))
  const groups = new Map<string, Print[]>()
  for (const print of prints) {
    const { supplies, demands } = print.problem
    const alone = demands.some(({ quantity }) => quantity > 0)
    const signature = [
      alone ? print.key : '',
      ...supplies.map(({ kind, width, height, price }) => `${kind} ${width} ${height} ${price === null}`),
      ...(served.get(print.key) ?? []),
    ].join('\n')
    groups.set(signature, [...(groups.get(signature) ?? []), print])
  }
  const most = mostTaken(kinds)
  return [...groups.values()].map((group) => {
    const first = itemAt(group, 0)
    const supplies = first.problem.supplies.map((supply, at): Supply => ({
      ...supply,
      onHand: group.reduce((sum, { problem }) => sum + itemAt(problem.supplies, at).onHand, 0),
    }))
    const sheets = sheetsOf(first.key, { ...first.problem, supplies }, most)
    const stocks = sheets.patterns.supplies.map(({ key }) => {
      const place = supplies.findIndex(supply => supply.key === key)
      return group.map(({ problem }) => itemAt(problem.supplies, place))
    })
    return { prints: group, stocks, ...sheets }
  })
}

export function typesOf({ kinds }: SharingProblem, classes: PrintClass[]): RoleType[] {
  const classOf = new Map(classes.flatMap(({ prints }, at) => prints.map(({ key }) => [key, at] as const)))
  const types = new Map<string, RoleType>()
  for (const { roles, kits } of kinds) {
    for (const role of roles) {
      const key = typeOf(role)
      const known = types.get(key)
      if (known) {
        known.count += kits
        continue
      }
      const of = new Map<number, ReadonlyMap<string, number>>()
      role.options.forEach((print, option) => of.set(classOf.get(print) ?? 0, itemAt(role.takes, option)))
      types.set(key, { key, pool: role.pool, classes: [...of.keys()], takes: [...of.values()], count: kits })
    }
  }
  return [...types.values()]
}
