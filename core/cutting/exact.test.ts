import fc from 'fast-check'
import load from 'highs'
import { describe, expect, it } from 'vitest'
import {
  benchSequence, countsOf, leavesOf, plan, planPaper, plansFor, sequenceViolations, solverOf, verifyPlan,
} from '.'
import type { Demand, CuttingProblem } from '.'
import { inches } from '../lengths'
import { withoutSurplus } from './surplus'
import { Guillotine } from './guillotine'
import { tidy, without } from './tidy'
import { anyKerf, anySizes, anySquaring, cutter, offcut, piece, problem, sheet } from './testing'

const solve = solverOf(await load())

/** Plans exactly and lets the verifier look at it. */
function exact(...parameters: Parameters<typeof problem>) {
  const given = problem(...parameters)
  const result = plan(given, solve)
  expect(verifyPlan(result, given)).toEqual([])
  return result
}
const worths = (demands: Demand[]) => new Map(demands.map(({ key, width, height }) => [key, width * height]))

describe('the best pattern of one sheet', () => {
  const best = (demands: Demand[], width: number, height: number, changes = {}) =>
    new Guillotine({ width: inches(width), height: inches(height) }, { ...cutter, ...changes }, demands).best(
      worths(demands),
    )

  it('fills a sheet that can be filled', () => {
    // 8 1/2 × 11: a strip of 8 1/2 × 5 1/2 and two of 4 1/4 × 5 1/2.
    const demands = [piece(8.5, 5.5, 1, 'as drawn'), piece(4.25, 5.5, 2, 'as drawn')]
    expect(best(demands, 8.5, 11)!.value).toBe(inches(8.5) * inches(11))
  })

  it('needs cuts in three directions where two leave something over', () => {
    // 7 × 7: a 4 × 7 beside a 3 × 4 over three 1 × 3, which no single row of strips holds.
    const demands = [piece(4, 7, 1, 'as drawn'), piece(3, 4, 1, 'as drawn'), piece(1, 3, 3, 'as drawn')]
    const { value, root } = best(demands, 7, 7)!
    expect(value).toBe(inches(7) * inches(7))
    expect(leavesOf(root).reduce((sum, { width, height }) => sum + width * height, 0)).toBe(inches(7) * inches(7))
  })

  it('never makes a pinwheel', () => {
    // Four 3 × 2 fit on 5 × 5 round a hole in the middle; full cuts give three.
    expect(best([piece(3, 2, 4)], 5, 5)!.value).toBe(3 * inches(3) * inches(2))
  })

  it('makes no cut longer than the trimmer, and none when nothing fits', () => {
    expect(best([piece(5, 5, 4)], 14, 17, { length: inches(12) })).toBeUndefined()
    expect(best([piece(9, 9, 1)], 8, 8)).toBeUndefined()
  })

  it('is at least as good as any pattern of strips, and adds up, for any sizes', () => {
    const side = fc.integer({ min: 8, max: 100 }).map(sixteenths => sixteenths / 16)
    fc.assert(
      fc.property(fc.array(fc.tuple(side, side), { minLength: 1, maxLength: 5 }), (sizes) => {
        const demands = sizes.map(([width, height], index) => ({ ...piece(width, height, 99), key: `p${index}` }))
        const worth = worths(demands)
        const pattern = best(demands, 8.5, 11)
        const strips = plan(
          problem(
            demands.map(demand => ({ ...demand, quantity: 99 })),
            [sheet(8.5, 11)],
          ),
        ).layouts
        const value = (root: Parameters<typeof countsOf>[0]) =>
          [...countsOf(root)].reduce((sum, [key, count]) => sum + worth.get(key)! * count, 0)
        for (const { root } of strips) expect(pattern!.value).toBeGreaterThanOrEqual(value(root))
        if (pattern) expect(value(pattern.root)).toBe(pattern.value)
      }),
      { numRuns: 12 },
    )
  })
})

describe('tidying a pattern', () => {
  const leaf = (width: number, height: number, demand?: string) => ({
    width: inches(width),
    height: inches(height),
    ...(demand ? { kind: 'piece' as const, demand, turned: false } : { kind: 'waste' as const }),
  })

  it('makes one cut of several in one direction and gathers what is left', () => {
    const nested = {
      kind: 'cut' as const,
      side: 'width' as const,
      width: inches(8),
      height: inches(4),
      parts: [
        leaf(1, 4),
        {
          kind: 'cut' as const, side: 'width' as const, width: inches(7), height: inches(4),
          parts: [leaf(4, 4, 'a'), leaf(3, 4)],
        },
      ],
    }
    expect(tidy(nested, cutter)).toMatchObject({
      kind: 'cut',
      side: 'width',
      parts: [
        { kind: 'piece', width: inches(4) },
        { kind: 'offcut', width: inches(4) },
      ],
    })
  })

  it('leaves out pieces and keeps their place as one leftover', () => {
    const row = {
      kind: 'cut' as const,
      side: 'width' as const,
      width: inches(6),
      height: inches(4),
      parts: [leaf(2, 4, 'a'), leaf(2, 4, 'a'), leaf(2, 4, 'a')],
    }
    expect(without(row, 'a', 2, cutter)).toMatchObject({
      parts: [{ kind: 'piece' }, { kind: 'offcut', width: inches(4) }],
    })
    expect(without(row, 'a', 3, cutter)).toMatchObject({ kind: 'offcut', width: inches(6) })
    const demands = [{ ...piece(2, 4, 7), key: 'a' }]
    const trimmed = withoutSurplus([{ supply: 's', repeats: 3, root: row }], demands, { cutter, supplies: [] })
    expect(trimmed.reduce((sum, { root, repeats }) => sum + (countsOf(root).get('a') ?? 0) * repeats, 0)).toBe(7)
    expect(trimmed.map(({ repeats }) => repeats)).toEqual([2, 1])
  })
})

describe('planning one paper exactly', () => {
  it('mixes layouts where one repeated on every sheet falls short', () => {
    // A kit is one 6 × 6 and two 6 × 3 of a 12 × 6 sheet. Alike sheets (one of each kind of cut) give 1 kit each;
    // 3 sheets of 6 × 6 twice and 2 of 6 × 3 four times … 5 kits need 5 × 72 of 72: five sheets and no more.
    const kits = (count: number) =>
      exact([piece(6, 6, count, 'as drawn'), piece(6, 3, 2 * count, 'as drawn')], [sheet(12, 6)])
    expect(kits(5)).toMatchObject({ sheets: 5, bound: 5 })
    // Two thirds of a sheet a kit: 3 kits from 2 sheets only when two mixed layouts share the work.
    const mixed = exact(
      [piece(5, 4, 3, 'as drawn'), piece(3, 4, 3, 'as drawn'), piece(4, 2, 3, 'as drawn')], [sheet(12, 8)],
    )
    expect(mixed.sheets).toBe(mixed.bound)
  })

  it('finds k + 1 kits in a drawer that gives k when every sheet is cut alike, and proves k + 2 impossible', () => {
    // A kit is one 5 × 6 and one 2 × 6; a 12 × 6 sheet gives two and one, or one and three: one kit where all are cut
    // alike.
    const pieces = (count: number) => [piece(5, 6, count, 'as drawn'), piece(2, 6, count, 'as drawn')]
    const kits = (count: number) => exact(pieces(count), [sheet(12, 6, 4, null)])
    const alike = 4 * 1
    let most = alike
    while (kits(most + 1).unplaced.length === 0) most++
    expect(most).toBeGreaterThan(alike)
    expect(kits(most)).toMatchObject({ unplaced: [] })
    // Three sheets of the first kind and one of the second hold 7 and 6.
    expect(most).toBe(6)
    const more = exact(pieces(most + 1), [sheet(12, 6, 4, 50)])
    expect(more.bound).toBeGreaterThan(4)
  })

  it('cuts a pinwheel’s pieces from two sheets and proves that one is too few', () => {
    expect(exact([piece(3, 2, 4), piece(1, 1, 1)], [sheet(5, 5)])).toMatchObject({ sheets: 2, bound: 2 })
  })

  it('spends the least money over several formats, and proves the sheets for that money', () => {
    const result = exact([piece(6, 6, 8)], [sheet(12, 12, 1), sheet(6, 6, 0, 10)])
    expect(result).toMatchObject({ sheets: 5, bound: 5 })
  })

  it('keeps to what is on hand and to print direction, trimmer and squaring', () => {
    const demands = [piece(4, 5, 9, 'as drawn'), piece(3, 4, 11, 'turned'), piece(2, 3.5, 13)]
    expect(
      exact(demands, [sheet(8.5, 11, 3, null), sheet(12, 12, 50, null)], { squaring: inches(0.25), length: inches(12) })
        .unplaced,
    ).toEqual([])
  })

  it('answers one kit, no kits, 500 kits and many sizes', () => {
    expect(exact([piece(4, 5, 1)], [sheet(8.5, 11)])).toMatchObject({ sheets: 1, bound: 1 })
    expect(exact([piece(4, 5, 0)], [sheet(8.5, 11)])).toMatchObject({ sheets: 0, layouts: [] })
    const many = exact(
      Array.from({ length: 12 }, (_, index) => piece(1 + index / 4, 2 + index / 8, 12)),
      [sheet(12, 12)],
    )
    expect(many.sheets - many.bound).toBeLessThanOrEqual(2)
    const order = exact([piece(4.25, 5.5, 500), piece(3, 5, 500), piece(2, 3.5, 1000)], [sheet(8.5, 11)])
    expect(order.sheets / order.bound).toBeLessThanOrEqual(1.01)
  })

  it('never needs more sheets than strips, and its bound never passes its plan, step by step', () => {
    fc.assert(
      fc.property(
        anySizes(16, 128, 6, 40),
        (demands) => {
          const given: CuttingProblem = problem(demands, [sheet(8.5, 11)])
          const search = planPaper(given, solve)
          let last = Infinity
          for (let step = search.next(); ; step = search.next()) {
            const current = step.done ? step.value[0] : step.value.plan
            expect(verifyPlan(current, given)).toEqual([])
            expect(current.sheets).toBeLessThanOrEqual(last)
            last = current.sheets
            if (step.done) break
          }
          expect(last).toBeLessThanOrEqual(plan(given).sheets)
          // Every plan, those that trade sheets for time included, can be cut as its sequence says.
          for (const each of plansFor(given, solve)) {
            expect(verifyPlan(each, given)).toEqual([])
            expect(sequenceViolations(benchSequence(each.layouts, cutter, given), each, given)).toEqual([])
          }
        },
      ),
      { numRuns: 8 },
    )
  })

  it('keeps to trimmer, squaring, kerf and offcuts, for any sizes', () => {
    fc.assert(
      fc.property(anySizes(20, 120, 4, 12), anyKerf, anySquaring, (demands, kerf, squaring) => {
        const given = problem(demands, [sheet(14, 11), offcut(5, 6, 2)], {
          kerf: inches(kerf),
          squaring: inches(squaring),
          length: inches(11.5),
        })
        for (const each of plansFor(given, solve)) {
          expect(verifyPlan(each, given)).toEqual([])
          expect(sequenceViolations(benchSequence(each.layouts, given.cutter, given), each, given)).toEqual([])
        }
      }),
      { numRuns: 6 },
    )
  })
})

describe('all patterns of few sizes', () => {
  it('hold every count that some pattern of straight cuts gives, and none that another beats', () => {
    const side = fc.integer({ min: 44, max: 100 }).map(sixteenths => sixteenths / 16)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(side, side), { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }),
        (sizes, worths) => {
          const demands = sizes.map(([width, height], index) => ({ ...piece(width, height, 99), key: `p${index}` }))
          const cuts = new Guillotine({ width: inches(8.5), height: inches(11) }, cutter, demands)
          const all = cuts.all(demands, 1_000_000)!.map(root => demands.map(({ key }) => countsOf(root).get(key) ?? 0))
          for (const one of all)
            expect(all.filter(other => other !== one && other.every((count, index) => count >= one[index]!))).toEqual(
              [],
            )
          // Whatever the pieces are worth, the best pattern is among them.
          const worth = new Map(demands.map(({ key }, index) => [key, worths[index]!]))
          const most = Math.max(
            0, ...all.map(counts => counts.reduce((sum, count, index) => sum + count * worths[index]!, 0)),
          )
          expect(cuts.best(worth)?.value ?? 0).toBe(most)
        },
      ),
      { numRuns: 20 },
    )
  })

  it('are not listed where there are too many', () => {
    const demands = [piece(1, 1.0625, 9), piece(1.125, 1.3125, 9), piece(1.4375, 1.5625, 9)]
    expect(
      new Guillotine({ width: inches(12), height: inches(12) }, cutter, demands).all(demands, 1000),
    ).toBeUndefined()
  })
})

describe('sizes with too many sums', () => {
  const mm = (length: number) => length / 25.4
  it.each([
    [
      'millimetres beside inches',
      [piece(mm(105), mm(148), 12), piece(4.25, 5.5, 9), piece(mm(63), 2.5, 15), piece(3.125, mm(97), 12)], {},
    ],
    [
      'hundredths of a millimetre',
      [
        [51.31, 74.24], [88.77, 101.93], [33.46, 61.19], [120.53, 44.81], [70.37, 70.91],
      ].map(([width, height]) => piece(mm(width!), mm(height!), 12)),
      { mark: inches(mm(1)) },
    ],
    [
      'a kerf off the marks', [piece(4, 5.25, 8), piece(3.75, 2.75, 9), piece(1.875, 5.25, 14)],
      { kerf: inches(mm(0.37)) },
    ],
  ] as const)('are planned on a grid, with a bound that holds: %s', (_, demands, changes) => {
    const given = problem([...demands], [sheet(mm(600), mm(900))], { length: inches(mm(900)), ...changes })
    const [best] = plansFor(given, solve)
    expect([verifyPlan(best, given), best.unplaced]).toEqual([[], []])
    expect(best.bound).toBeLessThanOrEqual(best.sheets)
    expect(best.sheets).toBeLessThanOrEqual(best.bound + 1)
    expect(sequenceViolations(benchSequence(best.layouts, given.cutter, given), best, given)).toEqual([])
  })
})
