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

describe('Box frame of a maker’s own', () => {
  it('is oblong: every edge is rolled alike, and picture, panel and stand follow', () => {
    const card = build('box-frame', { oblong: true, sheetHeight: '10 in', panel: true })
    // Outer frame 7 × 5, opening 5 1/2 × 3 1/2.
    expect(sizes(card)).toMatchObject({
      sheet: [12, 10], picture: [5.4375, 3.4375], backing: [6.75, 4.75], stand: [6, 10],
    })
    expect([inInches(card.finished.width.value), inInches(card.finished.height.value), stops(card)]).toEqual([7, 5, []])
    for (const arm of ['lower', 'right', 'upper', 'left']) {
      expect(highest(cornersAt(card, 'sheet', `${arm}-face`, 1), 2)).toBeCloseTo(0.5, 6)
      expect(highest(cornersAt(card, 'sheet', `${arm}-foot`, 1), 2)).toBeCloseTo(0, 6)
    }
    expect(fixes(build('box-frame', { oblong: true, sheetHeight: '7 in' }))).toContainEqual(['sheetHeight', 7.5])
  })

  it('has a stand and a print panel of their own size, the foot of the stand where that of the frame is', () => {
    const card = build('box-frame', {
      panel: true, panelWidth: '6 in', panelHeight: '6 1/2 in', standWidth: '4 in', standHeight: '5 in',
    })
    expect(sizes(card)).toMatchObject({ backing: [6, 6.5], stand: [4, 10] })
    expect(stops(card)).toEqual([])
    const [frame, leaf] = [cornersAt(card, 'sheet', 'centre', 0), cornersAt(card, 'stand', 'glued', 0)]
    expect(lowest(leaf, 1)).toBeCloseTo(lowest(frame, 1), 6)
    expect(highest(leaf, 1) - lowest(leaf, 1)).toBeCloseTo(5, 6)
    const joint = card.joints.find(({ part }) => part === 'stand')!
    // The panel begins 1/4 above the foot; the stand is glued from its fold down to there.
    expect([joint.glue.y, joint.glue.height].map(({ value }) => inInches(value))).toEqual([5, 4.75])
    expect(fixes(build('box-frame', { standHeight: '8 in' }))).toContainEqual(['standHeight', 7])
  })
})

describe('Corner stage', () => {
  it('carries an easel of any size and shape', () => {
    const easel = (changes: Record<string, string>) => {
      const card = build('corner-stage', { easel: true, ...changes })
      return { size: sizes(card).easel, part: partOf(card, 'easel'), fixes: fixes(card) }
    }
    expect(easel({ easelWidth: '2 in', easelHeight: '3 in' }).size).toEqual([2, 4])
    const arch = easel({ easelShape: 'arch', easelWidth: '2 in', easelArch: '3 in' })
    expect([arch.size, Math.max(...arch.part.outline!.map(([, y]) => inInches(y)))]).toEqual([[2, 4], 4])
    // Where its head is as wide as the whole: an inch below the top.
    expect(
      arch.part.outline!.filter(([, y]) => inInches(y) > 3.9).every(([x]) => Math.abs(inInches(x) - 1) < 0.5),
    ).toBe(true)
    const disc = easel({ easelShape: 'circle', easelWidth: '2 in' })
    // Nine tenths of its height, down to the mark; it meets its foot, 1 deep, in a crease as wide as the chord there: 2
    // × √(1 − 0.75²).
    expect(disc.size).toEqual([2, 2.75])
    const chord = disc.part
      .outline!.map(([x, y]) => [inInches(x), inInches(y)] as const)
      .filter(([x, y]) => y === 1 && x > 0 && x < 2)
    expect(chord.map(([x]) => Number(x.toFixed(3)))).toEqual([1.661, 0.339])
    expect(easel({ easelWidth: '5 in' }).fixes).toContainEqual(['easelWidth', 4.25])
    expect(easel({ easelHeight: '6 in', easelFoot: '2 in' }).fixes).toContainEqual(['easelHeight', 5.5])
  })

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
    expect(stops(build('corner-stage', { side: '6 in' }))).toMatchObject([
      { parameter: 'side', fix: { value: 5.5 * 25_400_000 } },
    ])
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
      [highest(closed, 0) - lowest(closed, 0), highest(closed, 1) - lowest(closed, 1)].map(
        side => Math.round(side * 1000) / 1000,
      ),
    ).toEqual([3.75, 3.75])
    const open = ['left-low', 'right-low'].flatMap(key => cornersAt(card, 'insert', key, 1))
    expect(highest(open, 0) - lowest(open, 0)).toBeCloseTo(7.5, 6)
  })

  it('shows what stays visible for stamping', () => {
    expect(build('squash-fold').stamping).toMatchObject([
      { width: { value: 7.5 * 25_400_000 }, height: { value: 3.75 * 25_400_000 } },
    ])
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
