import { planAll, prepareShared } from '../core/plans'
import { findingsOf, stopsIn } from '../core/kits'
import type { Solve } from '../core/cutting'
import type { Batch } from '../core/document'
import { recounted } from '../core/recount'
import type { Report } from './reports'
import { findingLines, heading } from './reports'

/**
 * A class counted a second time: whether bags, plans, lists, labels, shopping and tasks agree, and whether every bag
 * can be filled.
 */
export async function auditReport(batch: Batch, solve: Solve): Promise<Report> {
  const preparation = prepareShared(batch, solve)
  const outcomes = planAll(batch, preparation, solve)
  const disagreements = await recounted(preparation, outcomes)
  const findings = findingsOf(preparation, outcomes)
  const stops = findings.filter(({ severity }) => severity === 'stop')
  const told = disagreements.length > 0
    ? ['Counted a second time, and not all figures agree. Do not cut by them:',
        ...disagreements.map(({ where, problem }) => `  ${where}: ${problem}`)]
    : [stops.length > 0
        ? 'Counted a second time: all figures agree, but not every bag is complete yet.'
        : 'Counted a second time: every bag is complete.']
  return {
    data: { disagreements, complete: disagreements.length + stops.length === 0 },
    text: [heading(batch), ...told, ...findingLines(stops)].join('\n'),
    stops: disagreements.length + stopsIn(findings),
  }
}
