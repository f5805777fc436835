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
    expect(sizes(build('gatefold-shutter'))).toMatchObject({
      'left-shutter': [3.5, 3], 'panel': [2.5, 6.5], 'base': [8.5, 5.5],
    })
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
    expect(fixes(build('gatefold-shutter', { windowShape: 'rectangle', window: '1 3/4 in' }))).toContainEqual([
      'window', 1.5625,
    ])
    expect(fixes(build('gatefold-shutter', { windowShape: 'rectangle' }))).toEqual([])
    // A square as wide as the diamond covers it twice over; a small one lies inside.
    expect([
      coveredShare('rectangle', 1, 1, 1), coveredShare('rectangle', 0.5, 1, 1), coveredShare('circle', 1, 1, 1),
    ]).toEqual([50, 0, 36])
  })
})

describe('Pull-tab flap of a maker’s own', () => {
  it('pulls out at the head: all of it turned about', () => {
    const [foot, head] = [build('pull-tab-flap'), build('pull-tab-flap', { pulled: 'head' })]
    expect(sizes(head)).toEqual(sizes(foot))
    expect(stops(head)).toEqual([])
    const rounded = (value: number) => Math.round(value * 1e4) + 0
    for (const opening of [0, 0.4, 1]) {
      for (const [part, panel] of [['tag', 'tag'], ['face', 'lower'], ['face', 'upper'], ['face', 'joint']] as const) {
        const [low, high] = [cornersAt(foot, part, panel, opening), cornersAt(head, part, panel, opening)]
        expect([5.5 - highest(high, 1), 5.5 - lowest(high, 1), highest(high, 2)].map(rounded))
          .toEqual([lowest(low, 1), highest(low, 1), highest(low, 2)].map(rounded))
      }
    }
    // The notch is at the head of face and base.
    for (const part of ['face', 'base'])
      expect(partOf(head, part).outline!.some(([x, y]) => Math.abs(inInches(y) - 5.125) < 0.01 && x > 0)).toBe(true)
  })

  it('has a finger notch as wide as it runs into nothing', () => {
    const noted = (fold: string, notch: string, more = {}) =>
      stops(build(fold, { notch, ...more })).filter(({ fix }) => fix?.parameter === 'notch')
    // Beside it 1/8 for the tape and 1/2 of paper: 2 − 5/8 of half the face, where the hinge is far enough from the
    // mouth.
    expect(noted('pull-tab-flap', '1 1/4 in', { foot: '1 3/4 in' })).toEqual([])
    expect(noted('pull-tab-flap', '1 3/8 in', { foot: '1 3/4 in' })).toHaveLength(1)
    expect(fixes(build('pull-tab-flap', { notch: '1 1/2 in', foot: '2 in' }))).toContainEqual(['notch', 1.375])
    // 2 1/8 − 1/4 − 1/2; tracks that begin 7/8 from the mouth are 1.008 away, less 1/2.
    expect(noted('twin-slider', '1 3/8 in')).toEqual([])
    expect(fixes(build('twin-slider', { notch: '1 1/2 in' }))).toContainEqual(['notch', 1.375])
    expect(noted('twin-slider', '1/2 in', { track: '3 7/8 in', coverHeight: '4 3/4 in' })).toEqual([])
    expect(noted('twin-slider', '5/8 in', { track: '3 7/8 in', coverHeight: '4 3/4 in' })).toHaveLength(1)
  })

  it('has a longer tag and sleeve where they are wanted, and says how short they may be', () => {
    const card = build('pull-tab-flap', { tagLength: '5 1/4 in', sleeveLength: '7 in', pulled: 'head' })
    expect([sizes(card).tag, sizes(card).sleeve]).toEqual([[3, 5.25], [7, 1.5]])
    // Longer by 1/2 than from the head to the joint tab at 4 3/4: it still ends at the head.
    expect(highest(cornersAt(card, 'tag', 'tag', 0), 1)).toBeCloseTo(5.5, 6)
    expect(fixes(build('pull-tab-flap', { tagLength: '4 in' }))).toContainEqual(['tagLength', 4.75])
    expect(fixes(build('pull-tab-flap', { sleeveLength: '5 in' }))).toContainEqual(['sleeveLength', 6.5])
  })

  it('is notched through the leaf below it, also of a folded base', () => {
    const mouth = (base: string) => (partOf(build('pull-tab-flap', { base }), 'base').outline ?? [])
      .map(([x, y]) => [inInches(x), inInches(y)] as const).filter(([, y]) => y > 0.2 && y < 0.5).map(([x]) => x)
    // In the middle of the front leaf: of one leaf, of the right one, of the lower one.
    const middles = (['leaf', 'side', 'top'] as const).map(
      base => (Math.min(...mouth(base)) + Math.max(...mouth(base))) / 2,
    )
    expect(middles.map(middle => Number(middle.toFixed(4)))).toEqual([2.125, 4.25 + 2.125, 2.125])
    // At the head of a base folded there is no edge.
    expect(partOf(build('pull-tab-flap', { base: 'top', pulled: 'head' }), 'base').outline).toBeUndefined()
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
    expect(partOf(build('twin-slider'), 'base').windows.map(({ height }) => inInches(height.value))).toEqual([
      2.25, 2.25,
    ])
  })

  it('hides the front leaf when closed and keeps the back leaf inside when pulled', () => {
    const card = build('twin-slider')
    expect(highest(cornersAt(card, 'front-leaf', 'face', 0), 1)).toBeLessThanOrEqual(
      highest(cornersAt(card, 'cover', 'face', 0), 1),
    )
    expect(highest(cornersAt(card, 'front-leaf', 'face', 1), 1)).toBeGreaterThan(
      highest(cornersAt(card, 'cover', 'face', 1), 1) + 0.75,
    )
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
  it('has three strips, each with its own height and place', () => {
    const own = {
      stage: true, barFoot: '1/4 in', stripHeight: '1 in', stripFoot: '1/2 in', stageHeight: '1/2 in',
      stageFoot: '2 1/2 in',
    }
    const card = build('rising-scene', own)
    expect(stops(card)).toEqual([])
    expect([sizes(card)['crossbar-front'], sizes(card).stage]).toEqual([[4.25, 1], [4.25, 0.5]])
    const feet = ['crossbar', 'crossbar-front', 'stage'].map(part =>
      Number(lowest(cornersAt(card, part, 'face', 1), 1).toFixed(4)),
    )
    expect(feet).toEqual([0.25, 0.5, 2.5])
    // The crossbar ends at 2 3/4: the stage strip is glued on its lower quarter only.
    const { glue } = card.joints.find(({ part }) => part === 'stage')!
    expect([glue.y, glue.height].map(({ value }) => inInches(value))).toEqual([0, 0.25])
    expect(fixes(build('rising-scene', { stage: true, stageFoot: '3 in' }))).toContainEqual(['stageFoot', 2.25])
  })

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
    // The crossbar reaches 2 1/2 up. A stage strip from 1 to 2 3/4 covers it where a window down to 1 1/4 shows it, one
    // up to 2 does not.
    const deep = { window: true, windowSize: '3 1/4 in', stage: true, stageFoot: '1 in' }
    const tooDeep = (own: object) =>
      stops(build('rising-scene', { ...deep, ...own })).filter(({ fix }) => fix?.parameter === 'windowSize').length
    expect([tooDeep({ stageHeight: '1 3/4 in' }), tooDeep({ stageHeight: '1 in' })]).toEqual([0, 1])
    // One that begins above the foot of the window leaves the crossbar to be seen below it.
    expect(tooDeep({ stageFoot: '1 1/2 in', stageHeight: '1 1/2 in' })).toBe(1)
    // Of its own: 1/2 from the left of the front, 1 1/2 below the fold; the mat lies on the back of that drawing.
    const own = { windowPlaced: true, windowLeft: '1/2 in', windowBelow: '1 1/2 in', windowSize: '1 in' }
    const placed = build('rising-scene', { window: true, ...own })
    const places = placed.parts.flatMap(({ windows }) =>
      windows.map(({ x, y }) => [inInches(x.value), inInches(y.value)]),
    )
    expect(places).toEqual([[0.5, 7], [4.25 - 0.5 - 1 - 0.125, 1.375]])
    expect(stops(placed)).toEqual([])
    expect(fixes(build('rising-scene', { window: true, windowPlaced: true, windowBelow: '1/2 in' }))).toContainEqual([
      'windowBelow', 1,
    ])
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
