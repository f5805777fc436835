import { mountain, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle } from '../model/parameters'
import { RAISED, heldBy, matBorder } from './choices'

export const zFold = defineFold({
  id: 'z-fold',
  number: 1,
  name: 'Z-fold',
  summary: 'Folded in half, then the upper half turned back on itself; a plate on the front half bridges to the back.',
  skill: 'first card',
  stands: true,
  group: 'strip',
  bothWays: true,
  layered: true,
  handed: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    border: matBorder,
    plate: toggle('Plate across the front', true, 'Glued to panel A only, reaching over panel C'),
    plateHeld: choice('Plate held', RAISED, undefined, 'plate'),
    plateWidth: length('Plate width', '3 1/4 in', '80 mm', { follows: 'width', when: 'plate' }),
    plateHeight: length('Plate height', '3 1/2 in', '90 mm', { follows: 'height', when: 'plate' }),
    message: toggle('Message panel on C', true),
  },
  build({ width, height, border, plate, plateHeld, plateWidth, plateHeight, message }, card) {
    const half = width.half()
    const base = card.strip('base', 'Base', 'base', height, [
      panel('a', 'Front panel A', half),
      mountain(60),
      panel('b', 'Inner panel B', width.minus(half)),
      valley(60),
      panel('c', 'Back panel C', width),
    ])
    const printTop = 'top'
    card.step(
      'Score both creases and fold the base: in half at the valley, then turn the upper half back at the mountain.',
    )
    card.whenScored('Fold the base: in half at the valley, then turn the upper half back at the mountain.')
    card.mat(panelOf(base, 'a'), border, { key: 'mat-a', name: 'Mat on panel A', printTop })
    card.mat(panelOf(base, 'b'), border, { key: 'mat-b', name: 'Mat on panel B', printTop })
    const matC = card.mat(panelOf(base, 'c'), border, { key: 'mat-c', name: 'Mat on panel C', printTop })
    card.lay('Check the right way up of each print with the card folded.')

    if (message) {
      const panelC = card.mat(face(matC), border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('panel C', panelC.width, panelC.height, face(panelC))
      card.lay()
    }
    else {
      card.message('panel C', matC.width, matC.height, face(matC))
    }

    if (plate) {
      const front = panelOf(base, 'a')
      const toEdge = width.minus(plateWidth).half()
      const body = card.piece(
        front,
        { width: plateWidth, height: plateHeight },
        {
          key: 'plate',
          name: 'Plate',
          kind: 'plate',
          means: heldBy(plateHeld),
          x: toEdge,
          glueWidth: half.minus(toEdge),
        },
      )
      card.mat(face(body), border, { key: 'plate-mat', name: 'Mat on plate', printTop })
      card.step(
        `Put ${plateHeld === 'foam' ? 'foam' : 'tape'} on the left half of the plate only and set it across the closed front.`,
        'No glue on the half that reaches over panel C, or the card is shut for good.',
      )
      card.limit({
        parameter: 'plateWidth',
        atMost: width.minus(border.times(2)),
        because: 'the border must stay visible beside it.',
      })
      card.limit({
        parameter: 'plateHeight',
        atMost: height.minus(border.times(2)),
        because: 'the border must stay visible above and below it.',
      })
    }
    return { width, height, anchor: panelOf(base, 'c') }
  },
})
