import { at, bent, box } from '../model/entries'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { Measure } from '../../lengths'
import { STYLE } from './plain'

export const boxEnvelope = defineFold({
  ...STYLE,
  id: 'box-envelope',
  number: 25,
  name: 'Box envelope',
  summary: 'A tray and a lid with depth, for cards too thick for a letter.',
  skill: 'some care',
  parameters: {
    cardWidth: size('Card width', '5 1/2 in', '148 mm'),
    cardHeight: size('Card height', '4 1/4 in', '105 mm'),
    depth: length('Depth', '3/4 in', '20 mm', { help: 'Thickness of the card with all that is on it' }),
    ease: length('Ease', '1/8 in', '3 mm', { help: 'Room round the card, and of the lid round the tray' }),
    lid: toggle('Lid', true),
  },
  build({ cardWidth, cardHeight, depth, ease, lid }, card) {
    const zero = Measure.zero
    const build = (key: string, name: string, width: Measure, height: Measure) => {
      const sheet = card.sheet(key, name, key === 'tray' ? 'base' : 'insert', {
        width: width.plus(depth.times(2)),
        height: height.plus(depth.times(2)),
      })
      const [right, top] = [depth.plus(width), depth.plus(height)]
      const floor = card.area(sheet, 'floor', `${name} floor`, box(depth, depth, width, height))
      card.area(sheet, 'left', 'Left wall', box(zero, depth, depth, height))
      card.area(sheet, 'right', 'Right wall', box(right, depth, depth, height))
      card.area(sheet, 'lower', 'Lower wall', box(depth, zero, width, depth))
      card.area(sheet, 'upper', 'Upper wall', box(depth, top, width, depth))
      const square = bent('valley', () => 90)
      card.crease(sheet, ['floor', 'left'], at(depth, depth), at(depth, top), square)
      card.crease(sheet, ['floor', 'right'], at(right, depth), at(right, top), square)
      card.crease(sheet, ['floor', 'lower'], at(depth, depth), at(right, depth), square)
      card.crease(sheet, ['floor', 'upper'], at(depth, top), at(right, top), square)
      for (const [wall, x, cut] of [
        ['left', zero, depth],
        ['right', right, right],
      ] as const) {
        for (const [end, y, edge] of [
          ['lower', zero, depth],
          ['upper', top, top],
        ] as const) {
          card.area(sheet, `${wall}-${end}`, `Tab of the ${wall} wall, ${end}`, box(x, y, depth, depth))
          card.crease(sheet, [wall, `${wall}-${end}`], at(x, edge), at(x.plus(depth), edge), square)
          card.slit(sheet, at(cut, y), at(cut, y.plus(depth)))
        }
      }
      return floor
    }
    const width = cardWidth.plus(ease.times(2)).named('Tray width')
    const height = cardHeight.plus(ease.times(2)).named('Tray height')
    const floor = build('tray', 'Tray', width, height)
    if (lid) {
      build('lid', 'Lid', width.plus(ease), height.plus(ease))
      card.note('Lid', `is ${ease.explain(card.units)} larger than the tray, so that it slips over it.`)
    }
    card.step('Score four lines on tray and lid and cut the four slits of each.')
    card.whenScored('Cut the four slits of tray and lid.')
    card.step(
      'Fold the walls up.',
      'The ends of the side walls are tabs: fold them round the corners and glue them to the other walls.',
    )
    card.limit({
      parameter: 'depth', atMost: height.half(), because: 'the tabs at the corners would run into each other.',
    })
    return { width: width.plus(depth.times(2)), height: height.plus(depth.times(2)), depth, anchor: floor }
  },
})
