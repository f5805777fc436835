import type { Length } from '../../lengths'
import { nanometres } from '../../lengths'
import type { Construction, Panel, Part } from '../model/card'
import type { Frame, Vector } from './frame'
import { FLAT, at, nextFrame, previousFrame, scale } from './frame'

/** Where every panel of a card lies at one opening, by `part/panel`. Loose parts have no place. */
export type Pose = ReadonlyMap<string, Frame>

export const panelKey = ({ part, key }: Pick<Panel, 'part' | 'key'>): string => `${part}/${key}`

export interface PoseOptions {
  /** Degrees that a crease stays short of flat shut, so that drawings show layers apart. */
  slack?: number
  /** Distance of a glued layer from the panel below it, in nanometres. */
  layer?: number
}

/**
 * The pose of a card at an opening: 0 closed as mailed, 1 as displayed. From the
 * anchor each part unfolds panel by panel; a glued part takes its place from the
 * first joint that reaches it. A part glued twice closes a loop, whose angles its
 * design states in closed form.
 */
export function poseOf({ anchor, parts, joints }: Construction, opening: number, { slack = 0, layer = 0 }: PoseOptions = {}): Pose {
  const pose = new Map<string, Frame>()
  unfold(anchor, FLAT)
  return pose

  function unfold(first: Panel, frame: Frame): void {
    const part = parts.find(({ key }) => key === first.part)!
    const start = part.panels.indexOf(part.panels.find(({ key }) => key === first.key)!)
    pose.set(panelKey(part.panels[start]!), frame)
    for (let index = start; index < part.panels.length - 1; index++) {
      const panel = part.panels[index]!
      pose.set(panelKey(part.panels[index + 1]!), nextFrame(pose.get(panelKey(panel))!, part.along, lengthOf(part, panel), angleOf(part, index)))
    }
    for (let index = start; index > 0; index--) {
      const before = part.panels[index - 1]!
      pose.set(panelKey(before), previousFrame(pose.get(panelKey(part.panels[index]!))!, part.along, lengthOf(part, before), angleOf(part, index - 1)))
    }
    for (const joint of joints) {
      const below = pose.get(panelKey(joint.onto))
      if (joint.onto.part !== part.key || !below || pose.has(panelKey(joint.by))) continue
      unfold(joint.by, jointFrame(below, joint, layer))
    }
  }

  function angleOf({ creases }: Part, index: number): number {
    const angle = creases[index]!.angle(opening)
    return Math.sign(angle) * Math.min(Math.abs(angle), 180 - slack)
  }
}

/** The frame that a joint gives to the panel glued in it. */
export function jointFrame(below: Frame, { face, x, y, by }: Construction['joints'][number], layer = 0): Frame {
  if (face === 'inside') return { ...below, origin: at(below, x.value, y.value, layer) }
  return {
    origin: at(below, x.value + by.width.value, y.value, -layer),
    x: scale(below.x, -1),
    y: below.y,
    normal: scale(below.normal, -1),
  }
}

const lengthOf = ({ along }: Part, { width, height }: Panel): number => (along === 'x' ? width : height).value

/** The four corners of a panel, counter-clockwise seen from its inside. */
export const cornersOf = ({ width, height }: Panel, frame: Frame): Vector[] => [
  at(frame, 0, 0), at(frame, width.value, 0), at(frame, width.value, height.value), at(frame, 0, height.value),
]

export interface Box {
  least: Vector
  most: Vector
}

/** The box round everything that has a place in a pose. */
export function boxOf({ parts }: Construction, pose: Pose): Box {
  const corners = parts.flatMap(part => part.panels).flatMap((panel) => {
    const frame = pose.get(panelKey(panel))
    return frame && panel.width.value > 0 && panel.height.value > 0 ? cornersOf(panel, frame) : []
  })
  const along = (axis: 0 | 1 | 2) => corners.map(corner => corner[axis])
  const pick = (choose: (...values: number[]) => number): Vector => [choose(...along(0)), choose(...along(1)), choose(...along(2))]
  return { least: pick(Math.min), most: pick(Math.max) }
}

/** How large the card is at an opening: width, height and depth of the box round it. */
export function sizeAt(construction: Construction, opening: number): { width: Length, height: Length, depth: Length } {
  const { least, most } = boxOf(construction, poseOf(construction, opening))
  const along = (axis: 0 | 1 | 2) => nanometres(most[axis] - least[axis])
  return { width: along(0), height: along(1), depth: along(2) }
}
