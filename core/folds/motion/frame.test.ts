import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Frame, Vector } from './frame'
import { FLAT, add, pointAt, cross, dot, foldOver, turnedFlat, scale, subtract } from './frame'

const close = (a: Vector, b: Vector) => a.forEach((value, axis) => expect(value).toBeCloseTo(b[axis]!, 6))
const angle = fc.integer({ min: -180, max: 180 })
const side = fc.constantFrom('x' as const, 'y' as const)
/** The next panel along x or y, across a crease at the far end of this one. */
const nextFrame = (frame: Frame, along: 'x' | 'y', length: number, degrees: number) => along === 'x'
  ? foldOver(frame, [length, 0], [length, 1], -degrees, [length, 0])
  : foldOver(frame, [0, length], [1, length], degrees, [0, length])
const previousFrame = (frame: Frame, along: 'x' | 'y', length: number, degrees: number) => along === 'x'
  ? foldOver(frame, [0, 0], [0, 1], degrees, [-length, 0])
  : foldOver(frame, [0, 0], [1, 0], -degrees, [0, -length])

describe('frames in space', () => {
  it('compute with vectors as usual', () => {
    expect(add([1, 2, 3], [4, 5, 6])).toEqual([5, 7, 9])
    expect(subtract([4, 5, 6], [1, 2, 3])).toEqual([3, 3, 3])
    expect(scale([1, -2, 0], 2)).toEqual([2, -4, 0])
    expect(dot([1, 2, 3], [4, 5, 6])).toBe(32)
    expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1])
  })

  it('find a point by its place on the panel and off it', () => {
    expect(pointAt(FLAT, 3, 4, 5)).toEqual([3, 4, 5])
    const turned: Frame = { origin: [10, 0, 0], x: [0, 0, 1], y: [0, 1, 0], normal: [-1, 0, 0] }
    expect(pointAt(turned, 3, 4, 5)).toEqual([5, 4, 3])
  })

  it('raise the next panel towards the viewer at a valley, away at a mountain', () => {
    close(nextFrame(FLAT, 'x', 10, 90).x, [0, 0, 1])
    close(nextFrame(FLAT, 'x', 10, -90).x, [0, 0, -1])
    close(nextFrame(FLAT, 'y', 10, 90).y, [0, 0, 1])
    close(nextFrame(FLAT, 'x', 10, 30).origin, [10, 0, 0])
  })

  it('lay it back exactly at 180 degrees', () => {
    const folded = nextFrame(FLAT, 'x', 10, 180)
    expect(folded.x.map(value => value + 0)).toEqual([-1, 0, 0])
    expect(folded.normal.map(value => value + 0)).toEqual([0, 0, -1])
  })

  it('come back where they started, forwards and backwards over any crease', () => {
    fc.assert(fc.property(side, angle, fc.integer({ min: 1, max: 1000 }), (along, degrees, length) => {
      const there = nextFrame(FLAT, along, length, degrees)
      const back = previousFrame(there, along, length, degrees)
      for (const key of ['origin', 'x', 'y', 'normal'] as const) close(back[key], FLAT[key])
    }))
  })

  it('turn in their own plane about their corner', () => {
    const turned = turnedFlat({ ...FLAT, origin: [5, 6, 7] }, 90)
    expect([turned.origin, turned.x.map(value => value + 0), turned.y.map(value => value + 0)]).toEqual([
      [5, 6, 7], [0, 1, 0], [-1, 0, 0],
    ])
  })

  it('stay square: axes of length one at right angles, right-handed', () => {
    fc.assert(fc.property(fc.array(fc.tuple(side, angle), { maxLength: 8 }), (folds) => {
      const frame = folds.reduce((before, [along, degrees]) => nextFrame(before, along, 7, degrees), FLAT)
      for (const axis of [frame.x, frame.y, frame.normal]) expect(dot(axis, axis)).toBeCloseTo(1, 9)
      expect(dot(frame.x, frame.y)).toBeCloseTo(0, 9)
      close(cross(frame.x, frame.y), frame.normal)
    }))
  })
})
