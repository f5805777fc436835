import type { MultiPolygon, Polygon } from './clipping'
import type { Construction, Finding, Joint, Panel, Point } from '../folds'
import { glueOutline, holesOf, isLayer, isWhole, outlineOf, pointsInJoint } from '../folds'
import { byKey } from '../lists'
import type { Units } from '../lengths'
import { formatLength, nanometres } from '../lengths'
import { TRIFLE, areaOfAll, inMicrometres, neverSeen, seenFaces } from './seen'
import { inTheWay } from './passing'
import { withAllOnIt } from './stacks'
import { worksUnseen } from './works-seen'
import { difference, intersection, union } from './clipping'

const MICRO = 1000
/** Share of a glued area that may reach over an edge of its sheet where nothing else lies, as round shapes do. */
const OVER_THE_EDGE = 0.2

/**
 * What is wrong with the way things lie on a card at any opening: glue over openings and beyond its panel, raised
 * pieces in the way of what slides, and pieces of which nothing is ever seen. It takes its time, so it waits until the
 * card has settled.
 */
export function lyingFindings(card: Construction, units: Units): Finding[] {
  if (card.parts.some(part => !isWhole(part))) return []
  return [
    ...gluedAmiss(card),
    ...inTheWay(card),
    ...lookingOut(card, units),
    ...worksUnseen(card),
    ...neverSeen(card).map((part): Finding => ({
      severity: 'note',
      subject: part.name,
      part: part.key,
      problem: 'is never seen, closed or open: any scrap would do for it.',
    }))]
}

const within = (zone: Point[], piece: Point[]): MultiPolygon =>
  intersection([inMicrometres(zone)], [inMicrometres(piece)])

function gluedAmiss(card: Construction): Finding[] {
  return card.joints
    .filter(({ means, glue }) => means !== 'held' && glue.width.value > 0 && glue.height.value > 0)
    .flatMap((joint) => {
      const { name } = byKey(card.parts, joint.part)
      const { onto } = joint
      const part = byKey(card.parts, onto.part)
      // Glue goes no farther than what it is put on.
      const zone = within(glueOutline(joint), pointsInJoint(joint, outlineOf(joint.by)))
      const about = { severity: 'warn' as const, subject: name, part: joint.part }
      // Beside a layer it is still glued to what that lies on. A little over an edge holds nothing; over another panel
      // it holds what parts.
      const { panel: ground, zone: low, layers } = groundOf(card, joint)
      const beyond = difference(low, [inMicrometres(outlineOf(ground))], ...layers)
      const [other, ...more] = byKey(card.parts, ground.part).panels.filter(panel => panel !== ground)
        .map((panel): Polygon => [inMicrometres(outlineOf(panel))])
      const isOver
        = other !== undefined && beyond.length > 0 && areaOfAll(intersection(beyond, union(other, ...more))) > TRIFLE
      if (isOver || areaOfAll(beyond) > OVER_THE_EDGE * areaOfAll(low))
        return [
          {
            ...about,
            problem: `is glued beyond ${ground.name.toLowerCase()}: there it holds what has to part, or nothing.`,
          },
        ]
      const holes = holesOf(part, onto).map((hole): Polygon => [inMicrometres(hole)])
      const [first, ...others] = holes
      const own = holesOf(byKey(card.parts, joint.part), joint.by).length > 0
      if (first && !own && areaOfAll(intersection(zone, union(first, ...others))) > TRIFLE)
        return [
          {
            ...about,
            problem: `is glued over an opening of ${onto.name.toLowerCase()}: there glue shows and holds nothing.`,
          },
        ]
      return []
    })
}

/** The panel under all layers that a joint lies on, with the glued area and those layers as they lie there. */
function groundOf(card: Construction, joint: Joint): { panel: Panel, zone: MultiPolygon, layers: Polygon[] } {
  let zone = glueOutline(joint)
  let piece = pointsInJoint(joint, outlineOf(joint.by))
  let on = joint.onto
  let layers: Point[][] = []
  // A layer lies on a layer at most as often as there are joints.
  for (let steps = 0; steps <= card.joints.length && isLayer(byKey(card.parts, on.part).kind); steps++) {
    const below = card.joints.find(({ part }) => part === on.part)
    if (!below) break
    layers = [...layers, outlineOf(on)].map(layer => pointsInJoint(below, layer));
    [zone, piece, on] = [pointsInJoint(below, zone), pointsInJoint(below, piece), below.onto]
  }
  return { panel: on, zone: within(zone, piece), layers: layers.map(layer => [inMicrometres(layer)]) }
}

/** What is to be hidden and shows while the card is closed, by its outline and its place. */
function lookingOut(card: Construction, units: Units): Finding[] {
  const show = (length: number) => formatLength(nanometres(length), units, { unit: true })
  const found: Finding[] = []
  for (const hiding of card.hiding) {
    const on = new Set(
      card.joints.filter(({ onto }) => onto === hiding).flatMap(({ part }) => [...withAllOnIt(card, part)]),
    )
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
