import load from 'highs'
import { describe, expect, it } from 'vitest'
import { Patterns, countsOf, openedBy, plan, solverOf, verifyPlan } from '.'
import type { CutNode, Layout, CuttingProblem } from '.'
import { inches } from '../lengths'
import { itemAt } from '../lists'
import { dividedLayouts } from './families'
import { gathered } from './gathered'
import { repeatedPlans } from './repeated'
import { restIn } from './rests'
import { searchOf } from './search'
import { tallyOf } from './tally'
import { cutter, piece, problem, sheet } from './testing'

const solve = solverOf(await load())

/** What the verifier says of layouts as a plan with nothing promised. */
function violations(layouts: Layout[], given: CuttingProblem): string[] {
  const sheets = [...openedBy(layouts).values()].reduce((sum, count) => sum + count, 0)
  const unplaced = given.demands.map(({ key, quantity }) => ({ demand: key, quantity, reason: '' }))
  return verifyPlan({ layouts: layouts as never, unplaced, sheets, bound: 0, spending: 50 * sheets, yield: 0 }, given)
}

describe('sheets that are halved or quartered first', () => {
  const small = piece(4, 2.5, 40)

  it('are cut alike in all parts, within the squaring cuts too', () => {
    for (const squaring of [0, 0.25]) {
      const given = problem([small], [sheet(8.5, 11)], { squaring: inches(squaring) })
      const roots = dividedLayouts(itemAt(given.supplies, 0), given.cutter, given.demands, () => 1)
      expect(roots.length).toBeGreaterThan(2)
      for (const root of roots) {
        expect(violations([{ supply: '8.5x11', repeats: 1, root }], given)).toEqual([])
        expect(countsOf(root).get(small.key)! % 2).toBe(0)
      }
    }
  })

  it('are left alone where the trimmer is too short for the first cut, and where a half has no whole length', () => {
    const [supply] = [sheet(20, 12)]
    expect(dividedLayouts(supply, { ...cutter, length: inches(11) }, [small], () => 1)).toEqual([])
    const odd = { ...sheet(8, 8), width: inches(8) + 1, height: inches(8) + 1 } as ReturnType<typeof sheet>
    expect(dividedLayouts(odd, cutter, [small], () => 1)).toEqual([])
  })

  it('are no change of direction where halves are cut the same way', () => {
    const half: CutNode = { kind: 'cut', side: 'width', width: inches(4), height: inches(4), parts: [] }
    const part: CutNode = { kind: 'piece', demand: 'p', turned: false, width: inches(2), height: inches(4) }
    half.parts.push(part, part)
    expect(
      tallyOf({ kind: 'cut', side: 'width', width: inches(8), height: inches(4), parts: [half, half] }).stages,
    ).toBe(1)
  })
})

describe('what is left over', () => {
  it('lies together: one strip of pieces rather than a column beside crumbs', () => {
    const given = problem([piece(4, 4, 2)], [sheet(12, 12)])
    const leaf = (kind: 'waste' | 'offcut', width: number, height: number): CutNode =>
      ({ kind, width: inches(width), height: inches(height) })
    const square: CutNode = {
      kind: 'piece', demand: given.demands[0]!.key, turned: false, width: inches(4), height: inches(4),
    }
    const column: CutNode = {
      kind: 'cut', side: 'height', width: inches(4), height: inches(12), parts: [square, leaf('offcut', 4, 8)],
    }
    const scattered: CutNode = {
      kind: 'cut', side: 'width', width: inches(12), height: inches(12), parts: [column, column, leaf('offcut', 4, 12)],
    }
    const [better] = gathered([{ supply: '12x12', repeats: 3, root: scattered }], given)
    expect(restIn(better!.root)).toBeGreaterThan(restIn(scattered))
    expect(countsOf(better!.root)).toEqual(countsOf(scattered))
    expect(better!.repeats).toBe(3)
    // What is set up stays.
    const setUp = [{ key: 'kept', supply: '12x12', root: scattered }]
    expect(gathered([{ supply: '12x12', repeats: 3, root: scattered }], { ...given, setUp })[0]!.root).toBe(scattered)
  })

  it('counts as one for a bare sheet and as nothing for a full one', () => {
    expect(restIn({ kind: 'offcut', width: inches(8), height: inches(11) })).toBe(1)
    expect(restIn(itemAt(plan(problem([piece(4, 4, 9)], [sheet(12, 12)])).layouts, 0).root)).toBe(0)
  })
})

describe('plans of few layouts', () => {
  const given = problem([piece(4, 5.25, 32), piece(2.75, 5.25, 32), piece(3.75, 2.5, 64)], [sheet(8.5, 11)])
  const searching = (some: CuttingProblem) =>
    searchOf(some, some.demands, new Patterns(some, some.demands), solve, { spending: 0, bound: 0, short: false })

  it('cut everything, and some with fewer layouts than there are sizes', () => {
    const best = plan(given, solve)
    const plans = repeatedPlans(searching(given), best.sheets)
    expect(plans.length).toBeGreaterThan(0)
    for (const layouts of plans) {
      expect(violations(layouts, given)).toEqual([])
      for (const { key, quantity } of given.demands) {
        const made = layouts.reduce((sum, { root, repeats }) => sum + (countsOf(root).get(key) ?? 0) * repeats, 0)
        expect(made).toBeGreaterThanOrEqual(quantity)
      }
    }
    expect(Math.min(...plans.map(layouts => layouts.length))).toBeLessThan(given.demands.length)
  })

  it('are not looked for among several formats, or where no sheets can be bought', () => {
    expect(repeatedPlans(searching({ ...given, supplies: [sheet(8.5, 11), sheet(12, 12)] }), 10)).toEqual([])
    expect(repeatedPlans(searching({ ...given, supplies: [sheet(8.5, 11, 40, null)] }), 10)).toEqual([])
  })
})
