import { describe, expect, it } from 'vitest'
import { areaOf, collisionsAt, thicknessMap } from '..'
import { at, bent, box, panel, valley } from '../model/entries'
import { CardBuilder } from '../model/builder'
import { face } from '../model/card'
import { Measure, inches, millimetres } from '../../lengths'
import { build, inInches } from '../testing'

const measure = (value: number) => Measure.of('Given', inches(value))
const CARD = () => millimetres(0.3)
const FOAM = millimetres(2)

describe('the thickness of the closed card', () => {
  it('sums layers and foam where they lie on each other', () => {
    const card = new CardBuilder('inch', inches(1 / 16))
    const base = card.strip('base', 'Base', 'base', measure(4), [
      panel('front', 'Front', measure(3)),
      valley(60),
      panel('back', 'Back', measure(3)),
    ])
    const mat = card.piece(
      base.panels[0]!,
      { width: measure(1), height: measure(1) },
      { key: 'mat', name: 'Mat', face: 'outside', means: 'foam' },
    )
    const built = card.finish({ width: measure(3), height: measure(4) }, base.panels[1]!)
    const { most, xs, ys, cells } = thicknessMap(built, CARD, FOAM)!
    // Two layers of base everywhere; in the middle the mat on its foam.
    expect(most.thickness).toBe(3 * millimetres(0.3) + FOAM)
    expect(most.layers).toEqual(['Mat', 'foam', 'Base', 'Base'])
    expect([inInches(most.x), inInches(most.y)]).toEqual([1.5, 2])
    expect([xs.length, ys.length]).toEqual([4, 4])
    expect(cells[0]![0]).toBe(2 * millimetres(0.3))
    expect(mat.width.value).toBe(inches(1))
  })

  it('counts nothing in a window', () => {
    const card = new CardBuilder('inch', inches(1 / 16))
    const sheet = card.strip('sheet', 'Sheet', 'base', measure(4), [panel('face', 'Face', measure(4))])
    card.window(face(sheet), 'window', 'Window', {
      x: measure(1), y: measure(1), width: measure(2), height: measure(2),
    })
    const built = card.finish({ width: measure(4), height: measure(4) }, face(sheet))
    expect(thicknessMap(built, CARD, FOAM)!.cells[1]![1]).toBe(0)
    expect(areaOf(sheet, face(sheet)) / inches(1) ** 2).toBeCloseTo(12, 9)
  })

  it('is the same for a design however it is looked at: four layers of a box frame’s corner', () => {
    expect(thicknessMap(build('plain-card', { message: false }), CARD, FOAM)!.most.thickness).toBe(3 * millimetres(0.3))
  })
})

describe('collisions on the way', () => {
  /** A wall that stands across a flap. */
  function crossing(open: number) {
    const card = new CardBuilder('inch', inches(1 / 16))
    const base = card.strip('base', 'Base', 'base', measure(4), [
      panel('floor', 'Floor', measure(6)),
      valley(open),
      panel('flap', 'Flap', measure(4)),
    ])
    const sheet = card.sheet('wall', 'Wall', 'insert', { width: measure(4), height: measure(2) })
    const glued = card.area(sheet, 'glued', 'Glued', box(Measure.zero, Measure.zero, measure(2), measure(2)))
    card.area(sheet, 'standing', 'Standing wall', box(measure(2), Measure.zero, measure(2), measure(2)))
    card.crease(
      sheet,
      ['glued', 'standing'],
      at(measure(2), Measure.zero),
      at(measure(2), measure(2)),
      bent('valley', () => 90),
    )
    card.joinAt(glued, base.panels[0]!, 'inside', { x: measure(2) })
    return card.finish({ width: measure(6), height: measure(4) }, base.panels[0]!)
  }

  it('are found with their depth, and not where panels miss each other', () => {
    expect(collisionsAt(crossing(0), 1)).toEqual([])
    const [hit] = collisionsAt(crossing(150), 1)
    expect(hit!.panels.sort()).toEqual(['Flap', 'Standing wall'])
    expect(inInches(hit!.depth)).toBeGreaterThan(0.5)
  })
})
