import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FOLDS } from '..'
import { inches } from '../../lengths'
import { validInputs } from '../testing'

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('the steps of %s', (_, fold) => {
  it('keep the order of the design, whatever is chosen, and say something each', () => {
    fc.assert(fc.property(validInputs(fold), (inputs) => {
      const { steps, findings } = fold.construct(inputs, 'inch', inches(1 / 16))
      expect(findings.filter(({ subject }) => subject === 'Order of work')).toEqual([])
      const ranks = steps.map(({ rank }) => rank)
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
      expect(new Set(steps.map(({ key }) => key)).size).toBe(steps.length)
      for (const { text } of steps) expect(text).toMatch(/^[A-Z].*\.$/)
    }), { numRuns: 40 })
  })

  it('make a piece ready in another step than they put it on, so that it can be dressed between them', () => {
    fc.assert(fc.property(validInputs(fold), (inputs) => {
      for (const { makes, puts } of fold.construct(inputs, 'inch', inches(1 / 16)).steps)
        expect(makes.filter(key => puts.includes(key))).toEqual([])
    }), { numRuns: 40 })
  })
})
