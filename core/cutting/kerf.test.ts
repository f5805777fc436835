import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plan, verifyPlan } from '.'
import type { CutNode } from '.'
import { inches } from '../lengths'
import { lessKerf, withKerf } from './kerf'
import { piece, problem, sheet } from './testing'

/** Every cut of a tree: how long the whole is, and its parts with the dust between them. */
const cuts = (node: CutNode): { whole: number, parts: number[] }[] =>
  node.kind === 'cut'
    ? [{ whole: node[node.side], parts: node.parts.map(part => part[node.side]) }, ...node.parts.flatMap(cuts)]
    : []

describe('kerf', () => {
  const kerf = inches(1 / 16)

  it('changes nothing where the trimmer takes none', () => {
    const given = problem([piece(4, 5, 4)], [sheet(8.5, 11)])
    expect(withKerf(given)).toBe(given)
  })

  it('lets exactly as many pieces fit as there is room for with the dust between them', () => {
    // Four of 2 in want 8 in and three cuts: 8 3/16 in.
    const four = (width: number) => plan(problem([piece(2, 5, 4, 'as drawn')], [sheet(width, 5)], { kerf })).sheets
    expect(four(8 + 3 / 16)).toBe(1)
    expect(four(8 + 2 / 16)).toBe(2)
  })

  it('does not turn what is narrower than the blade into a leftover', () => {
    const [layout] = plan(problem([piece(4, 5, 2)], [sheet(8 + 1 / 16 + 1 / 32, 5)], { kerf })).layouts
    expect(cuts(layout!.root).flatMap(({ parts }) => parts)).toEqual([inches(4), inches(4)])
  })

  it('lies between all parts of every cut, and nowhere else', () => {
    const side = fc.integer({ min: 8, max: 80 }).map(sixteenths => sixteenths / 16)
    const sizes = fc.array(fc.record({ width: side, height: side, quantity: fc.integer({ min: 1, max: 12 }) }), {
      minLength: 1,
      maxLength: 4,
    })
    fc.assert(
      fc.property(sizes, fc.constantFrom(1 / 32, 1 / 16, 1 / 8), (sizes, width) => {
        const blade = inches(width)
        const demands = sizes.map(({ width, height, quantity }, index) => ({
          ...piece(width, height, quantity),
          key: `p${index}`,
          name: `p${index}`,
        }))
        const given = problem(demands, [sheet(8.5, 11)], { kerf: blade })
        const planned = plan(given)
        expect(verifyPlan(planned, given)).toEqual([])
        for (const { whole, parts } of planned.layouts.flatMap(({ root }) => cuts(root))) {
          const over = whole - parts.reduce((sum, part) => sum + part, 0) - blade * (parts.length - 1)
          // Nothing is left, or so little that the last cut turns all of it to dust.
          expect(over).toBeGreaterThanOrEqual(0)
          expect(over).toBeLessThanOrEqual(blade)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('is taken in and given back without a trace', () => {
    const given = problem([piece(4, 5, 6), piece(2, 3, 5)], [sheet(8.5, 11)], { kerf })
    const { layouts } = plan(given)
    const grown = withKerf({ ...given, setUp: layouts }).setUp!
    expect(
      lessKerf(
        grown.map(({ root }) => ({ supply: 's', repeats: 1, root })),
        given,
      ).map(({ root }) => root),
    ).toEqual(layouts.map(({ root }) => root))
  })
})
