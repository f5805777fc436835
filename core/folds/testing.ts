import fc from 'fast-check'
import type { Construction, Fold, Piece } from '.'
import { creaseAt, defaultInputs, foldById, outlineOf, panelKey, placed, poseOf } from '.'
import type { ParameterInputs } from '../document'
import { inches, lengthFrom, nanometres, writeLength } from '../lengths'

const MARK = inches(1 / 16)

/** Helpers of tests: a fold at its natural inch sizes with a few changes, measured in inches. */
export type Built = Construction & { pieces: Piece[] }

export function build(id: string, changes: Record<string, string | boolean> = {}): Built {
  const fold = foldById(id)!
  return fold.construct({ ...defaultInputs(fold.parameters, 'inch'), ...changes }, 'inch', inches(1 / 16))
}

export const inInches = (nanometres: number): number => nanometres / inches(1)
export const sizes = (built: Built) =>
  Object.fromEntries(
    built.pieces.map(({ key, width, height }) => [key, [inInches(width.value), inInches(height.value)]]),
  )
export const partOf = (built: Built, key: string) => built.parts.find(part => part.key === key)!
export const creases = (built: Built, part: string) =>
  partOf(built, part).creases.map(crease => [inInches(creaseAt(crease).value), crease.direction])
export const stops = (built: Built) => built.findings.filter(({ severity }) => severity === 'stop')
export const fixes = (built: Built) =>
  built.findings.flatMap(({ fix }) => (fix ? [[fix.parameter, inInches(fix.value)]] : []))

/** Corners of a panel in space at an opening, in inches. */
export function cornersAt(built: Built, part: string, panelName: string, opening: number): number[][] {
  const panel = partOf(built, part).panels.find(({ key }) => key === panelName)!
  return placed(outlineOf(panel), panel, poseOf(built, opening).get(panelKey(panel))!).map(corner =>
    corner.map(inInches),
  )
}
export const highest = (corners: number[][], axis: 0 | 1 | 2) => Math.max(...corners.map(corner => corner[axis]!))
export const lowest = (corners: number[][], axis: 0 | 1 | 2) => Math.min(...corners.map(corner => corner[axis]!))

/**
 * The sizes of the card and some others changed by up to a quarter, the rest natural; kept when nothing has to be
 * settled.
 */
export function validInputs(fold: Fold): fc.Arbitrary<ParameterInputs> {
  const entries = Object.entries(fold.parameters).map(([key, parameter]) => {
    if (parameter.kind === 'toggle') return [key, fc.boolean()] as const
    if (parameter.kind === 'choice')
      return [key, fc.constantFrom(...parameter.options.map(({ value }) => value))] as const
    if (parameter.kind === 'text') return [key, fc.constant(parameter.defaults.inch)] as const
    const natural = lengthFrom(parameter.defaults.inch)
    const near = fc.integer({ min: 75, max: 125 })
      .map(share => writeLength(nanometres(Math.round((natural * share) / 100 / MARK) * MARK), 'inch'))
    return [key, parameter.main || natural === 0 ? near : fc.option(near, { nil: undefined, freq: 1 })] as const
  })
  return (fc.record(Object.fromEntries(entries)).map(all =>
    Object.fromEntries(Object.entries(all).filter(([, input]) => input !== undefined)),
  ) as fc.Arbitrary<ParameterInputs>
  ).filter(inputs => fold.construct(inputs, 'inch', MARK).findings.every(({ severity }) => severity !== 'stop'))
}
