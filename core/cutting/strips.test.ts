import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { countsOf, isOffcut, leavesOf } from '.'
import type { CutNode } from '.'
import { inches } from '../lengths'
import { isCuttable, squared, squaringOrder } from './squaring'
import { stripLayout } from './strips'
import { cutter, piece, sheet } from './testing'

const fill = (
  demands: ReturnType<typeof piece>[], supply = sheet(8.5, 11), along: 'width' | 'height' = 'width', changes = {},
) =>
  stripLayout(
    supply,
    { ...cutter, ...changes },
    along,
    demands,
    new Map(demands.map(({ key, quantity }) => [key, quantity])),
    ({ width, height }) => width * height,
  )
const counts = (root?: CutNode) => [...countsOf(root!).values()]

describe('filling one sheet with strips', () => {
  it('takes as many as fit, and no more than are wanted', () => {
    expect(counts(fill([piece(4, 5, 99, 'as drawn')]))).toEqual([4])
    expect(counts(fill([piece(4, 5, 3, 'as drawn')]))).toEqual([3])
  })

  it('answers nothing when nothing fits', () => {
    expect(fill([piece(9, 12, 1)])).toBeUndefined()
    expect(fill([piece(4, 4, 0)])).toBeUndefined()
    expect(fill([])).toBeUndefined()
  })

  it('turns pieces where that gives more', () => {
    // Upright three fit a row of 12; turned four do.
    expect(counts(fill([piece(4, 3, 99)], sheet(12, 4)))).toEqual([4])
    expect(counts(fill([piece(4, 3, 99, 'as drawn')], sheet(12, 4)))).toEqual([3])
    expect(counts(fill([piece(4, 3, 99, 'turned')], sheet(12, 4)))).toEqual([4])
  })

  it('runs its strips along either side', () => {
    const [across, upright] = (['width', 'height'] as const).map(along =>
      fill([piece(4, 5, 4, 'as drawn')], sheet(8.5, 11), along),
    )
    expect(across).toMatchObject({ kind: 'cut', side: 'height' })
    expect(upright).toMatchObject({ kind: 'cut', side: 'width' })
  })

  it('fills a strip with the best mix of lengths, not the first that fits', () => {
    // Nine inches: 5 + 4 fills it, two of 5 do not fit, 4 + 4 leaves one inch.
    const layout = fill([piece(4, 3, 9, 'as drawn'), piece(5, 3, 9, 'as drawn')], sheet(9, 3))
    expect(counts(layout).sort()).toEqual([1, 1])
  })

  it('is worth as much as the best of all mixes, whether pieces run out or not', () => {
    const size = fc.record({
      width: fc.integer({ min: 3, max: 20 }), quantity: fc.integer({ min: 1, max: 20 }),
      worth: fc.integer({ min: 1, max: 30 }),
    })
    fc.assert(fc.property(
      fc.uniqueArray(size, { minLength: 1, maxLength: 5, selector: ({ width }) => width }),
      (sizes) => {
        // Quarters of an inch on a strip of twelve inches, counted one by one.
        const best = (left: number, [first, ...others]: typeof sizes): number => first === undefined
          ? 0
          : Math.max(...Array.from({ length: first.quantity + 1 }, (_, count) =>
              (count * first.width > left ? 0 : count * first.worth + best(left - count * first.width, others))))
        const demands = sizes.map(({ width, quantity }) => piece(width / 4, 3, quantity, 'as drawn'))
        const worths = new Map(demands.map(({ key }, at) => [key, sizes[at]!.worth]))
        const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
        const root = stripLayout(sheet(12, 3), cutter, 'width', demands, left, ({ key }) => worths.get(key)!)!
        const made = countsOf(root)
        expect([...made].reduce((sum, [key, count]) => sum + count * worths.get(key)!, 0)).toBe(best(48, sizes))
        for (const [key, count] of made) expect(count).toBeLessThanOrEqual(left.get(key)!)
      },
    ), { numRuns: 300 })
  })

  it('covers the sheet to the last unit', () => {
    const layout = fill([piece(4, 5, 3, 'as drawn'), piece(3, 2, 5)], sheet(8.5, 11), 'width', {
      squaring: inches(0.125),
    })!
    expect(leavesOf(layout).reduce((sum, { width, height }) => sum + width * height, 0)).toBe(inches(8.5) * inches(11))
    expect([layout.width, layout.height]).toEqual([inches(8.5), inches(11)])
  })

  it('classes a leftover by the maker’s own rule', () => {
    const size = (width: number, height: number) => ({ width: inches(width), height: inches(height) })
    expect(isOffcut(size(2, 4), cutter)).toBe(true)
    expect(isOffcut(size(4, 2), cutter)).toBe(true)
    expect(isOffcut(size(1.9375, 8), cutter)).toBe(false)
    expect(isOffcut(size(3, 3.9375), cutter)).toBe(false)
  })
})

describe('squaring', () => {
  it('leaves the sheet less a margin on every edge', () => {
    expect(squared(sheet(8.5, 11), { ...cutter, squaring: inches(0.25) })).toEqual({
      width: inches(8), height: inches(10.5),
    })
  })

  it('starts with the pair of cuts that the trimmer can make', () => {
    const margin = { ...cutter, squaring: inches(0.25) }
    expect(squaringOrder(sheet(8.5, 11), margin)).toBe('height')
    expect(squaringOrder(sheet(12.5, 11), margin)).toBe('width')
    expect(squaringOrder(sheet(13, 13), margin)).toBeUndefined()
  })

  it('knows a sheet that the trimmer cannot part', () => {
    expect(isCuttable(sheet(11, 17), cutter)).toBe(true)
    expect(isCuttable(sheet(13, 17), cutter)).toBe(false)
    expect(isCuttable(sheet(11, 17), { ...cutter, squaring: inches(0.25) })).toBe(false)
  })
})
