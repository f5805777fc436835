import { during, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { matBorder } from './choices'

export const crossingFlaps = defineFold({
  id: 'crossing-flaps',
  number: 3,
  name: 'Crossing flaps',
  summary: 'A flap folds over from one side, the leaf of an insert closes over it from the other and holds it shut.',
  skill: 'some care',
  stands: false,
  group: 'strip',
  bothWays: true,
  layered: true,
  handed: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    flap: length('Flap', '3 in', '72 mm', { follows: 'width' }),
    leaf: length('Insert leaf', '3 in', '75 mm', { follows: 'width', help: 'Width of one leaf of the folded insert' }),
    insertHeight: length('Insert height', '3 1/2 in', '90 mm', { follows: 'height' }),
    border: matBorder,
    message: toggle('Message panel in the insert', true),
  },
  build({ width, height, flap, leaf, insertHeight, border, message }, card) {
    const { units } = card
    const printTop = 'top'
    const base = card.strip('base', 'Base', 'base', height, [
      panel('back', 'Back panel', width),
      during(0.5, 1, valley(50)),
      panel('flap', 'Flap', flap),
    ])
    const insert = card.strip('insert', 'Insert', 'insert', insertHeight, [
      panel('front-leaf', 'Front leaf', leaf),
      during(0, 0.5, valley(75)),
      panel('back-leaf', 'Back leaf', leaf),
    ])
    card.step(
      'Score and fold the base; the flap closes from the right. Score and fold the insert; it opens from the right.',
    )
    card.whenScored('Fold the base; the flap closes from the right. Fold the insert; it opens from the right.')

    const back = panelOf(base, 'back')
    card.mat(back, border, { key: 'mat-back', name: 'Mat on back panel', printTop })
    card.mat(panelOf(base, 'flap'), border, { key: 'mat-flap', name: 'Mat on flap', face: 'outside', printTop })
    card.lay('Fold the flap first: what looks upright flat may be upside down folded.')

    card.mat(panelOf(insert, 'front-leaf'), border, {
      key: 'mat-front-leaf', name: 'Mat on front leaf', face: 'outside', printTop,
    })
    const inner = card.mat(panelOf(insert, 'back-leaf'), border, {
      key: 'mat-back-leaf', name: 'Mat on back leaf', printTop,
    })
    if (message) {
      const note = card.mat(face(inner), border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the back leaf', note.width, note.height, face(note))
    }
    else {
      card.message('the back leaf', inner.width, inner.height, face(inner))
    }
    card.lay()

    card.join(panelOf(insert, 'back-leaf'), back)
    card.step(
      'Glue the back leaf to the middle of the back panel, its fold on the left. Close the flap, then the leaf over it.',
      'Glue the back leaf only. Close it once before the glue sets.',
    )

    const margin = width.minus(leaf).half().named('Margin beside the insert')
    const overlap = flap.minus(margin)
    const least = rule('overlap', units)
    card.limit({
      subject: 'Overlap of leaf on flap',
      parameter: 'flap',
      value: overlap,
      atLeast: least,
      right: margin.plus(least),
      because: 'with less the card does not hold shut.',
    })
    card.limit({
      parameter: 'flap',
      atMost: margin.plus(leaf).minus(rule('ease', units)),
      because: 'its edge must stop short of the fold of the insert.',
    })
    card.limit({
      parameter: 'leaf',
      atMost: width.minus(border.times(2)),
      because: 'the border must stay visible beside the insert.',
    })
    card.limit({
      parameter: 'insertHeight',
      atMost: height.minus(border.times(2)),
      because: 'the border must stay visible above and below the insert.',
    })
    return { width, height, anchor: back }
  },
})
