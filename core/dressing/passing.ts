import type { Polygon } from './clipping'
import type { Construction, Finding, Frame, Joint, Panel, Part, Point, Pose, Vector } from '../folds'
import { dot, glueOutline, holesOf, isLayer, isMakers, outlineOf, panelKey, placed, poseOf, seenFrom } from '../folds'
import { byKey, itemAt } from '../lists'
import type { Corner } from './seen'
import { AJAR, PARALLEL, TRIFLE, areaOfAll, heightOf, inMicrometres } from './seen'
import { withAllOnIt } from './stacks'
import { difference, intersection } from './clipping'

/** Openings that a moving part is followed through. */
const STEPS = Array.from({ length: 17 }, (_, at) => at / 16)
/** Half of the distance, in nanometres, that a glued layer is drawn above what it lies on. */
const ABOVE = 10_000
/** So far below what carries a piece, in nanometres, something passes on its other side. */
const CLEAR = 200_000
/** Share of the foam of a piece that lies in openings of what passes, from which on it runs in those. */
const IN_TRACK = 0.25
/** So near at its nearest, in nanometres, what slides touches what it slides over. */
const TOUCHING = 2_000_000
/** What moves less than that, in nanometres, at each of the steps does not wander as far as that. */
const STILL = TOUCHING / 2 / STEPS.length

/** Pieces on foam that something slides over. */
export function inTheWay(card: Construction): Finding[] {
  const raised = card.joints.filter(({ means }) => means === 'foam')
  if (raised.length === 0) return []
  // Flat shut as the design states it, and a little ajar: between them they tell on which side of a sheet something
  // slides.
  const ways = [{ layer: 20_000 }, AJAR].map(options => STEPS.map(step => poseOf(card, step, options)))
  const high = new Set(raised.flatMap(({ part }) => [...withAllOnIt(card, part)]))
  return raised.filter(({ faceDown }) => !faceDown).flatMap((joint): Finding[] => {
    const own = withAllOnIt(card, joint.part)
    const slider = card.parts
      .filter(({ key }) => !own.has(key) && isOnItsSide(card, joint, key))
      .flatMap(({ panels }) => panels)
      .find((panel) => {
        // What is on foam itself passes above, unless the foam reaches through an opening.
        if (high.has(panel.part) && !isHungThrough(card, joint.onto, panel)) return false
        // Most sheets never move along the one that carries the piece.
        if (ways.every(poses => staysPut(panel, joint.onto, poses, STILL))) return false
        const found = ways.map(poses => wayOf({ card, joint, own, high, panel }, poses))
        return found.includes('above') && (!found.includes('below') || isHungThrough(card, joint.onto, panel))
      })
    if (!slider) return []
    return [{
      severity: 'warn',
      subject: byKey(card.parts, joint.part).name,
      part: joint.part,
      problem: `is on foam where ${slider.name.toLowerCase()} passes: it stands in its way. Hold it flat, or put it elsewhere.`,
    }]
  })
}

/**
 * Whether a part can come on the side of the carrying sheet on which a piece stands: what was put on before that lies
 * below it.
 */
function isOnItsSide(card: Construction, joint: Joint, part: string): boolean {
  // The card's own sheet folds over what was put on it.
  if (part === card.anchor.part) return true
  const [carrying, side] = carrierOf(card, joint)
  // What hangs on the sheet itself may come on either side of it.
  if (rootOf(part) === carrying.part) return true
  return (indexOf(rootOf(part)) < indexOf(carrying.part)) === (underOf(card, carrying) === side)

  function indexOf(key: string): number {
    return card.parts.findIndex(other => other.key === key)
  }

  /** The part right on the card's own sheet that carries another one. */
  function rootOf(key: string): string {
    const below = card.joints.find(other => other.part === key && other.onto.part !== key)
    return !below || below.onto.part === card.anchor.part ? key : rootOf(below.onto.part)
  }
}

/** The part that a piece stands on in the end, through all layers, and on which side of it. */
function carrierOf(
  card: Construction, { onto, face }: Pick<Joint, 'onto' | 'face'>,
): [panel: Panel, side: Joint['face']] {
  const below = isLayer(byKey(card.parts, onto.part).kind)
    ? card.joints.find(({ part }) => part === onto.part)
    : undefined
  return below ? carrierOf(card, below) : [onto, face]
}

/** Which side of a panel looks at what its part was put on; neither of the card's own sheet. */
function underOf(card: Construction, panel: Panel): Joint['face'] | undefined {
  const joint = card.joints.find(({ part, onto }) => part === panel.part && onto.part !== part)
  const pose = joint && poseOf(card, 1, AJAR)
  const [lies, ground] = [pose?.get(panelKey(panel)), joint && pose?.get(panelKey(joint.onto))]
  if (!lies || !ground) return undefined
  const middle: Corner = [panel.width.value / 2000, panel.height.value / 2000]
  return heightOf(lies, ground)(middle) > 0 ? 'inside' : 'outside'
}

/** Points of a part as a panel sees them, from its lower left corner. */
const asSeen = (points: Point[], panel: Panel, lies: Frame, ground: Frame): Corner[] =>
  inMicrometres(
    placed(points, panel, lies)
      .map(corner => seenFrom(ground, corner))
      .map(([right, up]): Point => [right, up]),
  )

const overlap = (a: Polygon, b: Polygon): number => areaOfAll(intersection(a, b))

/**
 * Whether what slides is held by foam through an opening of a sheet, and so lies on the other side of it than what
 * carries it.
 */
function isHungThrough(card: Construction, sheet: Panel, panel: Panel): boolean {
  const holes = holesOf(byKey(card.parts, sheet.part), sheet)
  const hung = card.joints.find(({ part }) => part === panel.part)
  if (!hung || holes.length === 0) return false
  const pose = poseOf(card, 0)
  const [ground, below] = [pose.get(panelKey(sheet)), pose.get(panelKey(hung.onto))]
  if (!ground || !below) return false
  const pads: Polygon = [asSeen(glueOutline(hung), hung.onto, below, ground)]
  const openings = holes.map((hole): Polygon => [asSeen(hole, sheet, ground, ground)])
  return (
    (hung.means === 'foam' && openings.some(opening => overlap(pads, opening) > TRIFLE))
    || isHungThrough(card, sheet, hung.onto)
  )
}

/** A piece on foam with all that is on it, and a panel that may come its way. */
interface Meeting {
  card: Construction
  joint: Joint
  own: ReadonlySet<string>
  /** All that is on foam. */
  high: ReadonlySet<string>
  panel: Panel
}

/**
 * Whether a panel slides along the sheet that a piece stands on and through its foam, on its side of that; or clearly
 * below it.
 * @param poses the card at each of the steps
 */
function wayOf(meeting: Meeting, poses: Pose[]): 'above' | 'below' | undefined {
  const { card, joint, panel } = meeting
  const { onto, face } = joint
  const zone = glueOutline(joint)
  const pads = inMicrometres(zone.map(([right, up]): Point => [right - onto.x.value, up - onto.y.value]))
  const steps = poses.flatMap((pose) => {
    const [ground, mover] = [pose.get(panelKey(onto)), pose.get(panelKey(panel))]
    const isAlong = ground && mover && Math.abs(dot(ground.normal, mover.normal)) >= PARALLEL
    return isAlong ? [{ pose, ground, mover, outline: asSeen(outlineOf(panel), panel, mover, ground) }] : []
  })
  if (steps.length < poses.length || !steps.some(({ outline }) => mayMeet(pads, outline))) return undefined
  const holes = holesOf(byKey(card.parts, panel.part), panel)
  const middle = [0, 1].map(axis => zone.reduce((sum, corner) => sum + (corner[axis] ?? 0), 0) / zone.length) as [
    number, number,
  ]
  const side = face === 'inside' ? 1 : -1
  const spots = zone.flatMap(corner => [0.5, 0.9].map((share): Point => [
    middle[0] + share * (corner[0] - middle[0]), middle[1] + share * (corner[1] - middle[1]),
  ]))
  const trails = [middle, ...spots].map((spot): Trail => ({ spot, far: 0 }))
  let [hits, isAbove, isBelow] = [false, false, false]
  for (const [at, { pose, ground, mover, outline }] of steps.entries()) {
    const heights = placed(outlineOf(panel), panel, mover).map(corner => seenFrom(ground, corner)[2] * side)
    isAbove ||= Math.max(...heights) > ABOVE
    // What slides well off the sheet that carries the piece, or well below it, is not in its way.
    if (Math.min(...heights.map(Math.abs)) > TOUCHING || Math.max(...heights) < -TOUCHING) return undefined
    // Where places of the foam come to lie on what passes: they wander over that as it slides, and hardly where it only
    // comes down.
    for (const trail of trails) {
      const [right, up, high] = seenFrom(mover, placed([trail.spot], onto, ground)[0] ?? ground.origin)
      const place: Point | undefined = Math.abs(high) < TOUCHING ? [right, up] : undefined
      if (place && trail.last) trail.far += Math.hypot(place[0] - trail.last[0], place[1] - trail.last[1])
      trail.last = place
    }
    if (!mayMeet(pads, outline)) continue
    const over = intersection([pads], [outline])
    if (areaOfAll(over) <= TRIFLE) continue
    // Pads that reach an opening of what passes run in that, as in a track.
    const through = holes.reduce((sum, hole) => sum + overlap([pads], [asSeen(hole, panel, mover, ground)]), 0)
    // Of a design it is pads with nothing between them, stated as one area.
    if (through > Math.max(TRIFLE, isMakers(joint.part) ? IN_TRACK * areaOfAll([[pads]]) : 0)) return undefined
    const height = heightOf(ground, mover)
    const met = over.flatMap(([outer = []]) => outer).map(corner => height(corner) * side)
    isBelow ||= met.some(high => high < -CLEAR)
    // Closed, it may only have come down on it.
    hits ||= at > 0 && met.some(high => Math.abs(high) < TOUCHING) && !isParted(meeting, pose, pads, poses)
  }
  // What never lies above the sheet that carries the piece slides on the other side of it, as a leaf does in its
  // sleeve.
  return isBelow ? 'below' : hits && trails.some(({ far }) => far > TOUCHING) && isAbove ? 'above' : undefined
}

/** A place of the foam, where it lay last on what passes, and how far it has wandered over that. */
interface Trail {
  spot: Point
  last?: Point
  far: number
}

/** Whether the boxes round two rings share anything. */
const mayMeet = (a: Corner[], b: Corner[]): boolean => ([0, 1] as const).every((axis) => {
  const [as, bs] = [a, b].map(ring => ring.map(corner => corner[axis])) as [number[], number[]]
  return Math.min(...as) < Math.max(...bs) && Math.min(...bs) < Math.max(...as)
})

/**
 * Whether a panel keeps its place on another one all the time, with both ends of its diagonal: what moves itself parts
 * nothing.
 */
function staysPut(panel: Panel, onto: Panel, poses: Pose[], within = TOUCHING): boolean {
  const ends: Point[] = [
    [panel.x.value, panel.y.value], [panel.x.value + panel.width.value, panel.y.value + panel.height.value],
  ]
  let first: Vector[] | undefined
  return poses.every((pose) => {
    const [ground, frame] = [pose.get(panelKey(onto)), pose.get(panelKey(panel))]
    const places = ground && frame && placed(ends, panel, frame).map(end => seenFrom(ground, end))
    first ??= places
    return first !== undefined && places !== undefined && places.every(([x, y, z], at) => {
      const [startX, startY, startZ] = itemAt(first ?? [], at)
      return Math.hypot(x - startX, y - startY, z - startZ) < within
    })
  })
}

/**
 * Whether another sheet lies between a piece and what passes, as the back of a frame does; one that the foam passes
 * through does not.
 */
function isParted(
  { card, joint: { onto, face }, own, high, panel }: Meeting, pose: Pose, pads: Corner[], poses: Pose[],
): boolean {
  const ground = pose.get(panelKey(onto))
  const mover = pose.get(panelKey(panel))
  const side = face === 'inside' ? 1 : -1
  if (!ground || !mover) return false
  const passes = heightOf(ground, mover)
  // Only what was there before something slides can come between; what is put over it later has it below, wherever a
  // drawing has it.
  const order = card.parts.map(({ key }) => key)
  const isLater = ({ key }: Part) => panel.part !== card.anchor.part && order.indexOf(key) > order.indexOf(panel.part)
  return card.parts
    .filter(part => !own.has(part.key) && !high.has(part.key) && !isLater(part))
    .some(part =>
      part.panels.some((other) => {
        const frame = other === onto || other === panel ? undefined : pose.get(panelKey(other))
        if (!frame || Math.abs(dot(frame.normal, ground.normal)) < PARALLEL) return false
        const lies = heightOf(ground, frame)
        if (!staysPut(other, onto, poses)) return false
        const isUnder = (height: number, top: number) => height > 0 && height < top - 1
        if (!pads.every(corner => isUnder(lies(corner) * side, passes(corner) * side))) return false
        const outline = asSeen(outlineOf(other), other, frame, ground)
        return areaOfAll(difference([pads], [outline])) < TRIFLE
          && holesOf(part, other).every(hole => overlap([pads], [asSeen(hole, other, frame, ground)]) <= TRIFLE)
      }))
}
