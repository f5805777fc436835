import type { Construction, Crease, Joint, Panel, Part } from '../folds'

/*
 * A card in space once more, as solids: every sheet has a thickness, what is glued on another lies above it, what
 * stands on foam stands higher. Shares nothing with how cards are folded elsewhere; slow and plain, so that it can be
 * believed. Nanometres.
 */

/** What points say: that something surely is so, that it surely is not, or that it hangs on a hair. */
export type Verdict = 'yes' | 'hardly' | 'no'

export type Spot = readonly [right: number, up: number]
export type Vector = readonly [number, number, number]

/** How thick things are, and by how many degrees a crease stays short of flat shut. */
export interface Stuff {
  sheet: number
  foam: number
  short: number
}

/** What a card is made of where nobody says otherwise. */
export const THICK: Stuff = { sheet: 250_000, foam: 2_000_000, short: 0 }
/**
 * So thin that what lies between two sheets stays between them however high it is: for what hides what. A crease stays
 * open by so much that nothing reaches through its other side but within a hair of it.
 */
export const THIN: Stuff = { sheet: 2000, foam: 0, short: 0.6 }

/** One panel where it lies: a point of it is at `corner + right · x + up · y`, and its front looks along `out`. */
export interface Sheet {
  part: Part
  panel: Panel
  /** Place in the order in which pieces are listed: of two sheets at the same height the later one lies in front. */
  order: number
  corner: Vector
  x: Vector
  y: Vector
  out: Vector
  outline: Spot[]
  holes: Spot[][]
}

/** Where the lower left corner of a panel lies, and which way its sides run. */
type Corner = Pick<Sheet, 'corner' | 'x' | 'y'>

const sum = (...vectors: Vector[]): Vector => vectors.reduce((a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]])
export const times = (by: number, [x, y, z]: Vector): Vector => [x * by, y * by, z * by]
export const along = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const between = (from: Vector, to: Vector): Vector => sum(to, times(-1, from))
const square = ([a, b, c]: Vector, [d, e, f]: Vector): Vector => [b * f - c * e, c * d - a * f, a * e - b * d]
const inRadians = (degrees: number): number => (degrees / 180) * Math.PI

/** A place on a sheet in space, lifted off its front by so much. */
export const placeOn = ({ corner, x, y, out }: Sheet, [right, up]: Spot, lift = 0): Vector => [
  corner[0] + right * x[0] + up * y[0] + lift * out[0],
  corner[1] + right * x[1] + up * y[1] + lift * out[1],
  corner[2] + right * x[2] + up * y[2] + lift * out[2],
]

/** A point in space as a sheet sees it: along its two sides, and how far in front of it. */
export function fromSheet({ corner, x, y, out }: Sheet, point: Vector): { spot: Spot, height: number } {
  const way: Vector = [point[0] - corner[0], point[1] - corner[1], point[2] - corner[2]]
  return { spot: [along(way, x), along(way, y)], height: along(way, out) }
}

/** Whether a side of a panel is glued down, so that nobody sees it or what lies on it. */
export const isGluedDown = ({ joints }: Construction, panel: Panel, side: Joint['face']): boolean =>
  joints.some(({ by, faceDown, means }) =>
    nameOf(by) === nameOf(panel) && means !== 'held' && (faceDown ? 'inside' : 'outside') === side)

/** Whether a place lies in a ring: the turns that the ring makes about it add up to a whole one. */
export function lies(ring: readonly Spot[], [right, up]: Spot): boolean {
  let turned = 0
  let [x, y] = ring.at(-1) ?? [0, 0]
  for (const [nextX, nextY] of ring) {
    if ((y <= up) !== (nextY <= up)) {
      const isLeft = (nextX - x) * (up - y) - (right - x) * (nextY - y)
      if (y <= up && isLeft > 0) turned++
      else if (y > up && isLeft < 0) turned--
    }
    x = nextX
    y = nextY
  }
  return turned !== 0
}

/** Whether a place lies within the outline of a sheet, holes or not. */
export function isWithin({ panel, outline }: Pick<Sheet, 'panel' | 'outline'>, [right, up]: Spot): boolean {
  if (right < 0 || up < 0 || right > panel.width.value || up > panel.height.value) return false
  return panel.outline === undefined || lies(outline, [right, up])
}

/** Whether there is paper at a place of a sheet. */
export const hasPaper = (sheet: Pick<Sheet, 'panel' | 'outline' | 'holes'>, spot: Spot): boolean =>
  isWithin(sheet, spot) && !sheet.holes.some(hole => lies(hole, spot))

/** Every panel that has a place on a card, at an opening from 0, closed, to 1, on display. */
export function standing({ parts, joints, anchor }: Construction, opening: number, stuff: Stuff): Sheet[] {
  const found = new Map<string, Sheet>()
  const lifts = liftsOf(parts, joints, stuff)
  const byKey = new Map(parts.map((part, order) => [part.key, { part, order }]))
  const unplaced = [...joints]
  settle(anchor, { corner: [0, 0, 0], x: [1, 0, 0], y: [0, 1, 0] })
  for (let moved = true; moved;) {
    moved = false
    for (const joint of [...unplaced]) {
      const ground = found.get(nameOf(joint.onto))
      if (!ground) continue
      unplaced.splice(unplaced.indexOf(joint), 1)
      if (found.has(nameOf(joint.by))) continue
      settle(joint.by, jointed(ground, joint, opening, lifts.get(joint) ?? 0))
      moved = true
    }
  }
  return [...found.values()]

  /** Lays down a panel and all of its part that hangs on it. */
  function settle(panel: Panel, where: Corner): void {
    const { part, order } = byKey.get(panel.part) ?? {}
    if (!part || order === undefined || found.has(nameOf(panel))) return
    found.set(nameOf(panel), sheetOf(part, panel, order + part.panels.indexOf(panel) / 1000, where))
    for (const crease of part.creases) {
      const [one, two] = crease.between
      const key = one === panel.key ? two : two === panel.key ? one : undefined
      const other = part.panels.find(candidate => candidate.key === key)
      const here = found.get(nameOf(panel))
      if (other && here) settle(other, foldedOver(here, other, crease, opening, stuff.short))
    }
  }
}

/** Whether a part is a layer that lies flat on what carries it. */
export const isLayer = ({ kind }: Part): boolean => ['mat', 'underlay', 'message'].includes(kind)

/** Parts with all that is put on them. */
export function carriedBy({ joints }: Construction, parts: Iterable<string>): Set<string> {
  const all = new Set(parts)
  for (let size = -1; size < all.size;) {
    size = all.size
    for (const { onto, part } of joints) if (all.has(onto.part)) all.add(part)
  }
  return all
}

/**
 * Points spread over the glue of a joint, from the corner of its panel, where that has paper; `steps` are shares of a
 * side.
 */
export const glueSpots = ({ glue, by }: Joint, sheet: Sheet, steps: number[]): Spot[] =>
  steps
    .flatMap(right =>
      steps.map((up): Spot => [
        glue.x.value - by.x.value + right * glue.width.value, glue.y.value - by.y.value + up * glue.height.value,
      ])).filter(spot => isWithin(sheet, spot))

/** The middles of so many equal shares of a side. */
export const evenly = (grid: number): number[] => Array.from({ length: grid }, (_, at) => (at + 0.5) / grid)

const lifted = new WeakMap<Joint[], Map<Stuff, Map<Joint, number>>>()

/** How far each joint lifts its part off what it lies on; worked out once for a card. */
function liftsOf(parts: Part[], joints: Joint[], stuff: Stuff): Map<Joint, number> {
  const known = lifted.get(joints) ?? new Map<Stuff, Map<Joint, number>>()
  lifted.set(joints, known)
  const found = known.get(stuff) ?? new Map(joints.map(joint => [joint, liftOf(joint)]))
  known.set(stuff, found)
  return found

  /** Mats, plain layers and messages are put on their panel before anything else; later things lie on earlier ones. */
  function liftOf(joint: Joint): number {
    if (stuff.foam > 0) return standsHigh(joint, stuff) + stuff.sheet
    // What lies on something stays below the next thing beside that.
    const under = joints.find(({ part, onto }) => part === joint.onto.part && onto.part !== part)
    const below = under && liftOf(under)
    const height = (of: Joint): number => {
      const beside = joints.filter(({ onto, face }) => onto === of.onto && face === of.face)
      const isFlat = ({ part }: Joint) => parts.some(other => other.key === part && isLayer(other))
      const inOrder = [...beside.filter(isFlat), ...beside.filter(other => !isFlat(other))]
      return (below === undefined ? stuff.sheet : below / (beside.length + 1)) * (1 + inOrder.indexOf(of))
    }
    // A panel that is glued down on its own part, as a flap is, carries what lies on it above what lies beside it.
    const glued = joints.find(
      ({ part, by, onto, face }) => by === joint.onto && onto.part === part && face === joint.face,
    )
    return height(joint) + (glued ? height(glued) : 0)
  }
}

export const nameOf = ({ part, key }: Pick<Panel, 'part' | 'key'>): string => `${part} ${key}`

function sheetOf(part: Part, panel: Panel, order: number, where: Corner): Sheet {
  const [left, foot, wide, high] = [panel.x.value, panel.y.value, panel.width.value, panel.height.value]
  const own = (corners: readonly Spot[]): Spot[] => corners.map(([x, y]) => [x - left, y - foot])
  const box: Spot[] = [[0, 0], [wide, 0], [wide, high], [0, high]]
  const windows = part.windows
    .filter(window => window.panel === panel.key && window.width.value > 0 && window.height.value > 0)
    .map(({ shape, x, y, width, height }): Spot[] => {
      const [w, h] = [width.value, height.value]
      const corner: Spot = [x.value - left, y.value - foot]
      if (shape === 'rectangle')
        return (
          [
            [0, 0], [w, 0], [w, h], [0, h],
          ] as const
        ).map(([a, b]) => [corner[0] + a, corner[1] + b])
      // A slot is as a rectangle with two half circles at its ends, a circle may be an oval.
      const round = shape === 'slot' ? Math.min(w, h) / 2 : 0
      return Array.from({ length: 72 }, (_, at): Spot => {
        const [cos, sin] = [Math.cos(inRadians(at * 5 + 2.5)), Math.sin(inRadians(at * 5 + 2.5))]
        const [a, b] = round > 0 ? [round, round] : [w / 2, h / 2]
        return [
          corner[0] + w / 2 + Math.sign(cos) * (w / 2 - a) + a * cos,
          corner[1] + h / 2 + Math.sign(sin) * (h / 2 - b) + b * sin,
        ]
      })
    })
  const holes = [...(panel.holes ?? []).map(own), ...windows]
  return {
    part, panel, order, ...where, out: square(where.x, where.y), outline: panel.outline ? own(panel.outline) : box,
    holes,
  }
}

/** A place within a panel, on its part: of one with slanting edges the middle of its corners. */
function middleOf({ x, y, width, height, outline }: Panel): [number, number] {
  if (!outline) return [x.value + width.value / 2, y.value + height.value / 2]
  const mean = (axis: 0 | 1) => outline.reduce((all, corner) => all + corner[axis], 0) / outline.length
  return [mean(0), mean(1)]
}

/** The neighbour across a crease: a valley by so many degrees brings it up towards one who looks at the fronts. */
function foldedOver(here: Sheet, other: Panel, { from, to, angle }: Crease, opening: number, short: number): Corner {
  const { panel } = here
  const own = (x: number, y: number): Spot => [x - panel.x.value, y - panel.y.value]
  const [start, end] = [own(from.x.value, from.y.value), own(to.x.value, to.y.value)]
  const long = Math.hypot(end[0] - start[0], end[1] - start[1])
  const axis = sum(times((end[0] - start[0]) / long, here.x), times((end[1] - start[1]) / long, here.y))
  // From the crease into the neighbour, in the plane of this one.
  const middle = middleOf(other)
  const away = square(here.out, axis)
  const isLeft = along(between(placeOn(here, start), placeOn(here, own(...middle))), away) > 0
  const bent = Math.max(short - 180, Math.min(180 - short, angle(opening)))
  const rises = inRadians(bent) * (isLeft ? 1 : -1)
  /** Splits a direction into what runs along the crease and what turns about it. */
  const turn = (way: Vector): Vector => {
    const stays = times(along(way, axis), axis)
    const [level, upright] = [along(way, away), along(way, here.out)]
    const [cos, sin] = [Math.cos(rises), Math.sin(rises)]
    return sum(stays, times(level * cos - upright * sin, away), times(level * sin + upright * cos, here.out))
  }
  const pivot = placeOn(here, start)
  const flat = placeOn(here, own(other.x.value, other.y.value))
  return { corner: sum(pivot, turn(between(pivot, flat))), x: turn(here.x), y: turn(here.y) }
}

/** How high the under side of what is held in a joint stands above the sheet it lies on. */
export const standsHigh = ({ means, foam }: Joint, stuff: Stuff): number => (means === 'foam' ? foam ?? stuff.foam : 0)

/**
 * What is held in a joint: its box is measured from the left of the sheet below, seen from that sheet's front, wherever
 * it lies.
 */
function jointed(ground: Sheet, joint: Joint, opening: number, lift: number): Corner {
  const { by, turned, face, faceDown } = joint
  const [right, up] = joint.slide?.(opening) ?? [0, 0]
  const isQuarter = turned % 90 === 0
  const [wide, high]
    = isQuarter && turned % 180 !== 0 ? [by.height.value, by.width.value] : [by.width.value, by.height.value]
  // Whatever way it is turned, the middle of its box stays where it is.
  const middle = placeOn(
    ground, [joint.x.value + right + wide / 2, joint.y.value + up + high / 2], face === 'inside' ? lift : -lift,
  )
  const looksAway = (face === 'inside') !== faceDown
  const angle = inRadians(turned)
  const mirrored = looksAway ? 1 : -1
  const x = sum(times(Math.cos(angle) * mirrored, ground.x), times(Math.sin(angle), ground.y))
  const y = sum(times(-Math.sin(angle) * mirrored, ground.x), times(Math.cos(angle), ground.y))
  return { corner: sum(middle, times(-by.width.value / 2, x), times(-by.height.value / 2, y)), x, y }
}
