import Table from 'cli-table3'
import type { Solve } from '../core/cutting'
import { plan } from '../core/cutting'
import type { Length } from '../core/lengths'
import { inches } from '../core/lengths'
import { itemAt } from '../core/lists'
import type { Kind, Print, Rules, Sharing, SharingProblem } from '../core/sharing'
import { dealtOut, shareOut } from '../core/sharing'
import { ms } from './measure'

/** Sizes of mats on 12 × 12 prints, in the order in which roles take them. */
const SIZES: [number, number][] = [[5.25, 4], [2.5, 4], [3.75, 2.75], [4, 4], [1.5, 3.5], [3.25, 5.25], [2, 2]]
const KITS = 44
const ZERO = 0 as Length
const CUTTER = {
  length: inches(12), mark: inches(1 / 16), smallestPiece: inches(0.5), stack: 4, squaring: ZERO, kerf: ZERO,
  offcut: { short: inches(2), long: inches(4) },
}
const MUST = { hold: 'must', weight: 0 } as const
const wish = (weight: number) => ({ hold: 'wish', weight }) as const
const RULES: Record<string, Rules> = {
  must: { touching: MUST, neighbours: MUST, different: MUST, evenly: { hold: 'free', weight: 0 } },
  wish: { touching: wish(20), neighbours: wish(10), different: wish(10), evenly: wish(1) },
}

/** 40 seats and four to choose from, of several colourways whose pools share prints; sheets on hand differ from print to print. */
function evening(prints: number, sizes: number, colourways: number, rules: Rules, isLimited: boolean): SharingProblem {
  const names = Array.from({ length: prints }, (_, at) => `print-${at}`)
  const used = SIZES.slice(0, sizes)
  const roles = sizes < 4 ? [...used, itemAt(used, 1)] : used
  const keyOf = ([width, height]: [number, number]) => `${width}x${height}`
  return {
    rules,
    prints: names.map((key, at): Print => ({
      key,
      name: key,
      problem: {
        demands: used.map(size => ({
          key: keyOf(size), name: 'mat', width: inches(size[0]), height: inches(size[1]), quantity: 0, turn: 'either',
        })),
        supplies: [{
          key: 'sheet', kind: 'sheet', width: inches(12), height: inches(12),
          onHand: isLimited ? 2 + at % 4 : at % 4, price: isLimited ? null : 95,
        }],
        cutter: CUTTER,
        objective: 'sheets',
      },
    })),
    kinds: Array.from({ length: colourways }, (_, way): Kind => {
      const options = prints <= 4 ? names : names.filter((_, at) => colourways === 1 || (at + way) % colourways !== 0)
      return {
        key: `way-${way}`, card: 'card', alike: `way-${way}`, name: `Colourway ${way}`, kits: Math.ceil(KITS / colourways),
        roles: roles.map((size, at) => ({
          key: `role-${at}`, name: 'mat', pool: `pool-${way}`, options, takes: options.map(() => new Map([[keyOf(size), 1]])),
        })),
        apart: roles.slice(1).map((_, at) => ({ roles: [at, at + 1], rule: at % 2 ? 'touching' : 'neighbours' })),
      }
    }),
  }
}

/** Sheets that a sharing takes when every print is planned by itself. */
function sheetsOf({ prints, kinds }: SharingProblem, { kits }: Sharing, solve: Solve): number {
  const wanted = new Map<string, number>()
  kinds.forEach(({ roles }, at) => itemAt(kits, at).forEach(combination => roles.forEach(({ options, takes }, role) => {
    const option = itemAt(combination, role)
    for (const [demand, count] of itemAt(takes, option)) {
      const key = `${options[option]} ${demand}`
      wanted.set(key, (wanted.get(key) ?? 0) + count)
    }
  })))
  return prints.reduce((sum, { key, problem }) => {
    const demands = problem.demands.map(demand => ({ ...demand, quantity: wanted.get(`${key} ${demand.key}`) ?? 0 }))
    const supplies = problem.supplies.map(supply => ({ ...supply, price: 95 }))
    return sum + plan({ ...problem, supplies, demands: demands.filter(({ quantity }) => quantity > 0) }, solve).sheets
  }, 0)
}

/** Prints shared out for 40 seats, beside its bound and beside dealing them out by hand with the same rules, both planned to the end. */
export function sharing(solve: Solve): string {
  const table = new Table({
    head: [
      'Prints', 'Sizes', 'Colourways', 'Sheets on hand', 'Rules', 'First', 'Settled', 'Sheets', 'Bound', 'Cost of bound', 'Not kept',
      'Dealt by hand',
    ],
    style: { head: [], border: [] },
  })
  for (const [prints, sizes, colourways, isLimited] of [
    [4, 3, 1, false], [4, 3, 3, false], [8, 4, 3, false], [12, 5, 3, false], [12, 7, 3, false], [6, 4, 3, true], [12, 5, 3, true],
  ] as const) {
    for (const [name, rules] of Object.entries(RULES)) {
      const problem = evening(prints, sizes, colourways, rules, isLimited)
      const begun = performance.now()
      const search = shareOut(problem, solve)
      let first = 0
      let found: Sharing | undefined
      while (!found) {
        const { done, value } = search.next()
        first ||= performance.now() - begun
        if (done) found = value
      }
      const settled = performance.now() - begun
      const { broken, sheets = 0, bound = 0, cost = 0, least } = found
      table.push([
        prints, sizes, colourways, isLimited ? 'limited' : 'more to buy', name, ms(first), ms(settled), sheets, bound,
        least ? (cost / least).toFixed(3) : '–', broken.touching + broken.neighbours + broken.different,
        sheetsOf(problem, dealtOut(problem), solve),
      ])
    }
  }
  return table.toString()
}
