import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchSequence, countsOf, plan, settingsIn, strokesIn } from '.'
import type { BenchStep, Layout } from '.'
import { inches, millimetres } from '../lengths'
import { cutter, piece, problem, sheet } from './testing'

/** Replays the steps on virtual stacks and returns the piles at the end. */
function replay(steps: BenchStep[], layout: Layout): Map<string, number> {
  const piles = new Map([['sheet', layout.repeats]])
  const inHand = new Set<string>()
  const put = ({ name, quantity }: BenchStep['keep']) => piles.set(name, (piles.get(name) ?? 0) + quantity)
  for (const step of steps) {
    // A thing is taken up once, whole, and it must be there.
    if (!inHand.has(step.hold)) expect(piles.get(step.hold), step.hold).toBe(step.quantity)
    inHand.add(step.hold)
    put(step.keep)
    if (step.rest) put(step.rest)
    if (step.last) piles.set(step.hold, piles.get(step.hold)! - step.quantity)
  }
  return piles
}

describe('the order of cuts', () => {
  it('sets the fence once for a sheet cut in half', () => {
    const { layouts: [layout] } = plan(problem([piece(8.5, 5.5, 16)], [sheet(8.5, 11)]))
    const steps = benchSequence(layout!, cutter)
    expect(steps).toMatchObject([{ hold: 'sheet', quantity: 8, fence: inches(5.5), cuts: 1, strokes: 2, keep: { kind: 'piece', quantity: 16 }, byKnife: false }])
    expect([settingsIn(steps), strokesIn(steps)]).toEqual([1, 2])
  })

  it('draws each cut right across what is cut', () => {
    const { layouts: [layout] } = plan(problem([piece(4, 5, 4, 'as drawn')], [sheet(8.5, 11)]))
    const lines = benchSequence(layout!, cutter).flatMap(step => step.lines)
    // Two strips 5 high come off a sheet 8.5 wide; each is cut twice at 4.
    expect(lines.filter(({ from, to }) => from.y === to.y).map(({ from, to }) => [from.x, to.x, from.y])).toEqual([
      [0, inches(8.5), inches(5)], [0, inches(8.5), inches(10)],
    ])
    expect(lines.filter(({ from, to }) => from.x === to.x)).toHaveLength(4)
  })

  it('reads from the other edge where only that has a mark', () => {
    const layout: Layout = {
      supply: 'a', repeats: 1,
      root: { kind: 'cut', side: 'width', width: millimetres(100.5), height: millimetres(50), parts: [
        { kind: 'piece', demand: 'p', turned: false, width: millimetres(40.5), height: millimetres(50) },
        { kind: 'waste', width: millimetres(60), height: millimetres(50) },
      ] },
    }
    const [step] = benchSequence(layout, { ...cutter, mark: millimetres(1) })
    expect(step!.reading).toEqual({ from: 'far', at: millimetres(60) })
  })

  it('asks for the knife where the trimmer is too short', () => {
    const { layouts: [layout] } = plan(problem([piece(8.5, 5.5, 2)], [sheet(8.5, 11)]))
    expect(benchSequence(layout!, { ...cutter, length: inches(8) })[0]!.byKnife).toBe(true)
  })

  it('ends with exactly the pieces of the layout, for any demand', () => {
    const side = fc.integer({ min: 8, max: 128 }).map(sixteenths => sixteenths / 16)
    fc.assert(fc.property(fc.array(fc.record({ width: side, height: side, quantity: fc.integer({ min: 1, max: 30 }) }), { minLength: 1, maxLength: 5 }), (sizes) => {
      const demands = sizes.map(({ width, height, quantity }, index) => ({ ...piece(width, height, quantity), key: `p${index}`, name: `p${index}` }))
      for (const layout of plan(problem(demands, [sheet(8.5, 11)])).layouts) {
        const piles = replay(benchSequence(layout, cutter), layout)
        for (const [key, count] of countsOf(layout.root)) {
          const whole = layout.root.kind === 'piece'
          expect(whole ? layout.repeats : piles.get(key)).toBe(count * layout.repeats)
        }
        for (const [name, left] of piles) if (name.startsWith('strip') || (name === 'sheet' && layout.root.kind === 'cut')) expect([name, left]).toEqual([name, 0])
      }
    }), { numRuns: 60 })
  })
})
