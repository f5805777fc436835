import type { Solve } from '../cutting'
import { plan } from '../cutting'
import type { Length } from '../lengths'
import { inches } from '../lengths'
import { itemAt } from '../lists'
import type { Print, Role, Rules, Sharing, SharingProblem } from './model'
import { forRules } from '../document'

const ZERO = 0 as Length
export const FREE = { hold: 'free', weight: 0 } as const

/** Rules of which all are free but some. */
export const rulesWith = (own: Partial<Rules> = {}): Rules => ({ ...forRules(() => FREE), ...own })
const CUTTER = {
  length: inches(12), mark: inches(1 / 16), smallestPiece: inches(0.5), stack: 4, squaring: ZERO, kerf: ZERO,
  offcut: { short: inches(2), long: inches(4) },
}

/** The key of a size in inches. */
export const sizeKey = ([width, height]: [number, number]): string => `${width}x${height}`

/** A print of 12 × 12 sheets, whose key no other print has, from which pieces of some sizes in inches are cut. */
export const printOf12 = (key: string, sizes: [number, number][], onHand: number, price: number | null): Print => ({
  key,
  name: key,
  problem: {
    demands: sizes.map(size => ({
      key: sizeKey(size), name: 'piece', width: inches(size[0]), height: inches(size[1]), quantity: 0, turn: 'either',
    })),
    supplies: [{ key: `${key}-sheet`, kind: 'sheet', width: inches(12), height: inches(12), onHand, price }],
    cutter: CUTTER,
    objective: 'sheets',
  },
})

/** One role for each size, of any of some prints. */
export const rolesOf = (prints: string[], sizes: string[], pool = 'pool'): Role[] => sizes.map((size, at) => ({
  key: `role-${at}`,
  name: `Role ${at}`,
  parts: [`role-${at}`],
  pool,
  options: prints,
  takes: prints.map(() => new Map([[size, 1]])),
}))

/** Sheets for the pieces of a sharing by the planner, print by print; and sizes that it cannot give. */
export function sheetsFor({ prints, kinds }: SharingProblem, { kits, layouts }: Pick<Sharing, 'kits' | 'layouts'>,
  solve: Solve): { sheets: number, missing: number } {
  const wanted = new Map<string, number>()
  kinds.forEach(({ roles }, at) => itemAt(kits, at).forEach(combination => roles.forEach(({ options, takes }, role) => {
    const option = itemAt(combination, role)
    for (const [demand, count] of itemAt(takes, option)) {
      const key = `${options[option]} ${demand}`
      wanted.set(key, (wanted.get(key) ?? 0) + count)
    }
  })))
  return prints.reduce((total, { key: print, problem }) => {
    const demands = problem.demands.map(demand => ({ ...demand, quantity: wanted.get(`${print} ${demand.key}`) ?? 0 }))
    const known = layouts?.get(print)
    const { sheets, unplaced } = plan(
      { ...problem, known, demands: demands.filter(({ quantity }) => quantity > 0) }, solve,
    )
    return { sheets: total.sheets + sheets, missing: total.missing + unplaced.length }
  }, { sheets: 0, missing: 0 })
}
