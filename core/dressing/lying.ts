import polygonClipping from 'polygon-clipping'
import type { Polygon } from 'polygon-clipping'
import type { Construction, Finding, Joint, Panel } from '../folds'
import { dot, glueOutline, holesOf, isLayer, isWhole, outlineOf, panelKey, placed, pointsInJoint, poseOf, seenFrom } from '../folds'
import { byKey } from '../lists'
import type { Units } from '../lengths'
import { formatLength, nanometres } from '../lengths'
import { PARALLEL, areaOfAll, neverSeen, seenFaces } from './seen'

/** Openings that a moving part is followed through. */
const STEPS = [0, 0.25, 0.5, 0.75, 1]
const MICRO = 1000
/** Square micrometres: a hair more or less is no finding. */
const TRIFLE = 2_000_000
/** Share of a glued area that may reach over an edge of its sheet where nothing else lies, as round shapes do. */
const OVER_THE_EDGE = 0.2
/** Half of the distance, in nanometres, that a glued layer is drawn above what it lies on. */
const ABOVE = 10_000
/** So near at its nearest, in nanometres, what slides touches what it slides over. */
const TOUCHING = 2_000_000

/**
 * What is wrong with the way things lie on a card at any opening: glue over openings and beyond its panel, raised pieces in the
 * way of what slides, and pieces of which nothing is ever seen. It takes its time, so it waits until the card has settled.
 */
export function lyingFindings(card: Construction, units: Units): Finding[] {
  if (card.parts.some(part => !isWhole(part))) return []
  return [...gluedAmiss(card), ...inTheWay(card), ...lookingOut(card, units), ...neverSeen(card).map((part): Finding => ({
    severity: 'note',
    subject: part.name,
    part: part.key,
    problem: 'is never seen, closed or open: any scrap would do for it.',
  }))]
}

const ring = (corners: readonly (readonly [number, number])[]) =>
  corners.map(([x, y]): [number, number] => [Math.round(x / MICRO), Math.round(y / MICRO)])

function gluedAmiss(card: Construction): Finding[] {
  return card.joints.filter(({ means, glue }) => means !== 'held' && glue.width.value > 0 && glue.height.value > 0).flatMap((joint) => {
    const { name } = byKey(card.parts, joint.part)
    const { onto } = joint
    const part = byKey(card.parts, onto.part)
    // Glue goes no farther than what it is put on.
    const zone = polygonClipping.intersection([ring(glueOutline(joint))], [ring(pointsInJoint(joint, outlineOf(joint.by)))])
    const about = { severity: 'warn' as const, subject: name, part: joint.part }
    const beyond = polygonClipping.difference(zone, [ring(outlineOf(onto))])
    // Beside a layer it is still glued to what that lies on. A little over an edge holds nothing; over another panel it holds what parts.
    const [other, ...more] = part.panels.filter(panel => panel !== onto).map((panel): Polygon => [ring(outlineOf(panel))])
    const isOver = other !== undefined && areaOfAll(polygonClipping.intersection(beyond, polygonClipping.union(other, ...more))) > TRIFLE
    if (!isLayer(part.kind) && (isOver || areaOfAll(beyond) > OVER_THE_EDGE * areaOfAll(zone)))
      return [{ ...about, problem: `is glued beyond ${onto.name.toLowerCase()}: there it holds what has to part, or nothing.` }]
    const holes = holesOf(part, onto).map((hole): Polygon => [ring(hole)])
    const [first, ...others] = holes
    const own = holesOf(byKey(card.parts, joint.part), joint.by).length > 0
    if (first && !own && areaOfAll(polygonClipping.intersection(zone, polygonClipping.union(first, ...others))) > TRIFLE)
      return [{ ...about, problem: `is glued over an opening of ${onto.name.toLowerCase()}: there glue shows and holds nothing.` }]
    return []
  })
}

/** Pieces on foam that something slides over. */
function inTheWay(card: Construction): Finding[] {
  const raised = card.joints.filter(({ means }) => means === 'foam')
  if (raised.length === 0) return []
  const poses = STEPS.map(step => poseOf(card, step, { layer: 20_000 }))
  const high = new Set(raised.map(({ part }) => part))
  return raised.flatMap((joint): Finding[] => {
    const own = withAllOnIt(card, joint.part)
    // What is on foam itself passes above, what was put on before the sheet that carries the piece passes below it.
    const below = card.parts.findIndex(({ key }) => key === carrier(card, joint.onto.part))
    const slider = card.parts.slice(below + 1).filter(({ key }) => !own.has(key) && !high.has(key)).flatMap(({ panels }) => panels)
      .find(panel => slidesOver(panel, joint))
    if (!slider) return []
    return [{
      severity: 'warn',
      subject: byKey(card.parts, joint.part).name,
      part: joint.part,
      problem: `is on foam where ${slider.name.toLowerCase()} passes: it stands in its way. Hold it flat, or put it elsewhere.`,
    }]
  })

  function slidesOver(panel: Panel, joint: Joint): boolean {
    const { onto, part, face, faceDown } = joint
    const pads: Polygon = [ring(glueOutline(joint).map(([right, up]) => [right - onto.x.value, up - onto.y.value] as const))]
    const places: [number, number][] = []
    let [hits, isAbove] = [false, false]
    for (const pose of poses) {
      const [ground, mover] = [pose.get(panelKey(onto)), pose.get(panelKey(panel))]
      if (!ground || !mover) return false
      if (Math.abs(dot(ground.normal, mover.normal)) < PARALLEL) return false
      const spots = placed(outlineOf(panel), panel, mover).map((corner) => {
        const [right, up, high] = seenFrom(ground, corner)
        return { right, up, high: face === 'inside' ? high : -high }
      })
      const heights = spots.map(({ high }) => high)
      isAbove ||= Math.max(...heights) > ABOVE
      // What slides well below the sheet that carries the piece is not in its way.
      if (Math.min(...heights.map(Math.abs)) > TOUCHING || Math.max(...heights) < -TOUCHING) return false
      places.push([spots[0]?.right ?? 0, spots[0]?.up ?? 0])
      const over = polygonClipping.intersection(pads, [ring(spots.map(({ right, up }) => [right, up] as const))])
      hits ||= areaOfAll(over) > TRIFLE
    }
    const [first = [0, 0]] = places
    const moves = places.some(([right, up]) => Math.hypot(right - first[0], up - first[1]) > TOUCHING)
    // What never lies above the sheet that carries the piece slides on the other side of it, as a leaf does in its sleeve.
    return hits && moves && isAbove && part !== panel.part && !faceDown
  }
}

/** What is to be hidden and shows while the card is closed, by its outline and its place. */
function lookingOut(card: Construction, units: Units): Finding[] {
  const show = (length: number) => formatLength(nanometres(length), units, { unit: true })
  const found: Finding[] = []
  for (const hiding of card.hiding) {
    const on = new Set(card.joints.filter(({ onto }) => onto === hiding).flatMap(({ part }) => [...withAllOnIt(card, part)]))
    for (const { part, panel, closed } of seenFaces(card).filter(face => on.has(face.part.key))) {
      const ys = closed.flatMap(([outer]) => outer ?? []).map(([, y]) => y * MICRO)
      if (found.some(finding => finding.part === part.key) || areaOfAll(closed) <= TRIFLE) continue
      const lowest = Math.min(...ys)
      found.push({
        severity: 'warn',
        subject: part.name,
        part: part.key,
        problem: `shows while the card is closed, ${show(Math.max(...ys) - lowest)} of its height: what lies above `
          + `${show(lowest)} of its ${show(panel.height.value)} has to go. Cut it to an outline, put it lower, or let it be seen.`,
      })
    }
  }
  return found
}

/** The part that a layer lies on in the end. */
function carrier(card: Construction, key: string): string {
  const joint = isLayer(byKey(card.parts, key).kind) ? card.joints.find(({ part }) => part === key) : undefined
  return joint ? carrier(card, joint.onto.part) : key
}

/** A part with everything that is glued on it. */
function withAllOnIt({ joints }: Construction, part: string): Set<string> {
  const all = new Set([part])
  for (let size = 0; size < all.size;) {
    size = all.size
    for (const joint of joints) if (all.has(joint.onto.part)) all.add(joint.part)
  }
  return all
}
