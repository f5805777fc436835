import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Plan, CuttingProblem } from '../../core/cutting'
import { planPaper, plansFor, problemKey } from '../../core/cutting'
import { cutter } from '../../core/cutting/testing'
import { inches } from '../../core/lengths'
import { Background } from './background'
import { isBetterPlan } from './better'
import type { Memory } from './memory'
import { MadeUpWorker, madeUp } from './testing'

const firstPlan = (problem: CuttingProblem): Plan[] => {
  const first = planPaper(problem).next()
  return first.done ? first.value : [first.value.plan]
}
const problem = (quantity: number): CuttingProblem => ({
  demands: [{ key: 'base', name: 'Base', width: inches(4), height: inches(5), quantity, turn: 'either' }],
  supplies: [{ key: 'letter', kind: 'sheet', width: inches(8.5), height: inches(11), onHand: 50, price: 40 }],
  cutter,
  objective: 'money',
})
const wanted = (...quantities: number[]) =>
  quantities.map(quantity => ({ key: problemKey(problem(quantity)), problem: problem(quantity) }))
const key = (quantity: number) => wanted(quantity)[0]!.key

let planning: Background<'plan'>
let changes: number
const begin = (memory?: Memory<CuttingProblem, Plan[]>) => {
  planning = new Background('plan', {
    start: MadeUpWorker.start, changed: () => changes++, takesOver: isBetterPlan, memory,
  })
}
const worker = (at = 0) => madeUp<'plan'>(at)
const states = (...quantities: number[]) => quantities.map(quantity => planning.job(key(quantity)).state)

beforeEach(() => {
  vi.useFakeTimers()
  MadeUpWorker.all = []
  changes = 0
  begin()
})
afterEach(() => vi.useRealTimers())

describe('what is looked for in the background', () => {
  it('asks for everything on screen at once and shows what comes', () => {
    planning.show(wanted(4, 8))
    expect(worker().orders).toMatchObject([{ order: 1, jobs: [{ key: key(4) }, { key: key(8) }] }])
    worker().show(firstPlan)
    expect(states(4, 8)).toEqual(['running', 'running'])
    worker().finish(plansFor)
    expect([states(4, 8), planning.job(key(8)).best?.[0]?.sheets]).toEqual([['settled', 'settled'], 2])
    expect(changes).toBeGreaterThan(4)
  })

  it('asks only for what is new, and takes no late answer for the old order', () => {
    planning.show(wanted(4))
    worker().finish(plansFor)
    planning.show(wanted(4, 9))
    expect(worker().last).toMatchObject({ order: 2, jobs: [{ key: key(9) }] })
    worker().finish(plansFor, worker().orders[0])
    expect(states(4, 9)).toEqual(['settled', 'waiting'])
  })

  it('asks for nothing when what was on screen before comes back', () => {
    planning.show(wanted(4))
    worker().finish(plansFor)
    planning.show(wanted(9))
    worker().finish(plansFor)
    planning.show(wanted(4))
    expect([worker().orders.length, states(4)]).toEqual([2, ['settled']])
  })

  it('plans what is not kept, keeps what was planned to the end, and takes no answer that comes when it was stopped', async () => {
    const kept = new Map<string, Plan[]>([[key(4), plansFor(problem(4))]])
    const memory = {
      find: async (asked: { key: string }[]) =>
        new Map(asked.flatMap(({ key }) => (kept.has(key) ? [[key, kept.get(key)!] as const] : []))),
      keep: vi.fn((key: string, plans: Plan[]) => void kept.set(key, plans)),
    }
    begin(memory)
    planning.show(wanted(4, 8))
    expect([states(4, 8), MadeUpWorker.all]).toEqual([['waiting', 'waiting'], []])
    await vi.advanceTimersByTimeAsync(0)
    expect([states(4, 8), worker().last]).toMatchObject([['settled', 'waiting'], { jobs: [{ key: key(8) }] }])
    worker().show(firstPlan)
    expect(memory.keep).not.toHaveBeenCalled()
    worker().finish(plansFor)
    expect(memory.keep.mock.calls.map(([key]) => key)).toEqual([key(8)])
    kept.set(key(9), plansFor(problem(9)))
    planning.show(wanted(9))
    planning.stop()
    await vi.advanceTimersByTimeAsync(0)
    expect(states(9)).toEqual(['stopped'])
    // Asked for and gone from the screen again before the answer: it is there when it comes back.
    kept.set(key(5), plansFor(problem(5)))
    planning.show(wanted(5))
    planning.show(wanted(4))
    await vi.advanceTimersByTimeAsync(0)
    planning.show(wanted(5))
    expect(states(5)).toEqual(['settled'])
  })

  it('begins nothing anew that is being worked on when something kept joins it on screen', async () => {
    const kept = new Map<string, Plan[]>([[key(9), plansFor(problem(9))]])
    const find = async (asked: { key: string }[]) =>
      new Map([...kept].filter(([key]) => asked.some(one => one.key === key)))
    begin({ find, keep: () => {} })
    planning.show(wanted(4, 8))
    await vi.advanceTimersByTimeAsync(0)
    worker().show(firstPlan)
    planning.show(wanted(4, 8, 9))
    await vi.advanceTimersByTimeAsync(1000)
    expect([states(4, 8, 9), worker().orders.length, MadeUpWorker.all.length]).toEqual([
      ['running', 'running', 'settled'], 1, 1,
    ])
    worker().finish(plansFor)
    expect(states(4, 8)).toEqual(['settled', 'settled'])
  })

  it('waits for what somebody else has begun, and goes on itself where they do not', async () => {
    const kept = new Map<string, Plan[]>()
    const begunElsewhere = new Set([key(4), key(5)])
    const memory = {
      find: async (asked: { key: string }[]) =>
        new Map([...kept].filter(([key]) => asked.some(one => one.key === key))),
      keep: () => {},
      begin: vi.fn(async (keys: string[]) => new Set(keys.filter(key => begunElsewhere.has(key)))),
    }
    begin(memory)
    planning.show(wanted(4, 5, 8))
    await vi.advanceTimersByTimeAsync(0)
    expect([worker().last.jobs.map(({ key }) => key), [4, 5, 8].map(one => planning.isElsewhere(key(one)))]).toEqual([
      [key(8)], [true, true, false],
    ])
    // The one is found there; of the other nothing is heard any more.
    kept.set(key(4), plansFor(problem(4)))
    begunElsewhere.clear()
    await vi.advanceTimersByTimeAsync(1600)
    expect([states(4, 5), planning.isElsewhere(key(4)), planning.isElsewhere(key(5))]).toEqual([
      ['settled', 'waiting'], false, false,
    ])
    expect(worker().last.jobs.map(({ key }) => key).sort()).toEqual([key(5), key(8)].sort())
    // As long as it takes, the others are told.
    memory.begin.mockClear()
    await vi.advanceTimersByTimeAsync(9000)
    expect(memory.begin.mock.calls.map(([keys]) => [...keys].sort())).toEqual(
      Array.from({ length: 2 }, () => [key(5), key(8)].sort()),
    )
    worker().finish(plansFor)
    memory.begin.mockClear()
    await vi.advanceTimersByTimeAsync(9000)
    expect(memory.begin).not.toHaveBeenCalled()
    expect(states(4, 5, 8)).toEqual(['settled', 'settled', 'settled'])
  })

  it('lets go of what somebody else has begun once it is stopped or gone from the screen', async () => {
    const memory = {
      find: async () => new Map<string, Plan[]>(), keep: () => {}, begin: async (keys: string[]) => new Set(keys),
    }
    begin(memory)
    planning.show(wanted(4))
    await vi.advanceTimersByTimeAsync(0)
    planning.stop()
    await vi.advanceTimersByTimeAsync(1600)
    expect([states(4), planning.isElsewhere(key(4)), MadeUpWorker.all.length]).toEqual([['stopped'], false, 0])
    planning.resume()
    expect(worker().last.jobs.map(({ key }) => key)).toEqual([key(4)])
    planning.show(wanted(9))
    await vi.advanceTimersByTimeAsync(1600)
    planning.show([])
    await vi.advanceTimersByTimeAsync(1600)
    expect(planning.isElsewhere(key(9))).toBe(false)
  })

  it('never drops what is on screen, however much is remembered', () => {
    const many = wanted(...Array.from({ length: 260 }, (_, index) => index + 1))
    planning.show(many)
    worker().finish(plansFor)
    expect(many.every(({ key }) => planning.job(key).state === 'settled')).toBe(true)
    for (let quantity = 1000; quantity < 1250; quantity++) {
      planning.show([...many.slice(0, 1), ...wanted(quantity)])
      worker().finish(plansFor)
    }
    expect(planning.job(many[0]!.key).state).toBe('settled')
  })

  it('stops, keeps its worker, and stays stopped when something else is asked for', () => {
    planning.show(wanted(4, 8))
    worker().show(firstPlan)
    planning.stop()
    expect([states(4, 8), worker().last.jobs]).toEqual([['stopped', 'stopped'], []])
    planning.show(wanted(4, 9))
    expect(worker().last).toMatchObject({ jobs: [{ key: key(9) }] })
    worker().finish(plansFor)
    expect(states(4, 9)).toEqual(['stopped', 'settled'])
    expect(planning.job(key(4)).best).toHaveLength(1)
    planning.resume()
    worker().finish(plansFor)
    expect([states(4), MadeUpWorker.all.length]).toEqual([['settled'], 1])
  })

  it('replaces a worker within a tenth of a second that is too deep in an older order to take up the newer one', async () => {
    planning.show(wanted(4))
    worker().show(firstPlan)
    worker().isDeep = true
    planning.show(wanted(9))
    await vi.advanceTimersByTimeAsync(100)
    expect([worker().ended, worker(1).last.jobs.map(({ key }) => key)]).toEqual([true, [key(9)]])
    // What the old one says after its end counts for nothing.
    worker().finish(plansFor)
    expect(states(9)).toEqual(['waiting'])
    worker(1).finish(plansFor)
    expect(states(9)).toEqual(['settled'])
  })

  it('is not kept waiting by what was stopped: a worker that does not hear of it is ended, and one begun for new work only', async () => {
    planning.show(wanted(4))
    worker().isDeep = true
    planning.stop()
    // Asked before it is known whether the worker has heard.
    await vi.advanceTimersByTimeAsync(50)
    planning.show(wanted(9))
    await vi.advanceTimersByTimeAsync(100)
    expect([worker().ended, worker(1).last.jobs.length]).toEqual([true, 1])
    worker(1).isDeep = true
    planning.stop()
    await vi.advanceTimersByTimeAsync(1000)
    expect([worker(1).ended, MadeUpWorker.all.length]).toEqual([true, 2])
  })

  it('says what failed, job by job, and starts a new worker after one has died', () => {
    planning.show(wanted(4, 8))
    worker().hear({ kind: 'failed', order: 1, key: key(4), reason: 'a slip' })
    expect([states(4, 8), planning.job(key(4)).reason]).toEqual([['failed', 'waiting'], 'a slip'])
    worker().broken('out of memory')
    expect([states(4, 8), planning.job(key(8)).reason]).toEqual([['failed', 'failed'], 'out of memory'])
    planning.show(wanted(5))
    worker(1).finish(plansFor)
    expect(states(5)).toEqual(['settled'])
  })
})
