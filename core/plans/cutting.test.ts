import { ANY_SCRAP, copyOf, newClass } from '../document'
import type { Batch, CuttingEntry, PaperEntry } from '../document'
import load from 'highs'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { keyOfRef, pieceRef, prepare, readLayout, readPaper, writeLayout } from '../batch'
import {
  formatsInUse, keepLayout, kitProblems, fromFormat, nearbySizes, outcomeOf, planAll, scrapProblem, setFormat,
} from '.'
import { findingsOf, stopsIn } from '../kits'
import type { PaperOutcome } from '.'
import { letterPaper as paper, paperedCard } from '../batch/testing'
import { madeBy, mostKits, plansFor, solverOf, verifyPlan } from '../cutting'
import { newLayer } from '../dressing'
import { foldById } from '../folds'
import { inches } from '../lengths'

const solve = solverOf(await load())
const empty = (...papers: PaperEntry[]): Batch => ({
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 8, spares: 1 }),
  papers,
})
function withCard(fold: string, papers: PaperEntry[], parameters: Record<string, string | boolean> = {}): Batch {
  const batch = empty(...papers)
  return { ...batch, cards: [paperedCard(foldById(fold)!, batch, { parameters })] }
}
const own = (changes: Partial<CuttingEntry>): CuttingEntry[] => [
  {
    paper: 'kelp', priority: null, moreSheets: null, without: [], also: [], layouts: [], spoiled: [], miscut: [],
    ...changes,
  },
]

describe('the cutting problem of a paper', () => {
  const batch = withCard(
    'plain-card',
    [paper('kelp', { offcuts: [{ key: 'offcut', width: '4 1/2 in', height: '6 in', count: 3 }] })],
    {
      message: false,
    })

  it('counts offcuts among what it can cut from, and says which are used up and left', () => {
    const [entry] = prepare(batch).papers
    expect(entry!.problem.supplies.map(({ kind, onHand }) => [kind, onHand])).toEqual([
      ['sheet', 10],
      ['offcut', 3],
    ])
    const outcome = outcomeOf(entry!, plansFor(entry!.problem, solve), batch)
    expect(outcome.usedUp.map(({ kind, width }) => [kind, width])).toEqual([
      ['sheet', inches(8.5)],
      ['offcut', inches(4.5)],
    ])
    expect([outcome.settings, outcome.minutes > 0]).toEqual([outcome.effort.settings, true])
    for (const { width, height } of outcome.leaves) expect(Math.min(width, height)).toBeGreaterThanOrEqual(inches(2))
  })

  it('mixes no sheets of the other units into a plan unasked', () => {
    const a4 = { key: 'a4', width: '210 mm', height: '297 mm', onHand: 90, price: 10 }
    const both = withCard('plain-card', [paper('kelp', { stocks: [...paper('kelp').stocks, a4] })])
    const formats = (batch: Batch) => [
      prepare(batch).papers[0]!.problem.supplies.map(({ key }) => key),
      formatsInUse(batch, readPaper(batch.papers[0]!)),
    ]
    expect(formats(both)).toEqual([['letter'], ['letter']])
    expect(formats({ ...both, class: { ...both.class, units: 'metric' } })).toEqual([['a4'], ['a4']])

    const asked = produce(both, draft => setFormat(draft, readPaper(draft.papers[0]!), 'a4', true))
    expect(formats(asked)).toEqual([['letter', 'a4'], ['letter', 'a4']])
    expect(produce(asked, draft => setFormat(draft, readPaper(draft.papers[0]!), 'a4', false)).cutting).toEqual([])
    // A paper that is only to be had in the other units is cut from what there is.
    expect(formats(withCard('plain-card', [paper('kelp', { stocks: [a4] })]))).toEqual([['a4'], ['a4']])
  })

  it('cuts small pieces from what windows release', () => {
    const window = withCard('rising-scene', [paper('kelp')])
    const { supplies } = prepare(window).papers.find(entry => entry.paper.key === 'kelp')!.problem
    const released = supplies.filter(({ kind }) => kind === 'drop-out')
    expect(released.every(({ onHand, price }) => onHand === 9 && price === null)).toBe(true)
    expect(
      prepare({ ...window, papers: [paper('kelp', { upright: true })] }).papers[0]!.problem.supplies.some(
        ({ kind }) => kind === 'drop-out',
      ),
    ).toBe(false)
  })

  it('takes fewer sheets of heavy paper in one stack', () => {
    const stack = (weight: number) =>
      prepare(withCard('plain-card', [paper('kelp', { weight })])).papers[0]!.problem.cutter.stack
    expect([120, 240, 300, 600].map(stack)).toEqual([8, 4, 3, 1])
  })

  it('lays creases along the grain unless the print direction forbids it', () => {
    const turns = (changes: Partial<PaperEntry>) => {
      const [card] = prepare(withCard('plain-card', [paper('kelp', changes)])).cards
      return [
        card!.pieces.find(({ key }) => key === 'base')!.turn,
        card!.findings.some(({ problem }) => problem.includes('across the grain')),
      ]
    }
    expect(turns({ grain: 'any' })).toEqual(['either', false])
    expect(turns({ grain: 'height' })).toEqual(['as drawn', false])
    expect(turns({ grain: 'width' })).toEqual(['turned', false])
  })

  it('does without a forbidden format and knows the problem without that wish', () => {
    const two = {
      ...batch,
      papers: [
        paper('kelp', {
          stocks: [
            ...batch.papers[0]!.stocks, { key: 'square', width: '12 in', height: '12 in', onHand: 2, price: 90 },
          ],
        }),
      ],
      cutting: own({ without: ['letter'] }),
    }
    const [entry] = prepare(two).papers
    expect(entry!.problem.supplies.map(({ width }) => width)).toEqual([inches(12)])
    expect(entry!.free!.supplies).toHaveLength(2)
    // A layout that is kept on it still has its sheets.
    const [free] = prepare({ ...two, cutting: [] }).papers
    const kept = plansFor(free!.problem, solve)[0].layouts.find(
      ({ supply }) => supply === free!.problem.supplies[0]!.key,
    )!
    const layouts = [writeLayout({ ...kept, repeats: 1 }, 'kept', 0, free!.problem, 'inch')]
    const [held] = prepare({ ...two, cutting: own({ without: two.cutting[0]!.without, layouts }) }).papers
    expect(held!.problem.supplies.map(({ onHand, onlyFixed }) => [onHand, onlyFixed])).toEqual([
      [10, true],
      [2, undefined],
    ])
    const [plan] = plansFor(held!.problem, solve)
    expect(verifyPlan(plan, held!.problem)).toEqual([])
    expect(plan.layouts.filter(({ supply }) => supply === 'letter').map(({ key, repeats }) => [key, repeats])).toEqual([
      ['kept', 1],
    ])
  })
})

describe('replanning', () => {
  const batch = withCard('plain-card', [paper('kelp')])
  const [first] = prepare(batch).papers
  const [planned] = plansFor(first!.problem, solve)
  const [layout] = planned.layouts
  const written = (cut: number) => writeLayout(layout!, layout!.key, cut, first!.problem, 'inch')

  it('writes a layout into the class and reads it again, whole', () => {
    expect(readLayout(JSON.parse(JSON.stringify(written(0))), first!.problem.demands, first!.problem.cutter)).toEqual(
      layout,
    )
  })

  it('plans only what is missing once some sheets are cut and pieces spoiled', () => {
    const demand = first!.problem.demands[0]!
    const [entry] = prepare({
      ...batch,
      cutting: own({
        layouts: [{ ...written(1), repeats: 1 }], spoiled: [{ piece: pieceRef(demand, 'inch'), count: 2 }],
      }),
    }).papers
    const made = (key: string) =>
      planned.layouts[0]!.root
      && entry!.wanted.get(key)! - entry!.problem.demands.find(other => other.key === key)!.quantity
    expect(entry!.spoiled.get(keyOfRef(pieceRef(demand, 'inch')))).toBe(2)
    expect(entry!.problem.supplies[0]!.onHand).toBe(9)
    expect(entry!.problem.setUp).toEqual([{ key: layout!.key, supply: 'letter', root: layout!.root }])
    expect(first!.problem.demands.reduce((sum, { key }) => sum + made(key), 0)).toBeGreaterThan(-2)
    const [again] = plansFor(entry!.problem, solve)
    expect(verifyPlan(again, entry!.problem)).toEqual([])
    expect(again.sheets).toBeLessThanOrEqual(planned.sheets)
    // Sheets that are cut already still cost their money.
    const outcome = outcomeOf(entry!, [again], batch)
    expect(outcome.sheets[0]).toMatchObject({ cut: 1, needed: again.sheets })
  })

  it('takes cut sheets from what is on hand until the shelf knows of them, and from the wanted pieces for good', () => {
    const noted = (shelved: boolean) =>
      prepare({ ...batch, cutting: own({ layouts: [{ ...written(1), repeats: 1, shelved }] }) }).papers[0]!
    expect([false, true].map(shelved => noted(shelved).problem.supplies[0]!.onHand)).toEqual([9, 10])
    expect(noted(true).problem.demands).toEqual(noted(false).problem.demands)
    const outcomes = [false, true].map(shelved =>
      outcomeOf(noted(shelved), plansFor(noted(shelved).problem, solve), batch),
    )
    const gone = outcomes.map(({ usedUp, plan }) => usedUp.reduce((sum, { count }) => sum + count, 0) - plan.sheets)
    // The sheet that is cut has still to be taken off the shelf, or is taken off it; it was paid for in any case.
    expect(gone).toEqual([1, 0])
    expect(outcomes.map(({ sheets }) => sheets[0]!.cut)).toEqual([1, 1])
  })

  it('keeps a layout as it is, for as long as the pieces stay', () => {
    const [kept] = prepare({ ...batch, cutting: own({ layouts: [{ ...written(0), repeats: 1 }] }) }).papers
    expect(kept!.problem.fixed).toEqual([{ ...layout, repeats: 1 }])
    const changed = withCard('plain-card', [paper('kelp')], { width: '5 in' })
    const [gone] = prepare({ ...changed, cutting: own({ layouts: [written(0)] }) }).papers
    expect([gone!.problem.fixed, gone!.dropped.length]).toEqual([undefined, 1])
    const other = prepare({
      ...batch,
      papers: [paper('kelp', { stocks: [{ key: 'square', width: '12 in', height: '12 in', onHand: 1, price: 1 }] })],
      cutting: own({ layouts: [written(0)] }),
    })
    expect(other.papers[0]!.dropped).toEqual(['its sheet is no longer on the shelf'])
    // What was cut from a sheet or an offcut that is gone since is still there.
    const later = prepare({
      ...batch,
      papers: [paper('kelp', { stocks: [{ key: 'square', width: '12 in', height: '12 in', onHand: 9, price: 1 }] })],
      cutting: own({ layouts: [{ ...written(1), repeats: 1 }] }),
    })
    expect(later.papers[0]!.dropped).toEqual([])
    expect(
      later.papers[0]!.problem.demands.some(({ key, quantity }) => quantity < later.papers[0]!.wanted.get(key)!),
    ).toBe(true)
  })
})

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
        ...plain, cards: [{ ...card!, faces: [{ key, stamped: false, message: false, layers }], papers: chosen }],
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
    [paper('kelp', { stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 3, price: null }] })],
    { message: false },
  )

  it('asks for the pieces of one kit and the drawer as it is', () => {
    const [kit] = kitProblems(batch, prepare(batch))
    expect([...kit!.perKit.values()]).toEqual([1, 1])
    expect(mostKits(kit!.problem, kit!.perKit, solve)).toEqual({ kits: 4, most: 4 })
    // Two bases leave a strip of 3 1/2 in on 12 × 12, too narrow for a mat of 4 × 5 1/4.
    const square = fromFormat(kit!, inches(12), inches(12), 1)
    expect(mostKits(square.problem, square.perKit, solve).kits).toBe(1)
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
