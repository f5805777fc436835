import { describe, expect, it } from 'vitest'
import type { Point } from './card'
import { insetOf, mitred } from './inset'
import { build, partOf } from '../testing'

describe('a shape with a border cut off', () => {
  it('keeps the border along every edge, slanting ones too', () => {
    // A right triangle 3, 4, 5: its inner circle has radius 1, so a border of 1/2 halves it about that middle.
    const corners = insetOf([[0, 0], [4, 0], [0, 3]], 0.5)
    const at = (x: number, y: number) => corners.some(([cx, cy]) => Math.hypot(cx - x, cy - y) < 1e-9)
    expect([at(0.5, 0.5), at(2.5, 0.5), at(0.5, 2)]).toEqual([true, true, true])
  })

  it('is met at its corners again where nothing is lost, inwards too', () => {
    const notched: Point[] = [[0, 0], [10, 0], [10, 2], [6, 2], [6, 8], [10, 8], [10, 10], [0, 10]]
    expect(mitred(notched, 0.5)).toEqual([
      [0.5, 0.5], [9.5, 0.5], [9.5, 1.5], [5.5, 1.5], [5.5, 8.5], [9.5, 8.5], [9.5, 9.5], [0.5, 9.5],
    ])
    // The arms are two high and the back is six wide.
    expect([mitred(notched, 1.1), mitred(notched, 3.1)]).toEqual([undefined, undefined])
  })

  it('is not met at its corners where its edges would cross, or an edge has no length', () => {
    // The slot between two teeth comes out at the foot although every edge keeps its direction.
    const teeth = ([[0, 0], [20, 0], [20, 10], [10.5, 10], [10.5, 1], [9.5, 1], [9.5, 10], [0, 10]] as const)
      .map(([x, y]): Point => [x * 1e6, y * 1e6])
    expect(mitred(teeth, 0.4e6)).toBeDefined()
    expect(mitred(teeth, 0.6e6)).toBeUndefined()
    expect(mitred([[0, 0], [4, 0], [4, 0], [0, 3]], 0.1)).toBeUndefined()
  })

  it('is empty where the border takes all of it', () => {
    expect(insetOf([[0, 0], [4, 0], [0, 3]], 1.01)).toEqual([])
  })

  it('gives round cards round layers', () => {
    const easel = build('easel', { shape: 'round' })
    for (const key of ['mat-base', 'message', 'mat-topper'])
      expect(partOf(easel, key).outline!.length).toBeGreaterThan(30)
    const { outline, width } = partOf(easel, 'mat-topper')
    const middle = width.value / 2
    const reach = (outline as Point[]).map(([x, y]) => Math.hypot(x - middle, y - middle))
    expect(Math.max(...reach) / Math.min(...reach)).toBeLessThan(1.01)
  })
})
