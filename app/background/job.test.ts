import { describe, expect, it } from 'vitest'
import type { Plan } from '../../core/cutting'
import { forRules } from '../../core/document'
import { inches } from '../../core/lengths'
import { isBetterPlan, isBetterSharing } from './better'
import { WAITING, isOpen, next } from './job'
import type { Job, JobEvent } from './job'

/** Answers are numbers, of which smaller ones are better. */
type Event = JobEvent<number>
const then = (job: Job<number>, event: Event) => next(job, event, (one, other) => one < other)
const after = (...events: Event[]): Job<number> => events.reduce<Job<number>>(then, WAITING)
const progress = (best?: number): Event => ({ kind: 'progress', best, columns: 9, share: 0.5 })
const done: Event = { kind: 'done', answer: 2 }

describe('a job', () => {
  it('waits, runs and settles', () => {
    expect([after(), after(progress(4)), after(progress(4), done)].map(({ state }) => state)).toEqual([
      'waiting', 'running', 'settled',
    ])
    expect(after(progress(4), done)).toMatchObject({ progress: 1, columns: 9, best: 2 })
  })

  it('keeps what it has where nothing new comes', () => {
    expect(after(progress(4), progress(), { kind: 'progress', share: 0.7 })).toMatchObject({
      best: 4, progress: 0.7, columns: 9,
    })
  })

  it('that is stopped keeps its best answer, and hears nothing that comes late', () => {
    const stopped = after(progress(4), { kind: 'stop' })
    expect(stopped).toMatchObject({ state: 'stopped', best: 4, progress: 1 })
    for (const late of [progress(2), done, { kind: 'failed', reason: 'x' }, { kind: 'stop' }] satisfies Event[])
      expect(then(stopped, late)).toBe(stopped)
  })

  it('keeps the better answer where a search begins anew and comes by worse ones, and takes up what is better still', () => {
    const again = after(progress(12), { kind: 'stop' }, { kind: 'resume' }, progress(14))
    expect(again).toMatchObject({ state: 'running', best: 12 })
    expect(then(again, progress(11)).best).toBe(11)
  })

  it('that fails says why and keeps what it had', () => {
    expect(after(progress(4), { kind: 'failed', reason: 'a slip' })).toMatchObject({
      state: 'failed', reason: 'a slip', best: 4,
    })
    expect(after({ kind: 'failed', reason: 'a slip' }).best).toBeUndefined()
  })

  it('goes on where it was stopped or has failed, and only there', () => {
    const again = after(progress(4), { kind: 'stop' }, { kind: 'resume' })
    expect([isOpen(again), again.best]).toEqual([true, 4])
    expect(after({ kind: 'failed', reason: 'x' }, { kind: 'resume' })).toMatchObject({
      state: 'waiting', reason: undefined,
    })
    const settled = after(done)
    expect(then(settled, { kind: 'resume' })).toBe(settled)
  })
})

describe('what is better', () => {
  const planOf = (sheets: number, more: Partial<Plan> = {}): Plan[] => [{
    layouts: [
      { key: 'layout 1', supply: 's', repeats: sheets, root: { kind: 'waste', width: inches(1), height: inches(1) } },
    ],
    unplaced: [], sheets, bound: 1, spending: 0, yield: 0, ...more,
  }]
  const by = (objective: 'sheets' | 'money') => ({ objective }) as Parameters<typeof isBetterPlan>[2]

  it('is a plan of fewer sheets that leaves nothing out; where money counts, one that costs less', () => {
    expect([
      isBetterPlan(planOf(3), planOf(4), by('sheets')), isBetterPlan(planOf(4), planOf(3), by('sheets')),
    ]).toEqual([true, false])
    expect(isBetterPlan(planOf(4), planOf(4), by('sheets'))).toBe(false)
    const gaps = planOf(2, { unplaced: [{ demand: 'mat', quantity: 1, reason: '' }] })
    expect([isBetterPlan(gaps, planOf(4), by('sheets')), isBetterPlan(planOf(4), gaps, by('sheets'))]).toEqual([
      false, true,
    ])
    const cheap = planOf(5, { spending: -1 })
    expect([isBetterPlan(cheap, planOf(4), by('money')), isBetterPlan(cheap, planOf(4), by('sheets'))]).toEqual([
      true, false,
    ])
    expect([isBetterPlan([], planOf(4), by('sheets')), isBetterPlan(planOf(4), [], by('sheets'))]).toEqual([
      false, true,
    ])
  })

  it('is a sharing for which more kits get their pieces, and then one that weighs no more', () => {
    const of = (missing: number, cost?: number) => ({ kits: [], broken: forRules(() => 0), missing, cost })
    expect([isBetterSharing(of(0, 900), of(1, 300)), isBetterSharing(of(1, 300), of(0, 900))]).toEqual([true, false])
    expect([
      isBetterSharing(of(0, 300), of(0, 300)), isBetterSharing(of(0, 301), of(0, 300)),
      isBetterSharing(of(0), of(0, 300)),
    ]).toEqual([true, false, false])
    // What is dealt out at first has not been weighed.
    expect(isBetterSharing(of(0, 300), of(0))).toBe(true)
  })
})
