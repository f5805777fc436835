import { nameOfWork } from '../../../core/making'
import { byKey } from '../../../core/lists'
import type { Construction, Crease, Joint, Panel, Part, Place, Point } from '../../../core/folds'
import { creaseAt, face, holesOf, isLayer, outlineOf, windowOutline } from '../../../core/folds'
import type { Measure } from '../../../core/lengths'

/* Where things stand on the drawing of a blank: in pixels, x to the right and y down from its upper left corner. */

/** What is drawn of a card: one of its blanks, at so many pixels for one nanometre. */
export interface Pattern {
  construction: Construction
  part: Part
  scale: number
}

/** Room that one figure takes below the drawing, in pixels. */
const FIGURE = 52
/** Width of a letter of a name, about. */
const LETTER = 6.6

/** The figure of a line of scores. */
export interface ScoreLabel {
  at: Measure
  words: string
  place: number
  row: number
}

/** One figure for each line of scores, in further rows where they would run into each other. */
export function labelsAlong({ part, scale }: Pattern, along: 'x' | 'y'): ScoreLabel[] {
  const lines = new Map<number, ScoreLabel>()
  for (const crease of part.creases.filter(crease => crease.along === along)) {
    const at = creaseAt(crease)
    const known = lines.get(at.value)
    if (!known) lines.set(at.value, { at, words: crease.direction, place: at.value * scale, row: 0 })
    else if (!known.words.includes(crease.direction)) known.words = 'both ways'
  }
  const ends: number[] = []
  return [...lines.values()]
    .sort((a, b) => a.place - b.place)
    .map((label) => {
      let row = ends.findIndex(end => label.place - end >= FIGURE)
      if (row < 0) row = ends.length
      ends[row] = label.place
      return { ...label, row }
    })
}

export const pointOf = ({ x, y }: Place): Point => [x.value, y.value]

/** A place on a blank as path data; the lower left corner of what it is on stands at `left` and `bottom`. */
export const spot = (scale: number, [x, y]: Point, left: number, bottom: number): string =>
  `${(left + x * scale).toFixed(1)},${(bottom - y * scale).toFixed(1)}`

const closedPath = (scale: number, corners: readonly Point[], left: number, bottom: number) =>
  `M${corners.map(corner => spot(scale, corner, left, bottom)).join('L')}Z`

/**
 * The edge of a part with its windows, as one path, its lower left corner at this place; seen from behind, it is as in
 * a mirror.
 */
export function edgePath(
  { outline, windows, width, height }: Part, scale: number, left: number, bottom: number, behind = false,
): string {
  const corners = outline ?? ([[0, 0], [width.value, 0], [width.value, height.value], [0, height.value]] as Point[])
  const mirrored = ([x, y]: Point): Point => [behind ? width.value - x : x, y]
  return [corners, ...windows.map(windowOutline)]
    .map(ring => closedPath(scale, ring.map(mirrored), left, bottom))
    .join('')
}

/** The edge of one panel with what is cut from it. */
export const panelPath = ({ part, scale }: Pattern, panel: Panel): string =>
  [outlineOf(panel), ...holesOf(part, panel)]
    .map(corners => closedPath(scale, corners, 0, part.height.value * scale))
    .join('')

/** Something glued on the blank. */
export interface Laid {
  part: Part
  joint: Joint
  /** Whether it lies on the outside, or on something that does. */
  behind: boolean
  x: number
  y: number
}

/**
 * Everything glued on a blank and on what lies on it, lowest layer first. What is no layer, such as a plate across the
 * folded card, is drawn by itself; what the maker has laid on it is shown with it where it can be moved.
 */
export function laidOn({ construction, part, scale }: Pattern, isMovable: (part: Part) => boolean): Laid[] {
  const found: Laid[] = []
  const visit = (panel: Panel, x: number, bottom: number, below = false) => {
    for (const joint of construction.joints) {
      if (joint.onto.part !== panel.part || joint.onto.key !== panel.key) continue
      const glued = byKey(construction.parts, joint.part)
      if (!(isLayer(glued.kind) || isMovable(glued)) || glued.width.value <= 0 || glued.height.value <= 0) continue
      const behind = below !== (joint.face === 'outside')
      // On a layer that is seen from behind, left is right.
      const left = below ? panel.width.value - joint.x.value - glued.width.value : joint.x.value
      const at = { x: x + left * scale, bottom: bottom - joint.y.value * scale }
      found.push({ part: glued, joint, behind, x: at.x, y: at.bottom - glued.height.value * scale })
      visit(face(glued), at.x, at.bottom, behind)
    }
  }
  for (const panel of part.panels) visit(panel, panel.x.value * scale, (part.height.value - panel.y.value) * scale)
  return found
}

/** About its middle, as it lies on the card; drawings have up the other way round. */
export function turning(
  { part: { width, height }, joint: { turned }, behind, x, y }: Laid, scale: number,
): string | undefined {
  if (turned === 0) return undefined
  return `rotate(${behind ? turned : -turned} ${x + (width.value * scale) / 2} ${y + (height.value * scale) / 2})`
}

/** Where the name of a panel stands: a place that lies in it for every shape that folds use. */
export function middleOf({ part, scale }: Pattern, panel: Panel): { x: number, y: number } {
  const height = part.height.value * scale
  // Where a flap is cut from its middle the name goes above it.
  if (panel.holes)
    return {
      x: (panel.x.value + panel.width.value / 2) * scale, y: height - (panel.y.value + panel.height.value) * scale + 16,
    }
  const corners = outlineOf(panel)
  // Many corners along one edge, as round steps, would pull the mean there.
  const mean = (axis: 0 | 1) =>
    corners.length > 5
      ? (Math.min(...corners.map(corner => corner[axis])) + Math.max(...corners.map(corner => corner[axis]))) / 2
      : corners.reduce((sum, corner) => sum + corner[axis], 0) / corners.length
  return { x: mean(0) * scale, y: height - mean(1) * scale }
}

/** Where the number of a crease stands: a quarter of the way along it, clear of names in the middle. */
export const numberedAt = ({ from, to }: Crease): Point => [
  from.x.value + (to.x.value - from.x.value) / 4,
  from.y.value + (to.y.value - from.y.value) / 4,
]

export const panelName = (part: Part, { name }: Panel): string => (part.panels.length > 1 ? name : part.name)

/** Whether a panel has room for its name. */
export function isRoomy({ part, scale }: Pattern, panel: Panel): boolean {
  const corners = outlineOf(panel)
  const across = (axis: 0 | 1) =>
    (Math.max(...corners.map(corner => corner[axis])) - Math.min(...corners.map(corner => corner[axis]))) * scale
  return across(0) >= panelName(part, panel).length * LETTER && across(1) >= 16
}

/** What is done to a blank or to what lies on it, where it has a size: its box in pixels, its turn and its name. */
export interface DrawnWork {
  key: string
  name: string
  x: number
  y: number
  width: number
  height: number
  /** As SVG turns it: about its middle, and with what it is on. */
  transform: string
  /** On the side that is not drawn. */
  behind: boolean
}

export function worksOn({ part, scale }: Pattern, laid: Laid[]): DrawnWork[] {
  const own = { part, x: 0, y: 0, behind: false, transform: '' }
  const layers = laid.map(layer => ({ ...layer, transform: turning(layer, scale) ?? '' }))
  return [own, ...layers].flatMap(({ part: on, x, y, behind: isMirrored, transform }) =>
    (on.works ?? []).flatMap((work): DrawnWork[] => {
      const { path, box, turn, side } = work
      if (!box) return []
      const [width, height] = [box.width * scale, box.height * scale]
      const left = x + (isMirrored ? on.width.value - box.x - box.width : box.x) * scale
      const top = y + (on.height.value - box.y - box.height) * scale
      // Seen through the sheet it turns the other way.
      const angle = (side === 'outside') === isMirrored ? -turn : turn
      const own = turn === 0 ? '' : `rotate(${angle} ${left + width / 2} ${top + height / 2})`
      return [{
        key: path, name: nameOfWork(work), x: left, y: top, width, height,
        transform: `${transform} ${own}`.trim(), behind: isMirrored || side === 'outside',
      }]
    }))
}
