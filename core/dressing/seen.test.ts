import { describe, expect, it } from 'vitest'
import type { CardEntry, FreeEntry } from '../document'
import { NO_DRESSING } from '../document'
import { FOLDS, foldById } from '../folds'
import { inches } from '../lengths'
import type { Repairable, SeenFace } from '.'
import {
  addFreePiece, areaOfAll, faceToFace, lyingFindings, maskedFaces, neverSeen, newLayer, seenFaces, wholeCard,
  windowsClear,
} from '.'

const MARK = inches(1 / 16)
const whole = (fold: string, card: Partial<Repairable> = {}) =>
  wholeCard(foldById(fold)!, { parameters: {}, ...NO_DRESSING, ...card }, 'inch', MARK)
/** Square inches of what is seen of a face. */
const inSquare = (polygons: SeenFace['open']) => areaOfAll(polygons) / 25_400 ** 2
const seen = (fold: string, part: string, panel: string, card: Partial<Repairable> = {}, side = 'inside') =>
  seenFaces(whole(fold, card)).find(face => face.part.key === part && face.panel.key === panel && face.side === side)!
function withPiece(own: Partial<FreeEntry>): Partial<Repairable> {
  const card = { free: [] as FreeEntry[] }
  addFreePiece(card as unknown as CardEntry, 'inch', own)
  return card
}

describe('what is seen of a face', () => {
  it('is all of it less what lies on it', () => {
    // 4 1/4 × 5 1/2 with a mat of 4 × 5 1/4 on it, which carries nothing.
    const front = seen('plain-card', 'base', 'front', {}, 'outside')
    expect(inSquare(front.open)).toBeCloseTo(4.25 * 5.5 - 4 * 5.25, 3)
    expect(inSquare(front.closed)).toBeCloseTo(4.25 * 5.5 - 4 * 5.25, 3)
    expect(inSquare(seen('plain-card', 'mat-front', 'face').open)).toBeCloseTo(21, 3)
    // Closed, nothing of the inside shows.
    expect(inSquare(seen('plain-card', 'base', 'back').closed)).toBeCloseTo(0, 2)
    expect(inSquare(seen('plain-card', 'base', 'back', {}, 'outside').closed)).toBeCloseTo(4.25 * 5.5, 3)
  })

  it('leaves out what a pocket hides', () => {
    // The insert is 3 3/4 wide, its layer 3 1/2 from 3/8 on; the slit lies at 2: 1 5/8 by 4 3/4 of it shows.
    expect(inSquare(seen('split-front-pocket', 'message', 'face').open)).toBeCloseTo((2 - 0.375) * 4.75, 2)
  })

  it('is seen through a window and not beside it', () => {
    const scene = seen('floating-window', 'mat-front', 'face')
    // Between the two glue strips the frame covers the background but for the window.
    expect(inSquare(scene.closed)).toBeLessThan(Math.PI * 0.875 ** 2 + 0.2)
    expect(inSquare(scene.closed)).toBeGreaterThan(2)
  })

  it('says where glue goes', () => {
    expect(inSquare(seen('z-fold', 'plate', 'face', {}, 'outside').glued)).toBeCloseTo((2.125 - 0.5) * 3.5, 3)
    const all = maskedFaces(whole('z-fold'))
    expect(all.some(({ part, side }) => part.key === 'mat-a' && side === 'outside')).toBe(false)
  })
})

describe('pieces of which nothing is seen', () => {
  it('are named, so that any scrap will do', () => {
    const border = { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }
    const layers = [1, 2].map(at => ({ ...newLayer(`layer-${at}`, 'inch'), ...border }))
    const card = whole('plain-card', {
      faces: [{ key: 'base--front--outside', works: [], message: false, layers }],
    })
    expect(neverSeen(card).map(({ key }) => key)).toEqual(['base--front--outside--layer-1'])
    expect(lyingFindings(card, 'inch')).toMatchObject([
      { severity: 'note', problem: expect.stringContaining('any scrap') },
    ])
  })
})

describe('openings', () => {
  it('are covered by shutters while the card is closed and clear on display, but for what stays of them', () => {
    const [window] = windowsClear(whole('gatefold-shutter'))
    expect(window!.closed).toBeLessThan(0.1)
    expect(window!.open).toBeGreaterThan(0.6)
  })

  it('are not spoken of where nothing slides past them', () => {
    expect(windowsClear(whole('plain-card'))).toEqual([])
    for (const id of FOLDS.map(fold => fold.id)) for (const { open, closed } of windowsClear(whole(id))) {
      expect(Math.min(open, closed)).toBeGreaterThanOrEqual(0)
      expect(Math.max(open, closed)).toBeLessThanOrEqual(1.0001)
    }
  })
})

describe('pieces that lie face to face', () => {
  it('are those that meet when the card is closed, with nothing between them', () => {
    const both = (...keys: string[]) =>
      ({ faces: keys.map(key => ({ key, works: [], message: false, layers: [newLayer('layer-1', 'inch')] })) })
    const names = (id: string, dressing = {}) =>
      faceToFace(whole(id, dressing)).map(pair =>
        pair
          .map(({ key }) => key)
          .sort()
          .join(' + '),
      )
    expect(names('plain-card', both('base--front--inside', 'base--back--inside'))).toEqual([
      'base--back--inside--layer-1 + base--front--inside--layer-1',
    ])
    expect(names('plain-card', both('base--front--outside', 'base--back--inside'))).toEqual([])
  })
})

describe('figures that are to hide', () => {
  const scene = (own: Partial<FreeEntry>) =>
    lyingFindings(whole('rising-scene', {
      ...withPiece({ face: 'slider--body--inside', hold: 'tape', ...own }),
      parameters: { window: true, peek: false },
      faces: [{ key: 'slider--body--inside', works: [], message: false, layers: [] }],
    }), 'inch').filter(({ part }) => part === 'free--piece')

  it('are asked about only where their outline reaches into the window', () => {
    const place = { left: '0 in', bottom: '1 in', width: '2 3/4 in', height: '3 in' }
    expect(scene(place)).toMatchObject([
      { severity: 'warn', problem: expect.stringContaining('shows while the card is closed') },
    ])
    // As wide and as high, but with its middle cut away down to its foot.
    const outline = 'M 0 0 L 30 0 L 30 95 L 245 95 L 245 0 L 275 0 L 275 100 L 0 100 Z'
    expect(scene({ ...place, shape: 'outline', outline })).toEqual([])
    expect(scene({ ...place, bottom: '0 in', height: '1 in' })).toEqual([])
  })
})

describe('how things lie on a card', () => {
  it.each(FOLDS.map(fold => [fold.id]))('is right on %s as it is in the catalogue', (id) => {
    expect(lyingFindings(whole(id), 'inch').map(({ subject, problem }) => `${subject} ${problem}`)).toEqual([])
  })

  it('asks about what is raised where a shutter passes, and not about what is flat or beside it', () => {
    const place = { face: 'base--middle--inside', left: '1/2 in', bottom: '2 in', width: '3 in', height: '1 in' }
    const about = (own: Partial<FreeEntry>) =>
      lyingFindings(whole('gatefold-shutter', withPiece({ ...place, ...own })), 'inch').map(({ subject }) => subject)
    expect(about({})).toEqual(['Topper 1'])
    expect(about({ hold: 'tape' })).toEqual([])
    expect(about({ bottom: '1/4 in', height: '1/2 in' })).toEqual([])
  })

  it('asks about glue over an opening', () => {
    const card = withPiece({
      face: 'panel--front--outside', left: '0 in', bottom: '2 in', width: '2 1/2 in', height: '1 in', hold: 'tape',
    })
    const found = lyingFindings(whole('gatefold-shutter', card), 'inch')
    expect(found).toMatchObject([{ subject: 'Topper 1', problem: expect.stringContaining('over an opening') }])
  })
})
