import { beforeEach, describe, expect, it } from 'vitest'
import { Measure, inches } from '../../lengths'
import { mountain, panel, valley } from './entries'
import { CardBuilder } from './builder'
import { creaseAt, face, panelOf } from './card'
import type { Construction } from './card'
import { modelFindings } from './checks'
import { piecesOf, usualPaper } from './pieces'

const MARK = inches(1 / 16)
const measure = (label: string, value: number) => Measure.of(label, inches(value))
const border = measure('Border', 0.125)

let card: CardBuilder
beforeEach(() => {
  card = new CardBuilder('inch', MARK)
})
const base = () =>
  card.strip('base', 'Base', 'base', measure('Height', 5), [
    panel('left', 'Left', measure('Left width', 2)),
    mountain(60),
    panel('right', 'Right', measure('Right width', 4)),
  ])
const finish = (part = base()): Construction => card.finish({ width: part.width, height: part.height }, part.panels[0]!)

describe('building a card', () => {
  it('lays the panels of a strip side by side and the crease between them', () => {
    const strip = base()
    expect([strip.width.value, strip.height.value]).toEqual([inches(6), inches(5)])
    expect(strip.panels.map(({ x, width }) => [x.value, width.value])).toEqual([
      [0, inches(2)],
      [inches(2), inches(4)],
    ])
    expect(strip.creases.map(crease => [creaseAt(crease).value, crease.direction])).toEqual([[inches(2), 'mountain']])
  })

  it('stacks them from bottom to top where asked', () => {
    const strip = card.strip(
      'base',
      'Base',
      'base',
      measure('Width', 4),
      [panel('back', 'Back', measure('Back', 5)), valley(0), panel('flap', 'Flap', measure('Flap', 2))],
      'y',
    )
    expect([strip.width.value, strip.height.value]).toEqual([inches(4), inches(7)])
    expect(panelOf(strip, 'flap')).toMatchObject({
      y: { value: inches(5) }, width: { value: inches(4) }, height: { value: inches(2) },
    })
  })

  it('folds a crease from closed to open in its direction', () => {
    const [crease] = base().creases
    expect([0, 0.5, 1].map(crease!.angle)).toEqual([-180, -120, -60])
  })

  it('says which panel a strip does not have', () => {
    expect(() => panelOf(base(), 'middle')).toThrow('Base has no panel “middle”')
  })

  it('centres a mat with an even border, and a second layer on it that has half of it', () => {
    card = new CardBuilder('inch', MARK, { layered: true, means: 'tape' })
    const mat = card.mat(panelOf(base(), 'right'), border, { key: 'mat', name: 'Mat' })
    card.window(face(mat), 'view', 'View', { x: border, y: border, width: border, height: border })
    const { parts, joints } = card.finish({ width: border, height: border }, base().panels[0]!)
    const sizes = parts
      .filter(({ kind }) => kind !== 'base')
      .map(({ key, kind, width, height }) => [key, kind, width.value, height.value])
    expect(sizes).toEqual([
      ['mat-under', 'underlay', inches(3.875), inches(4.875)],
      ['mat', 'mat', inches(3.75), inches(4.75)],
    ])
    expect(joints.map(({ part, onto, x, y }) => [part, onto.part, x.value, y.value])).toEqual([
      ['mat-under', 'base', inches(0.0625), inches(0.0625)],
      ['mat', 'mat-under', inches(0.0625), inches(0.0625)],
    ])
    // A window goes through both, half a border further in on the lower one.
    expect(parts.flatMap(({ key, windows }) => windows.map(({ x, width }) => [key, x.value, width.value]))).toEqual([
      ['mat-under', inches(0.1875), inches(0.125)],
      ['mat', inches(0.125), inches(0.125)],
    ])
    card.mat(face(mat), border, { key: 'message', name: 'Message', kind: 'message' })
    expect(
      card.finish({ width: border, height: border }, face(mat)).parts.filter(({ kind }) => kind === 'underlay'),
    ).toHaveLength(1)
  })

  it('glues a whole panel, or only the area that is named', () => {
    const strip = base()
    const other = card.strip('strip', 'Strip', 'insert', measure('Strip height', 1), [
      panel('face', 'Face', measure('Strip width', 3)),
    ])
    card.join(face(other), panelOf(strip, 'right'))
    card.joinAt(face(other), panelOf(strip, 'left'), 'inside', { x: border, glue: { width: border } })
    const { joints } = finish(strip)
    expect(joints[0]).toMatchObject({
      x: { value: inches(0.5) }, y: { value: inches(2) }, glue: { width: { value: inches(3) } },
    })
    expect(joints[1]).toMatchObject({
      x: { value: inches(0.125) },
      glue: { width: { value: inches(0.125) }, height: { value: inches(1) } },
    })
  })
})

describe('limits', () => {
  it('stay silent at the limit itself', () => {
    card.limit({
      subject: 'Flap', parameter: 'flap', value: measure('Flap', 3), atMost: measure('Panel', 3), because: '',
    })
    card.limit({
      subject: 'Flap', parameter: 'flap', value: measure('Flap', 3), atLeast: measure('Panel', 3), because: '',
    })
    expect(finish().findings).toEqual([])
  })

  it('round the right value to the side that is allowed', () => {
    card.limit({
      subject: 'Flap',
      parameter: 'flap',
      value: measure('Flap', 3),
      atMost: measure('Panel', 2.03),
      because: 'it sticks out.',
    })
    card.limit({
      subject: 'Flap',
      parameter: 'flap',
      value: measure('Flap', 1),
      atLeast: measure('Panel', 2.03),
      because: 'it is short.',
      severity: 'warn',
    })
    expect(finish().findings.map(({ severity, fix }) => [severity, fix!.value])).toEqual([
      ['stop', inches(2)],
      ['warn', inches(2.0625)],
    ])
  })

  it('offer no value where none is right', () => {
    card.limit({
      subject: 'Plate',
      parameter: 'plate',
      value: measure('Plate', 1),
      atMost: measure('Room', -1),
      because: 'there is no room.',
    })
    expect(finish().findings).toMatchObject([
      { fix: undefined, problem: expect.stringContaining('there is no room left for it') },
    ])
  })
})

describe('a limit of a field', () => {
  const typed = () => new CardBuilder('inch', MARK, undefined, { flap: { label: 'Flap width', value: inches(5) } })

  it('needs no words of its own for what is limited', () => {
    card = typed()
    card.limit({ parameter: 'flap', atMost: measure('Room', 4.0625), because: 'it sticks out.' })
    expect(finish().findings).toEqual([{
      severity: 'stop',
      subject: 'Flap width',
      problem: 'is 5 in, but must be at most 4 1/16 in: it sticks out.',
      parameter: 'flap',
      fix: { parameter: 'flap', value: inches(4.0625) },
    }])
  })

  it('is refused where there is no such field, or no bound', () => {
    const unknown = { parameter: 'flop', atMost: measure('Room', 4), because: '' }
    expect(() => typed().limit(unknown)).toThrow('flop has no value')
    expect(() => typed().limit({ parameter: 'flap', because: '' })).toThrow('flap has no bound')
  })
})

describe('a limit of a figure that follows from what was typed', () => {
  it('names what was typed beside it', () => {
    const typed = new CardBuilder('inch', MARK, undefined, { flap: { label: 'Flap width', value: inches(5) } })
    typed.limit({
      subject: 'Reach',
      parameter: 'flap',
      value: measure('Reach', 8),
      atMost: measure('Room', 4.0625),
      because: 'it sticks out.',
    })
    const strip = base()
    expect(typed.finish({ width: strip.width, height: strip.height }, face(strip)).findings[0]!.problem).toBe(
      'is 8 in with Flap width at 5 in, but must be at most 4 1/16 in: it sticks out.',
    )
  })
})

describe('checks of the model', () => {
  it('name edges between marks, with the nearest mark', () => {
    const part = card.piece(
      panelOf(base(), 'right'),
      { width: measure('Width', 2.03), height: measure('Height', 3) },
      { key: 'plate', name: 'Plate' },
    )
    expect(modelFindings(finish(), 'inch', MARK)).toMatchObject([
      {
        severity: 'note', part: part.key, subject: 'Plate width',
        problem: expect.stringContaining('nearest mark is 2 in'),
      },
    ])
  })

  it('warn of glue that is too narrow and of little room to write', () => {
    card.piece(
      panelOf(base(), 'right'),
      { width: measure('Width', 3), height: measure('Height', 0.125) },
      { key: 'sliver', name: 'Sliver' },
    )
    card.message('the sliver', measure('Width', 3), measure('Height', 1), panelOf(base(), 'right'))
    expect(modelFindings(finish(), 'inch', MARK).map(({ severity, subject }) => [severity, subject])).toEqual([
      ['warn', 'Sliver'],
      ['warn', 'Message area'],
    ])
  })

  it('stop at a part of which nothing is left', () => {
    card.mat(panelOf(base(), 'left'), measure('Border', 1), { key: 'mat', name: 'Mat' })
    const construction = finish()
    expect(modelFindings(construction, 'inch', MARK)).toMatchObject([{ severity: 'stop', part: 'mat' }])
    expect(piecesOf(construction, MARK).map(({ key }) => key)).not.toContain('mat')
  })
})

describe('pieces', () => {
  it('want cardstock, but for prints on mats', () => {
    expect(usualPaper('mat')).toBe('print')
    expect((['base', 'insert', 'plate', 'underlay', 'message'] as const).map(usualPaper)).toEqual(
      Array.from({ length: 5 }, () => 'cardstock'),
    )
  })

  it('read a mountain on the turned sheet from the other end', () => {
    expect(piecesOf(finish(), MARK)[0]!.scores).toMatchObject([
      {
        at: { value: inches(2) }, fromOtherEnd: { value: inches(4) }, turnOver: true,
        reading: { from: 'near', at: inches(4) },
      },
    ])
  })

  it('says what the closed card shows beyond its outline', () => {
    const strip = base()
    const findings = modelFindings(
      card.finish({ width: measure('Outline', 3), height: measure('Outline', 5) }, panelOf(strip, 'right')),
      'inch',
      MARK,
    )
    expect(findings).toContainEqual(
      expect.objectContaining({
        subject: 'Closed card', problem: expect.stringContaining('4 in wide where its outline is 3 in'),
      }),
    )
  })
})
