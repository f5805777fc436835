import type { Construction, Face, Frame, HeldSide, OwnSide, Panel, SideWords, Vector } from '../folds'
import { AS_DRAWN, cross, dot, isMakers, isWhole, panelKey, poseOf, scale } from '../folds'
import { byKey } from '../lists'
import { isFreePart } from './free'
import { areaOfAll, downOf, seenFaces } from './seen'
import { withAllOnIt } from './stacks'

const MICRO = 1000
/** Share of a face that is seen while the card is closed, from which on it is held as the closed card is. */
const SEEN = 0.1
/**
 * A face whose upright runs along the line of sight by more than this, as cosine, lies like a table before its reader.
 */
const LEVEL = 0.9
/** Cosine from which a side of a face counts as one of the four; others lie aslant and are called as they are drawn. */
const STRAIGHT = 0.95

/**
 * What the sides of a face are called by a person who holds the card: what is seen of the closed card as that is held,
 * all else as the card is displayed; the back is read by one who turns the card like a page, what lies flat by one who
 * stands before it.
 */
export function sideWords(card: Construction, { panel, side }: { panel: Panel, side: Face }): SideWords {
  if (card.parts.some(part => !isWhole(part))) return AS_DRAWN
  const design = designOf(card, panel)
  const [closed, shown] = bothPoses(design).map(pose => pose.get(panelKey(panel)))
  if (!closed || !shown) return AS_DRAWN
  const words = wordsOf(shown, side)
  const other = wordsOf(closed, side)
  // Most faces hang the same way on the closed card, and nobody has to ask where they are seen.
  const isSame = (Object.keys(words) as OwnSide[]).every(own => words[own] === other[own])
  return isSame || !isOutside(design, panel, side) ? words : other
}

const poses = new WeakMap<Construction, ReturnType<typeof poseOf>[]>()

/** Where everything lies while the card is closed, and on display. */
function bothPoses(card: Construction): ReturnType<typeof poseOf>[] {
  const found = poses.get(card) ?? [0, 1].map(opening => poseOf(card, opening))
  poses.set(card, found)
  return found
}

const known = new WeakMap<Construction, Construction>()

/**
 * A card as its design makes it, without the maker's layers, what lies on them, and free pieces: what is put on a face
 * changes none of its words.
 */
function designOf(card: Construction, { part: own }: Panel): Construction {
  if (isFreePart(own)) return card
  const found = known.get(card) ?? bare(card)
  known.set(card, found)
  return found
}

function bare(card: Construction): Construction {
  let parts = card.parts.filter(({ key }) => !isMakers(key))
  for (let before = Infinity; before > parts.length;) {
    before = parts.length
    const there = new Set(parts.map(({ key }) => key))
    parts = parts.filter(({ key }) => card.joints.every(({ part, onto }) => part !== key || there.has(onto.part)))
  }
  const there = new Set(parts.map(({ key }) => key))
  return { ...card, parts, joints: card.joints.filter(({ part, onto }) => there.has(part) && there.has(onto.part)) }
}

/** Whether a face, or what lies on it, is seen from outside while the card is closed. */
function isOutside(card: Construction, panel: Panel, side: Face): boolean {
  const isSame = (other: Panel) => other.part === panel.part && other.key === panel.key
  // What is glued down is seen of nobody, whatever sheet comes to lie where.
  if (card.joints.some(joint => isSame(joint.by) && downOf(joint) === side && joint.means !== 'held')) return false
  // Only flat pieces lie on it wherever they are seen; what folds is seen elsewhere, and what the maker adds changes no
  // words.
  const flat = card.joints.filter(({ onto, face, part }) =>
    isSame(onto) && face === side && !isFreePart(part) && byKey(card.parts, part).panels.length === 1)
  const onIt = new Set(flat.flatMap(({ part }) => [...withAllOnIt(card, part)]))
  const faces = seenFaces(card).filter(face => (isSame(face.panel) && face.side === side) || onIt.has(face.part.key))
  const whole = panel.width.value * panel.height.value / MICRO ** 2
  return faces.some(({ closed }) => areaOfAll(closed) > SEEN * whole)
}

function wordsOf(frame: Frame, side: Face): SideWords {
  const out = side === 'inside' ? frame.normal : scale(frame.normal, -1)
  // One looks at it from where it looks to; up is up, or away from the reader where it lies level.
  const up: Vector = Math.abs(out[1]) > LEVEL ? [0, 0, -Math.sign(out[1])] : [0, 1, 0]
  const right = cross(up, out)
  const own: Record<OwnSide, Vector> = {
    left: scale(frame.x, side === 'inside' ? -1 : 1),
    right: scale(frame.x, side === 'inside' ? 1 : -1),
    top: frame.y,
    bottom: scale(frame.y, -1),
  }
  const held: [HeldSide, Vector][] = [
    ['left', scale(right, -1)], ['right', right], ['head', up], ['foot', scale(up, -1)],
  ]
  const named = (Object.keys(own) as OwnSide[]).map((name): [OwnSide, HeldSide | undefined] => {
    const [best, how] = held.map(([word, way]): [HeldSide, number] => [word, along(own[name], way, out)])
      .reduce((most, next) => (next[1] > most[1] ? next : most))
    return [name, how > STRAIGHT ? best : undefined]
  })
  if (named.some(([, word]) => word === undefined)) return AS_DRAWN
  return Object.fromEntries(named) as SideWords
}

/** How far a direction in a face runs along another one, as it is seen in the plane of that face; cosine. */
function along(own: Vector, way: Vector, out: Vector): number {
  const flat: Vector = [0, 1, 2].map(axis => (way[axis] ?? 0) - dot(way, out) * (out[axis] ?? 0)) as unknown as Vector
  const long = Math.hypot(...flat)
  return long === 0 ? 0 : dot(own, flat) / long
}
