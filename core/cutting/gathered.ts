import { byKey } from '../lists'
import { fencesOf } from './patterns'
import { secondsAbout } from './economy'
import type { Layout, CuttingProblem } from './plan'
import { area, contentOf, countsOf } from './plan'
import { restIn } from './rests'
import { stripLayout } from './strips'

/** Pieces on a sheet above which strips take long. */
const MANY_PIECES = 120

/**
 * The same pieces on the same sheets, in strips that leave more in one rectangle, where that takes no more time and no
 * more settings. Layouts that are set up stay as they are.
 */
export function gathered(layouts: Layout[], problem: CuttingProblem): Layout[] {
  const { demands, supplies, cutter, setUp = [] } = problem
  const ready = new Set(setUp.map(({ root }) => contentOf(root)))
  return layouts.map((layout) => {
    if (ready.has(contentOf(layout.root))) return layout
    const counts = countsOf(layout.root)
    if ([...counts.values()].reduce((sum, count) => sum + count, 0) > MANY_PIECES) return layout
    const some = demands.filter(({ key }) => counts.has(key))
    const alike = (['width', 'height'] as const).flatMap((along): Layout[] => {
      const root = stripLayout(byKey(supplies, layout.supply), cutter, along, some, counts, area)
      if (!root || !isSame(counts, countsOf(root)) || fencesOf(root).size > fencesOf(layout.root).size) return []
      const other = { ...layout, root }
      return secondsAbout([other], problem) <= secondsAbout([layout], problem) ? [other] : []
    })
    return [layout, ...alike].reduce((best, one) => (restIn(one.root) > restIn(best.root) + 1e-9 ? one : best))
  })
}

const isSame = (one: ReadonlyMap<string, number>, other: ReadonlyMap<string, number>): boolean =>
  one.size === other.size && [...one].every(([key, count]) => other.get(key) === count)
