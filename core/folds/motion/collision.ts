import { around } from '../../lists'
import type { Construction, Panel, Part, Point } from '../model/card'
import { isLayer, isWhole } from '../model/card'
import { holesOf, outlineOf } from '../model/outlines'
import type { Frame, Vector } from './frame'
import { add, dot, scale, subtract } from './frame'
import { panelKey, placed, poseOf } from './pose'
import { inside } from './thickness'

export interface Collision {
  opening: number
  /** Names of the panels that pass through each other. */
  panels: [string, string]
  /** How far one reaches through the other, in nanometres. */
  depth: number
}

interface Sheet {
  panel: Panel
  frame: Frame
  outline: Point[]
  holes: Point[][]
  corners: Vector[]
  least: Vector
  most: Vector
}

/** Shares of the way at which a card is looked at between closed and open. */
export const TRIED_OPENINGS = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1]

/** Panels that pass through each other at any opening: each pair once, at the opening where it is seen first. */
export function passesThrough(construction: Construction): Collision[] {
  const found = new Map<string, Collision>()
  for (const opening of TRIED_OPENINGS) {
    for (const hit of collisionsAt(construction, opening)) {
      const pair = hit.panels.join()
      if (!found.has(pair)) found.set(pair, hit)
    }
  }
  return [...found.values()]
}

/** A reach through another panel smaller than this is paper giving way. Nanometres. */
const GIVES_WAY = 500_000

/**
 * Panels that pass through each other at one opening: an edge of one pierces the
 * other away from its edges, with both its ends well off the other's plane. Mats are
 * left out, they lie on their panels; so are neighbours at a crease and what is glued together.
 */
export function collisionsAt(construction: Construction, opening: number): Collision[] {
  const pose = poseOf(construction, opening)
  const together = new Set<string>()
  const pair = (a: string, b: string) => [a, b].sort().join(' ')
  for (const part of construction.parts)
    for (const {
      between: [a, b],
    } of part.creases)
      together.add(pair(`${part.key}/${a}`, `${part.key}/${b}`))
  for (const { by, onto } of construction.joints) together.add(pair(panelKey(by), panelKey(onto)))
  const sheets = construction.parts
    .filter(part => !isLayer(part.kind) && isWhole(part))
    .flatMap(part => part.panels.flatMap(panel => sheetOf(part, panel, pose.get(panelKey(panel)))))
  const found: Collision[] = []
  for (const [index, a] of sheets.entries()) {
    for (const b of sheets.slice(index + 1)) {
      if (together.has(pair(panelKey(a.panel), panelKey(b.panel))) || apart(a, b)) continue
      const depth = Math.max(pierce(a, b), pierce(b, a))
      if (depth > GIVES_WAY) found.push({ opening, panels: [a.panel.name, b.panel.name], depth })
    }
  }
  return found
}

function sheetOf(part: Part, panel: Panel, frame: Frame | undefined): Sheet[] {
  if (!frame) return []
  const outline = outlineOf(panel)
  const corners = placed(outline, panel, frame)
  const along = (axis: 0 | 1 | 2, pick: (...values: number[]) => number) => pick(...corners.map(corner => corner[axis]))
  return [
    {
      panel,
      frame,
      outline,
      corners,
      holes: holesOf(part, panel),
      least: [along(0, Math.min), along(1, Math.min), along(2, Math.min)],
      most: [along(0, Math.max), along(1, Math.max), along(2, Math.max)],
    },
  ]
}

const apart = (a: Sheet, b: Sheet): boolean =>
  ([0, 1, 2] as const).some(axis => a.most[axis] < b.least[axis] || b.most[axis] < a.least[axis])

/** How far an edge of `a` reaches through `b`. */
function pierce(a: Sheet, b: Sheet): number {
  let deepest = 0
  around(a.corners).forEach(([from, to]) => {
    const [before, after] = [from, to].map(point => dot(subtract(point, b.frame.origin), b.frame.normal)) as [
      number, number,
    ]
    if (before * after >= 0) return
    const share = before / (before - after)
    const point = subtract(add(from, scale(subtract(to, from), share)), b.frame.origin)
    const place: Point = [b.panel.x.value + dot(point, b.frame.x), b.panel.y.value + dot(point, b.frame.y)]
    const reach = Math.min(Math.abs(before), Math.abs(after), fromEdge(b, place))
    if (reach > deepest && inside(b.outline, place) && !b.holes.some(hole => inside(hole, place))) deepest = reach
  })
  return deepest
}

/** Distance of a place from the nearest edge of a panel or of an opening in it. */
const fromEdge = ({ outline, holes }: Sheet, place: Point): number =>
  Math.min(
    ...[outline, ...holes].flatMap(corners => around(corners).map(([from, to]) => fromSegment(place, from, to))),
  )

function fromSegment([x, y]: Point, [x1, y1]: Point, [x2, y2]: Point): number {
  const length = (x2 - x1) ** 2 + (y2 - y1) ** 2
  const share = length === 0 ? 0 : Math.max(0, Math.min(1, ((x - x1) * (x2 - x1) + (y - y1) * (y2 - y1)) / length))
  return Math.hypot(x - x1 - share * (x2 - x1), y - y1 - share * (y2 - y1))
}
