import type { ParameterInputs } from '../document'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FOLDS, defaultInputs, factsOf, foldById, inputProblems, isWhole, outlineOf, resizedInputs } from '.'
import type { Point } from '.'
import { inches, millimetres, writeLength } from '../lengths'
import type { Units } from '../lengths'

/** The reason of a limit and which side of it was broken. */
const reasonOf = ({ subject, problem }: { subject: string, problem: string }) =>
  `${subject} ${problem}`.replace(/is .*? must be (at \w+) .*?: /, '$1: ')

/** Area of a polygon, positive where its corners run counter-clockwise. */
const areaOf = (corners: Point[]) =>
  corners.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = corners[(index + 1) % corners.length]!
    return sum + (x * nextY - nextX * y) / 2
  }, 0)

const MARK = { inch: inches(1 / 16), metric: millimetres(1) }

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('%s', (_, fold) => {
  const inputs = (units: Units) => {
    const step = MARK[units]
    const usual = defaultInputs(fold.parameters, units)
    const entries = Object.entries(fold.parameters).map(([key, parameter]) => {
      if (parameter.kind === 'toggle') return [key, fc.boolean()] as const
      if (parameter.kind === 'choice')
        return [key, fc.constantFrom(...parameter.options.map(({ value }) => value))] as const
      if (parameter.kind === 'text')
        return [
          key,
          fc.constantFrom(
            ...new Set([parameter.defaults[units], resizedInputs(fold.parameters, usual, 0.5, units, step)[key]!]),
          ),
        ] as const
      return [
        key,
        fc
          .integer({ min: parameter.zero ? 0 : 1, max: 400 })
          .map(steps => writeLength((steps * step) as typeof step, units)),
      ] as const
    })
    return fc.record(Object.fromEntries(entries)) as fc.Arbitrary<ParameterInputs>
  }

  it('is found by its identifier and starts without anything to settle', () => {
    expect(foldById(fold.id)).toBe(fold)
    for (const units of ['inch', 'metric'] as const) {
      const { findings } = fold.construct(defaultInputs(fold.parameters, units), units, MARK[units])
      expect(findings.filter(({ severity }) => severity === 'stop')).toEqual([])
    }
  })

  it.each(['inch', 'metric'] as const)('answers any sizes in %s with whole geometry and findings', (units) => {
    fc.assert(
      fc.property(inputs(units), (values) => {
        const card = fold.construct(values, units, MARK[units])
        for (const part of card.parts) {
          if (!isWhole(part)) continue
          // Panels cover the blank, less what is cut away, and nothing twice.
          if (!part.outline)
            expect(
              part.panels.reduce(
                (sum, panel) =>
                  sum + areaOf(outlineOf(panel)) - (panel.holes ?? []).reduce((all, hole) => all + areaOf(hole), 0),
                0,
              )
              / (part.width.value * part.height.value),
            ).toBeCloseTo(1, 9)
          for (const { from, to } of part.creases) {
            for (const { x, y } of [from, to])
              expect(x.value >= 0 && x.value <= part.width.value && y.value >= 0 && y.value <= part.height.value).toBe(
                true,
              )
          }
        }
        const stopped = new Set(card.findings.filter(({ severity }) => severity === 'stop').map(({ part }) => part))
        for (const part of card.parts) if (!isWhole(part)) expect(stopped).toContain(part.key)
        for (const { width, height, kind, scores } of card.pieces) {
          if (kind === 'mat' || kind === 'message')
            expect([width.value % MARK[units], height.value % MARK[units]]).toEqual([0, 0])
          for (const { at, fromOtherEnd, along } of scores)
            expect(at.value + fromOtherEnd.value).toBe((along === 'y' ? height : width).value)
        }
        // A layer never sticks out of the panel it is glued on, unless a finding says so.
        for (const { part, by, onto, x, y } of card.joints) {
          const glued = card.parts.find(({ key }) => key === part)!
          if (glued.kind !== 'mat' || glued.outline || glued.width.value <= 0 || glued.height.value <= 0) continue
          const isInside = x.value >= 0 && y.value >= 0
            && x.value + by.width.value <= onto.width.value + 1 && y.value + by.height.value <= onto.height.value + 1
          if (!isInside)
            expect(card.findings).toContainEqual(
              expect.objectContaining({ problem: expect.stringContaining('stick out') }),
            )
        }
      }),
    )
  })

  it('takes the value that a finding calls right', () => {
    fc.assert(
      fc.property(inputs('inch'), (values) => {
        const { findings } = fold.construct(values, 'inch', MARK.inch)
        for (const finding of findings) {
          const { fix } = finding
          if (!fix) continue
          const again = fold.construct(
            { ...values, [fix.parameter]: writeLength(fix.value, 'inch') }, 'inch', MARK.inch,
          )
          // Another limit of the same length may be broken then; the one that offered the value is kept.
          expect(again.findings.map(reasonOf)).not.toContain(reasonOf(finding))
        }
      }),
    )
  })
})

describe('the facts of a fold', () => {
  it('count pieces and scores and measure the need in usual sheets', () => {
    // A Z-fold of half a Letter sheet: base 8 1/2 × 5 1/2, mats, message, plate and its mat.
    const facts = factsOf(foldById('z-fold')!, 'inch')
    expect(facts).toMatchObject({ pieces: 7, scores: 2, closed: { width: inches(4.25), height: inches(5.5) } })
    const area = 8.5 * 5.5 + 2 * 1.875 * 5.25 + 4 * 5.25 + 3.75 * 5 + 3.25 * 3.5 + 3 * 3.25
    expect(facts.sheets).toBeCloseTo(area / (8.5 * 11), 9)
  })
})

describe('inputs of a fold', () => {
  const { parameters } = FOLDS[0]!

  it.each([
    [{ width: 4 }, 'is a length written as text'],
    [{ width: '0 in' }, 'must be more than zero'],
    [{ width: '-3 in' }, 'must be more than zero'],
    [{ border: '-1 mm' }, 'must be zero or more'],
    [{ width: 'wide' }, 'Finished width'],
    [{ width: '6 m' }, 'longer than 5 m'],
    [{ plate: 'yes' }, 'either true or false'],
    [{ layers: 'nine' }, 'is one of: one, two'],
    [{ wdth: '4 in' }, 'It has: width, height'],
    [{ __proto__x: '4 in' }, 'is not a parameter'],
  ])('refuses %j', (inputs, reason) => {
    expect(inputProblems(parameters, inputs, 'inch')).toEqual([
      { parameter: Object.keys(inputs)[0], problem: expect.stringContaining(reason) },
    ])
  })

  it('accepts zero where none is meant and leaves defaults to the fold', () => {
    expect(inputProblems(parameters, { border: '0 in' }, 'inch')).toEqual([])
    expect(inputProblems(parameters, {}, 'inch')).toEqual([])
  })
})
