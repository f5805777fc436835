import type { OwnedDemand, PaperProblem, Preparation } from '../batch'
import { paperProblem, belongsTo, pileName } from '../batch'
import { sheetWorth } from '../cutting'
import type { PaperOutcome } from './outcome'
import { isSuitable, scrapProblem, stillWanted } from './scrap'

/*
 * Hidden parts for which any scrap will do are cut from what the papers leave over. Where that is not enough, what is
 * missing is planned together with the pieces of one paper: the one where it costs least, be it room on its sheets or
 * one more of them.
 */

/** What became of a problem: its plan, nothing where there is none to be had, or that it is not known yet. */
export type OutcomeSoFar = PaperOutcome | 'open' | undefined

/** Papers that are tried for what is missing. */
const MOST = 6

export interface HiddenPlan {
  /** The plans of all papers, one of them with hidden parts among its pieces where scrap was not enough. */
  outcomes: PaperOutcome[]
  /** The rest of the hidden parts, from what those leave over. */
  scrap?: PaperProblem
  /** All problems that have to be planned for this, and whether some are not yet. */
  asked: PaperProblem[]
  open: boolean
}

/**
 * Plans hidden parts as far as the plans that it builds on are known: to be asked again whenever more of them are.
 * @param outcomes the plans of all papers
 * @param known what is known of a problem
 */
export function planHidden(
  preparation: Preparation, outcomes: PaperOutcome[], known: (problem: PaperProblem) => OutcomeSoFar,
): HiddenPlan {
  const scrap = scrapProblem(preparation, outcomes)
  const alone: HiddenPlan = { outcomes, scrap, asked: scrap ? [scrap] : [], open: false }
  if (!scrap) return alone
  const first = known(scrap)
  if (first === 'open') return { ...alone, open: true }
  if (!first || missingInAll([first]) === 0) return alone
  const asked = [...alone.asked]
  let open = false
  const ask = (problem: PaperProblem | undefined): OutcomeSoFar => {
    if (!problem) return undefined
    asked.push(problem)
    const answer = known(problem)
    if (answer === 'open') open = true
    return answer
  }
  let best: { missing: number, cost: number, outcomes: PaperOutcome[], scrap?: PaperProblem } | undefined
  for (const own of candidates()) {
    const others = outcomes.filter(({ paper }) => paper !== own.paper)
    const rest = scrapProblem(preparation, others, own.paper.key)
    const fromRest = ask(rest)
    if (fromRest === 'open') continue
    const left = preparation.scrap.flatMap((demand) => {
      const quantity = fromRest
        ? missingOf(fromRest, demand.key)
        : (rest?.wanted.get(demand.key) ?? stillWanted(preparation, demand))
      return quantity > 0 ? [{ ...demand, quantity }] : []
    })
    const joint = ask(withHidden(own, left, preparation))
    if (joint === 'open' || !joint) continue
    const before = outcomes.find(({ paper }) => paper === own.paper)
    const replaced = before ? outcomes.map(one => (one === before ? joint : one)) : [...outcomes, joint]
    const missing = missingInAll(replaced)
    const cost = joint.cost - (before?.cost ?? 0) + (fromRest?.cost ?? 0)
    if (!best || missing < best.missing || (missing === best.missing && cost < best.cost)) {
      best = { missing, cost, outcomes: replaced, scrap: rest && without(rest, left) }
    }
  }
  if (open) return { ...alone, asked, open }
  // Nothing is changed where as much stays missing.
  return best && best.missing < missingInAll([...outcomes, first]) ? { ...best, asked, open } : { ...alone, asked }

  /** Papers of a suitable weight that can be had, those that are cut anyhow first, and the cheapest of them. */
  function candidates(): PaperProblem[] {
    const used = preparation.papers.filter(({ paper }) => isSuitable(paper))
    const unused = [...preparation.shelf.values()].filter(paper =>
      isSuitable(paper)
      && preparation.papers.every(other => other.paper !== paper)
      && paper.stocks.some(({ onHand }) => onHand > 0),
    )
    const price = ({ problem: { supplies } }: PaperProblem) =>
      Math.min(...supplies.map(supply => sheetWorth(supply, supplies) / (supply.width * supply.height)))
    return [
      ...[...used].sort((a, b) => price(a) - price(b)),
      ...unused.map(paper => paperProblem(preparation.batch, [], paper, preparation.cutter, preparation.scrap)),
    ].slice(0, MOST)
  }
}

const missingInAll = (outcomes: PaperOutcome[]): number =>
  outcomes.flatMap(({ plan }) => plan.unplaced).reduce((sum, { quantity }) => sum + quantity, 0)

const missingOf = ({ plan }: PaperOutcome, key: string) =>
  plan.unplaced.filter(({ demand }) => demand === key).reduce((sum, { quantity }) => sum + quantity, 0)

/** The problem of scrap without what is cut elsewhere; nothing where that is all of it. */
function without(scrap: PaperProblem, elsewhere: OwnedDemand[]): PaperProblem | undefined {
  const demands = scrap.problem.demands.flatMap((demand) => {
    const quantity = demand.quantity - (elsewhere.find(({ key }) => key === demand.key)?.quantity ?? 0)
    return quantity > 0 ? [{ ...demand, quantity }] : []
  })
  const wanted = new Map(demands.map(({ key, quantity }) => [key, quantity]))
  return demands.length > 0 ? { ...scrap, wanted, problem: { ...scrap.problem, demands } } : undefined
}

/** The problem of a paper with hidden parts among its pieces. */
function withHidden(entry: PaperProblem, hidden: OwnedDemand[], { batch }: Preparation): PaperProblem {
  const keys = new Set(hidden.map(({ key }) => key))
  const wanted = new Map(entry.wanted)
  const [names, belongs] = [new Map(entry.names), new Map(entry.belongs)]
  const known = new Map(entry.demands.map(demand => [demand.key, demand]))
  for (const { key, owners, quantity } of hidden) {
    const all = [...known.get(key)?.owners ?? [], ...owners]
    wanted.set(key, (wanted.get(key) ?? 0) + quantity)
    names.set(key, pileName(all, batch.cards.length <= 1))
    belongs.set(key, belongsTo(all))
  }
  const more = hidden.filter(({ key }) => entry.problem.demands.every(demand => demand.key !== key))
  const demands = [
    ...entry.problem.demands.map((demand) => {
      const also = keys.has(demand.key) ? hidden.find(({ key }) => key === demand.key) : undefined
      return also
        ? { ...demand, name: names.get(demand.key) ?? demand.name, quantity: demand.quantity + also.quantity }
        : demand
    }),
    ...more,
  ]
  return {
    ...entry, wanted, names, belongs, problem: { ...entry.problem, demands },
    free: entry.free && { ...entry.free, demands },
  }
}
