import { panel, valley } from '../model/entries'
import { panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure, millimetres } from '../../lengths'
import { BORDER, STYLE } from './plain'

export const giftCardHolder = defineFold({
  ...STYLE,
  id: 'gift-card-holder',
  number: 26,
  name: 'Gift-card holder',
  summary: 'A folded card with a pocket inside that holds a card of wallet size.',
  layered: true,
  handed: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '110 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    pocket: length('Pocket height', '1 3/4 in', '45 mm', {
      follows: 'height', help: 'Folded up from the foot of the back panel’s insert',
    }),
    tape: length('Tape width', '1/8 in', '3 mm'),
    border: BORDER,
  },
  build({ width, height, pocket, tape, border }, card) {
    const base = card.strip('base', 'Base', 'base', height, [
      panel('front', 'Front panel', width),
      valley(60),
      panel('back', 'Back panel', width),
    ])
    const back = panelOf(base, 'back')
    card.step('Score and fold the base.')
    card.whenScored('Fold the base.')
    card.mat(panelOf(base, 'front'), border, {
      key: 'mat-front', name: 'Mat on the front', face: 'outside', printTop: 'top',
    })
    card.lay()
    const across = width.minus(border.times(2)).downToMark(card.mark)
    const holder = card.strip(
      'holder',
      'Pocket',
      'insert',
      across,
      [
        panel('pocket', 'Pocket', pocket), valley(180),
        panel('backing', 'Backing', height.minus(border.times(2)).downToMark(card.mark)),
      ],
      'y',
    )
    card.joinAt(panelOf(holder, 'backing'), back, 'inside', { x: border, y: border })
    card.step(
      'Score the insert, fold its pocket up and tape the two sides of the pocket.', 'Keep the tape at the very edge.',
      [],
    )
    card.whenScored('Fold the pocket of the insert up and tape its two sides.', 'Keep the tape at the very edge.')
    card.step('Glue the insert on the back panel, inside.')
    const gift = Measure.of('Gift card', millimetres(85.6))
    card.message(
      'the inside above the pocket', across, height.minus(border.times(2)).minus(pocket), panelOf(holder, 'backing'),
    )
    card.limit({
      subject: 'Pocket width',
      parameter: 'width',
      value: across.minus(tape.times(2)),
      atLeast: gift,
      right: gift.plus(tape.times(2)).plus(border.times(2)),
      because: 'a gift card of 85.6 × 54 mm must fit between the tapes.',
    })
    card.limit({
      parameter: 'pocket', atLeast: rule('openingSide', card.units), because: 'the gift card would fall out.',
    })
    card.limit({
      parameter: 'pocket', atMost: height.minus(border.times(2)), because: 'it would stick out of the card.',
    })
    return { width, height, anchor: back }
  },
})
