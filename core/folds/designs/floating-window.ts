import { bent, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { OPENINGS, matBorder, shapeOf } from './choices'

const STYLES = options({ upright: 'Upright risers', springs: 'Lies flat and springs' })

const FOLDS = options({ side: 'At the side', top: 'At the top' })

export const floatingWindow = defineFold({
  id: 'floating-window',
  number: 14,
  name: 'Floating window',
  summary: 'A frame with a window floats over the front on two risers and presses flat by moving sideways.',
  skill: 'some care',
  stands: false,
  group: 'strip',
  bothWays: true,
  layered: true,
  handed: true,
  view: { turn: 150, tilt: 18 },
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    style: choice('Risers', STYLES, 'Springing risers fold under a frame as wide as the card'),
    glue: length('Glue strip', '5/8 in', '16 mm', { follows: 'width' }),
    depth: length('Rise', '1/2 in', '12 mm', {
      follows: 'width',
      help: 'Depth of the risers; springing ones are as deep as the glue strip',
    }),
    fold: choice('Fold', FOLDS),
    windowShape: choice('Window', OPENINGS),
    window: length('Window size', '1 3/4 in', '45 mm', { follows: ['width', 'height'], help: 'Its width' }),
    windowHeight: length('Window height', '1 3/4 in', '45 mm', { follows: 'height', when: 'windowShape=rectangle' }),
    border: matBorder,
    dressing: toggle('Window dressing behind the frame', false),
    message: toggle('Message panel inside', true),
  },
  build(
    { width, height, style, glue, depth, fold, windowShape, window, windowHeight, border, dressing, message }, card,
  ) {
    const upright = style === 'upright'
    const rise = upright ? depth : glue
    const frameWidth = (upright ? width.minus(glue.times(2)) : width).named('Frame')
    const atSide = fold === 'side'
    const panels = {
      front: (size: Measure) => panel('front', 'Front panel', size),
      back: (size: Measure) => panel('back', 'Back panel', size),
    }
    const base = atSide
      ? card.strip('base', 'Base', 'base', height, [panels.front(width), valley(40), panels.back(width)])
      : card.strip('base', 'Base', 'base', width, [panels.front(height), valley(40), panels.back(height)], 'y')
    const front = panelOf(base, 'front')
    card.step('Score and fold the base.')
    card.whenScored('Fold the base.')

    // From left to right over the front: both risers lean left when it is pressed flat.
    const [leading, trailing] = upright
      ? [(opening: number) => 180 - 90 * opening, (opening: number) => 90 * opening]
      : [() => 180, () => 180]
    const frame = card.strip('frame', 'Frame', 'insert', height, [
      panel('left-glue', 'Left glue strip', glue),
      bent('valley', leading),
      panel('left-riser', 'Left riser', rise),
      bent('mountain', leading),
      panel('frame', 'Frame', frameWidth),
      bent('mountain', trailing),
      panel('right-riser', 'Right riser', rise),
      bent('valley', trailing),
      panel('right-glue', 'Right glue strip', glue),
    ])
    const middle = panelOf(frame, 'frame')
    const high = windowShape === 'circle' ? window : windowHeight
    const shape = { shape: shapeOf(windowShape), width: window, height: high }
    card.window(middle, 'window', 'Window drop-out', {
      ...shape, x: frameWidth.minus(window).half(), y: height.minus(high).half(),
    })
    const mat = card.mat(middle, border, { key: 'mat-frame', name: 'Mat on frame', printTop: 'top' })
    card.window(face(mat), 'mat-window', 'Mat window drop-out', {
      ...shape,
      x: mat.width.minus(window).half(),
      y: mat.height.minus(high).half(),
    })
    card.step(
      'Cut the window through the frame and what lies on it; the drop-outs are usable pieces. Fold the risers under the frame '
      + 'and the glue strips out again.',
      'Heavy stock: cut one layer at a time.',
    )
    const scene = card.mat(front, border, {
      key: 'mat-front', name: 'Background behind the frame', face: 'outside', printTop: 'top',
    })
    card.lay()

    // The front lies with its inside on the back, so its right edge in the pattern is its left edge seen from outside.
    card.joinAt(panelOf(frame, 'left-glue'), front, 'outside', { x: width.minus(glue) })
    card.joinAt(panelOf(frame, 'right-glue'), front, 'outside', { x: Measure.zero })
    card.step(
      'Glue the two strips along the edges of the front. Press the card flat once before the glue sets.',
      'Figures may bridge frame and background: glue them on the edge of the frame only.',
    )
    if (dressing) {
      const overlap = rule('ease', card.units)
      const strip = card.loose(
        'dressing',
        'Window dressing',
        { width: window.plus(overlap.times(2)), height: high.half().downToMark(card.mark) },
        'insert',
      )
      card.step(`Glue the ${strip.name.toLowerCase()} behind the lower edge of the window.`)
      card.limit({
        subject: 'Window dressing',
        parameter: 'window',
        value: strip.width,
        atMost: frameWidth,
        right: frameWidth.minus(overlap.times(2)),
        because: 'it would stick out behind the frame.',
      })
    }
    if (message) {
      const note = card.mat(panelOf(base, 'back'), border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the back panel, inside', note.width, note.height, face(note))
      card.lay()
    }
    if (upright) {
      card.travel(middle, rise, front)
      card.limit({ parameter: 'depth', atMost: glue, because: 'pressed flat, the frame would stick out of the card.' })
    }
    else {
      card.note('Frame', 'lies flat on its risers and springs up only by the tension of the paper.')
    }
    card.limit({
      parameter: 'window',
      atMost: frameWidth.minus(border.times(4)),
      because: 'the frame and its mat must go round it.',
    })
    card.limit({
      subject: 'Window size',
      parameter: windowShape === 'circle' ? 'window' : 'windowHeight',
      value: high,
      atMost: height.minus(border.times(4)),
      because: 'the frame and its mat must go on above and below it.',
    })
    card.limit({
      parameter: 'glue', atMost: width.times(0.25), because: 'the two strips would leave no room for the scene.',
    })
    card.stamp('the background inside the window', scene.width, scene.height)
    return { width, height, anchor: front }
  },
})
