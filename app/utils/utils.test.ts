import { describe, expect, it } from 'vitest'
import { localDay } from './days'
import { isPale, paperFill } from './paper-look'
import { problemAt, refusalOf } from './refusal'
import { uniqueKey } from './unique-key'

describe('what the server refused', () => {
  it('is its own sentence with each problem at its place', () => {
    const problems = [{ path: 'seats', problem: 'must be at least 1' }]
    const refusal = refusalOf({ statusCode: 422, data: { message: 'Seats must be at least 1.', data: { problems } } })
    expect(refusal).toMatchObject({ status: 422, message: 'Seats must be at least 1.', problems })
    expect(problemAt(refusal.problems, 'seats')).toBe('must be at least 1')
    expect(problemAt(refusal.problems, 'title')).toBeUndefined()
  })

  it('is a plain word when the server gave none', () => {
    expect(refusalOf({ statusCode: 500 })).toMatchObject({
      status: 500, message: 'Something went wrong on the server.', problems: [],
    })
  })

  it('is no connection when no answer came', () => {
    expect(refusalOf(new TypeError('Failed to fetch'))).toMatchObject({
      status: 0,
      message: expect.stringContaining('cannot be reached'),
    })
  })
})

describe('the look of paper', () => {
  it('lays a print on its side where a piece is turned', () => {
    expect([paperFill('kelp'), paperFill('kelp', true), paperFill(undefined)]).toEqual([
      'url(#paper-kelp)',
      'url(#paper-kelp-turned)',
      'none',
    ])
  })

  it('draws dark on pale papers and pale on dark ones', () => {
    expect(['#f6f2e7', '#c3c9c8', '#d99a4e'].every(colour => isPale({ colour }))).toBe(true)
    expect(['#2b3a55', '#3f6b57', '#000000'].some(colour => isPale({ colour }))).toBe(false)
  })
})

describe('today', () => {
  it('is the day of the place, however late in the evening', () => {
    const evening = new Date(2026, 10, 30, 23, 30)
    expect([localDay(0, evening), localDay(1, evening), localDay(14, evening)]).toEqual([
      '2026-11-30', '2026-12-01', '2026-12-14',
    ])
    // West of Greenwich the day there is the next one already; east of it, in the small hours, the one before.
    expect(localDay(0, new Date(2026, 0, 1, 0, 5))).toBe('2026-01-01')
  })
})

describe('a key of one’s own', () => {
  it('is fit for a document, and another one every time', () => {
    const keys = Array.from({ length: 50 }, () => uniqueKey('gatefold-shutter'))
    expect(new Set(keys).size).toBe(50)
    for (const key of [...keys, uniqueKey('x'.repeat(200))]) expect(key).toMatch(/^[a-z0-9][a-z0-9-]{0,79}$/)
  })
})
