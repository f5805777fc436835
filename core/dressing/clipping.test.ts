import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import type { MultiPolygon, Polygon } from 'polygon-clipping'
import { difference, intersection, robust } from './clipping'
import { areaOfAll } from './seen'

const SQUARE: Polygon = [[[0, 0], [100, 0], [100, 100], [0, 100]]]
const CENTIMETRE = 10_000
/** What the package finds; of inputs that it gives up on nothing is asked. */
const areaBy = (clip: () => MultiPolygon): number => {
  try {
    return areaOfAll(clip())
  }
  catch {
    fc.pre(false)
    return 0
  }
}
/** Where the package gives up corners are moved by some micrometres. */
const isAbout = (one: MultiPolygon, other: number) => Math.abs(areaOfAll(one) - other) < CENTIMETRE ** 2 / 20

/** Boxes, boxes set on a corner, arrows (which bulge inwards), each with or without a hole: few places, so that many share edges. */
const shape = fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 4 }),
  fc.constantFrom('box', 'diamond', 'arrow'), fc.boolean())
  .map(([x, y, size, kind, isHollow]): Polygon => {
    const unit: [number, number][] = kind === 'box'
      ? [[0, 0], [2, 0], [2, 2], [0, 2]]
      : kind === 'diamond' ? [[1, 0], [2, 1], [1, 2], [0, 1]] : [[0, 0], [1, 1], [2, 0], [1, 2]]
    const ring = (by: number): [number, number][] =>
      unit.map(([right, up]) => [(x + 1 + (right - 1) * by * size) * CENTIMETRE, (y + 1 + (up - 1) * by * size) * CENTIMETRE])
    return isHollow && kind !== 'arrow' ? [ring(1), ring(0.5)] : [ring(1)]
  })
const corners = (polygons: MultiPolygon | Polygon) => JSON.stringify(polygons)

describe('clipping', () => {
  it('is done on a coarser grid where the package gives up', () => {
    const seen: string[] = []
    const fussy = robust((first) => {
      seen.push(corners(first))
      if (corners(first).includes('3')) throw new Error('Unable to find segment')
      return [SQUARE]
    })
    expect(fussy([[[0, 0], [103, 0], [103, 100]]])).toEqual([SQUARE])
    // By sevens 103 is 105; by ones it was 103.
    expect(seen.map(text => text.includes('103'))).toEqual([true, false])
    expect(() => robust(() => {
      throw new Error('never')
    })(SQUARE)).toThrow('never')
  })

  it('takes polygons and many of them', () => {
    expect(difference(SQUARE, [[[0, 0], [50, 0], [50, 100], [0, 100]]])).toHaveLength(1)
    expect(difference([SQUARE], SQUARE)).toEqual([])
    // What has come down to a point covers nothing.
    expect(difference(SQUARE, [[[5, 5], [5, 5], [5, 5], [5, 5]]])).toHaveLength(1)
  })

  it('comes to what the package finds, also where it is told without clipping', () => {
    fc.assert(fc.property(shape, fc.array(shape, { maxLength: 4 }), (first, others) => {
      expect(isAbout(difference(first, ...others), areaBy(() => polygonClipping.difference(first, ...others)))).toBe(true)
      for (const other of others) {
        expect(isAbout(intersection(first, other), areaBy(() => polygonClipping.intersection(first, other)))).toBe(true)
        for (const [outer] of intersection(first, other)) expect(outer!.at(-1)).toEqual(outer![0])
      }
    }), { numRuns: 1000 })
  })
})
