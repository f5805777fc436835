import type { Batch } from '../document'
import type { Length } from '../lengths'
import type { InPad } from '../paper'
import type { KitNeed, Layout, MeasuredPlan, Plan } from '../cutting'
import { incompleteKits, isWithinLimits, leavesOf, madeBy, measured, openedBy, preferred, tradeOffs } from '../cutting'
import type { Leftover, UsedUp } from './leftovers'
import type { PaperProblem } from '../batch'
import type { OrderFigures } from '../together'

/** Sheets of one format that a plan opens, and how they are bought. */
interface SheetsOf {
  key: string
  width: Length
  height: Length
  needed: number
  onHand: number
  /** Cents of one sheet; its share of the pack or pad. */
  price: number | null
  /** Sheets that are bought at once, and what that costs. */
  pack: number
  packPrice: number | null
  /** The pad that it comes in, where it is sold in no other way. */
  pad?: InPad
}

/** What the plan of one paper opens and costs. */
export interface SheetUse {
  paper: { key: string, name: string }
  sheets: SheetsOf[]
  /** Square nanometres of what is worth keeping of them. */
  left: number
}

/** One paper's plan with its sequence at the bench and its key figures. */
export interface PaperOutcome extends MeasuredPlan {
  paper: PaperProblem['paper']
  /** What was planned. */
  entry: PaperProblem
  /** All plans worth a thought, the chosen one among them: fewest sheets first. */
  choices: MeasuredPlan[]
  /** The plan with the fewest sheets, whatever the maker allows. */
  fewest: MeasuredPlan
  /** What it would take by a plan of its own, where this one was chosen to suit other papers. */
  alone?: OrderFigures & { worth: number }
  /** No plan keeps to what the maker allows. */
  beyond: boolean
  /** A plan for which nothing has to be bought, where the chosen one buys although enough lies there. */
  unbought?: MeasuredPlan
  /** Sheets by format, those that are not needed included. `cut` are cut already and not among those needed. */
  sheets: (SheetUse['sheets'][number] & { key: string, cut: number })[]
  /**
   * What the shelf has to learn once all of it is cut, what is cut already included: sheets and offcuts that are gone …
   */
  usedUp: UsedUp[]
  /** … and offcuts that are worth keeping, largest first. */
  leaves: Leftover[]
  /** Kits that stay incomplete because pieces are missing, and how many there are; where no sheets can be bought. */
  incomplete?: { kits: number, of: number }
  /** Pieces that come out above what is wanted: spares. */
  over: { demand: string, count: number }[]
}

/**
 * What follows for one paper once its cutting is planned.
 * @param plans the best plan, and others that trade sheets for time
 */
export function outcomeOf(entry: PaperProblem, plans: Plan[], { wishes }: Pick<Batch, 'wishes'>): PaperOutcome {
  const { problem, own } = entry
  const all = plans.map(plan => measured(plan, problem, entry.names))
  const within = all.filter(one => isWithinLimits(one, problem))
  const choices = tradeOffs(within.length > 0 ? within : all)
  const chosen = own?.priority ? preferred(choices, own.priority, own.moreSheets) : preferred(choices, wishes.priority)
  return outcomeWith(entry, chosen, { choices, fewest: preferred(all, 'sheets'), beyond: within.length === 0 })
}

/** What follows for a paper where it is cut by a plan that was chosen with other papers in mind. */
export function outcomeBy(outcome: PaperOutcome, plan: Plan): PaperOutcome {
  const { entry, settings, effort: { strokes }, minutes, worth } = outcome
  return {
    ...outcomeWith(entry, measured(plan, entry.problem, entry.names), outcome),
    alone: { settings, strokes, minutes, worth },
  }
}

function outcomeWith(
  entry: PaperProblem,
  chosen: MeasuredPlan,
  { choices, fewest, beyond }: Pick<PaperOutcome, 'choices' | 'fewest' | 'beyond'>,
): PaperOutcome {
  const { paper, problem, opened } = entry
  const { plan } = chosen
  const { layouts } = plan
  const leastMoney = preferred(choices, 'money')
  const made = madeBy(layouts)
  const needed = openedBy(layouts)
  const unshelved = [...entry.cut, ...layouts]
  const gone = openedBy(unshelved)
  return {
    ...chosen,
    paper,
    entry,
    choices,
    fewest,
    beyond,
    ...(plan.spending > 0
      && leastMoney.plan.spending === 0
      && leastMoney.plan.unplaced.length === 0 && { unbought: leastMoney }),
    sheets: problem.supplies
      .filter(({ kind }) => kind === 'sheet')
      .map(({ key, width, height, onHand, price }) => ({
        key,
        width,
        height,
        onHand,
        price,
        needed: needed.get(key) ?? 0,
        cut: opened.get(key) ?? 0,
        ...soldAs(paper, key),
      })),
    usedUp: problem.supplies
      .filter(({ key }) => gone.has(key))
      .map(({ key, kind, width, height }) => ({ key, kind, width, height, count: gone.get(key) ?? 0 })),
    leaves: leftoversOf(unshelved),
    ...(plan.unplaced.length > 0 && problem.kits && { incomplete: incompleteOf(plan, problem.kits) }),
    over: problem.demands
      .map(({ key, quantity }) => ({ demand: key, count: (made.get(key) ?? 0) - quantity }))
      .filter(({ count }) => count > 0),
  }
}

/** How sheets of a format are bought; singly where the shelf does not know it. */
function soldAs({ stocks }: PaperProblem['paper'], key: string): Pick<SheetsOf, 'pack' | 'packPrice' | 'pad'> {
  const { pack = 1, price = null, pad } = stocks.find(stock => stock.key === key) ?? {}
  return { pack, packPrice: price, ...(pad && { pad }) }
}

function incompleteOf({ unplaced }: Plan, needs: KitNeed[]) {
  const missing = new Map(unplaced.map(({ demand, quantity }) => [demand, quantity]))
  return { kits: incompleteKits(needs, missing), of: needs.reduce((sum, { kits }) => sum + kits, 0) }
}

function leftoversOf(layouts: Layout[]): Leftover[] {
  const leaves = new Map<string, Leftover>()
  for (const { root, repeats } of layouts) {
    for (const { node, width, height } of leavesOf(root)) {
      if (node.kind !== 'offcut') continue
      const key = `${width} ${height}`
      leaves.set(key, { width, height, count: (leaves.get(key)?.count ?? 0) + repeats })
    }
  }
  return [...leaves.values()].sort((a, b) => b.width * b.height - a.width * a.height)
}
