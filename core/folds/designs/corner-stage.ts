import { at, bent, box, mountain, panel } from '../model/entries'
import type { CardBuilder } from '../model/builder'
import type { Panel, Part } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { cornerFloor } from './corner-floor'
import { arcs } from './round'
import { matBorder } from './choices'

const FLOORS = options({ square: 'Square', round: 'Round' })

/** What is left of the height of a disc that is cut straight where its foot begins. */
const FLATTENED = 0.9

const EASELS = options({ rectangle: 'Rectangle', arch: 'Rounded head', circle: 'Round' })

export const cornerStage = defineFold({
  id: 'corner-stage',
  number: 19,
  name: 'Corner stage',
  summary: 'Two walls stand at a right angle on a floor that folds up between them when the card is closed.',
  skill: 'nimble',
  stands: true,
  group: 'box',
  layered: true,
  view: { turn: 42, tilt: 26 },
  parameters: {
    side: size('Width of a wall', '4 1/4 in', '105 mm'),
    height: size('Height of a wall', '5 1/2 in', '148 mm'),
    border: matBorder,
    floorPiece: toggle('Floor piece', true, 'Glued on one half of the floor only'),
    floorShape: choice('Shape of the floor piece', FLOORS, undefined, 'floorPiece'),
    easel: toggle('A small easel to stand on it', false),
    easelShape: choice('Shape of the easel', EASELS, undefined, 'easel'),
    easelWidth: length('Width of the easel', '2 1/8 in', '52 mm', { follows: 'side', when: 'easel' }),
    easelHeight: length('Height of the easel', '2 1/8 in', '52 mm', {
      follows: 'height', when: ['easel', 'easelShape=rectangle'],
    }),
    easelArch: length('Height of the easel to its rounded head', '2 1/8 in', '52 mm', {
      follows: 'height', when: ['easel', 'easelShape=arch'],
    }),
    easelFoot: length('Foot of the easel', '1 in', '25 mm', {
      follows: 'side', when: 'easel', help: 'How far it stands back on the floor',
    }),
    outside: toggle('Mats outside', true),
    message: toggle('Message panel outside', false),
  },
  build(
    {
      side, height, border, floorPiece, floorShape, easel, easelShape, easelWidth, easelHeight, easelArch, easelFoot,
      outside, message,
    },
    card,
  ) {
    const zero = Measure.zero
    const whole = side.times(2)
    const sheet = card.sheet('sheet', 'Sheet', 'base', { width: whole, height: height.plus(side) }, 'top')
    const vertex = at(side, side)
    const top = height.plus(side)
    const left = card.area(sheet, 'left', 'Left wall', box(zero, side, side, height))
    const right = card.area(sheet, 'right', 'Right wall', box(side, side, side, height))
    const square = { left: box(zero, zero, side, side), right: box(side, zero, side, side) }
    // The left half comes to lie on the right one, so it is listed after it.
    const rightFloor = card.area(sheet, 'right-floor', 'Floor under the right wall', square.right, {
      outline: [at(whole, zero), at(whole, side), vertex],
    })
    card.area(sheet, 'right-lap', 'Lap of the right half', square.right, {
      outline: [at(side, zero), at(whole, zero), vertex],
    })
    card.area(sheet, 'left-floor', 'Floor under the left wall', square.left, {
      outline: [at(zero, zero), vertex, at(zero, side)],
    })
    const leftLap = card.area(sheet, 'left-lap', 'Lap of the left half', square.left, {
      outline: [at(zero, zero), at(side, zero), vertex],
    })
    card.crease(
      sheet,
      ['left', 'right'],
      vertex,
      at(side, top),
      bent('valley', opening => 180 - 90 * opening),
    )
    card.crease(
      sheet,
      ['left', 'left-floor'],
      at(zero, side),
      vertex,
      bent('valley', opening => cornerFloor(opening).foot),
    )
    card.crease(
      sheet,
      ['right', 'right-floor'],
      vertex,
      at(whole, side),
      bent('valley', opening => cornerFloor(opening).foot),
    )
    card.crease(
      sheet,
      ['left-floor', 'left-lap'],
      vertex,
      at(zero, zero),
      bent('mountain', opening => cornerFloor(opening).diagonal),
    )
    card.crease(
      sheet,
      ['right-floor', 'right-lap'],
      vertex,
      at(whole, zero),
      bent('mountain', opening => cornerFloor(opening).diagonal),
    )
    card.slit(sheet, vertex, at(side, zero))
    card.step(
      'Score the middle line between the walls and the line at their foot; cut the lower middle line up to the centre and not beyond.',
      'Stop at the centre, or the walls come apart.',
    )
    card.whenScored(
      'Cut the lower middle line up to the centre and not beyond.', 'Stop at the centre, or the walls come apart.',
    )
    card.step(
      'Turn over and score both diagonals from the centre to the lower corners.',
      'Cut the score line away under the overlap to save bulk.',
    )
    card.whenScored(
      'Turn over and fold both diagonals from the centre to the lower corners.',
      'Cut the score line away under the overlap to save bulk.',
    )
    card.mat(left, border, { key: 'mat-left', name: 'Mat on left wall', printTop: 'top' })
    card.mat(right, border, { key: 'mat-right', name: 'Mat on right wall', printTop: 'top' })
    let wall: Panel | undefined
    if (outside) {
      wall = face(
        card.mat(left, border, {
          key: 'mat-left-outside', name: 'Mat outside the left wall', face: 'outside', printTop: 'top',
        }),
      )
      card.mat(right, border, {
        key: 'mat-right-outside', name: 'Mat outside the right wall', face: 'outside', printTop: 'top',
      })
    }
    card.lay()
    // The left half lies on the right one, turned by a right angle: diagonal on diagonal.
    card.joinAt(leftLap, rightFloor, 'inside', {
      x: zero,
      y: zero,
      turned: 90,
      glue: { x: side.half(), y: zero, width: side.half(), height: side.half() },
    })
    card.step(
      'Lay the left square on the right one, diagonal on diagonal, and glue them together.',
      'Glue on both sides of the diagonal but not on it: it must fold.',
    )
    if (floorPiece) {
      const size = side.minus(border.times(2)).downToMark(card.mark)
      const piece = card.loose('floor', 'Floor piece', { width: size, height: size }, 'underlay')
      if (floorShape === 'round') card.shape(piece, arcs(size.value / 2, size.value / 2, size.value / 2, 0, size.value))
      // Glued to the lower right of the diagonal, on foam as high as the fastener under the other half.
      card.joinAt(face(piece), leftLap, 'inside', {
        x: border,
        y: border,
        means: 'foam',
        glue: { x: size.half(), y: zero, width: size.half(), height: size.half() },
      })
      card.supply('hook-and-loop dot')
      card.step(
        `Glue the ${piece.name.toLowerCase()} on one half of the floor only; hold its other half with one hook-and-loop dot, the `
        + `glued side raised by foam of the same height.`,
        'Glued on both halves the floor cannot fold.',
        [piece.key],
      )
    }
    if (easel) {
      const disc = easelWidth.times(FLATTENED).downToMark(card.mark)
      const tall = { rectangle: easelHeight, arch: easelArch, circle: disc }[easelShape] ?? easelHeight
      const panels = [panel('foot', 'Easel foot', easelFoot), mountain(150, 0), panel('front', 'Easel front', tall)]
      const part = card.strip('easel', 'Small easel', 'insert', easelWidth, panels, 'y')
      if (easelShape !== 'rectangle') roundHead(card, part, { foot: easelFoot, tall, isDisc: easelShape === 'circle' })
      for (const [parameter, subject, value, most] of [
        ['easelWidth', 'Width of the easel', easelWidth, side],
        [easelShape === 'arch' ? 'easelArch' : 'easelHeight', 'Height of the easel', tall, height],
      ] as const) {
        if (easelShape === 'circle' && parameter === 'easelHeight') continue
        card.limit({
          subject, parameter, value, atMost: most, because: 'it would not go flat into the envelope beside the card.',
        })
      }
      card.limit({ parameter: 'easelFoot', atMost: side, because: 'it would stick out beyond the floor.' })
      card.limit({ parameter: 'easelFoot', atLeast: tall.times(0.25), severity: 'warn', because: 'it tips over.' })
      card.step('Fold the small easel and lay it flat beside the card; it stands on the floor by itself.')
    }
    card.supply('box envelope')
    card.setUp(
      'Take the card out of its envelope and open the two walls to a right angle.',
      'Press the floor down where its two squares lie on each other, until it is flat.',
      ...(floorPiece ? ['Press the loose half of the floor piece onto its hook-and-loop dot.'] : []),
      ...(easel ? ['Unfold the small easel and stand it on the floor.'] : []),
      'To put it away, lift the floor in its middle and close the walls.',
    )
    if (message) {
      const note = card.mat(panelOf(sheet, 'left'), border.times(3), {
        key: 'message',
        name: 'Message panel',
        kind: 'message',
        face: 'outside',
      })
      card.message('the outside of the left wall', note.width, note.height, face(note))
    }
    else {
      const [wide, high] = [side, height].map(whole => whole.minus(border.times(2))) as [Measure, Measure]
      card.message('the outside of the left wall', wide, high, wall ?? left, wall ? 'inside' : 'outside')
    }
    card.note('Standing figures', 'go in front of the walls; a mini easel may stand on the floor.')
    card.limit({ parameter: 'side', atMost: height, because: 'the floor would stick out of the closed card.' })
    card.limit({
      parameter: 'side', atLeast: rule('messageSide', card.units), because: 'there is no room for a stage.',
    })
    return { width: side, height, anchor: left }
  },
})

/** Rounds the head of an easel above its crease, or all of it to a disc that meets its foot in the crease. */
function roundHead(
  card: CardBuilder, part: Part, { foot, tall, isDisc }: { foot: Measure, tall: Measure, isDisc: boolean },
): void {
  const radius = part.width.value / 2
  const top = foot.value + tall.value
  const from = isDisc ? foot.value : Math.max(foot.value, top - radius)
  const head = arcs(radius, top - radius, radius, from, top)
  const zero = Measure.zero
  const front = panelOf(part, 'front')
  card.shapePanel(front, !isDisc && from > foot.value ? [at(zero, foot), at(part.width, foot), ...head] : head)
  card.shape(part, [at(zero, zero), at(part.width, zero), at(part.width, foot), ...head, at(zero, foot)])
}
