import type { Cutter, Layout, Work } from './plan'
import type { HandlingRules, Sequence } from './sequence-search'
import { SequenceSearch } from './sequence-search'

/*
 * In which order a person cuts: a search over the same model of effort that plans are weighed with. A state is what
 * lies on the table and what the fence stands at; of the states after as many cuts the best few are looked at further
 * (a beam search). It has no clock: how many are looked at follows from the size of the plan.
 */

/** Piles that are looked at in search of a sequence; after that it goes straight on to the end. */
const MOST = { quick: 30_000, thorough: 250_000 }
const MANY = 16
/** More layouts than this are not cut together unasked: nobody keeps an eye on all their strips. */
const MOST_TOGETHER = 24
/** Sheets are cut one by one unless something else saves as many seconds. */
const WORTH_WHILE = 120
/** Piles that lie on the table at most, where the maker says nothing. */
const USUAL_PILES = 6

/** The rules that a way of working allows, for sheets that are to lie on the table together. */
const rulesOf = ({ way, piles }: Work): HandlingRules[] => {
  const oneByOne = { oneByOne: true, piles: piles ?? Infinity }
  switch (way) {
    case 'sheet by sheet': return [oneByOne]
    case 'all together': return [{ oneByOne: false, piles: piles ?? Infinity }]
    case 'few strips': return [{ oneByOne: false, piles: Math.min(piles ?? USUAL_PILES, 3) }]
    default: return [oneByOne, { oneByOne: false, piles: piles ?? USUAL_PILES }]
  }
}

/**
 * The order of cuts for the stacks of a whole class that takes the least effort: they are cut as one evening, so what
 * saves little saves it all the same, and the limit of piles alone says how much may lie on the table.
 */
export function sequenceOfClass(stacks: Layout[], cutter: Cutter, work: Work): Sequence {
  const search = new SequenceSearch(stacks, cutter, work, MOST.quick)
  const [first, ...others] = rulesOf(work).map(rules => search.run(rules))
  return others.reduce((best, one) => (one.seconds < best.seconds ? one : best), first ?? NOTHING_TO_CUT)
}
const NOTHING_TO_CUT: Sequence = { order: [], seconds: 0, best: true }

/**
 * The order of cuts for some layouts that takes the least effort.
 * @param thorough looks at more of them
 */
export function sequenceOf(layouts: Layout[], cutter: Cutter, work: Work, thorough = false): Sequence {
  // Of many layouts every cut is looked at for longer.
  const most = Math.max(MOST.quick, MOST.thorough / (1 + layouts.length / MANY))
  const quick = new SequenceSearch(layouts, cutter, work, MOST.quick)
  const wide = thorough ? new SequenceSearch(layouts, cutter, work, most) : undefined
  // A wider beam mostly, but not always, finds the better one.
  const run = (rules: HandlingRules): Sequence => {
    const [found, better] = [quick.run(rules), wide?.run(rules)]
    return better && (better.best || better.seconds < found.seconds) ? better : found
  }
  const [first, second] = rulesOf(work)
  const plain = first ? run(first) : NOTHING_TO_CUT
  if (!second || layouts.length === 1 || layouts.length > MOST_TOGETHER) return plain
  const together = run(second)
  return together.seconds < plain.seconds - WORTH_WHILE ? together : { ...plain, best: plain.best && together.best }
}
