import { describe, expect, it } from 'vitest'
import { inches, millimetres } from '../../lengths'
import { FOLDS, foldById } from '..'

const plain = foldById('plain-card')!
const made = (typed: Record<string, string>, units: 'inch' | 'metric' = 'inch') =>
  plain.construct(typed, units, units === 'inch' ? inches(1 / 16) : millimetres(1))
const asked = (typed: Record<string, string>, units?: 'inch' | 'metric') =>
  made(typed, units).findings.filter(({ keep }) => keep)

describe('sizes typed in the other unit', () => {
  it('are asked about once, with what each answer does', () => {
    const found = asked({ width: '105 mm', height: '148mm' })
    expect(found).toHaveLength(1)
    const [{ subject, problem, fix, parameter }] = found as [typeof found[0]]
    expect(subject).toBe('Finished width 105 mm and finished height 148mm')
    expect(problem).toContain('Rounded, they are 4 1/8 in and 5 13/16 in')
    expect(parameter).toBe('width')
    expect(fix).toEqual({
      parameter: 'width', value: inches(4.125), also: [{ parameter: 'height', value: inches(5.8125) }],
    })
    expect(
      made({ width: '105 mm', height: '148mm' }).findings.filter(({ problem }) => problem.includes('no mark for')),
    ).toEqual([])
  })

  it('are cut as typed and not asked about again once that was the answer, and not at all where a mark is', () => {
    const kept = made({ width: '105 mm', height: '148 mm', marks: 'kept' })
    expect(kept.findings.filter(({ problem }) => /mark/.test(problem))).toEqual([])
    expect(kept.parts[0]!.height.value).toBe(millimetres(148))
    expect(asked({ width: '4 1/8', height: '148 mm' })[0]!.subject).toBe('Finished height 148 mm')
    expect(asked({ width: '4 1/8', height: '148 mm' })[0]!.problem).toContain('it is set by ruler and fits what else')
    expect(asked({ width: '4 1/8', height: '5.5 in' })).toEqual([])
    // An odd size of one's own unit is told as before, by its pieces.
    const odd = made({ height: '5 5/32' })
    expect(odd.findings.some(({ keep }) => keep)).toBe(false)
    expect(odd.findings.some(({ problem }) => problem.includes('no mark for'))).toBe(true)
  })

  it('are asked about in a metric class too', () => {
    expect(asked({ width: '4 1/4 in' }, 'metric')[0]).toMatchObject({ fix: { value: millimetres(108) } })
    expect(asked({ width: '105 mm' }, 'metric')).toEqual([])
  })

  it('are asked about on every fold', () => {
    for (const fold of FOLDS) {
      const [name] = Object.entries(fold.parameters).find(([, { kind }]) => kind === 'length')!
      const { findings } = fold.construct({ [name]: '101 mm' }, 'inch', inches(1 / 16))
      expect(findings.filter(({ keep }) => keep), fold.id).toHaveLength(1)
    }
  })
})
