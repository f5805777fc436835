import { around, itemAt } from '../../lists'
import type { Construction, Joint, Panel } from '../model/card'
import { holesOf } from '../model/outlines'
import type { Vector } from './frame'
import { dot, subtract } from './frame'
import { boxOf, cornersOf, panelKey, placed, poseOf } from './pose'

/** Where the card is looked at from: turned round its upright axis, then tilted, in degrees. */
export interface View {
  turn: number
  tilt: number
}

/** A panel as a polygon on the drawing plane: x right, y down, nanometres. */
export interface DrawnPanel {
  part: string
  panel: string
  points: [x: number, y: number][]
  /** Openings in it. */
  holes: [x: number, y: number][][]
  /** Which face is seen. */
  face: 'inside' | 'outside'
  /** How squarely it is seen, 0 edge-on to 1 full, for shading. */
  light: number
}

const SLACK = 3
const LAYER = 250_000
/** What is glued flat on something lies along it up to the slack of creases, as cosine. */
const PARALLEL = 0.99
/** Panels that share so little only touch, as on the two sides of a crease. */
const TOUCH = 1000

/**
 * A drawn view of the card at an opening, panels from back to front. Needs no
 * WebGL: the panels are ordered by which of two lies behind the plane of the
 * other, seen from the viewer.
 */
export function drawFolded(construction: Construction, opening: number, view: View): DrawnPanel[] {
  return backToFront(solidsOf(construction, opening, view)).map(({ panel, corners, holes, normal }) => ({
    part: panel.part,
    panel: panel.key,
    points: corners.map(onPlane),
    holes: holes.map(hole => hole.map(onPlane)),
    face: normal[2] >= 0 ? 'inside' : 'outside',
    light: Math.abs(normal[2]),
  }))
}

/**
 * The panels that have a place, from back to front as seen from there, by part and panel: what is painted later hides
 * what was before.
 */
export const paintOrder = (construction: Construction, opening: number, view: View): string[] =>
  backToFront(solidsOf(construction, opening, view)).map(({ panel }) => panelKey(panel))

function solidsOf(construction: Construction, opening: number, view: View): Solid[] {
  const pose = poseOf(construction, opening, { slack: SLACK, layer: LAYER })
  const { least, most } = boxOf(construction, pose)
  const middle: Vector = [(least[0] + most[0]) / 2, (least[1] + most[1]) / 2, (least[2] + most[2]) / 2]
  const look = camera(view)
  const lying = new Map<string, Joint[]>()
  for (const joint of construction.joints)
    lying.set(panelKey(joint.by), [...(lying.get(panelKey(joint.by)) ?? []), joint])
  return construction.parts
    .flatMap(part => part.panels.map(panel => ({ part, panel })))
    .flatMap(({ part, panel }, order): Solid[] => {
      const frame = pose.get(panelKey(panel))
      if (!frame || panel.width.value <= 0 || panel.height.value <= 0) return []
      const seen = (corner: Vector) => look(subtract(corner, middle))
      return [
        {
          panel,
          order,
          corners: cornersOf(panel, frame).map(seen),
          holes: holesOf(part, panel).map(hole => placed(hole, panel, frame).map(seen)),
          normal: look(frame.normal),
          lies: lying.get(panelKey(panel)) ?? [],
        },
      ]
    })
}

const onPlane = ([x, y]: Vector): [number, number] => [x, -y]

interface Solid {
  panel: Panel
  /** Place in the order of assembly: of two layers in one plane the later one lies on top. */
  order: number
  corners: Vector[]
  holes: Vector[][]
  normal: Vector
  /** What it is glued on, where. */
  lies: Joint[]
}

/** Turns a point so that the viewer looks along −z. */
function camera({ turn, tilt }: View): (point: Vector) => Vector {
  const [a, b] = [(turn * Math.PI) / 180, (tilt * Math.PI) / 180]
  return ([x, y, z]) => {
    const [right, depth] = [x * Math.cos(a) + z * Math.sin(a), z * Math.cos(a) - x * Math.sin(a)]
    return [right, y * Math.cos(b) - depth * Math.sin(b), y * Math.sin(b) + depth * Math.cos(b)]
  }
}

/** Orders panels for painting: one goes first when another is nowhere behind its plane. */
function backToFront(solids: Solid[]): Solid[] {
  const depth = ({ corners }: Solid) => corners.reduce((sum, [, , z]) => sum + z, 0) / corners.length
  const sorted = [...solids].sort((a, b) => depth(a) - depth(b))
  /** What hides behind each panel and has not been painted yet. */
  const behind = new Map(
    sorted.map(solid => [solid, new Set(sorted.filter(other => other !== solid && mustPrecede(other, solid)))]),
  )
  const ordered: Solid[] = []
  while (behind.size > 0) {
    // Where panels cross there is none with nothing behind it: then the one with least goes.
    let next: Solid | undefined
    let least = Infinity
    for (const [solid, { size }] of behind) if (size < least) [next, least] = [solid, size]
    if (!next) break
    ordered.push(next)
    behind.delete(next)
    for (const others of behind.values()) others.delete(next)
  }
  return ordered
}

/** Whether `a` has to be painted before `b` because `b` lies in front of it. */
function mustPrecede(a: Solid, b: Solid): boolean {
  if (!overlap(a, b)) return false
  const [isAbove, isBelow] = [liesInFront(b, a), liesInFront(a, b)]
  if (isAbove !== undefined) return isAbove
  if (isBelow !== undefined) return !isBelow
  const [inFrontOfA, inFrontOfB] = [side(b, a), side(a, b)]
  if (inFrontOfA === 0 && inFrontOfB === 0) return a.order < b.order
  return inFrontOfA > 0 || (inFrontOfA === 0 && inFrontOfB < 0)
}

/**
 * Whether a panel that is glued on another one is on the side of it that is seen: where a sheet is glued in several
 * places, its planes may come out a hair before or behind those.
 */
function liesInFront(of: Solid, on: Solid): boolean | undefined {
  const joint = of.lies.find(({ onto }) => onto.key === on.panel.key && onto.part === on.panel.part)
  if (!joint || Math.abs(dot(of.normal, on.normal)) < PARALLEL) return undefined
  return (joint.face === 'inside') === (on.normal[2] >= 0)
}

/**
 * 1 where all of `of` is on the viewer's side of the plane of `plane`, −1 where all is behind, 0 where it is neither.
 */
function side(of: Solid, plane: Solid): -1 | 0 | 1 {
  const towards = plane.normal[2] >= 0 ? 1 : -1
  const distances = of.corners.map(corner => towards * dot(subtract(corner, itemAt(plane.corners, 0)), plane.normal))
  const tolerance = LAYER / 10
  if (distances.every(distance => distance >= -tolerance))
    return distances.some(distance => distance > tolerance) ? 1 : 0
  return distances.every(distance => distance <= tolerance) ? -1 : 0
}

/** Whether two panels share more than an edge as they are seen: no direction square to an edge of either parts them. */
function overlap(a: Solid, b: Solid): boolean {
  return [a, b].every(({ corners }) =>
    around(corners).every(([from, to]) => {
      const [x, y] = [to[1] - from[1], from[0] - to[0]]
      const size = Math.hypot(x, y)
      if (size === 0) return true
      const [as, bs] = [a, b].map(({ corners }) => corners.map(corner => (corner[0] * x + corner[1] * y) / size)) as [
        number[], number[],
      ]
      return Math.min(...as) < Math.max(...bs) - TOUCH && Math.min(...bs) < Math.max(...as) - TOUCH
    }))
}
