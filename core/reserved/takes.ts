import type { Preparation } from '../batch'
import { prepare } from '../batch'
import { planPaper, problemKey } from '../cutting'
import type { CuttingProblem, Plan } from '../cutting'
import type { Batch } from '../document'
import type { KeptKind } from '../kept'
import { keptId, keptOf, keptPlans, keptSharing, keptText, keptTogether } from '../kept'
import { kitsOfBatch } from '../kits'
import type { PaperOutcome } from '../plans'
import { outcomeOf, planHidden, togetherProblem, withPlans } from '../plans'
import { togetherKey } from '../together'

/** What a class takes off the shelf once it is cut, or has to be bought for it. */
export interface Take {
  sort: 'sheet' | 'offcut' | 'supply'
  /** Key of the paper, or of the supply. */
  item: string
  /** Key of the sheet format or offcut; empty for a supply. */
  stock: string
  /** What a supply is called; empty for paper, which says it itself. */
  name: string
  /** Sheets or offcuts; of a supply the packs that the class says it has to buy. */
  count: number
  /** Sheets or packs that are on their way for it. */
  ordered: number
  /** Cents for a pack of a supply; `null` for paper. */
  price: number | null
}

/** What a class takes, as far as its plans are known. */
export interface TakesSoFar {
  takes: Take[]
  /** Papers that nothing, or not everything, can be cut from. */
  missing: string[]
  /** What would make it more exact, were it kept: nothing once all of it is planned to the end. */
  wants: string[]
}

/** Texts that are kept, by what they are kept under. */
export type KeptTexts = Readonly<Record<string, string>>

/**
 * What a class takes, from plans that are kept. Where one is not kept, the first plan that comes to hand stands for it.
 * @param version of what plans and shares prints out
 * @param kept what is known so far: once more of what is wanted is there, it may be asked again
 */
export function takesOf(batch: Batch, version: string, kept: KeptTexts): TakesSoFar {
  const wants = new Set<string>()
  /** A kept answer that holds; nothing, and a wish, otherwise. */
  function known<T>(kind: KeptKind, key: string, check: (read: unknown) => T | undefined): T | undefined {
    const id = keptId(keptOf(kind, version), key)
    const text = kept[id]
    const answer = text === undefined ? undefined : check(keptText(text))
    if (answer === undefined) wants.add(id)
    return answer
  }
  const plansOf = (problem: CuttingProblem): Plan[] =>
    known('plans', problemKey(problem), read => keptPlans(read, problem)) ?? firstPlan(problem)

  const preparation = sharedOut(batch, known)
  const alone = preparation.papers.map(entry => outcomeOf(entry, plansOf(entry.problem), batch))
  const outcomes = wants.size > 0 ? alone : chosenAlike(alone, batch, known)
  const hidden = planHidden(preparation, outcomes, entry => outcomeOf(entry, plansOf(entry.problem), batch))
  const { purchases } = kitsOfBatch(batch, preparation, hidden.outcomes)
  return {
    takes: [
      ...hidden.outcomes.flatMap(outcome => paperTakes(outcome, batch)),
      ...purchases.filter(({ sort, toBuy }) => sort === 'supply' && toBuy > 0).map(({ item, name, toBuy, cost }) => ({
        sort: 'supply' as const, item, stock: '', name, count: toBuy, ordered: orderedOf(batch, 'supply', item, ''),
        price: cost === null ? null : cost / toBuy,
      })),
    ],
    missing: hidden.outcomes.filter(({ plan }) => plan.unplaced.length > 0).map(({ paper }) => paper.key),
    wants: [...wants],
  }
}

type Known = <T>(kind: KeptKind, key: string, check: (read: unknown) => T | undefined) => T | undefined

/** A class with its prints as they were shared out, or dealt out in turn while that is not known. */
function sharedOut(batch: Batch, known: Known): Preparation {
  const first = prepare(batch)
  if (!first.sharing) return first
  const { key, problem } = first.sharing
  const sharing = known('sharing', key, read => keptSharing(read, problem))
  return sharing ? prepare(batch, first, asked => (asked === key ? sharing : undefined)) : first
}

function chosenAlike(alone: PaperOutcome[], batch: Batch, known: Known): PaperOutcome[] {
  const problem = togetherProblem(alone, batch)
  const plans = problem && known('together', togetherKey(problem), read => keptTogether(read, problem))
  return plans ? withPlans(alone, plans) : alone
}

/** The plan that is there at once. */
function firstPlan(problem: CuttingProblem): Plan[] {
  const { done, value } = planPaper(problem).next()
  return done ? value : [value.plan]
}

/** Sheets and offcuts of the shelf that the plan of a paper uses, what is cut and not off the shelf yet among them. */
const paperTakes = ({ paper, usedUp }: PaperOutcome, batch: Batch): Take[] =>
  usedUp.flatMap(({ kind, key, count }): Take[] =>
    (kind === 'sheet' || kind === 'offcut') && count > 0
      ? [{
          sort: kind, item: paper.key, stock: key, name: '', count, price: null,
          ordered: kind === 'sheet' ? orderedOf(batch, 'paper', paper.key, key) : 0,
        }]
      : [])

const orderedOf = ({ shopping }: Batch, sort: 'paper' | 'supply', item: string, stock: string): number =>
  shopping.find(line => line.sort === sort && line.item === item && line.stock === stock)?.ordered ?? 0
