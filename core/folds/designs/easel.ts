import { panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { arcs, outlineAround } from './round'
import { Measure } from '../../lengths'
import { matBorder } from './choices'

export const easel = defineFold({
  id: 'easel',
  number: 20,
  name: 'Easel',
  summary:
    'The front is creased again in its middle and carries a topper on its lower half; a stopper on the base holds it up.',
  skill: 'first card',
  stands: true,
  group: 'strip',
  layered: true,
  view: { turn: -18, tilt: -62 },
  parameters: {
    shape: choice(
      'Shape',
      options({ square: 'Square', round: 'Round' }),
      'A round card is cut through both layers, its top just over the fold',
    ),
    side: size('Side', '5 1/2 in', '140 mm', { help: 'Base, front and topper are squares of this side' }),
    stop: length('Stopper from the hinge', '4 in', '100 mm', {
      follows: 'side', help: 'The nearer to the hinge, the steeper it stands',
    }),
    stopperHeight: length('Stopper height', '3/4 in', '20 mm', { follows: 'side' }),
    border: matBorder,
    message: toggle('Message panel on the base', true),
  },
  build({ shape, side, stop, stopperHeight, border, message }, card) {
    const half = side.half()
    // Hinge, crease and foot of the topper form a triangle of two half sides over the stop.
    const lean = (Math.acos(Math.min(1, stop.value / side.value)) * 180) / Math.PI
    const base = card.strip(
      'base',
      'Base',
      'base',
      side,
      [
        panel('floor', 'Base panel', side),
        valley(180 - lean),
        panel('upper', 'Upper half of the front', half),
        valley(2 * lean, 0),
        panel('lower', 'Lower half of the front', side.minus(half)),
      ],
      'y',
    )
    const floor = panelOf(base, 'floor')
    const round = shape === 'round'
    if (round) {
      // The circle reaches a sixteenth of its size over the fold, so that the hinge survives.
      const radius = half
      const over = side.times(1 / 16)
      const [low, high] = [side.minus(radius).plus(over), side.plus(radius).minus(over)]
      const slice = (centre: Measure, from: Measure, to: Measure) =>
        arcs(half.value, centre.value, radius.value, from.value, to.value)
      card.shapePanel(floor, slice(low, Measure.zero, side))
      card.shapePanel(panelOf(base, 'upper'), slice(high, side, side.plus(half)))
      card.shapePanel(panelOf(base, 'lower'), slice(high, side.plus(half), side.times(2)))
      card.shape(base, outlineAround(slice(low, Measure.zero, side), slice(high, side, side.times(2))))
      card.step(
        'Fold first, then cut the circle through both layers.',
        'Its top lies just over the fold: leave the hinge uncut.',
      )
    }
    card.step('Score and fold the hinge; score the front again across its middle.')
    card.whenScored('Fold the hinge; fold the front again across its middle.')

    const inner = card.mat(floor, border, { key: 'mat-base', name: 'Mat on base', printTop: 'top' })
    let uppermost = inner
    if (message) {
      const note = card.mat(face(inner), border, { key: 'message', name: 'Message panel', kind: 'message' })
      uppermost = note
      card.message('the base above the stopper', note.width, stop.minus(border.times(2)), face(note))
      card.lay()
    }
    const topper = card.strip('topper', 'Topper', 'insert', side, [panel('face', 'Topper', side)])
    // The lower half points down when it is closed; the topper reaches from its foot beyond the crease.
    card.joinAt(face(topper), panelOf(base, 'lower'), 'outside', {
      x: floor.x,
      y: half.times(-1),
      glue: { y: half, height: side.minus(half) },
    })
    if (round) card.shape(topper, arcs(half.value, half.value, half.value, 0, side.value))
    const topperMat = card.mat(face(topper), border, { key: 'mat-topper', name: 'Mat on topper', printTop: 'bottom' })
    card.step(
      'Glue the topper to the lower half of the front only, with the card closed.',
      'No glue above the crease of the front, or it cannot stand.',
    )

    const below = card.offsetOf(uppermost)
    const stopper = card.piece(
      face(uppermost),
      { width: half.downToMark(card.mark), height: stopperHeight },
      {
        key: 'stopper',
        name: 'Stopper',
        kind: 'plate',
        means: 'foam',
        x: side.minus(half.downToMark(card.mark)).half().minus(below.x),
        y: side.minus(stop).minus(stopperHeight).minus(below.y),
      },
    )
    card.holds(stopper, [base, topper, topperMat])
    card.step(
      'Put the stopper on foam, its upper edge where the foot of the topper is to rest.',
      'Foam as high as topper and front together, or the topper slips over it.',
    )

    card.limit({
      parameter: 'stop', atLeast: side.times(0.3), severity: 'warn', because: 'steeper ones fall over backwards.',
    })
    card.limit({ parameter: 'stop', atMost: side.times(0.85), severity: 'warn', because: 'flatter ones hardly stand.' })
    card.limit({
      parameter: 'stopperHeight', atMost: side.minus(stop), because: 'the stopper would stick out of the base.',
    })
    return { width: side, height: side, anchor: floor }
  },
})
