import { describe, expect, it } from 'vitest'
import type { CardEntry } from '../document'
import { addFreePiece, facesOf, sideWords, wholeCard } from '../dressing'
import { variantsOf } from '../dressing/testing'
import { AS_DRAWN, FOLDS } from '../folds'
import type { Length, Units } from '../lengths'
import { inches, millimetres, nanometres, writeLength } from '../lengths'
import { endsOf } from './held'

const MARK: Record<Units, Length> = { inch: inches(1 / 16), metric: millimetres(1) }
const bare = (parameters = {}) =>
  ({ parameters, papers: {}, faces: [], free: [], parts: [], steps: [] }) as unknown as CardEntry
const AT = { left: 'on the left', right: 'on the right', head: 'at the head', foot: 'at the foot' } as const

describe('left, right, head and foot', () => {
  it.each(FOLDS.map(fold => [fold.id, fold] as const))(
    'of every face of %s are what one sees who holds the card',
    (_, fold) => {
      for (const units of ['inch', 'metric'] as const) for (const chosen of variantsOf(fold)) {
        const card = wholeCard(fold, bare(chosen), units, MARK[units])
        for (const { key, panel, side } of facesOf(card)) {
          const ends = endsOf(card, panel, side)
          if (ends) expect([key, sideWords(card, { panel, side })]).toEqual([key, ends])
        }
      }
    })

  it.each(FOLDS.map(fold => [fold.id, fold] as const))('of every print of %s: its top is at the head', (_, fold) => {
    for (const chosen of variantsOf(fold)) {
      const card = wholeCard(fold, bare(chosen), 'inch', MARK.inch)
      for (const { key, panels: [panel, ...more], printTop } of card.parts) {
        if (printTop === 'any' || !panel || more.length > 0) continue
        const side = card.joints.find(({ part }) => part === key)?.faceDown ? 'outside' : 'inside'
        const ends = endsOf(card, panel, side) ?? sideWords(card, { panel, side })
        // Prints that run sideways are read from the right.
        expect([key, chosen, ends[printTop]]).toEqual([key, chosen, chosen.decoration === 'sideways' ? 'left' : 'head'])
      }
    }
  })

  it('are looked at on most faces, and many of them do not hang as they are drawn', () => {
    const faces = FOLDS.flatMap((fold) => {
      const card = wholeCard(fold, bare(), 'inch', MARK.inch)
      return facesOf(card).map(({ panel, side }) => ({
        ends: endsOf(card, panel, side), said: sideWords(card, { panel, side }),
      }))
    })
    expect(faces.filter(({ ends }) => ends).length).toBeGreaterThan(faces.length * 0.8)
    expect(faces.filter(({ said }) => said.top !== AS_DRAWN.top).length).toBeGreaterThan(40)
  })

  it('are named so in the step of a piece and where it sticks out, on every face', () => {
    let compared = 0
    for (const fold of FOLDS) {
      const natural = wholeCard(fold, bare(), 'inch', MARK.inch)
      for (const { key, name, panel, side } of facesOf(natural)) {
        const ends = endsOf(natural, panel, side)
        if (!ends) continue
        const edge = (length: number) => writeLength(nanometres(Math.floor(length / MARK.inch) * MARK.inch), 'inch')
        for (const [place, own, measure] of [
          [{ left: edge(panel.width.value), bottom: '1 in' }, 'right', 'left'],
          [{ left: '1 in', bottom: edge(panel.height.value) }, 'top', 'bottom'],
        ] as const) {
          const card = bare()
          addFreePiece(card, 'inch', { face: key, width: '3/4 in', height: '3/4 in', hold: 'loose', ...place })
          const made = wholeCard(fold, card, 'inch', MARK.inch)
          expect(
            made.steps.some(
              ({ text }) => text.includes(`from the ${ends.left} and`) && text.includes(`from the ${ends.bottom}`),
            ),
            `${fold.id} ${name}`).toBe(true)
          const found = made.findings.filter(({ problem, parameter }) =>
            problem.startsWith('sticks out of the closed card') && parameter?.endsWith(`/${measure}`))
          compared += found.length
          for (const { problem } of found)
            expect([fold.id, name, problem]).toEqual([fold.id, name, expect.stringContaining(AT[ends[own]])])
        }
      }
    }
    expect(compared).toBeGreaterThan(60)
  })
})
