import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { prepare } from '../../core/batch'
import { demoBatches } from '../../demo'
import { MadeUpWorker, madeUp } from '../background/testing'
import { useSharingStore } from './sharing'

vi.mock('../background/remote', async () => ({
  startWorker: (await import('../background/testing')).MadeUpWorker.start,
}))

const batch = demoBatches(new Date(2030, 0, 1))[1]!
const first = prepare(batch).sharing!
const other = prepare({ ...batch, sharing: { ...batch.sharing, surplus: 3 } }).sharing!
let store: ReturnType<typeof useSharingStore>
const worker = () => madeUp<'share'>()
const found = (sheets: number) => () => ({ ...first.sharing, sheets, cost: 100 * sheets })

describe('sharing on screen', () => {
  beforeEach(() => {
    MadeUpWorker.all = []
    setActivePinia(createPinia())
    store = useSharingStore()
  })

  it('asks once for a problem, and tells what follows from it once the search has ended', () => {
    store.seek(first)
    store.seek(first)
    expect([worker().name, worker().orders.map(({ jobs }) => jobs.map(({ key }) => key))]).toEqual([
      'share', [[first.key]],
    ])
    expect([store.stateOf(first.key)?.state, store.known(first.key)]).toEqual(['waiting', undefined])
    worker().show(found(9), 0.3)
    expect(store.stateOf(first.key)).toMatchObject({ state: 'running', progress: 0.3, best: { sheets: 9 } })
    expect(store.known(first.key)).toBeUndefined()
    worker().finish(found(8))
    expect([store.stateOf(first.key)?.state, store.known(first.key)?.sheets]).toEqual(['settled', 8])
    store.seek(first)
    expect([worker().orders.length, MadeUpWorker.all.length]).toEqual([1, 1])
    expect(store.known(other.key)).toBeUndefined()
  })

  it('tells what is found as it comes while somebody looks', () => {
    store.seek(first)
    worker().show(found(9))
    const page = effectScope()
    page.run(() => store.watch())
    expect(store.known(first.key)?.sheets).toBe(9)
    worker().show(found(8))
    expect(store.known(first.key)?.sheets).toBe(8)
    page.stop()
    worker().show(found(7))
    // What was shown stays until the search has ended.
    expect(store.known(first.key)?.sheets).toBe(8)
    worker().finish(found(7))
    expect(store.known(first.key)?.sheets).toBe(7)
  })

  it('leaves a problem for a newer one, hears nothing that comes late, and knows at once what comes back', () => {
    store.seek(first)
    const [late] = worker().orders
    store.seek(other)
    worker().finish(found(9), late)
    expect([store.known(first.key), store.known(other.key)]).toEqual([undefined, undefined])
    worker().finish(found(10))
    // One step back asks for it again.
    store.seek(first)
    expect(worker().last.jobs.map(({ key }) => key)).toEqual([first.key])
    worker().finish(found(9))
    expect([store.known(first.key)?.sheets, store.known(other.key)?.sheets]).toEqual([9, 10])
  })

  it('stops with the best so far, says what broke, and looks again when asked', () => {
    store.seek(first)
    worker().show(found(9))
    store.stop()
    expect([store.stateOf(first.key)?.state, store.known(first.key)?.sheets]).toEqual(['stopped', 9])
    store.resume()
    worker().show(found(11))
    worker().broken('a slip')
    expect([store.stateOf(first.key), store.known(first.key)?.sheets]).toMatchObject([
      { state: 'failed', reason: 'a slip' }, 9,
    ])
  })
})
