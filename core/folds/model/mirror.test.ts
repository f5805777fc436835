import { describe, expect, it } from 'vitest'
import { inches } from '../../lengths'
import { FOLDS, boxOf, collisionsAt, poseOf } from '..'

const MARK = inches(1 / 16)
const handed = FOLDS.filter(fold => fold.handed)

describe.each(handed.map(fold => [fold.id, fold] as const))('%s for the other hand', (_, fold) => {
  const [drawn, other] = ['drawn', 'mirrored'].map(hand => fold.construct({ hand }, 'inch', MARK)) as [
    ReturnType<typeof fold.construct>, ReturnType<typeof fold.construct>,
  ]

  it('has the same pieces under the same keys', () => {
    const pieces = ({ pieces }: typeof drawn) =>
      pieces.map(({ key, width, height }) => [key, width.value, height.value])
    expect(pieces(other)).toEqual(pieces(drawn))
    expect(other.findings.map(({ severity }) => severity)).toEqual(drawn.findings.map(({ severity }) => severity))
  })

  it('moves as in a mirror, and nothing runs into anything', () => {
    for (const opening of [0, 0.3, 0.7, 1]) {
      const [a, b] = [drawn, other].map(card => boxOf(card, poseOf(card, opening))) as [
        ReturnType<typeof boxOf>, ReturnType<typeof boxOf>,
      ]
      for (const axis of [0, 1, 2] as const)
        expect(b.most[axis] - b.least[axis]).toBeCloseTo(a.most[axis] - a.least[axis], -2)
      // Up stays up: a mirror does not turn valleys into mountains.
      expect(b.most[2]).toBeCloseTo(a.most[2], -2)
      expect(collisionsAt(other, opening)).toEqual([])
    }
  })
})

it('calls what was left right, in names and steps', () => {
  const text = (hand: string) => {
    const card = FOLDS.find(({ id }) => id === 'crossing-flaps')!.construct({ hand }, 'inch', MARK)
    return card.steps.map(({ text }) => text).join(' ')
  }
  expect(text('drawn')).toContain('its fold on the left')
  expect(text('mirrored')).toContain('its fold on the right')
})
