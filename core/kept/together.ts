import type { Plan } from '../cutting'
import type { TogetherProblem } from '../together'
import { keptPlans } from './plans'

/**
 * Plans chosen alike that were kept, or come from another device. They are answered only where each of them can be cut
 * for its paper and takes no more than the plan that the paper has by itself.
 * @param read whatever was read
 * @returns nothing where anything about them is wrong
 */
export function keptTogether(read: unknown, { papers }: TogetherProblem): ReadonlyMap<string, Plan> | undefined {
  if (!(read instanceof Map)) return undefined
  for (const [key, plan] of read) {
    const own = papers.find(({ paper }) => paper.key === key)
    const [sound] = own ? keptPlans([plan], own.problem) ?? [] : []
    if (!own || !sound || sound.sheets > own.plan.sheets || sound.spending > own.plan.spending) return undefined
  }
  return read as ReadonlyMap<string, Plan>
}
