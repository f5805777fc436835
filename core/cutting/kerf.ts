import type { Length } from '../lengths'
import type { CutNode, Layout, CuttingProblem } from './plan'

/**
 * Kerf, the paper that turns to dust at every cut, is taken out of the planner:
 * where everything is one kerf larger, parts and the cuts between them add up as
 * if there were none, for n parts need n − 1 cuts. The trees are then made smaller again.
 */
export function withKerf(problem: CuttingProblem): CuttingProblem {
  const { kerf, ...cutter } = problem.cutter
  if (kerf === 0) return problem
  const more = (length: number) => (length + kerf) as Length
  const larger = <T extends { width: Length, height: Length }>(size: T): T => ({
    ...size,
    width: more(size.width),
    height: more(size.height),
  })
  return {
    ...problem,
    demands: problem.demands.map(larger),
    supplies: problem.supplies.map(larger),
    cutter: {
      ...cutter,
      kerf: 0 as Length,
      length: more(cutter.length),
      squaring: cutter.squaring > 0 ? more(cutter.squaring) : cutter.squaring,
      offcut: { short: more(cutter.offcut.short), long: more(cutter.offcut.long) },
    },
    setUp: problem.setUp?.map(ready => ({ ...ready, root: resized(ready.root, kerf) })),
    known: problem.known?.map(layout => ({ ...layout, root: resized(layout.root, kerf) })),
  }
}

/** Layouts for a problem `withKerf` as layouts for the problem itself. */
export const lessKerf = (layouts: Layout[], { cutter: { kerf } }: CuttingProblem): Layout[] =>
  kerf === 0 ? layouts : layouts.map(layout => ({ ...layout, root: resized(layout.root, -kerf) }))

/** Every rectangle larger by some length; what has no size left falls as dust. */
function resized(node: CutNode, by: number): CutNode {
  const size = { width: (node.width + by) as Length, height: (node.height + by) as Length }
  if (node.kind !== 'cut') return { ...node, ...size }
  return {
    ...node, ...size,
    parts: node.parts.map(part => resized(part, by)).filter(({ width, height }) => width > 0 && height > 0),
  }
}
