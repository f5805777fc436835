import { describe, expect, it } from 'vitest'
import type { Point } from './card'
import { insetOf } from './inset'
import { build, partOf } from '../testing'

describe('a shape with a border cut off', () => {
  it('keeps the border along every edge, slanting ones too', () => {
    // A right triangle 3, 4, 5: its inner circle has radius 1, so a border of 1/2 halves it about that middle.
    const corners = insetOf([[0, 0], [4, 0], [0, 3]], 0.5)
    const at = (x: number, y: number) => corners.some(([cx, cy]) => Math.hypot(cx - x, cy - y) < 1e-9)
    expect([at(0.5, 0.5), at(2.5, 0.5), at(0.5, 2)]).toEqual([true, true, true])
  })

  it('is empty where the border takes all of it', () => {
    expect(insetOf([[0, 0], [4, 0], [0, 3]], 1.01)).toEqual([])
  })

  it('gives round cards round layers', () => {
    const easel = build('easel', { shape: 'round' })
    for (const key of ['mat-base', 'message', 'mat-topper']) expect(partOf(easel, key).outline!.length).toBeGreaterThan(30)
    const { outline, width } = partOf(easel, 'mat-topper')
    const middle = width.value / 2
    const reach = (outline as Point[]).map(([x, y]) => Math.hypot(x - middle, y - middle))
    expect(Math.max(...reach) / Math.min(...reach)).toBeLessThan(1.01)
  })
})
