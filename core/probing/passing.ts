import type { Construction, Joint, Panel } from '../folds'
import { glueAmiss } from './holding'
import type { Sheet, Spot, Verdict } from './space'
import {
  THIN, along, between, carriedBy, evenly, fromSheet, glueSpots, hasPaper, isLayer, isWithin, nameOf, placeOn, standing,
} from './space'

const OPENINGS = Array.from({ length: 21 }, (_, at) => at / 20)
/** Points along each side of what stands on foam. */
const GRID = 6
/** The same for a closer look. */
const FINE = 20
/** What moves less than that along another sheet, from closed to open, only comes down on it. Nanometres. */
const MOVES = 4_000_000
/** Sheets that meet at a greater angle than this, as cosine, close on each other and do not slide. */
const ALONG = 0.85
/** So far below a sheet, in nanometres, something surely passes on its other side. */
const FAR = 1_000_000
/** What passes farther off, in nanometres, passes above the foam. */
const NEAR = 3_000_000
/** So far off a sheet, in nanometres, one sees on which side of it another one passes. */
const CLEAR = 300_000

/** Of less foam, in square nanometres, points tell nothing. */
const CRUMB = 30e12

type Pose = ReadonlyMap<string, Sheet>

/**
 * What stands on foam and in the way of a sheet that slides past, followed point by point through many openings. Where
 * a sheet slides in the very plane of another one, points do not tell on which side.
 */
export function inTheWay(card: Construction): Map<string, Verdict> {
  const found = new Map<string, Verdict>()
  const raised = card.joints.filter(({ means }) => means === 'foam')
  if (raised.length === 0) return found
  const poses = OPENINGS.map(
    (opening): Pose => new Map(standing(card, opening, THIN).map(sheet => [nameOf(sheet.panel), sheet])),
  )
  const high = carriedBy(card, raised.map(({ part }) => part))
  const order = card.steps.flatMap(({ puts }) => puts)
  // What was there before a sheet was put over it passes below that, however it bends.
  const isBefore = (part: string, carrier: string): boolean => {
    const below = card.joints.find(
      other => other.part === part && other.onto.part !== part && other.onto.part !== card.anchor.part,
    )
    if (!order.includes(carrier)) return false
    const isEarlier = order.includes(part) && order.indexOf(part) < order.indexOf(carrier)
    return isEarlier || (below !== undefined && isBefore(below.onto.part, carrier))
  }
  // What is glued over an opening is in the way of all that passes through that, and is spoken of by itself.
  const amiss = new Set(
    [...glueAmiss(card).overOpening].filter(([, verdict]) => verdict !== 'no').map(([part]) => part),
  )
  const hung = hungThrough(card, raised, poses[0])
  for (const joint of raised) {
    const own = carriedBy(card, [joint.part])
    const spots = poses.map(pose => footOf(joint, pose))
    let fine: Spot[][] | undefined
    const closely = () => (fine ??= poses.map(pose => footOf(joint, pose, FINE)))
    for (const { panel } of poses[0]?.values() ?? []) {
      if (own.has(panel.part) || panel.part === joint.onto.part) continue
      const isUnsure
        = hung.has(joint.part)
          || [hung, high, amiss].some(parts => parts.has(panel.part))
          || sizeOf(joint) < CRUMB
          || isBefore(panel.part, carrierOf(card, joint))
      const seen = passes(joint, panel, poses, spots, isUnsure)
      // What only grazes the foam may pass between two points.
      const verdict = seen === 'no' && passes(joint, panel, poses, closely(), isUnsure) !== 'no' ? 'hardly' : seen
      if (verdict === 'yes' || (verdict === 'hardly' && found.get(joint.part) !== 'yes')) found.set(joint.part, verdict)
    }
  }
  return found
}

/**
 * Parts that are held by foam through an opening of another sheet, with all on them: their place says nothing of the
 * side they are on.
 */
function hungThrough(card: Construction, raised: Joint[], pose: Pose = new Map()): Set<string> {
  return carriedBy(card, raised.filter((joint) => {
    const [ground, piece] = [pose.get(nameOf(joint.onto)), pose.get(nameOf(joint.by))]
    if (!ground || !piece) return false
    const foot = footOf(joint, pose)
    return [...pose.values()].some(other =>
      other !== ground && other !== piece && meetings(foot, joint, ground, other).some(({ isOpen }) => isOpen))
  }).map(({ part }) => part))
}

const sizeOf = ({ glue }: Joint): number => glue.width.value * glue.height.value

/** The part that a piece stands on in the end, through all layers. */
function carrierOf(card: Construction, joint: Joint): string {
  const part = card.parts.find(({ key }) => key === joint.onto.part)
  const below = part && isLayer(part) ? card.joints.find(other => other.part === part.key) : undefined
  return below ? carrierOf(card, below) : joint.onto.part
}

/** @param isUnsure whether something else than points tells that it passes above or below all the same */
function passes(joint: Joint, panel: Panel, poses: Pose[], spots: Spot[][], isUnsure: boolean): Verdict {
  const on = nameOf(joint.onto)
  const name = nameOf(panel)
  const side = joint.face === 'inside' ? 1 : -1
  let slid = 0
  let crept = 0
  let isAbove = false
  let isBelow = false
  let isFarBelow = false
  let isAlong = true
  let isThrough = false
  for (const [at, pose] of poses.entries()) {
    const ground = pose.get(on)
    const mover = pose.get(name)
    const next = poses[at + 1]
    if (!ground || !mover) return 'no'
    isAlong &&= Math.abs(along(ground.out, mover.out)) > ALONG && isBeside(ground, mover)
    const met = meetings(spots[at] ?? [], joint, ground, mover)
    isAbove ||= mover.outline.some(corner => fromSheet(ground, placeOn(mover, corner)).height * side > CLEAR)
    isBelow ||= met.some(({ rises }) => rises < -CLEAR)
    isFarBelow ||= met.some(({ rises }) => rises < -FAR)
    isThrough ||= met.some(({ isOpen }) => isOpen)
    const [nextGround, nextMover] = [next?.get(on), next?.get(name)]
    if (!nextGround || !nextMover) continue
    const ways = met
      .filter(({ isOpen }) => !isOpen)
      .map(({ spot }) => wayOf(spot, [ground, mover], [nextGround, nextMover]))
    slid += Math.max(0, ...ways.map(({ along, off }) => (off < along ? along : 0)))
    crept += Math.max(0, ...ways.map(({ along }) => along))
  }
  if (crept < MOVES / 4 || (isFarBelow && !isAbove && !isUnsure)) return 'no'
  // Foam that reaches an opening of what passes moves in that, as pads do in their tracks.
  return slid > MOVES && isAlong && isAbove && !isBelow && !isThrough && !isUnsure ? 'yes' : 'hardly'
}

/** Whether some of a sheet lies near the plane of another one, as all that slides along it does the whole time. */
const isBeside = (ground: Sheet, mover: Sheet): boolean =>
  mover.outline.some(corner => Math.abs(fromSheet(ground, placeOn(mover, corner)).height) < NEAR)

/** How far a place of a sheet moves along another one in a moment, and how far off it or down on it. */
function wayOf(
  spot: Spot, [ground, mover]: [Sheet, Sheet], [nextGround, nextMover]: [Sheet, Sheet],
): { along: number, off: number } {
  const [here, there] = [fromSheet(ground, placeOn(mover, spot)), fromSheet(nextGround, placeOn(nextMover, spot))]
  return {
    along: Math.hypot(there.spot[0] - here.spot[0], there.spot[1] - here.spot[1]),
    off: Math.abs(there.height - here.height),
  }
}

interface Meeting {
  spot: Spot
  rises: number
  isOpen: boolean
}

/**
 * Where a sheet lies over the foam of a joint: the place on that sheet, how far it lies above what the foam stands on,
 * and whether it has an opening there.
 */
function meetings(foot: Spot[], joint: Joint, ground: Sheet, mover: Sheet): Meeting[] {
  const slope = along(ground.out, mover.out)
  if (Math.abs(slope) < ALONG / 2) return []
  const side = joint.face === 'inside' ? 1 : -1
  return foot.flatMap((below) => {
    const rises = along(between(placeOn(ground, below), mover.corner), mover.out) / slope
    if (Math.abs(rises) >= NEAR) return []
    const meets = fromSheet(mover, placeOn(ground, below, rises)).spot
    return isWithin(mover, meets) ? [{ spot: meets, rises: rises * side, isOpen: !hasPaper(mover, meets) }] : []
  })
}

/** Points of the foam of a joint, on the sheet that it stands on. */
function footOf(joint: Joint, pose: Pose, grid = GRID): Spot[] {
  const [ground, piece] = [pose.get(nameOf(joint.onto)), pose.get(nameOf(joint.by))]
  if (!ground || !piece) return []
  return glueSpots(joint, piece, evenly(grid)).map(spot => fromSheet(ground, placeOn(piece, spot)).spot)
}
