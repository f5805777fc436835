import type { Construction, Part } from '../folds'
import { neighbours } from '../lists'
import { allSheets, reachesOver } from './holding'
import type { Sheet, Spot, Vector, Verdict } from './space'
import { THIN, along, carriedBy, fromSheet, hasPaper, isGluedDown, isLayer, placeOn, standing, times } from './space'

/** The card as good as closed: what opens is open by a crack, so that it shows which of two sheets lies in front. */
export const CLOSED = 0.03
/** Points along each side of a panel. */
const GRID = 8
/** The same for a closer look. */
const FINE = 32
/** Rows of points that lie so near an edge. */
const EDGE = 1_000_000
/** A point is looked at from just off its paper. */
const OFF = 2
/** On display, one looks past what stands farther off than that. */
const ARM = 3_000_000

export type Side = 1 | -1

/** How one looks: past what stands farther off, and past what stands more upright on the sheet than that, as cosine. */
export interface Look {
  within: number
  slope: number
  /** Straight at the front or the back of the closed card, not at each sheet. */
  straight?: boolean
}

/** What is seen edge on hides nothing; what stands at an angle hides from some places and not from others. */
const STRICT = 0.05
const FLAT = 0.99

/** A point of a panel, and how much of it that point speaks for. */
interface Probe {
  spot: Spot
  area: number
}

/**
 * Points spread over a panel, where there is paper, none on an edge; closer along the edges, where narrow borders are
 * seen.
 */
export function probesOn(sheet: Sheet, grid = GRID): Probe[] {
  const { panel } = sheet
  const cells = (size: number) => {
    const margin = Math.min(EDGE, size / 8)
    const between = Array.from({ length: grid + 1 }, (_, at) => 2 * margin + (at / grid) * (size - 4 * margin))
    return neighbours([0, margin, ...between, size - margin, size])
      .map(([start, end]) => ({ middle: (start + end) / 2, wide: end - start }))
  }
  const [across, up] = [cells(panel.width.value), cells(panel.height.value)]
  return across
    .flatMap(column => up.map((row): Probe => ({ spot: [column.middle, row.middle], area: column.wide * row.wide })))
    .filter(({ spot }) => hasPaper(sheet, spot))
}

/**
 * Whether something hides a place from one who looks straight at that side of its sheet, from no farther than `within`.
 */
export function isHidden(
  sheets: Sheet[], sheet: Sheet, spot: Spot, side: Side, { within, slope, straight }: Look,
): boolean {
  const from = placeOn(sheet, spot, side * OFF)
  const own = times(side, sheet.out)
  const way: Vector = straight ? [0, 0, Math.sign(own[2])] : own
  return sheets.some(other => other !== sheet && stands(other, sheet, from, way, within, slope))
}

function stands(other: Sheet, sheet: Sheet, from: Vector, way: Vector, within: number, least: number): boolean {
  const slope = along(way, other.out)
  if (Math.abs(slope) < least) return false
  const { height } = fromSheet(other, from)
  let far = -height / slope
  // In the very plane of the sheet, as what slides between two: what was put on later lies on its front, what looks at
  // it faces it.
  if (Math.abs(far + OFF) < 1) {
    const isInFront = other.order > sheet.order || along(other.out, sheet.out) < 0
    far = isInFront === (along(way, sheet.out) > 0) ? OFF : -OFF
  }
  if (far <= 0 || far > within) return false
  const { spot } = fromSheet(other, [from[0] + far * way[0], from[1] + far * way[1], from[2] + far * way[2]])
  return hasPaper(other, spot)
}

/** Which share of one side of a sheet is seen. */
export function shareSeen(sheets: Sheet[], sheet: Sheet, side: Side, look: Look, grid = GRID): number {
  const probes = probesOn(sheet, grid)
  const area = (list: Probe[]) => list.reduce((all, probe) => all + probe.area, 0)
  return area(probes.filter(({ spot }) => !isHidden(sheets, sheet, spot, side, look))) / Math.max(1, area(probes))
}

/** Parts of a card of which nothing is ever seen, looked for point by point; those of a hair's breadth hardly. */
export function hiddenParts(card: Construction): Map<string, Verdict> {
  const poses = [standing(card, 1, THIN), standing(card, CLOSED, THIN)] as const
  const looked = card.parts.filter(({ kind }) => kind !== 'hidden' && kind !== 'base')
  return new Map(looked.flatMap((part): [string, Verdict][] => {
    if (!poses[0].some(sheet => sheet.part === part)) return []
    const seen = (slope: number, grid?: number, arm = ARM) => Math.max(...poses.map((sheets, at) =>
      seenOf(sheets, part, { within: at === 0 ? arm : Infinity, slope, straight: at === 1 }, grid)))
    const share = seen(STRICT)
    // Where two panels of one sheet lie in one plane, as a tab and its wall, points do not tell which of them lies in
    // front.
    if (isOnTwo(card, part, poses[1])) return [[part.key, 'hardly']]
    // Between two sheets that are glued together nothing is seen, wherever thin drawings put it.
    if (share > ENOUGH && isPressed(card, part)) return [[part.key, 'hardly']]
    // Few points speak for much: what little is seen of is looked at more closely, and so is what nothing was seen of.
    if (share > PLENTY || (share > ENOUGH && seen(STRICT, FINE) > ENOUGH)) return [[part.key, 'no']]
    if (share > ENOUGH || isAcross(card, part) || seen(FLAT) >= NOTHING) return [[part.key, 'hardly']]
    if (seen(STRICT, FINE) > ENOUGH) return [[part.key, 'no']]
    // Layers as thick as they are move what lies about an arm's length off to one side of it or the other.
    return [[part.key, seen(FLAT, FINE) < NOTHING && seen(FLAT, GRID, ARM / 2) < ENOUGH ? 'yes' : 'hardly']]
  }))
}

/**
 * Whether a part reaches over a crease of what carries it: it cannot lie flat when that folds, so nobody can say what
 * is seen of it.
 */
const isAcross = (card: Construction, part: Part, sheets = allSheets(card)): boolean =>
  card.joints.some(joint => joint.part === part.key && reachesOver(card, joint, sheets))

/** Whether a part, through what it lies on, lies on a side of a panel that is glued down itself. */
export function isPressed(card: Construction, { key }: Part): boolean {
  const joint = card.joints.find(({ part }) => part === key)
  if (!joint) return false
  const below = card.parts.find(part => part.key === joint.onto.part)
  return isGluedDown(card, joint.onto, joint.face) || (below !== undefined && isLayer(below) && isPressed(card, below))
}

/** Whether what a part lies on lies in the very plane of another panel of the same sheet, and upon it. */
function isOnTwo(card: Construction, { key }: Part, sheets: Sheet[]): boolean {
  const joint = card.joints.find(({ part }) => part === key)
  const below = joint && sheets.find(({ panel }) => panel === joint.onto)
  if (!joint || !below) return false
  const { width, height } = below.panel
  const middle = placeOn(below, [width.value / 2, height.value / 2])
  const isUpon = (other: Sheet) =>
    other !== below
    && other.part === below.part
    && Math.abs(along(other.out, below.out)) > FLAT
    && Math.abs(fromSheet(other, middle).height) < OFF && hasPaper(other, fromSheet(other, middle).spot)
  return sheets.some(isUpon) || (isLayer(below.part) && isOnTwo(card, below.part, sheets))
}

/** So much of a side that is seen is surely seen; less than so much is nothing. */
const ENOUGH = 0.06
const PLENTY = 0.25
const NOTHING = 0.004

/** The largest share that is seen of any side of a part; enough is enough. */
function seenOf(sheets: Sheet[], part: Part, look: Look, grid?: number): number {
  let most = 0
  for (const sheet of sheets.filter(found => found.part === part)) for (const side of [1, -1] as const) {
    if (most <= ENOUGH) most = Math.max(most, shareSeen(sheets, sheet, side, look, grid))
  }
  return most
}

/** Parts that are to be hidden while the card is closed and are seen all the same. */
export function peeping(card: Construction): Map<string, Verdict> {
  const found = new Map<string, Verdict>()
  if (card.hiding.length === 0) return found
  const sheets = standing(card, CLOSED, THIN)
  for (const hiding of card.hiding) {
    const on = carriedBy(card, card.joints.filter(({ onto }) => onto === hiding).map(({ part }) => part))
    for (const sheet of sheets.filter(({ part }) => on.has(part.key))) {
      const look = { within: Infinity, slope: STRICT, straight: true }
      const share = Math.max(...([1, -1] as const).map(side => shareSeen(sheets, sheet, side, look, 40)))
      const verdict = share > 0.01 ? 'yes' : share > 0 ? 'hardly' : 'no'
      if (verdict === 'yes' || found.get(sheet.part.key) !== 'yes') found.set(sheet.part.key, verdict)
    }
  }
  return found
}
