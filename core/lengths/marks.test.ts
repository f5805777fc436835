import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { downToMark, inches, isOnMark, millimetres, nanometres, nearestMark, readOffScale, upToMark } from '.'

const sixteenth = inches(1 / 16)

describe('marks of a tool', () => {
  it('rounds the way its name says', () => {
    const between = inches(2 + 1 / 32)
    expect(downToMark(between, sixteenth)).toBe(inches(2))
    expect(upToMark(between, sixteenth)).toBe(inches(2 + 1 / 16))
    expect(nearestMark(millimetres(46.4), millimetres(1))).toBe(millimetres(46))
  })

  it('never moves a measure that has a mark', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 200 }), (steps) => {
      const length = nanometres(steps * sixteenth)
      expect(isOnMark(length, sixteenth)).toBe(true)
      expect([downToMark, upToMark, nearestMark].map(round => round(length, sixteenth))).toEqual([
        length, length, length,
      ])
    }))
  })

  it('reads from the other end when only that has a mark', () => {
    const mark = millimetres(1)
    expect(readOffScale(millimetres(52), millimetres(105), mark)).toEqual({ from: 'near', at: millimetres(52) })
    expect(readOffScale(millimetres(52.5), millimetres(105.5), mark)).toEqual({ from: 'far', at: millimetres(53) })
    expect(readOffScale(millimetres(52.5), millimetres(105), mark)).toEqual({ from: 'between', at: millimetres(53) })
  })
})
