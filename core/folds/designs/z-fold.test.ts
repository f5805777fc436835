import { describe, expect, it } from 'vitest'
import { creaseAt } from '../model/card'
import { defaultInputs } from '../model/parameters'
import { inches, lengthFrom, millimetres } from '../../lengths'
import { zFold } from './z-fold'

const inch = (changes = {}) =>
  zFold.construct({ ...defaultInputs(zFold.parameters, 'inch'), ...changes }, 'inch', inches(1 / 16))
const sizeOf = ({ pieces }: ReturnType<typeof inch>, key: string) => {
  const piece = pieces.find(piece => piece.key === key)
  return piece && [piece.width.value, piece.height.value]
}
const size = (width: string, height: string) => [lengthFrom(width), lengthFrom(height)]

describe('Z-fold', () => {
  it('follows its formulas at the natural inch size', () => {
    const card = inch()
    expect(sizeOf(card, 'base')).toEqual(size('8 1/2 in', '5 1/2 in'))
    expect(sizeOf(card, 'mat-a')).toEqual(size('1 7/8 in', '5 1/4 in'))
    expect(sizeOf(card, 'mat-c')).toEqual(size('4 in', '5 1/4 in'))
    expect(sizeOf(card, 'message')).toEqual(size('3 3/4 in', '5 in'))
    expect(sizeOf(card, 'plate-mat')).toEqual(size('3 in', '3 1/4 in'))
    expect(card.parts[0]!.creases.map(crease => [creaseAt(crease).value, crease.direction])).toEqual([
      [inches(2.125), 'mountain'],
      [inches(4.25), 'valley'],
    ])
    expect(card.findings).toEqual([])
  })

  it('is a half A4 sheet in millimetres, with mats rounded down to the mark', () => {
    const card = zFold.construct(defaultInputs(zFold.parameters, 'metric'), 'metric', millimetres(1))
    expect(sizeOf(card, 'base')).toEqual([millimetres(210), millimetres(148)])
    // Half of 105 less two borders of 3 is 46.5.
    expect(sizeOf(card, 'mat-a')).toEqual([millimetres(46), millimetres(142)])
    expect(card.findings.filter(({ severity }) => severity !== 'note')).toEqual([])
  })

  it('scores the mountain from the other face, read from the other end', () => {
    const [mountain, valley] = inch().pieces[0]!.scores
    expect(mountain).toMatchObject({ turnOver: true, reading: { from: 'near', at: inches(6.375) } })
    expect(valley).toMatchObject({ turnOver: false, reading: { from: 'near', at: inches(4.25) } })
  })

  it('glues the plate to panel A only', () => {
    const glue = inch().joints.find(({ part }) => part === 'plate')!
    // The plate lies centred over the closed front; half of it is over A.
    expect(glue.glue.width.value).toBe(inches(1.625))
    expect(glue.onto.name).toBe('Front panel A')
    expect(glue.means).toBe('foam')
  })

  it('names the right width for a plate that sticks out', () => {
    const [finding] = inch({ plateWidth: '4 1/8 in' }).findings
    expect(finding).toMatchObject({
      severity: 'stop', parameter: 'plateWidth', fix: { parameter: 'plateWidth', value: inches(4) },
    })
    expect(finding!.problem).toContain('is 4 1/8 in, but must be at most 4 in')
  })

  it('stacks a second layer, each with half of the border', () => {
    const card = inch({ layers: 'two' })
    expect(sizeOf(card, 'mat-c-under')).toEqual(size('4 1/8 in', '5 3/8 in'))
    expect(sizeOf(card, 'mat-c')).toEqual(size('4 in', '5 1/4 in'))
  })

  it('leaves out what is switched off', () => {
    const { pieces, message } = inch({ plate: false, message: false })
    expect(pieces.map(({ key }) => key)).toEqual(['base', 'mat-a', 'mat-b', 'mat-c'])
    expect(message).toMatchObject({ where: 'panel C' })
  })

  it('turns the prints for sideways decoration and keeps the sizes', () => {
    const sideways = inch({ decoration: 'sideways' })
    expect(sideways.pieces.find(({ key }) => key === 'mat-a')!.printTop).toBe('left')
    expect(sizeOf(sideways, 'mat-a')).toEqual(sizeOf(inch(), 'mat-a'))
  })

  it('says so when a border eats a mat up', () => {
    const { findings, pieces } = inch({ border: '1 1/8 in', plate: false })
    expect(pieces.map(({ key }) => key)).not.toContain('mat-a')
    expect(findings).toContainEqual(
      expect.objectContaining({
        severity: 'stop', part: 'mat-a', problem: expect.stringContaining('nothing is left of it'),
      }),
    )
  })
})
