import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import load from 'highs'
import { plan, planPaper, solverOf, verifyPlan } from '.'
import type { Demand, Layout } from '.'
import { inches } from '../lengths'
import { piece, problem, sheet } from './testing'

/** Plans and lets the verifier look at it. */
function checked(...parameters: Parameters<typeof problem>) {
  const given = problem(...parameters)
  const result = plan(given)
  expect(verifyPlan(result, given)).toEqual([])
  return result
}

describe('planning one paper', () => {
  it('fills a sheet exactly and proves it', () => {
    expect(checked([piece(4.25, 5.5, 16)], [sheet(8.5, 11)])).toMatchObject({
      sheets: 4, bound: 4, yield: 1, unplaced: [],
    })
  })

  it('takes a piece that is the sheet', () => {
    expect(checked([piece(12, 12, 3)], [sheet(12, 12)])).toMatchObject({
      sheets: 3, bound: 3, layouts: [{ repeats: 3 }],
    })
  })

  it('leaves out a piece one mark too large, says why, and plans the rest', () => {
    const result = checked([piece(8.5 + 1 / 16, 11, 2), piece(4, 4, 2)], [sheet(8.5, 11)])
    expect(result.unplaced).toEqual([
      {
        demand: piece(8.5 + 1 / 16, 11, 2).key, quantity: 2, reason: expect.stringContaining('larger than every sheet'),
      },
    ])
    expect(result.sheets).toBe(1)
  })

  it('turns a piece when only that fits, unless the print forbids it', () => {
    expect(checked([piece(11, 8, 1)], [sheet(8.5, 11)])).toMatchObject({ sheets: 1, unplaced: [] })
    const forbidden = checked([piece(11, 8, 1, 'as drawn')], [sheet(8.5, 11)])
    expect(forbidden.unplaced[0]!.reason).toContain('print direction forbids')
  })

  it('mixes sizes in one layout', () => {
    // 8.5 × 11 holds one 8.5 × 5.5 and two 4.25 × 5.5.
    expect(checked([piece(8.5, 5.5, 5, 'as drawn'), piece(4.25, 5.5, 10, 'as drawn')], [sheet(8.5, 11)])).toMatchObject(
      {
        sheets: 5,
        bound: 5,
      })
  })

  it('stacks low pieces in a higher strip', () => {
    // One strip 6 high holds the tall piece and three low ones on top of each other.
    expect(checked([piece(6, 6, 1, 'as drawn'), piece(6, 2, 3, 'as drawn')], [sheet(12, 6)])).toMatchObject({
      sheets: 1, bound: 1,
    })
  })

  it('uses sheets on hand before it buys any', () => {
    const result = checked([piece(6, 6, 8)], [sheet(12, 12, 1), sheet(6, 6, 0, 10)])
    expect(result.layouts.map(({ supply, repeats }) => [supply, repeats])).toContainEqual(['12x12', 1])
    expect(result.layouts.find(({ supply }) => supply === '6x6')).toMatchObject({ repeats: 4 })
  })

  it('stops at what is on hand when nothing can be bought', () => {
    const result = checked([piece(6, 6, 9)], [sheet(12, 12, 2, null)])
    expect(result).toMatchObject({ sheets: 2, bound: 0 })
    expect(result.unplaced).toEqual([
      { demand: piece(6, 6, 9).key, quantity: 1, reason: expect.stringContaining('gives no more') },
    ])
  })

  it('takes no more sheets than a plan that is known already, and nothing of it that there is not', async () => {
    // Strips alone need a sheet more here than the exact search.
    const of = (first: number, second: number) => [piece(5.25, 4, first), piece(3.75, 2.75, second)]
    const given = problem(of(7, 12), [sheet(12, 12)])
    const known = plan(given, solverOf(await load())).layouts
    const checkedWith = (known: Layout[], demands: Demand[], onHand = 0, price: number | null = 50) => {
      const again = { ...problem(demands, [sheet(12, 12, onHand, price)]), known }
      const result = plan(again)
      expect(verifyPlan(result, again)).toEqual([])
      return result
    }
    expect([plan(given).sheets, checkedWith(known, of(7, 12)).sheets]).toEqual([3, 2])
    // What it gives too much is left on the sheet.
    expect(checkedWith(known, of(6, 9)).unplaced).toEqual([])
    // Of sheets and pieces that there are not, and of more sheets than there are, it is not taken.
    expect(checkedWith(known.map(layout => ({ ...layout, supply: 'gone' })), of(7, 12))).toEqual(plan(given))
    expect(checkedWith(known, [piece(4, 4, 3)]).sheets).toBe(1)
    expect(checkedWith(known, of(7, 12), 1, null).sheets).toBe(1)
  })

  it('answers nothing on hand and nothing to buy, no sheets at all, and no demand', () => {
    expect(checked([piece(2, 2, 3)], [sheet(8, 8, 0, null)]).unplaced[0]!.reason).toContain(
      'no sheet on hand and none to buy',
    )
    expect(checked([piece(2, 2, 3)], []).unplaced).toHaveLength(1)
    expect(checked([piece(2, 2, 0)], [sheet(8, 8)])).toMatchObject({ sheets: 0, bound: 0, layouts: [], unplaced: [] })
    expect(checked([], [sheet(8, 8)])).toMatchObject({ sheets: 0, unplaced: [] })
  })

  it('squares the sheet first and cuts within what is left', () => {
    const result = checked([piece(4, 5, 4)], [sheet(8.5, 10.5)], { squaring: inches(0.25) })
    expect(result).toMatchObject({ sheets: 1, unplaced: [] })
    expect(checked([piece(4, 5.25, 4)], [sheet(8.5, 10.5)], { squaring: inches(0.25) }).sheets).toBe(2)
  })

  it('keeps every cut within the trimmer', () => {
    expect(checked([piece(5, 5, 4)], [sheet(11, 17)], { length: inches(11) }).unplaced).toEqual([])
    expect(checked([piece(5, 5, 4)], [sheet(14, 17)], { length: inches(12) }).unplaced[0]!.reason).toContain(
      'trimmer is too short',
    )
  })

  it('never proposes a pinwheel that no straight cut can part', () => {
    // Four 3 × 2 round a 1 × 1 fill a 5 × 5 sheet, but cannot be cut apart with full cuts.
    const result = checked([piece(3, 2, 4), piece(1, 1, 1)], [sheet(5, 5)])
    expect(result.sheets).toBe(2)
    expect(result.bound).toBe(1)
  })

  it('shows a plan with its first round and never gets worse', () => {
    const given = problem([piece(4, 5, 13), piece(3, 4, 17), piece(2, 3.5, 19)], [sheet(8.5, 11)])
    const search = planPaper(given)
    let sheets = Infinity
    for (let step = search.next(); ; step = search.next()) {
      const current = step.done ? step.value[0] : step.value.plan
      expect(verifyPlan(current, given)).toEqual([])
      expect(current.sheets).toBeLessThanOrEqual(sheets)
      sheets = current.sheets
      if (step.done) break
    }
  })

  it('makes the same plan twice', () => {
    const given = problem([piece(4, 5, 13), piece(3, 4, 17)], [sheet(8.5, 11), sheet(12, 12, 3)])
    expect(plan(given)).toEqual(plan(given))
  })

  it('passes the verifier for any demand', () => {
    const side = fc.integer({ min: 1, max: 200 }).map(sixteenths => sixteenths / 16)
    const demand = fc.record({
      width: side,
      height: side,
      quantity: fc.integer({ min: 0, max: 40 }),
      turn: fc.constantFrom('either', 'as drawn', 'turned'),
    })
    const supply = fc.record({
      width: fc.integer({ min: 4, max: 14 }),
      height: fc.integer({ min: 4, max: 17 }),
      onHand: fc.integer({ min: 0, max: 9 }),
      price: fc.constantFrom(null, 40, 90),
    })
    fc.assert(
      fc.property(
        fc.uniqueArray(demand, { maxLength: 6, selector: ({ width, height, turn }) => `${width} ${height} ${turn}` }),
        fc.uniqueArray(supply, { maxLength: 3, selector: ({ width, height }) => `${width} ${height}` }),
        fc.constantFrom(0, 0.125),
        (demands, supplies, squaring) => {
          checked(
            demands.map(({ width, height, quantity, turn }) => piece(width, height, quantity, turn as Demand['turn'])),
            supplies.map(({ width, height, onHand, price }) => sheet(width, height, onHand, price)),
            { squaring: inches(squaring) },
          )
        },
      ),
      { numRuns: 60 },
    )
  })
})
