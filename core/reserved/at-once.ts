import type { PaperProblem } from '../batch'
import type { CuttingProblem, Demand, Supply } from '../cutting'
import { count, sumOf, tally } from '../lists'
import type { PaperOutcome } from '../plans'

/** A class that a paper is cut for beside others. */
export interface CutFor {
  id: number
  title: string
  entry: PaperProblem
}

/** How many pieces of a size one class gets of those that are cut for several. */
export interface ClassShare {
  class: number
  /** What they are called in it. */
  name: string
  count: number
}

/** One paper cut for several classes in one go. */
export interface CutAtOnce {
  entry: PaperProblem
  /** By demand, in the order of the classes: what is packed apart. */
  shares: ReadonlyMap<string, ClassShare[]>
}

/** Why a class cannot be cut with others; nothing where it can. */
export function unfitFor({ entry: { problem, cut, spoiled } }: CutFor, first: CutFor): string | undefined {
  if ((problem.fixed ?? []).length > 0) return 'some of its layouts are kept as they are'
  if (cut.length > 0 || spoiled.size > 0 || (problem.setUp ?? []).length > 0) return 'its cutting has begun'
  const tools = ({ cutter, work }: CuttingProblem) => JSON.stringify([cutter, work])
  return tools(problem) === tools(first.entry.problem) ? undefined : 'it is cut with other tools'
}

/**
 * One problem of several: what the classes want of a paper together, from what the shelf holds once.
 * @param classes at least one, all fit for the first; it says how they are cut
 */
export function atOnce(classes: readonly [CutFor, ...CutFor[]]): CutAtOnce {
  const [first] = classes
  const shares = new Map<string, ClassShare[]>()
  const demands = new Map<string, Demand>()
  for (const { id, entry } of classes) {
    for (const demand of entry.problem.demands) {
      if (demand.quantity === 0) continue
      const { key, quantity, name } = demand
      demands.set(key, { ...demand, quantity: (demands.get(key)?.quantity ?? 0) + quantity })
      shares.set(key, [...shares.get(key) ?? [], { class: id, name, count: quantity }])
    }
  }
  const names = new Map([...shares].map(([key, own]) => [key, [...new Set(own.map(({ name }) => name))].join(', ')]))
  const { known: _, kits: __, ...problem } = first.entry.problem
  const kits = classes.flatMap(({ entry }) => entry.problem.kits ?? [])
  const named = [...demands.values()].map(demand => ({ ...demand, name: names.get(demand.key) ?? demand.name }))
  return {
    shares,
    entry: {
      ...first.entry,
      cards: [],
      own: undefined,
      free: undefined,
      names,
      belongs: new Map([...shares].map(([key, own]) => [key, belongsTo(own, classes)])),
      wanted: new Map(named.map(({ key, quantity }) => [key, quantity])),
      demands: [],
      problem: {
        ...problem, demands: named, supplies: suppliesOf(classes), ...(kits.length > 0 && { kits }),
      },
    },
  }
}

/** How many of the pieces of a size one class gets. */
export const shareOf = (shares: readonly ClassShare[], id: number): number =>
  sumOf(shares.filter(share => share.class === id).map(share => share.count))

/** `12 Tide and Lantern, 8 Paper Boats`; nothing where all of it is for one class. */
function belongsTo(shares: ClassShare[], classes: readonly CutFor[]): string {
  const counts = tally(shares, share => share.class, share => share.count)
  if (counts.size < 2) return ''
  return [...counts].map(([id, number]) => `${number} ${classes.find(one => one.id === id)?.title ?? ''}`).join(', ')
}

/** What lies on the shelf is there once for all of them; what windows release comes from each. */
function suppliesOf(classes: readonly CutFor[]): Supply[] {
  const supplies = new Map<string, Supply>()
  for (const { entry } of classes) {
    for (const supply of entry.problem.supplies) {
      const known = supplies.get(supply.key)
      if (!known) supplies.set(supply.key, { ...supply })
      else if (supply.kind === 'drop-out' || supply.kind === 'miscut') known.onHand += supply.onHand
    }
  }
  return [...supplies.values()]
}

/** What a paper takes for one or several classes. */
export interface AtOnceFigures {
  sheets: number
  /** Cents to spend. */
  spending: number
  settings: number
  minutes: number
}

/** The same of several classes by themselves added up. */
export const addedUp = (outcomes: readonly PaperOutcome[]): AtOnceFigures =>
  outcomes.reduce((sum, { plan, settings, minutes }) => ({
    sheets: sum.sheets + plan.sheets, spending: sum.spending + plan.spending, settings: sum.settings + settings,
    minutes: sum.minutes + minutes,
  }), { sheets: 0, spending: 0, settings: 0, minutes: 0 })

/** `saves 2 sheets and 5 min`, `saves 2 sheets but takes 5 min more`. */
export function savingInWords(apart: AtOnceFigures, together: AtOnceFigures): string {
  const [sheets, minutes] = [apart.sheets - together.sheets, Math.round(apart.minutes) - Math.round(together.minutes)]
  const amounts = (sign: 1 | -1) => [
    sign * sheets > 0 ? count(sign * sheets, 'sheet') : '', sign * minutes > 0 ? `${sign * minutes} min` : '',
  ].filter(Boolean).join(' and ')
  const [saved, more] = [amounts(1), amounts(-1)]
  return [saved && `saves ${saved}`, more && `takes ${more} more`].filter(Boolean).join(' but ') || 'saves nothing'
}
