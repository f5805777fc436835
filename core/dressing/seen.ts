import type { MultiPolygon, Polygon } from 'polygon-clipping'
import type { Construction, Face, Frame, Joint, Panel, Part, Point } from '../folds'
import { dot, face as onlyPanel, glueOutline, holesOf, isLayer, isWhole, outlineOf, panelKey, placed, poseOf, seenFrom, windowOutline } from '../folds'
import { byKey, once } from '../lists'
import { difference, intersection } from './clipping'

/*
 * What is seen of every face: polygons on the panel, in micrometres from its lower left corner, as its pattern is drawn, inside
 * face up.
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

export type Pose = ReturnType<typeof poseOf>

/** Creases stay so many degrees short of shut, and layers so far apart, that what lies in front of what can be told. */
export const AJAR = { slack: 0.2, layer: 500, nested: true }
/** A closed card is open by so much, as share of its way: loops agree at every opening, and not where creases are held back. */
const CRACK = 0.004
/** On display only what lies so near counts as lying on it; what stands farther off is looked past. */
const NEAR = 3_000_000
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
  polygons.reduce((sum, [outer, ...holes]) => sum + (outer ? ringArea(outer) : 0) - holes.reduce((all, hole) => all + ringArea(hole), 0), 0)

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
          ...all.flatMap((other, at) => (at === order ? [] : coverOf(pose, panel, other, { side, near, later: at > order }))),
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

const polygonOf = (outline: Point[], holes: Point[][], { x, y }: Panel): Polygon => {
  const ring = (corners: Point[]) => corners.map(([right, up]): [number, number] => [
    Math.round((right - x.value) / MICRO), Math.round((up - y.value) / MICRO),
  ])
  return [ring(outline), ...holes.map(ring)]
}

/** How much of an opening is clear of what slides past it, as a share of it. */
export interface ClearWindow {
  key: string
  name: string
  panel: Panel
  open: number
  closed: number
}

/** Every window that something slides past: how much of it stays covered by that on display, and while the card is closed. */
export function windowsClear(card: Construction): ClearWindow[] {
  const parts = card.parts.filter(isWhole)
  if (parts.every(({ windows }) => windows.length === 0)) return []
  const [open, closed, ...between] = [1, CRACK, 0.25, 0.5, 0.75].map(opening => poseOf(card, opening, AJAR)) as [Pose, Pose, ...Pose[]]
  const all = parts.flatMap(part => part.panels.map(panel => ({ part, panel })))
  return parts.filter(part => !isLayer(part.kind)).flatMap(part => part.windows.flatMap((window): ClearWindow[] => {
    const panel = part.panels.find(({ key }) => key === window.panel)
    if (!panel || window.width.value <= 0 || window.height.value <= 0 || !open.has(panelKey(panel))) return []
    const sliding = all.filter(other => other.panel !== panel && slides(other.panel, panel))
    if (sliding.length === 0) return []
    const whole = polygonOf(windowOutline(window), [], panel)
    const clear = (pose: Pose) => {
      const over = sliding.flatMap(other =>
        (['inside', 'outside'] as const).flatMap(side => coverOf(pose, panel, other, { side, near: NEAR, later: true })))
      return over.length === 0 ? 1 : areaOfAll(difference(whole, ...over)) / areaOfAll([whole])
    }
    const shares = { open: clear(open), closed: clear(closed) }
    return Math.min(shares.open, shares.closed) < 1 ? [{ key: window.key, name: window.name, panel, ...shares }] : []
  }))

  /** Whether a panel moves along another one and stays about parallel to it. */
  function slides(panel: Panel, along: Panel): boolean {
    const places = [closed, ...between, open].map((pose) => {
      const [ground, mover] = [pose.get(panelKey(along)), pose.get(panelKey(panel))]
      return ground && mover && Math.abs(dot(ground.normal, mover.normal)) > PARALLEL ? seenFrom(ground, mover.origin) : undefined
    })
    const [first, last] = [places[0], places.at(-1)]
    return first !== undefined && last !== undefined && places.every(place => place !== undefined)
      && Math.hypot(first[0] - last[0], first[1] - last[1]) > NEAR
  }
}

/**
 * Pieces that lie face to face while the card is closed, with nothing between them: each pair once, as they are listed.
 * @param matters which pairs are asked about; clipping takes its time
 */
export function faceToFace(card: Construction, matters: (one: Part, other: Part) => boolean = () => true): [Part, Part][] {
  const pose = poseOf(card, CRACK, AJAR)
  const all = card.parts.filter(isWhole)
    .flatMap(part => part.panels.filter(panel => pose.has(panelKey(panel))).map(panel => ({ part, panel })))
  const faces = all.filter(({ part: { kind } }) => kind !== 'hidden' && kind !== 'base')
  const pairs: [Part, Part][] = []
  faces.forEach((one, at) => {
    for (const other of faces.slice(at + 1)) {
      if (one.part === other.part || !matters(one.part, other.part)) continue
      if (pairs.some(([a, b]) => a === one.part && b === other.part)) continue
      const [frame, facing] = [pose.get(panelKey(one.panel)), pose.get(panelKey(other.panel))]
      if (!frame || !facing || dot(frame.normal, facing.normal) > -0.995) continue
      const over = coverOf(pose, one.panel, other, FACING)
      const [onIt] = over
      if (!onIt || coverOf(pose, other.panel, one, FACING).length === 0) continue
      const whole = polygonOf(outlineOf(one.panel), holesOf(one.part, one.panel), one.panel)
      const least = SHARE * areaOfAll([whole])
      let touching = intersection(whole, onIt)
      // What lies nearer to the one than the other does keeps them apart; mostly the first of it does so altogether.
      const [height, middle] = [heightOf(frame, facing), middleOf(touching)]
      for (const third of all) {
        if (areaOfAll(touching) <= least) break
        if (third.panel === one.panel || third.panel === other.panel) continue
        const lies = pose.get(panelKey(third.panel))
        if (!lies || heightOf(frame, lies)(middle) > height(middle) - 1) continue
        const between = coverOf(pose, one.panel, third, FACING)
        touching = difference(touching, ...between)
      }
      if (areaOfAll(touching) > least) pairs.push([one.part, other.part])
    }
  })
  return pairs
}
const FACING = { side: 'inside', near: Infinity, later: true } as const

/**
 * Pieces that lie side by side on the open card: on one side of the same panel, or of two panels that meet at a crease. What is put on
 * a piece counts as lying where that lies. Each pair once, as they are listed.
 * @param matters which pairs are asked about
 */
export function sideBySide(card: Construction, matters: (one: Part, other: Part) => boolean = () => true): [Part, Part][] {
  const glued = new Map(card.joints.map(joint => [joint.part, joint]))
  const bases = new Map(card.parts.map(part => [part.key, part]))
  /** The panel that everything under a piece lies on in the end, and which side of it. */
  const ground = (part: Part): { panel: Panel, side: Face } | undefined => {
    let found: { panel: Panel, side: Face } | undefined
    for (let joint = glued.get(part.key), steps = 0; joint && steps <= card.parts.length; joint = glued.get(joint.onto.part), steps++)
      found = { panel: joint.onto, side: joint.face }
    return found
  }
  const lying = card.parts
    .filter(({ kind }) => kind !== 'hidden' && kind !== 'base' && kind !== 'underlay')
    .flatMap((part) => {
      const on = ground(part)
      return on ? [{ part, ...on }] : []
    })
  return lying.flatMap((one, at) => lying.slice(at + 1).flatMap((other): [Part, Part][] => {
    if (one.side !== other.side || one.panel.part !== other.panel.part || !matters(one.part, other.part)) return []
    const [a, b] = [one.panel.key, other.panel.key]
    const meet = a === b || (bases.get(one.panel.part)?.creases ?? []).some(({ between }) => between.includes(a) && between.includes(b))
    return meet ? [[one.part, other.part]] : []
  }))
}

const middleOf = (polygons: MultiPolygon): Corner => {
  const corners = polygons.flatMap(([outer = []]) => outer)
  const between = (axis: 0 | 1) => (Math.min(...corners.map(corner => corner[axis])) + Math.max(...corners.map(corner => corner[axis]))) / 2
  return [between(0), between(1)]
}

/**
 * How far the plane of a panel lies from another one's inside, at places of that in micrometres: sheets that are not quite parallel
 * may cross, and cover only where they lie in front.
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
    const [x, y] = ([0, 1] as const).map(axis => Math.round(corner[axis] + share * (next[axis] - corner[axis]))) as Corner
    return [...kept, [x, y] as Corner]
  })
}

/** What another panel covers of one, where it lies flat over that side of it. */
function coverOf(
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
  const heights = ([[left, foot], [right, foot], [right, head], [left, head]] as const).map(place => plane(place) * sign)
  if (heights.every(height => Math.abs(height) < LEVEL)) {
    // In one plane, as sheets that are glued in two places, what is put on later lies on the inside; what looks the other way faces it.
    const facing = dot(frame.normal, over.normal) < 0
    if ((later || facing) !== (sign > 0)) return []
  }
  else {
    if (heights.every(height => height <= 0) || heights.every(height => height > near)) return []
    if (heights.some(height => height < -LEVEL)) {
      const above = (ring: Corner[]) => whereAbove(ring, place => plane(place) * sign)
      const rest = above(outer)
      const holes = holesOf(other.part, other.panel).map(hole => above(project(hole))).filter(({ length }) => length > 2)
      return rest.length < 3 ? [] : [[rest, ...holes]]
    }
  }
  return [[outer, ...holesOf(other.part, other.panel).map(project)]]
}

/**
 * Where a piece lies between two panels that are glued together, as between an inner sheet and its base: wherever those come to
 * lie in a drawing, nothing is seen of it there.
 */
function pressedOn(card: Construction, panel: Panel, pose: Pose): Polygon[] {
  const found: Polygon[] = []
  const frame = pose.get(panelKey(panel))
  const jointOf = ({ part }: Panel) => card.joints.find(joint => joint.part === part)
  let joint = panel.part === card.anchor.part ? undefined : jointOf(panel)
  for (let steps = 0; frame && joint && steps < card.joints.length; steps++) {
    const { onto, face } = joint
    for (const other of card.joints.filter(other => other.by === onto && other.means !== 'held' && downOf(other) === face)) {
      const sheet = pose.get(panelKey(other.onto))
      if (!sheet) continue
      const ring = (points: Point[]) =>
        inMicrometres(placed(points, other.onto, sheet).map(corner => seenFrom(frame, corner)).map(([x, y]): Point => [x, y]))
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
    return own.length > 0 && !own.some(({ open, closed }) => (seen += Math.max(areaOfAll(open), areaOfAll(closed))) > least)
  })
}
/** Less of a part that is seen is nothing: roundings of round edges, slivers beside a crease that is not quite shut. */
const SHARE = 0.03

/** The faces worth a mask: those that can be stamped and are seen at least in part. */
export const maskedFaces = (card: Construction): SeenFace[] =>
  seenFaces(card).filter(({ part, panel, side, open, closed }) => {
    if (part.kind === 'hidden') return false
    // The back of a layer is glued down.
    if (isLayer(part.kind) && (side === 'outside' || panel !== onlyPanel(part))) return false
    return areaOfAll(open) > 0 || areaOfAll(closed) > 0
  })
