import fc from 'fast-check'
import load from 'highs'
import { describe, expect, it } from 'vitest'
import type { KitNeed, CuttingProblem } from '.'
import { incompleteKits, mostKits, plansFor, solverOf, verifyPlan } from '.'
import { piece, problem, sheet } from './testing'

const solve = solverOf(await load())

/** A class of kits on sheets that cannot be bought. */
function short(sizes: [number, number, number][], kits: number, sheets: number): CuttingProblem & { kits: KitNeed[] } {
  const demands = sizes.map(([width, height, each]) => piece(width, height, each * kits))
  const pieces = new Map(demands.map(({ key }, at) => [key, sizes[at]![2]]))
  return { ...problem(demands, [sheet(12, 12, sheets, null)]), kits: [{ kits, pieces }] }
}

function incompleteIn(given: CuttingProblem & { kits: KitNeed[] }): number {
  const [best] = plansFor(given, solve)
  expect(verifyPlan(best, given)).toEqual([])
  return incompleteKits(given.kits, new Map(best.unplaced.map(({ demand, quantity }) => [demand, quantity])))
}

describe('complete kits before single pieces', () => {
  it('cuts large pieces for whole kits rather than many small ones for none', () => {
    // One sheet gives four kits of a 6 × 5 with two strips of 6 × 1/2; sorted by number of pieces it would be strips
    // alone.
    const given = short([[6, 5, 1], [6, 0.5, 2]], 12, 1)
    expect(incompleteIn(given)).toBe(8)
  })

  it('gives as many complete kits as the drawer holds', () => {
    const size = fc.tuple(
      fc.integer({ min: 2, max: 7 }), fc.integer({ min: 2, max: 7 }), fc.integer({ min: 1, max: 3 }),
    )
    fc.assert(fc.property(
      fc.uniqueArray(size, {
        minLength: 1, maxLength: 3, selector: ([width, height]) => [width, height].sort().join(),
      }),
      fc.integer({ min: 1, max: 4 }),
      (sizes, sheets) => {
        const given = short(sizes, 40, sheets)
        const { kits } = mostKits({ problem: given, perKit: given.kits[0]!.pieces }, solve)
        expect(40 - incompleteIn(given)).toBeGreaterThanOrEqual(Math.min(40, kits))
      },
    ), { numRuns: 25, seed: 12 })
  })

  it('counts kits that share a size by what each is short of', () => {
    const needs: KitNeed[] = [
      { kits: 4, pieces: new Map([['a', 1], ['b', 2]]) },
      { kits: 4, pieces: new Map([['b', 1]]) },
    ]
    expect(incompleteKits(needs, new Map([['b', 4]]))).toBe(2)
    expect(incompleteKits(needs, new Map([['a', 3], ['b', 1]]))).toBe(3)
    expect(incompleteKits(needs, new Map([['b', 12]]))).toBe(8)
    expect(incompleteKits(needs, new Map([['c', 3]]))).toBe(0)
    expect(incompleteKits(needs, new Map())).toBe(0)
  })
})
