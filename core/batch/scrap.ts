import type { Demand, Supply } from '../cutting'
import { leavesOf } from '../cutting'
import type { Paper } from '../paper'
import { ANY_SCRAP, SCRAP_WEIGHTS } from '../paper'
import type { Batch } from './document'
import { supplyKey } from './layouts'
import { goneOf } from './leftovers'
import type { PaperOutcome } from './outcome'
import type { Preparation } from './prepare'
import type { PaperProblem } from './problems'
import { readPaper } from './read'

/** What hidden parts are said to be cut from. */
export const SCRAP_PAPER: Paper = { key: ANY_SCRAP, name: 'Any scrap', kind: 'cardstock', weight: 240, colour: '#cfc9bd', motif: 'plain', upright: false, grain: 'any', stocks: [], offcuts: [] }

/**
 * Hidden parts for which any scrap will do, once the papers are planned: they are cut
 * from what the plans leave over, be it ever so small, and from offcuts that no plan
 * uses, of any paper of a suitable weight. No fresh sheet is opened for them.
 * @returns nothing where the class has no such parts
 */
export function scrapProblem(batch: Batch, { scrap, cutter }: Preparation, outcomes: PaperOutcome[]): PaperProblem | undefined {
  if (scrap.length === 0) return undefined
  const papers = new Map(batch.papers.map(readPaper).filter(({ weight }) => weight >= SCRAP_WEIGHTS.least && weight <= SCRAP_WEIGHTS.most).map(paper => [paper.key, paper]))
  const supplies = new Map<string, Supply>()
  const paperOf = new Map<string, Paper>()
  const add = (paper: Paper, size: Pick<Supply, 'width' | 'height'>, count: number) => {
    if (count <= 0 || Math.min(size.width, size.height) < cutter.smallestPiece) return
    const key = `${paper.key} ${supplyKey('offcut', size)}`
    const known = supplies.get(key)
    if (known) known.onHand += count
    else supplies.set(key, { key, kind: 'offcut', width: size.width, height: size.height, onHand: count, price: null })
    paperOf.set(key, paper)
  }
  for (const { paper, plan } of outcomes) {
    if (!papers.has(paper.key)) continue
    for (const { root, repeats } of plan.layouts) {
      for (const { node, width, height } of leavesOf(root)) if (node.kind === 'offcut' || node.kind === 'waste') add(paper, { width, height }, repeats)
    }
  }
  for (const paper of papers.values()) {
    const used = outcomes.find(outcome => outcome.paper.key === paper.key)?.usedUp ?? []
    for (const { count, ...size } of paper.offcuts) add(paper, size, count - goneOf(used, 'offcut', size))
  }
  const names = new Map(scrap.map(({ key, name }: Demand) => [key, name]))
  const wanted = new Map(scrap.map(({ key, quantity }) => [key, quantity]))
  return {
    paper: SCRAP_PAPER, names, wanted, paperOf, dropped: [], spoiled: new Map(), opened: new Map(), cut: [],
    problem: { demands: scrap, supplies: [...supplies.values()], cutter, objective: 'sheets' },
  }
}
