import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FOLDS, boxOf, cornersOf, defaultInputs, drawFolded, jointFrame, panelKey, poseOf } from '..'
import type { Fold, ParameterInputs } from '..'
import type { Vector } from './frame'
import { inches, lengthFrom, nanometres, writeLength } from '../../lengths'

const MARK = inches(1 / 16)
const MICROMETRE = 1000
const far = (a: Vector, b: Vector) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

/** Natural sizes with every length changed by up to a quarter, kept when nothing has to be settled. */
function validInputs(fold: Fold) {
  const entries = Object.entries(fold.parameters).map(([key, parameter]) => {
    if (parameter.kind === 'toggle') return [key, fc.boolean()] as const
    if (parameter.kind === 'choice') return [key, fc.constantFrom(...parameter.options.map(({ value }) => value))] as const
    const natural = lengthFrom(parameter.defaults.inch)
    return [key, fc.integer({ min: 75, max: 125 }).map(share => writeLength(nanometres(Math.max(1, Math.round(natural * share / 100 / MARK)) * MARK), 'inch'))] as const
  })
  return (fc.record(Object.fromEntries(entries)) as fc.Arbitrary<ParameterInputs>)
    .filter(inputs => fold.construct(inputs, 'inch', MARK).findings.every(({ severity }) => severity !== 'stop'))
}
const opening = fc.double({ min: 0, max: 1, noNaN: true })

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('the motion of %s', (_, fold) => {
  it('keeps every panel in one piece and its neighbour at the crease', () => {
    fc.assert(fc.property(validInputs(fold), opening, (inputs, t) => {
      const card = fold.construct(inputs, 'inch', MARK)
      const pose = poseOf(card, t)
      for (const part of card.parts) {
        part.panels.forEach((panel, index) => {
          const frame = pose.get(panelKey(panel))
          if (!frame) return
          const corners = cornersOf(panel, frame)
          expect(Math.abs(far(corners[0]!, corners[1]!) - panel.width.value)).toBeLessThan(MICROMETRE)
          expect(Math.abs(far(corners[1]!, corners[2]!) - panel.height.value)).toBeLessThan(MICROMETRE)
          const next = part.panels[index + 1]
          if (!next) return
          const after = cornersOf(next, pose.get(panelKey(next))!)
          const [mine, theirs] = part.along === 'x' ? [[1, 2], [0, 3]] : [[3, 2], [0, 1]]
          mine!.forEach((corner, at) => expect(far(corners[corner]!, after[theirs![at]!]!)).toBeLessThan(MICROMETRE))
        })
      }
    }), { numRuns: 40 })
  })

  it('keeps what is glued together, every joint of a loop included', () => {
    fc.assert(fc.property(validInputs(fold), opening, (inputs, t) => {
      const card = fold.construct(inputs, 'inch', MARK)
      const pose = poseOf(card, t)
      for (const joint of card.joints) {
        const [glued, asked] = [pose.get(panelKey(joint.by))!, jointFrame(pose.get(panelKey(joint.onto))!, joint)]
        expect(far(glued.origin, asked.origin)).toBeLessThan(MICROMETRE)
        expect(far(glued.normal, asked.normal)).toBeLessThan(1e-9)
        expect(far(glued.x, asked.x)).toBeLessThan(1e-9)
      }
    }), { numRuns: 40 })
  })

  it('lies flat inside its outline when closed', () => {
    fc.assert(fc.property(validInputs(fold), (inputs) => {
      const card = fold.construct(inputs, 'inch', MARK)
      const { least, most } = boxOf(card, poseOf(card, 0))
      // A band is a little wider than the card it slips over.
      const ease = card.parts.some(({ key }) => key === 'band') ? inches(1 / 8) * 1.5 : 0
      expect(most[0] - least[0]).toBeLessThanOrEqual(card.finished.width.value + ease + MICROMETRE)
      expect(most[1] - least[1]).toBeLessThanOrEqual(card.finished.height.value + MICROMETRE)
      expect(most[2] - least[2]).toBeLessThan(MICROMETRE)
    }), { numRuns: 40 })
  })

  it('is more than flat on display', () => {
    const card = fold.construct(defaultInputs(fold.parameters, 'inch'), 'inch', MARK)
    const { least, most } = boxOf(card, poseOf(card, 1))
    expect(most[2] - least[2]).toBeGreaterThan(inches(1 / 2))
  })

  it('is drawn with every panel that has a place', () => {
    const card = fold.construct(defaultInputs(fold.parameters, 'metric'), 'metric', MARK)
    const drawn = drawFolded(card, 0.5, { turn: 30, tilt: 20 })
    expect(drawn.length).toBe(poseOf(card, 0.5).size)
    expect(drawn.flatMap(({ points }) => points.flat()).every(Number.isFinite)).toBe(true)
  })
})

describe('the drawn view', () => {
  it('paints what is glued on a panel after the panel, seen from the front, and before it from behind', () => {
    const card = FOLDS[0]!.construct(defaultInputs(FOLDS[0]!.parameters, 'inch'), 'inch', MARK)
    const order = (turn: number) => drawFolded(card, 1, { turn, tilt: 0 }).map(({ part, panel }) => `${part}/${panel}`)
    const front = order(0)
    expect(front.indexOf('base/c')).toBeLessThan(front.indexOf('mat-c/face'))
    expect(front.indexOf('mat-c/face')).toBeLessThan(front.indexOf('message/face'))
    const behind = order(180)
    expect(behind.indexOf('mat-c/face')).toBeLessThan(behind.indexOf('base/c'))
  })
})
