import load from 'highs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches } from '../lengths'
import type { CuttingProblem } from '.'
import {
  USUAL_WORK,
  byHand,
  countsOf,
  isWithinLimits,
  keyedLayouts,
  measured,
  plansFor,
  preferred,
  sequenceViolations,
  sheetWorth,
  freshSheets, solverOf,
  spendingOf, tradeOffs, verifyPlan,
} from '.'
import { oneSize, simpleLayouts } from './families'
import { tallyOf } from './tally'
import { cutter, piece, problem, sheet } from './testing'

const solve = solverOf(await load())
const given = (sizes: [number, number, number][], more: Partial<CuttingProblem> = {}): CuttingProblem => ({
  ...problem(
    sizes.map(([width, height, quantity]) => piece(width, height, quantity)), [sheet(8.5, 11)],
  ),
  objective: 'sheets',
  ...more,
})
const hand = (some: CuttingProblem) => {
  const layouts = keyedLayouts(byHand(some, some.demands))
  const sheets = freshSheets(layouts, some.supplies)
  const spending = spendingOf(layouts, some.supplies)
  return { layouts, sheets, spending, unplaced: [], bound: 0, yield: 0 }
}
const quarters = fc.integer({ min: 6, max: 34 })
const anyClass = fc.uniqueArray(fc.tuple(quarters, quarters, fc.integer({ min: 4, max: 40 })), {
  minLength: 2, maxLength: 6, selector: ([w, h]) => `${w}x${h}`,
}).map(sizes => given(sizes.map(([w, h, n]) => [w / 4, h / 4, n])))

describe('plans that weigh paper against time', () => {
  it('are never dearer than a careful maker, nor slower where time counts most', () => {
    fc.assert(
      fc.property(anyClass, (some) => {
        const all = plansFor(some, solve).map(plan => measured(plan, some))
        for (const { plan, steps } of all) {
          expect(verifyPlan(plan, some)).toEqual([])
          expect(sequenceViolations(steps, plan, some)).toEqual([])
        }
        const careful = measured(hand(some), some)
        expect(verifyPlan(careful.plan, some)).toEqual([])
        expect(preferred(all, 'balanced').cost).toBeLessThanOrEqual(careful.cost + 1e-6)
        expect(preferred(all, 'easy').minutes).toBeLessThanOrEqual(careful.minutes + 1e-6)
        expect(preferred(all, 'sheets').plan.sheets).toBe(Math.min(...all.map(({ plan }) => plan.sheets)))
      }),
      { numRuns: 12 },
    )
  })

  it('take more paper where an hour is dear, and less time for it', () => {
    // Five on a sheet with strips both ways, or four that are quickly cut.
    const some = given([[5, 3.25, 40]])
    const at = (hour: number) => {
      const own = { ...some, work: { ...USUAL_WORK, hour } }
      return preferred(plansFor(own, solve).map(plan => measured(plan, own)), 'balanced')
    }
    const [cheap, dear] = [at(0), at(100_000)]
    expect(cheap.plan.sheets).toBeLessThan(dear.plan.sheets)
    expect(dear.minutes).toBeLessThan(cheap.minutes)
  })

  it('have fewer layouts than sizes where an even share of everything fits', () => {
    const some = given([[4, 5, 12], [3.75, 4.75, 12], [2.5, 3.75, 12]])
    const balanced = preferred(plansFor(some, solve).map(plan => measured(plan, some)), 'balanced')
    expect(balanced.plan.layouts.length).toBeLessThan(3)
  })

  it('keep to limits of layouts, changes of direction and narrow strips where they can', () => {
    const some = given([[4, 5.25, 20], [2.75, 5.25, 20], [3.75, 2.5, 20]])
    for (const limit of [{ layouts: 1 }, { stages: 2 }, { strip: inches(2.5) }]) {
      const own = { ...some, work: { ...USUAL_WORK, ...limit } }
      const within = plansFor(own, solve).map(plan => measured(plan, own)).filter(one => isWithinLimits(one, own))
      expect(within.length).toBeGreaterThan(0)
      for (const { plan: { layouts } } of within) {
        if (limit.layouts) expect(layouts).toHaveLength(1)
        for (const { root } of layouts) {
          if (limit.stages) expect(tallyOf(root).stages).toBeLessThanOrEqual(2)
          if (limit.strip) expect(tallyOf(root).narrowest).toBeGreaterThanOrEqual(limit.strip)
        }
      }
    }
  })

  it('value sheets that are on hand like those to buy, and those without a price by the area of others', () => {
    const supplies = [sheet(8, 10, 5, 40), sheet(4, 10, 5, null)]
    expect(supplies.map(supply => sheetWorth(supply, supplies))).toEqual([40, 20])
    expect(sheetWorth(sheet(4, 10, 5, null), [sheet(4, 10, 5, null)])).toBe(0)
  })
})

describe('simple families of layouts', () => {
  const demands = [piece(4, 5, 10), piece(3, 2, 10)]

  it('are strips of one size each, or such strips beside a block of another size', () => {
    const roots = simpleLayouts(sheet(8.5, 11), cutter, demands, ({ key }) => (key.startsWith('4') ? 20 : 6))
    expect(roots.length).toBeGreaterThan(0)
    for (const root of roots) {
      expect(tallyOf(root).stages).toBeLessThanOrEqual(3)
      expect([...countsOf(root).values()].reduce((sum, count) => sum + count, 0)).toBeGreaterThan(3)
    }
  })

  it('fill a sheet with one size the way that gives most', () => {
    expect(countsOf(oneSize(sheet(8.5, 11), cutter, piece(4, 5, 1))!).get('4x5either')).toBe(4)
    expect(oneSize(sheet(3, 3), cutter, piece(4, 5, 1))).toBeUndefined()
  })

  it('count cuts, strips and changes of direction', () => {
    const [root] = simpleLayouts(sheet(8, 10), cutter, [piece(4, 5, 4)], () => 1)
    const { narrowest, ...counts } = tallyOf(root!)
    expect(counts).toEqual({ strokes: 3, strips: 2, kinds: 1, stages: 2 })
    expect([4, 5]).toContain(narrowest / inches(1))
  })
})

describe('money for several formats', () => {
  it('has a bound of its own, which a plan can meet', () => {
    const some = given([[6, 6, 8]], { supplies: [sheet(12, 12, 0, 90), sheet(6, 6, 0, 10)], objective: 'money' })
    expect(plansFor(some, solve)[0]).toMatchObject({ spending: 80, moneyBound: 80 })
    // Three on hand cost nothing.
    const onHand = { ...some, supplies: [sheet(12, 12, 0, 90), sheet(6, 6, 3, 10)] }
    expect(plansFor(onHand, solve)[0]).toMatchObject({ spending: 50, moneyBound: 50 })
  })

  it('is never above a plan, whatever is on hand', () => {
    fc.assert(
      fc.property(anyClass, fc.integer({ min: 0, max: 4 }), (some, onHand) => {
        const own: CuttingProblem = {
          ...some, supplies: [sheet(8.5, 11, onHand, 45), sheet(12, 12, onHand, 70)], objective: 'money',
        }
        for (const plan of plansFor(own, solve)) expect(verifyPlan(plan, own)).toEqual([])
      }),
      { numRuns: 8 },
    )
  })
})

describe('sheets that do not give everything', () => {
  it('leave fewer pieces missing than strips one after the other do', () => {
    const short = given([[3.5, 4.25, 20], [2, 3.75, 16], [5.25, 2.5, 12]], { supplies: [sheet(8.5, 11, 4, null)] })
    const missing = (plans: ReturnType<typeof plansFor>) =>
      plans[0].unplaced.reduce((sum, { quantity }) => sum + quantity, 0)
    expect(missing(plansFor(short, solve))).toBeLessThanOrEqual(missing(plansFor(short)))
    expect(tradeOffs(plansFor(short, solve).map(plan => measured(plan, short)))).toHaveLength(1)
    expect(verifyPlan(plansFor(short, solve)[0], short)).toEqual([])
  })
})
