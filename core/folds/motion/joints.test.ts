import { describe, expect, it } from 'vitest'
import { Measure, inches } from '../../lengths'
import { during, panel, valley } from '../model/entries'
import { CardBuilder } from '../model/builder'
import { face } from '../model/card'
import type { Joint } from '../model/card'
import { inInches } from '../testing'
import { cornersOf, glueOutline, jointFrame, panelKey, poseOf } from './pose'
import { FLAT } from './frame'

const measure = (value: number) => Measure.of('Given', inches(value))

/** A small piece of 2 × 1, glued one way or another with its box 3 right and 4 up on a large one. */
function glued(options: Partial<Pick<Joint, 'faceDown' | 'turned' | 'slide' | 'face'>> = {}) {
  const card = new CardBuilder('inch', inches(1 / 16))
  const base = card.strip('base', 'Base', 'base', measure(10), [panel('face', 'Base', measure(10))])
  const small = card.loose('small', 'Small', { width: measure(2), height: measure(1) })
  const { face: side = 'inside', ...rest } = options
  card.joinAt(face(small), face(base), side, { x: measure(3), y: measure(4), glue: { width: measure(0.5) }, ...rest })
  const built = card.finish({ width: measure(10), height: measure(10) }, face(base))
  const frame = (opening: number) => poseOf(built, opening).get(panelKey(face(small)))!
  const corners = (opening = 0) =>
    cornersOf(face(small), frame(opening)).map(corner =>
      corner.map(value => Math.round(inInches(value) * 1e6) / 1e6 + 0),
    )
  return { built, frame, corners, joint: built.joints[0]! }
}
const boxOf = (corners: number[][]) =>
  [0, 1].map(axis => [
    Math.min(...corners.map(corner => corner[axis]!)), Math.max(...corners.map(corner => corner[axis]!)),
  ])

describe('how a part lies in its joint', () => {
  it.each([
    [
      {},
      [
        [3, 5],
        [4, 5],
      ],
      [3, 4],
    ],
    [
      { turned: 90 },
      [
        [3, 4],
        [4, 6],
      ],
      [4, 4],
    ],
    [
      { turned: 180 },
      [
        [3, 5],
        [4, 5],
      ],
      [5, 5],
    ],
    [
      { turned: 270 },
      [
        [3, 4],
        [4, 6],
      ],
      [3, 6],
    ],
    [
      { faceDown: true },
      [
        [3, 5],
        [4, 5],
      ],
      [5, 4],
    ],
    [
      { faceDown: true, turned: 180 },
      [
        [3, 5],
        [4, 5],
      ],
      [3, 5],
    ],
    [
      { face: 'outside' as const },
      [
        [3, 5],
        [4, 5],
      ],
      [5, 4],
    ],
    [
      { face: 'outside' as const, faceDown: true },
      [
        [3, 5],
        [4, 5],
      ],
      [3, 4],
    ],
  ])('%j starts its box where the joint says and has its own corner at %j', (options, outline, corner) => {
    const { corners } = glued(options)
    expect(boxOf(corners())).toEqual(outline)
    expect(corners()[0]!.slice(0, 2)).toEqual(corner)
  })

  it('looks away from the face it lies on unless it lies face down', () => {
    const looks = (options: Parameters<typeof glued>[0]) => glued(options).frame(0).normal[2]
    expect([
      looks({}), looks({ faceDown: true }), looks({ face: 'outside' }), looks({ face: 'outside', faceDown: true }),
    ]).toEqual([1, -1, -1, 1])
  })

  it('slides as far as it says', () => {
    const { corners } = glued({ slide: opening => [0, opening * inches(2)] })
    expect([boxOf(corners(0))[1], boxOf(corners(0.5))[1], boxOf(corners(1))[1]]).toEqual([
      [4, 5],
      [5, 6],
      [6, 7],
    ])
  })

  it('is drawn with its glue where it is glued, turned and face down too', () => {
    const glue = (options: Parameters<typeof glued>[0]) =>
      boxOf(glueOutline(glued(options).joint).map(([x, y]) => [inInches(x), inInches(y)]))
    expect(glue({})).toEqual([
      [3, 3.5],
      [4, 5],
    ])
    expect(glue({ faceDown: true })).toEqual([
      [4.5, 5],
      [4, 5],
    ])
    expect(glue({ turned: 90 })[1]).toEqual([4, 4.5])
  })

  it('lies a layer apart where a drawing asks for it', () => {
    const { joint } = glued()
    expect([
      jointFrame(FLAT, joint, 0, 100).origin[2], jointFrame(FLAT, { ...joint, face: 'outside' }, 0, 100).origin[2],
    ]).toEqual([100, -100])
  })
})

describe('a crease that waits', () => {
  it('stays shut before its turn and open after it', () => {
    const { fold } = during(0.5, 1, valley(60))
    expect([0, 0.5, 0.75, 1].map(fold)).toEqual([180, 180, 120, 60])
  })
})
