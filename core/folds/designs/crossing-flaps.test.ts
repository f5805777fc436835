import { describe, expect, it } from 'vitest'
import { defaultInputs } from '../model/parameters'
import { inches } from '../../lengths'
import { crossingFlaps } from './crossing-flaps'

const card = (changes = {}) =>
  crossingFlaps.construct({ ...defaultInputs(crossingFlaps.parameters, 'inch'), ...changes }, 'inch', inches(1 / 16))

describe('Crossing flaps', () => {
  it('follows its formulas at the natural inch size', () => {
    const sizes = Object.fromEntries(card().pieces.map(({ key, width, height }) => [key, [width.value, height.value]]))
    expect(sizes).toEqual({
      'base': [inches(7.25), inches(5.5)],
      'insert': [inches(6), inches(3.5)],
      'mat-back': [inches(4), inches(5.25)],
      'mat-flap': [inches(2.75), inches(5.25)],
      'mat-front-leaf': [inches(2.75), inches(3.25)],
      'mat-back-leaf': [inches(2.75), inches(3.25)],
      'message': [inches(2.5), inches(3)],
    })
    expect(card().findings).toEqual([])
  })

  it('glues the back leaf to the middle of the back panel', () => {
    const joint = card().joints.find(({ part }) => part === 'insert')!
    // Margin (4 1/4 − 3) / 2 = 5/8; the back leaf is the right half of the insert.
    expect(joint.x.value).toBe(inches(0.625))
    expect(joint.y.value).toBe(inches(1))
    expect(joint.glue.width.value).toBe(inches(3))
  })

  it('asks for enough overlap and names the flap that gives it', () => {
    const [finding] = card({ flap: '1 in' }).findings
    // Overlap 1 − 5/8 = 3/8; a flap of 5/8 + 1/2 is needed.
    expect(finding).toMatchObject({
      subject: 'Overlap of leaf on flap', fix: { parameter: 'flap', value: inches(1.125) },
    })
    expect(card({ flap: '1 1/8 in' }).findings.map(({ subject }) => subject)).not.toContain('Overlap of leaf on flap')
  })

  it('keeps the flap short of the fold of the insert', () => {
    const [finding] = card({ flap: '3 5/8 in' }).findings
    expect(finding).toMatchObject({ subject: 'Flap', fix: { parameter: 'flap', value: inches(3.5) } })
  })

  it('keeps the insert inside the border', () => {
    expect(
      card({ leaf: '4 1/8 in', insertHeight: '5 3/8 in' })
        .findings.filter(({ severity }) => severity === 'stop')
        .map(({ parameter }) => parameter),
    ).toEqual(['leaf', 'insertHeight'])
  })

  it('puts the mats of flap and front leaf on the outside', () => {
    expect(
      card()
        .joints.filter(({ face }) => face === 'outside')
        .map(({ part }) => part),
    ).toEqual(['mat-flap', 'mat-front-leaf'])
  })
})
