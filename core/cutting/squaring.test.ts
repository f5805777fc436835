import { describe, expect, it } from 'vitest'
import { benchSequence, plan, sequenceViolations, settingsIn, simulate, verifyPlan } from '.'
import type { BenchStep, Layout } from '.'
import { inches } from '../lengths'
import { frameOf } from './squaring'
import { withoutSurplus } from './surplus'
import { cutter, offcut, piece, problem, sheet } from './testing'

const margin = { squaring: inches(0.25) }
const inInches = (steps: BenchStep[]) => steps.map(({ hold, side, fence }) => [hold, side, fence / inches(1)])

describe('sheets that are squared', () => {
  const given = problem([piece(4, 5, 8)], [sheet(8.5, 11)], margin)
  const planned = plan(given)
  const steps = benchSequence(planned.layouts, given.cutter, given)

  it('lose their edges first: one, then the one opposite with the straight one at the fence, then the others', () => {
    expect(inInches(steps).slice(0, 4)).toEqual([
      ['sheet 1', 'height', 10.75],
      ['sheet 1 with one straight edge', 'height', 10.5],
      ['sheet 1 with two straight edges', 'width', 8.25],
      ['sheet 1 with three straight edges', 'width', 8],
    ])
    expect(steps.slice(0, 4).map(({ rest, turn }) => [rest?.kind, turn])).toEqual(
      [false, true, true, true].map(turn => ['waste', turn]),
    )
    expect(steps[4]!.hold).toBe('squared sheet 1')
    expect([verifyPlan(planned, given), sequenceViolations(steps, planned, given)]).toEqual([[], []])
  })

  it('take turns where both sides are of one length, so that two settings do', () => {
    const square = problem([piece(5, 5, 4)], [sheet(12, 12)], margin)
    const { layouts } = plan(square)
    const trimmed = benchSequence(layouts, square.cutter).slice(0, 4)
    expect(inInches(trimmed).map(([, side, fence]) => [side, fence])).toEqual([
      ['height', 11.75], ['width', 11.75], ['height', 11.5], ['width', 11.5],
    ])
    expect(settingsIn(trimmed)).toBe(2)
  })

  it('are trimmed together where several layouts are cut from them; offcuts are square already', () => {
    const mixed = problem([piece(4, 5, 9), piece(3, 4, 7), piece(2, 2, 3)], [sheet(8.5, 11), offcut(5, 6)], margin)
    const { layouts, unplaced } = plan(mixed)
    const sequence = benchSequence(layouts, mixed.cutter, mixed)
    const fresh = layouts.filter(({ supply }) => supply === '8.5x11').length
    expect(fresh).toBeGreaterThan(1)
    const sheets = layouts.filter(({ supply }) => supply === '8.5x11').reduce((sum, { repeats }) => sum + repeats, 0)
    const trimmed = sequence
      .slice(0, 4)
      .map(({ fence, quantity, stacks, taken }) => [fence / inches(1), quantity, stacks, taken])
    const stacks = Math.ceil(sheets / mixed.cutter.stack)
    expect(trimmed).toEqual(
      [10.75, 10.5, 8.25, 8].map((at, index) => [at, sheets, stacks, index === 0 ? 'new' : 'in hand']),
    )
    expect(sequence[3]!.deals).toHaveLength(fresh)
    expect(sequence[4]!.hold).toMatch(/^(squared sheet|offcut) \d+$/)
    expect(sequenceViolations(sequence, { layouts, unplaced }, mixed)).toEqual([])
  })

  it('lose the kerf of every trimming cut as well', () => {
    const sawn = problem([piece(4, 5, 4)], [sheet(8.5, 11)], { ...margin, kerf: inches(1 / 16) })
    const { layouts, unplaced } = plan(sawn)
    const sequence = benchSequence(layouts, sawn.cutter)
    expect(inInches(sequence).slice(0, 2).map(([, , fence]) => fence)).toEqual([11 - 0.25 - 1 / 16, 11 - 0.5 - 1 / 8])
    expect(sequenceViolations(sequence, { layouts, unplaced }, sawn)).toEqual([])
  })

  it('keep their frame where surplus is left out', () => {
    const whole: Layout[] = planned.layouts.map(layout => ({ ...layout, repeats: 3 }))
    for (const { root } of withoutSurplus(whole, [piece(4, 5, 5)], given))
      expect(frameOf(root, given.cutter)?.margin).toBe(inches(0.25))
  })

  it('are found not squared by both checks', () => {
    // The same plan from sheets that nobody squares gives pieces with raw edges to somebody who does.
    const unsquared = problem([piece(4, 5, 4)], [sheet(8, 10.5)])
    const raw = plan(unsquared)
    const squaring = { ...unsquared, cutter: { ...cutter, ...margin } }
    expect(verifyPlan(raw, squaring).join()).toContain('never squared')
    expect(simulate(benchSequence(raw.layouts, cutter), raw, squaring).violations.join()).toContain(
      'an edge that was never cut',
    )
    // Left out or made too small, a trimming cut is missed.
    const less = structuredClone(steps)
    less[0]!.fence = inches(10.9)
    expect(sequenceViolations(less, planned, given)).not.toEqual([])
    expect(sequenceViolations(steps.slice(4), planned, given)).not.toEqual([])
  })

  it('of which nothing is left are left out, and the others are cut', () => {
    const eaten = problem([piece(5, 5, 4)], [sheet(12, 0.5), sheet(12, 12)], margin)
    const result = plan(eaten)
    expect([result.unplaced, result.layouts.map(({ supply }) => supply)]).toEqual([[], ['12x12']])
    const large = plan(problem([piece(11.75, 5, 1)], [sheet(12, 0.5), sheet(12, 12)], margin))
    expect(large.unplaced[0]!.reason).toContain('squaring')
  })
})

describe('readings', () => {
  it('are taken from the other edge for one cut only, less the kerf, and never larger than what is in hand', () => {
    const off = { mark: inches(1 / 8) }
    const readingsOf = (width: number, quantity: number, changes = {}) => {
      const given = problem([piece(width, 11, quantity, 'as drawn')], [sheet(8.5, 11)], { ...off, ...changes })
      return benchSequence(plan(given).layouts, given.cutter).map(({ reading, cuts }) => [
        reading.from, reading.at / inches(1), cuts,
      ])
    }
    // 8 1/2 − 4 1/16 has no mark either; 8 7/16 leaves 1/16.
    expect(readingsOf(2.0625, 4)[0]![0]).toBe('between')
    const even = (width: number, from: number) => {
      const given = problem([piece(width, 11, 1, 'as drawn')], [sheet(from, 11)], off)
      return benchSequence(plan(given).layouts, given.cutter)[0]!.reading
    }
    expect(even(2.0625, 8.0625)).toEqual({ from: 'far', at: inches(6) })
    const sawn = problem([piece(2.0625, 11, 1, 'as drawn')], [sheet(8.125, 11)], { ...off, kerf: inches(1 / 16) })
    expect(benchSequence(plan(sawn).layouts, sawn.cutter)[0]!.reading).toEqual({ from: 'far', at: inches(6) })
    const close = problem([piece(2.0625, 11, 1, 'as drawn')], [sheet(2.07, 11)], off)
    const [step] = benchSequence(plan(close).layouts, close.cutter)
    expect(step!.reading.at).toBeLessThanOrEqual(inches(2.07))
  })
})
