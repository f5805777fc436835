import { describe, expect, it } from 'vitest'
import { Measure, inches, millimetres } from '../../lengths'
import { FOLDS } from '../catalogue'
import { build } from '../testing'
import { at, bent, box, mountain, panel, valley } from './entries'
import { CardBuilder } from './builder'
import { dropOutsOf, piecesOf, scoringOrder } from './pieces'
import { cutLines, scoreLines } from './reading'

const measure = (value: number) => Measure.of('Given', inches(value))
const pieceOf = (id: string, part: string) => build(id).pieces.find(({ key }) => key === part)!
const scoresOf = (id: string, part: string) => pieceOf(id, part).scores
const lines = (id: string, part: string) => scoreLines(pieceOf(id, part), 'inch').map(({ words }) => words)

describe('what is said at the scoring board', () => {
  it('gives the setting and how far the score runs, and turns the sheet over for a mountain', () => {
    expect(lines('z-fold', 'base')).toEqual([
      'Front up. Score at 4 1/4, whole height.',
      'Turn the sheet over like a page, back up. Score at 6 3/8, whole height.',
    ])
  })

  it('calls the second of a symmetrical pair the same setting, turned end for end', () => {
    expect(lines('gatefold', 'base')).toEqual([
      'Inside up. Score at 2 1/8, whole height.',
      'Turn it end for end and score at 2 1/8 again, whole height.',
    ])
  })

  it('says where a score starts and stops that does not run right across', () => {
    expect(lines('book-stage', 'inner')[0]).toBe('Inside up. Score at 1 1/4, from 3/4 to 4 1/2.')
    // Two that meet are one to whoever draws them.
    expect(lines('split-front-pocket', 'base')[0]).toBe('Inside up. Score at 5 1/2 up from the foot, from 0 to 4 1/4.')
  })

  it('says one setting once, however many scores are made at it, and every score somewhere', () => {
    for (const fold of FOLDS) {
      for (const piece of build(fold.id).pieces) {
        const said = scoreLines(piece, 'inch')
        expect(new Set(said.map(({ words }) => words)).size).toBe(said.length)
        expect(said.flatMap(({ scores }) => scores).sort((a, b) => a - b)).toEqual(
          piece.scores.map((_, index) => index),
        )
        expect(said.filter(({ words }) => words.startsWith('Turn the sheet over')).length).toBeLessThanOrEqual(1)
      }
    }
    const steps = scoreLines(pieceOf('step-popup', 'inner'), 'inch')
    expect(steps.some(({ scores, words }) => scores.length > 1 && words.includes(' and from '))).toBe(true)
  })

  it('gives the two ends of a slanting score', () => {
    expect(lines('corner-stage', 'sheet').find(words => words.includes('ruler'))).toBe(
      'Turn the sheet over like a page, outside up. Score by ruler from 4 1/4 right, 4 1/4 up to 8 1/2 right, 0 up.',
    )
  })

  it('looks for a mark from the other end, and says when neither end has one', () => {
    const read = (at: number, whole: number) => {
      const card = new CardBuilder('metric', millimetres(1))
      const size = (value: number) => Measure.of('Given', millimetres(value))
      const strip = card.strip('base', 'Base', 'base', size(50), [
        panel('a', 'A', size(at)),
        valley(0),
        panel('b', 'B', size(whole - at)),
      ])
      const [piece] = piecesOf(
        card.finish({ width: strip.width, height: strip.height }, strip.panels[0]!), millimetres(1),
      )
      return scoreLines(piece!, 'metric')[0]!.words
    }
    expect(read(40, 100.5)).toBe('Inside up. Score at 40, whole height.')
    expect(read(40.5, 100.5)).toBe('Inside up. Score at 60 from the other end, whole height.')
    expect(read(40.5, 100)).toBe('Inside up. Score at 40.5 by ruler, the nearest mark is 41, whole height.')
  })

  it('measures a sheet that is turned over from its other end, also what is scored there again or by ruler', () => {
    // A score 2 from the left of 8 1/4 is set at 6 1/4 once the sheet is turned, and so is the one 2 from the right.
    expect(lines('book-stage', 'inner').slice(-3)).toEqual([
      'Turn the sheet over like a page, outside up. Score at 6 1/4, from 3/4 to 4 1/2.',
      'Score at 4 1/8, from 0 to 3/4 and from 4 1/2 to 5 1/4.',
      'Turn it end for end and score at 6 1/4 again, from 3/4 to 4 1/2.',
    ])
    // What is measured from the foot stays where it is.
    for (const { along, turnOver, at, reading } of scoresOf('step-popup', 'inner'))
      if (turnOver && along === 'y' && reading.from === 'near') expect(reading.at).toBe(at.value)
    for (const fold of FOLDS) {
      for (const piece of build(fold.id).pieces) {
        const settings = scoreLines(piece, 'inch').map(
          ({ words }) => / at ([\d/ ]+?)(?=[,.]| again| up| by)/.exec(words)?.[1],
        )
        scoreLines(piece, 'inch').forEach(({ words }, at) => {
          // What is scored again has been scored before, at the same setting.
          if (words.includes(' again')) expect(settings.slice(0, at)).toContain(settings[at])
        })
      }
    }
  })

  it('says slits with start and stop, those on one line together, and windows with what falls out', () => {
    const said = cutLines(pieceOf('step-popup', 'inner'), 'inch')
    expect(said.every(words => /^Slit upright at [\d /]+ from the left, from [\d /]+ to [\d /]+/.test(words))).toBe(
      true,
    )
    expect(cutLines(pieceOf('gatefold-shutter', 'panel'), 'inch')).toEqual([
      'Window 1 1/2 × 1 1/2, its lower left corner 1/2 right, 2 1/2 up; keep the window drop-out.',
    ])
    expect(cutLines(pieceOf('gatefold-shutter', 'left-shutter'), 'inch')).toEqual([
      'Cut to the drawn outline after scoring.',
    ])
  })

  it('scores fronts before backs, along one side before the other, slanting ones last', () => {
    const order = scoringOrder(scoresOf('corner-stage', 'sheet'))
      .map(index => scoresOf('corner-stage', 'sheet')[index]!)
      .map(({ along, direction }) => `${along} ${direction}`)
    expect(order).toEqual(['x valley', 'y valley', 'y valley', 'slant mountain', 'slant mountain'])
  })
})

describe('a card from sheets', () => {
  /** An L: a foot with a wall on its left half and a flap on its right. */
  function bracket() {
    const card = new CardBuilder('inch', inches(1 / 16))
    const zero = Measure.zero
    const sheet = card.sheet('sheet', 'Sheet', 'base', { width: measure(4), height: measure(5) })
    const foot = card.area(sheet, 'foot', 'Foot', box(zero, zero, measure(4), measure(2)))
    card.area(sheet, 'wall', 'Wall', box(zero, measure(2), measure(2), measure(3)))
    card.area(sheet, 'flap', 'Flap', box(measure(2), measure(2), measure(2), measure(3)))
    card.crease(sheet, ['foot', 'wall'], at(zero, measure(2)), at(measure(2), measure(2)), valley(90))
    card.crease(sheet, ['foot', 'flap'], at(measure(2), measure(2)), at(measure(4), measure(2)), mountain(0))
    card.slit(sheet, at(measure(2), measure(2)), at(measure(2), measure(5)))
    card.window(foot, 'hole', 'Hole', {
      shape: 'circle', x: measure(1), y: measure(0.5), width: measure(1), height: measure(1),
    })
    return { card, sheet, foot }
  }

  it('lists slits, windows and partial scores with its pieces', () => {
    const { card, foot } = bracket()
    const [piece] = piecesOf(card.finish({ width: measure(4), height: measure(2) }, foot), inches(1 / 16))
    expect(piece).toMatchObject({
      slits: [{ from: { y: { value: inches(2) } } }],
      windows: [{ shape: 'circle', x: { value: inches(1) } }],
      shaped: false,
    })
    expect(piece!.scores.map(({ along, ends }) => [along, ends?.map(({ x }) => x.value)])).toEqual([
      ['y', [0, inches(2)]],
      ['y', [inches(2), inches(4)]],
    ])
  })

  it('keeps what windows release as usable pieces, largest first', () => {
    const { card, foot } = bracket()
    card.window(foot, 'slot', 'Slot', { x: measure(2.5), y: measure(0.5), width: measure(1.25), height: measure(1) })
    expect(
      dropOutsOf(card.finish({ width: measure(4), height: measure(2) }, foot)).map(({ name, shape }) => [name, shape]),
    ).toEqual([
      ['Slot', 'rectangle'],
      ['Hole', 'circle'],
    ])
  })

  it('rounds the right value against the limit where a larger parameter makes it worse', () => {
    const { card, foot } = bracket()
    const limit = {
      subject: 'Gap',
      parameter: 'gap',
      value: measure(1),
      atMost: measure(0.5),
      right: Measure.of('Right', inches(0.52)),
      because: 'it shows.',
    }
    card.limit(limit)
    card.limit({ ...limit, round: 'up' })
    card.limit({ ...limit, right: Measure.of('Right', inches(500)) })
    expect(
      card
        .finish({ width: measure(4), height: measure(2) }, foot)
        .findings.map(({ fix }) => fix && fix.value / inches(1)),
    ).toEqual([0.5, 0.5625, undefined])
  })

  it('lets a part wait for its share of the way', () => {
    const { card, foot } = bracket()
    expect(bent('valley', opening => 180 * opening).fold(0.5)).toBe(90)
    card.message('the foot', measure(1), measure(1), foot)
    expect(card.finish({ width: measure(4), height: measure(2) }, foot).message!.where).toBe('the foot')
  })
})
