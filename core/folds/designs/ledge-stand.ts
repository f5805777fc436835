import { at, bent, box, panel } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { matBorder } from './choices'

/** The links stand this far from the line that joins the outer creases, in degrees. */
const LINK = 60
/** Half the bend between the two end panels, and the angle of the links, at an opening. */
const late = (opening: number) => Math.max(0, (opening - 0.5) * 2)
const bend = (opening: number) => 90 * (1 - late(opening))
const link = (opening: number) => 90 + (LINK - 90) * late(opening)
/** The back leaf covers the front of the closed card and swings round behind it first. */
const leafSwing = (opening: number) => 240 * Math.min(1, opening * 2) - 180 + 85 * late(opening)

export const ledgeStand = defineFold({
  id: 'ledge-stand',
  number: 13,
  name: 'Ledge stand',
  summary:
    'Two rails fold forwards and the band between them backwards: a ledge before a niche, held up by a leaf behind.',
  skill: 'some care',
  stands: true,
  group: 'slit',
  layered: true,
  handed: true,
  parameters: {
    side: size('Panel', '2 1/4 in', '55 mm', { help: 'A quarter of the blank; the closed card is two panels wide' }),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    rail: length('Rail height', '1 1/4 in', '32 mm', { follows: 'height' }),
    tab: length('Tab of the back leaf', '1/2 in', '12 mm', { follows: 'side' }),
    leafHeight: length('Back leaf height', '5 1/2 in', '148 mm', { follows: 'height' }),
    border: matBorder,
    figure: toggle('Figure on the lower rail', false),
    reach: length('Figure beyond the ridge', '0 in', '0 mm', {
      zero: true,
      when: 'figure',
      help: 'Closed, the ridge lies on the edge of the card',
    }),
    message: toggle('Message panel on the back leaf', true),
  },
  build({ side, height, rail, tab, leafHeight, border, figure, reach, message }, card) {
    const zero = Measure.zero
    const base = card.sheet('base', 'Base', 'base', { width: side.times(4), height })
    const bandHeight = height.minus(rail.times(2)).named('Band height')
    const bandTop = height.minus(rail)
    const [first, middle, third] = [side, side.times(2), side.times(3)]
    card.area(base, 'left', 'Left end', box(zero, zero, side, height))
    card.area(base, 'right', 'Right end', box(third, zero, side, height))
    const rows = [
      ['lower', 'Lower rail', zero, rail],
      ['band', 'Band', rail, bandHeight],
      ['upper', 'Upper rail', bandTop, rail],
    ] as const
    for (const [key, name, y, high] of rows) {
      card.area(base, `${key}-left`, `${name}, left`, box(first, y, side, high))
      card.area(base, `${key}-right`, `${name}, right`, box(middle, y, side, high))
      const up = (x: Measure) => [at(x, y), at(x, y.plus(high))] as const
      const [outer, inner]
        = key === 'band'
          ? [bent('mountain', opening => link(opening) + bend(opening)), bent('valley', opening => 2 * link(opening))]
          : [bent('valley', opening => link(opening) - bend(opening)), bent('mountain', opening => 2 * link(opening))]
      card.crease(base, ['left', `${key}-left`], ...up(first), outer)
      card.crease(base, [`${key}-left`, `${key}-right`], ...up(middle), inner)
      card.crease(base, [`${key}-right`, 'right'], ...up(third), outer)
    }
    for (const y of [rail, bandTop]) card.slit(base, at(first, y), at(third, y))
    card.step(
      'Cut the two slits between the first and the third score, both the same length.',
      'Start and stop at the scores. The slits let one line be folded both ways.',
    )
    card.step(
      'Score the valleys: the rails at both ends, the band in its middle. Turn the sheet over for the others: the rails in the middle, '
      + 'the band at both ends.',
    )
    card.whenScored(
      'Fold the rails as a mountain in the middle and as valleys at their ends; the band the other way round.',
    )

    for (const key of ['left', 'right'])
      card.mat(panelOf(base, key), border, { key: `mat-${key}`, name: `Mat on ${key} end`, printTop: 'top' })
    for (const [key, name] of rows) {
      for (const half of ['left', 'right'])
        card.mat(panelOf(base, `${key}-${half}`), border, {
          key: `mat-${key}-${half}`,
          name: `Mat on ${name.toLowerCase()}, ${half}`,
          printTop: 'top',
        })
    }
    card.lay('Fold the card once before, and stop short of every score.')
    const leaf = card.strip('leaf', 'Back leaf', 'insert', leafHeight, [
      panel('tab', 'Tab', tab),
      bent('valley', leafSwing),
      panel('leaf', 'Leaf', side.times(2)),
    ])
    card.joinAt(panelOf(leaf, 'tab'), panelOf(base, 'left'), 'outside', { x: zero, y: zero })
    if (message) {
      const note = card.mat(panelOf(leaf, 'leaf'), border, {
        key: 'message', name: 'Message panel', kind: 'message', face: 'outside',
      })
      card.message('the back leaf', note.width, note.height, face(note))
    }
    card.step('Score the tab of the back leaf and fold it both ways.', undefined, [])
    card.whenScored('Fold the tab of the back leaf both ways.')
    card.step(
      'Glue the tab of the back leaf behind the left end: closed, the leaf covers the card; on display it stands behind.',
      'Glue the tab only.',
    )
    card.note('One sheet', 'often gives base and back leaf: look at the layouts before opening a second one.')
    if (figure) {
      card.piece(
        panelOf(base, 'lower-left'),
        { width: side.plus(reach), height: rail },
        {
          key: 'figure', name: 'Figure on the lower rail', kind: 'figure', x: zero, y: zero, glueWidth: side,
          printTop: 'top',
        },
      )
      card.step('Glue the figure to the left half of the lower rail.', 'No glue beyond the ridge.')
      card.limit({ parameter: 'reach', atMost: zero, because: 'by so much it would stick out of the closed card.' })
    }
    card.limit({
      subject: 'Band height',
      parameter: 'rail',
      value: bandHeight,
      atLeast: rule('openingSide', card.units),
      right: height.minus(rule('openingSide', card.units)).half(),
      round: 'down',
      because: 'nothing would be left of the band.',
    })
    card.limit({
      parameter: 'rail', atLeast: rule('between', card.units), because: 'a narrower rail does not hold its crease.',
    })
    card.limit({ parameter: 'leafHeight', atMost: height, because: 'it would stick out of the closed card.' })
    card.limit({ subject: 'Tab', parameter: 'tab', atMost: side, because: 'it must lie behind the left end.' })
    return { width: side.times(2), height, anchor: panelOf(base, 'left') }
  },
})
