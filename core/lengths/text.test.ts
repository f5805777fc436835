import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  INCH,
  MILLIMETRE,
  formatLength,
  inches,
  lengthFrom,
  lengthParts,
  millimetres,
  nanometres,
  parseLength,
  sum,
  writeLength,
} from '.'

describe('reading lengths', () => {
  it.each([
    ['5 3/8', 'inch', 5.375 * INCH],
    ['5⅜"', 'inch', 5.375 * INCH],
    ['5-3/8 in', 'metric', 5.375 * INCH],
    ['5.375 in', 'metric', 5.375 * INCH],
    ['.5', 'inch', INCH / 2],
    ['3/16', 'inch', (3 * INCH) / 16],
    ['13,5 cm', 'inch', 135 * MILLIMETRE],
    ['13.5cm', 'inch', 135 * MILLIMETRE],
    ['136mm', 'inch', 136 * MILLIMETRE],
    ['136', 'metric', 136 * MILLIMETRE],
    ['1.2 m', 'metric', 1200 * MILLIMETRE],
    [' 12 ″ ', 'metric', 12 * INCH],
    ['1/64', 'inch', 396_875],
    ['0', 'metric', 0],
    ['-2', 'metric', -2 * MILLIMETRE],
  ] as const)('%s in a class of %s measures', (text, units, expected) => {
    expect(parseLength(text, units)).toEqual({ ok: true, length: expected })
  })

  it.each([
    ['', 'Type a measure'],
    ['   ', 'Type a measure'],
    ['abc', 'is not a unit'],
    ['5 feet', 'is not a unit'],
    ['five', 'is not a unit'],
    ['5 3//8', 'cannot be read'],
    ['5 3/', 'cannot be read'],
    ['1.2.3', 'cannot be read'],
    ['1e3', 'cannot be read'],
    ['3/0', 'cannot have 0'],
    ['1/3', 'No ruler has 1/3'],
    ['in', 'cannot be read'],
    ['99999 mm', 'longer than 5 m'],
    ['12<script>', 'cannot be read'],
  ])('refuses %j with a reason', (text, reason) => {
    expect(parseLength(text, 'inch')).toMatchObject({ ok: false, reason: expect.stringContaining(reason) })
  })

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('inch', 'metric' as const), (text, units) => {
        const parsed = parseLength(text, units as 'inch' | 'metric')
        expect(parsed.ok ? Number.isInteger(parsed.length) : parsed.reason.length > 0).toBe(true)
      }),
    )
  })

  it('throws where text that passed a door is no length after all', () => {
    expect(() => lengthFrom('wide')).toThrow(RangeError)
  })
})

describe('writing lengths', () => {
  it('shows true fractions of an inch and plain millimetres', () => {
    expect(formatLength(inches(5.375), 'inch')).toBe('5 3/8')
    expect(formatLength(inches(0.0625), 'inch', { unit: true })).toBe('1/16 in')
    expect(formatLength(inches(12), 'inch')).toBe('12')
    expect(formatLength(millimetres(52.5), 'metric', { unit: true })).toBe('52.5 mm')
    expect(formatLength(millimetres(-3), 'metric')).toBe('−3')
  })

  it('says when digits are not the whole truth', () => {
    expect(formatLength(millimetres(210), 'inch')).toBe('≈8 17/64')
    expect(formatLength(inches(5.375), 'inch')).toBe('5 3/8')
  })

  it('shows a metric maker whole and half millimetres, and what was typed', () => {
    expect(formatLength(inches(8.5), 'metric', { unit: true })).toBe('216 mm')
    expect(formatLength(inches(0.125), 'metric')).toBe('3')
    expect(formatLength(nanometres(70_710_678), 'metric')).toBe('70.5')
    expect(formatLength(millimetres(52.25), 'metric')).toBe('52.25')
    expect(formatLength(inches(1 / 256), 'metric')).toBe('0.1')
    expect(lengthParts(inches(12), 'metric')).toMatchObject({ whole: '305', approximate: false })
  })

  it('reads back exactly what it wrote for a file', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5_000_000_000 }),
        fc.constantFrom('inch' as const, 'metric' as const),
        (value, units) => {
          const length = nanometres(value)
          expect(lengthFrom(writeLength(length, units), 'inch')).toBe(length)
        }),
    )
    expect(writeLength(inches(2.125), 'metric')).toBe('2 1/8 in')
    expect(writeLength(millimetres(210), 'inch')).toBe('210 mm')
  })

  it('adds without rounding', () => {
    expect(sum(inches(4), inches(4), inches(4))).toBe(inches(12))
    expect(sum(...Array.from({ length: 64 }, () => inches(1 / 64)))).toBe(INCH)
  })
})
