import { describe, expect, it } from 'vitest'
import { boxOf, creaseAt, defaultInputs, foldById, poseOf } from '..'
import { inches } from '../../lengths'

/** Figures of the strip folds that can be checked by hand, at their natural inch sizes. */
function card(id: string, changes: Record<string, string | boolean> = {}) {
  const fold = foldById(id)!
  return fold.construct({ ...defaultInputs(fold.parameters, 'inch'), ...changes }, 'inch', inches(1 / 16))
}
const sizes = (built: ReturnType<typeof card>) =>
  Object.fromEntries(
    built.pieces.map(({ key, width, height }) => [key, [width.value / inches(1), height.value / inches(1)]]),
  )
const creases = (built: ReturnType<typeof card>, part: string) =>
  built.parts
    .find(({ key }) => key === part)!
    .creases.map(crease => [creaseAt(crease).value / inches(1), crease.direction])
const stops = (built: ReturnType<typeof card>) => built.findings.filter(({ severity }) => severity === 'stop')

describe('Double Z-fold', () => {
  it('has a strip with the creases of the base, turned end for end', () => {
    expect(creases(card('double-z-fold'), 'base')).toEqual([
      [2.125, 'mountain'],
      [4.25, 'valley'],
    ])
    expect(creases(card('double-z-fold'), 'strip')).toEqual([
      [4.25, 'mountain'],
      [6.375, 'valley'],
    ])
    expect(sizes(card('double-z-fold'))).toMatchObject({
      'strip': [8.5, 1.75], 'mat-long': [4, 1.5], 'mat-middle': [1.875, 1.5],
    })
  })

  it('lets the strip leave enough of the message free', () => {
    // (5 1/2 − 1 3/4) / 2 − 2 × 1/8 = 1 5/8.
    expect(stops(card('double-z-fold', { messageHeight: '1 3/4 in' }))).toMatchObject([
      { fix: { parameter: 'messageHeight', value: inches(1.625) } },
    ])
  })
})

describe('Bridge', () => {
  it('has a blank as much wider as it is deep, twice over', () => {
    expect(sizes(card('bridge'))).toMatchObject({
      'base': [8.25, 4],
      'scene': [6, 1.5],
      'mat-centre': [3.5, 3.75],
      'mat-left-foot': [0.875, 3.75],
    })
    expect(creases(card('bridge'), 'base')).toEqual([
      [1.125, 'mountain'],
      [2.25, 'valley'],
      [6, 'valley'],
      [7.125, 'mountain'],
    ])
  })

  it('stands as deep as it says and as wide as it closes', () => {
    const { least, most } = boxOf(card('bridge'), poseOf(card('bridge'), 1))
    expect(most[2] - least[2]).toBeCloseTo(inches(1.125), -2)
    expect(most[0] - least[0]).toBeCloseTo(inches(6), -2)
  })

  it('cannot be deeper than lets it fold flat', () => {
    expect(stops(card('bridge', { depth: '2 3/4 in' }))[0]).toMatchObject({ subject: 'Depth', parameter: 'depth' })
  })

  it('takes a fence of any width and figures on its scene, evenly spread', () => {
    expect(sizes(card('bridge', { fence: true }))).toMatchObject({ fence: [5.75, 0.75] })
    expect(sizes(card('bridge', { fence: true, fenceWidth: '3 in' }))).toMatchObject({ fence: [3, 0.75] })
    const built = card('bridge', { figures: true, figureCount: '2' })
    // 6 − 2 × 1 leaves 4 in three gaps, down to the mark.
    const lefts = built.joints.filter(({ part }) => part.startsWith('figure-')).map(({ x }) => x.value / inches(1))
    expect(lefts.map(left => Math.round(left * 1000) / 1000)).toEqual([1.313, 3.625])
    expect(stops(built)).toEqual([])
    expect(stops(card('bridge', { figures: true, figureHeight: '5 in' }))[0]).toMatchObject({
      parameter: 'figureHeight',
    })
    expect(stops(card('bridge', { fence: true, fenceWidth: '7 in' }))[0]).toMatchObject({ parameter: 'fenceWidth' })
  })
})

describe('Back-gate stand', () => {
  it('has a centre two gates wide, and closes to two outer panels', () => {
    expect(sizes(card('back-gate-stand'))).toMatchObject({
      'base': [9.25, 5.5], 'mat-centre': [2.25, 5.25], 'mat-left': [1.875, 5.25],
    })
    expect(creases(card('back-gate-stand'), 'base')).toEqual([
      [2.125, 'valley'],
      [3.375, 'mountain'],
      [5.875, 'mountain'],
      [7.125, 'valley'],
    ])
    expect(card('back-gate-stand').finished.width.value).toBe(inches(4.25))
  })
})

describe('Banded flap', () => {
  it('has a band with tongues half as wide as card and ease', () => {
    expect(sizes(card('banded-flap'))).toMatchObject({
      'base': [4.25, 8.5], 'band': [8.75, 1.5], 'mat-left-tongue': [1.9375, 1.25],
    })
    // Half an inch more or less is a quarter on each tongue; all three ways are good ones.
    const tongues = (changes: Record<string, string>) => {
      const made = card('banded-flap', changes)
      expect(stops(made)).toEqual([])
      const { panels } = made.parts.find(({ key }) => key === 'band')!
      return panels.filter(({ key }) => key.endsWith('tongue')).map(({ width }) => width.value / inches(1))
    }
    expect(tongues({ overlap: '1/2 in' })).toEqual([2.4375, 2.4375])
    expect(tongues({ gap: '1/2 in' })).toEqual([1.9375, 1.9375])
    expect(creases(card('banded-flap'), 'band')).toEqual([
      [2.1875, 'mountain'],
      [6.5625, 'mountain'],
    ])
  })

  it('scores across from the lower end', () => {
    expect(card('banded-flap').pieces[0]!.scores).toMatchObject([
      { along: 'y', at: { value: inches(5.5) }, fromOtherEnd: { value: inches(3) } },
    ])
  })
})

describe('Gatefold', () => {
  it('has doors half as wide as the card and a band round it', () => {
    expect(sizes(card('gatefold'))).toMatchObject({
      'base': [8.5, 5.5],
      'mat-left': [1.875, 5.25],
      'mat-middle': [4, 5.25],
      'band': [9.125, 1.5],
    })
    const { findings } = card('gatefold', { bandOverlap: '1/4 in' })
    expect(findings.filter(({ severity }) => severity !== 'note')).toMatchObject([
      { severity: 'warn', fix: { parameter: 'bandOverlap', value: inches(0.5) } },
    ])
  })
})

describe('Easel', () => {
  it('leans by the angle whose cosine is stop over side', () => {
    const { parts } = card('easel', { side: '6 in', stop: '3 in' })
    // Half of the side: 60 degrees at the hinge, and twice that at the crease.
    expect(parts[0]!.creases.map(({ angle }) => [angle(0), Math.round(angle(1))])).toEqual([
      [180, 120],
      [0, 120],
    ])
  })

  it('rests the foot of the front on the base, at the stop', () => {
    const built = card('easel', { side: '6 in', stop: '3 in' })
    const lower = poseOf(built, 1).get('base/lower')!
    const foot = [0, 1, 2].map(axis => lower.origin[axis]! + lower.y[axis]! * inches(3))
    expect(foot[1]).toBeCloseTo(inches(3), -2)
    expect(foot[2]).toBeCloseTo(0, -2)
  })

  it('warns about what falls over and what hardly stands', () => {
    const warnings = (stop: string) =>
      card('easel', { stop, stopperHeight: '1/4 in' })
        .findings.map(({ problem }) => problem)
        .join()
    expect(warnings('1 in')).toContain('fall over backwards')
    expect(warnings('5 in')).toContain('hardly stand')
  })
})
