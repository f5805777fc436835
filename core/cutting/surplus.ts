import { byKey } from '../lists'
import { without } from './tidy'
import type { Demand, Layout, CuttingProblem } from './plan'
import { countsOf, isFresh, madeBy } from './plan'
import { withinFrame } from './squaring'

/** Leaves out what would be cut too much: it stays an offcut instead. */
export function withoutSurplus(
  layouts: Layout[],
  demands: Demand[],
  { cutter, supplies, offcutsFirst }: Pick<CuttingProblem, 'cutter' | 'supplies' | 'offcutsFirst'>,
): Layout[] {
  // What comes from offcuts stays where they are to be used up.
  const last = ({ supply }: Layout) => (isFresh(byKey(supplies, supply)) ? 0 : 1)
  let result = offcutsFirst ? [...layouts].sort((a, b) => last(a) - last(b)) : layouts
  for (const { key, quantity } of demands) {
    let surplus = (madeBy(result).get(key) ?? 0) - quantity
    if (surplus <= 0) continue
    result = result.flatMap((layout) => {
      const each = countsOf(layout.root).get(key) ?? 0
      const fewer = (count: number) => withinFrame(layout.root, cutter, inside => without(inside, key, count, cutter))
      const less = (count: number, repeats: number): Layout[] =>
        repeats > 0 && count >= 0 ? [{ ...layout, repeats, root: count > 0 ? fewer(count) : layout.root }] : []
      if (each === 0 || surplus === 0) return [layout]
      const bare = Math.min(layout.repeats, Math.floor(surplus / each))
      surplus -= bare * each
      const partly = surplus > 0 && bare < layout.repeats ? surplus : 0
      surplus -= partly
      return [
        ...less(0, layout.repeats - bare - (partly > 0 ? 1 : 0)), ...less(partly, partly > 0 ? 1 : 0),
        ...less(each, bare),
      ]
    })
  }
  // A sheet with nothing left on it is not opened.
  return result.filter(({ root }) => countsOf(root).size > 0)
}
