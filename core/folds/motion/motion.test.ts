import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  FOLDS, boxOf, collisionsAt, cornersOf, defaultInputs, drawFolded, jointFrame, outlineOf, panelKey, placed, poseOf,
} from '..'
import type { Vector } from './frame'
import { dot, subtract } from './frame'
import { inches } from '../../lengths'
import { validInputs } from '../testing'

const MARK = inches(1 / 16)
const MICROMETRE = 1000
const far = (a: Vector, b: Vector) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

const opening = fc.double({ min: 0, max: 1, noNaN: true })

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('the motion of %s', (_, fold) => {
  it('keeps every panel in one piece and its neighbour at the crease', () => {
    fc.assert(
      fc.property(validInputs(fold), opening, (inputs, t) => {
        const card = fold.construct(inputs, 'inch', MARK)
        const pose = poseOf(card, t)
        for (const part of card.parts) {
          for (const panel of part.panels) {
            const frame = pose.get(panelKey(panel))
            if (!frame) continue
            const [flat, corners] = [outlineOf(panel), cornersOf(panel, frame)]
            flat.forEach((corner, index) => {
              const next = (index + 1) % flat.length
              expect(
                Math.abs(
                  far(corners[index]!, corners[next]!)
                  - Math.hypot(corner[0] - flat[next]![0], corner[1] - flat[next]![1]),
                ),
              ).toBeLessThan(MICROMETRE)
            })
          }
          // Both panels at a crease hold it at the same place, where creases close a loop too.
          for (const { from, to, between } of part.creases) {
            const held = between.map((key) => {
              const panel = part.panels.find(panel => panel.key === key)!
              const frame = pose.get(panelKey(panel))
              return (
                frame
                && placed(
                  [from, to].map(({ x, y }) => [x.value, y.value] as const),
                  panel,
                  frame,
                )
              )
            })
            if (held[0] && held[1])
              held[0].forEach((end, index) => expect(far(end, held[1]![index]!)).toBeLessThan(MICROMETRE))
          }
        }
      }),
      { numRuns: 40 },
    )
  })

  it('keeps what is glued together, every joint of a loop included', () => {
    fc.assert(
      fc.property(validInputs(fold), opening, (inputs, t) => {
        const card = fold.construct(inputs, 'inch', MARK)
        const pose = poseOf(card, t)
        for (const joint of card.joints) {
          const [glued, asked] = [pose.get(panelKey(joint.by))!, jointFrame(pose.get(panelKey(joint.onto))!, joint, t)]
          expect(far(glued.origin, asked.origin)).toBeLessThan(MICROMETRE)
          expect(far(glued.normal, asked.normal)).toBeLessThan(1e-7)
          expect(far(glued.x, asked.x)).toBeLessThan(1e-7)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('lets nothing pass through anything on the way', () => {
    fc.assert(
      fc.property(validInputs(fold), opening, (inputs, t) => {
        expect(collisionsAt(fold.construct(inputs, 'inch', MARK), t)).toEqual([])
      }),
      { numRuns: 60 },
    )
  })

  it('lies flat inside its outline when closed', () => {
    fc.assert(
      fc.property(validInputs(fold), (inputs) => {
        const card = fold.construct(inputs, 'inch', MARK)
        const { least, most } = boxOf(card, poseOf(card, 0))
        // A band is a little wider than the card it slips over.
        const ease = card.parts.some(({ key }) => key === 'band') ? inches(1 / 8) * 1.5 : 0
        expect(most[0] - least[0]).toBeLessThanOrEqual(card.finished.width.value + ease + MICROMETRE)
        expect(most[1] - least[1]).toBeLessThanOrEqual(card.finished.height.value + MICROMETRE)
        expect(most[2] - least[2]).toBeLessThan((card.finished.depth?.value ?? 0) + MICROMETRE)
      }),
      { numRuns: 40 },
    )
  })

  it('moves its moving parts as far as it says', () => {
    fc.assert(
      fc.property(validInputs(fold), (inputs) => {
        const card = fold.construct(inputs, 'inch', MARK)
        const [closed, open] = [poseOf(card, 0), poseOf(card, 1)]
        for (const { part, panel, distance, against = card.anchor } of card.travels) {
          const place = (pose: typeof closed) => {
            const [from, { origin }] = [pose.get(panelKey(against))!, pose.get(`${part}/${panel}`)!]
            return [from.x, from.y, from.normal].map(axis => dot(subtract(origin, from.origin), axis))
          }
          const moved = place(closed).map((value, axis) => Math.abs(value - place(open)[axis]!))
          expect(Math.abs(Math.max(...moved) - distance.value)).toBeLessThan(MICROMETRE)
        }
      }),
      { numRuns: 20 },
    )
  })

  if (fold.stands)
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
