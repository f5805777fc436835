import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { afterPaint, useTrailing } from './useTrailing'

/** Painting made up here: a frame comes when the test says so. */
let frames: (() => void)[] = []
const paint = async () => {
  for (const frame of frames.splice(0)) frame()
  await vi.advanceTimersByTimeAsync(0)
}

beforeEach(() => {
  vi.useFakeTimers()
  frames = []
  vi.stubGlobal('requestAnimationFrame', (frame: () => void) => frames.push(frame))
  vi.stubGlobal('document', { hidden: false })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('what follows after the paint', () => {
  it('is one paint behind and takes many changes at once', async () => {
    await effectScope().run(async () => {
      const source = ref(1)
      let computed = 0
      const trailing = useTrailing(() => {
        computed++
        return source.value * 10
      })
      expect(trailing.value).toBe(10)
      source.value = 2
      source.value = 3
      expect(trailing.value).toBe(10)
      expect(frames).toHaveLength(1)
      computed = 0
      await paint()
      expect([trailing.value, computed]).toEqual([30, 1])
      source.value = 4
      await paint()
      expect(trailing.value).toBe(40)
    })
  })

  it('waits for no frame in a page that paints none', async () => {
    vi.stubGlobal('document', { hidden: true })
    const work = vi.fn()
    afterPaint(work)
    expect([frames.length, work.mock.calls.length]).toEqual([0, 0])
    await vi.advanceTimersByTimeAsync(0)
    expect(work).toHaveBeenCalledOnce()
  })
})
