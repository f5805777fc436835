import load from 'highs'
import { describe, expect, it } from 'vitest'
import { solverOf } from '.'

const solve = solverOf(await load())

describe('the solver', () => {
  it('weighs patterns: least cost, and what one more of each row would cost', () => {
    // Two of a and one of b on a sheet, or three of b: five a and four b.
    const solved = solve({
      costs: [1, 1],
      rows: [
        { least: 5, of: [[0, 2]] },
        {
          least: 4,
          of: [
            [0, 1],
            [1, 3],
          ],
        },
      ],
    })!
    expect(solved.columns.map(value => Math.round(value * 1e6) / 1e6)).toEqual([2.5, 0.5])
    expect([solved.optimal, solved.cost]).toEqual([true, 3])
    expect(solved.duals.map(value => Math.round(value * 1e6) / 1e6)).toEqual([0.333333, 0.333333])
  })

  it('answers in whole sheets where asked', () => {
    expect(
      solve({
        costs: [1, 1],
        rows: [
          { least: 5, of: [[0, 2]] },
          {
            least: 4,
            of: [
              [0, 1],
              [1, 3],
            ],
          },
        ],
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
    const late = solverOf({
      solve: () => ({ Status: 'Time limit reached', ObjectiveValue: 0, Columns: { x0: { Primal: 0 } }, Rows: [] }),
    })
    expect(late({ costs: [1], rows: [{ least: 5, of: [[0, 1]] }], whole: { nodes: 100 } })).toBeUndefined()
    const found = solverOf({
      solve: () => ({ Status: 'Time limit reached', ObjectiveValue: 6, Columns: { x0: { Primal: 6 } }, Rows: [] }),
    })
    expect(found({ costs: [1], rows: [{ least: 5, of: [[0, 1]] }], whole: { nodes: 100 } })).toMatchObject({
      optimal: false,
      columns: [6],
    })
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
