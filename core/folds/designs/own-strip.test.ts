import { describe, expect, it } from 'vitest'
import { inputProblems, resizedInputs, sizeAt, foldById } from '..'
import { build, cornersAt, creases, highest, inInches, sizes, stops } from '../testing'
import { inches, writeLength } from '../../lengths'
import { readPieces, readScores } from './score-list'

const { parameters } = foldById('own-strip')!

describe('a list of scores', () => {
  it('is read in any order, with words or letters', () => {
    expect(readScores('5 1/2 v 90, 2 3/4 Mountain', 'inch')).toEqual({
      ok: true,
      entries: [
        { at: inches(2.75), direction: 'mountain', row: 'all', open: 60 },
        { at: inches(5.5), direction: 'valley', row: 'all', open: 90 },
      ],
    })
    expect(readScores('55 mm valley 0 band; 55mm mountain rails', 'metric')).toMatchObject({
      ok: true,
      entries: [{ row: 'band', open: 0 }, { row: 'rails' }],
    })
    expect(readScores(' , ', 'inch')).toEqual({ ok: true, entries: [] })
  })

  it.each([
    ['2 3/4 sideways', 'is not of the form'],
    ['0 valley', 'more than zero'],
    ['-2 valley', 'more than zero'],
    ['soon valley', 'no position'],
    ['2 valley 270', 'more than 180'],
    ['2 valley, 2 mountain', 'two scores at 2 in'],
    [Array.from({ length: 1000 }, (_, index) => `${index + 1} v`).join(', '), 'there are 1000 entries'],
  ])('refuses %s', (text, reason) => {
    expect(readScores(text, 'inch')).toMatchObject({ ok: false, reason: expect.stringContaining(reason) })
  })

  it('is answered at the door with the form that would be right', () => {
    expect(inputProblems(parameters, { scores: 'here and there' }, 'inch')).toMatchObject([
      { parameter: 'scores', problem: expect.stringContaining('4 1/4 valley') },
    ])
    expect(inputProblems(parameters, { scores: 7 }, 'inch')).toMatchObject([
      { problem: expect.stringContaining('is a text such as') },
    ])
    expect(inputProblems(parameters, { scores: 'x'.repeat(401) }, 'inch')).toMatchObject([
      { problem: expect.stringContaining('more than 400 characters') },
    ])
  })

  it('reads pieces with the panels they are glued to', () => {
    expect(readPieces('3 x 1 1/2 on 2, 8 × 1 on 1 to 4', 'inch')).toEqual({
      ok: true,
      entries: [
        { width: inches(3), height: inches(1.5), onto: [2] },
        { width: inches(8), height: inches(1), onto: [1, 4] },
      ],
    })
    expect(readPieces('3 on 2', 'inch')).toMatchObject({ ok: false })
  })
})

describe('Your own strip', () => {
  it('folds what is typed and says where it ends up', () => {
    const card = build('own-strip')
    expect(creases(card, 'base')).toEqual([
      [2.75, 'mountain'],
      [5.5, 'valley'],
    ])
    // 11 in folded at 2 3/4 and 5 1/2 is as wide as its last panel.
    expect(inInches(card.finished.width.value)).toBe(5.5)
    expect(inInches(sizeAt(card, 0).width)).toBe(5.5)
    expect(sizes(card)).toMatchObject({ 'mat-panel-1': [2.5, 5.25], 'mat-panel-3': [5.25, 5.25] })
  })

  it('is the Z-fold when the Z-fold’s scores are typed', () => {
    const own = build('own-strip', { length: '8 1/2 in', scores: '2 1/8 m 60, 4 1/4 v 60' })
    const z = build('z-fold')
    for (const opening of [0, 0.3, 1]) {
      expect(highest(cornersAt(own, 'base', 'panel-1', opening), 2)).toBeCloseTo(
        highest(cornersAt(z, 'base', 'a', opening), 2), 9,
      )
    }
  })

  it('folds to and fro where no direction is typed', () => {
    const directions = (scores: string) =>
      creases(build('own-strip', { scores }), 'base').map(([, direction]) => direction)
    expect(directions('2 3/4, 5 1/2')).toEqual(['mountain', 'valley'])
    expect(directions('1, 2 1/2, 5 1/4')).toEqual(['valley', 'mountain', 'valley'])
    expect(directions('1, 2 1/2 v, 5 1/4 v')).toEqual(['mountain', 'valley', 'valley'])
  })

  it('splits into rails and band between slits', () => {
    const card = build('own-strip', {
      length: '9 in',
      slits: true,
      slitFrom: '2 1/4 in',
      slitTo: '6 3/4 in',
      rail: '1 1/4 in',
      scores: '2 1/4 v 0 rails, 4 1/2 m 0 rails, 6 3/4 v 0 rails, 2 1/4 m 0 band, 4 1/2 v 0 band, 6 3/4 m 0 band',
    })
    expect(stops(card)).toEqual([])
    expect(card.parts[0]!.panels).toHaveLength(8)
  })

  it('says where rails and band would tear', () => {
    const torn = build('own-strip', {
      slits: true, scores: '2 3/4 v 90, 5 1/2 m 10 rails, 5 1/2 v 90 band, 8 1/4 v 90',
    })
    expect(
      stops(torn)
        .map(({ problem }) => problem)
        .join(),
    ).toContain('would tear')
  })

  it('names scores off the blank, slits beside a score and panels that are not there', () => {
    expect(stops(build('own-strip', { length: '5 in' })).map(({ subject }) => subject)).toContain('Last score')
    expect(stops(build('own-strip', { slits: true, slitFrom: '3 in', slitTo: '5 1/2 in' }))).toMatchObject([
      { parameter: 'slitFrom', fix: { value: inches(2.75) } },
    ])
    expect(stops(build('own-strip', { pieces: '3 x 2 on 9' }))[0]!.problem).toContain('only 3 panels')
  })

  it('is resized with every length in its lists', () => {
    const half = resizedInputs(
      parameters, { scores: '2 3/4 m 60, 5 1/2 v', pieces: '3 x 2 on 1' }, 0.5, 'inch', inches(1 / 16),
    )
    expect(half).toMatchObject({
      length: '5 1/2 in',
      height: '2 3/4 in',
      scores: '1 3/8 in mountain 60, 2 3/4 in valley 60',
      pieces: '1 1/2 in x 1 in on 1',
    })
    expect(inInches(foldById('own-strip')!.construct(half, 'inch', inches(1 / 16)).finished.width.value)).toBe(2.75)
    expect(writeLength(inches(2.75), 'inch')).toBe('2 3/4 in')
  })
})
