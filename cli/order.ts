import type { Batch } from '../core/document'
import { wholeMinutes } from '../core/cutting'
import { findingsOf, stopsIn } from '../core/kits'
import { writeLength } from '../core/lengths'
import { count } from '../core/lists'
import { stackedWeight } from '../core/paper'
import type { Preparation } from '../core/batch'
import type { PaperOutcome } from '../core/plans'
import { ordersOf } from '../core/plans'
import type { OrderTogether, PaperPart, PaperShare, StepTogether } from '../core/together'
import { lotsInWords, papersInWords, partsInWords, sheetsIn } from '../core/together'
import type { Report } from './reports'
import { findingLines, heading, sheetText, stepInWords } from './reports'

/** The one order in which all papers are cut, or one for each sitting. */
export function orderReport(batch: Batch, preparation: Preparation, outcomes: PaperOutcome[]): Report {
  const findings = findingsOf(preparation, outcomes)
  const orders = ordersOf(outcomes, batch)
  const parts = orders.map((order, at) => orderInWords(batch, order, orders.length > 1 ? `Sitting ${at + 1}: ` : ''))
  return {
    data: {
      stack: batch.tools.stack,
      papers: outcomes.filter(({ plan }) => plan.layouts.length > 0).map(({ paper, entry: { problem }, plan }) =>
        ({ paper: paper.key, name: paper.name, weight: stackedWeight(paper), problem, plan })),
      orders: orders.map(order => orderData(batch, order)),
    },
    text: [
      heading(batch), ...parts.length > 0 ? parts : ['Nothing is left to cut.'], ...findingLines(findings),
    ].join('\n'),
    stops: stopsIn(findings),
  }
}

function orderInWords(batch: Batch, { stacks, steps, settings, strokes, minutes, apart }: OrderTogether, name: string) {
  const sheets = stacks.map((stack, at) => {
    const { kind, width, height } = stack.supply
    const size = `${kind === 'sheet' ? '' : `${kind} `}${sheetText(batch, width, height)}`
    return `  sheet ${at + 1}: ${sheetsIn(stack)} × ${size}: ${papersInWords(stack.members)}`
  })
  return [
    `\n${name}${count(settings, 'setting')} of the fence, ${count(strokes, 'stroke')}, about ${wholeMinutes(minutes)} min; `
    + `each paper by itself ${count(apart.settings, 'setting')}, about ${wholeMinutes(apart.minutes)} min`,
    ...sheets,
    ...steps.map((step, at) => `    ${at + 1}. ${togetherInWords(batch, step)}`),
  ].join('\n')
}

/** A step with whose paper it is: what is held, what comes off, how it lies. */
function togetherInWords(batch: Batch, step: StepTogether): string {
  const lies = lotsInWords(step.lots)
  const off = step.keep.kind === 'waste' ? '' : `; off come ${partsInWords(step.kept)}`
  return `${stepInWords(batch, step)} [${papersInWords(step.held)}${off}${lies && `; under the blade ${lies}`}]`
}

/** The order as JSON tells it, papers by their keys. */
function orderData({ class: { units } }: Batch, { stacks, steps, settings, strokes, minutes, apart }: OrderTogether) {
  const shares = (some: readonly PaperShare[]) => some.map(({ paper, quantity }) => ({ paper: paper.key, quantity }))
  const parts = (some: readonly PaperPart[]) => some.map(({ name, demand, ...share }) =>
    ({ ...shares([share])[0], ...(demand !== undefined && { demand }), ...(name !== undefined && { piece: name }) }))
  return {
    settings, strokes, minutes, apart,
    stacks: stacks.map(({ supply: { kind, width, height }, root, members }) => ({
      kind, width: writeLength(width, units), height: writeLength(height, units), root,
      papers: members.map(({ paper, quantity, layout }) => ({ paper: paper.key, quantity, layout: layout.key })),
    })),
    steps: steps.map(({ held, kept, left, lots, ...step }) =>
      ({ ...step, held: shares(held), kept: parts(kept), left: parts(left), lots: lots.map(shares) })),
  }
}
