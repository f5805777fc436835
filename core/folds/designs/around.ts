import { at, bent, box, panel, valley } from '../model/builder'
import { face, panelOf } from '../model/card'
import type { Place } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure, millimetres } from '../../lengths'

const shut = () => 180
const STYLE = { skill: 'first card', stands: false, group: 'around' } as const
const BORDER = length('Border', '1/8 in', '3 mm', { zero: true, help: 'What each mat leaves visible on every side' })
const WIDTH = size('Finished width', '4 1/4 in', '105 mm')
const HEIGHT = size('Finished height', '5 1/2 in', '148 mm')

export const plainCard = defineFold({
  ...STYLE,
  id: 'plain-card',
  number: 22,
  name: 'Plain folded card',
  summary: 'One fold, at the side or at the top, with mats outside and inside.',
  stands: true,
  layered: true,
  handed: true,
  parameters: {
    width: WIDTH,
    height: HEIGHT,
    fold: choice('Fold', [
      { value: 'side', label: 'At the side' },
      { value: 'top', label: 'At the top' },
    ]),
    border: BORDER,
    message: toggle('Message panel inside', true),
  },
  build({ width, height, fold, border, message }, card) {
    const side = fold === 'side'
    const base = side
      ? card.strip('base', 'Base', 'base', height, [panel('front', 'Front panel', width), valley(60), panel('back', 'Back panel', width)])
      : card.strip(
          'base',
          'Base',
          'base',
          width,
          [panel('back', 'Back panel', height), valley(60), panel('front', 'Front panel', height)],
          'y',
        )
    const back = panelOf(base, 'back')
    card.step('Score and fold the base.')
    card.whenScored('Fold the base.')
    card.mat(panelOf(base, 'front'), border, {
      key: 'mat-front',
      name: 'Mat on the front',
      face: 'outside',
      printTop: side ? 'top' : 'bottom',
    })
    card.step('Glue the mat on the front.')
    if (message) {
      const note = card.mat(back, border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the inside', note.width, note.height, face(note))
      card.step('Glue the message panel inside.')
    }
    return { width, height, anchor: back }
  },
})

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
    card.step('Score all four lines, cut the corners away, fold the seams in and glue the pocket over them.', 'Glue the seams only.')
    card.whenScored('Cut the corners away, fold the seams in and glue the pocket over them.', 'Glue the seams only.')
    card.limit({
      subject: 'Side flap',
      parameter: 'seam',
      value: seam,
      atLeast: rule('glueWidth', card.units),
      because: 'a narrower seam does not hold.',
    })
    card.limit({ subject: 'Side flap', parameter: 'seam', value: seam, atMost: width.half(), because: 'the seams would overlap.' })
    card.limit({
      subject: 'Closing flap',
      parameter: 'flap',
      value: flap,
      atMost: height,
      because: 'it would stick out of the closed envelope.',
    })
    return { width, height, anchor: back }
  },
})

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
    // Flaps with edges at 45 degrees: upper and lower ones are half as high as the envelope is wide, and the other way round.
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
    card.step(
      'Cut the blank to the outline, score the four sides of the back, fold left and right first.',
      'Glue the lower flap to the sides only where it lies on them.',
    )
    card.whenScored(
      'Cut the blank to the outline, fold left and right first.',
      'Glue the lower flap to the sides only where it lies on them.',
    )
    card.limit({
      subject: 'Overlap of the flaps',
      parameter: 'overlap',
      value: overlap,
      atLeast: rule('glueWidth', card.units),
      because: 'with less they do not meet.',
    })
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
    card.step(
      'Score four lines, cut the four slits, fold the walls up.',
      'The ends of the side walls are tabs: fold them round the corners and glue them to the other walls.',
    )
    card.whenScored(
      'Cut the four slits, fold the walls up.',
      'The ends of the side walls are tabs: fold them round the corners and glue them to the other walls.',
    )
    card.limit({
      subject: 'Depth',
      parameter: 'depth',
      value: depth,
      atMost: height.half(),
      because: 'the tabs at the corners would run into each other.',
    })
    return { width: width.plus(depth.times(2)), height: height.plus(depth.times(2)), depth, anchor: floor }
  },
})

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
    pocket: length('Pocket height', '1 3/4 in', '45 mm', { follows: 'height', help: 'Folded up from the foot of the back panel’s insert' }),
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
    card.mat(panelOf(base, 'front'), border, { key: 'mat-front', name: 'Mat on the front', face: 'outside', printTop: 'top' })
    card.step('Glue the mat on the front.')
    const across = width.minus(border.times(2)).downToMark(card.mark)
    const holder = card.strip(
      'holder',
      'Pocket',
      'insert',
      across,
      [panel('pocket', 'Pocket', pocket), valley(180), panel('backing', 'Backing', height.minus(border.times(2)).downToMark(card.mark))],
      'y',
    )
    card.joinAt(panelOf(holder, 'backing'), back, 'inside', { x: border, y: border })
    card.step('Score the insert, fold its pocket up and tape the two sides of the pocket.', 'Keep the tape at the very edge.', [])
    card.whenScored('Fold the pocket of the insert up and tape its two sides.', 'Keep the tape at the very edge.')
    card.step('Glue the insert on the back panel, inside.')
    const gift = Measure.of('Gift card', millimetres(85.6))
    card.message('the inside above the pocket', across, height.minus(border.times(2)).minus(pocket), panelOf(holder, 'backing'))
    card.limit({
      subject: 'Pocket width',
      parameter: 'width',
      value: across.minus(tape.times(2)),
      atLeast: gift,
      right: gift.plus(tape.times(2)).plus(border.times(2)),
      because: 'a gift card of 85.6 × 54 mm must fit between the tapes.',
    })
    card.limit({
      subject: 'Pocket height',
      parameter: 'pocket',
      value: pocket,
      atLeast: rule('openingSide', card.units),
      because: 'the gift card would fall out.',
    })
    card.limit({
      subject: 'Pocket height',
      parameter: 'pocket',
      value: pocket,
      atMost: height.minus(border.times(2)),
      because: 'it would stick out of the card.',
    })
    return { width, height, anchor: back }
  },
})

export const AROUND = [plainCard, sideSeamEnvelope, diagonalEnvelope, boxEnvelope, giftCardHolder]
