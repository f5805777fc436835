import { describe, expect, it } from 'vitest'
import { plan, verifyPlan } from '.'
import type { Layout } from '.'
import { besideFixed, withFixed } from './fixed'
import { freshSheets } from './plan'
import { offcut, piece, problem, sheet } from './testing'

const given = problem([piece(4, 5, 10), piece(2, 3, 4)], [sheet(8.5, 11, 2), offcut(5, 6, 2)])
const only = (width: number, height: number, supplies = given.supplies): Layout =>
  plan({ ...given, demands: [piece(width, height, 1)], supplies }).layouts[0]!

describe('layouts that are in the plan whatever else is', () => {
  it('change nothing where there are none', () => {
    expect(besideFixed(given)).toBe(given)
  })

  it('are taken from what is wanted and from what is on hand', () => {
    const fixed = [
      { ...only(4, 5, [sheet(8.5, 11, 2)]), repeats: 3 },
      { ...only(2, 3, [offcut(5, 6, 2)]), repeats: 1 },
    ]
    const left = besideFixed({ ...given, fixed })
    expect(left.fixed).toBeUndefined()
    expect(left.demands.map(({ quantity }) => quantity)).toEqual([7, 3])
    // Three of two sheets on hand: one of them is bought, and no more than none is left.
    expect(left.supplies.map(({ onHand }) => onHand)).toEqual([0, 1])
  })

  it('never leave less than nothing to make', () => {
    const fixed = [{ ...only(4, 5, [sheet(8.5, 11, 2)]), repeats: 40 }]
    expect(besideFixed({ ...given, fixed }).demands[0]!.quantity).toBe(0)
  })

  it('count in every figure of the plan', () => {
    const fixed = [{ ...only(4, 5, [sheet(8.5, 11, 2)]), repeats: 3 }]
    const planned = plan({ ...given, fixed })
    expect(verifyPlan(planned, { ...given, fixed })).toEqual([])
    expect(
      planned.layouts.find(({ root }) => JSON.stringify(root) === JSON.stringify(fixed[0]!.root))!.repeats,
    ).toBeGreaterThanOrEqual(3)
    expect(planned.sheets).toBe(freshSheets(planned.layouts, given.supplies))
    expect(planned.bound).toBeGreaterThanOrEqual(3)
    // The two on hand cost nothing, what is bought beyond them does.
    expect(planned.spending).toBe(50 * (planned.sheets - 2))
    expect(planned.yield).toBeGreaterThan(0)
    expect(planned.yield).toBeLessThan(plan(given).yield)
  })

  it('leave a plan without sheets as it is', () => {
    const empty = plan({ ...given, demands: [] })
    expect(withFixed(empty, { ...given, demands: [] })).toMatchObject({ sheets: 0, spending: 0, yield: 0, layouts: [] })
  })
})
