import polygonClipping from 'polygon-clipping'
import type { MultiPolygon, Polygon } from 'polygon-clipping'
import type { Construction, Finding, Joint, Panel, Point } from '../folds'
import { dot, glueOutline, holesOf, isLayer, isWhole, outlineOf, panelKey, placed, pointsInJoint, poseOf, seenFrom } from '../folds'
import { byKey } from '../lists'
import type { Units } from '../lengths'
import { formatLength, nanometres } from '../lengths'
import type { Pose } from './seen'
import { AJAR, PARALLEL, areaOfAll, heightOf, neverSeen, seenFaces } from './seen'

/** Openings that a moving part is followed through. */
const STEPS = Array.from({ length: 17 }, (_, at) => at / 16)
const MICRO = 1000
/** Square micrometres: a hair more or less is no finding. */
const TRIFLE = 2_000_000
/** Share of a glued area that may reach over an edge of its sheet where nothing else lies, as round shapes do. */
const OVER_THE_EDGE = 0.2
/** Half of the distance, in nanometres, that a glued layer is drawn above what it lies on. */
const ABOVE = 10_000
/** So far below what carries a piece, in nanometres, something passes on its other side. */
const CLEAR = 200_000
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
    // Beside a layer it is still glued to what that lies on. A little over an edge holds nothing; over another panel it holds what parts.
    const { panel: ground, zone: low, layers } = groundOf(card, joint)
    const beyond = polygonClipping.difference(low, [ring(outlineOf(ground))], ...layers)
    const [other, ...more] = byKey(card.parts, ground.part).panels.filter(panel => panel !== ground)
      .map((panel): Polygon => [ring(outlineOf(panel))])
    const isOver = other !== undefined && areaOfAll(polygonClipping.intersection(beyond, polygonClipping.union(other, ...more))) > TRIFLE
    if (isOver || areaOfAll(beyond) > OVER_THE_EDGE * areaOfAll(low))
      return [{ ...about, problem: `is glued beyond ${ground.name.toLowerCase()}: there it holds what has to part, or nothing.` }]
    const holes = holesOf(part, onto).map((hole): Polygon => [ring(hole)])
    const [first, ...others] = holes
    const own = holesOf(byKey(card.parts, joint.part), joint.by).length > 0
    if (first && !own && areaOfAll(polygonClipping.intersection(zone, polygonClipping.union(first, ...others))) > TRIFLE)
      return [{ ...about, problem: `is glued over an opening of ${onto.name.toLowerCase()}: there glue shows and holds nothing.` }]
    return []
  })
}

/** The panel under all layers that a joint lies on, with the glued area and those layers as they lie there. */
function groundOf(card: Construction, joint: Joint): { panel: Panel, zone: MultiPolygon, layers: Polygon[] } {
  let [zone, piece, on] = [glueOutline(joint), pointsInJoint(joint, outlineOf(joint.by)), joint.onto]
  let layers: Point[][] = []
  // A layer lies on a layer at most as often as there are joints.
  for (let steps = 0; steps <= card.joints.length && isLayer(byKey(card.parts, on.part).kind); steps++) {
    const below = card.joints.find(({ part }) => part === on.part)
    if (!below) break
    layers = [...layers, outlineOf(on)].map(layer => pointsInJoint(below, layer));
    [zone, piece, on] = [pointsInJoint(below, zone), pointsInJoint(below, piece), below.onto]
  }
  return { panel: on, zone: polygonClipping.intersection([ring(zone)], [ring(piece)]), layers: layers.map(layer => [ring(layer)]) }
}

/** Pieces on foam that something slides over. */
function inTheWay(card: Construction): Finding[] {
  const raised = card.joints.filter(({ means }) => means === 'foam')
  if (raised.length === 0) return []
  // Flat shut as the design states it, and a little ajar: between them they tell on which side of a sheet something slides.
  const ways = [{ layer: 20_000 }, AJAR].map(options => STEPS.map(step => poseOf(card, step, options)))
  const high = new Set(raised.flatMap(({ part }) => [...withAllOnIt(card, part)]))
  return raised.flatMap((joint): Finding[] => {
    const own = withAllOnIt(card, joint.part)
    // What is on foam itself passes above.
    const slider = card.parts.filter(({ key }) => !own.has(key) && !high.has(key) && isOnItsSide(card, joint, key)).flatMap(({ panels }) => panels)
      .find(panel => ways.some(poses => slidesOver(card, joint, panel, poses) === 'above')
        && (isHungThrough(card, joint.onto, panel) || ways.every(poses => slidesOver(card, joint, panel, poses) !== 'below')))
    if (!slider) return []
    return [{
      severity: 'warn',
      subject: byKey(card.parts, joint.part).name,
      part: joint.part,
      problem: `is on foam where ${slider.name.toLowerCase()} passes: it stands in its way. Hold it flat, or put it elsewhere.`,
    }]
  })
}

/** Whether a part can come on the side of the carrying sheet on which a piece stands: what was put on before that lies below it. */
function isOnItsSide(card: Construction, joint: Joint, part: string): boolean {
  // The card's own sheet folds over what was put on it.
  if (part === card.anchor.part) return true
  const [carrying, side] = carrierOf(card, joint)
  const [isEarlier, under] = [indexOf(rootOf(part)) < indexOf(carrying), card.joints.find(other => other.part === carrying)]
  return isEarlier === (under !== undefined && (side === 'inside') === under.faceDown)

  function indexOf(key: string): number {
    return card.parts.findIndex(other => other.key === key)
  }

  /** The part right on the card's own sheet that carries another one. */
  function rootOf(key: string): string {
    const below = card.joints.find(other => other.part === key && other.onto.part !== key)
    return !below || below.onto.part === card.anchor.part ? key : rootOf(below.onto.part)
  }
}

/** Whether what slides is held by foam through an opening of a sheet, and so lies on the other side of it than what carries it. */
function isHungThrough(card: Construction, sheet: Panel, panel: Panel): boolean {
  const holes = holesOf(byKey(card.parts, sheet.part), sheet)
  const hung = card.joints.find(({ part }) => part === panel.part)
  if (!hung || holes.length === 0) return false
  const pose = poseOf(card, 0)
  const [ground, below] = [pose.get(panelKey(sheet)), pose.get(panelKey(hung.onto))]
  const pads = ground && below ? placed(glueOutline(hung), hung.onto, below).map(corner => seenFrom(ground, corner)) : []
  const zone: Polygon = [ring(pads.map(([right, up]) => [right + sheet.x.value, up + sheet.y.value] as const))]
  const isThrough = hung.means === 'foam' && holes.some(hole => areaOfAll(polygonClipping.intersection(zone, [ring(hole)])) > TRIFLE)
  return isThrough || isHungThrough(card, sheet, hung.onto)
}

/**
 * Whether a panel moves along the sheet that a piece stands on and through its foam: on its side of that, or clearly below it.
 * @param poses the card at each of the steps
 */
function slidesOver(card: Construction, { onto, glue, part, by, face, ...joint }: Joint, panel: Panel, poses: Pose[]): 'above' | 'below' | undefined {
  if (part === panel.part || joint.faceDown) return undefined
  const zone = glueOutline({ onto, glue, part, by, face, ...joint })
  const pads: Polygon = [ring(zone.map(([right, up]) => [right - onto.x.value, up - onto.y.value] as const))]
  const holes = holesOf(byKey(card.parts, panel.part), panel)
  const middle = [0, 1].map(axis => zone.reduce((sum, corner) => sum + (corner[axis] ?? 0), 0) / zone.length) as [number, number]
  const places: [number, number][] = []
  const side = face === 'inside' ? 1 : -1
  let [hits, isAbove, isBelow] = [false, false, false]
  for (const [at, pose] of poses.entries()) {
    const [ground, mover] = [pose.get(panelKey(onto)), pose.get(panelKey(panel))]
    if (!ground || !mover) return undefined
    if (Math.abs(dot(ground.normal, mover.normal)) < PARALLEL) return undefined
    const spots = placed(outlineOf(panel), panel, mover).map(corner => seenFrom(ground, corner))
    const heights = spots.map(([, , high]) => high * side)
    isAbove ||= Math.max(...heights) > ABOVE
    // What slides well below the sheet that carries the piece is not in its way.
    if (Math.min(...heights.map(Math.abs)) > TOUCHING || Math.max(...heights) < -TOUCHING) return undefined
    // Where the middle of the foam comes to lie on what passes: it wanders over that as it slides, and hardly where it only comes down.
    const [right, up, high] = seenFrom(mover, placed([middle], onto, ground)[0] ?? ground.origin)
    if (Math.abs(high) < TOUCHING) places.push([right, up])
    const over = polygonClipping.intersection(pads, [ring(spots.map(([right, up]) => [right, up] as const))])
    if (areaOfAll(over) <= TRIFLE) continue
    // Pads that reach an opening of what passes run in that, as in a track.
    const openings = holes.map((hole): Polygon => [ring(placed(hole, panel, mover).map(corner => seenFrom(ground, corner)).map(([right, up]) => [right, up] as const))])
    if (openings.some(opening => areaOfAll(polygonClipping.intersection(pads, opening)) > TRIFLE)) return undefined
    const height = heightOf(ground, mover)
    const over0 = over.flatMap(([outer = []]) => outer).map(corner => height(corner) * side)
    isBelow ||= over0.some(high => high < -CLEAR)
    // Closed, it may only have come down on it.
    hits ||= at > 0 && over0.some(high => Math.abs(high) < TOUCHING) && !isParted(card, { onto, part }, panel, pose, pads, side)
  }
  const [first = [0, 0]] = places
  const moves = places.some(([right, up]) => Math.hypot(right - first[0], up - first[1]) > TOUCHING)
  // What never lies above the sheet that carries the piece slides on the other side of it, as a leaf does in its sleeve.
  return isBelow ? 'below' : hits && moves && isAbove ? 'above' : undefined
}

/** Whether another sheet lies between a piece and what passes, as the back of a frame does. */
function isParted(card: Construction, { onto, part }: Pick<Joint, 'onto' | 'part'>, panel: Panel, pose: Pose, [pads = []]: Polygon, side: 1 | -1): boolean {
  const [ground, mover] = [pose.get(panelKey(onto)), pose.get(panelKey(panel))]
  if (!ground || !mover) return false
  const own = withAllOnIt(card, part)
  const passes = heightOf(ground, mover)
  return card.parts.some(({ key, panels }) => !own.has(key) && panels.some((other) => {
    const frame = other === onto || other === panel ? undefined : pose.get(panelKey(other))
    if (!frame || Math.abs(dot(frame.normal, ground.normal)) < PARALLEL) return false
    const lies = heightOf(ground, frame)
    const flat = (corners: Point[]) =>
      ring(placed(corners, other, frame).map(corner => seenFrom(ground, corner)).map(([right, up]) => [right, up] as const))
    const outline = flat(outlineOf(other))
    return pads.every(corner => lies(corner) * side > 0 && lies(corner) * side < passes(corner) * side - 1)
      && areaOfAll(polygonClipping.difference([pads], [outline])) < TRIFLE && !holesOf(byKey(card.parts, key), other).some(hole =>
      areaOfAll(polygonClipping.intersection([pads], [flat(hole)])) > TRIFLE)
  }))
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

/** The part that a piece stands on in the end, through all layers, and on which side of it. */
function carrierOf(card: Construction, { onto, face }: Pick<Joint, 'onto' | 'face'>): [part: string, side: Joint['face']] {
  const below = isLayer(byKey(card.parts, onto.part).kind) ? card.joints.find(({ part }) => part === onto.part) : undefined
  return below ? carrierOf(card, below) : [onto.part, face]
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
