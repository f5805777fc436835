import type { Construction, Face, Panel } from '../folds'
import { CLOSED, shareSeen } from './looking'
import type { Sheet, Vector } from './space'
import { THIN, along, carriedBy, isGluedDown, nameOf, placeOn, standing } from './space'

type End = 'left' | 'right' | 'head' | 'foot'
/** What the four sides of a face are, by the names its own drawing gives them. */
export type Ends = Record<'left' | 'right' | 'top' | 'bottom', End>

/** From such a share on a face is seen. */
const SEEN = 0.1
/** A face that looks up or down by more than this, as cosine, is seen from before the card. */
const LEVEL = 0.9

/**
 * What the four sides of a face are for one who holds the card, by where the middles of its edges come to lie before
 * their eyes; nothing for a face that lies aslant or has no place.
 */
export function endsOf(card: Construction, panel: Panel, side: Face): Ends | undefined {
  const way = side === 'inside' ? 1 : -1
  const pose = isOuter(card, panel, side) ? standing(card, 0, { ...THIN, short: 0 }) : standing(card, 1, THIN)
  const sheet = pose.find(found => nameOf(found.panel) === nameOf(panel))
  if (!sheet) return undefined
  const [wide, high] = [panel.width.value, panel.height.value]
  // Seen from its other side, left and right change places.
  const middles = {
    left: placeOn(sheet, [way > 0 ? 0 : wide, high / 2]),
    right: placeOn(sheet, [way > 0 ? wide : 0, high / 2]),
    top: placeOn(sheet, [wide / 2, high]),
    bottom: placeOn(sheet, [wide / 2, 0]),
  }
  const eye = beforeEyes(sheet, way)
  const names = Object.keys(middles) as (keyof Ends)[]
  const sorted = (axis: Vector) => [...names].sort((a, b) => along(middles[a], axis) - along(middles[b], axis))
  const [across, up] = [sorted(eye.across), sorted(eye.up)]
  const ends = new Map<keyof Ends | undefined, End>([
    [across[0], 'left'], [across.at(-1), 'right'], [up[0], 'foot'], [up.at(-1), 'head'],
  ])
  return ends.size === names.length ? Object.fromEntries(ends) as Ends : undefined
}

/** The reader stands before the front of the card or behind its back, and before a floor or a ceiling. */
function beforeEyes({ out }: Sheet, way: 1 | -1): { across: Vector, up: Vector } {
  const [x, y, z] = [out[0] * way, out[1] * way, out[2] * way]
  if (Math.abs(y) > LEVEL) return { across: [1, 0, 0], up: [0, 0, y > 0 ? -1 : 1] }
  return { across: [z, 0, -x], up: [0, 1, 0] }
}

/** Whether a face is seen from outside while the card is closed, or a flat piece on it with what is on that. */
function isOuter(card: Construction, panel: Panel, side: Face): boolean {
  const sheets = standing(card, CLOSED, THIN)
  const own = sheets.find(sheet => nameOf(sheet.panel) === nameOf(panel))
  if (!own) return false
  if (isGluedDown(card, panel, side)) return false
  const look = { within: Infinity, slope: 0.05, straight: true }
  const isFlat = (key: string) => card.parts.some(part => part.key === key && part.panels.length === 1)
  const on = card.joints.filter(
    ({ onto, face, part }) => nameOf(onto) === nameOf(panel) && face === side && isFlat(part),
  )
  const over = carriedBy(card, on.map(({ part }) => part))
  const area = ({ panel: { width, height } }: Sheet) => width.value * height.value
  const isSeen = (sheet: Sheet, way: 1 | -1) => shareSeen(sheets, sheet, way, look) * area(sheet) > SEEN * area(own)
  return isSeen(own, side === 'inside' ? 1 : -1)
    || sheets.some(sheet => over.has(sheet.part.key) && (isSeen(sheet, 1) || isSeen(sheet, -1)))
}
