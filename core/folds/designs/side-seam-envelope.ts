import { at, bent, box, valley } from '../model/entries'
import { defineFold } from '../model/fold'
import { length, size } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { STYLE, shut } from './plain'

export const sideSeamEnvelope = defineFold({
  ...STYLE,
  id: 'side-seam-envelope',
  number: 23,
  name: 'Envelope with side seams',
  summary: 'A pocket with two side flaps and a closing flap, for a card of any size and thickness.',
  parameters: {
    cardWidth: size('Card width', '5 1/2 in', '148 mm', { help: 'The longer side of the closed card' }),
    cardHeight: size('Card height', '4 1/4 in', '105 mm'),
    thickness: length('Card thickness', '1/16 in', '2 mm', { zero: true }),
    ease: length('Ease', '1/8 in', '3 mm', { help: 'Room on each side' }),
    seam: length('Side flap', '5/8 in', '16 mm'),
    flap: length('Closing flap', '2 in', '50 mm', { follows: 'cardHeight' }),
  },
  build({ cardWidth, cardHeight, thickness, ease, seam, flap }, card) {
    const zero = Measure.zero
    const width = cardWidth.plus(ease.times(2)).plus(thickness).named('Envelope width')
    const height = cardHeight.plus(ease.times(2)).plus(thickness).named('Envelope height')
    const front = height.minus(ease)
    const whole = width.plus(seam.times(2))
    const sheet = card.sheet('envelope', 'Envelope', 'base', { width: whole, height: height.plus(front).plus(flap) })
    const [left, right] = [seam, seam.plus(width)]
    const [low, high] = [front, front.plus(height)]
    const back = card.area(sheet, 'back', 'Back', box(left, low, width, height))
    card.area(sheet, 'front', 'Pocket', box(left, zero, width, front))
    card.area(sheet, 'flap', 'Closing flap', box(left, high, width, flap))
    card.area(sheet, 'left', 'Left seam', box(zero, low, seam, height))
    card.area(sheet, 'right', 'Right seam', box(right, low, seam, height))
    card.crease(sheet, ['back', 'left'], at(left, low), at(left, high), bent('valley', shut))
    card.crease(sheet, ['back', 'right'], at(right, low), at(right, high), bent('valley', shut))
    card.crease(sheet, ['back', 'front'], at(left, low), at(right, low), bent('valley', shut))
    card.crease(sheet, ['back', 'flap'], at(left, high), at(right, high), valley(40))
    card.shape(sheet, [
      at(left, zero),
      at(right, zero),
      at(right, low),
      at(whole, low),
      at(whole, high),
      at(right, high),
      at(right, high.plus(flap)),
      at(left, high.plus(flap)),
      at(left, high),
      at(zero, high),
      at(zero, low),
      at(left, low),
    ])
    card.step('Score all four lines and cut the corners away.')
    card.whenScored('Cut the corners away.')
    card.step('Fold the seams in and glue the pocket over them.', 'Glue the seams only.')
    card.limit({ parameter: 'seam', atLeast: rule('glueWidth', card.units), because: 'a narrower seam does not hold.' })
    card.limit({ parameter: 'seam', atMost: width.half(), because: 'the seams would overlap.' })
    card.limit({ parameter: 'flap', atMost: height, because: 'it would stick out of the closed envelope.' })
    return { width, height, anchor: back }
  },
})
