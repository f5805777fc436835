import { at, bent, box, valley } from '../model/entries'
import type { Place } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { STYLE, shut } from './plain'

export const diagonalEnvelope = defineFold({
  ...STYLE,
  id: 'diagonal-envelope',
  number: 24,
  name: 'Envelope of four flaps',
  summary: 'A square laid cornerwise round the card: four flaps meet over it.',
  parameters: {
    cardWidth: size('Card width', '5 1/2 in', '148 mm'),
    cardHeight: size('Card height', '4 1/4 in', '105 mm'),
    thickness: length('Card thickness', '1/16 in', '2 mm', { zero: true }),
    ease: length('Ease', '1/8 in', '3 mm', { help: 'Room on each side' }),
    overlap: length('Overlap of the flaps', '1/2 in', '12 mm'),
  },
  build({ cardWidth, cardHeight, thickness, ease, overlap }, card) {
    const width = cardWidth.plus(ease.times(2)).plus(thickness).named('Envelope width')
    const height = cardHeight.plus(ease.times(2)).plus(thickness).named('Envelope height')
    // Flaps with edges at 45 degrees: upper and lower ones are half as high as the envelope is wide, and the other way
    // round.
    const [tall, wide] = [height.plus(width).plus(overlap), width.plus(height).plus(overlap)]
    const [reachX, reachY] = [wide.minus(width).half(), tall.minus(height).half()]
    const sheet = card.sheet('envelope', 'Envelope', 'base', { width: wide, height: tall })
    const [left, right, low, high] = [reachX, reachX.plus(width), reachY, reachY.plus(height)]
    const back = card.area(sheet, 'back', 'Back', box(left, low, width, height))
    const zero = Measure.zero
    const flaps = [
      {
        key: 'lower',
        name: 'Lower flap',
        ends: [at(right, low), at(left, low)],
        tip: at(wide.half(), zero),
        space: box(left, zero, width, reachY),
      },
      {
        key: 'right',
        name: 'Right flap',
        ends: [at(right, high), at(right, low)],
        tip: at(wide, tall.half()),
        space: box(right, low, reachX, height),
      },
      {
        key: 'upper',
        name: 'Upper flap',
        ends: [at(left, high), at(right, high)],
        tip: at(wide.half(), tall),
        space: box(left, high, width, reachY),
      },
      {
        key: 'left',
        name: 'Left flap',
        ends: [at(left, low), at(left, high)],
        tip: at(zero, tall.half()),
        space: box(zero, low, reachX, height),
      },
    ] as const
    const outline: Place[] = []
    for (const {
      key,
      name,
      ends: [from, to],
      tip,
      space,
    } of flaps) {
      card.area(sheet, key, name, space, { outline: [from, to, tip] })
      card.crease(sheet, ['back', key], from, to, key === 'upper' ? valley(40) : bent('valley', shut))
      outline.push(to, tip)
    }
    card.shape(sheet, outline)
    card.step('Cut the blank to the outline and score the four sides of the back.')
    card.whenScored('Cut the blank to the outline.')
    card.step(
      'Fold left and right first, then glue the lower flap to them.',
      'Glue it to the sides only where it lies on them.',
    )
    card.limit({ parameter: 'overlap', atLeast: rule('glueWidth', card.units), because: 'with less they do not meet.' })
    card.limit({
      subject: 'Flap of the envelope',
      parameter: 'overlap',
      value: reachY,
      atMost: height,
      right: height.times(2).minus(width),
      because: 'the upper and lower flap would stick out of the closed envelope.',
    })
    card.limit({
      subject: 'Flap of the envelope',
      parameter: 'overlap',
      value: reachX,
      atMost: width,
      right: width.times(2).minus(height),
      because: 'the side flaps would stick out of the closed envelope.',
    })
    return { width, height, anchor: back }
  },
})
