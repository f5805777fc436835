import { describe, expect, it } from 'vitest'
import { demoBatches } from '.'
import { prepare } from '../core/batch'
import { planAll } from '../core/plans'
import { verifyPlan } from '../core/cutting'

const today = new Date(2030, 4, 17)
const batches = demoBatches(today)

describe('the demo studio', () => {
  it('has classes ahead and behind', () => {
    const dates = batches.map(batch => batch.class.date)
    expect(dates.some(date => date < '2030-05-17') && dates.some(date => date > '2030-05-17')).toBe(true)
  })

  it('has nothing to settle, and plans that can be cut', () => {
    for (const batch of batches) {
      const preparation = prepare(batch)
      expect(
        preparation.cards.flatMap(({ findings }) => findings.filter(({ severity }) => severity === 'stop')),
      ).toEqual([])
      planAll(batch, preparation).forEach(({ plan }, index) => {
        expect(verifyPlan(plan, preparation.papers[index]!.problem)).toEqual([])
        expect(plan.unplaced).toEqual([])
      })
    }
  })

  it('knows one paper under one key', () => {
    const known = new Map<string, string>()
    for (const paper of batches.flatMap(({ papers }) => papers)) {
      expect(known.get(paper.key) ?? JSON.stringify(paper)).toBe(JSON.stringify(paper))
      known.set(paper.key, JSON.stringify(paper))
    }
  })
})
