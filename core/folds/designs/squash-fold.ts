import { at, bent, box, panel } from '../model/entries'
import type { Place } from '../model/card'
import { panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { squash } from './squash'

/** Grams per square metre above which the square cracks where its creases meet. */
const HEAVIEST = 170

export const squashFold = defineFold({
  id: 'squash-fold',
  number: 21,
  name: 'Squash-fold insert',
  summary: 'A square folded to a house between the covers spreads out to its whole size when they part.',
  skill: 'nimble',
  stands: false,
  group: 'box',
  layered: true,
  view: { turn: -20, tilt: -20 },
  parameters: {
    square: size('Square', '7 1/2 in', '190 mm', {
      help: 'Side of the insert; closed it is half as wide and half as high',
    }),
    border: length('Border', '1/4 in', '6 mm', { help: 'What the covers leave visible round the folded insert' }),
    mats: toggle('Mats outside the covers', true),
    matBorder: length('Border of the mats', '1/4 in', '6 mm', { follows: 'border', when: 'mats', zero: true }),
  },
  build({ square, border, mats, matBorder }, card) {
    const zero = Measure.zero
    const [quarter, half, threeQuarters] = [square.times(0.25), square.half(), square.times(0.75)]
    const cover = half.plus(border.times(2)).named('Cover')
    const base = card.strip(
      'base',
      'Base',
      'base',
      cover,
      [
        panel('lower', 'Lower cover', cover), bent('valley', opening => 180 * (1 - opening)),
        panel('upper', 'Upper cover', cover),
      ],
      'y',
    )
    const sheet = card.sheet('insert', 'Square', 'insert', { width: square, height: square }, 'top')
    sheet.heaviest = HEAVIEST
    const centre = at(half, half)
    const whole = box(zero, zero, square, square)
    const area = (key: string, name: string, outline: Place[]) => card.area(sheet, key, name, whole, { outline })
    // The quarter on the lower cover, that on the upper one, and the two halves of each side between them.
    const lower = area('lower', 'Lower quarter', [
      at(quarter, zero),
      at(threeQuarters, zero),
      at(threeQuarters, quarter),
      centre,
      at(quarter, quarter),
    ])
    const upper = area('upper', 'Upper quarter', [
      centre,
      at(threeQuarters, threeQuarters),
      at(threeQuarters, square),
      at(quarter, square),
      at(quarter, threeQuarters),
    ])
    const main = { direction: 'valley' as const, fold: (opening: number) => squash(opening).diagonal }
    for (const [side, name] of [
      ['left', 'Left'],
      ['right', 'Right'],
    ] as const) {
      const x = (from: Measure) => (side === 'right' ? from : square.minus(from))
      const turn = (corners: Place[]) => (side === 'right' ? corners : corners.reverse())
      area(
        `${side}-low`,
        `${name} side, lower half`,
        turn([centre, at(x(threeQuarters), quarter), at(x(square), quarter), at(x(square), half)]),
      )
      area(
        `${side}-high`,
        `${name} side, upper half`,
        turn([centre, at(x(square), half), at(x(square), threeQuarters), at(x(threeQuarters), threeQuarters)]),
      )
      card.crease(sheet, ['lower', `${side}-low`], centre, at(x(threeQuarters), quarter), main)
      card.crease(sheet, ['upper', `${side}-high`], centre, at(x(threeQuarters), threeQuarters), main)
      card.crease(
        sheet,
        [`${side}-low`, `${side}-high`],
        centre,
        at(x(square), half),
        bent('mountain', opening => squash(opening).middle),
      )
      for (const [row, edge, inner, quarterKey] of [
        ['low', zero, quarter, 'lower'],
        ['high', square, threeQuarters, 'upper'],
      ] as const) {
        const [tuck, tuckSide] = [`${side}-${row}-tuck`, `${side}-${row}-tuck-side`]
        const corner = at(x(square), edge)
        const pivot = at(x(threeQuarters), inner)
        const upside = row === 'high'
        const order = (corners: Place[]) => ((side === 'right') !== upside ? corners : corners.reverse())
        area(
          tuck, `${name} tuck, ${row === 'low' ? 'lower' : 'upper'}`,
          order([at(x(threeQuarters), edge), corner, pivot]),
        )
        area(
          tuckSide, `${name} tuck, ${row === 'low' ? 'lower' : 'upper'}, side`,
          order([corner, at(x(square), inner), pivot]),
        )
        const flank = bent('valley', opening => squash(opening).flank)
        card.crease(sheet, [quarterKey, tuck], pivot, at(x(threeQuarters), edge), flank)
        card.crease(sheet, [`${side}-${row}`, tuckSide], pivot, at(x(square), inner), flank)
        card.crease(
          sheet,
          [tuck, tuckSide],
          pivot,
          corner,
          bent('mountain', opening => squash(opening).diagonal),
        )
      }
    }
    card.step(
      'Print and write on the square first: folded, nothing can be written.',
      'Light to middling paper only; heavy stock cracks at the centre.',
    )
    card.step(
      'Score both diagonals; turn the insert over and score the middle line. Push the sides in until the square collapses to a triangle.',
    )
    card.whenScored(
      'Fold both diagonals and, the other way, the middle line; push the sides in until the square collapses to a triangle.',
    )
    card.step(
      'Fold the four corners to the middle, open them and tuck them inside: a house is left.',
      'Burnish every fold before gluing.',
    )
    for (const [quarterPanel, key, y] of [
      [lower, 'lower', cover.minus(half)],
      [upper, 'upper', half.times(-1)],
    ] as const) {
      card.joinAt(quarterPanel, panelOf(base, key), 'inside', {
        x: cover.minus(square).half(),
        y,
        glue: { x: quarter, y: key === 'lower' ? zero : threeQuarters, width: half, height: quarter },
      })
    }
    card.step(
      'Glue the house into the base, its roof on the spine; close the cover onto it for the second half.',
      'The point of the roof lies exactly on the fold.',
    )
    if (mats) {
      for (const key of ['lower', 'upper'] as const)
        card.mat(panelOf(base, key), matBorder, {
          key: `mat-${key}`,
          name: `Mat on ${key} cover`,
          face: 'outside',
          printTop: key === 'upper' ? 'bottom' : 'top',
        })
      card.lay()
    }
    card.stamp('the open square, less the four tucked corners: a band as wide as the square', square, half)
    card.message('the middle of the open square', half, half)
    card.limit({
      parameter: 'square',
      atLeast: rule('messageSide', card.units).times(2),
      because: 'there would be no room to write.',
    })
    return { width: cover, height: cover, anchor: panelOf(base, 'lower') }
  },
})
