import type { Supply } from '../cutting'
import { leavesOf } from '../cutting'
import type { Paper } from '../paper'
import { SCRAP_WEIGHTS } from '../paper'
import { goneOf } from './leftovers'
import type { PaperOutcome } from './outcome'
import { belongsTo, SCRAP_PAPER } from '../batch'
import type { Preparation, OwnedDemand, PaperProblem } from '../batch'

/**
 * Hidden parts for which any scrap will do, once the papers are planned: they are cut
 * from what the plans leave over, be it ever so small, and from offcuts that no plan
 * uses, of any paper of a suitable weight. No fresh sheet is opened for them.
 * @param besides key of a paper that nothing is taken from
 * @returns nothing where the class has no such parts
 */
export function scrapProblem(
  preparation: Preparation, outcomes: PaperOutcome[], besides?: string,
): PaperProblem | undefined {
  const { cutter, shelf } = preparation
  const scrap = preparation.scrap.flatMap((demand) => {
    const quantity = stillWanted(preparation, demand)
    return quantity > 0 || demand.quantity === 0 ? [{ ...demand, quantity }] : []
  })
  if (scrap.length === 0) return undefined
  const papers = new Map([...shelf].filter(([key, paper]) => key !== besides && isSuitable(paper)))
  const supplies = new Map<string, Supply>()
  const paperOf = new Map<string, Paper>()
  const add = (paper: Paper, size: Pick<Supply, 'width' | 'height'>, count: number) => {
    if (count <= 0 || Math.min(size.width, size.height) < cutter.smallestPiece) return
    const key = `${paper.key} ${size.width}x${size.height}`
    const known = supplies.get(key)
    if (known) known.onHand += count
    else supplies.set(key, { key, kind: 'offcut', width: size.width, height: size.height, onHand: count, price: null })
    paperOf.set(key, paper)
  }
  for (const { paper, plan } of outcomes) {
    if (!papers.has(paper.key)) continue
    for (const { root, repeats } of plan.layouts) {
      for (const { node, width, height } of leavesOf(root))
        if (node.kind === 'offcut' || node.kind === 'waste') add(paper, { width, height }, repeats)
    }
  }
  for (const paper of papers.values()) {
    const used = outcomes.find(outcome => outcome.paper.key === paper.key)?.usedUp ?? []
    for (const { key, count, ...size } of paper.offcuts) add(paper, size, count - goneOf(used, key))
  }
  const names = new Map(scrap.map(({ key, name }) => [key, name]))
  const belongs = new Map(scrap.map(({ key, owners }) => [key, belongsTo(owners)]))
  const wanted = new Map(scrap.map(({ key, quantity }) => [key, quantity]))
  return {
    paper: SCRAP_PAPER,
    cards: [],
    names,
    belongs,
    wanted,
    paperOf,
    dropped: [],
    demands: scrap,
    hidden: new Map(),
    spoiled: new Map(),
    opened: new Map(),
    cut: [],
    problem: { demands: scrap, supplies: [...supplies.values()], cutter, objective: 'sheets' },
  }
}

/** Hidden parts that are not among the layouts that are kept or cut. */
export const stillWanted = ({ papers }: Pick<Preparation, 'papers'>, { key, quantity }: OwnedDemand): number =>
  Math.max(0, quantity - papers.reduce((sum, { hidden }) => sum + (hidden.get(key) ?? 0), 0))

/** Whether hidden parts may be cut from a paper: neither too thin nor too thick; either side of it will do. */
export const isSuitable = ({ weight, kind, front }: Pick<Paper, 'weight' | 'kind' | 'front'>): boolean =>
  kind !== 'pad' && !front && weight >= SCRAP_WEIGHTS.least && weight <= SCRAP_WEIGHTS.most
