import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { difference, intersection, union } from './clipping'
import type { MultiPolygon, Polygon } from './clipping'
import { around } from '../lists'

const SQUARE: Polygon = [[[0, 0], [100, 0], [100, 100], [0, 100]]]
const CENTIMETRE = 10_000

/**
 * Places that no edge of a shape goes through: twice one coordinate and the other never come to a quarter of a
 * centimetre.
 */
const PLACES = Array.from({ length: 40 * 40 }, (_, at): [number, number] =>
  [(Math.floor(at / 40) / 4 - 1.9137) * CENTIMETRE, (at % 40 / 4 - 1.8671) * CENTIMETRE])

/**
 * Whether a place lies in a polygon: what goes off to the right from there crosses its rings an odd number of times.
 */
const isIn = (polygon: Polygon, [x, y]: [number, number]): boolean =>
  polygon.reduce((sum, ring) => sum + around(ring).filter(([[ax, ay], [bx, by]]) =>
    (ay > y) !== (by > y) && x < ax + (bx - ax) * (y - ay) / (by - ay)).length, 0) % 2 === 1
const isInAny = (polygons: MultiPolygon, place: [number, number]) => polygons.some(polygon => isIn(polygon, place))

/**
 * Boxes, boxes set on a corner, arrows (which bulge inwards), each with or without a hole: few places, so that many
 * share edges.
 */
const shape = fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 4 }),
  fc.constantFrom('box', 'diamond', 'arrow'), fc.boolean())
  .map(([x, y, size, kind, isHollow]): Polygon => {
    const unit: [number, number][] = kind === 'box'
      ? [[0, 0], [2, 0], [2, 2], [0, 2]]
      : kind === 'diamond' ? [[1, 0], [2, 1], [1, 2], [0, 1]] : [[0, 0], [1, 1], [2, 0], [1, 2]]
    const ring = (by: number): [number, number][] =>
      unit.map(([right, up]) => [
        (x + 1 + (right - 1) * by * size) * CENTIMETRE, (y + 1 + (up - 1) * by * size) * CENTIMETRE,
      ])
    return isHollow && kind !== 'arrow' ? [ring(1), ring(0.5)] : [ring(1)]
  })

describe('clipping', () => {
  it('takes polygons and many of them', () => {
    expect(difference(SQUARE, [[[0, 0], [50, 0], [50, 100], [0, 100]]])).toHaveLength(1)
    expect(difference([SQUARE], SQUARE)).toEqual([])
    // What has come down to a point covers nothing.
    expect(difference(SQUARE, [[[5, 5], [5, 5], [5, 5], [5, 5]]])).toHaveLength(1)
    expect(union()).toEqual([])
  })

  it('takes a ring that goes round either way for the same', () => {
    const hollow: Polygon = [SQUARE[0]!, [[25, 25], [75, 25], [75, 75], [25, 75]]]
    const turned: Polygon = hollow.map(ring => ring.toReversed())
    const mixed: Polygon = [hollow[0]!, hollow[1]!.toReversed()]
    const strip: Polygon = [[[40, -10], [60, -10], [60, 110], [40, 110]]]
    const left = [hollow, turned, mixed].map(polygon => difference(polygon, strip))
    expect(left[0]).toHaveLength(2)
    expect(left[1]).toEqual(left[0])
    expect(left[2]).toEqual(left[0])
    // What fills the opening of another one lies in both together.
    expect(union(hollow, [hollow[1]!])).toEqual([[expect.arrayContaining(SQUARE[0]!)]])
  })

  it('comes at every place to what lies there', () => {
    fc.assert(fc.property(shape, fc.array(shape, { maxLength: 4 }), (first, others) => {
      const [left, all, both] = [
        difference(first, ...others), union(first, ...others), others.map(other => intersection(first, other)),
      ]
      const wrong = PLACES.filter((place) => {
        const [inFirst, inOthers] = [isIn(first, place), others.map(other => isIn(other, place))]
        return isInAny(left, place) !== (inFirst && !inOthers.includes(true))
          || isInAny(all, place) !== (inFirst || inOthers.includes(true))
          || both.some((of, at) => isInAny(of, place) !== (inFirst && inOthers[at]!))
      })
      expect(wrong).toEqual([])
      for (const [outer] of [...left, ...all, ...both.flat()]) expect(outer!.at(-1)).toEqual(outer![0])
    }), { numRuns: 500 })
  })
})
