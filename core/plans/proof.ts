import { contentOf, wholeMinutes } from '../cutting'
import { count } from '../lists'
import type { PaperOutcome } from './outcome'

/** The plan's number beside its bound, in words. */
export function proofOf({ plan, fewest, minutes, incomplete, sheets: formats }: PaperOutcome): string {
  const sheets = count(plan.sheets, 'sheet')
  if (incomplete) return `${sheets}: enough for ${incomplete.of - incomplete.kits} of ${incomplete.of} kits`
  if (plan.unplaced.length > 0) return `${sheets}; not every piece could be placed`
  if (fewest.plan.sheets < plan.sheets) {
    const less = wholeMinutes(fewest.minutes) - wholeMinutes(minutes)
    const more = `${count(plan.sheets - fewest.plan.sheets, 'sheet')} more than the fewest`
    return `${sheets}, ${more}${less > 0 ? ` and ${count(less, 'minute')} less` : ''}`
  }
  // With several formats the least money comes first, and the proof is for that money.
  const money = formats.length > 1 ? ' for the same money' : ''
  if (plan.sheets === 0) return plan.layouts.length > 0 ? 'No fresh sheet: offcuts are enough' : 'Everything is cut'
  return plan.sheets === plan.bound
    ? `${sheets}, and it cannot be done with fewer${money}`
    : `${sheets}; fewer than ${plan.bound} is impossible${money}`
}

/** Whether the sheets of two papers are cut in the same way, sheet for sheet, so that they can lie in one stack. */
export function isCutAlike(a: PaperOutcome, b: PaperOutcome): boolean {
  const cuts = ({ plan }: PaperOutcome) => plan.layouts.map(({ root, repeats }) => `${repeats} ${contentOf(root)}`)
  const [one, other] = [cuts(a), cuts(b)]
  return one.length === other.length && one.every((cut, index) => cut === other[index])
}
