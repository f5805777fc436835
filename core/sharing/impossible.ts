import { FACE_RULES } from '../document'
import { itemAt } from '../lists'
import { cheapest, sizeOf, allCombinations } from './combinations'
import type { Impossible, Rules, SharingProblem } from './model'

/** Kinds that cannot be shared out at all by the rules that must be kept, and which rule forbids it. */
export function impossible({ kinds, rules }: SharingProblem): Impossible[] {
  return kinds.flatMap((kind): Impossible[] => {
    if (kind.kits === 0) return []
    if (kind.roles.some(({ options }) => options.length === 0)) return [{ kind: kind.key, rule: 'pool' }]
    const free = { hold: 'free', weight: 0 } as const
    const isPossible = (changed: Partial<Rules>) =>
      cheapest(kind, { ...rules, ...changed }, () => 0, 1).found.length > 0
    if (!isPossible({})) {
      const rule = FACE_RULES.find(rule => isPossible({ [rule]: free })) ?? itemAt(FACE_RULES, 0)
      return [{ kind: kind.key, rule }]
    }
    if (rules.different.hold !== 'must' || sizeOf(kind) > COUNTED) return []
    const combinations = allCombinations(kind, rules).length
    return combinations < kind.kits ? [{ kind: kind.key, rule: 'different', combinations }] : []
  })
}
/** Combinations that are counted one by one: beyond, there are more than kits. */
const COUNTED = 20_000
