import { bent, panel } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { notched, reachTo } from './round'
import { Measure } from '../../lengths'

const TRACKS = options({ cut: 'Cut square', punched: 'Punched round' })

export const twinSlider = defineFold({
  id: 'twin-slider',
  number: 16,
  name: 'Twin slider',
  summary:
    'A carriage through two tracks joins a leaf inside a sleeve with one outside: pull, and both come out together.',
  skill: 'nimble',
  stands: false,
  group: 'slider',
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    track: length('Track length', '2 1/4 in', '56 mm', { follows: 'height' }),
    trackWidth: length('Track width', '3/8 in', '10 mm'),
    pad: length('Foam pad', '1/4 in', '6 mm', { help: 'Side of the pads that run in the tracks' }),
    apart: length('Tracks apart', '1 in', '25 mm', { follows: 'width' }),
    runnerWidth: length('Runner width', '2 in', '50 mm', { follows: 'width' }),
    runnerHeight: length('Runner height', '3/4 in', '20 mm', { follows: 'height' }),
    backWidth: length('Back leaf width', '3 1/2 in', '88 mm', { follows: 'width' }),
    backHeight: length('Back leaf height', '4 3/4 in', '125 mm', { follows: 'height' }),
    frontWidth: length('Front leaf width', '2 1/4 in', '56 mm', { follows: 'width' }),
    frontHeight: length('Front leaf height', '3 1/2 in', '88 mm', { follows: 'height' }),
    coverWidth: length('Cover width', '4 in', '99 mm', { follows: 'width' }),
    coverHeight: length('Cover height', '4 1/2 in', '118 mm', { follows: 'height' }),
    tape: length('Tape width', '1/4 in', '6 mm'),
    notch: length('Radius of the finger notch', '3/8 in', '10 mm', {
      follows: 'width', zero: true, help: 'Nothing: no notch',
    }),
    tracks: choice('Ends of the tracks', TRACKS),
    message: toggle('Message on the back leaf', true),
  },
  build(v, card) {
    const {
      width, height, track, trackWidth, pad, apart, runnerWidth, runnerHeight, backWidth, backHeight, frontWidth,
      frontHeight, coverWidth, coverHeight, tape, notch,
    } = v
    const zero = Measure.zero
    const travel = track.minus(pad).named('Travel')
    const slide = (opening: number) => [0, travel.value * opening] as const
    // The front lies below the fold of the sheet and is folded up over the back; the mouth is the upper end.
    const base = card.strip(
      'base',
      'Sleeve',
      'base',
      width,
      [panel('front', 'Front panel', height), bent('valley', () => 180), panel('back', 'Back panel', height)],
      'y',
    )
    const [front, back] = [panelOf(base, 'front'), panelOf(base, 'back')]
    if (notch.value > 0) {
      card.shape(base, notched(base, notch))
      card.shapePanel(front, notched(front, notch))
    }
    const coverFoot = height.minus(coverHeight).half().named('Foot of the cover')
    // The cover hides the runner at both ends of its way.
    const low = coverFoot.plus(runnerHeight.half())
    const trackLeft = width.minus(apart).half().minus(trackWidth)
    // Seen flat from the inside, the front is upside down: the closed end is at the fold.
    for (const [key, x] of [
      ['left', trackLeft],
      ['right', trackLeft.plus(trackWidth).plus(apart)],
    ] as const) {
      card.window(front, `track-${key}`, `${key === 'left' ? 'Left' : 'Right'} track drop-out`, {
        shape: v.tracks === 'punched' ? 'slot' : 'rectangle',
        x,
        y: height.minus(low).minus(track),
        width: trackWidth,
        height: track,
      })
    }
    card.step(
      'Cut the two tracks into the front panel only, both the same length and parallel.',
      'Slits of unequal length make the carriage jam. Knife and steel ruler on a mat, away from you.',
    )

    const startAt = coverFoot.plus(pad.half())
    const inner = card.piece(
      back,
      { width: runnerWidth, height: runnerHeight },
      { key: 'inner-runner', name: 'Inner runner', kind: 'hidden', means: 'held', y: startAt, slide },
    )
    const leaf = card.loose('back-leaf', 'Back leaf', { width: backWidth, height: backHeight }, 'insert')
    card.joinAt(face(leaf), face(inner), 'outside', {
      x: runnerWidth.minus(backWidth).half(),
      y: startAt.times(-1),
      faceDown: true,
      glue: { x: backWidth.minus(runnerWidth).half(), y: startAt, width: runnerWidth, height: runnerHeight },
    })
    const outer = card.loose('outer-runner', 'Outer runner', { width: runnerWidth, height: runnerHeight }, 'hidden')
    card.joinAt(face(outer), face(inner), 'inside', {
      x: zero,
      y: zero,
      means: 'foam',
      glue: {
        x: runnerWidth.minus(apart).half().minus(pad),
        y: runnerHeight.minus(pad).half(),
        width: apart.plus(pad.times(2)),
        height: pad,
      },
    })
    card.step(
      'Lay the inner runner behind the tracks and the outer runner in front; join them through the tracks with two foam pads.',
      'The pads sit in the tracks only: they must not stick to the edges.',
      [inner.key, outer.key],
    )
    if (v.message) {
      const note = card.mat(face(leaf), rule('ease', card.units), {
        key: 'message', name: 'Message panel', kind: 'message',
      })
      card.message('the back leaf, pulled out', note.width, note.height, face(note))
    }
    card.step(
      'Push the carriage to the closed end. Glue the back leaf to the inner runner, its foot at the fold.',
      'Glue on the runner only.',
    )
    const show = card.loose('front-leaf', 'Front leaf', { width: frontWidth, height: frontHeight }, 'insert')
    card.joinAt(face(show), face(outer), 'inside', {
      x: runnerWidth.minus(frontWidth).half(),
      y: zero,
      glue: {
        x: frontWidth.value < runnerWidth.value ? zero : frontWidth.minus(runnerWidth).half(),
        width: frontWidth.value < runnerWidth.value ? frontWidth : runnerWidth,
        height: rule('tape', card.units),
      },
    })
    card.step(
      'Push the carriage to the open end and glue the foot of the front leaf to the outer runner: it shows beyond the cover, and '
      + 'closed the cover hides it.',
      'Glue on the runner only.',
    )
    const cover = card.piece(
      front,
      { width: coverWidth, height: coverHeight },
      {
        key: 'cover', name: 'Cover', kind: 'plate', means: 'foam', face: 'outside', printTop: 'bottom', glueWidth: pad,
      },
    )
    // Pads on its other side as well; between them runner and front leaf pass.
    card.joinAt(face(cover), front, 'outside', {
      x: width.minus(coverWidth).half(),
      means: 'foam',
      glue: { x: coverWidth.minus(pad), width: pad },
    })
    card.step(
      'Set the cover on foam pads at its four corners, over runner and tracks.',
      'Pads in the corners only, clear of the path of the front leaf.',
    )
    card.step(
      'Fold the sleeve and tape its two sides; the upper end stays open.',
      'Tape at the very edge, or the back leaf jams.',
    )
    card.travel(face(leaf), travel)
    card.travel(face(show), travel)

    const clearance = rule('clearance', card.units)
    card.limit({
      parameter: 'notch',
      atMost: width.half().minus(tape).minus(rule('between', card.units)),
      because: 'too little paper would hold the tape beside it.',
    })
    // The tracks come nearest to the notch with their inner corners, half their distance from its middle.
    card.limit({
      parameter: 'notch',
      atMost: reachTo(apart.half(), height.minus(low).minus(track)).minus(rule('between', card.units)),
      because: 'too little paper would be left between it and the tracks.',
    })
    card.limit({
      parameter: 'track', atLeast: pad.plus(rule('overlap', card.units)), because: 'the carriage would hardly move.',
    })
    card.limit({
      parameter: 'track',
      atMost: coverHeight.minus(runnerHeight),
      because: 'the cover must hide runner and tracks at both ends.',
    })
    card.limit({ parameter: 'trackWidth', atLeast: pad.plus(clearance.times(2)), because: 'the pads would rub in it.' })
    card.limit({
      parameter: 'runnerWidth',
      atLeast: apart.plus(trackWidth.times(2)).plus(clearance.times(2)),
      because: 'it would slip through the tracks.',
    })
    card.limit({
      parameter: 'runnerWidth',
      atMost: width.minus(tape.plus(clearance).times(2)),
      because: 'it would rub at the tape.',
    })
    card.limit({ parameter: 'runnerHeight', atLeast: pad, because: 'the pads need room on it.' })
    card.limit({ parameter: 'runnerHeight', atMost: coverHeight.half(), because: 'nothing would be left of its way.' })
    card.limit({
      parameter: 'backWidth', atMost: width.minus(tape.plus(clearance).times(2)), because: 'it would rub at the tape.',
    })
    card.limit({ parameter: 'backWidth', atLeast: runnerWidth, because: 'the runner would show beside it.' })
    card.limit({ parameter: 'backHeight', atMost: height, because: 'it would stick out of the closed card.' })
    card.limit({
      subject: 'Back leaf that stays inside',
      parameter: 'backHeight',
      value: backHeight.minus(travel),
      atLeast: rule('stays', card.units),
      right: travel.plus(rule('stays', card.units)),
      because: 'at full pull it would come out of the sleeve.',
    })
    card.limit({
      subject: 'Path of the front leaf',
      parameter: 'frontWidth',
      value: coverWidth.minus(frontWidth).half(),
      atLeast: pad.plus(clearance),
      right: coverWidth.minus(pad.plus(clearance).times(2)),
      round: 'down',
      because: 'the pads under the cover stand in its way.',
    })
    card.limit({
      parameter: 'frontHeight',
      atMost: coverHeight.minus(pad.half()).minus(clearance),
      because: 'the cover would not hide it when the card is closed.',
    })
    card.limit({
      subject: 'Front leaf shown',
      parameter: 'frontHeight',
      value: frontHeight.plus(pad.half()).plus(travel).minus(coverHeight),
      atLeast: rule('stays', card.units),
      right: coverHeight.plus(rule('stays', card.units)).minus(pad.half()).minus(travel),
      severity: 'warn',
      because: 'pulled out, hardly anything of it would show beyond the cover.',
    })
    card.limit({ parameter: 'coverWidth', atMost: width, because: 'it would stick out of the closed card.' })
    card.limit({ parameter: 'coverHeight', atMost: height, because: 'it would stick out of the closed card.' })
    return { width, height, anchor: back }
  },
})
