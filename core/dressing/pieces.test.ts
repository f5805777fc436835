import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CardEntry, LayerEntry } from '../document'
import { FOLDS, dropOutsOf, isWhole, poseOf } from '../folds'
import { inches, lengthFrom, millimetres } from '../lengths'
import { doneInWords } from '../making'
import {
  addFreePiece, copyDressing, dressAsInCatalogue, dressFaceAs, dressingOf, facesOf, freePartKey, frontFace,
  newWork, putRight, removeFreePiece, setOwnPart,
} from '.'
import { mark, SIXTEENTHS, cardOf, whole, face } from './dressed-testing'

describe('layers', () => {
  it('leave the borders that were asked for, side by side and one above the other', () => {
    const borders = { left: '1/4 in', right: '1/2 in', top: '1 in', bottom: '0 in' }
    const card = cardOf('gatefold', { faces: [face('base--left--inside', borders, { left: '1/8 in' })] })
    const [first, second] = whole(card).pieces.filter(({ key }) => key.startsWith('base--left--inside'))
    // A door is half of 4 1/4 wide, 2 1/8, and 5 1/2 high.
    expect([first!.width.value, first!.height.value]).toEqual([inches(2.125 - 0.75), inches(4.5)])
    expect([second!.width.value, second!.height.value]).toEqual([inches(1.375 - 0.25), inches(4.25)])
  })

  it('of a fixed size lie in the middle or so far from two edges, and say so where they do not fit', () => {
    const fixed = { width: '3 in', height: '2 in' }
    const on = (layer: Partial<LayerEntry>) =>
      whole(cardOf('gatefold', { faces: [face('base--middle--inside', { ...fixed, ...layer })] }))
    const joint = (card: ReturnType<typeof whole>) => card.joints.find(({ part }) => part.startsWith('base--middle'))!
    expect([joint(on({})).x.value, joint(on({})).y.value]).toEqual([inches(0.625), inches(1.75)])
    const placed = joint(on({ centred: false, left: '1/4 in', bottom: '1/2 in' }))
    expect([placed.x.value, placed.y.value]).toEqual([inches(0.25), inches(0.5)])
    const large = on({ width: '5 in' })
    expect(large.findings).toContainEqual(expect.objectContaining({
      severity: 'stop', fix: { parameter: 'faces/base--middle--inside/layers/layer-1/width', value: inches(4.25) },
    }))
  })

  it('on the outside are measured as they are seen', () => {
    const card = whole(cardOf('gatefold', { faces: [face('base--middle--outside', { left: '1 in', right: '0 in' })] }))
    // Seen from outside left is right: the layer begins at the left edge of the inside view.
    expect(card.joints.find(({ part }) => part.startsWith('base--middle--outside'))!.x.value).toBe(0)
  })

  it('let windows of their panel through, unless they are to stay whole, and ring them', () => {
    const natural = whole(cardOf('floating-window'))
    const framed = natural.parts
      .flatMap(part => part.windows.map(window => ({ part, window })))
      .find(({ part }) => !['mat', 'underlay', 'message'].includes(part.kind))!
    const key = `${framed.part.key}--${framed.window.panel}--outside`
    const on = (layer: Partial<LayerEntry>) =>
      whole(cardOf('floating-window', { faces: [face(key, layer)] })).parts.find(part => part.key.startsWith(key))!
    const { width: wide, height: high } = framed.window
    expect(on({}).windows.map(({ width, height }) => [width.value, height.value])).toEqual([[wide.value, high.value]])
    expect(on({ windows: false }).windows).toEqual([])
    const ring = on({ ring: framed.window.key, left: '1/4 in', right: '1/4 in', top: '1/4 in', bottom: '1/4 in' })
    expect([ring.width.value, ring.windows[0]!.x.value]).toEqual([
      framed.window.width.value + inches(0.5), inches(0.25),
    ])
  })

  it('are all said where several faces are written on, the largest first', () => {
    const faces = [face('base--middle--inside', { message: true }), face('base--left--inside', { message: true })]
    const { message, alsoMessages } = whole(cardOf('gatefold', { faces }))
    expect([message?.where, alsoMessages?.map(({ where }) => where)]).toEqual(['middle, inside', ['left door, inside']])
  })

  it('is seen through an opening of what stands before it', () => {
    // The panel of the shutter card lies before the middle, with a round window in it.
    const card = whole(cardOf('gatefold-shutter', { faces: [face('base--middle--inside', { message: true })] }))
    const all = [card.message!, ...card.alsoMessages ?? []]
    expect(all.every(({ width, height }) => width.value > 0 && height.value > 0)).toBe(true)
  })

  it('hand on what a message leaves room for, less what lies on it', () => {
    const message = face('base--middle--inside', {}, { message: true, name: 'Note' })
    const clear = whole(cardOf('gatefold', { faces: [message] })).message!
    expect([clear.width.value, clear.height.value]).toEqual([inches(3.75), inches(5)])
    const card = cardOf('gatefold', { faces: [message] })
    const lies = { face: 'base--middle--inside', left: '1/4 in', bottom: '4 in', width: '3 3/4 in', height: '1 in' }
    addFreePiece(card, 'inch', { key: 'tag', name: 'Tag', ...lies })
    // From 1/4 to 5 1/4 the note is 5 high; the tag takes it from 4 on, so 3 3/4 are left.
    expect(whole(card).message!.height.value).toBe(inches(3.75))
    expect(whole(cardOf('gatefold', { faces: [face('base--middle--inside')] })).message).toBeUndefined()
  })

  it('never have a size below nothing without a word', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FOLDS),
        fc.tuple(SIXTEENTHS, SIXTEENTHS, SIXTEENTHS, SIXTEENTHS),
        fc.nat(40),
        (fold, sides, pick) => {
          const faces = facesOf(fold.construct({}, 'inch', mark))
          const [left, right, top, bottom] = sides.map(side => `${side / 16} in`)
          const entry = face(faces[pick % faces.length]!.key, { left, right, top, bottom }, {})
          const card = whole(cardOf(fold.id, { faces: [entry] }))
          const ours = card.parts.filter(({ key }) => key.startsWith(entry.key))
          expect(ours).toHaveLength(2)
          if (!ours.every(isWhole)) expect(card.findings.some(({ severity }) => severity === 'stop')).toBe(true)
        }),
      { numRuns: 150 },
    )
  })
})

describe('free pieces', () => {
  it('become pieces, joints and steps, as many as a kit holds', () => {
    const card = cardOf('plain-card')
    addFreePiece(card, 'inch', { key: 'star', name: 'Star', count: 3, face: 'base--front--outside', hold: 'foam' })
    const made = whole(card)
    expect(made.pieces.find(({ name }) => name === 'Star')).toMatchObject({ perKit: 3, key: 'free--star' })
    expect(made.joints.at(-1)).toMatchObject({ part: 'free--star', means: 'foam' })
    expect(made.steps.at(-1)!.text).toContain('Stick “Star” to ')
    addFreePiece(card, 'inch', { key: 'bow', name: 'Bow', kind: 'ribbon', count: 2 })
    expect(whole(card).extras).toContainEqual({ name: 'Bow', count: 2, length: inches(2) })
    removeFreePiece(card, 'star')
    expect(whole(card).pieces.some(({ name }) => name === 'Star')).toBe(false)
  })

  it('lie on the topmost layer below them, and go with their panel', () => {
    const card = cardOf('gatefold', { faces: [face('base--left--outside', {}, {})] })
    addFreePiece(card, 'inch', {
      key: 'star',
      name: 'Star',
      face: 'base--left--outside',
      left: '1/2 in',
      bottom: '1/2 in',
      width: '1 in',
      height: '1 in',
    })
    const joint = whole(card).joints.at(-1)!
    expect(joint.onto.part).toBe('base--left--outside--layer-2')
    // 1/2 from the left of the face is 1/4 from the left of what lies on it with twice 1/8 of border.
    expect([joint.x.value, joint.y.value]).toEqual([inches(0.25), inches(0.25)])
    const [closed, open] = [0, 1].map(opening => poseOf(whole(card), opening).get('free--star/face')!.origin)
    expect(closed).not.toEqual(open)
  })

  it('are rings that release what they are cut round, or say why they are none', () => {
    const ring = (more: object) => {
      const card = cardOf('plain-card')
      const round = { kind: 'ring', shape: 'oval', width: '3 in', height: '3 in', ring: '1/4 in' } as const
      addFreePiece(card, 'inch', { key: 'ring', name: 'Ring', ...round, ...more })
      return whole(card)
    }
    expect(dropOutsOf(ring({})).map(({ shape, width }) => [shape, width.value])).toEqual([['circle', inches(2.5)]])
    const path = { shape: 'outline' as const, outline: 'M0,0L100,0L50,80Z' }
    expect(ring(path).parts.find(({ name }) => name === 'Ring')!.panels[0]!.holes).toHaveLength(1)
    expect(ring({ ring: '2 in' }).findings.find(({ subject }) => subject === 'Ring')!.problem).toContain(
      'It must be less than 1 1/2 in',
    )
    expect(ring({ shape: 'outline' }).findings.find(({ subject }) => subject === 'Ring')!.problem).toContain(
      'has no outline yet',
    )
  })

  it('say how far they stick out of the closed card, and take the value that keeps them in', () => {
    const card = cardOf('plain-card')
    addFreePiece(card, 'inch', {
      key: 'star', name: 'Star', face: 'base--front--outside', left: '3 in', width: '2 in', height: '1 in',
    })
    const out = () => whole(card).findings.find(({ subject }) => subject === 'Star')
    expect(out()!.problem).toMatch(/^sticks out of the closed card by 3\/4 in on the right/)
    expect(putRight(card, out()!.fix!.parameter, '2 1/4 in')).toBe(true)
    expect(out()).toBeUndefined()
    expect(card.free[0]!.left).toBe('2 1/4 in')
  })

  it('begin in the middle of the face that is seen on the closed card', () => {
    const front = (fold: string) => frontFace(whole(cardOf(fold)))?.name
    expect(front('gatefold')).toMatch(/^(Left|Right) door, outside$/)
    expect([front('plain-card'), front('z-fold')]).toEqual(['Front panel, outside', 'Plate, front'])
    const card = cardOf('plain-card')
    const { panel } = frontFace(whole(card))!
    expect(addFreePiece(card, 'inch', {}, panel)).toMatchObject({ left: '1 1/8 in', bottom: '1 3/4 in' })
  })

  it('turn about their middle', () => {
    const card = cardOf('plain-card')
    const lies = { face: 'base--front--inside', left: '1 in', bottom: '1 in', width: '2 in', height: '1 in' }
    addFreePiece(card, 'inch', { key: 'star', name: 'Star', ...lies })
    const [straight, turned] = [0, 45].map((turn) => {
      const frame = poseOf(whole({ ...card, free: [{ ...card.free[0]!, turn }] }), 1).get('free--star/face')!
      return [0, 1, 2].map(
        axis => frame.origin[axis]! + frame.x[axis]! * lengthFrom('1 in') + frame.y[axis]! * lengthFrom('1/2 in'),
      )
    })
    straight!.forEach((value, axis) => expect(turned![axis]).toBeCloseTo(value, -2))
  })

  it('on a face that is gone go into the bag, with a word', () => {
    const card = cardOf('z-fold')
    addFreePiece(card, 'inch', { key: 'star', name: 'Star', face: 'plate--face--inside' })
    expect(whole(card).joints.some(({ part }) => part === 'free--star')).toBe(true)
    card.parameters = { ...card.parameters, plate: false }
    expect(whole(card).findings).toContainEqual(expect.objectContaining({ subject: 'Star', severity: 'warn' }))
  })
})

describe('dressing otherwise', () => {
  it('hands on the papers, is copied to like faces, and goes back to the catalogue', () => {
    const card = cardOf('gatefold', { papers: { 'base': 'kelp', 'mat-left': 'rust', 'mat-right': 'rust' } })
    const construction = whole(card)
    const entry = dressingOf(card, construction, 'base--left--outside', 'inch', mark)!
    expect(entry.layers).toHaveLength(1)
    dressFaceAs(card, construction, { ...entry, layers: [{ ...entry.layers[0]!, left: '1/4 in' }] })
    expect(card.papers['base--left--outside--layer-1']).toBe('rust')
    copyDressing(card, card.faces[0]!, ['base--right--outside'])
    expect([card.papers['base--right--outside--layer-1'], card.faces]).toEqual([
      'rust', expect.objectContaining({ length: 2 }),
    ])
    dressAsInCatalogue(card, 'base--left--outside')
    dressAsInCatalogue(card, 'base--right--outside')
    expect([card.faces, Object.keys(card.papers)]).toEqual([[], ['base', 'mat-left', 'mat-right']])
  })

  it('puts nothing right that is not there', () => {
    const card = cardOf('gatefold')
    for (const path of ['width', 'free/none/left', 'faces/none/layers/a/width', 'free', 'faces/x'])
      expect(putRight(card, path, '1 in')).toBe(false)
  })
})

describe('parts of the fold itself', () => {
  const held = (own: Partial<CardEntry['parts'][number]>) =>
    whole(cardOf('z-fold', { parts: [{ key: 'plate', hold: null, foam: '0 in', works: [], ...own }] }))
  const plateIn = ({ joints }: ReturnType<typeof held>) =>
    joints.filter(({ part }) => part === 'plate').map(({ means, foam }) => [means, foam])

  it('are held otherwise, whatever the catalogue says, and their step says so', () => {
    expect(plateIn(held({}))).toEqual(plateIn(whole(cardOf('z-fold'))))
    const raised = held({ hold: 'foam', foam: '3 mm' })
    expect(plateIn(raised)).toEqual([['foam', millimetres(3)]])
    const said = raised.steps.find(({ puts }) => puts.includes('plate'))
    expect(said?.text).toContain('Plate: it is held on foam')
    expect(plateIn(held({ hold: 'glue' }))).toEqual([['glue', undefined]])
  })

  it('are stamped before the step that puts them on, and keep what runs in a guide running', () => {
    const { steps, parts } = held({ works: [newWork('work-1'), { ...newWork('work-2'), technique: 'colour in' }] })
    expect(doneInWords(parts.find(({ key }) => key === 'plate')?.works)).toEqual(['stamped', 'coloured'])
    const said = steps.map(({ text }) => text)
    const put = steps.findIndex(({ puts }) => puts.includes('plate'))
    expect(said.slice(0, put)).toEqual(expect.arrayContaining(['Stamp the plate.', 'Colour in the plate.']))
    const guided = (fold: string, parts: CardEntry['parts']) =>
      whole(cardOf(fold, { parts })).joints.filter(({ means }) => means === 'held').length
    const { parts: all } = whole(cardOf('pull-tab-flap'))
    expect(guided('pull-tab-flap', all.map(({ key }) => ({ key, hold: 'glue', foam: '0 in', works: [] }))))
      .toBe(guided('pull-tab-flap', []))
  })

  it('leave no entry behind once they are as usual again, and wait for one that the card does not have', () => {
    const card = cardOf('z-fold')
    setOwnPart(card, 'plate', { hold: 'glue' })
    setOwnPart(card, 'plate', { works: [{ ...newWork('work-1'), technique: 'die cut' }] })
    expect(card.parts).toEqual([
      { key: 'plate', hold: 'glue', foam: '0 in', works: [{ ...newWork('work-1'), technique: 'die cut' }] },
    ])
    setOwnPart(card, 'plate', { hold: null, works: [] })
    expect(card.parts).toEqual([])
    expect(whole(cardOf('z-fold', { parts: [{ key: 'gone', hold: 'glue', foam: '0 in', works: [] }] })).parts.length)
      .toBe(whole(cardOf('z-fold')).parts.length)
  })
})

describe('a piece that is cut out of another one', () => {
  it('says so for what is there, a layer of the maker’s too, and not for what is cut out itself', () => {
    const card = cardOf('z-fold')
    const heart = addFreePiece(card, 'inch', { from: 'mat-c' })
    const small = addFreePiece(card, 'inch', { from: freePartKey(heart.key) })
    const lost = addFreePiece(card, 'inch', { from: 'gone' })
    const { pieces } = whole(card)
    const outOf = (key: string) => pieces.find(piece => piece.key === freePartKey(key))?.outOf
    expect([outOf(heart.key), outOf(small.key), outOf(lost.key)]).toEqual(['mat-c', undefined, undefined])
  })
})
