import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, nextTick, shallowRef, watch } from 'vue'
import type { Batch } from '../../core/batch'
import { newCard, newClass, prepare, writeLayout } from '../../core/batch'
import { planPaper, plansFor } from '../../core/cutting'
import { foldById } from '../../core/folds'
import { inches } from '../../core/lengths'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'

/** The planner's store against a worker made up here, which answers when the test lets it. */
class MadeUpWorker {
  static all: MadeUpWorker[] = []
  orders: PlannerOrder[] = []
  ended = false
  private listeners = new Map<string, (event: unknown) => void>()
  constructor() {
    MadeUpWorker.all.push(this)
  }

  addEventListener = (kind: string, listener: (event: unknown) => void) => void this.listeners.set(kind, listener)
  postMessage = (order: PlannerOrder) => void this.orders.push(structuredClone(order))
  terminate = () => void (this.ended = true)
  say = (data: PlannerAnswer) => this.listeners.get('message')!({ data })
  die = (message: string) => this.listeners.get('error')!({ message })

  /** Finishes every job of the newest order, or shows only its first plan. */
  work(until: 'first' | 'end' = 'end') {
    const order = this.orders.at(-1)!
    if (order.kind !== 'plan') return
    for (const { key, problem } of order.jobs) {
      const first = planPaper(problem).next()
      if (until === 'first') this.say({ kind: 'progress', order: order.order, key, plan: first.done ? first.value[0] : first.value.plan, columns: 0, share: 0.25 })
      else this.say({ kind: 'done', order: order.order, key, plans: plansFor(problem) })
    }
  }
}

const empty: Batch = {
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 4, spares: 0 }),
  papers: [{ key: 'kelp', name: 'Kelp', kind: 'cardstock', weight: 250, colour: '#3f6b57', motif: 'plain', upright: false, grain: 'any' as const, offcuts: [], stocks: [{ width: '8 1/2 in', height: '11 in', onHand: 50, price: 40 }] }],
}
const withSeats = (seats: number): Batch => {
  const batch = { ...empty, class: { ...empty.class, seats } }
  return { ...batch, cards: [newCard(foldById('gatefold')!, batch)] }
}
const batch = shallowRef<Batch>(empty)
const preparation = computed(() => prepare(batch.value))

vi.stubGlobal('computed', computed)
vi.stubGlobal('shallowRef', shallowRef)
vi.stubGlobal('watch', watch)
vi.stubGlobal('Worker', MadeUpWorker)
vi.stubGlobal('useClassStore', () => ({
  get settled() { return { batch: batch.value, preparation: preparation.value } },
}))
const { usePlannerStore } = await import('./planner')

let planner: ReturnType<typeof usePlannerStore>
const worker = () => MadeUpWorker.all[0]!
async function change(next: Batch) {
  batch.value = next
  await nextTick()
}

beforeEach(() => {
  MadeUpWorker.all = []
  batch.value = withSeats(4)
  setActivePinia(createPinia())
  planner = usePlannerStore()
})

afterEach(() => planner.$dispose())

describe('the planner’s store', () => {
  it('asks for every paper at once and shows what comes', () => {
    expect(worker().orders).toMatchObject([{ kind: 'plan', order: 1, jobs: [{ problem: { demands: expect.any(Array) } }] }])
    expect([planner.ready, planner.running, planner.kits]).toEqual([false, true, undefined])
    worker().work('first')
    expect([planner.ready, planner.running]).toEqual([true, true])
    worker().work()
    expect([planner.ready, planner.running]).toEqual([true, false])
    expect(planner.kits!.seats).toHaveLength(4)
    expect(planner.outcomes[0]!.sheets.map(({ needed }) => needed)).toEqual([planner.outcomes[0]!.plan.sheets])
  })

  it('asks anew when the pieces change, and takes no late answer for the old ones', async () => {
    await change(withSeats(9))
    expect(worker().orders.map(({ order }) => order)).toEqual([1, 2])
    const [first] = worker().orders
    if (first!.kind === 'plan') worker().say({ kind: 'done', order: 1, key: first!.jobs[0]!.key, plans: plansFor(first!.jobs[0]!.problem) })
    expect(planner.ready).toBe(false)
  })

  it('asks for nothing when the same pieces come back', async () => {
    worker().work()
    await change(withSeats(9))
    worker().work()
    await change(withSeats(4))
    expect(worker().orders).toHaveLength(2)
    expect([planner.ready, planner.running, planner.kits!.seats.length]).toEqual([true, false, 4])
  })

  it('asks for nothing when only words change', async () => {
    worker().work()
    await change({ ...withSeats(4), class: { ...withSeats(4).class, title: 'Another title', notes: 'A note' } })
    expect(worker().orders).toHaveLength(1)
  })

  it('keeps the best so far when it is stopped', () => {
    worker().work('first')
    planner.stop()
    expect(worker().ended).toBe(true)
    expect([planner.running, planner.ready, planner.papers[0]!.stopped]).toEqual([false, true, true])
  })

  it('replaces a worker that is too deep in an older order to take up the newer one', async () => {
    vi.useFakeTimers()
    worker().work('first')
    await change(withSeats(9))
    vi.advanceTimersByTime(1000)
    vi.useRealTimers()
    expect(worker().ended).toBe(true)
    expect(MadeUpWorker.all[1]!.orders).toMatchObject([{ kind: 'plan', order: 2 }])
    MadeUpWorker.all[1]!.work()
    expect([planner.ready, planner.running]).toEqual([true, false])
  })

  it('chooses among the plans by the wishes of the class without planning again', async () => {
    worker().work()
    const [fewest, alike] = [planner.outcomes[0]!, planner.outcomes[0]!.choices.at(-1)!]
    await change({ ...withSeats(4), wishes: { priority: 'settings' } })
    expect(worker().orders).toHaveLength(1)
    expect(planner.outcomes[0]!.settings).toBeLessThanOrEqual(Math.min(fewest.settings, alike.settings))
  })

  it('knows what fixed layouts and forbidden formats cost', async () => {
    const two: Batch = { ...withSeats(4), papers: [{ ...empty.papers[0]!, stocks: [...empty.papers[0]!.stocks, { width: '6 in', height: '6 in', onHand: 0, price: 10 }] }] }
    await change({ ...two, cutting: [{ paper: 'kelp', priority: null, moreSheets: null, without: [{ width: '8 1/2 in', height: '11 in' }], layouts: [], spoiled: [] }] })
    expect(planner.papers[0]!.free).toBeUndefined()
    worker().work()
    expect(planner.papers[0]!.free!.sheets).toBeGreaterThan(0)
    expect(planner.outcomes[0]!.sheets.map(({ width }) => width)).toEqual([inches(6)])
  })

  it('has nothing more to tell the shelf once the shelf knows, though the plan is the same', async () => {
    worker().work()
    const { plan: { layouts }, entry: { problem } } = planner.outcomes[0]!
    const cut = (shelved: boolean): Batch => {
      const batch = withSeats(4)
      const [paper] = batch.papers
      const onHand = 50 - (shelved ? layouts.reduce((sum, { repeats }) => sum + repeats, 0) : 0)
      return {
        ...batch, papers: [{ ...paper!, stocks: [{ ...paper!.stocks[0]!, onHand }] }],
        cutting: [{ paper: 'kelp', priority: null, moreSheets: null, without: [], spoiled: [], layouts: layouts.map(layout => ({ ...writeLayout(layout, layout.repeats, problem.supplies, problem.demands, 'inch'), shelved })) }],
      }
    }
    await change(cut(false))
    worker().work()
    expect(planner.outcomes[0]!.usedUp.length).toBeGreaterThan(0)
    const asked = worker().orders.length
    await change(cut(true))
    expect([worker().orders.length, planner.outcomes[0]!.usedUp]).toEqual([asked, []])
  })

  it('says what failed, paper by paper', () => {
    const [order] = worker().orders
    if (order!.kind === 'plan') worker().say({ kind: 'failed', order: 1, key: order!.jobs[0]!.key, reason: 'a slip' })
    expect([planner.papers[0]!.failed, planner.running]).toEqual(['a slip', false])
  })

  it('starts a new worker after one has died', async () => {
    worker().die('out of memory')
    expect(planner.papers[0]!.failed).toBe('out of memory')
    await change(withSeats(5))
    expect(MadeUpWorker.all).toHaveLength(2)
    MadeUpWorker.all[1]!.work()
    expect(planner.ready).toBe(true)
  })
})
