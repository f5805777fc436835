import { lookUp } from '../../lists'
import type { Length } from '../../lengths'
import { nanometres } from '../../lengths'
import type { Construction, Crease, Joint, Panel, Part, Place, Point } from '../model/card'
import { isLayer } from '../model/card'
import { outlineOf } from '../model/outlines'
import type { Frame, Vector } from './frame'
import { FLAT, pointAt, dot, foldOver, scale, subtract, turnedFlat } from './frame'

/**
 * Where every panel of a card lies at one opening, by `part/panel`: the frame of the lower left corner of its
 * box. Loose parts have no place.
 */
export type Pose = ReadonlyMap<string, Frame>

export const panelKey = ({ part, key }: Pick<Panel, 'part' | 'key'>): string => `${part}/${key}`

export interface PoseOptions {
  /** Degrees that a crease stays short of flat shut, so that drawings show layers apart. */
  slack?: number
  /** Distance of a glued layer from the panel below it, in nanometres. */
  layer?: number
  /**
   * Whether what lies between two sheets stays between them: later things lie higher, and what lies on a layer by less
   * than that.
   */
  nested?: boolean
}

const shut = new WeakMap<Construction, Pose>()

/** The pose of a card as mailed, worked out once for it: its pieces and its findings both ask. */
export function closedPose(card: Construction): Pose {
  const found = shut.get(card) ?? poseOf(card, 0)
  shut.set(card, found)
  return found
}

/**
 * The pose of a card at an opening: 0 closed as mailed, 1 as displayed. From the
 * anchor each part unfolds panel by panel across its creases; a glued part takes
 * its place from the first joint that reaches it. Where creases or joints close a
 * loop, the design states its angles in closed form.
 */
export function poseOf({ anchor, parts, joints }: Construction, opening: number, options: PoseOptions = {}): Pose {
  const { slack = 0, layer = 0, nested = false } = options
  const pose = new Map<string, Frame>()
  const joined = new Map<string, Joint[]>()
  for (const joint of joints) {
    const others = joined.get(joint.onto.part)
    if (others) others.push(joint)
    else joined.set(joint.onto.part, [joint])
  }
  const byName = new Map(parts.map(part => [part.key, part]))
  unfold(anchor, FLAT, 0)
  return pose

  /** @param lift how far its part lies from what it is glued on; none for the anchor's */
  function unfold(first: Panel, frame: Frame, lift: number): void {
    const part = lookUp(byName, first.part)
    pose.set(panelKey(first), frame)
    const reached = [first]
    for (const panel of part.creases.length > 0 ? reached : []) {
      const here = lookUp(pose, panelKey(panel))
      for (const crease of part.creases) {
        const other = acrossFrom(part, crease, panel)
        if (!other || pose.has(panelKey(other))) continue
        pose.set(panelKey(other), neighbourFrame(here, panel, other, crease, angleAt(crease)))
        reached.push(other)
      }
    }
    const onIt = joined.get(part.key) ?? []
    for (const joint of onIt) {
      const below = pose.get(panelKey(joint.onto))
      if (!below || pose.has(panelKey(joint.by))) continue
      const own = nested ? nestedLift(joint, onIt, layer, lift, byName) : layer
      unfold(joint.by, jointFrame(below, joint, opening, own), own)
    }
  }

  function angleAt(crease: Crease): number {
    const angle = crease.angle(opening)
    return Math.sign(angle) * Math.min(Math.abs(angle), 180 - slack)
  }
}

/**
 * How far a joint lifts its part off what it lies on, so that it stays below what is put beside it later and above what
 * lies below. Layers lie directly on their panel, whatever else is put there; what lies on a panel that is glued to its
 * own part lies above that.
 */
function nestedLift(
  joint: Joint, onIt: Joint[], layer: number, below: number, parts: ReadonlyMap<string, Part>,
): number {
  const place = (of: Joint): number => {
    const beside = onIt.filter(({ onto, face }) => onto.key === of.onto.key && face === of.face)
    const rank = (other: Joint) => (isLayer(lookUp(parts, other.part).kind) ? 0 : 1)
    const before = beside.filter(
      (other, at) => rank(other) < rank(of) || (rank(other) === rank(of) && at < beside.indexOf(of)),
    )
    const step = below === 0 ? layer : below / (beside.length + 1)
    return step * (before.length + 1)
  }
  const closing = onIt.find(
    other => other.part === joint.onto.part && other.by.key === joint.onto.key && other.face === joint.face,
  )
  return place(joint) + (closing && closing !== joint ? place(closing) : 0)
}

/** The panel on the other side of a crease, if the crease borders this one. */
function acrossFrom(part: Part, { between: [a, b] }: Crease, { key }: Panel): Panel | undefined {
  const other = key === a ? b : key === b ? a : undefined
  return other === undefined ? undefined : part.panels.find(panel => panel.key === other)
}

const spot = ({ x, y }: Place, panel: Panel): [number, number] => [x.value - panel.x.value, y.value - panel.y.value]

/** The frame of the next panel, turned about the crease it shares with this one by degrees (valley positive). */
function neighbourFrame(frame: Frame, panel: Panel, other: Panel, { from, to }: Crease, degrees: number): Frame {
  const [start, end] = [spot(from, panel), spot(to, panel)]
  // A panel to the left of the crease, looking from its start to its end, comes up when it turns by a positive angle.
  const [x, y] = centreOf(other)
  const across = (to.x.value - from.x.value) * (y - from.y.value) - (to.y.value - from.y.value) * (x - from.x.value)
  return foldOver(frame, start, end, Math.sign(across) * degrees, [
    other.x.value - panel.x.value, other.y.value - panel.y.value,
  ])
}

function centreOf(panel: Panel): [number, number] {
  const corners = outlineOf(panel)
  return [0, 1].map(axis => corners.reduce((sum, corner) => sum + corner[axis as 0 | 1], 0) / corners.length) as [
    number, number,
  ]
}

/** The frame that a joint gives to the panel glued in it, at an opening. */
export function jointFrame(
  below: Frame, { face, faceDown, x, y, by, turned, slide }: Joint, opening: number, layer = 0,
): Frame {
  const [right, up] = slide?.(opening) ?? [0, 0]
  // On the outside its inside looks away from the card, as it does on the inside, unless it lies face down.
  const alike = (face === 'inside') !== faceDown
  const lying = alike ? below : { ...below, x: scale(below.x, -1), normal: scale(below.normal, -1) }
  if (turned % 90 !== 0) return aboutItsMiddle()
  // Its box starts where the joint says, whichever of its corners that is.
  const [width, height] = turned % 180 === 0 ? [by.width.value, by.height.value] : [by.height.value, by.width.value]
  const quarter = (((turned / 90) % 4) + 4) % 4
  const fromRight = alike ? quarter === 1 || quarter === 2 : quarter === 0 || quarter === 3
  const corner = pointAt(
    below,
    x.value + right + (fromRight ? width : 0),
    y.value + up + (quarter >= 2 ? height : 0),
    face === 'inside' ? layer : -layer,
  )
  return turnedFlat({ ...lying, origin: corner }, turned)

  function aboutItsMiddle(): Frame {
    const [halfWide, halfHigh] = [by.width.value / 2, by.height.value / 2]
    const middle = pointAt(
      below, x.value + right + halfWide, y.value + up + halfHigh, face === 'inside' ? layer : -layer,
    )
    const frame = turnedFlat({ ...lying, origin: middle }, turned)
    return { ...frame, origin: pointAt(frame, -halfWide, -halfHigh) }
  }
}

/** The glued area of a joint on the panel it lies on: corners on the part of that panel. */
export function glueOutline(joint: Joint): Point[] {
  const { x: { value: left }, y: { value: foot }, width: { value: width }, height: { value: height } } = joint.glue
  return pointsInJoint(joint, [
    [left, foot], [left + width, foot], [left + width, foot + height], [left, foot + height],
  ])
}

/** Points of a part as they lie in its joint, on the part of the panel that it lies on. */
export function pointsInJoint(joint: Joint, points: Point[]): Point[] {
  const { by, onto } = joint
  const frame = jointFrame(FLAT, joint, 0)
  return points.map(([right, up]) => {
    const [x, y] = pointAt(frame, right - by.x.value, up - by.y.value)
    return [onto.x.value + x, onto.y.value + y]
  })
}

/** The corners of a panel in space, counter-clockwise seen from its inside. */
export const cornersOf = (panel: Panel, frame: Frame): Vector[] => placed(outlineOf(panel), panel, frame)

/** Points of a part in space, as its panel in this frame carries them. */
export const placed = (points: readonly (readonly [number, number])[], { x, y }: Panel, frame: Frame): Vector[] =>
  points.map(([right, up]) => pointAt(frame, right - x.value, up - y.value))

/** A point in space as it lies from a panel: to the right and up from its lower left corner, and above its inside. */
export function seenFrom({ origin, x, y, normal }: Frame, point: Vector): Vector {
  const from = subtract(point, origin)
  return [dot(from, x), dot(from, y), dot(from, normal)]
}

export interface Box {
  least: Vector
  most: Vector
}

const AXES = [0, 1, 2] as const

/** The box round everything that has a place in a pose. */
export function boxOf({ parts }: Construction, pose: Pose): Box {
  const least: [number, number, number] = [Infinity, Infinity, Infinity]
  const most: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (const { panels } of parts) {
    for (const panel of panels) {
      const frame = pose.get(panelKey(panel))
      if (!frame || panel.width.value <= 0 || panel.height.value <= 0) continue
      for (const corner of cornersOf(panel, frame)) {
        for (const axis of AXES) {
          least[axis] = Math.min(least[axis], corner[axis])
          most[axis] = Math.max(most[axis], corner[axis])
        }
      }
    }
  }
  return { least, most }
}

/** How large the card is at an opening: width, height and depth of the box round it. */
export function sizeAt(construction: Construction, opening: number): { width: Length, height: Length, depth: Length } {
  const { least, most } = boxOf(construction, poseOf(construction, opening))
  const along = (axis: 0 | 1 | 2) => nanometres(Math.max(0, most[axis] - least[axis]))
  return { width: along(0), height: along(1), depth: along(2) }
}
