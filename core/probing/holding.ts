import type { Construction, Joint } from '../folds'
import type { Sheet, Spot, Verdict } from './space'
import {
  THICK, evenly, fromSheet, glueSpots, hasPaper, isLayer, isWithin, lies, nameOf, placeOn, standing,
} from './space'

/** Points along each side of a glued area. */
const GRID = 16

const MILLIMETRE = 1_000_000
/** So many square millimetres of glue surely hold what has to part. */
const HOLDS = 5

/** What is glued to nothing, to what parts from it, or over an opening, by its part. */
export interface Glue {
  beyond: Map<string, Verdict>
  overOpening: Map<string, Verdict>
}

/**
 * Follows glue point by point onto what it touches.
 * @param grid points along each side of a glued area
 */
export function glueAmiss(card: Construction, grid = GRID): Glue {
  // Also right along the edges, so that no sliver is missed.
  const steps = [0.001, ...evenly(grid), 0.999]
  const found: Glue = { beyond: new Map(), overOpening: new Map() }
  const worse = (list: Map<string, Verdict>, part: string, verdict: Verdict) => {
    if (verdict === 'yes' || !list.has(part)) list.set(part, verdict)
  }
  const sheets = allSheets(card)
  for (const joint of card.joints) {
    const [by, onto] = [
      sheets.find(({ panel }) => panel === joint.by), sheets.find(({ panel }) => panel === joint.onto),
    ]
    if (!by || !onto || joint.means === 'held') continue
    const spots = glueSpots(joint, by, steps)
    if (spots.length === 0) continue
    // Straight down, through all layers, to the panel that carries them.
    const stack = under(card, sheets, onto)
    const ground = stack.at(-1) ?? onto
    const at = (sheet: Sheet, spot: Spot) => fromSheet(sheet, placeOn(by, spot)).spot
    const beside = spots.filter(spot => !stack.some(sheet => isWithin(sheet, at(sheet, spot))))
    // Glue on the neighbour of a panel keeps the crease between them from folding.
    const parting = beside.filter(spot => neighboursOf(ground).some(ring => lies(ring, at(ground, spot))))
    const inner = spots.filter(spot => isInner(joint, spot)).length || 1
    const area = (list: Spot[]) => list.filter(spot => isInner(joint, spot)).length / inner
    const size = (joint.glue.width.value / MILLIMETRE) * (joint.glue.height.value / MILLIMETRE)
    const beyond
      = area(parting) * size > HOLDS || area(beside) > 0.25
        ? 'yes'
        : parting.length > 0 || area(beside) > 0.15
          ? 'hardly'
          : 'no'
    worse(found.beyond, joint.part, beyond)
    const open
      = spots.filter(spot => isWithin(onto, at(onto, spot)) && !hasPaper(onto, at(onto, spot))).length / spots.length
    const unsure = by.holes.length > 0 || beyond !== 'no'
    worse(found.overOpening, joint.part, open === 0 ? 'no' : unsure || open < 0.02 ? 'hardly' : 'yes')
  }
  return found
}

/** Whether what is held in a joint lies over another panel of the part that carries it. */
export function reachesOver(card: Construction, joint: Joint, sheets: Sheet[]): boolean {
  const [by, onto] = [sheets.find(({ panel }) => panel === joint.by), sheets.find(({ panel }) => panel === joint.onto)]
  const ground = onto && under(card, sheets, onto).at(-1)
  if (!by || !ground) return false
  const spots = evenly(GRID)
    .flatMap(right => evenly(GRID).map((up): Spot => [right * joint.by.width.value, up * joint.by.height.value]))
    .filter(spot => isWithin(by, spot))
    .map(spot => fromSheet(ground, placeOn(by, spot)).spot)
  return neighboursOf(ground).some(ring => spots.some(spot => lies(ring, spot) && !isWithin(ground, spot)))
}

/** Everything as it lies on what it is put on, loose parts each for itself. */
export function allSheets(card: Construction): Sheet[] {
  const sheets = standing(card, 0, THICK)
  const onSomething = new Set(card.joints.map(({ part }) => part))
  for (const { key, panels: [anchor] } of card.parts) {
    const isLoose = !onSomething.has(key) && !sheets.some(sheet => sheet.part.key === key)
    if (anchor && isLoose) sheets.push(...standing({ ...card, anchor }, 0, THICK))
  }
  return sheets
}

/** Outlines of the other panels of a part, from the corner of one of them. */
function neighboursOf({ part, panel }: Sheet): Spot[][] {
  const own = (x: number, y: number): Spot => [x - panel.x.value, y - panel.y.value]
  return part.panels.filter(other => other !== panel).map(({ x, y, width, height, outline }) => {
    if (outline) return outline.map(([right, up]) => own(right, up))
    const [left, foot] = own(x.value, y.value)
    return [
      [left, foot], [left + width.value, foot], [left + width.value, foot + height.value],
      [left, foot + height.value],
    ]
  })
}

/** Whether a point is none of those right along the edges of the glue, which speak for no area. */
function isInner({ glue, by }: Joint, [right, up]: Spot): boolean {
  const [across, along] = [
    (right + by.x.value - glue.x.value) / glue.width.value, (up + by.y.value - glue.y.value) / glue.height.value,
  ]
  return [across, along].every(share => share > 0.01 && share < 0.99)
}

/** A sheet and, where it is a layer, all that it lies on, down to the panel that carries them. */
function under(card: Construction, sheets: Sheet[], top: Sheet): Sheet[] {
  const joint = isLayer(top.part) ? card.joints.find(({ part }) => part === top.part.key) : undefined
  const below = joint && sheets.find(({ panel }) => nameOf(panel) === nameOf(joint.onto))
  return below ? [top, ...under(card, sheets, below)] : [top]
}
