import type { CuttingProblem, Plan } from '../core/cutting'
import { verifyPlan } from '../core/cutting'
import { lengthFrom } from '../core/lengths'
import { isRecord } from '../core/lists'
import type { OrderTogether, PaperCut } from '../core/together'
import { orderViolations } from '../core/together'
import type { Report } from './reports'

interface Member {
  paper: string
  quantity: number
  layout: string
}

/** What `order FILE --json` writes, as far as it is read here. */
interface WrittenOrder {
  stack: number
  papers: { paper: string, name: string, weight: number, problem: CuttingProblem, plan: Plan }[]
  orders: {
    stacks: { kind: string, width: string, height: string, papers: Member[] }[]
    steps: Record<string, unknown>[]
  }[]
}

/** Whether it is that, as far as can be seen at once; what is wrong deeper down is found on the way. */
export const isWrittenOrder = (value: unknown): value is WrittenOrder =>
  isRecord(value) && typeof value.stack === 'number'
  && Array.isArray(value.papers) && value.papers.every(paper => isRecord(paper) && isRecord(paper.plan))
  && Array.isArray(value.orders) && value.orders.every(order =>
    isRecord(order) && Array.isArray(order.stacks) && Array.isArray(order.steps))

/**
 * Checks an order of cuts with code that shares nothing with what found it: every plan, and every sheet cut once more
 * in coordinates by nothing but the steps.
 */
export function orderVerified({ stack, papers, orders }: WrittenOrder): Report {
  let violations: string[]
  try {
    violations = violationsOf(stack, papers, orders)
  }
  catch (error) {
    violations = [`the order is broken: ${(error as Error).message}`]
  }
  const steps = orders.reduce((sum, { steps }) => sum + steps.length, 0)
  const head = `${papers.length} papers, ${steps} steps: `
  return {
    data: { papers: papers.length, steps, violations },
    text: violations.length === 0
      ? `${head}can be cut as it stands, and gives what every plan gives`
      : [`${head}${violations.length} wrong`, ...violations.map(violation => `  ${violation}`)].join('\n'),
    stops: violations.length,
  }
}

function violationsOf(stack: number, papers: WrittenOrder['papers'], orders: WrittenOrder['orders']): string[] {
  const cuts = new Map(papers.map(({ paper: key, name, weight, ...cut }) =>
    [key, { ...cut, paper: { key, name, weight } } as PaperCut]))
  const cutFor = (key: string): PaperCut => {
    const cut = cuts.get(key)
    if (!cut) throw new Error(`no plan is there for ${key}`)
    return cut
  }
  const ofPlans = papers.flatMap(({ paper, plan, problem }) =>
    verifyPlan(plan, problem).map(problem => `${paper}: ${problem}`))
  const told = new Set<string>()
  const ofOrders = orders.flatMap(({ stacks, steps }, at) => {
    const own = [...new Set(stacks.flatMap(one => one.papers.map(({ paper }) => paper)))]
    const twice = own.filter(key => told.has(key)).map(key => `${key} is in two orders`)
    own.forEach(key => told.add(key))
    const order = {
      stacks: stacks.map(({ kind, width, height, papers: members }) => ({
        supply: { kind, width: lengthFrom(width), height: lengthFrom(height) },
        members: members.map(({ paper, quantity, layout }) => {
          const of = cutFor(paper)
          return { paper: of.paper, of, quantity, layout: of.plan.layouts.find(({ key }) => key === layout) }
        }),
      })),
      steps: steps.map(step => withPapers(step, cutFor)),
    }
    return [...twice, ...orderViolations(order as unknown as OrderTogether, own.map(cutFor), stack)]
      .map(violation => (orders.length > 1 ? `order ${at + 1}, ${violation}` : violation))
  })
  const left = [...cuts.keys()].filter(key => !told.has(key)).map(key => `${key} is in no order`)
  return [...ofPlans, ...ofOrders, ...left]
}

/** A step with papers in place of their keys, wherever it names some. */
function withPapers(step: Record<string, unknown>, cutFor: (key: string) => PaperCut): Record<string, unknown> {
  const shares = (some: unknown) =>
    (some as { paper: string }[]).map(share => ({ ...share, paper: cutFor(share.paper).paper }))
  const { held, kept, left, lots } = step
  return { ...step, held: shares(held), kept: shares(kept), left: shares(left), lots: (lots as unknown[]).map(shares) }
}
