import fc from 'fast-check'
import { expect, it } from 'vitest'
import { largestWithin } from './clear'

type Ring = [number, number][]
/** The outline of an oval, counter-clockwise. */
const oval = (x: number, y: number, wide: number, high: number, corners = 120): Ring =>
  Array.from({ length: corners }, (_, at) => {
    const angle = (2 * Math.PI * at) / corners
    return [Math.round(x + (wide / 2) * Math.cos(angle)), Math.round(y + (high / 2) * Math.sin(angle))]
  })
const sheet = (width: number, height: number): Ring => [[0, 0], [width, 0], [width, height], [0, height]]
const area = ({ width, height }: { width: number, height: number }) => width * height

it('finds all of a sheet, and nothing where there is none', () => {
  expect(largestWithin([[sheet(100_000, 60_000)]])).toEqual({ width: 100_000, height: 60_000 })
  expect(largestWithin([])).toEqual({ width: 0, height: 0 })
})

it('passes an oval, whichever side leaves more', () => {
  fc.assert(fc.property(
    fc.integer({ min: 10_000, max: 70_000 }), fc.integer({ min: 10_000, max: 40_000 }),
    fc.integer({ min: 6000, max: 18_000 }), fc.integer({ min: 6000, max: 18_000 }),
    (x, y, wide, high) => {
      const beside = [
        { width: x - wide / 2, height: 60_000 }, { width: 90_000 - x - wide / 2, height: 60_000 },
        { width: 90_000, height: y - high / 2 }, { width: 90_000, height: 60_000 - y - high / 2 },
      ]
      const found = largestWithin([[sheet(90_000, 60_000), oval(x, y, wide, high)]])
      // No less than the best strip beside it; a little more may reach into its corners.
      expect(area(found)).toBeGreaterThan(Math.max(...beside.map(area)) * 0.999)
      expect(area(found)).toBeLessThan(90_000 * 60_000)
    }))
})

/** A strip of 30 × 148 mm with a rotated oval over its upper left corner, in micrometres. */
const COVERED: Ring = ([
  [0, 0],
  [118, 0],
  [118, 583],
  [9, 583],
  [11, 576],
  [14, 563],
  [19, 549],
  [23, 534],
  [27, 519],
  [31, 503],
  [35, 488],
  [39, 472],
  [43, 458],
  [47, 443],
  [50, 430],
  [52, 418],
  [55, 408],
  [56, 399],
  [57, 392],
  [58, 387],
  [58, 383],
  [58, 382],
  [57, 383],
  [55, 386],
  [53, 391],
  [51, 397],
  [48, 406],
  [44, 416],
  [41, 428],
  [37, 441],
  [33, 455],
  [28, 469],
  [24, 485],
  [20, 500],
  [16, 516],
  [12, 531],
  [8, 546], [5, 561], [2, 574], [0, 580],
] as Ring).map(([x, y]) => [x * 254, y * 254])

it('ends at a small piece, however round the edges of the rest are', () => {
  const piece: Ring = ([[64, 277], [107, 277], [107, 297], [64, 297]] as Ring).map(([x, y]) => [x * 254, y * 254])
  const { width, height } = largestWithin([[COVERED, piece]])
  // All of the width, up to the piece.
  expect([width / 254, height / 254]).toEqual([118, 277])
})
