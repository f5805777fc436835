import type { Plan, Solve } from '../cutting'
import { alikePlans, contentOf, isWithinLimits, problemKey, workOf } from '../cutting'
import { sumOf } from '../lists'
import type { OrderTogether, Together } from './order'
import { orderOf } from './order'
import type { PaperCut, PaperToCut } from './papers'
import { cutBy } from './papers'

/** A paper with the plan that it is cut by alone, and others that are known of it. */
export interface PaperAlone extends PaperToCut {
  plan: Plan
  others: readonly Plan[]
  /** The maker has taken this very plan. */
  taken: boolean
}

/** What is asked: papers whose layouts may be chosen alike. */
export interface TogetherProblem {
  papers: readonly PaperAlone[]
  together: Together
}

const plansInShort = ({ plan, others }: PaperAlone): string => [plan, ...others].map(({ layouts }) =>
  layouts.map(({ supply, repeats, root }) => `${supply},${repeats},${contentOf(root)}`).join()).join('|')

/** What tells a problem from any other: two with the same key have the same answer. */
export const togetherKey = ({ papers, together: { stack, apart } }: TogetherProblem): string =>
  [`${stack} ${[...apart ?? []].sort().join()}`, ...papers.flatMap(paper =>
    [`${paper.paper.key} ${paper.paper.weight} ${paper.taken}`, problemKey(paper.problem), plansInShort(paper)],
  )].join('\n')

/**
 * Plans chosen alike, so that papers are cut in one stack, where that saves more than it costs: of those papers only
 * that are cut otherwise than alone. None of them takes more sheets, and all of them together no more minutes.
 */
export function plansTogether({ papers, together }: TogetherProblem, solve: Solve): Map<string, Plan> {
  const free = papers.filter(paper => isFree(paper, together))
  const alike = alikePlans(free.map(({ paper: { key }, ...paper }) => ({ key, ...paper })), solve)
  const alone = papers.map(paper => cutBy(paper, paper.plan))
  const other = alone.map((own): PaperCut => {
    const plan = alike.get(own.paper.key)
    if (!plan || plan === own.plan) return own
    const found = cutBy(own, plan)
    // What the maker does not allow is no better for being alike.
    return isWithinLimits(found, own.problem) ? found : own
  })
  if (other.every((paper, at) => paper === alone[at])) return new Map()
  const [before, after] = [orderOf(alone, together), orderOf(other, together)]
  if (after.minutes > before.minutes || costOf(other, after) >= costOf(alone, before)) return new Map()
  return new Map(other.filter((paper, at) => paper !== alone[at]).map(({ paper, plan }) => [paper.key, plan]))
}

/** Nothing of it is settled yet, and it is not cut by itself. */
const isFree = ({ paper, problem, paperOf, plan, taken }: PaperAlone, { apart }: Together): boolean =>
  !taken && !apart?.has(paper.key) && !paperOf && plan.unplaced.length === 0 && plan.layouts.length > 0
  && (problem.fixed ?? []).length === 0 && (problem.setUp ?? []).length === 0

/** Cents for paper and time. */
function costOf(papers: readonly PaperCut[], { minutes }: OrderTogether): number {
  const hour = Math.max(0, ...papers.map(({ problem }) => workOf(problem).hour))
  return sumOf(papers.map(({ worth, saved }) => worth - saved)) + minutes * hour / 60
}
