import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Plan, Problem } from '../../core/cutting'
import { planPaper, plansFor, problemKey } from '../../core/cutting'
import { inches } from '../../core/lengths'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'
import { Planning } from './planning'

/** A worker made up here, which answers when the test lets it. */
class MadeUpWorker {
  static all: MadeUpWorker[] = []
  orders: PlannerOrder[] = []
  ended = false
  constructor(
    readonly hear: (answer: PlannerAnswer) => void,
    readonly broken: (reason: string) => void,
  ) {
    MadeUpWorker.all.push(this)
  }

  postMessage = (order: PlannerOrder) => void this.orders.push(structuredClone(order))
  terminate = () => void (this.ended = true)
  get last() {
    return this.orders.at(-1)!
  }

  /** Finishes every job of the newest order, or shows only its first plan. */
  work(until: 'first' | 'end' = 'end', order = this.last) {
    if (order.kind !== 'plan') return
    for (const { key, problem } of order.jobs) {
      const first = planPaper(problem).next()
      if (until === 'first')
        this.hear({
          kind: 'progress',
          order: order.order,
          key,
          plan: first.done ? first.value[0] : first.value.plan,
          columns: 0,
          share: 0.25,
        })
      else this.hear({ kind: 'done', order: order.order, key, plans: plansFor(problem) })
    }
  }
}

const problem = (quantity: number): Problem => ({
  demands: [{ key: 'base', name: 'Base', width: inches(4), height: inches(5), quantity, turn: 'either' }],
  supplies: [{ key: 'letter', kind: 'sheet', width: inches(8.5), height: inches(11), onHand: 50, price: 40 }],
  cutter: {
    length: inches(12),
    mark: inches(1 / 16),
    smallestPiece: inches(0.5),
    stack: 4,
    squaring: inches(0),
    kerf: inches(0),
    offcut: { short: inches(2), long: inches(4) },
  },
  objective: 'money',
})
const wanted = (...quantities: number[]) =>
  quantities.map(quantity => ({ key: problemKey(problem(quantity)), problem: problem(quantity) }))
const key = (quantity: number) => wanted(quantity)[0]!.key

let planning: Planning
let changes: number
const worker = (at = 0) => MadeUpWorker.all[at]!
const states = (...quantities: number[]) => quantities.map(quantity => planning.job(key(quantity)).state)

beforeEach(() => {
  vi.useFakeTimers()
  MadeUpWorker.all = []
  changes = 0
  planning = new Planning(
    (hear, broken) => new MadeUpWorker(hear, broken),
    () => changes++,
  )
})
afterEach(() => vi.useRealTimers())

describe('planning', () => {
  it('asks for everything on screen at once and shows what comes', () => {
    planning.show(wanted(4, 8))
    expect(worker().orders).toMatchObject([{ order: 1, jobs: [{ key: key(4) }, { key: key(8) }] }])
    worker().work('first')
    expect(states(4, 8)).toEqual(['running', 'running'])
    worker().work()
    expect([states(4, 8), planning.job(key(8)).plans?.[0]?.sheets]).toEqual([['settled', 'settled'], 2])
    expect(changes).toBeGreaterThan(4)
  })

  it('asks only for what is new, and takes no late answer for the old order', () => {
    planning.show(wanted(4))
    worker().work()
    planning.show(wanted(4, 9))
    expect(worker().last).toMatchObject({ order: 2, jobs: [{ key: key(9) }] })
    worker().work('end', worker().orders[0])
    expect(states(4, 9)).toEqual(['settled', 'waiting'])
  })

  it('asks for nothing when what was on screen before comes back', () => {
    planning.show(wanted(4))
    worker().work()
    planning.show(wanted(9))
    worker().work()
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
    planning = new Planning((hear, broken) => new MadeUpWorker(hear, broken), () => changes++, memory)
    planning.show(wanted(4, 8))
    expect([states(4, 8), MadeUpWorker.all]).toEqual([['waiting', 'waiting'], []])
    await vi.advanceTimersByTimeAsync(0)
    expect([states(4, 8), worker().last]).toMatchObject([['settled', 'waiting'], { jobs: [{ key: key(8) }] }])
    worker().work('first')
    expect(memory.keep).not.toHaveBeenCalled()
    worker().work()
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
    const find = async (asked: { key: string }[]) => new Map([...kept].filter(([key]) => asked.some(one => one.key === key)))
    planning = new Planning((hear, broken) => new MadeUpWorker(hear, broken), () => changes++, { find, keep: () => {} })
    planning.show(wanted(4, 8))
    await vi.advanceTimersByTimeAsync(0)
    worker().work('first')
    planning.show(wanted(4, 8, 9))
    await vi.advanceTimersByTimeAsync(1000)
    expect([states(4, 8, 9), worker().orders.length, MadeUpWorker.all.length]).toEqual([['running', 'running', 'settled'], 1, 1])
    worker().work()
    expect(states(4, 8)).toEqual(['settled', 'settled'])
  })

  it('never drops what is on screen, however much is remembered', () => {
    const many = wanted(...Array.from({ length: 260 }, (_, index) => index + 1))
    planning.show(many)
    worker().work()
    expect(many.every(({ key }) => planning.job(key).state === 'settled')).toBe(true)
    for (let quantity = 1000; quantity < 1250; quantity++) {
      planning.show([...many.slice(0, 1), ...wanted(quantity)])
      worker().work()
    }
    expect(planning.job(many[0]!.key).state).toBe('settled')
  })

  it('stops, and stays stopped when something else is asked for', () => {
    planning.show(wanted(4, 8))
    worker().work('first')
    planning.stop()
    expect([states(4, 8), worker().ended]).toEqual([['stopped', 'stopped'], true])
    planning.show(wanted(4, 9))
    expect(worker(1).last).toMatchObject({ jobs: [{ key: key(9) }] })
    worker(1).work()
    expect(states(4, 9)).toEqual(['stopped', 'settled'])
    expect(planning.job(key(4)).plans).toHaveLength(1)
    planning.resume()
    worker(1).work()
    expect(states(4)).toEqual(['settled'])
  })

  it('replaces a worker that is too deep in an older order to take up the newer one', () => {
    planning.show(wanted(4))
    worker().work('first')
    planning.show(wanted(9))
    vi.advanceTimersByTime(1000)
    expect([worker().ended, worker(1).orders]).toMatchObject([true, [{ order: 2 }]])
    // What the old one says after its end counts for nothing.
    worker().work()
    expect(states(9)).toEqual(['waiting'])
    worker(1).work()
    expect(states(9)).toEqual(['settled'])
  })

  it('says what failed, job by job, and starts a new worker after one has died', () => {
    planning.show(wanted(4, 8))
    worker().hear({ kind: 'failed', order: 1, key: key(4), reason: 'a slip' })
    expect([states(4, 8), planning.job(key(4)).reason]).toEqual([['failed', 'waiting'], 'a slip'])
    worker().broken('out of memory')
    expect([states(4, 8), planning.job(key(8)).reason]).toEqual([['failed', 'failed'], 'out of memory'])
    planning.show(wanted(5))
    worker(1).work()
    expect(states(5)).toEqual(['settled'])
  })
})
