import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Batch } from '../../core/document'
import { demoBatches } from '../../demo'
import { useClassStore } from './class'

const [first, second] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const documents: Record<string, Batch> = { 1: first, 2: second }
/** Answers that wait until the test gives them, by the class that was asked for. */
const waiting = new Map<string, (answer: unknown) => void>()
vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })
vi.stubGlobal('$fetch', (address: string) => new Promise((resolve) => {
  const of = address.split('/').at(-1)!
  waiting.set(of, () => resolve({ position: Number(of), document: documents[of], more: 0 }))
}))

describe('the class on screen', () => {
  let work: ReturnType<typeof useClassStore>
  beforeEach(() => {
    waiting.clear()
    setActivePinia(createPinia())
    work = useClassStore()
  })

  it('is the one that was opened last, whichever answers last', async () => {
    const opened = [work.open(1), work.open(2)]
    waiting.get('2')!(undefined)
    await opened[1]
    expect([work.id, work.document?.class.title]).toEqual([2, second.class.title])
    waiting.get('1')!(undefined)
    await Promise.allSettled(opened)
    expect([work.id, work.document?.class.title]).toEqual([2, second.class.title])
  })

  it('is none once it was closed before it came', async () => {
    const opened = work.open(1)
    work.close()
    waiting.get('1')!(undefined)
    await Promise.allSettled([opened])
    expect([work.id, work.document]).toEqual([undefined, undefined])
  })
})
