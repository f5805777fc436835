import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { WayOfWorking } from '../document'
import { inches } from '../lengths'
import {
  USUAL_WORK, benchSequence, effortOf, looseIn, pileInWords, plan, secondsOf, sequenceOf, sequenceViolations,
  settingsIn,
} from '.'
import type { CutNode, Layout } from '.'
import { cutter, offcut, piece, problem, sheet } from './testing'

const leaf = (width: number, height: number, demand?: string): CutNode => ({
  width: inches(width), height: inches(height),
  ...(demand ? { kind: 'piece', demand, turned: false } : { kind: 'waste' }),
})
const cut = (side: 'width' | 'height', width: number, height: number, parts: CutNode[]): CutNode =>
  ({ kind: 'cut', side, width: inches(width), height: inches(height), parts })
/** A sheet of strips with two pieces each. */
const strips = (high: number, wide: number, demand: string): CutNode => {
  const strip = cut('width', 8, high, [leaf(wide, high, demand), leaf(wide, high, demand), leaf(8 - 2 * wide, high)])
  return cut('height', 8, 10, [strip, leaf(8, 10 - high)])
}
const work = (way: WayOfWorking, more = {}) => ({ ...USUAL_WORK, way, ...more })

/** Any problem as it may come, with more layouts than one most times. */
const anyProblem = fc
  .record({
    pieces: fc.uniqueArray(
      fc.tuple(fc.integer({ min: 6, max: 32 }), fc.integer({ min: 6, max: 32 }), fc.integer({ min: 1, max: 30 })),
      {
        minLength: 1, maxLength: 6, selector: ([w, h]) => `${w}x${h}`,
      }),
    kerf: fc.constantFrom(0, 1 / 16, 0.05),
    squaring: fc.constantFrom(0, 0.125),
    stack: fc.integer({ min: 1, max: 8 }),
  })
  .map(({ pieces, kerf, squaring, stack }) => problem(
    pieces.map(([width, height, quantity]) => piece(width / 4, height / 4, quantity)),
    [sheet(8.5, 11), offcut(5, 6, 3)],
    { kerf: inches(kerf), squaring: inches(squaring), stack },
  ))

describe('a sequence for hands', () => {
  it('finishes a sheet before the next one where cutting them together saves little', () => {
    const layouts: Layout[] = [['a', 4, 3], ['b', 4, 2]].map(([demand, high, wide]) => ({
      supply: 's', repeats: 4, root: strips(high as number, wide as number, demand as string),
    }))
    const steps = benchSequence(layouts, cutter)
    expect(steps.map(({ hold }) => hold)).toEqual(['sheet 1', 'strip 1a', 'sheet 2', 'strip 2a'])
    expect([looseIn(steps), steps.flatMap(({ keep }) => keep.fresh ?? [])]).toEqual([0, [false, false]])
    // All together saves the second setting at 4, and writes names on what waits.
    const together = benchSequence(layouts, cutter, { work: work('all together') })
    expect([settingsIn(steps), settingsIn(together)]).toEqual([4, 3])
    expect(together[0]!.keep).toMatchObject({ name: expect.stringMatching(/^strip [12]a$/), fresh: true })
  })

  it('takes every one of more kinds of strips off a sheet than a number has digits for', () => {
    for (const kinds of [53, 54, 60, 130]) {
      const high = 1 / 16
      const parts = Array.from({ length: kinds }, (_, at) =>
        cut('width', 8, high, [leaf(4 + at / 64, high, `piece ${at}`), leaf(4 - at / 64, high)]))
      const layouts: Layout[] = [{ supply: 's', repeats: 2, root: cut('height', 8, kinds * high, parts) }]
      const { order } = sequenceOf(layouts, cutter, USUAL_WORK)
      // Pairs of a pile and the group that comes off it; the sheet is the first pile.
      const off = order.filter((_, at) => at % 2 === 1 && order[at - 1] === 0)
      // The last strip stays where all others were cut off it.
      expect([kinds, new Set(off).size, off.length >= kinds - 1]).toEqual([kinds, off.length, true])
      // Each strip is cut by itself after that.
      const strips = new Set(
        benchSequence(layouts, cutter)
          .map(({ hold }) => hold)
          .filter(hold => hold.startsWith('strip')),
      )
      expect(strips.size).toBe(kinds)
    }
  })

  it('says how many strips of a pile lie ready when they come off several sheets', () => {
    const alike = cut('width', 8, 4, [leaf(3, 4, 'a'), leaf(3, 4, 'a'), leaf(2, 4)])
    const layouts: Layout[] = ['b', 'c'].map(other => ({
      supply: 's',
      repeats: 4,
      root: cut('height', 8, 10, [alike, leaf(8, other === 'b' ? 2 : 3, other), leaf(8, other === 'b' ? 4 : 3)]),
    }))
    const steps = benchSequence(layouts, cutter, { work: work('all together') })
    const piles = steps.map(({ keep }) => keep).filter(({ kind }) => kind === 'strip')
    expect(piles.map(({ ready }) => ready)).toEqual([{ lying: 4, of: 8 }, { lying: 8, of: 8 }])
    expect(piles.map(pile => pileInWords(pile))).toEqual(expect.arrayContaining([
      expect.stringContaining('4 of 8 lie ready'), expect.stringContaining('all 8 lie ready'),
    ]))
    // Sheet by sheet each strip is all there is.
    expect(
      benchSequence(layouts, cutter, { work: work('sheet by sheet') }).flatMap(({ keep }) => keep.ready ?? []),
    ).toEqual([])
  })

  it('cuts sheets together where that saves minutes, and with no more piles than are allowed', () => {
    // Eight layouts that share all their settings.
    const layouts: Layout[] = Array.from({ length: 8 }, (_, at) => ({
      supply: 's', repeats: 1, root: cut('height', 8, 10, [
        cut('width', 8, 4, [leaf(3, 4, 'a'), ...(at % 2 ? [leaf(2, 4, 'b')] : []), leaf(at % 2 ? 3 : 5, 4)]),
        leaf(8, 1, `c${at}`),
        leaf(8, 5),
      ]),
    }))
    const alone = benchSequence(layouts, cutter, { work: work('sheet by sheet') })
    const usual = benchSequence(layouts, cutter)
    const [slow, quick] = [alone, usual].map(steps => secondsOf(effortOf(steps), USUAL_WORK.pace)) as [number, number]
    expect(quick).toBeLessThan(slow - 120)
    expect(looseIn(usual)).toBeLessThanOrEqual(6)
    expect(looseIn(benchSequence(layouts, cutter, { work: work('as it pays', { piles: 2 }) }))).toBeLessThanOrEqual(2)
  })

  it('counts what a person does: what was put aside has to be found again, among what lies beside it', () => {
    const base = { strokes: 1, stacks: 2, turn: false, lines: [{ layout: '1' }] }
    const steps = [
      { ...base, fence: 1, taken: 'new', waiting: 0 }, { ...base, fence: 1, taken: 'in hand', waiting: 0 },
      { ...base, fence: 2, taken: 'just cut', waiting: 1, turn: true },
      { ...base, fence: 3, taken: 'found', waiting: 3 },
    ] as never
    const effort = effortOf(steps)
    expect(effort).toEqual({
      settings: 3, strokes: 4, handlings: 4, halves: 2, turns: 2, asides: 2, beside: 6, readings: 1,
    })
    expect(secondsOf(effort, { setting: 25, stroke: 4, handling: 8, turning: 3, aside: 10, beside: 2, reading: 30 }))
      .toBe(75 + 16 + 40 + 6 + 20 + 12 + 30)
  })

  it('knows when no other order takes less', () => {
    const one: Layout[] = [{ supply: 's', repeats: 3, root: strips(4, 3, 'a') }]
    expect(sequenceOf(one, cutter, USUAL_WORK, true)).toMatchObject({ best: true, order: [0, 0, 1, 0] })
  })

  it.each<WayOfWorking>(['as it pays', 'sheet by sheet', 'all together', 'few strips'])(
    'ends with the pieces of the plan, %s',
    (way) => {
      fc.assert(
        fc.property(anyProblem, (given) => {
          const planned = plan(given)
          const own = { ...given, work: work(way) }
          const quick = benchSequence(planned.layouts, given.cutter, own)
          const { order, seconds } = sequenceOf(planned.layouts, given.cutter, own.work, true)
          const careful = benchSequence(planned.layouts, given.cutter, { ...own, order })
          for (const steps of [quick, careful]) expect(sequenceViolations(steps, planned, given)).toEqual([])
          // What the search adds up is what the steps say, squaring and reading aside.
          if (given.cutter.squaring > 0) return
          const effort = effortOf(careful)
          expect(secondsOf({ ...effort, readings: 0 }, own.work.pace)).toBeCloseTo(seconds, 6)
          if (way === 'sheet by sheet') return
          const oneByOne = benchSequence(planned.layouts, given.cutter, { ...own, work: work('sheet by sheet') })
          const alone = secondsOf(effortOf(oneByOne), own.work.pace)
          if (way === 'as it pays') expect(secondsOf(effort, own.work.pace)).toBeLessThanOrEqual(alone + 1e-6)
        }),
        { numRuns: 25 },
      )
    })
})
