import { describe, expect, it, vi } from 'vitest'
import type { PaperEntry } from '../../core/batch'
import type { Demand, SupplyKind } from '../../core/cutting'
import { plan } from '../../core/cutting'
import { inches } from '../../core/lengths'
import { paperAfter } from './useOffcuts'
import { isPale, paperFill } from './usePaperLook'
import { problemAt, refusalOf } from './useRefusal'

vi.stubGlobal('usePlannerStore', () => undefined)
const { count } = await import('./useStations')
vi.stubGlobal('count', count)
const { alikeWith, proofOf } = await import('./usePlanned')

describe('what the server refused', () => {
  it('is its own sentence with each problem at its place', () => {
    const problems = [{ path: 'seats', problem: 'must be at least 1' }]
    const refusal = refusalOf({ statusCode: 422, data: { message: 'Seats must be at least 1.', data: { problems } } })
    expect(refusal).toMatchObject({ status: 422, message: 'Seats must be at least 1.', problems })
    expect(problemAt(refusal.problems, 'seats')).toBe('must be at least 1')
    expect(problemAt(refusal.problems, 'title')).toBeUndefined()
  })

  it('is a plain word when the server gave none', () => {
    expect(refusalOf({ statusCode: 500 })).toMatchObject({ status: 500, message: 'Something went wrong on the server.', problems: [] })
  })

  it('is no connection when no answer came', () => {
    expect(refusalOf(new TypeError('Failed to fetch'))).toMatchObject({ status: 0, message: expect.stringContaining('cannot be reached') })
  })
})

describe('the look of paper', () => {
  it('lays a print on its side where a piece is turned', () => {
    expect([paperFill('kelp'), paperFill('kelp', true), paperFill(undefined)]).toEqual(['url(#paper-kelp)', 'url(#paper-kelp-turned)', 'none'])
  })

  it('draws dark on pale papers and pale on dark ones', () => {
    expect(['#f6f2e7', '#c3c9c8', '#d99a4e'].every(colour => isPale({ colour }))).toBe(true)
    expect(['#2b3a55', '#3f6b57', '#000000'].some(colour => isPale({ colour }))).toBe(false)
  })
})

describe('offcuts on the shelf', () => {
  it('lose what is used up and gain what is left, largest first', () => {
    const shelf = [{ width: '3 in', height: '4 in', count: 2 }, { width: '5 in', height: '5 in', count: 1 }]
    const left = (width: number, height: number, count: number, kind: SupplyKind = 'offcut') => ({ kind, width: inches(width), height: inches(height), count })
    const kelp = { key: 'kelp', name: 'Kelp', stocks: [{ width: '8 1/2 in', height: '11 in', onHand: 5, price: 40 }, { width: '12 in', height: '12 in', onHand: 1, price: null }], offcuts: shelf } as unknown as PaperEntry
    // A drop-out of an offcut's size is no offcut, and no more sheets can go than there are.
    const after = paperAfter(kelp, { usedUp: [left(5, 5, 1), left(3, 4, 1), left(3, 4, 9, 'drop-out'), left(8.5, 11, 3, 'sheet'), left(12, 12, 4, 'sheet')], leaves: [left(3, 4, 2), left(6, 8.5, 1)] }, 'inch')
    expect(after.offcuts).toEqual([{ width: '6 in', height: '8 1/2 in', count: 1 }, { width: '3 in', height: '4 in', count: 3 }])
    expect(after.stocks.map(({ onHand }) => onHand)).toEqual([2, 0])
  })
})

describe('papers that are cut alike', () => {
  it('are three of four prints, spread over all kits, when one has another piece', () => {
    const sizes = (extra: [number, number][]) => [[4, 5], [3, 4], ...extra].map(([width, height]): Demand => ({ key: `${width}x${height}`, name: '', width: inches(width!), height: inches(height!), quantity: 14, turn: 'as drawn' }))
    const cutter = { length: inches(12), mark: inches(1 / 16), smallestPiece: inches(0.5), stack: 4, squaring: inches(0), kerf: inches(0), offcut: { short: inches(2), long: inches(4) } }
    const planned = ['herring', 'lantern', 'ripple', 'rope'].map((key) => {
      const supplies = [{ key: 'square', kind: 'sheet' as const, width: inches(12), height: inches(12), onHand: 9, price: 90 }]
      return { paper: { key }, outcome: { plan: plan({ demands: sizes(key === 'rope' ? [[2, 2]] : []), supplies, cutter, objective: 'money' }) } }
    }) as unknown as Parameters<typeof alikeWith>[1]
    expect(alikeWith(planned[0]!, planned).map(({ paper }) => paper.key)).toEqual(['lantern', 'ripple'])
    expect(alikeWith(planned[3]!, planned)).toEqual([])
    expect(alikeWith({ ...planned[3]!, outcome: undefined }, planned)).toEqual([])
  })
})

describe('words for numbers', () => {
  it('count one and many', () => {
    expect([0, 1, 2].map(number => count(number, 'sheet'))).toEqual(['0 sheets', '1 sheet', '2 sheets'])
  })

  it('say how sure a number of sheets is', () => {
    const proof = (sheets: number, bound: number, more = {}, formats = 1, fewest = sheets) =>
      proofOf({ plan: { sheets, bound, layouts: [], unplaced: [], ...more }, choices: [{ plan: { sheets: Math.min(sheets, fewest) } }], sheets: Array.from({ length: formats }, () => ({})) } as unknown as Parameters<typeof proofOf>[0])
    expect(proof(7, 7)).toBe('7 sheets, and it cannot be done with fewer')
    expect(proof(7, 6)).toBe('7 sheets; fewer than 6 is impossible')
    expect(proof(7, 0, { unplaced: [{}] })).toContain('not every piece could be placed')
    expect(proof(7, 7, {}, 2)).toContain('with fewer for the same money')
    expect(proof(0, 0, { layouts: [{}] })).toBe('No fresh sheet: offcuts are enough')
    expect(proof(0, 0)).toBe('Everything is cut')
    expect(proof(8, 7, {}, 1, 7)).toBe('8 sheets, where 7 would do')
  })
})
