import { describe, expect, it } from 'vitest'
import { inches } from '../../lengths'
import { build, cornersAt, creases, fixes, highest, inInches, lowest, partOf, sizes, stops } from '../testing'
import { coveredShare } from './gatefold-shutter'
import { riding } from './riding'

describe('a blade that rides on the ground', () => {
  it('lies flat at both ends of the swing and tilts by the arcsine in between', () => {
    const fold = riding(1, 4, opening => 180 * (1 - opening))
    expect([fold(0), fold(1)]).toEqual([180, 0])
    expect(fold(0.5)).toBeCloseTo(90 - (Math.asin(1 / 4) * 180) / Math.PI, 9)
  })
})

describe('Gatefold with shutter', () => {
  it('has shutters that reach half the panel and the travel, and a tab', () => {
    // Travel 4 1/4 − 2 1/2 = 1 3/4; reach 1 1/4 + 1 3/4 = 3.
    expect(sizes(build('gatefold-shutter'))).toMatchObject({ 'left-shutter': [3.5, 3], 'panel': [2.5, 6.5], 'base': [8.5, 5.5] })
    expect(build('gatefold-shutter').travels.map(({ distance }) => inInches(distance.value))).toEqual([1.75, 1.75])
    expect(creases(build('gatefold-shutter'), 'right-shutter')).toEqual([[3, 'valley']])
  })

  it('brings the points of the notches together when it is closed, and apart by twice the travel', () => {
    const card = build('gatefold-shutter')
    // The notch’s point lies at mid-height, 2 3/4 above the foot: the middle of the card is 2 1/8 from its side.
    const tip = (key: string, opening: number) =>
      cornersAt(card, key, 'blade', opening).filter(([, y]) => Math.abs(y! - 2.75) < 1e-6)[0]![0]!
    expect(tip('left-shutter', 0)).toBeCloseTo(tip('right-shutter', 0), 6)
    expect(tip('right-shutter', 1) - tip('left-shutter', 1)).toBeCloseTo(3.5, 6)
  })

  it('warns of a window with corners under the open shutters', () => {
    // A square of side w fits the diamond when w/2 · (1/1.75 + 1/1.5) ≤ 1: 1 5/8 − a hair, down to the mark 1 9/16.
    expect(fixes(build('gatefold-shutter', { windowShape: 'rectangle', window: '1 3/4 in' }))).toContainEqual(['window', 1.5625])
    expect(fixes(build('gatefold-shutter', { windowShape: 'rectangle' }))).toEqual([])
    // A square as wide as the diamond covers it twice over; a small one lies inside.
    expect([coveredShare('rectangle', 1, 1, 1), coveredShare('rectangle', 0.5, 1, 1), coveredShare('circle', 1, 1, 1)]).toEqual([
      50, 0, 36,
    ])
  })
})

describe('Pull-tab flap', () => {
  it('bends like a knee: its middle rises by the root of the links', () => {
    const card = build('pull-tab-flap')
    for (const pulled of [0.25, 0.5, 0.9]) {
      const half = (2 * 1.25 - pulled * 2.5) / 2
      expect(highest(cornersAt(card, 'face', 'lower', pulled), 2)).toBeCloseTo(Math.sqrt(1.25 ** 2 - half ** 2), 6)
    }
  })

  it('pulls the tag by twice a link', () => {
    const card = build('pull-tab-flap')
    expect(lowest(cornersAt(card, 'tag', 'tag', 0), 1)).toBeCloseTo(0, 6)
    expect(lowest(cornersAt(card, 'tag', 'tag', 1), 1)).toBeCloseTo(-2.5, 6)
  })

  it('keeps the tag wider than the opening and clear of the tape', () => {
    // Flap 4 − 2 × 1 = 2; tag at least 2 1/2, at most 4 − 2 × 1/8 − 2 × 1/16 = 3 5/8.
    expect(fixes(build('pull-tab-flap', { tagWidth: '2 in' }))).toContainEqual(['tagWidth', 2.5])
    expect(fixes(build('pull-tab-flap', { tagWidth: '4 in' }))).toContainEqual(['tagWidth', 3.625])
  })
})

describe('Twin slider', () => {
  it('travels the track less its pad, both leaves alike', () => {
    expect(build('twin-slider').travels.map(({ name, distance }) => [name, inInches(distance.value)])).toEqual([
      ['Back leaf', 2],
      ['Front leaf', 2],
    ])
    expect(partOf(build('twin-slider'), 'base').windows.map(({ height }) => inInches(height.value))).toEqual([2.25, 2.25])
  })

  it('hides the front leaf when closed and keeps the back leaf inside when pulled', () => {
    const card = build('twin-slider')
    expect(highest(cornersAt(card, 'front-leaf', 'face', 0), 1)).toBeLessThanOrEqual(highest(cornersAt(card, 'cover', 'face', 0), 1))
    expect(highest(cornersAt(card, 'front-leaf', 'face', 1), 1)).toBeGreaterThan(highest(cornersAt(card, 'cover', 'face', 1), 1) + 0.75)
    // Travel 2 and 3/4 that stays inside.
    expect(fixes(build('twin-slider', { backHeight: '2 1/4 in' }))).toContainEqual(['backHeight', 2.75])
  })

  it('marks its runners as any scrap', () => {
    expect(
      build('twin-slider')
        .pieces.filter(({ kind }) => kind === 'hidden')
        .map(({ key }) => key),
    ).toEqual(['inner-runner', 'outer-runner'])
  })
})

describe('Rising scene', () => {
  it('lifts the slider by twice the distance of its crease from the fold', () => {
    const card = build('rising-scene')
    expect(highest(cornersAt(card, 'slider', 'body', 0), 1)).toBeCloseTo(4.5, 6)
    expect(highest(cornersAt(card, 'slider', 'body', 1), 1)).toBeCloseTo(6.5, 6)
  })

  it('rides on the back panel all the way', () => {
    for (const opening of [0.2, 0.5, 0.8])
      expect(lowest(cornersAt(build('rising-scene'), 'slider', 'body', opening), 2)).toBeCloseTo(0, 6)
  })

  it('hides the crossbar below the window, and asks about figures that look through it', () => {
    // 5 1/2 − 1 − 2 1/2 leaves 2 for the window.
    expect(fixes(build('rising-scene', { window: true, windowSize: '2 1/4 in' }))).toContainEqual(['windowSize', 2])
    // Whether they do is seen from their outline and their place.
    expect(build('rising-scene', { window: true, peek: false }).hiding.map(({ key }) => key)).toEqual(['body'])
    expect(build('rising-scene', { window: true }).hiding).toEqual([])
    expect(stops(build('rising-scene', { window: true }))).toEqual([])
    // Of its own: 1/2 from the left of the front, 1 1/2 below the fold; the mat lies on the back of that drawing.
    const own = { windowPlaced: true, windowLeft: '1/2 in', windowBelow: '1 1/2 in', windowSize: '1 in' }
    const placed = build('rising-scene', { window: true, ...own })
    const places = placed.parts.flatMap(({ windows }) => windows.map(({ x, y }) => [inInches(x.value), inInches(y.value)]))
    expect(places).toEqual([[0.5, 7], [4.25 - 0.5 - 1 - 0.125, 1.375]])
    expect(stops(placed)).toEqual([])
    expect(fixes(build('rising-scene', { window: true, windowPlaced: true, windowBelow: '1/2 in' }))).toContainEqual(['windowBelow', 1])
  })

  it('keeps the slider behind the crossbar and between the guides', () => {
    expect(partOf(build('rising-scene'), 'figures').height.value).toBe(inches(2.5))
    expect(build('rising-scene', { figures: false }).parts.some(({ key }) => key === 'figures')).toBe(false)
    expect(fixes(build('rising-scene', { bar: '2 in', guideHeight: '1 in' }))).toContainEqual(['bar', 2.5])
    expect(stops(build('rising-scene', { sliderWidth: '4 in' }))).toMatchObject([
      { parameter: 'sliderWidth', fix: { value: 3.125 * 25_400_000 } },
    ])
  })
})
