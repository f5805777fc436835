import { describe, expect, it } from 'vitest'
import { belongsTo, pileName } from './owners'
import type { Owner } from './owners'

const owner = (piece: string, quantity: number, card = 'Harbour'): Owner => ({ card, piece, quantity })

describe('a pile of equal pieces', () => {
  it('is called after its piece, and after its card where there are several', () => {
    expect(pileName([owner('Mat', 12)], true)).toBe('Mat')
    expect(pileName([owner('Mat', 12)], false)).toBe('Mat (Harbour)')
    expect(pileName([owner('Mat', 12), owner('Plate', 12)], true)).toBe('Mat, Plate')
    expect(pileName([owner('Mat', 12), owner('Mat', 8, 'Tides'), owner('Plate', 8, 'Tides')], false))
      .toBe('Mat (Harbour, Tides), Plate (Tides)')
  })

  it('names mirror twins once', () => {
    expect(pileName([owner('Left shutter', 20), owner('Right shutter', 20)], true)).toBe('Shutters (2 × 20)')
    expect(pileName([owner('Left shutter', 20), owner('Right shutter', 20)], false)).toBe('Shutters (2 × 20, Harbour)')
    expect(pileName([owner('Upper leaf', 4), owner('Lower leaf', 4)], true)).toBe('Leaves (2 × 4)')
    expect(pileName([owner('Left box', 4), owner('Right box', 4)], true)).toBe('Boxes (2 × 4)')
    expect(pileName([owner('Mat on left door', 4), owner('Mat on right door', 4)], true)).toBe(
      'Mats on both doors (2 × 4)',
    )
    // One of them alone, other numbers, and what is one part of a whole are no twins.
    expect(pileName([owner('Left door', 4)], true)).toBe('Left door')
    expect(pileName([owner('Left door', 4), owner('Right door', 3)], true)).toBe('Left door, Right door')
    expect(pileName([owner('Upper half of the front', 4), owner('Lower half of the front', 4)], true))
      .toBe('Upper half of the front, Lower half of the front')
  })

  it('says how many belong to whom, where that is a question', () => {
    expect(belongsTo([owner('Mat', 12)])).toBe('')
    expect(belongsTo([owner('Left shutter', 20), owner('Right shutter', 20)])).toBe('')
    expect(belongsTo([owner('Mat', 12), owner('Plate', 6)])).toBe('12 Mat, 6 Plate')
    expect(belongsTo([owner('Mat', 12), owner('Mat', 8, 'Tides'), owner('Plate', 8, 'Tides')])).toBe(
      '12 Harbour, 16 Tides',
    )
  })
})
