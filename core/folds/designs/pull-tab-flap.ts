import { at, bent, box, mountain, panel } from '../model/entries'
import type { Place } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { notched } from './round'
import { Measure } from '../../lengths'
import { orUsual } from './choices'

/** Pulled by a share of its full travel, the links stand at the angle whose cosine is what is left of it. Degrees. */
const knee = (opening: number) => (Math.acos(1 - opening) * 180) / Math.PI

const BASES = options({ leaf: 'One leaf', side: 'Folded at the side', top: 'Folded at the top' })
type BaseKind = (typeof BASES)[number]['value']

const ENDS = options({ foot: 'At the foot', head: 'At the head' })

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
    foot: length('Hinge from the mouth', '1 3/4 in', '44 mm', {
      follows: 'height', help: 'The mouth is where the tag comes out',
    }),
    link: length('Link of the flap', '1 1/4 in', '32 mm', {
      follows: 'height',
      help: 'Half the flap; pulled out, it travels twice as far',
    }),
    joint: length('Joint tab', '1/2 in', '12 mm', { follows: 'height' }),
    tagWidth: length('Tag width', '3 in', '76 mm', { follows: 'width' }),
    tagLength: length('Tag length', '0 in', '0 mm', {
      zero: true, help: 'Nothing: from its grip to the end of the joint tab',
    }),
    sleeve: length('Sleeve height', '1 1/2 in', '38 mm', { follows: 'height' }),
    sleeveLength: length('Sleeve length', '0 in', '0 mm', {
      zero: true, help: 'Nothing: once round the tag, with a lap',
    }),
    pulled: choice('The tag is pulled out', ENDS),
    tape: length('Tape width', '1/8 in', '3 mm'),
    base: choice('Base', BASES),
    placed: toggle('Face not in the middle of the base', false),
    faceLeft: length('Face from the left', '1/8 in', '3 mm', { when: 'placed', zero: true }),
    grip: length('Tag beyond the card', '0 in', '0 mm', { zero: true, help: 'What shows of the closed tag' }),
    notch: length('Radius of the finger notch', '3/8 in', '10 mm', {
      follows: 'width', zero: true, help: 'Nothing: no notch',
    }),
    decoration: toggle('Decoration on the link at the hinge', true),
  },
  build(
    {
      width, height, faceWidth, margin, foot, link, joint, tagWidth, sleeve, tape, base: kind, placed, faceLeft, grip,
      notch, decoration, tagLength, sleeveLength, pulled,
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
    const isHead = pulled === 'head'
    /**
     * What lies so far from the end at which the tag comes out, from the foot: a line, or the lower edge of what is
     * `high`.
     */
    const up = (from: Measure, high = zero) => (isHead ? height.minus(from).minus(high) : from)
    const flapWidth = faceWidth.minus(margin.times(2)).named('Flap width')
    const [hinge, kneeAt, upper, end] = [
      foot, foot.plus(link), foot.plus(link.times(2)), foot.plus(link.times(2)).plus(joint),
    ]
    const right = margin.plus(flapWidth)
    const frame = card.area(sheet, 'frame', 'Face', box(zero, zero, faceWidth, height), {
      holes: [opening()],
    })
    card.area(sheet, 'lower', isHead ? 'Upper link' : 'Lower link', box(margin, up(hinge, link), flapWidth, link))
    card.area(sheet, 'upper', isHead ? 'Lower link' : 'Upper link', box(margin, up(kneeAt, link), flapWidth, link))
    const tab = card.area(sheet, 'joint', 'Joint tab', box(margin, up(upper, joint), flapWidth, joint))
    const across = (from: Measure) => [at(margin, up(from)), at(right, up(from))] as const
    card.crease(sheet, ['frame', 'lower'], ...across(hinge), bent('valley', knee))
    card.crease(
      sheet,
      ['lower', 'upper'],
      ...across(kneeAt),
      bent('mountain', opening => 2 * knee(opening)),
    )
    card.crease(sheet, ['upper', 'joint'], ...across(upper), bent('valley', knee))
    for (const x of [margin, right]) card.slit(sheet, at(x, up(hinge)), at(x, up(end)))
    card.slit(sheet, ...across(end))
    card.step(
      `Cut both slits of the face from the hinge ${isHead ? 'down' : 'up'}wards and join them across at the far end.`,
      'Both slits start at the hinge line; cut with knife and steel ruler on a mat, away from you.',
    )
    card.step('Score hinge, knee and joint across the flap.')
    card.whenScored('Fold hinge, knee and joint of the flap once.')

    if (notch.value > 0) {
      notchBase()
      const mouth = notched(sheet, notch, isHead)
      card.shape(sheet, mouth)
      card.shapePanel(frame, mouth)
    }
    const room = link.times(2).plus(joint).named('Flap and joint')
    const shortest = foot.plus(room).plus(grip)
    const long = orUsual(tagLength, shortest)
    const tag = card.strip('tag', 'Tag', 'insert', tagWidth, [panel('tag', 'Tag', long)], 'y')
    // Its lower end lies so far below the joint tab; from the head it reaches below the tab by what it is longer than
    // need be.
    const below = isHead ? long.minus(shortest) : upper.plus(grip)
    card.joinAt(face(tag), tab, 'outside', {
      x: flapWidth.minus(tagWidth).half(),
      y: below.times(-1),
      faceDown: true,
      glue: { x: tagWidth.minus(flapWidth).half(), y: below, width: flapWidth, height: joint },
    })
    const round = tagWidth.times(2).plus(rule('overlap', card.units)).plus(rule('ease', card.units))
    card.loose('sleeve', 'Sleeve', { width: orUsual(sleeveLength, round), height: sleeve }, 'hidden')
    card.step(
      'Wrap the sleeve of thin paper loosely round the tag and glue its ends together; glue it over the hinge line behind the face.',
      'The tag must slide in it: wrap by hand, never score it.',
    )
    card.step(
      'Glue the joint tab of the flap to the far end of the tag, the flap lying flat.', 'Glue the joint tab only.',
    )
    const faceAt = placed ? faceLeft : width.minus(faceWidth).half()
    const uncovered = link.times(2).downToMark(card.mark)
    const onBase = card.piece(
      ground,
      { width: flapWidth.downToMark(card.mark), height: uncovered },
      {
        key: 'message', name: 'Message panel under the flap', kind: 'message', y: up(foot, uncovered),
        x: faceAt.plus(margin),
      },
    )
    card.message('the base, where the flap uncovers it', onBase.width, onBase.height, face(onBase))
    card.joinAt(frame, ground, 'inside', {
      x: faceAt, y: zero, glue: { y: isHead ? zero : notch, height: height.minus(notch) },
    })
    card.step(
      `Tape the face to the base along its two sides and its ${isHead ? 'lower' : 'upper'} end.`,
      'Keep the tape at the very edge, or the tag jams.'
      + (notch.value > 0 ? ' Punch the finger notch through what lies at the mouth in one go.' : ''),
    )
    if (decoration) {
      card.piece(
        panelOf(sheet, 'lower'),
        { width: flapWidth.downToMark(card.mark), height: link.downToMark(card.mark) },
        { key: 'decoration', name: `Decoration on ${isHead ? 'upper' : 'lower'} link`, printTop: 'top' },
      )
      card.lay('A layer across the knee keeps it from bending.')
    }
    card.travel(face(tag), link.times(2))
    card.note(
      'Flap', `stands past 60 degrees once the tag is ${card.show(link)} out; the rest of the pull is the useful one.`,
    )
    const [quarter, clearance] = [rule('glueWidth', card.units), rule('clearance', card.units)]
    const most = faceWidth.minus(tape.times(2)).minus(clearance.times(2))
    card.limit({
      parameter: 'tagWidth',
      atLeast: flapWidth.plus(quarter.times(2)),
      because: 'a narrower tag slips through the opening of the flap.',
    })
    card.limit({ parameter: 'tagWidth', atMost: most, because: 'it would rub at the tape.' })
    if (placed) {
      card.limit({ parameter: 'faceLeft', atMost: width.minus(faceWidth), because: 'it would stick out of the card.' })
    }
    card.limit({
      parameter: 'grip', atMost: zero, severity: 'warn', because: 'by so much it sticks out of the closed card.',
    })
    card.limit({
      parameter: 'notch',
      atMost: faceWidth.half().minus(tape).minus(rule('between', card.units)),
      because: 'too little paper would hold the tape beside it.',
    })
    card.limit({
      parameter: 'notch',
      atMost: foot.minus(rule('between', card.units)),
      because: 'too little paper would be left between it and the flap.',
    })
    card.limit({ parameter: 'faceWidth', atMost: width, because: 'it would stick out of the card.' })
    card.limit({
      parameter: 'margin',
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
    card.limit({ parameter: 'sleeve', atMost: foot, because: 'it would stick out of the card at the mouth.' })
    card.limit({
      parameter: 'foot',
      atLeast: rule('between', card.units).plus(rule('ease', card.units)),
      because: 'the tag has no guide below the hinge.',
    })
    if (tagLength.value > 0) {
      card.limit({
        parameter: 'tagLength', atLeast: shortest, because: 'the joint tab would have nothing to hold on to.',
      })
      card.limit({
        parameter: 'tagLength',
        atMost: height.plus(grip).minus(clearance),
        because: 'it would run into the far end of the face.',
      })
    }
    if (sleeveLength.value > 0) {
      card.limit({
        parameter: 'sleeveLength',
        atLeast: round.minus(rule('ease', card.units)),
        because: 'it would not go round the tag and lap.',
      })
    }
    return { width, height, anchor: ground }

    /** The opening that the flap leaves in the face, counter-clockwise. */
    function opening(): Place[] {
      const [low, high] = isHead ? [up(end), up(hinge)] : [hinge, end]
      return [at(margin, low), at(right, low), at(right, high), at(margin, high)]
    }

    /** Cuts the notch into the leaf below the face too, where that has an edge there and no fold. */
    function notchBase() {
      if (kind === 'top' && isHead) return
      const middle = ground.x.plus(width.half())
      card.shape(base, notched(base, notch, isHead, middle))
      if (kind !== 'leaf')
        card.shapePanel(
          ground, notched({ width, height }, notch, isHead).map(({ x, y }) => at(ground.x.plus(x), y)),
        )
    }
  },
})
