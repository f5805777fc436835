import fc from 'fast-check'
import type { CuttingProblem } from '../cutting'
import { USUAL_WORK, plansFor } from '../cutting'
import { anyKerf, anySizes, anySquaring, cutter, offcut, sheet } from '../cutting/testing'
import type { Turn, WayOfWorking } from '../document'
import { inches } from '../lengths'
import { itemAt } from '../lists'
import { stackOf } from '../paper'
import type { PaperAlone } from './choose'

export interface ManyPapers {
  stack: number
  papers: PaperAlone[]
}

/** A paper as it is planned alone, without a solver. */
export function paperAlone(key: string, weight: number, problem: CuttingProblem): PaperAlone {
  const [plan, ...others] = plansFor(problem)
  const names = new Map(problem.demands.map(({ key, name }) => [key, name]))
  return { paper: { key, name: key, weight }, problem, names, plan, others, taken: false }
}

const FORMATS = [sheet(8.5, 11, 0, 40), sheet(12, 12, 0, 95), sheet(8.5, 11, 2, 40)]
const WAYS: WayOfWorking[] = ['as it pays', 'sheet by sheet', 'all together', 'few strips']

/**
 * Two to five papers of different weights and formats that want some sizes in common, each in its own numbers, some of
 * them with a right way up, and offcuts of some.
 */
export const anyPapers: fc.Arbitrary<ManyPapers> = fc.record({
  sizes: anySizes(16, 96, 3, 1),
  kerf: anyKerf,
  squaring: anySquaring,
  stack: fc.integer({ min: 1, max: 6 }),
  way: fc.constantFrom(...WAYS),
  piles: fc.constantFrom(null, 0, 2),
  papers: fc.array(fc.record({
    weight: fc.constantFrom(120, 200, 240, 300, 700),
    format: fc.nat(2),
    counts: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 3, maxLength: 3 }),
    turn: fc.constantFrom<Turn>('either', 'either', 'as drawn', 'turned'),
    leftover: fc.boolean(),
    own: anySizes(16, 96, 1, 4),
    hasOwn: fc.boolean(),
  }), { minLength: 2, maxLength: 5 }),
}).map(({ sizes, kerf, squaring, stack, way, piles, papers }) => ({
  stack,
  papers: papers.map(({ weight, format, counts, turn, leftover, own, hasOwn }, at) => {
    const shared = sizes.map((demand, at) => ({ ...demand, turn, quantity: counts[at] ?? 0 }))
    const demands = [...shared, ...hasOwn ? own.map(demand => ({ ...demand, key: `own-${at}` })) : []]
    return paperAlone(`paper-${at}`, weight, {
      demands: demands.filter(({ quantity }) => quantity > 0),
      supplies: [itemAt(FORMATS, format), ...leftover ? [offcut(5, 6, 2)] : []],
      cutter: {
        ...cutter, stack: stackOf(stack, weight), kerf: inches(kerf), squaring: inches(squaring),
      },
      work: { ...USUAL_WORK, way, piles },
      objective: 'sheets',
    })
  }),
}))
