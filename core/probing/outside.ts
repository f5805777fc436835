import type { Construction } from '../folds'
import type { Sheet, Vector, Verdict } from './space'
import { THIN, placeOn, standing } from './space'

/** So far out is no slip of the hand, in nanometres; half of that may be one. */
const OUT = 1_600_000
const FLAT = { ...THIN, short: 0 }

/** Free pieces that reach beyond the closed card as it is without any dressing, corner by corner. */
export function stickingOut(natural: Construction, card: Construction): Map<string, Verdict> {
  const corners = (sheets: Sheet[]): Vector[] =>
    sheets.flatMap(sheet => sheet.outline.map(corner => placeOn(sheet, corner)))
  const all = corners(standing(natural, 0, FLAT))
  return new Map(
    standing(card, 0, FLAT)
      .filter(({ part }) => part.key.startsWith('free--'))
      .map((sheet): [string, Verdict] => {
        const out = Math.max(...([0, 1] as const).flatMap((axis) => {
          const along = (list: (readonly number[])[]) => list.map(corner => corner[axis] ?? 0)
          const own = along(corners([sheet]))
          const rest = along(all)
          return [Math.min(...rest) - Math.min(...own), Math.max(...own) - Math.max(...rest)]
        }))
        return [sheet.part.key, out > OUT ? 'yes' : out > OUT / 4 ? 'hardly' : 'no']
      }))
}
