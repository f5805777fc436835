import { describe, expect, it } from 'vitest'
import { sheetBound } from '.'
import { inches } from '../lengths'
import { cutter, piece, sheet } from './testing'

const bound = (
  ...[demands, supplies, changes]: [
    Parameters<typeof sheetBound>[0], Parameters<typeof sheetBound>[1], Partial<typeof cutter>?,
  ]
) => sheetBound(demands, supplies, { ...cutter, ...changes })

describe('the lower bound', () => {
  it('counts area, rounded up', () => {
    expect(bound([piece(1, 1, 65)], [sheet(8, 8)])).toBe(2)
    expect(bound([piece(1, 1, 64)], [sheet(8, 8)])).toBe(1)
  })

  it('counts pieces of which no two share a sheet', () => {
    // 5 × 5 on 8 × 8: area alone says 4 of 10 would fit 4 sheets.
    expect(bound([piece(5, 5, 10)], [sheet(8, 8)])).toBe(10)
    expect(bound([piece(5, 5, 10), piece(4, 4, 3)], [sheet(8, 8)])).toBe(11)
    expect(bound([piece(5, 5, 10), piece(3, 3, 3)], [sheet(8, 8)])).toBe(10)
  })

  it('trusts the largest sheet that can be had', () => {
    expect(bound([piece(4, 4, 9)], [sheet(8, 8), sheet(12, 12, 0, null)])).toBe(3)
    expect(bound([piece(4, 4, 9)], [sheet(8, 8), sheet(12, 12, 1, null)])).toBe(1)
    expect(bound([piece(4, 4, 9)], [])).toBe(0)
  })

  it('counts the usable part of a squared sheet', () => {
    expect(bound([piece(4, 4, 4)], [sheet(8, 8)])).toBe(1)
    expect(bound([piece(4, 4, 4)], [sheet(8, 8)], { squaring: inches(1 / 16) })).toBe(4)
  })
})
