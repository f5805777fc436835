import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { keepLayout, planAll } from '.'
import { findingsOf, stopsIn } from '../kits'
import { demoBatches } from '../../demo'
import type { Solve } from '../cutting'
import { solverOf } from '../cutting'
import type { Batch } from '../document'
import { foldById } from '../folds'
import { paperedCard } from '../batch/testing'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const [, tide] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const A4 = { key: 'a4', width: '210 mm', height: '297 mm', onHand: 10, pack: 1, price: 50 }
/** Pieces of any sizes from one paper, by a strip that holds none of them. */
function classOf(
  sizes: string,
  kits: number,
  offcuts: Batch['papers'][number]['offcuts'],
  change: (draft: Batch) => void = () => undefined,
): Batch {
  const empty: Batch = produce(
    tide, draft => void Object.assign(draft, { cards: [], pools: [], roster: [], cutting: [] }),
  )
  const card = paperedCard(foldById('own-strip')!, empty, {
    parameters: {
      length: '6 in', height: '3 in', scores: '3 in valley', slits: false, mats: false, pieces: sizes, layers: 'one',
    },
  })
  return produce(empty, (draft) => {
    const papers = Object.fromEntries(Object.keys(card.papers).map(part => [part, part === 'base' ? 'kelp' : 'fog']))
    draft.cards = [{ ...card, kits, papers }]
    const fog = draft.papers.find(({ key }) => key === 'fog')!
    Object.assign(fog, { stocks: [{ ...A4 }], offcuts, grain: 'any' })
    change(draft)
  })
}
const outcomeOf = (batch: Batch) => planAll(batch, prepare(batch), solve).find(({ paper }) => paper.key === 'fog')!
const SIZES
  = '7 x 4 1/16 on 1\n3 1/4 x 5 1/4 on 1\n3 x 3 9/16 on 1\n5 1/4 x 5 1/4 on 1\n5 1/2 x 5 1/2 on 1\n2 3/4 x 5/8 on 1'
const OFFCUTS = [
  { key: 'o-1', width: '4 3/16 in', height: '4 in', count: 3 },
  { key: 'o-2', width: '3 11/16 in', height: '6 in', count: 6 },
]

describe('a balanced plan', () => {
  it('is never dearer for what lies on the shelf besides', () => {
    for (const offcuts of [OFFCUTS, OFFCUTS.slice(1)])
      expect(outcomeOf(classOf(SIZES, 2, offcuts)).cost).toBeLessThanOrEqual(
        outcomeOf(classOf(SIZES, 2, [])).cost + 1e-6,
      )
  })

  it('finds the two plain layouts that hands come upon', () => {
    // Two columns of two sizes on most sheets, and the rest of one size alone.
    const batch = classOf('3 9/16 x 4 5/8 on 1\n3 9/16 x 4 5/8 on 1\n7 5/8 x 4 7/8 on 1', 90, [], (draft) => {
      const fog = draft.papers.find(({ key }) => key === 'fog')!
      fog.stocks = [{ key: 'square', width: '12 in', height: '12 in', onHand: 200, pack: 1, price: 32 }]
      draft.wishes.working = 'sheet by sheet'
    })
    const found = outcomeOf(batch)
    expect(found.plan.layouts.length).toBeLessThanOrEqual(2)
    // Kept by hand the same plan is not cheaper.
    const kept = produce(batch, (draft) => {
      found.plan.layouts.forEach((layout, at) =>
        keepLayout(draft, 'fog', { layout, key: `kept-${at}`, problem: found.entry.problem }, true))
    })
    expect(outcomeOf(kept).cost).toBeGreaterThanOrEqual(found.cost - 1e-6)
  })

  it('says where it buys although enough lies there, and has the plan that does not', () => {
    // A sheet that is dear and lies there, and one that is cheap and has to be bought.
    const batch = classOf('4 x 5 on 1', 16, [], (draft) => {
      const fog = draft.papers.find(({ key }) => key === 'fog')!
      fog.stocks = [
        { key: 'dear', width: '8 1/2 in', height: '11 in', onHand: 40, pack: 1, price: 900 },
        { key: 'cheap', width: '12 in', height: '12 in', onHand: 0, pack: 1, price: 30 },
      ]
    })
    const { unbought, plan } = outcomeOf(batch)
    expect([plan.spending > 0, unbought?.plan.spending]).toEqual([true, 0])
    const notes = findingsOf(prepare(batch), planAll(batch, prepare(batch), solve))
    expect(notes.filter(({ problem }) => problem.includes('although enough lie there'))).toHaveLength(1)
    const least = produce(batch, draft => void (draft.wishes.priority = 'money'))
    expect([outcomeOf(least).plan.spending, outcomeOf(least).unbought]).toEqual([0, undefined])
  })
})

describe('a limit of layouts', () => {
  const limited = (mostLayouts: number) =>
    classOf(SIZES, 2, OFFCUTS, draft => void (draft.wishes.mostLayouts = mostLayouts))

  it('is kept where a plan within it can be had without the offcuts', () => {
    const { plan, beyond } = outcomeOf(limited(2))
    expect([plan.layouts.length <= 2, plan.unplaced, beyond]).toEqual([true, [], false])
  })

  it('that nothing keeps to must be settled, and is said', () => {
    const batch = limited(1)
    const outcomes = planAll(batch, prepare(batch), solve)
    const found = findingsOf(prepare(batch), outcomes)
    const isBeyond = outcomes.some(({ beyond, paper }) => beyond && paper.key === 'fog')
    expect([isBeyond, stopsIn(found.filter(({ problem }) => problem.includes('keeps to all limits')))]).toEqual([
      true, 1,
    ])
  })
})
