import type { Solve } from '../cutting'
import { madeBy } from '../cutting'
import type { Batch } from '../document'
import { paperOfSide } from '../document'
import { itemAt } from '../lists'
import { sheetOf } from '../paper'
import type { Rules, WrittenSharing } from '../sharing'
import { SHEETS_FOUND, sharedToTheEnd } from '../sharing'
import type { Note } from './note'
import type { PaperOutcome } from './outcome'
import { prepare } from '../batch'
import type { Preparation } from '../batch'

/** A class prepared with its prints shared out together with the cutting, where there is a solver. */
export function prepareShared(batch: Batch, solve?: Solve, note: Note = () => {}): Preparation {
  const first = prepare(batch)
  if (!first.sharing || !solve) return first
  const { key, problem } = first.sharing
  const sharing = sharedToTheEnd(problem, solve)
  note('sharing', key, sharing)
  return prepare(batch, first, asked => (asked === key ? sharing : undefined))
}

/** Sheets that a rule costs, and how often it would be broken without it. */
export interface RuleCost {
  rule: keyof Rules
  /** Fresh sheets that would be saved were nobody to mind. */
  sheets: number
  /** How often it would not be kept then. */
  broken: number
}

/** What each rule that is minded costs: the same sharing looked for without it. */
export function ruleCosts({ problem, sharing }: Pick<NonNullable<Preparation['sharing']>,
  'problem' | 'sharing'>, solve: Solve): RuleCost[] {
  return (Object.keys(problem.rules) as (keyof Rules)[])
    .filter(rule => problem.rules[rule].hold !== 'free')
    .map((rule) => {
      const without = sharedToTheEnd(
        { ...problem, rules: { ...problem.rules, [rule]: { hold: 'free', weight: 0 } } }, solve, SHEETS_FOUND,
      )
      return { rule, sheets: Math.max(0, (sharing.sheets ?? 0) - (without.sheets ?? 0)), broken: without.broken[rule] }
    })
}

/** A sharing written out with what its plans give, so that code which shares nothing with the planner can check it. */
export function writtenSharing(
  { batch, cards, sharing }: Preparation, outcomes: PaperOutcome[],
): WrittenSharing | undefined {
  if (!sharing) return undefined
  const { problem, kits } = sharing
  const written: WrittenSharing['cards'] = []
  problem.kinds.forEach((kind, at) => {
    const place = kits[at]?.[0]
    if (!place) return
    const card = itemAt(cards, place.card)
    const colourway = card.dealt[place.kit]?.colourway?.key ?? ''
    if (written.some(other => other.card === kind.card && other.colourway === colourway)) return
    written.push({
      card: kind.card,
      colourway,
      blanks: kind.roles.flatMap(({ parts, pool, options, takes }) => [...itemAt(takes, 0)].map(([demand, count]) => {
        const size = problem.prints.flatMap(({ problem }) => problem.demands).find(({ key }) => key === demand)
        const prints = [...new Set((batch.pools.find(({ key }) => key === pool)?.papers ?? options).map(paperOfSide))]
        return { parts, pool, width: size?.width ?? 0, height: size?.height ?? 0, count, prints }
      })),
      apart: kind.apart.map(({ roles: [one, other], rule }) => ({
        parts: [itemAt(kind.roles, one).key, itemAt(kind.roles, other).key], rule,
      })),
    })
  })
  return {
    rules: { ...problem.rules },
    cards: written,
    kits: kits.flatMap((list, at) => list.map(({ card, kit }) => {
      const { entry, dealt } = itemAt(cards, card)
      const { bag = '', colourway, papers } = itemAt(dealt, kit)
      const own = written.find(other => other.card === entry.key && other.colourway === (colourway?.key ?? ''))
      const parts = new Set(own?.blanks.flatMap(({ parts }) => parts))
      return {
        card: itemAt(problem.kinds, at).card,
        colourway: colourway?.key ?? '',
        bag,
        prints: Object.fromEntries(
          [...papers].filter(([part]) => parts.has(part)).map(([part, paper]) => [part, sheetOf(paper).key]),
        ),
      }
    })),
    cut: outcomes.flatMap(({ paper, plan, entry }) => {
      const print = problem.prints.find(({ key }) => key === paper.key)
      const made = madeBy(plan.layouts)
      return print
        ? entry.problem.demands.map(({ key, width, height }) => ({
            print: paper.key,
            width,
            height,
            count: (made.get(key) ?? 0) - (print.problem.demands.find(demand => demand.key === key)?.quantity ?? 0),
          }))
        : []
    }),
  }
}
