import { at, bent, box, valley } from '../model/entries'
import { face } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { HELD, heldBy, matBorder } from './choices'

const SIDES = options({ left: 'Opens on the left', right: 'Opens on the right' })

export const splitFrontPocket = defineFold({
  id: 'split-front-pocket',
  number: 9,
  name: 'Split-front pocket',
  summary: 'A slit divides the front: one side opens, the other is taped along its edges and holds an insert card.',
  skill: 'some care',
  stands: false,
  group: 'slider',
  bothWays: true,
  layered: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    opening: length('Opening panel', '2 in', '50 mm', {
      follows: 'width', help: 'The rest of the width is the pocket',
    }),
    side: choice('Opening side', SIDES),
    tape: length('Tape width', '1/4 in', '6 mm'),
    insertWidth: length('Insert width', '3 3/4 in', '95 mm', { follows: 'width' }),
    insertHeight: length('Insert height', '5 in', '135 mm', { follows: 'height' }),
    border: matBorder,
    topper: toggle('Topper across the slit', true),
    topperWidth: length('Topper width', '2 in', '50 mm', { follows: 'width', when: 'topper' }),
    topperHeight: length('Topper height', '2 in', '50 mm', { follows: 'height', when: 'topper' }),
    topperHeld: choice('Topper', HELD, undefined, 'topper'),
    overhang: length('Topper over the pocket', '1/2 in', '12 mm', { follows: 'width', when: 'topper' }),
  },
  build(
    {
      width, height, opening, side, tape, insertWidth, insertHeight, border, topper, topperWidth, topperHeight,
      topperHeld, overhang,
    },
    card,
  ) {
    const zero = Measure.zero
    const base = card.sheet('base', 'Base', 'base', { width, height: height.times(2) })
    const pocketWidth = width.minus(opening)
    const onLeft = side === 'left'
    const split = onLeft ? opening : pocketWidth
    const [fromOpening, fromPocket] = onLeft ? [zero, opening] : [pocketWidth, zero]
    const back = card.area(base, 'back', 'Back panel', box(zero, height, width, height))
    const door = card.area(base, 'opening', 'Opening panel', box(fromOpening, zero, opening, height))
    const pocket = card.area(base, 'pocket', 'Pocket panel', box(fromPocket, zero, pocketWidth, height))
    card.crease(base, ['back', 'opening'], at(fromOpening, height), at(fromOpening.plus(opening), height), valley(70))
    card.crease(
      base,
      ['back', 'pocket'],
      at(fromPocket, height),
      at(fromPocket.plus(pocketWidth), height),
      bent('valley', () => 180),
    )
    card.slit(base, at(split, zero), at(split, height))
    card.step('Score and fold the base first and look which half is a hair longer: put that half in front.')
    card.whenScored('Fold the base first and look which half is a hair longer: put that half in front.')
    card.step(
      'Cut the slit through the front only, from its free edge to the crease.',
      'Stop at the crease. A slit beyond it cuts the card in two.',
    )

    card.mat(back, border, { key: 'mat-back', name: 'Mat on back panel', printTop: 'top' })
    card.mat(door, border, { key: 'mat-opening', name: 'Mat on opening panel', face: 'outside', printTop: 'bottom' })
    card.mat(pocket, border, { key: 'mat-pocket', name: 'Mat on pocket panel', face: 'outside', printTop: 'bottom' })
    card.lay('The front is folded up: the top of its print lies at the free edge of the sheet.')
    card.step(
      'Tape the pocket panel to the back along the fold and its outer side.',
      'Keep the tape at the very edge, or the insert jams.',
    )

    const insert = card.loose('insert', 'Insert card', { width: insertWidth, height: insertHeight }, 'insert')
    card.joinAt(face(insert), back, 'inside', { x: width.minus(insertWidth).half(), y: tape, means: 'held' })
    const layer = card.mat(face(insert), border, {
      key: 'message', name: 'Message layer on the insert', kind: 'message',
    })
    // While the insert is in, the pocket hides all of it that lies beyond the slit.
    const beside = width.minus(layer.width).half()
    card.message('the insert card, beside the pocket', opening.minus(beside), layer.height, face(layer))
    card.stamp('the insert card once it is pulled out', layer.width, layer.height)
    card.step('Push the insert card into the pocket.')
    card.note(
      'Insert card',
      `lies behind the pocket panel on its ${onLeft ? 'right' : 'left'} side while it is in; write nothing there that must be `
      + `read at once.`,
    )
    if (topper) {
      const plate = card.loose('topper', 'Topper', { width: topperWidth, height: topperHeight })
      const overSlit = onLeft ? opening.plus(overhang).minus(topperWidth) : overhang.times(-1)
      card.joinAt(face(plate), door, 'outside', {
        x: overSlit,
        glue: { x: onLeft ? overhang : zero, width: topperWidth.minus(overhang) },
        means: heldBy(topperHeld),
      })
      card.step('Glue the topper to the opening panel only.', 'No glue on the part that reaches over the pocket.')
      card.limit({
        parameter: 'overhang',
        atLeast: rule('glueWidth', card.units),
        because: 'with less it does not hold the door shut.',
      })
      card.limit({
        parameter: 'overhang',
        atMost: topperWidth.minus(rule('glueWidth', card.units)),
        because: 'the topper must be glued to the door.',
      })
      card.limit({
        parameter: 'topperWidth', atMost: opening.plus(overhang), because: 'it would stick out of the closed card.',
      })
      card.limit({ parameter: 'topperHeight', atMost: height, because: 'it would stick out of the closed card.' })
    }
    const ease = rule('ease', card.units)
    card.limit({
      parameter: 'insertWidth', atMost: width.minus(tape).minus(ease), because: 'it would rub at the tape.',
    })
    card.limit({
      parameter: 'insertHeight', atMost: height.minus(tape), because: 'it would stick out of the closed card.',
    })
    card.limit({
      parameter: 'opening',
      atMost: width.minus(tape).minus(rule('openingSide', card.units)),
      because: 'the pocket would be too shallow to hold anything.',
    })
    card.limit({
      parameter: 'tape',
      atMost: rule('tape', card.units),
      severity: 'warn',
      because: 'wider tape takes the room of the insert.',
    })
    const pocketRoom = pocketWidth.minus(tape)
    const wallet = (side: number) => pocketRoom.value >= side * 1_000_000
    card.note(
      'Wallet card',
      wallet(85.6)
        ? 'of 85.6 × 54 mm fits into the pocket lying on its side.'
        : wallet(54)
          ? 'of 85.6 × 54 mm fits into the pocket standing upright.'
          : 'of 85.6 × 54 mm does not fit into the pocket.',
    )
    return { width, height, anchor: back }
  },
})
