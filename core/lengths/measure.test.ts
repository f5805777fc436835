import { describe, expect, it } from 'vitest'
import { Measure, inches, millimetres } from '.'

const panel = Measure.of('Panel', inches(5.5))
const border = Measure.of('Border', inches(0.125))

describe('a measure that knows where it comes from', () => {
  it('computes and explains in one go', () => {
    const mat = panel.minus(border.times(2))
    expect(mat.value).toBe(inches(5.25))
    expect(mat.explain('inch')).toBe('Panel 5 1/2 − 2 × Border 1/8')
  })

  it('gathers equal terms and drops what cancels out', () => {
    expect(panel.minus(border).minus(border).explain('inch')).toBe('Panel 5 1/2 − 2 × Border 1/8')
    expect(panel.plus(border).minus(border).explain('inch')).toBe('Panel 5 1/2')
    expect(panel.minus(border).plus(border).value).toBe(panel.value)
  })

  it('folds a sum away under a name', () => {
    expect(panel.minus(border).named('Leaf').half().explain('inch')).toBe('½ × Leaf 5 3/8')
  })

  it('knows the given figures behind every name', () => {
    const leaf = panel.minus(border.times(2)).named('Leaf')
    expect(leaf.half().plus(border).named('Flap').downToMark(inches(1 / 16)).givens).toEqual(['Panel', 'Border'])
  })

  it('says when it was rounded to a mark, and only then', () => {
    const half = Measure.of('Width', millimetres(105)).half()
    expect(half.downToMark(millimetres(1)).explain('metric')).toBe('½ × Width 105, down to the 1 mm mark')
    expect(panel.downToMark(inches(1 / 16)).explain('inch')).toBe('Panel 5 1/2')
  })
})
