import { describe, expect, it } from 'vitest'
import { FOLDS } from '../catalogue'
import { drawnSides, panelKey, poseOf, scoreLines } from '..'
import { build, partOf } from '../testing'

const sidesOf = (id: string, changes: Record<string, string | boolean> = {}) => {
  const card = build(id, changes)
  const sideOf = drawnSides(card)
  return Object.fromEntries(
    card.parts.filter(({ creases }) => creases.length > 0).map(part => [part.key, sideOf(part)]),
  )
}

describe('which side of a sheet lies up while it is scored', () => {
  it('is called as a maker calls it', () => {
    expect(sidesOf('plain-card')).toEqual({ base: 'inside' })
    expect(sidesOf('z-fold')).toEqual({ base: 'front' })
    expect(sidesOf('back-gate-stand')).toEqual({ base: 'front' })
    expect(sidesOf('ledge-stand')).toEqual({ base: 'inside', leaf: 'inside' })
    expect(sidesOf('floating-window')).toEqual({ base: 'inside', frame: 'front' })
    // Their print lies outwards.
    expect(sidesOf('banded-flap')).toEqual({ base: 'inside', band: 'outside' })
    expect(sidesOf('rising-scene')).toMatchObject({ base: 'inside', slider: 'outside' })
  })

  it('is what is seen of it: a front looks at whoever looks at the card, an inside at itself', () => {
    for (const fold of FOLDS) {
      const card = build(fold.id)
      for (const [key, side] of Object.entries(sidesOf(fold.id))) {
        const part = partOf(card, key)
        const looks = [0, 1].map((opening) => {
          const pose = poseOf(card, opening)
          return part.panels.filter(({ width, height }) => width.value * height.value > 0)
            .map(panel => pose.get(panelKey(panel))?.normal[2] ?? 0)
        })
        // A card that is seen from behind has its front there.
        const towards = Math.abs(fold.view.turn) > 90 ? -1 : 1
        if (side === 'front') expect(Math.max(...looks[1]!.map(look => look * towards)), fold.id).toBeGreaterThan(0.5)
        const isMixed = new Set(part.creases.map(({ direction }) => direction)).size > 1
        if (side === 'inside' && isMixed) {
          expect(Math.max(...looks[0]!), fold.id).toBeGreaterThan(0.5)
          expect(Math.min(...looks[0]!), fold.id).toBeLessThan(-0.5)
        }
      }
    }
  })

  it('is said with the first score of a sheet, and the other one when it is turned over', () => {
    for (const fold of FOLDS) {
      for (const piece of build(fold.id).pieces) {
        const said = scoreLines(piece, 'inch').map(({ words }) => words)
        const up = (side: string) => said.filter(words => new RegExp(`\\b${side} up\\.`, 'i').test(words))
        const ways = new Set(piece.scores.map(({ turnOver }) => turnOver))
        const other = { inside: 'outside', outside: 'inside', front: 'back' }[piece.drawn]
        expect(up(piece.drawn)).toHaveLength(ways.has(false) ? 1 : 0)
        expect(up(other)).toHaveLength(ways.has(true) ? 1 : 0)
      }
    }
  })

  it('is called front or behind by no step of a design, which would be said twice', () => {
    for (const fold of FOLDS)
      for (const { text } of build(fold.id).steps)
        if (/\bscore/i.test(text)) expect(text).not.toMatch(/from (the front|the back|behind)/)
  })
})
