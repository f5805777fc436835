import { forRules } from '../core/document'
import Table from 'cli-table3'
import type { Solve } from '../core/cutting'
import { itemAt } from '../core/lists'
import type { Kind, Rules, Sharing, SharingProblem } from '../core/sharing'
import { dealtOut, shareOut } from '../core/sharing'
import { printOf12, rolesOf, sheetsFor, sizeKey } from '../core/sharing/testing'
import { ms } from './measure'

/** Sizes of mats on 12 × 12 prints, in the order in which roles take them. */
const SIZES: [number, number][] = [[5.25, 4], [2.5, 4], [3.75, 2.75], [4, 4], [1.5, 3.5], [3.25, 5.25], [2, 2]]
const KITS = 44
const MUST = { hold: 'must', weight: 0 } as const
const wish = (weight: number) => ({ hold: 'wish', weight }) as const
const RULES: Record<string, Rules> = {
  must: { ...forRules(() => MUST), evenly: { hold: 'free', weight: 0 } },
  wish: { ...forRules(() => wish(10)), touching: wish(20), evenly: wish(1) },
}

/**
 * 40 seats and four to choose from, of several colourways whose pools share prints; sheets on hand differ from print to
 * print.
 */
function evening(prints: number, sizes: number, colourways: number, rules: Rules, isLimited: boolean): SharingProblem {
  const names = Array.from({ length: prints }, (_, at) => `print-${at}`)
  const used = SIZES.slice(0, sizes)
  const roles = sizes < 4 ? [...used, itemAt(used, 1)] : used
  return {
    rules,
    prints: names.map((key, at) => printOf12(key, used, isLimited ? 2 + at % 4 : at % 4, isLimited ? null : 95)),
    kinds: Array.from({ length: colourways }, (_, way): Kind => {
      const options = prints <= 4 ? names : names.filter((_, at) => colourways === 1 || (at + way) % colourways !== 0)
      return {
        key: `way-${way}`,
        card: 'card',
        alike: `way-${way}`,
        name: `Colourway ${way}`,
        kits: Math.ceil(KITS / colourways),
        roles: rolesOf(options, roles.map(sizeKey), `pool-${way}`),
        apart: roles.slice(1).map((_, at) => ({ roles: [at, at + 1], rule: at % 2 ? 'touching' : 'neighbours' })),
      }
    }),
  }
}

/** The same with sheets to buy, however few there are. */
const toBuy = (problem: SharingProblem): SharingProblem => ({
  ...problem,
  prints: problem.prints.map(print => ({
    ...print, problem: { ...print.problem, supplies: print.problem.supplies.map(supply => ({ ...supply, price: 95 })) },
  })),
})

/**
 * Prints shared out for 40 seats, beside its bound and beside dealing them out by hand with the same rules, both
 * planned to the end.
 */
export function sharing(solve: Solve): string {
  const table = new Table({
    head: [
      'Prints',
      'Sizes',
      'Colourways',
      'Sheets on hand',
      'Rules',
      'First',
      'Settled',
      'Sheets',
      'Planned',
      'Bound',
      'Cost of bound',
      'Not kept', 'Dealt by hand',
    ],
    style: { head: [], border: [] },
  })
  for (const [prints, sizes, colourways, isLimited] of [
    [4, 3, 1, false],
    [4, 3, 3, false],
    [8, 4, 3, false],
    [12, 5, 3, false],
    [12, 7, 3, false],
    [6, 4, 3, true],
    [12, 5, 3, true],
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
      const planned = sheetsFor(problem, found, solve).sheets
      table.push([
        prints,
        sizes,
        colourways,
        isLimited ? 'limited' : 'more to buy',
        name,
        ms(first),
        ms(settled),
        sheets,
        planned,
        bound,
        least ? (cost / least).toFixed(3) : '–', broken.touching + broken.neighbours + broken.different,
        sheetsFor(toBuy(problem), dealtOut(problem), solve).sheets,
      ])
    }
  }
  return table.toString()
}
