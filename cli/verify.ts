import type { BenchStep, Plan, CuttingProblem } from '../core/cutting'
import { sequenceViolations, verifyPlan } from '../core/cutting'
import { isRecord } from '../core/lists'
import type { WrittenSharing } from '../core/sharing'
import { sharingViolations } from '../core/sharing'
import type { Report } from './reports'
import { isWrittenOrder, orderVerified } from './verify-order'

interface PlannedPaper {
  paper: string
  problem: CuttingProblem
  plan: Plan
  steps: BenchStep[]
}

const isPlanned = (value: unknown): value is PlannedPaper =>
  isRecord(value)
  && typeof value.paper === 'string'
  && isRecord(value.problem)
  && Array.isArray(value.problem.demands)
  && Array.isArray(value.problem.supplies)
  && isRecord(value.problem.cutter)
  && isRecord(value.plan)
  && Array.isArray(value.plan.layouts)
  && Array.isArray(value.plan.unplaced)
  && Array.isArray(value.steps)

const isShared = (value: unknown): value is WrittenSharing =>
  isRecord(value)
  && isRecord(value.rules)
  && Array.isArray(value.cards)
  && Array.isArray(value.kits)
  && Array.isArray(value.cut)

/** Checks what `share FILE --json` wrote, with code that shares nothing with what made it. */
function sharedReport(shared: WrittenSharing): Report {
  let violations: string[]
  try {
    violations = sharingViolations(shared)
  }
  catch (error) {
    violations = [`the sharing is broken: ${(error as Error).message}`]
  }
  const kits = `${shared.kits.length} kits: `
  return {
    data: { kits: shared.kits.length, violations },
    text: violations.length === 0
      ? `${kits}every kit has every print, and every piece is cut from it`
      : [`${kits}${violations.length} wrong`, ...violations.map(violation => `  ${violation}`)].join('\n'),
    stops: violations.length,
  }
}

/**
 * Checks the plans that `plan FILE --json` wrote, or what `order` and `share` did, with code that shares nothing with
 * the planner, and does the steps as they stand in the file, one after the other.
 */
export function verifyReport(text: string): Report | { wrong: string } {
  let data: unknown
  try {
    data = JSON.parse(text)
  }
  catch (error) {
    return { wrong: `is not JSON: ${(error as Error).message}` }
  }
  if (isShared(data)) return sharedReport(data)
  if (isWrittenOrder(data)) return orderVerified(data)
  if (!Array.isArray(data)) {
    return {
      wrong: 'is not a list of planned papers, as “plan FILE --json” writes it, nor what “order” or “share FILE --json” '
        + 'write.',
    }
  }
  const strange = data.findIndex(entry => !isPlanned(entry))
  if (strange >= 0)
    return {
      wrong: `[${strange}] is not a planned paper: it needs paper, problem, plan and steps, as “plan FILE --json” writes them.`,
    }
  const checked = (data as PlannedPaper[]).map(({ paper, problem, plan, steps }) => {
    try {
      return {
        paper,
        sheets: plan.sheets,
        bound: plan.bound,
        violations: [...verifyPlan(plan, problem), ...sequenceViolations(steps, plan, problem)],
      }
    }
    catch (error) {
      return {
        paper, sheets: plan.sheets, bound: plan.bound, violations: [`the plan is broken: ${(error as Error).message}`],
      }
    }
  })
  return {
    data: checked,
    text: checked
      .map(({ paper, sheets, bound, violations }) =>
        [
          `${paper}: ${sheets} sheets, at least ${bound}: `
          + `${violations.length === 0 ? 'can be cut as it stands' : `${violations.length} wrong`}`,
          ...violations.map(violation => `  ${violation}`),
        ].join('\n'),
      )
      .join('\n'),
    stops: checked.reduce((sum, { violations }) => sum + violations.length, 0),
  }
}
