import { bent, panel, valley } from '../model/builder'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { riding } from './riding'
import { matBorder } from './choices'

/** Degrees between the front and its flat, open place. */
const away = (opening: number) => 180 * (1 - opening)

export const risingScene = defineFold({
  id: 'rising-scene',
  number: 17,
  name: 'Rising scene',
  summary:
    'Lifting the front draws a slider with figures up behind a crossbar; closed, they hide behind the front or look through its window.',
  skill: 'nimble',
  stands: false,
  group: 'slider',
  layered: true,
  view: { turn: -20, tilt: 8 },
  parameters: {
    width: length('Finished width', '4 1/4 in', '105 mm'),
    height: length('Finished height', '5 1/2 in', '148 mm'),
    lift: length('Crease below the fold', '1 in', '25 mm', { help: 'The slider rises by twice this' }),
    flap: length('Flap of the slider', '3/4 in', '18 mm'),
    sliderWidth: length('Slider width', '2 3/4 in', '66 mm'),
    guideWidth: length('Guide width', '1/2 in', '12 mm'),
    guideHeight: length('Guide height', '1 1/2 in', '38 mm'),
    bar: length('Crossbar height', '2 1/2 in', '64 mm'),
    strips: toggle('A second, lower strip on the crossbar', true),
    window: toggle('Window in the front', false),
    peek: toggle('Figures may look through the window', true),
    windowSize: length('Window size', '1 3/4 in', '45 mm', { when: 'window' }),
    figure: length('Figure height', '2 1/2 in', '64 mm', { help: 'Figures on the slider, their heads at its crease' }),
    border: matBorder,
  },
  build(
    { width, height, lift, flap, sliderWidth, guideWidth, guideHeight, bar, strips, window, peek, windowSize, figure, border },
    card,
  ) {
    const zero = Measure.zero
    const body = height.minus(lift).named('Slider body')
    const base = card.strip(
      'base',
      'Base',
      'base',
      width,
      [panel('back', 'Back panel', height), valley(0), panel('front', 'Front panel', height)],
      'y',
    )
    const [back, front] = [panelOf(base, 'back'), panelOf(base, 'front')]
    card.step('Score and fold the base; the fold is at the top.')
    if (window) {
      const x = width.minus(windowSize).half()
      card.window(front, 'window', 'Window drop-out', { shape: 'circle', x, y: lift, width: windowSize, height: windowSize })
      card.step(`Cut the window into the front only, its upper edge ${card.show(height.minus(lift).minus(windowSize))} below the fold.`)
      card.limit({
        subject: 'Window size',
        parameter: 'windowSize',
        value: windowSize,
        atMost: height.minus(lift).minus(bar),
        because: 'the crossbar must stay hidden below it.',
      })
      if (!peek) card.missing('Figures', 'look through the window of the closed card: leave the window out, or let them.')
      card.limit({
        subject: 'Window size',
        parameter: 'windowSize',
        value: windowSize,
        atMost: width.minus(rule('between', card.units).times(2)),
        because: 'the front tears beside it.',
      })
    }
    card.mat(back, border, { key: 'mat-back', name: 'Mat on back panel', printTop: 'top' })
    if (!window) card.mat(front, border, { key: 'mat-front', name: 'Mat on the front', face: 'outside', printTop: 'bottom' })
    card.step('Glue the mats.')

    const slider = card.strip(
      'slider',
      'Slider',
      'insert',
      sliderWidth,
      [
        panel('body', 'Slider body', body),
        bent('mountain', opening => 180 - riding(lift.value, body.value, away)(opening)),
        panel('flap', 'Flap', flap),
      ],
      'y',
    )
    card.joinAt(panelOf(slider, 'flap'), front, 'inside', {
      x: width.minus(sliderWidth).half(),
      y: lift.minus(flap),
      faceDown: true,
      turned: 180,
    })
    card.step(
      'Crease the slider and glue its flap to the inside of the front, between crease and fold; closed, the crease lies below the fold.',
      'Glue the flap only.',
    )
    card.travel(panelOf(slider, 'body'), lift.times(2))
    card.piece(
      panelOf(slider, 'body'),
      { width: sliderWidth.minus(border.times(2)).downToMark(card.mark), height: figure },
      { key: 'figures', name: 'Figures on the slider', kind: 'figure', y: body.minus(figure), printTop: 'top' },
    )

    for (const [side, x] of [
      ['left', zero],
      ['right', width.minus(guideWidth)],
    ] as const) {
      card.piece(
        back,
        { width: guideWidth, height: guideHeight },
        { key: `guide-${side}`, name: `${side === 'left' ? 'Left' : 'Right'} guide`, kind: 'hidden', x, y: zero },
      )
    }
    card.step(
      'Stack small pieces into a guide in each lower corner, a little thicker than the slider with its figures.',
      'The guides carry the crossbar clear of the slider.',
    )
    const crossbar = card.loose('crossbar', 'Crossbar', { width, height: bar }, 'insert')
    card.joinAt(face(crossbar), back, 'inside', {
      x: zero,
      y: zero,
      glue: { width: guideWidth, height: guideHeight.value < bar.value ? guideHeight : bar },
    })
    if (strips)
      card.piece(
        face(crossbar),
        { width, height: bar.minus(lift.half()).downToMark(card.mark) },
        { key: 'crossbar-front', name: 'Second strip of the crossbar', kind: 'underlay', means: 'foam', y: zero, printTop: 'top' },
      )
    card.step(
      'Glue the crossbar to the two guides only; cut its upper edge to a wave if you like.',
      'No glue between the guides, or the slider is stuck. Close the card once before the glue sets.',
    )

    const clearance = rule('clearance', card.units)
    card.limit({
      subject: 'Slider width',
      parameter: 'sliderWidth',
      value: sliderWidth,
      atMost: width.minus(guideWidth.times(2)).minus(clearance.times(2)),
      because: 'it would jam between the guides.',
    })
    card.limit({
      subject: 'Flap of the slider',
      parameter: 'flap',
      value: flap,
      atMost: lift.minus(rule('ease', card.units)),
      because: 'it would run into the fold.',
    })
    card.limit({
      subject: 'Crossbar height',
      parameter: 'bar',
      value: bar,
      atLeast: lift.times(2).plus(rule('overlap', card.units)),
      because: 'at full rise the slider would leave it.',
    })
    card.limit({
      subject: 'Crossbar height',
      parameter: 'bar',
      value: bar,
      atMost: height.minus(lift),
      because: 'it would hide the scene.',
    })
    card.limit({
      subject: 'Crease below the fold',
      parameter: 'lift',
      value: lift,
      atMost: height.times(0.25),
      because: 'the slider would be too short to stay behind the crossbar.',
    })
    card.limit({
      subject: 'Guide height',
      parameter: 'guideHeight',
      value: guideHeight,
      atMost: bar,
      because: 'the guides would show above the crossbar.',
    })
    card.limit({
      subject: 'Guide width',
      parameter: 'guideWidth',
      value: guideWidth,
      atLeast: rule('glueWidth', card.units),
      because: 'a narrower one does not carry the crossbar.',
    })
    card.limit({
      subject: 'Figure height',
      parameter: 'figure',
      value: figure,
      atMost: body.minus(clearance),
      because: 'it would stick out at the foot of the card.',
    })
    card.note('Figures', 'must not reach beyond the crease of the slider: there they would strike the front on its way.')
    card.message('the back panel, below the risen scene', width.minus(border.times(2)), lift.times(2))
    return { width, height, anchor: back }
  },
})
