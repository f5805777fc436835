import { bent, panel, valley } from '../model/entries'
import type { PrintTop } from '../../document'
import type { Means, PartKind } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { riding } from './riding'
import { orUsual, shapeOf } from './choices'
import { risingSceneFields } from './rising-scene-fields'

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
  parameters: risingSceneFields,
  build(
    {
      width, height, lift, flap, sliderWidth, guideWidth, guideHeight, bar, strips, window, peek, windowSize,
      windowShape, windowHeight, windowPlaced, windowLeft, windowBelow, figures, figure, border, stack, curtains,
      stage, raised, barFoot, stripHeight, stripFoot, stageHeight, stageFoot,
    },
    card,
  ) {
    const zero = Measure.zero
    const body = height.minus(lift).named('Slider body')
    const barTop = barFoot.plus(bar)
    const lower = lift.half()
    const spanOf = (said: Measure, usual: Measure, foot: Measure) => {
      const high = orUsual(said, usual.downToMark(card.mark))
      return { foot, high, head: foot.plus(high) }
    }
    /** From where to where the strips on the crossbar reach. */
    const spans = {
      strip: spanOf(stripHeight, bar.minus(lower), stripFoot),
      stage: spanOf(stageHeight, bar.half().minus(lower), stageFoot),
    }
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
    card.whenScored('Fold the base; the fold is at the top.')
    const windowHigh = windowShape === 'circle' ? windowSize : windowHeight
    const size = { width: windowSize, height: windowHigh }
    // The front folds down over the fold, so that left stays left.
    const [windowX, windowTop] = windowPlaced ? [windowLeft, windowBelow] : [width.minus(windowSize).half(), lift]
    if (window) {
      card.window(front, 'window', 'Window drop-out', {
        shape: shapeOf(windowShape), x: windowX, y: windowTop, ...size,
      })
      const beside = windowPlaced ? ` and ${card.show(windowX)} from the left of the front` : ''
      card.step(`Cut the window into the front only, its upper edge ${card.show(windowTop)} below the fold${beside}.`)
      const windowFoot = height.minus(windowTop).minus(windowHigh)
      // Where a strip lies over all of the crossbar that is seen through it, the window may reach down to that.
      const isCovered = [...(strips ? [spans.strip] : []), ...(stage ? [spans.stage] : [])]
        .some(({ foot, head }) => foot.value <= windowFoot.value && head.value >= barTop.value)
      card.limit({
        subject: windowShape === 'circle' ? 'Window size' : 'Window height',
        parameter: windowShape === 'circle' ? 'windowSize' : 'windowHeight',
        value: windowHigh,
        atMost: height.minus(windowTop).minus(isCovered ? rule('between', card.units) : barTop),
        because: isCovered ? 'the front tears below it.' : 'the crossbar must stay hidden below it.',
      })
      card.limit({
        parameter: 'windowSize',
        atMost: width.minus(rule('between', card.units).times(2)),
        because: 'the front tears beside it.',
      })
      if (windowPlaced) {
        card.limit({ parameter: 'windowBelow', atLeast: lift, because: 'it would cut into the flap of the slider.' })
        card.limit({
          parameter: 'windowLeft', atLeast: rule('between', card.units), because: 'the front tears beside it.',
        })
        card.limit({
          parameter: 'windowLeft',
          atMost: width.minus(windowSize).minus(rule('between', card.units)),
          because: 'the front tears beside it.',
        })
      }
    }
    card.mat(back, border, { key: 'mat-back', name: 'Mat on back panel', printTop: 'top' })
    const cover = card.mat(front, border, {
      key: 'mat-front', name: 'Mat on the front', face: 'outside', printTop: 'bottom',
    })
    if (window) {
      // Seen from outside, where the sheet is turned like a page, left is right.
      const below = (side: 'width' | 'height') => front[side].minus(cover[side]).half()
      card.window(face(cover), 'mat-window', 'Mat window drop-out', {
        shape: shapeOf(windowShape),
        x: width.minus(windowX).minus(windowSize).minus(below('width')),
        y: windowTop.minus(below('height')),
        ...size,
      })
    }
    card.lay()

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
    card.step('Crease the slider below its flap.', undefined, [])
    card.step(
      'Glue the flap of the slider to the inside of the front, between crease and fold; closed, the crease lies below the fold.',
      'Glue the flap only.',
    )
    card.travel(panelOf(slider, 'body'), lift.times(2))
    if (window && !peek) card.hide(panelOf(slider, 'body'))
    if (figures) {
      card.piece(
        panelOf(slider, 'body'),
        { width: sliderWidth.minus(border.times(2)).downToMark(card.mark), height: figure },
        { key: 'figures', name: 'Figures on the slider', kind: 'figure', y: body.minus(figure), printTop: 'top' },
      )
    }

    const guide = { width: guideWidth, height: guideHeight }
    let crossbarRests = back
    for (const [side, x] of [
      ['left', zero],
      ['right', width.minus(guideWidth)],
    ] as const) {
      const name = `${side === 'left' ? 'Left' : 'Right'} guide`
      let below = card.piece(back, guide, { key: `guide-${side}`, name, kind: 'hidden', x, y: zero })
      for (let layer = 2; layer <= Number(stack); layer++)
        below = card.piece(face(below), guide, {
          key: `guide-${side}-${layer}`, name: `${name}, piece ${layer}`, kind: 'hidden',
        })
      if (side === 'left') crossbarRests = face(below)
      if (curtains) {
        const curtain = { width: guideWidth, height: height.minus(border).downToMark(card.mark) }
        card.piece(face(below), curtain, {
          key: `curtain-${side}`,
          name: `${side === 'left' ? 'Left' : 'Right'} curtain`,
          kind: 'figure',
          y: zero,
          glueHeight: guideHeight,
        })
      }
    }
    card.step(
      `Stack ${stack === '1' ? 'small pieces' : `${stack} small pieces`} into a guide in each lower corner, a little thicker than the `
      + 'slider with its figures.',
      'The guides carry the crossbar clear of the slider.',
    )
    const crossbar = card.loose('crossbar', 'Crossbar', { width, height: bar }, 'insert')
    card.joinAt(face(crossbar), crossbarRests, 'inside', {
      x: zero,
      y: barFoot,
      glue: { width: guideWidth, height: guideHeight.value < barTop.value ? guideHeight.minus(barFoot) : bar },
    })
    if (strips) {
      lay('strip', {
        key: 'crossbar-front',
        name: 'Second strip of the crossbar',
        kind: 'underlay',
        means: raised ? 'foam' : 'tape',
        printTop: 'top',
      })
    }
    if (stage) {
      lay('stage', {
        key: 'stage', name: 'Stage strip', kind: 'figure', means: 'foam', printTop: 'top',
      })
    }
    card.step(
      'Glue the crossbar to the two guides only; cut its upper edge to a wave if you like.',
      'No glue between the guides, or the slider is stuck. Close the card once before the glue sets.',
    )

    const clearance = rule('clearance', card.units)
    card.limit({
      parameter: 'sliderWidth',
      atMost: width.minus(guideWidth.times(2)).minus(clearance.times(2)),
      because: 'it would jam between the guides.',
    })
    card.limit({
      parameter: 'flap', atMost: lift.minus(rule('ease', card.units)), because: 'it would run into the fold.',
    })
    card.limit({
      subject: 'Crossbar height',
      parameter: 'bar',
      value: barTop,
      atLeast: lift.times(2).plus(rule('overlap', card.units)),
      right: lift.times(2).plus(rule('overlap', card.units)).minus(barFoot),
      because: 'at full rise the slider would leave it.',
    })
    card.limit({
      subject: 'Crossbar height',
      parameter: 'bar',
      value: barTop,
      atMost: height.minus(lift),
      right: height.minus(lift).minus(barFoot),
      because: 'it would hide the scene.',
    })
    card.limit({
      parameter: 'barFoot',
      atMost: guideHeight.minus(rule('glueWidth', card.units)),
      because: 'the guides would hardly hold it.',
    })
    card.limit({ parameter: 'barFoot', atMost: lift.times(2), because: 'the risen slider would show below it.' })
    card.limit({
      parameter: 'lift',
      atMost: height.times(0.25),
      because: 'the slider would be too short to stay behind the crossbar.',
    })
    card.limit({ parameter: 'guideHeight', atMost: barTop, because: 'the guides would show above the crossbar.' })
    card.limit({
      parameter: 'guideWidth',
      atLeast: rule('glueWidth', card.units),
      because: 'a narrower one does not carry the crossbar.',
    })
    if (figures) {
      card.limit({
        parameter: 'figure', atMost: body.minus(clearance), because: 'it would stick out at the foot of the card.',
      })
    }
    card.note(
      'Figures', 'must not reach beyond the crease of the slider: there they would strike the front on its way.',
    )
    // The bar and the risen scene hide the back panel; what is lifted shows its inside.
    const clear = height.minus(border).minus(lift)
    card.message(
      'the inside of the lifted front', width.minus(border.times(2)), window ? clear.minus(windowHigh) : clear, front,
    )
    return { width, height, anchor: back }

    /** Lays a strip on the crossbar, all over where both are; it may stand out above or below it. */
    function lay(
      which: 'strip' | 'stage',
      placing: { key: string, name: string, kind: PartKind, means: Means, printTop: PrintTop },
    ) {
      const { foot, high, head } = spans[which]
      const from = foot.value < barFoot.value ? barFoot.minus(foot) : zero
      const to = head.value > barTop.value ? high.minus(head.minus(barTop)) : high
      card.piece(face(crossbar), { width, height: high }, {
        ...placing, y: foot.minus(barFoot), glueY: from, glueHeight: to.minus(from),
      })
      card.limit({
        subject: `${placing.name} above the foot`,
        parameter: `${which}Foot`,
        value: foot,
        atMost: barTop.minus(rule('glueWidth', card.units)),
        because: 'nothing of the crossbar would hold it.',
      })
      card.limit({
        subject: `Height of the ${placing.name.toLowerCase()}`,
        parameter: `${which}Height`,
        value: head,
        atMost: height.minus(lift),
        right: height.minus(lift).minus(foot),
        because: 'it would hide the scene.',
      })
      card.limit({
        subject: `Height of the ${placing.name.toLowerCase()}`,
        parameter: `${which}Height`,
        value: head,
        atLeast: barFoot.plus(rule('glueWidth', card.units)),
        right: barFoot.plus(rule('glueWidth', card.units)).minus(foot),
        because: 'nothing of the crossbar would hold it.',
      })
    }
  },
})
