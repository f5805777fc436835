import { describe, expect, it } from 'vitest'
import type { CardEntry, LayerEntry } from '../document'
import { FOLDS, poseOf } from '../folds'
import { inches } from '../lengths'
import {
  NOTHING, addFreePiece, copyDressing, dressFaceAs, dressingOf, facesOf, freePartKey, layersOn,
  moveFreePiece, newWork, resizeDressing,
} from '.'
import { mark, cardOf, whole, sizes, face, at } from './dressed-testing'

describe('glue and what comes before it', () => {
  const glue = { left: '1/2 in', right: '1/4 in', top: '0 in', bottom: '1 in' }

  it('keeps off the edges that are to stay free, on layers and on free pieces', () => {
    const works = [newWork('work-1'), { ...newWork('work-2'), technique: 'die cut' as const }]
    const layer: Partial<LayerEntry> = { width: '3 in', height: '2 in', glue, works }
    const card = cardOf('gatefold', { faces: [face('base--middle--inside', layer)] })
    const place = { face: 'base--left--inside', width: '2 in', height: '2 in', left: '1 in', bottom: '0 in' }
    addFreePiece(card, 'inch', { key: 'flag', name: 'Flag', ...place, glue })
    const made = whole(card)
    const zone = (part: string) => {
      const { x, y, width, height } = made.joints.find(joint => joint.part === part)!.glue
      return [x, y, width, height].map(({ value }) => value)
    }
    expect(zone('base--middle--inside--layer-1')).toEqual([1 / 2, 1, 3 - 3 / 4, 1].map(inches))
    // The door is 2 1/8 wide: only 1 1/8 of the flag lies on it, and the first half inch of that stays free.
    expect(zone('free--flag')).toEqual([1 / 2, 1, 1.125 - 0.5, 1].map(inches))
    expect(made.steps.slice(0, 2).map(({ text }) => text)).toEqual([
      'Stamp “Layer on Middle, inside”.', 'Die cut “Layer on Middle, inside”.',
    ])
  })

  it('is missed where it keeps off all of a piece', () => {
    const card = cardOf('gatefold', { faces: [face('base--middle--inside', { glue: { ...glue, left: '9 in' } })] })
    const parameter = 'faces/base--middle--inside/layers/layer-1/glue/left'
    expect(whole(card).findings).toContainEqual(expect.objectContaining({ parameter, severity: 'warn' }))
    const loose = cardOf('gatefold', {
      faces: [face('base--middle--inside', { hold: 'loose', glue: { ...glue, left: '9 in' } })],
    })
    expect(whole(loose).findings).toEqual([])
  })
})

describe('what can be written on', () => {
  const message = (fold: string, own: Partial<CardEntry>) => {
    const { message } = whole(cardOf(fold, own))
    return message && [message.where, message.width.value / inches(1), message.height.value / inches(1)]
  }

  it('may be a face itself, less what is glued on it', () => {
    const bare = { ...face('base--c--inside'), message: true }
    expect(message('z-fold', { faces: [bare], parameters: { plate: false } })).toEqual([
      'back panel c, inside', 4.25, 5.5,
    ])
    const card = cardOf('z-fold', { faces: [bare], parameters: { plate: false } })
    addFreePiece(card, 'inch', {
      face: 'base--c--inside', left: '0 in', bottom: '4 in', width: '4 1/4 in', height: '1 in',
    })
    expect(whole(card).message!.height.value).toBe(inches(4))
  })

  it('is only what is seen of it on display', () => {
    // Behind the open shutters and their panel most of the middle is hidden.
    const behind = message('gatefold-shutter', { faces: [face('base--middle--inside', { message: true })] })!
    expect(Number(behind[1]) * Number(behind[2])).toBeLessThan(4 * 5.25 - 2)
    const open = message('gatefold', { faces: [face('base--middle--inside', { message: true })] })!
    expect(open.slice(1)).toEqual([4, 5.25])
  })
})

describe('a dressing on the move', () => {
  it('goes to another card with its papers, where that is cut from others', () => {
    const from = face('base--c--inside', { left: '1/4 in' })
    const to = cardOf('z-fold', { papers: { 'mat-c': 'fog' } })
    copyDressing(to, from, ['base--c--inside'], { 'layer-1': 'rust' })
    expect(to.faces).toMatchObject([{ key: 'base--c--inside', layers: [{ left: '1/4 in' }] }])
    expect(to.papers['base--c--inside--layer-1']).toBe('rust')
  })

  it('grows with the card where it has a size of its own, and leaves borders alone', () => {
    const card = cardOf('z-fold', {
      faces: [face('base--c--inside', { width: '3 in', height: '2 in' }, { left: '1/4 in' })],
    })
    addFreePiece(card, 'inch', { face: 'base--c--inside', left: '-1/4 in', bottom: '1 in' })
    resizeDressing(card, 0.5, 'inch', mark)
    expect(card.free).toMatchObject([
      { width: '1 in', height: '1 in', left: '-1/8 in', bottom: '1/2 in', ring: NOTHING },
    ])
    expect(card.faces[0]!.layers).toMatchObject([
      { width: '1 1/2 in', height: '1 in' }, { left: '1/4 in', width: NOTHING },
    ])
  })

  it('is pulled along its own face, whichever side that is', () => {
    const card = cardOf('z-fold')
    const inside = addFreePiece(card, 'inch', { face: 'base--c--inside', left: '1 in', bottom: '1 in' })
    const outside = addFreePiece(card, 'inch', { face: 'base--c--outside', left: '1 in', bottom: '1 in' })
    for (const { key } of [inside, outside]) moveFreePiece(card, freePartKey(key), inches(1 / 4), inches(1 / 2), 'inch')
    expect(card.free.map(({ left, bottom }) => [left, bottom])).toEqual([
      ['1 1/4 in', '1 1/2 in'], ['1 1/4 in', '1 1/2 in'],
    ])
  })
})

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('every face of a card: %s', (id) => {
  const card = cardOf(id)
  const natural = whole(card)
  const faces = facesOf(natural)

  it('has a name and a key of its own', () => {
    expect(new Set(faces.map(({ key }) => key)).size).toBe(faces.length)
    expect(faces.length).toBeGreaterThan(1)
    for (const { key } of faces) expect(key).toMatch(/^[a-z0-9][a-z0-9-]{0,79}$/)
  })

  it('can be bare, and can carry three layers, whatever the design puts there', () => {
    const bare = whole({ ...card, faces: faces.map(({ key }) => face(key)) })
    for (const { panel, side } of facesOf(bare)) expect(layersOn(bare, panel, side)).toEqual([])
    const full = whole({ ...card, faces: faces.map(({ key }) => face(key, {}, {}, {})) })
    expect(full.parts.length).toBe(bare.parts.length + 3 * faces.length)
    for (const { panel, side } of facesOf(full)) expect(layersOn(full, panel, side)).toHaveLength(3)
    // Everything glued on still has its place when the card is closed and when it is open.
    for (const opening of [0, 1]) expect(poseOf(full, opening).size).toBeGreaterThanOrEqual(poseOf(bare, opening).size)
  })

  it('is taken as it is for a start: the same pieces come of it', () => {
    const same: CardEntry = structuredClone(card)
    for (const { key } of faces) {
      const before = dressingOf(same, natural, key, 'inch', mark)!
      // A face with several layers side by side is no stack; the maker dresses it anew.
      if (before.layers.length === layersOn(natural, ...at(natural, key)).length) dressFaceAs(same, natural, before)
    }
    expect(sizes(same).sort()).toEqual(sizes(card).sort())
  })
})
