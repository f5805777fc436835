import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { prepare } from '../../core/batch'
import { demoBatches } from '../../demo'
import type { PlannerAnswer, PlannerOrder } from '../workers/messages'
import { useSharingStore } from './sharing'

class MadeUpWorker {
  static all: MadeUpWorker[] = []
  orders: PlannerOrder[] = []
  ended = false
  heard: ((event: { data: PlannerAnswer }) => void)[] = []
  broken: ((event: { message: string }) => void)[] = []
  constructor() {
    MadeUpWorker.all.push(this)
  }

  addEventListener(kind: string, listener: never) {
    if (kind === 'message') this.heard.push(listener)
    else this.broken.push(listener)
  }

  postMessage = (order: PlannerOrder) => void this.orders.push(order)
  terminate = () => void (this.ended = true)
  say = (share: number) => this.heard.forEach(hear => hear({
    data: { kind: 'shared', order: this.orders[0]!.order, key: first.key, sharing: { ...first.sharing, sheets: 9 }, share },
  }))
}
vi.stubGlobal('Worker', MadeUpWorker)

const batch = demoBatches(new Date(2030, 0, 1))[1]!
const first = prepare(batch).sharing!
const other = prepare({ ...batch, sharing: { ...batch.sharing, surplus: 3 } }).sharing!
let store: ReturnType<typeof useSharingStore>
const worker = () => MadeUpWorker.all.at(-1)!

describe('sharing on screen', () => {
  beforeEach(() => {
    MadeUpWorker.all = []
    setActivePinia(createPinia())
    store = useSharingStore()
  })

  it('asks once for a problem, shows what comes and remembers it', () => {
    store.seek(first)
    store.seek(first)
    expect([MadeUpWorker.all.length, worker().orders[0]]).toEqual(
      [1, expect.objectContaining({ kind: 'share', jobs: [expect.objectContaining({ key: first.key })] })])
    expect([store.stateOf(first.key)?.state, store.known(first.key)]).toEqual(['running', undefined])
    worker().say(0.3)
    expect([store.stateOf(first.key), store.known(first.key)?.sheets]).toMatchObject([{ state: 'running', share: 0.3 }, 9])
    worker().say(1)
    expect([store.stateOf(first.key)?.state, worker().ended]).toEqual(['done', true])
    store.seek(first)
    expect(MadeUpWorker.all).toHaveLength(1)
    expect(store.known(other.key)).toBeUndefined()
  })

  it('leaves a problem for a newer one, and hears nothing that comes late', () => {
    store.seek(first)
    const late = worker()
    store.seek(other)
    expect([late.ended, MadeUpWorker.all.length]).toEqual([true, 2])
    late.say(1)
    expect(store.known(first.key)).toBeUndefined()
    // One step back asks for it again.
    store.seek(first)
    expect([MadeUpWorker.all.length, worker().orders[0]]).toEqual(
      [3, expect.objectContaining({ jobs: [expect.objectContaining({ key: first.key })] })])
  })

  it('stops with the best so far, says what broke, and looks again when asked', () => {
    store.seek(first)
    worker().say(0.3)
    store.stop()
    expect([store.stateOf(first.key)?.state, store.known(first.key)?.sheets]).toEqual(['stopped', 9])
    store.retry(first)
    expect([store.stateOf(first.key)?.state, MadeUpWorker.all.length]).toEqual(['running', 2])
    worker().broken.forEach(hear => hear({ message: 'a slip' }))
    expect(store.stateOf(first.key)).toMatchObject({ state: 'failed', reason: 'a slip' })
  })
})
