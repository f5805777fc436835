import { ANY_SCRAP, copyOf } from '../document'
import type { Batch } from '../document'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { keepLayout, kitProblems, fromFormat, nearbySizes, planAll, scrapProblem } from '.'
import { findingsOf, stopsIn } from '../kits'
import type { PaperOutcome } from '.'
import { letterPaper as paper } from '../batch/testing'
import { madeBy, mostKits, verifyPlan } from '../cutting'
import { newLayer } from '../dressing'
import { inches } from '../lengths'
import { solve, withCard, own } from './testing'

describe('a copy of a class', () => {
  it('keeps the wishes for its papers, but nothing that is cut or spoiled', () => {
    const batch = {
      ...withCard('plain-card', [paper('kelp')]),
      cutting: [
        ...own({
          priority: 'easy', moreSheets: 2,
          spoiled: [{ piece: { width: '1 in', height: '1 in', turn: 'either' }, count: 1 }],
        }),
        { ...own({ spoiled: [] })[0]!, paper: 'chalk' },
      ],
    }
    expect(copyOf(batch, { title: 'Again', date: '2031-01-01' })).toMatchObject({
      class: { title: 'Again', date: '2031-01-01', seats: 8 },
      cutting: own({ priority: 'easy', moreSheets: 2 }),
    })
  })
})

describe('hidden parts', () => {
  const papers = [
    paper('kelp'), paper('chalk', { offcuts: [{ key: 'offcut', width: '6 in', height: '6 in', count: 1 }] }),
  ]
  const batch = withCard('rising-scene', papers)
  const hidden = prepare(batch)
    .cards[0]!.pieces.filter(({ kind }) => kind === 'hidden')
    .map(({ key }) => key)
  const scrap: Batch = {
    ...batch,
    cards: [
      {
        ...batch.cards[0]!,
        papers: { ...batch.cards[0]!.papers, ...Object.fromEntries(hidden.map(key => [key, ANY_SCRAP])) },
      },
    ],
  }

  it('go to any scrap that the plans leave, and open no sheet', () => {
    expect(hidden.length).toBeGreaterThan(0)
    expect(stopsIn(findingsOf(prepare(scrap)))).toBe(stopsIn(findingsOf(prepare(batch))))
    const preparation = prepare(scrap)
    const outcomes = planAll(scrap, preparation, solve)
    const last = outcomes.at(-1)!
    expect([last.paper.key, last.plan.sheets, last.plan.unplaced]).toEqual([ANY_SCRAP, 0, []])
    expect(verifyPlan(last.plan, last.entry.problem)).toEqual([])
    for (const { supply } of last.plan.layouts)
      expect(['kelp', 'chalk']).toContain(last.entry.paperOf!.get(supply)!.key)
    const sheets = (all: typeof outcomes) => all.reduce((sum, { plan }) => sum + plan.sheets, 0)
    expect(sheets(outcomes)).toBeLessThanOrEqual(sheets(planAll(batch, prepare(batch), solve)))
  })

  it('are no reason to run out of a paper', () => {
    expect(kitProblems(scrap, prepare(scrap)).map(({ paper }) => paper.key)).not.toContain(ANY_SCRAP)
  })

  it('are planned with the pieces of a paper where the scrap is not enough, and may be kept on its layouts', () => {
    // Offcuts and leftovers too small for anything: squaring takes what was left of each sheet.
    const bare = {
      ...scrap, papers: papers.map(entry => ({ ...entry, offcuts: [] })),
      tools: { ...scrap.tools, smallestPiece: '4 in' },
    }
    const preparation = prepare(bare)
    const outcomes = planAll(bare, preparation, solve)
    expect(outcomes.flatMap(({ plan }) => plan.unplaced)).toEqual([])
    const wanted = new Map(preparation.scrap.map(({ key, quantity }) => [key, quantity]))
    const joint = outcomes.filter(
      ({ entry }) => entry.paper.key !== ANY_SCRAP && [...wanted.keys()].some(key => entry.names.has(key)),
    )
    expect(joint).toHaveLength(1)
    const [{ plan, entry, paper }] = joint as [PaperOutcome]
    expect(verifyPlan(plan, entry.problem)).toEqual([])
    const made = madeBy(plan.layouts)
    for (const [key, quantity] of wanted) expect(made.get(key)).toBeGreaterThanOrEqual(quantity)
    // Kept, they stay where they are, and nothing more is asked of the scrap.
    const kept = produce(bare, (draft) => {
      for (const layout of plan.layouts)
        keepLayout(draft, paper.key, { layout, key: `kept-${layout.key}`, problem: entry.problem }, true)
    })
    const again = prepare(kept)
    expect(again.papers.find(other => other.paper.key === paper.key)).toMatchObject({ dropped: [], hidden: wanted })
    expect(scrapProblem(again, [])).toBeUndefined()
    const last = planAll(kept, again, solve)
    expect(last.flatMap(({ plan }) => plan.unplaced)).toEqual([])
    expect(last.find(other => other.paper.key === paper.key)!.plan.sheets).toBe(plan.sheets)
  })

  it('stay missing, and nothing is changed, where no paper can give them', () => {
    const light = { ...scrap, papers: papers.map(entry => ({ ...entry, weight: 100 })) }
    const outcomes = planAll(light, prepare(light), solve)
    expect(outcomes.at(-1)!.plan.unplaced.length).toBeGreaterThan(0)
  })

  it('come from paper of a suitable weight only, and only hidden parts may', () => {
    const light = { ...scrap, papers: papers.map(entry => ({ ...entry, weight: 100 })) }
    expect(
      scrapProblem(prepare(light), planAll(light, { ...prepare(light), scrap: [] }, solve))!.problem.supplies,
    ).toEqual([])
    const shown = { ...batch, cards: [{ ...batch.cards[0]!, papers: { ...batch.cards[0]!.papers, base: ANY_SCRAP } }] }
    expect(prepare(shown).cards[0]!.findings.map(({ problem }) => problem)).toContainEqual(
      expect.stringContaining('no scrap will do'),
    )
  })

  it('are also layers that something else covers; where one shows it is asked for a paper', () => {
    const nothing = { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }
    const layers = [1, 2].map(at => ({ ...newLayer(`layer-${at}`, 'inch'), ...nothing }))
    const key = 'base--front--outside'
    const on = (layer: string): Batch => {
      const plain = withCard('plain-card', papers)
      const [card] = plain.cards
      const chosen = {
        ...card!.papers, [`${key}--layer-1`]: 'chalk', [`${key}--layer-2`]: 'chalk', [`${key}--${layer}`]: ANY_SCRAP,
      }
      return {
        ...plain, cards: [{ ...card!, faces: [{ key, works: [], message: false, layers }], papers: chosen }],
      }
    }
    const about = (batch: Batch) => findingsOf(prepare(batch)).filter(({ problem }) => problem.includes('scrap'))
    expect(about(on('layer-1'))).toEqual([])
    expect(prepare(on('layer-1')).scrap).toHaveLength(1)
    expect(about(on('layer-2')).map(({ severity, part }) => [severity, part])).toEqual([
      ['stop', `${key}--layer-2`], ['note', `${key}--layer-1`],
    ])
  })
})

describe('questions before the cutting', () => {
  const batch = withCard(
    'plain-card',
    [paper('kelp', {
      stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 3, pack: 1, price: null }],
    })],
    { message: false },
  )

  it('asks for the pieces of one kit and the drawer as it is', () => {
    const [kit] = kitProblems(batch, prepare(batch))
    expect([...kit!.perKit.values()]).toEqual([1, 1])
    expect(mostKits(kit!, solve)).toEqual({ kits: 4, most: 4 })
    // Two bases leave a strip of 3 1/2 in on 12 × 12, too narrow for a mat of 4 × 5 1/4.
    const square = fromFormat(kit!, inches(12), inches(12), 1)
    expect(mostKits(square, solve).kits).toBe(1)
  })

  it('tries sizes a mark or two away that nothing stops', () => {
    const near = nearbySizes(batch, prepare(batch), batch.cards[0]!.key)
    expect(near.filter(({ parameter }) => parameter === 'border').map(({ shown }) => shown)).toEqual([
      '1/16 in', '3/16 in', '1/4 in',
    ])
    for (const { card } of near) expect(card.findings.filter(({ severity }) => severity === 'stop')).toEqual([])
    expect(nearbySizes(batch, prepare(batch), 'no such card')).toEqual([])
  })
})
