import { describe, expect, it } from 'vitest'
import { build, cornersAt, creases, fixes, highest, inInches, lowest, partOf, sizes, stops } from '../testing'

const slits = (id: string, part: string, changes: Parameters<typeof build>[1] = {}) =>
  partOf(build(id, changes), part).slits.map(({ from, to }) =>
    [from.x, from.y, to.x, to.y].map(({ value }) => inInches(value)),
  )

describe('Step pop-up of a maker’s own', () => {
  it('has no step but those that are written down, and says so where there are none', () => {
    const own = { middle: false, more: '3/4 x 1 at 1, 1/2 x 3/4 at 3 figure 1 x 1 1/2' }
    expect(slits('step-popup', 'inner', own).map(([x]) => x)).toEqual([1, 1.75, 3, 3.5])
    expect(stops(build('step-popup', own))).toEqual([])
    expect(build('step-popup', { middle: false }).findings).toContainEqual(
      expect.objectContaining({ subject: 'Steps', severity: 'warn' }),
    )
  })

  it('has a print on half of the inner sheet, cut through with the slits or left whole above the steps', () => {
    const through = build('step-popup', { print: 'cut' })
    // Half of the inner sheet is 5 1/4 × 4 1/8; a border of 1/8 all round.
    expect(sizes(through).print).toEqual([5, 3.875])
    expect(slits('step-popup', 'print', { print: 'cut' })).toContainEqual([2.125, 0, 2.125, 1.125])
    for (const opening of [0, 0.5, 1]) {
      const [step, over] = [
        cornersAt(through, 'inner', 'middle-top', opening), cornersAt(through, 'print', 'middle-top', opening),
      ]
      expect([lowest(over, 1), highest(over, 1) < highest(step, 1) + 0.001]).toEqual([
        expect.closeTo(lowest(step, 1), 3), true,
      ])
    }
    expect(stops(through)).toEqual([])
    // The deepest step reaches 1 1/4 up the back.
    expect(sizes(build('step-popup', { print: 'whole' })).print).toEqual([5, 2.625])
  })

  it('has an inner sheet with a border of its own at head and foot', () => {
    expect(sizes(build('step-popup', { borderHigh: '1/2 in' })).inner).toEqual([5.25, 7.5])
    expect(sizes(build('book-stage', { borderHigh: '1/2 in' })).inner).toEqual([8.25, 4.5])
  })
})

describe('Step pop-up', () => {
  it('has slits of the step’s depth to each side of the fold', () => {
    // Card 5 1/2 × 4 1/4 with a border of 1/8: half of the inner sheet 4 1/8, the step 3/4 wide in the middle of 5 1/4.
    expect(sizes(build('step-popup'))).toMatchObject({ 'inner': [5.25, 8.25], 'figure-middle': [0.75, 2.25] })
    expect(slits('step-popup', 'inner')).toContainEqual([2.25, 4.125 - 1.25, 2.25, 4.125 + 1.25])
    expect(creases(build('step-popup', { sides: false }), 'inner')).toEqual([
      [4.125, 'valley'],
      [4.125, 'valley'],
      [2.875, 'valley'],
      [4.125, 'mountain'],
      [5.375, 'valley'],
    ])
  })

  it('stands as far out as it is deep, and closes to twice that from the spine', () => {
    const card = build('step-popup')
    // The back panel stays; open at a right angle the front of the step stands its depth before it.
    expect(lowest(cornersAt(card, 'inner', 'middle-front', 1), 2)).toBeCloseTo(1.25, 6)
    expect(highest(cornersAt(card, 'inner', 'middle-front', 1), 2)).toBeCloseTo(1.25, 6)
    expect(highest(cornersAt(card, 'inner', 'middle-front', 0), 1)).toBeCloseTo(2.5, 6)
  })

  it('keeps depth and figure together inside the closed card', () => {
    // 4 1/8 − 1/16 clearance − 1 1/4 depth = 2 13/16.
    expect(fixes(build('step-popup', { figure: '3 in' }))).toContainEqual(['figure', 2.8125])
    expect(
      stops(build('step-popup', { depth: '2 1/2 in', figure: '1 in' })).map(({ parameter }) => parameter),
    ).toContain('depth')
    expect(stops(build('step-popup', { gap: '1/4 in' }))).toMatchObject([
      { parameter: 'gap', fix: { parameter: 'gap' } },
    ])
  })
})

describe('Book stage', () => {
  it('has mats on the ridge in one piece, folded with it', () => {
    const card = build('book-stage', { ridge: 'over' })
    // Links 4 1/8 − 2 1/2 less 1/8 at their outer ends; rails 3/4 less 1/8 on both sides.
    expect(sizes(card)['mat-lower']).toEqual([3, 0.5])
    expect(creases(card, 'mat-lower')).toEqual([[1.5, 'mountain']])
    for (const side of ['left', 'right'])
      expect(highest(cornersAt(card, 'mat-upper', side, 1), 2)).toBeCloseTo(
        highest(cornersAt(card, 'inner', `upper-${side}`, 1), 2), 3,
      )
    expect(build('book-stage', { ridge: 'none' }).parts.some(({ key }) => key.startsWith('mat-lower'))).toBe(false)
  })

  it('has rails and band that share the middle score in opposite directions', () => {
    // Inner sheet 2 × (4 1/4 − 1/8) = 8 1/4, its middle at 4 1/8.
    const middle = creases(build('book-stage'), 'inner').filter(([at]) => at === 4.125)
    expect(middle.map(([, direction]) => direction)).toEqual(['mountain', 'mountain', 'valley'])
    expect(slits('book-stage', 'inner')).toEqual([
      [1.25, 0.75, 7, 0.75],
      [1.25, 4.5, 7, 4.5],
    ])
  })

  it('reaches as far from the spine when closed as its formula says', () => {
    const card = build('book-stage')
    // Ridge 2 × (4 1/8 − 2 1/2); the spine is the right edge of the left cover.
    expect(lowest(cornersAt(card, 'inner', 'upper-left', 0), 0)).toBeCloseTo(4.25 - 2 * 1.625, 6)
    expect(lowest(cornersAt(card, 'inner', 'left-riser', 0), 0)).toBeCloseTo(4.25 - (4.125 - 1.25 + 0.75), 6)
  })

  it('offers the values that keep it inside', () => {
    expect(fixes(build('book-stage', { railFoot: '1 1/2 in' }))).toContainEqual(['railFoot', 2.0625])
    expect(fixes(build('book-stage', { riser: '1 1/2 in' }))).toContainEqual(['riser', 1.25])
  })
})

describe('Ledge stand', () => {
  it('lets one line carry both directions between the slits', () => {
    expect(sizes(build('ledge-stand'))).toMatchObject({ base: [9, 5.5], leaf: [5, 5.5] })
    expect(
      creases(build('ledge-stand'), 'base')
        .filter(([at]) => at === 4.5)
        .map(([, direction]) => direction),
    ).toEqual(['mountain', 'valley', 'mountain'])
    expect(build('ledge-stand').pieces[0]!.scores.filter(({ ends }) => ends)).toHaveLength(9)
  })

  it('stands forwards by the sine of its links, and its band as far back', () => {
    const card = build('ledge-stand')
    const reach = 2.25 * Math.sin((60 * Math.PI) / 180)
    expect(highest(cornersAt(card, 'base', 'upper-left', 1), 2)).toBeCloseTo(reach, 6)
    expect(lowest(cornersAt(card, 'base', 'band-left', 1), 2)).toBeCloseTo(-reach, 6)
  })
})

describe('a figure on the ledge', () => {
  it('may not reach past the ridge, and says by how much it does', () => {
    expect(stops(build('ledge-stand', { figure: true }))).toEqual([])
    expect(stops(build('ledge-stand', { figure: true, reach: '3/8 in' }))[0]!.problem).toContain(
      'is 3/8 in, but must be at most 0 in',
    )
  })
})

describe('Floating window', () => {
  it('has a blank of frame, two risers and two glue strips', () => {
    // Frame 4 1/4 − 2 × 5/8 = 3, risers 1/2.
    expect(sizes(build('floating-window'))).toMatchObject({ 'frame': [5.25, 5.5], 'mat-frame': [2.75, 5.25] })
    expect(creases(build('floating-window'), 'frame')).toEqual([
      [0.625, 'valley'],
      [1.125, 'mountain'],
      [4.125, 'mountain'],
      [4.625, 'valley'],
    ])
  })

  it('rises by its risers and presses flat inside the card', () => {
    const card = build('floating-window')
    expect(lowest(cornersAt(card, 'frame', 'frame', 1), 2)).toBeCloseTo(-0.5, 6)
    expect(highest(cornersAt(card, 'frame', 'frame', 0), 2)).toBeCloseTo(0, 6)
    expect(stops(build('floating-window', { depth: '3/4 in' }))).toMatchObject([
      { parameter: 'depth', fix: { value: 0.625 * 25_400_000 } },
    ])
  })

  it('says that springing risers lie flat, and keeps both drop-outs', () => {
    const card = build('floating-window', { style: 'springs' })
    expect(card.findings.map(({ problem }) => problem).join()).toContain('tension of the paper')
    expect(inInches(partOf(card, 'frame').width.value)).toBe(4.25 + 4 * 0.625)
    expect(partOf(card, 'mat-frame').windows[0]).toMatchObject({ shape: 'circle' })
  })
})

describe('Split-front pocket', () => {
  it('cuts from the free edge to the crease and not beyond', () => {
    expect(sizes(build('split-front-pocket')).base).toEqual([4.25, 11])
    expect(slits('split-front-pocket', 'base')).toEqual([[2, 0, 2, 5.5]])
    const mirrored = build('split-front-pocket', { side: 'right' })
    expect(inInches(partOf(mirrored, 'base').slits[0]!.from.x.value)).toBe(2.25)
  })

  it('says how a wallet card fits, and keeps the insert clear of the tape', () => {
    const about = (opening: string) =>
      build('split-front-pocket', { opening, topper: false }).findings.find(({ subject }) => subject === 'Wallet card')!
        .problem
    expect([about('1/2 in'), about('1 1/2 in'), about('2 1/2 in')]).toEqual([
      expect.stringContaining('on its side'),
      expect.stringContaining('upright'),
      expect.stringContaining('does not fit'),
    ])
    expect(fixes(build('split-front-pocket', { insertWidth: '4 in' }))).toContainEqual(['insertWidth', 3.875])
  })
})
