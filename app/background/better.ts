import type { Plan, CuttingProblem } from '../../core/cutting'
import { before, contentOf } from '../../core/cutting'
import type { Sharing } from '../../core/sharing'

/**
 * Whether plans take the place of those before: their best one is another one, which leaves out no more and takes no
 * more paper.
 */
export function isBetterPlan([next]: Plan[], [best]: Plan[], { objective }: CuttingProblem): boolean {
  if (!next || !best) return next !== undefined
  return !isSamePlan(next, best) && !isWorse(next, best, objective)
}

function isWorse(one: Plan, other: Plan, objective: CuttingProblem['objective']): boolean {
  const rank = ({ unplaced, sheets, spending }: Plan) => [
    unplaced.reduce((sum, { quantity }) => sum + quantity, 0),
    ...(objective === 'money' ? [spending, sheets] : [sheets, spending]),
  ]
  return before(rank(other), rank(one)) ?? false
}

const isSamePlan = (a: Plan, b: Plan): boolean =>
  a.sheets === b.sheets
  && a.bound === b.bound
  && a.spending === b.spending
  && a.layouts.length === b.layouts.length
  && a.layouts.every((layout, index) => {
    const other = b.layouts[index]
    return (
      other !== undefined
      && layout.key === other.key
      && layout.supply === other.supply
      && layout.repeats === other.repeats
      && contentOf(layout.root) === contentOf(other.root)
    )
  })

/**
 * Whether a sharing takes the place of the one before: more kits get their pieces, or sheets and broken wishes weigh no
 * more.
 */
export const isBetterSharing = (next: Sharing, best: Sharing): boolean =>
  next.missing < best.missing || (next.missing === best.missing && (next.cost ?? Infinity) <= (best.cost ?? Infinity))
