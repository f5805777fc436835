import fc from 'fast-check'
import load from 'highs'
import { describe, expect, it } from 'vitest'
import { mostKits, plan, solverOf } from '.'
import type { Demand, Supply } from '.'
import { inches } from '../lengths'
import { offcut, piece, problem, sheet } from './testing'

const solve = solverOf(await load())
const one = (demands: Demand[]) => new Map(demands.map(({ key, quantity }) => [key, quantity]))
const kitsFrom = (kit: Demand[], drawer: Supply[], changes = {}) =>
  mostKits({ problem: problem(kit, drawer, changes), perKit: one(kit) }, solve)

describe('the most kits from a drawer', () => {
  it('counts the kits of a sheet that is cut alike', () => {
    expect(kitsFrom([piece(4.25, 5.5, 1)], [sheet(8.5, 11, 3)])).toEqual({ kits: 12, most: 12 })
    expect(kitsFrom([piece(4.25, 5.5, 2)], [sheet(8.5, 11, 3)])).toEqual({ kits: 6, most: 6 })
  })

  it('mixes two layouts for k + 1 kits where one on every sheet gives k, and proves k + 2 impossible', () => {
    // A sheet gives two 5 × 6 and one 2 × 6, or one and three: alike sheets give one kit each, mixed ones six from
    // four.
    expect(kitsFrom([piece(5, 6, 1, 'as drawn'), piece(2, 6, 1, 'as drawn')], [sheet(12, 6, 4)])).toEqual({
      kits: 6, most: 6,
    })
  })

  it('buys nothing, and uses offcuts', () => {
    expect(kitsFrom([piece(4, 4, 1)], [sheet(8, 8, 0, 50)])).toEqual({ kits: 0, most: 0 })
    expect(kitsFrom([piece(4, 4, 1)], [sheet(8, 8, 1, 50), offcut(4, 9, 2)])).toEqual({ kits: 8, most: 8 })
  })

  it('gives none where a piece fits nothing or the kit is empty', () => {
    expect(kitsFrom([piece(4, 4, 1), piece(9, 9, 1)], [sheet(8, 8, 5)])).toEqual({ kits: 0, most: 0 })
    expect(kitsFrom([piece(4, 4, 0)], [sheet(8, 8, 5)])).toEqual({ kits: 0, most: 0 })
  })

  it('loses a kit to the kerf', () => {
    expect(kitsFrom([piece(4, 4, 1)], [sheet(8, 8, 1)], { kerf: inches(1 / 16) })).toEqual({ kits: 1, most: 1 })
  })

  it('leaves room for sheets that are taken whole: the kit after the last one would find none, or no room beside', () => {
    fc.assert(fc.property(
      fc.record({
        sheets: fc.integer({ min: 1, max: 9 }), taken: fc.integer({ min: 1, max: 4 }),
        kits: fc.integer({ min: 1, max: 5 }), each: fc.integer({ min: 0, max: 5 }),
      }),
      ({ sheets, taken, kits, each }) => {
        // Four pieces on every sheet that is not taken.
        const drawer = problem([piece(4, 4, each)], [sheet(8, 8, sheets, null)])
        const perKit = new Map(each > 0 ? one(drawer.demands) : [])
        const whole = { supply: drawer.supplies[0]!.key, sheets: taken, kits }
        const fits = (count: number) =>
          Math.ceil((count * taken) / kits) * 4 + count * each <= sheets * 4 && count * taken <= sheets * kits
        const most = Array.from({ length: 100 }, (_, count) => count).filter(fits).at(-1)
        expect(mostKits({ problem: drawer, perKit, whole }, solve)).toEqual({ kits: most, most })
      },
    ))
  })

  it('agrees with the planner, for any kit and drawer', () => {
    const side = fc.integer({ min: 24, max: 120 }).map(sixteenths => sixteenths / 16)
    const kit = fc.array(fc.record({ width: side, height: side, quantity: fc.integer({ min: 1, max: 3 }) }), {
      minLength: 1,
      maxLength: 3,
    })
    fc.assert(
      fc.property(kit, fc.integer({ min: 1, max: 5 }), (sizes, sheets) => {
        const demands = sizes.map(({ width, height, quantity }, index) => ({
          ...piece(width, height, quantity), key: `p${index}`,
        }))
        const drawer = [sheet(8.5, 11, sheets, null)]
        const { kits, most } = kitsFrom(demands, drawer)
        const fits = (count: number) =>
          plan(
            problem(
              demands.map(demand => ({ ...demand, quantity: demand.quantity * count })),
              drawer,
            ),
            solve,
          ).unplaced.length === 0
        expect(kits).toBeLessThanOrEqual(most)
        expect(fits(kits)).toBe(true)
        expect(fits(most + 1)).toBe(false)
      }),
      { numRuns: 20 },
    )
  })
})
