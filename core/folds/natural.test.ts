import { describe, expect, it } from 'vitest'
import type { ParameterInputs } from '../document'
import { inches, lengthFrom, millimetres, nanometres, writeLength } from '../lengths'
import type { Units } from '../lengths'
import { FOLDS, defaultInputs, foldById, resizedInputs } from '.'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) }
const zFold = foldById('z-fold')!
const made = (fold: string, inputs: ParameterInputs, units: Units = 'inch') =>
  foldById(fold)!.construct(inputs, units, MARK[units])

describe('a size that nobody typed', () => {
  it('keeps its share of the size that it follows, down to the mark', () => {
    expect(made('z-fold', { width: '2 1/8 in' }).inputs).toMatchObject({
      width: '2 1/8 in', height: '5 1/2 in', plateWidth: '1 5/8 in',
    })
    expect(made('z-fold', { width: '2 1/8 in' }).inputs.plateHeight).toBe('3 1/2 in')
    expect(made('z-fold', { width: '3 in', plateWidth: '2 in' }).inputs.plateWidth).toBe('2 in')
    // Of two sizes the one that has shrunk most.
    expect(made('floating-window', { width: '8 1/2 in', height: '2 3/4 in' }).inputs.window).toBe('7/8 in')
    expect(made('own-strip', { length: '5 1/2 in' }).inputs.scores).toBe('1 3/8 in mountain 60, 2 3/4 in valley 60')
  })

  it('makes room for what was typed', () => {
    const { inputs, findings } = made('twin-slider', { width: '3 in' })
    expect(inputs.runnerWidth).toBe('1 9/16 in')
    expect(findings.filter(({ severity }) => severity === 'stop')).toEqual([])
  })

  it('grows and shrinks with the whole card, while a border stays a border', () => {
    const half = resizedInputs(zFold.parameters, { plateWidth: '3 in', border: '1/4 in' }, 0.5, 'inch', MARK.inch)
    expect(half).toEqual({ width: '2 1/8 in', height: '2 3/4 in', plateWidth: '1 1/2 in', border: '1/4 in' })
    expect(zFold.construct(half, 'inch', MARK.inch).inputs.plateHeight).toBe('1 3/4 in')
  })
})

/** Two sizes that a construction ties to each other: no other size could make room. */
const TIED: Record<string, string> = {
  'corner-stage': 'side', 'diagonal-envelope': 'overlap', 'gift-card-holder': 'width',
}

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('the natural sizes of %s', (id, fold) => {
  it.each(['inch', 'metric'] as const)('are right for every card from six tenths to twice as large, %s', (units) => {
    const usual = defaultInputs(fold.parameters, units)
    const mains = Object.keys(fold.parameters).filter((name) => {
      const parameter = fold.parameters[name]
      return parameter?.kind === 'length' && parameter.main
    })
    const scaled = (name: string, factor: number) => [
      name,
      writeLength(
        nanometres(Math.round((lengthFrom(String(usual[name]), units) * factor) / MARK[units]) * MARK[units]), units,
      ),
    ]
    for (const factor of [0.6, 0.7, 0.85, 1.2, 1.5, 2]) {
      for (const names of [mains, ...mains.map(name => [name])]) {
        const inputs = Object.fromEntries(names.map(name => scaled(name, factor)))
        const stops = fold.construct(inputs, units, MARK[units]).findings.filter(({ severity }) => severity === 'stop')
        expect(stops.filter(({ parameter }) => parameter !== TIED[id]), JSON.stringify(inputs)).toEqual([])
      }
    }
  })
})
