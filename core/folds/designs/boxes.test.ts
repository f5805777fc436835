import { describe, expect, it } from 'vitest'
import { sizeAt, thicknessMap } from '..'
import { build, cornersAt, creases, fixes, highest, inInches, lowest, partOf, sizes, stops } from '../testing'
import { millimetres } from '../../lengths'
import { cornerFloor } from './corner-floor'
import { squash } from './squash'

describe('Box frame', () => {
  it('is scored at face, depth, face, depth from every edge', () => {
    // Face 3/4, depth 1/2: 3/4, 1 1/4, 2, 2 1/2 from each edge of a 12 in sheet.
    const across = [
      ...new Set(
        creases(build('box-frame'), 'sheet')
          .filter((_, index) => partOf(build('box-frame'), 'sheet').creases[index]!.along === 'x')
          .map(([at]) => at),
      ),
    ].sort((a, b) => Number(a) - Number(b))
    expect(across).toEqual([0.75, 1.25, 2, 2.5, 9.5, 10, 10.75, 11.25])
    // Outer frame 12 − 5 = 7, opening 5 1/2, picture 1/32 less and down to the mark.
    expect(sizes(build('box-frame'))).toMatchObject({ sheet: [12, 12], picture: [5.4375, 5.4375], stand: [7, 14] })
  })

  it('rolls every edge to a tube whose last strip lies on the centre', () => {
    const card = build('box-frame')
    for (const arm of ['lower', 'right', 'upper', 'left']) {
      expect(highest(cornersAt(card, 'sheet', `${arm}-face`, 1), 2)).toBeCloseTo(0.5, 6)
      expect(highest(cornersAt(card, 'sheet', `${arm}-foot`, 1), 2)).toBeCloseTo(0, 6)
    }
    expect(inInches(sizeAt(card, 0).depth)).toBeCloseTo(0.5, 6)
  })

  it('is mitred: the faces of two neighbours meet and do not overlap', () => {
    const card = build('box-frame')
    // Measured from the corner of the outer frame: the mitre runs from there to the corner of the opening.
    const left = cornersAt(card, 'sheet', 'left-face', 0).map(([x, y]) => [
      Math.round(x! * 1e6) / 1e6 + 0,
      Math.round(y! * 1e6) / 1e6 + 0,
    ])
    expect(left).toContainEqual([0, 0])
    expect(left).toContainEqual([0.75, 0.75])
    expect(fixes(build('box-frame', { sheet: '7 in' }))).toContainEqual(['sheet', 7.5])
  })
})

describe('Corner stage', () => {
  it('has a floor whose diagonal rises by arccos(cos 45° / cos ψ/2)', () => {
    expect(cornerFloor(0)).toEqual({ foot: 180, diagonal: 180 })
    expect(cornerFloor(1)).toEqual({ foot: 90, diagonal: 0 })
    // Walls at 60 degrees: cos ε = 0.7071 / cos 30° = 0.8165, ε = 35.26 degrees.
    const card = build('corner-stage')
    const floor = cornersAt(card, 'sheet', 'left-floor', 60 / 90)
    const rise = (Math.asin((highest(floor, 1) - lowest(floor, 1)) / (4.25 * Math.SQRT2)) * 180) / Math.PI
    expect(rise).toBeCloseTo(35.264, 2)
  })

  it('lays its halves on each other, and folds flat between the walls', () => {
    const card = build('corner-stage')
    expect(sizes(card)).toMatchObject({ sheet: [8.5, 9.75] })
    expect(sizeAt(card, 0)).toMatchObject({ width: 4.25 * 25_400_000, depth: 0 })
    expect(stops(build('corner-stage', { side: '6 in' }))).toMatchObject([{ parameter: 'side', fix: { value: 5.5 * 25_400_000 } }])
  })
})

describe('Squash-fold insert', () => {
  it('is folded flat when closed and spread flat when open', () => {
    expect(squash(0)).toEqual({ diagonal: 180, middle: 180, flank: 180 })
    expect(squash(1)).toEqual({ diagonal: 0, middle: 0, flank: 0 })
    const { diagonal, middle } = squash(0.5)
    expect(diagonal).toBeGreaterThan(90)
    expect(middle).toBeLessThan(180)
  })

  it('closes to a house within half its side and opens to its whole side', () => {
    const card = build('squash-fold')
    const closed = ['lower', 'upper', 'left-low', 'right-high', 'left-low-tuck', 'right-high-tuck-side'].flatMap(key =>
      cornersAt(card, 'insert', key, 0),
    )
    expect(
      [highest(closed, 0) - lowest(closed, 0), highest(closed, 1) - lowest(closed, 1)].map(side => Math.round(side * 1000) / 1000),
    ).toEqual([3.75, 3.75])
    const open = ['left-low', 'right-low'].flatMap(key => cornersAt(card, 'insert', key, 1))
    expect(highest(open, 0) - lowest(open, 0)).toBeCloseTo(7.5, 6)
  })

  it('shows what stays visible for stamping', () => {
    expect(build('squash-fold').stamping).toMatchObject([{ width: { value: 7.5 * 25_400_000 }, height: { value: 3.75 * 25_400_000 } }])
  })
})

describe('around the card', () => {
  it('is as much larger than the card as ease and thickness ask', () => {
    // 5 1/2 + 2 × 1/8 + 1/16, and side flaps of 5/8.
    expect(sizes(build('side-seam-envelope'))).toEqual({ envelope: [7.0625, 4.5625 + 4.4375 + 2] })
    // Corner to corner: width and height together, and the overlap.
    expect(sizes(build('diagonal-envelope'))).toEqual({ envelope: [5.8125 + 4.5625 + 0.5, 5.8125 + 4.5625 + 0.5] })
    expect(sizes(build('box-envelope'))).toMatchObject({ tray: [7.25, 6], lid: [7.375, 6.125] })
  })

  it('closes over itself: every flap lies on the back', () => {
    const thick = thicknessMap(build('side-seam-envelope'), () => millimetres(0.2), millimetres(1))!
    expect(thick.most.layers.length).toBe(4)
  })

  it('offers a holder for a gift card', () => {
    expect(stops(build('gift-card-holder', { width: '3 1/2 in' }))).toMatchObject([
      { parameter: 'width', fix: { value: 3.875 * 25_400_000 } },
    ])
  })
})
