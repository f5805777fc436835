import type { Preparation } from '../core/batch'
import { bagLabel, bagsOf, seatOf, sharingInWords } from '../core/batch'
import { planAll, prepareShared, ruleCosts, writtenSharing } from '../core/plans'
import { findingsOf, stopsIn } from '../core/kits'
import type { Solve } from '../core/cutting'
import type { Batch } from '../core/document'
import { RULES, RULE_NAMES } from '../core/document'
import { count } from '../core/lists'
import type { WrittenSharing } from '../core/sharing'
import { mostShared, sharingViolations } from '../core/sharing'
import type { Report } from './reports'
import { findingLines, heading, table } from './reports'

/** Who gets which prints, with the sheets that takes and what each rule costs. */
export function shareReport(batch: Batch, solve: Solve): Report {
  const preparation = prepareShared(batch, solve)
  const outcomes = planAll(batch, preparation, solve)
  const findings = findingsOf(preparation, outcomes)
  const { sharing } = preparation
  if (!sharing) {
    const text = 'No piece comes from a pool of prints: there is nothing to share out.'
    return {
      data: { kits: [] }, text: [heading(batch), text, ...findingLines(findings)].join('\n'), stops: stopsIn(findings),
    }
  }
  const written = writtenSharing(preparation, outcomes)
  const { sheets = 0, bound = 0, broken, missing } = sharing.sharing
  const costs = ruleCosts(sharing, solve)
  const names = new Map(sharing.problem.prints.map(({ key, name }) => [key, name]))
  const rows = kitRows(preparation, written?.kits ?? [], names)
  const ruleLine = ({ rule, sheets, broken: without }: typeof costs[number]) => {
    const cost = sheets === 0 ? 'costs no sheet' : `costs ${count(sheets, 'sheet')}`
    const kept = broken[rule] === 0 ? '' : `, not kept ${broken[rule]} ×`
    return `  ${RULES[rule].name}: ${cost}${kept}; without it ${without} × not so`
  }
  return {
    data: {
      sheets,
      bound,
      missing,
      broken,
      costs,
      violations: written ? sharingViolations(written) : [],
      ...written,
    },
    text: [
      heading(batch),
      `${count(rows.length, 'kit')} from ${count(names.size, 'print')} on ${sharingInWords(sharing.sharing)}.`,
      ...costs.map(ruleLine),
      table(['Bag', 'Card', 'Prints'], rows),
      ...findingLines(findings),
    ].join('\n'),
    stops: stopsIn(findings),
  }
}

/** A row for each kit, in the order of the bags. */
function kitRows(
  { batch, cards }: Preparation, kits: WrittenSharing['kits'], names: ReadonlyMap<string, string>,
): string[][] {
  const titles = new Map(batch.cards.map(({ key, title }) => [key, title]))
  const parts = new Map(
    cards.map(({ entry, pieces }) => [entry.key, new Map(pieces.map(({ key, name }) => [key, name]))]),
  )
  const bagText = (bag: string) =>
    [bag === '' ? 'nobody' : bagLabel(bag), seatOf(batch, bag).name].filter(Boolean).join(', ')
  const order = bagsOf(batch)
  const placeOf = (bag: string) => (order.includes(bag) ? order.indexOf(bag) : order.length)
  return [...kits]
    .sort((a, b) => placeOf(a.bag) - placeOf(b.bag))
    .map(({ bag, card, colourway, prints }) => [
      bagText(bag),
      [titles.get(card) ?? card,
        batch.cards.find(({ key }) => key === card)?.colourways.find(({ key }) => key === colourway)?.name,
      ]
        .filter(Boolean)
        .join(', '),
      Object.entries(prints)
        .map(([part, print]) => `${parts.get(card)?.get(part) ?? part} ${names.get(print) ?? print}`)
        .join(', '),
    ])
}

/**
 * The most kits that the sheets on hand give, one of each card that is shared out, with and without each rule that must
 * be kept.
 */
export function mostReport(batch: Batch, solve: Solve): Report {
  const { sharing } = prepareShared(batch)
  if (!sharing) return shareReport(batch, solve)
  const { problem } = sharing
  const { kits, most } = mostShared(problem, solve)
  const musts = RULE_NAMES.filter(rule => problem.rules[rule].hold === 'must')
  const without = musts.map(rule => ({
    rule, ...mostShared({ ...problem, rules: { ...problem.rules, [rule]: { hold: 'free', weight: 0 } } }, solve),
  }))
  const told = kits === most ? 'more are impossible' : `more than ${most} are impossible`
  return {
    data: { kits, most, rules: without.map(({ rule, kits, most }) => ({ rule, kits, most })) },
    text: [
      heading(batch),
      `${count(kits, 'kit')} from the sheets on hand; ${told}.`,
      ...without.map(({ rule, kits: then }) =>
        `  ${RULES[rule].name}: ${then > kits ? `costs ${count(then - kits, 'kit')}` : 'costs no kit'}`),
    ].join('\n'),
    stops: 0,
  }
}
