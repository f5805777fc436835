import { describe, expect, it } from 'vitest'
import { Measure, inches, millimetres } from '../../lengths'
import { build } from '../testing'
import { CardBuilder, at, bent, box, mountain, panel, valley } from './builder'
import { dropOutsOf, piecesOf, scoringOrder } from './pieces'
import { scoreReading } from './reading'

const measure = (value: number) => Measure.of('Given', inches(value))
const scoresOf = (id: string, part: string) => build(id).pieces.find(({ key }) => key === part)!.scores
const lines = (id: string, part: string) => {
  const scores = scoresOf(id, part)
  return scoringOrder(scores).map(index => `${scores[index]!.direction}: ${scoreReading(scores[index]!, 'inch')}`)
}

describe('the reading of a score', () => {
  it('gives the setting and both ends, and turns the sheet over for a mountain', () => {
    expect(lines('z-fold', 'base')).toEqual([
      'valley: set 4 1/4; ends 4 1/4 and 4 1/4',
      'mountain: turn over, set 6 3/8; ends 2 1/8 and 6 3/8',
    ])
  })

  it('calls the second of a symmetrical pair the same setting, turned end for end', () => {
    expect(lines('gatefold', 'base')).toEqual([
      'valley: set 2 1/8; ends 2 1/8 and 6 3/8',
      'valley: same setting, piece turned end for end; ends 6 3/8 and 2 1/8',
    ])
  })

  it('says where a score starts and stops that does not run right across', () => {
    const [lowest] = lines('book-stage', 'inner')
    expect(lowest).toBe('valley: set 1 1/4; ends 1 1/4 and 7; only from 3/4 to 4 1/2')
  })

  it('gives the two ends of a slanting score', () => {
    const slanting = scoresOf('corner-stage', 'sheet').find(({ along }) => along === 'slant')!
    expect(scoreReading(slanting, 'inch')).toBe('turn over, by ruler from 4 1/4 right, 4 1/4 up to 0 right, 0 up')
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
      return scoreReading(
        piecesOf(card.finish({ width: strip.width, height: strip.height }, strip.panels[0]!), millimetres(1))[0]!.scores[0]!,
        'metric',
      )
    }
    expect(read(40, 100.5)).toContain('set 40;')
    expect(read(40.5, 100.5)).toContain('set 60 from the other end')
    expect(read(40.5, 100)).toContain('between marks, nearest')
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
    card.window(foot, 'hole', 'Hole', { shape: 'circle', x: measure(1), y: measure(0.5), width: measure(1), height: measure(1) })
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
    expect(dropOutsOf(card.finish({ width: measure(4), height: measure(2) }, foot)).map(({ name, shape }) => [name, shape])).toEqual([
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
    expect(card.finish({ width: measure(4), height: measure(2) }, foot).findings.map(({ fix }) => fix && fix.value / inches(1))).toEqual([
      0.5,
      0.5625,
      undefined,
    ])
  })

  it('lets a part wait for its share of the way', () => {
    const { card, foot } = bracket()
    expect(bent('valley', opening => 180 * opening).fold(0.5)).toBe(90)
    card.message('the foot', measure(1), measure(1))
    expect(card.finish({ width: measure(4), height: measure(2) }, foot).message!.where).toBe('the foot')
  })
})
