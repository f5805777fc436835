import type { MultiPolygon } from './clipping'
import type { Construction, Face, Panel, Part } from '../folds'
import { dot, holesOf, isWhole, outlineOf, panelKey, poseOf } from '../folds'
import { difference, intersection } from './clipping'
import type { Corner } from './seen'
import { AJAR, CRACK, SHARE, areaOfAll, coverOf, heightOf, polygonOf } from './seen'

/**
 * Pieces that lie face to face while the card is closed, with nothing between them: each pair once, as they are listed.
 * @param matters which pairs are asked about; clipping takes its time
 */
export function faceToFace(
  card: Construction, matters: (one: Part, other: Part) => boolean = () => true,
): [Part, Part][] {
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
      const height = heightOf(frame, facing)
      const middle = middleOf(touching)
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
 * Pieces that lie side by side on the open card: on one side of the same panel, or of two panels that meet at a crease.
 * What is put on a piece counts as lying where that lies. Each pair once, as they are listed.
 * @param matters which pairs are asked about
 */
export function sideBySide(
  card: Construction, matters: (one: Part, other: Part) => boolean = () => true,
): [Part, Part][] {
  const glued = new Map(card.joints.map(joint => [joint.part, joint]))
  const bases = new Map(card.parts.map(part => [part.key, part]))
  /** The panel that everything under a piece lies on in the end, and which side of it. */
  const ground = (part: Part): { panel: Panel, side: Face } | undefined => {
    let found: { panel: Panel, side: Face } | undefined
    for (
      let joint = glued.get(part.key), steps = 0;
      joint && steps <= card.parts.length;
      joint = glued.get(joint.onto.part), steps++
    )
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
    const meet
      = a === b
        || (bases.get(one.panel.part)?.creases ?? []).some(({ between }) => between.includes(a) && between.includes(b))
    return meet ? [[one.part, other.part]] : []
  }))
}

const middleOf = (polygons: MultiPolygon): Corner => {
  const corners = polygons.flatMap(([outer = []]) => outer)
  const between = (axis: 0 | 1) =>
    (Math.min(...corners.map(corner => corner[axis])) + Math.max(...corners.map(corner => corner[axis]))) / 2
  return [between(0), between(1)]
}
