import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  USUAL_WORK, benchSequence, minutesOf, plan, sequenceViolations, settingsIn, strokesIn, verifyPlan, wholeMinutes,
} from '.'
import type { BenchStep, Layout } from '.'
import { inches, millimetres } from '../lengths'
import { anyKerf, anySizes, anySquaring, cut, cutter, leaf, offcut, piece, problem, sheet } from './testing'

const together = { ...USUAL_WORK, way: 'all together' } as const

describe('the order of cuts', () => {
  it('sets the fence once for a sheet cut in half', () => {
    const {
      layouts: [layout],
    } = plan(problem([piece(8.5, 5.5, 16)], [sheet(8.5, 11)]))
    const steps = benchSequence([layout!], cutter)
    expect(steps).toMatchObject([
      {
        hold: 'sheet 1', quantity: 8, fence: inches(5.5), cuts: 1, strokes: 2, keep: { kind: 'piece', quantity: 16 },
        byKnife: false,
      },
    ])
    expect([settingsIn(steps), strokesIn(steps)]).toEqual([1, 2])
  })

  it('draws each cut right across what is cut', () => {
    const {
      layouts: [layout],
    } = plan(problem([piece(4, 5, 4, 'as drawn')], [sheet(8.5, 11)]))
    const lines = benchSequence([layout!], cutter).flatMap(step => step.lines)
    // Two strips 5 high come off a sheet 8.5 wide; each is cut twice at 4.
    expect(lines.filter(({ from, to }) => from.y === to.y).map(({ from, to }) => [from.x, to.x, from.y])).toEqual([
      [0, inches(8.5), inches(5)],
      [0, inches(8.5), inches(10)],
    ])
    expect(lines.filter(({ from, to }) => from.x === to.x)).toHaveLength(4)
  })

  it('reads from the other edge where only that has a mark', () => {
    const layout: Layout = {
      supply: 'a',
      repeats: 1,
      root: {
        kind: 'cut',
        side: 'width',
        width: millimetres(100.5),
        height: millimetres(50),
        parts: [
          { kind: 'piece', demand: 'p', turned: false, width: millimetres(40.5), height: millimetres(50) },
          { kind: 'waste', width: millimetres(60), height: millimetres(50) },
        ],
      },
    }
    const [step] = benchSequence([layout], { ...cutter, mark: millimetres(1) })
    expect(step!.reading).toEqual({ from: 'far', at: millimetres(60) })
  })

  it('asks for the knife where the trimmer is too short', () => {
    const {
      layouts: [layout],
    } = plan(problem([piece(8.5, 5.5, 2)], [sheet(8.5, 11)]))
    expect(benchSequence([layout!], { ...cutter, length: inches(8) })[0]!.byKnife).toBe(true)
  })

  it('sets the fence once for all layouts that want it', () => {
    // Two layouts that share their strips: 5 high and then 4 and 3 wide.
    const strip = cut('width', 8, 5, [leaf(4, 5, 'a'), leaf(3, 5, 'b'), leaf(1, 5)])
    const layouts: Layout[] = [
      { supply: 's', repeats: 6, root: cut('height', 8, 11, [strip, strip, leaf(8, 1)]) },
      { supply: 's', repeats: 2, root: cut('height', 8, 11, [strip, leaf(8, 6)]) },
    ]
    const steps = benchSequence(layouts, cutter, { work: together })
    expect(steps.map(({ hold, fence }) => [hold, fence])).toEqual([
      ['sheet 1', inches(5)],
      ['sheet 2', inches(5)],
      ['strip 1a', inches(4)],
      ['strip 1a', inches(3)],
    ])
    expect(steps[2]!.quantity).toBe(14)
    expect(settingsIn(steps)).toBe(3)
    expect(layouts.reduce((sum, layout) => sum + settingsIn(benchSequence([layout], cutter)), 0)).toBe(6)
    // Two stacks of sheet 1, one of sheet 2, four of the strip, most of which was put aside, which is turned once
    // and stays in hand.
    expect(steps.map(({ stacks, taken, turn }) => [stacks, taken, turn])).toEqual([
      [2, 'new', false],
      [1, 'new', false],
      [4, 'found', true],
      [4, 'in hand', false],
    ])
    // Three settings, the strokes, seven stacks taken up, four of them found again and turned, and two layouts to read.
    const pace = { ...USUAL_WORK.pace, setting: 60, stroke: 6, handling: 12, turning: 3, aside: 10, reading: 30 }
    expect(minutesOf(steps, pace) * 60).toBe(180 + 6 * strokesIn(steps) + 7 * 12 + 4 * (10 + 3) + 2 * 30)
    expect(steps[0]!.lines.map(({ layout }) => layout)).toEqual(['1', '1'])
  })

  it('takes whole minutes, at least one for any work', () => {
    expect([0, 0.2, 1, 5.05, 6.5].map(wholeMinutes)).toEqual([0, 1, 1, 5, 7])
  })

  it('waits with a setting that strips will want as well', () => {
    // 5 is wanted by both sheets, 3 at once by sheet 2 and later by the strip of sheet 1.
    const steps = benchSequence(
      [
        { supply: 's', repeats: 1, root: cut('height', 9, 11, [leaf(9, 3, 'c'), leaf(9, 8)]) },
        {
          supply: 's',
          repeats: 1,
          root: cut('height', 9, 11, [
            cut('width', 9, 2, [leaf(3, 2, 'a'), leaf(3, 2, 'a'), leaf(3, 2, 'a')]), leaf(9, 9),
          ]),
        },
      ],
      cutter,
      { work: together },
    )
    expect(steps.map(({ fence }) => fence)).toEqual([inches(2), inches(3), inches(3)])
    expect(settingsIn(steps)).toBe(2)
  })

  it('ends with exactly the pieces of the plan, for any demand and kerf', () => {
    fc.assert(
      fc.property(anySizes(8, 128, 5, 30), anyKerf, anySquaring, (demands, kerf, squaring) => {
        const given = problem(demands, [sheet(8.5, 11), offcut(5, 6, 3)], {
          kerf: inches(kerf), squaring: inches(squaring),
        })
        const planned = plan(given)
        expect(verifyPlan(planned, given)).toEqual([])
        expect(sequenceViolations(benchSequence(planned.layouts, given.cutter, given), planned, given)).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
})

describe('the simulation', () => {
  const given = problem([piece(4, 5, 9), piece(3, 4, 7)], [sheet(8.5, 11)])
  const planned = plan(given)
  const steps = benchSequence(planned.layouts, cutter)
  const after = (change: (steps: BenchStep[]) => void) => {
    const copy = structuredClone(steps)
    change(copy)
    return sequenceViolations(copy, planned, given).join('; ')
  }

  it('finds nothing wrong with a sequence that works', () => {
    expect(after(() => {})).toBe('')
  })

  it.each<[string, (steps: BenchStep[]) => void, string]>([
    ['a step left out', steps => void steps.pop(), 'is never cut up'],
    ['the order turned round', steps => void steps.reverse(), 'there is no strip'],
    ['another fence', ([first]) => void (first!.fence = inches(1)), 'does not measure what was cut'],
    ['a cut too many', ([first]) => void (first!.cuts += 5), 'is too small for'],
    ['fewer in hand', ([first]) => void (first!.quantity -= 1), 'there are'],
    ['a pile counted wrong', steps => void (steps.at(-1)!.keep.quantity += 1), 'came off, not'],
    [
      'a piece mistaken', steps => void steps.forEach(({ keep }) => (keep.demand = 'other')),
      'has not the size of a wanted piece',
    ],
  ])('notices %s', (_, change, says) => {
    expect(after(change)).toContain(says)
  })
})
