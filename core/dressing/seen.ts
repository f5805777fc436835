import type { MultiPolygon, Polygon } from './clipping'
import type { Construction, Face, Frame, Joint, Panel, Part, Point, Pose } from '../folds'
import {
  dot, face as onlyPanel, glueOutline, holesOf, isLayer, isWhole, outlineOf, panelKey, placed, poseOf, seenFrom,
} from '../folds'
import { byKey, once } from '../lists'
import { difference } from './clipping'

/*
 * What is seen of every face: polygons on the panel, in micrometres from its lower left corner, as its pattern is
 * drawn, inside face up.
 */

/** One side of a panel with what can be seen of it. */
export interface SeenFace {
  part: Part
  panel: Panel
  side: Face
  /** All of it, without its openings. */
  whole: Polygon
  /** Not covered by anything that lies on it while the card is on display. */
  open: MultiPolygon
  /** Seen from outside while the card is closed. */
  closed: MultiPolygon
  /** What is glued on it, and where it is glued itself. */
  glued: MultiPolygon
}

/** Creases stay so many degrees short of shut, and layers so far apart, that what lies in front of what can be told. */
export const AJAR = { slack: 0.2, layer: 500, nested: true }
/**
 * A closed card is open by so much, as share of its way: loops agree at every opening, and not where creases are held
 * back.
 */
export const CRACK = 0.004
/** On display only what lies so near counts as lying on it; what stands farther off is looked past. */
export const NEAR = 3_000_000
const MICRO = 1000
/** Two panels that slide past each other stay about parallel, as cosine. */
export const PARALLEL = 0.85
/** Square micrometres: a hair more or less is no finding. */
export const TRIFLE = 2_000_000
/** Of two panels in one plane. */
const LEVEL = 2

const known = new WeakMap<Construction, SeenFace[]>()

/** Both sides of every panel of a card that has a place on it. Worked out once for a card. */
export function seenFaces(card: Construction): SeenFace[] {
  const found = known.get(card) ?? compute(card)
  known.set(card, found)
  return found
}

/** Area of polygons, in square micrometres. */
export const areaOfAll = (polygons: MultiPolygon): number =>
  polygons.reduce(
    (sum, [outer, ...holes]) =>
      sum + (outer ? ringArea(outer) : 0) - holes.reduce((all, hole) => all + ringArea(hole), 0),
    0,
  )

function ringArea(ring: readonly (readonly [number, number])[]): number {
  return Math.abs(ring.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = ring[(at + 1) % ring.length] ?? [0, 0]
    return sum + (x * nextY - nextX * y) / 2
  }, 0))
}

function compute(card: Construction): SeenFace[] {
  const parts = card.parts.filter(isWhole)
  const shut = poseOf(card, CRACK, AJAR)
  const shown = once(() => poseOf(card, 1, AJAR))
  const all = parts.flatMap(part => part.panels.map(panel => ({ part, panel })))
  return all.flatMap(({ part, panel }, order) =>
    (['inside', 'outside'] as const).flatMap((side): SeenFace[] => {
      if (!shut.has(panelKey(panel))) return []
      const whole = polygonOf(outlineOf(panel), holesOf(part, panel), panel)
      const seen = (pose: Pose, near: number) => {
        const over = [
          ...all.flatMap((other, at) =>
            at === order ? [] : coverOf(pose, panel, other, { side, near, later: at > order }),
          ),
          ...pressedOn(card, panel, pose),
        ]
        return difference(whole, ...over)
      }
      // Clipping takes its time, so it waits until it is asked for.
      const [open, closed] = [once(() => seen(shown(), NEAR)), once(() => seen(shut, Infinity))]
      return [{
        part, panel, side, whole,
        get open() { return open() },
        get closed() { return closed() },
        get glued() { return gluedOn(card, panel, side) },
      }]
    }),
  )
}

/** Points on a part in whole micrometres, as polygons are clipped. */
export const inMicrometres = (points: readonly Point[]): Corner[] =>
  points.map(([x, y]): Corner => [Math.round(x / MICRO), Math.round(y / MICRO)])

/** A panel with its openings, from its lower left corner, in whole micrometres. */
export const polygonOf = (outline: Point[], holes: Point[][], { x, y }: Panel): Polygon => {
  const ring = (corners: Point[]) => corners.map(([right, up]): [number, number] => [
    Math.round((right - x.value) / MICRO), Math.round((up - y.value) / MICRO),
  ])
  return [ring(outline), ...holes.map(ring)]
}

/**
 * How far the plane of a panel lies from another one's inside, at places of that in micrometres: sheets that are not
 * quite parallel may cross, and cover only where they lie in front.
 */
export function heightOf(frame: Frame, over: Frame): (place: readonly [number, number]) => number {
  const [x, y, z] = [frame.x, frame.y, frame.normal].map(axis => dot(over.normal, axis)) as [number, number, number]
  const [originX, originY, originZ] = seenFrom(frame, over.origin)
  return ([right, up]) => originZ - (x * (right * MICRO - originX) + y * (up * MICRO - originY)) / z
}

export type Corner = [number, number]

/** The part of a ring where something that grows evenly over it is above zero. */
function whereAbove(ring: Corner[], height: (place: Corner) => number): Corner[] {
  return ring.flatMap((corner, at) => {
    const next = ring[(at + 1) % ring.length] ?? corner
    const [here, there] = [height(corner), height(next)]
    const kept = here > 0 ? [corner] : []
    if ((here > 0) === (there > 0)) return kept
    const share = here / (here - there)
    const [x, y] = ([0, 1] as const).map(axis =>
      Math.round(corner[axis] + share * (next[axis] - corner[axis])),
    ) as Corner
    return [...kept, [x, y] as Corner]
  })
}

/** What another panel covers of one, where it lies flat over that side of it. */
export function coverOf(
  pose: Pose,
  panel: Panel,
  other: { part: Part, panel: Panel },
  { side, near, later }: { side: Face, near: number, later: boolean },
): Polygon[] {
  const [frame, over] = [pose.get(panelKey(panel)), pose.get(panelKey(other.panel))]
  if (!frame || !over) return []
  if (Math.abs(dot(frame.normal, over.normal)) < 0.995) return []
  const project = (corners: Point[]) => placed(corners, other.panel, over).map((corner): Corner => {
    const [right, up] = seenFrom(frame, corner)
    return [Math.round(right / MICRO), Math.round(up / MICRO)]
  })
  const outer = project(outlineOf(other.panel))
  const [xs, ys] = [outer.map(([x]) => x), outer.map(([, y]) => y)]
  const [left, right] = [Math.max(0, Math.min(...xs)), Math.min(panel.width.value / MICRO, Math.max(...xs))]
  const [foot, head] = [Math.max(0, Math.min(...ys)), Math.min(panel.height.value / MICRO, Math.max(...ys))]
  if (left >= right || foot >= head) return []
  const plane = heightOf(frame, over)
  const sign = side === 'inside' ? 1 : -1
  const heights = (
    [
      [left, foot], [right, foot], [right, head], [left, head],
    ] as const
  ).map(place => plane(place) * sign)
  if (heights.every(height => Math.abs(height) < LEVEL)) {
    // In one plane, as sheets that are glued in two places, what is put on later lies on the inside; what looks the
    // other way faces it.
    const facing = dot(frame.normal, over.normal) < 0
    if ((later || facing) !== (sign > 0)) return []
  }
  else {
    if (heights.every(height => height <= 0) || heights.every(height => height > near)) return []
    if (heights.some(height => height < -LEVEL)) {
      const above = (ring: Corner[]) => whereAbove(ring, place => plane(place) * sign)
      const rest = above(outer)
      const holes = holesOf(other.part, other.panel)
        .map(hole => above(project(hole)))
        .filter(({ length }) => length > 2)
      return rest.length < 3 ? [] : [[rest, ...holes]]
    }
  }
  return [[outer, ...holesOf(other.part, other.panel).map(project)]]
}

/**
 * Where a piece lies between two panels that are glued together, as between an inner sheet and its base: wherever those
 * come to lie in a drawing, nothing is seen of it there.
 */
function pressedOn(card: Construction, panel: Panel, pose: Pose): Polygon[] {
  const found: Polygon[] = []
  const frame = pose.get(panelKey(panel))
  const jointOf = ({ part }: Panel) => card.joints.find(joint => joint.part === part)
  let joint = panel.part === card.anchor.part ? undefined : jointOf(panel)
  for (let steps = 0; frame && joint && steps < card.joints.length; steps++) {
    const { onto, face } = joint
    for (const other of card.joints.filter(
      other => other.by === onto && other.means !== 'held' && downOf(other) === face,
    )) {
      const sheet = pose.get(panelKey(other.onto))
      if (!sheet) continue
      const ring = (points: Point[]) =>
        inMicrometres(
          placed(points, other.onto, sheet)
            .map(corner => seenFrom(frame, corner))
            .map(([x, y]): Point => [x, y]),
        )
      found.push([outlineOf(other.onto), ...holesOf(byKey(card.parts, other.onto.part), other.onto)].map(ring))
    }
    joint = isLayer(byKey(card.parts, onto.part).kind) ? jointOf(onto) : undefined
  }
  return found
}

const boxed = ({ glue }: Joint, panel: Panel): Point[] => {
  const [left, foot] = [glue.x.value, glue.y.value]
  const [right, head] = [left + glue.width.value, foot + glue.height.value]
  return ([[left, foot], [right, foot], [right, head], [left, head]] as Point[]).map(([x, y]): Point => [
    Math.max(panel.x.value, Math.min(panel.x.value + panel.width.value, x)),
    Math.max(panel.y.value, Math.min(panel.y.value + panel.height.value, y)),
  ])
}

/** Where something is glued on a side of a panel, and where that side is glued down itself. */
function gluedOn({ joints }: Construction, panel: Panel, side: Face): MultiPolygon {
  return joints.filter(({ means }) => means !== 'held').flatMap((joint): Polygon[] => {
    if (joint.glue.width.value <= 0 || joint.glue.height.value <= 0) return []
    if (joint.onto === panel && joint.face === side) return [polygonOf(glueOutline(joint), [], panel)]
    return joint.by === panel && downOf(joint) === side ? [polygonOf(boxed(joint, panel), [], panel)] : []
  })
}

/** The side of a glued panel that lies down. */
export const downOf = ({ faceDown }: Pick<Joint, 'faceDown'>): Face => (faceDown ? 'inside' : 'outside')

/** Parts that lie on the card and of which nothing is ever seen: any scrap would do for them. */
export function neverSeen(card: Construction): Part[] {
  const faces = seenFaces(card)
  return card.parts.filter(({ key, kind }) => {
    if (kind === 'hidden' || kind === 'base') return false
    const own = faces.filter(({ part }) => part.key === key)
    const least = (own.reduce((sum, { whole }) => sum + areaOfAll([whole]), 0) / 2) * SHARE
    let seen = 0
    // Clipping takes its time: once enough is seen, no further face is looked at.
    return (
      own.length > 0 && !own.some(({ open, closed }) => (seen += Math.max(areaOfAll(open), areaOfAll(closed))) > least)
    )
  })
}
/** Less of a part that is seen is nothing: roundings of round edges, slivers beside a crease that is not quite shut. */
export const SHARE = 0.03

/** The faces worth a mask: those that can be stamped and are seen at least in part. */
export const maskedFaces = (card: Construction): SeenFace[] =>
  seenFaces(card).filter(({ part, panel, side, open, closed }) => {
    if (part.kind === 'hidden') return false
    // The back of a layer is glued down.
    if (isLayer(part.kind) && (side === 'outside' || panel !== onlyPanel(part))) return false
    return areaOfAll(open) > 0 || areaOfAll(closed) > 0
  })
