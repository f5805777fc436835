import { describe, expect, it } from 'vitest'
import type { Plan } from '../../core/cutting'
import { inches } from '../../core/lengths'
import { WAITING, isOpen, next } from './job'
import type { Job, JobEvent } from './job'

const planOf = (sheets: number): Plan => ({
  layouts: [{ key: 'layout 1', supply: 's', repeats: sheets, root: { kind: 'waste', width: inches(1), height: inches(1) } }],
  unplaced: [],
  sheets,
  bound: 1,
  spending: 0,
  yield: 0,
})
const after = (...events: JobEvent[]): Job => events.reduce((job, event) => next(job, event), WAITING)
const progress = (sheets: number): JobEvent => ({ kind: 'progress', plan: planOf(sheets), columns: 9, share: 0.5 })
const done: JobEvent = { kind: 'done', plans: [planOf(2), planOf(3)] }

describe('a job', () => {
  it('waits, runs and settles', () => {
    expect([after(), after(progress(4)), after(progress(4), done)].map(({ state }) => state)).toEqual(['waiting', 'running', 'settled'])
    expect(after(progress(4), done)).toMatchObject({ progress: 1, columns: 9, plans: [{ sheets: 2 }, { sheets: 3 }] })
  })

  it('keeps the identity of a plan that comes again', () => {
    const once = after(progress(4))
    expect(next(once, progress(4)).plans).toBe(once.plans)
    expect(next(once, progress(3)).plans).not.toBe(once.plans)
  })

  it('that is stopped keeps its best plan, and hears nothing that comes late', () => {
    const stopped = after(progress(4), { kind: 'stop' })
    expect(stopped).toMatchObject({ state: 'stopped', plans: [{ sheets: 4 }], progress: 1 })
    for (const late of [progress(2), done, { kind: 'failed', reason: 'x' }, { kind: 'stop' }] satisfies JobEvent[])
      expect(next(stopped, late)).toBe(stopped)
  })

  it('keeps the better plan where a search begins anew and comes by worse ones, and takes up what is better still', () => {
    const again = after(progress(12), { kind: 'stop' }, { kind: 'resume' }, progress(14))
    expect(again).toMatchObject({ state: 'running', plans: [{ sheets: 12 }] })
    expect(next(again, progress(11)).plans).toMatchObject([{ sheets: 11 }])
    const gaps = next(again, { kind: 'progress', columns: 9, share: 0.5,
      plan: { ...planOf(9), unplaced: [{ demand: 'mat', quantity: 1, reason: '' }] } })
    expect(gaps.plans).toMatchObject([{ sheets: 12 }])
    // Where money counts, more sheets that cost less are better.
    const cheap = { kind: 'progress', columns: 9, share: 0.6, plan: { ...planOf(15), spending: -1 } } as const
    expect([next(again, cheap, 'money').plans?.[0]?.sheets, next(again, cheap).plans?.[0]?.sheets]).toEqual([15, 12])
  })

  it('that fails says why and keeps what it had', () => {
    expect(after(progress(4), { kind: 'failed', reason: 'a slip' })).toMatchObject({
      state: 'failed',
      reason: 'a slip',
      plans: [{ sheets: 4 }],
    })
    expect(after({ kind: 'failed', reason: 'a slip' }).plans).toBeUndefined()
  })

  it('goes on where it was stopped or has failed, and only there', () => {
    const again = after(progress(4), { kind: 'stop' }, { kind: 'resume' })
    expect([isOpen(again), again.plans?.[0]?.sheets]).toEqual([true, 4])
    expect(after({ kind: 'failed', reason: 'x' }, { kind: 'resume' })).toMatchObject({ state: 'waiting', reason: undefined })
    const settled = after(done)
    expect(next(settled, { kind: 'resume' })).toBe(settled)
  })
})
