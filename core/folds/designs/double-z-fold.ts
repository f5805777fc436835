import { mountain, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { matBorder } from './choices'

/** How far the legs of the parallelogram stand open on display, in degrees. */
const OPEN = 60

export const doubleZFold = defineFold({
  id: 'double-z-fold',
  number: 2,
  name: 'Double Z-fold',
  summary:
    'A Z-fold with a strip folded the other way round across its front; the two swing together and stand by themselves.',
  skill: 'some care',
  stands: true,
  group: 'strip',
  bothWays: true,
  layered: true,
  handed: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    stripHeight: length('Strip height', '1 3/4 in', '45 mm', { follows: 'height' }),
    placed: toggle('Strip at a height of its own', false, 'Otherwise in the middle'),
    stripFoot: length('Strip above the foot', '1 7/8 in', '51 mm', { follows: 'height', when: 'placed', zero: true }),
    border: matBorder,
    message: toggle('Message panel on C', true, 'Beside the strip, where there is more room'),
    messageHeight: length('Message height', '1 1/2 in', '40 mm', { follows: 'height', when: 'message' }),
  },
  build({ width, height, stripHeight, placed, stripFoot, border, message, messageHeight }, card) {
    const half = width.half()
    const base = card.strip('base', 'Base', 'base', height, [
      panel('a', 'Front panel A', half),
      mountain(OPEN),
      panel('b', 'Inner panel B', width.minus(half)),
      valley(OPEN),
      panel('c', 'Back panel C', width),
    ])
    // Turned end for end: its long panel runs across the front, its short end lies on panel C.
    const strip = card.strip('strip', 'Strip', 'insert', stripHeight, [
      panel('long', 'Long panel', width),
      mountain(OPEN),
      panel('middle', 'Middle of the strip', half),
      valley(OPEN),
      panel('end', 'Short end', width.minus(half)),
    ])
    const [a, c] = [panelOf(base, 'a'), panelOf(base, 'c')]
    const printTop = 'top'
    card.step('Score and fold base and strip alike, then turn the strip end for end.')
    card.whenScored('Fold base and strip alike, then turn the strip end for end.')

    card.mat(a, border, { key: 'mat-a', name: 'Mat on panel A', printTop })
    card.mat(panelOf(base, 'b'), border, { key: 'mat-b', name: 'Mat on panel B', printTop })
    const matC = card.mat(c, border, { key: 'mat-c', name: 'Mat on panel C', printTop })
    card.lay('Check the right way up of each print with the card folded.')
    card.mat(panelOf(strip, 'long'), border, { key: 'mat-long', name: 'Mat on long panel', printTop })
    card.mat(panelOf(strip, 'middle'), border, { key: 'mat-middle', name: 'Mat on middle of the strip', printTop })
    card.mat(panelOf(strip, 'end'), border, { key: 'mat-end', name: 'Mat on short end', printTop })
    card.lay('Nothing raised on the middle of the strip: it swings through the card.')

    const y = placed ? stripFoot : height.minus(stripHeight).half()
    card.joinAt(panelOf(strip, 'long'), a, 'inside', { x: a.x, y, glue: { width: half } })
    card.step(
      'Glue the left half of the long panel to panel A, with the card closed.',
      'No glue right of the crease of panel A.',
    )
    card.joinAt(panelOf(strip, 'end'), c, 'inside', { x: half, y })
    card.step(
      'Put glue on the back of the short end, close the card flat and press through, so that both joints lie flat.',
    )

    // The message has the larger room, as far as the mat goes.
    const above = height.minus(stripHeight).minus(y)
    const isBelow = y.value >= above.value
    const free = (isBelow ? y : above).minus(border.times(2)).named('Free height beside the strip')
    if (message) {
      const note = card.piece(
        face(matC),
        { width: matC.width.minus(border.times(2)).downToMark(card.mark), height: messageHeight },
        {
          key: 'message',
          name: 'Message panel',
          kind: 'message',
          y: isBelow ? border : matC.height.minus(border).minus(messageHeight),
        },
      )
      card.message(
        `panel C ${isBelow ? 'below' : 'above'} the strip`, matC.width.minus(border.times(2)), messageHeight,
        face(note),
      )
      card.lay(`It lies ${isBelow ? 'below' : 'above'} the strip.`)
      card.limit({ parameter: 'messageHeight', atMost: free, because: 'the strip would cover more.' })
    }
    if (placed) {
      card.limit({
        parameter: 'stripFoot', atMost: height.minus(stripHeight), because: 'the strip would stick out at the head.',
      })
    }
    card.limit({
      parameter: 'stripHeight',
      atMost: height.minus(border.times(2)),
      because: 'the border must stay visible above and below it.',
    })
    return { width, height, anchor: c }
  },
})
