import load from 'highs'
import { describe, expect, it } from 'vitest'
import type { Programme } from '.'
import { solverOf } from '.'

const solve = solverOf(await load())

/** Two of a and one of b on a sheet, or three of b: five a and four b are wanted. */
const PATTERNS: Programme['rows'] = [{ least: 5, of: [[0, 2]] }, { least: 4, of: [[0, 1], [1, 3]] }]

describe('the solver', () => {
  it('weighs patterns: least cost, and what one more of each row would cost', () => {
    const solved = solve({
      costs: [1, 1],
      rows: PATTERNS,
    })!
    expect(solved.columns.map(value => Math.round(value * 1e6) / 1e6)).toEqual([2.5, 0.5])
    expect([solved.optimal, solved.cost]).toEqual([true, 3])
    expect(solved.duals.map(value => Math.round(value * 1e6) / 1e6)).toEqual([0.333333, 0.333333])
  })

  it('answers in whole sheets where asked', () => {
    expect(
      solve({
        costs: [1, 1],
        rows: PATTERNS,
        whole: { nodes: 100 },
      }),
    ).toMatchObject({ cost: 4, optimal: true })
  })

  it('keeps to rows that allow no more', () => {
    expect(
      solve({
        costs: [1, 5],
        rows: [
          {
            least: 5,
            of: [
              [0, 1],
              [1, 1],
            ],
          },
          { most: 3, of: [[0, 1]] },
        ],
      }),
    ).toMatchObject({ columns: [3, 2], cost: 13 })
  })

  it('has no answer where there is none, or none in time', () => {
    expect(
      solve({
        costs: [1],
        rows: [
          { least: 5, of: [[0, 1]] },
          { most: 3, of: [[0, 1]] },
        ],
      }),
    ).toBeUndefined()
  })

  it('keeps the best that it found where its branches are used up', () => {
    // Layouts that cost as soon as they are used at all: hard to prove, easy to fill.
    const many = Array.from({ length: 30 }, (_, index) => index)
    const rows = Array.from({ length: 12 }, (_, row) => ({
      least: 20 + row,
      of: many
        .filter(column => (column * 7 + row * 5) % 4 === 0)
        .map((column): [number, number] => [column, 1 + ((column + row) % 4)]),
    }))
    const used = many.map(column => ({ most: 0, of: [[column, 1], [30 + column, -40]] as [number, number][] }))
    const hard = { costs: [...many.map(column => 50 + column % 9), ...many.map(() => 40)], rows: [...rows, ...used] }
    const few = solve({ ...hard, whole: { nodes: 1 } })!
    expect(few.columns.every(Number.isInteger)).toBe(true)
    const filled = rows.map(({ least, of }) =>
      of.reduce((sum, [column, factor]) => sum + few.columns[column]! * factor, -least),
    )
    expect(Math.min(...filled)).toBeGreaterThanOrEqual(0)
    expect(solve({ ...hard, whole: { nodes: 1, start: few.columns } })!.cost).toBeLessThanOrEqual(few.cost)
    // Near enough is soon good enough.
    expect(solve({ ...hard, whole: { nodes: 10_000, gap: 0.2 } })).toMatchObject({ optimal: true })
  })

  it('takes long programmes and negative factors', () => {
    const many = Array.from({ length: 300 }, (_, index) => index)
    const solved = solve({
      costs: many.map(() => 1),
      rows: [
        { least: 10, of: many.map((column): [number, number] => [column, 1]) },
        {
          most: 0,
          of: [
            [0, 1],
            [1, -1],
          ],
        },
      ],
    })!
    expect(solved.cost).toBeCloseTo(10, 6)
  })
})
