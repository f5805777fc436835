import { at, bent, box, mountain, panel } from '../model/builder'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { notched } from './round'
import { Measure } from '../../lengths'

/** Pulled by a share of its full travel, the links stand at the angle whose cosine is what is left of it. Degrees. */
const knee = (opening: number) => (Math.acos(1 - opening) * 180) / Math.PI

const BASES = [
  { value: 'leaf', label: 'One leaf' },
  { value: 'side', label: 'Folded at the side' },
  { value: 'top', label: 'Folded at the top' },
] as const
type BaseKind = (typeof BASES)[number]['value']

export const pullTabFlap = defineFold({
  id: 'pull-tab-flap',
  number: 15,
  name: 'Pull-tab flap',
  summary: 'Pulling a tag bends a flap in the face like a knee and uncovers what is written behind it.',
  skill: 'nimble',
  stands: false,
  group: 'slider',
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    faceWidth: length('Face width', '4 in', '99 mm', { follows: 'width' }),
    margin: length('Margin beside the flap', '1 in', '25 mm', { follows: 'width' }),
    foot: length('Hinge above the foot', '1 3/4 in', '44 mm', { follows: 'height' }),
    link: length('Link of the flap', '1 1/4 in', '32 mm', {
      follows: 'height',
      help: 'Half the flap; pulled out, it travels twice as far',
    }),
    joint: length('Joint tab', '1/2 in', '12 mm', { follows: 'height' }),
    tagWidth: length('Tag width', '3 in', '76 mm', { follows: 'width' }),
    sleeve: length('Sleeve height', '1 1/2 in', '38 mm', { follows: 'height' }),
    tape: length('Tape width', '1/8 in', '3 mm'),
    base: choice('Base', BASES),
    placed: toggle('Face not in the middle of the base', false),
    faceLeft: length('Face from the left', '1/8 in', '3 mm', { when: 'placed', zero: true }),
    grip: length('Tag beyond the foot', '0 in', '0 mm', { zero: true, help: 'What shows of the closed tag' }),
    notch: length('Radius of the finger notch', '3/8 in', '10 mm', { follows: 'width', zero: true, help: 'Nothing: no notch' }),
    decoration: toggle('Decoration on the lower link', true),
  },
  build(
    {
      width, height, faceWidth, margin, foot, link, joint, tagWidth, sleeve, tape, base: kind, placed, faceLeft, grip, notch, decoration,
    },
    card,
  ) {
    const zero = Measure.zero
    // A folded base has the face on its front: it folds away from it.
    const leaf = kind === 'side' ? width : height
    const front = panel('ground', 'Base', leaf)
    const back = panel('back', 'Back of the base', leaf)
    const base = {
      leaf: () => card.strip('base', 'Base', 'base', height, [panel('ground', 'Base', width)]),
      side: () => card.strip('base', 'Base', 'base', height, [back, mountain(60), front]),
      top: () => card.strip('base', 'Base', 'base', width, [front, mountain(60), back], 'y'),
    }[kind as BaseKind]()
    const ground = panelOf(base, 'ground')
    const sheet = card.sheet('face', 'Face', 'insert', { width: faceWidth, height }, 'top')
    const flapWidth = faceWidth.minus(margin.times(2)).named('Flap width')
    const [hinge, kneeAt, upper, end] = [foot, foot.plus(link), foot.plus(link.times(2)), foot.plus(link.times(2)).plus(joint)]
    const right = margin.plus(flapWidth)
    const frame = card.area(sheet, 'frame', 'Face', box(zero, zero, faceWidth, height), {
      holes: [[at(margin, hinge), at(right, hinge), at(right, end), at(margin, end)]],
    })
    card.area(sheet, 'lower', 'Lower link', box(margin, hinge, flapWidth, link))
    card.area(sheet, 'upper', 'Upper link', box(margin, kneeAt, flapWidth, link))
    const tab = card.area(sheet, 'joint', 'Joint tab', box(margin, upper, flapWidth, joint))
    const across = (y: Measure) => [at(margin, y), at(right, y)] as const
    card.crease(sheet, ['frame', 'lower'], ...across(hinge), bent('valley', knee))
    card.crease(
      sheet,
      ['lower', 'upper'],
      ...across(kneeAt),
      bent('mountain', opening => 2 * knee(opening)),
    )
    card.crease(sheet, ['upper', 'joint'], ...across(upper), bent('valley', knee))
    for (const x of [margin, right]) card.slit(sheet, at(x, hinge), at(x, end))
    card.slit(sheet, at(margin, end), at(right, end))
    card.step(
      'Cut both slits of the face from the hinge upwards and join them across at the far end.',
      'Both slits start at the hinge line; cut with knife and steel ruler on a mat, away from you.',
    )
    card.step('Score hinge, knee and joint across the flap.')
    card.whenScored('Fold hinge, knee and joint of the flap once.')

    if (notch.value > 0) {
      if (kind === 'leaf') card.shape(base, notched(base, notch))
      const mouth = notched(sheet, notch)
      card.shape(sheet, mouth)
      card.shapePanel(frame, mouth)
    }
    const room = link.times(2).plus(joint).named('Flap and joint')
    const tag = card.strip('tag', 'Tag', 'insert', tagWidth, [panel('tag', 'Tag', foot.plus(room).plus(grip))], 'y')
    card.joinAt(face(tag), tab, 'outside', {
      x: flapWidth.minus(tagWidth).half(),
      y: foot.plus(link.times(2)).plus(grip).times(-1),
      faceDown: true,
      glue: { x: tagWidth.minus(flapWidth).half(), y: upper.plus(grip), width: flapWidth, height: joint },
    })
    card.loose(
      'sleeve',
      'Sleeve',
      { width: tagWidth.times(2).plus(rule('overlap', card.units)).plus(rule('ease', card.units)), height: sleeve },
      'hidden',
    )
    card.step(
      'Wrap the sleeve of thin paper loosely round the tag and glue its ends together; glue it over the hinge line behind the face.',
      'The tag must slide in it: wrap by hand, never score it.',
    )
    card.step('Glue the joint tab of the flap to the foot of the tag, the flap lying flat.', 'Glue the joint tab only.')
    const faceAt = placed ? faceLeft : width.minus(faceWidth).half()
    const onBase = card.piece(
      ground,
      { width: flapWidth.downToMark(card.mark), height: link.times(2).downToMark(card.mark) },
      { key: 'message', name: 'Message panel under the flap', kind: 'message', y: foot, x: faceAt.plus(margin) },
    )
    card.message('the base, where the flap uncovers it', onBase.width, onBase.height, face(onBase))
    card.joinAt(frame, ground, 'inside', { x: faceAt, y: zero, glue: { y: notch, height: height.minus(notch) } })
    card.step(
      'Tape the face to the base along its two sides and its upper end.',
      'Keep the tape at the very edge, or the tag jams.'
      + (notch.value > 0 ? ' Punch the finger notch through what lies at the mouth in one go.' : ''),
    )
    if (decoration) {
      card.piece(
        panelOf(sheet, 'lower'),
        { width: flapWidth.downToMark(card.mark), height: link.downToMark(card.mark) },
        { key: 'decoration', name: 'Decoration on lower link', printTop: 'top' },
      )
      card.step('Decorate the lower link only.', 'A layer across the knee keeps it from bending.')
    }
    card.travel(face(tag), link.times(2))
    card.note('Flap', `stands past 60 degrees once the tag is ${card.show(link)} out; the rest of the pull is the useful one.`)
    const [quarter, clearance] = [rule('glueWidth', card.units), rule('clearance', card.units)]
    const most = faceWidth.minus(tape.times(2)).minus(clearance.times(2))
    card.limit({
      subject: 'Tag width',
      parameter: 'tagWidth',
      value: tagWidth,
      atLeast: flapWidth.plus(quarter.times(2)),
      because: 'a narrower tag slips through the opening of the flap.',
    })
    card.limit({ subject: 'Tag width', parameter: 'tagWidth', value: tagWidth, atMost: most, because: 'it would rub at the tape.' })
    if (placed) {
      card.limit({
        subject: 'Face from the left',
        parameter: 'faceLeft',
        value: faceLeft,
        atMost: width.minus(faceWidth),
        because: 'it would stick out of the card.',
      })
    }
    card.limit({
      subject: 'Tag beyond the foot',
      parameter: 'grip',
      value: grip,
      atMost: zero,
      severity: 'warn',
      because: 'by so much it sticks out of the closed card.',
    })
    card.limit({
      subject: 'Radius of the finger notch',
      parameter: 'notch',
      value: notch,
      atMost: faceWidth.times(0.25),
      because: 'the mouth would come apart.',
    })
    card.limit({
      subject: 'Radius of the finger notch',
      parameter: 'notch',
      value: notch,
      atMost: foot.minus(rule('between', card.units)),
      because: 'it would run into the flap.',
    })
    card.limit({
      subject: 'Face width',
      parameter: 'faceWidth',
      value: faceWidth,
      atMost: width,
      because: 'it would stick out of the card.',
    })
    card.limit({
      subject: 'Margin beside the flap',
      parameter: 'margin',
      value: margin,
      atMost: faceWidth.minus(rule('openingSide', card.units)).half(),
      because: 'nothing would be left of the flap.',
    })
    card.limit({
      subject: 'Link of the flap',
      parameter: 'link',
      value: end,
      atMost: height.minus(rule('between', card.units)),
      right: height.minus(rule('between', card.units)).minus(joint).minus(foot).half(),
      because: 'the flap would leave no paper above it.',
    })
    card.limit({
      subject: 'Sleeve height',
      parameter: 'sleeve',
      value: sleeve,
      atMost: foot,
      because: 'it would stick out of the card at the mouth.',
    })
    card.limit({
      subject: 'Hinge above the foot',
      parameter: 'foot',
      value: foot,
      atLeast: rule('between', card.units).plus(rule('ease', card.units)),
      because: 'the tag has no guide below the hinge.',
    })
    return { width, height, anchor: ground }
  },
})
