import type { CuttingProblem } from './plan'
import { contentOf } from './plan'
import { workOf } from './work'

const keys = new WeakMap<CuttingProblem, string>()

/**
 * What tells a problem from any other: two with the same key have the same plans. Worked
 * out once for each problem; names do not count, for they decide nothing.
 */
export function problemKey(problem: CuttingProblem): string {
  const before = keys.get(problem)
  if (before !== undefined) return before
  const {
    demands, supplies, cutter, objective, setUp = [], fixed = [], known = [], kits = [], offcutsFirst = false,
  } = problem
  const { pace, ...work } = workOf(problem)
  const key = [
    `${objective}${offcutsFirst ? ', offcuts first' : ''}`,
    [
      cutter.length,
      cutter.mark,
      cutter.smallestPiece,
      cutter.stack,
      cutter.squaring,
      cutter.kerf,
      cutter.offcut.short,
      cutter.offcut.long,
    ].join(),
    JSON.stringify([Object.values(pace), Object.values(work)]),
    ...demands.map(({ key, width, height, quantity, turn }) => `${key},${width},${height},${quantity},${turn}`),
    ...supplies.map(
      ({ key, kind, width, height, onHand, price, onlyFixed = false }) =>
        `${key},${kind},${width},${height},${onHand},${price},${onlyFixed}`,
    ),
    ...kits.map(({ kits, pieces }) => `kits ${kits},${[...pieces].join()}`),
    ...setUp.map(({ key, supply, root }) => `set up ${key},${supply},${contentOf(root)}`),
    ...known.map(({ supply, repeats, root }) => `known ${supply},${repeats},${contentOf(root)}`),
    ...fixed.map(({ key, supply, repeats, root }) => `fixed ${key},${supply},${repeats},${contentOf(root)}`),
  ].join('\n')
  keys.set(problem, key)
  return key
}
