import type { Batch, PaperEntry } from '../document'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { keyOfRef, pieceRef, prepare, readLayout, readPaper, writeLayout } from '../batch'
import { formatsInUse, outcomeOf, setFormat } from '.'
import { letterPaper as paper } from '../batch/testing'
import { plansFor, verifyPlan } from '../cutting'
import { inches } from '../lengths'
import { solve, withCard, own } from './testing'

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
    const a4 = { key: 'a4', width: '210 mm', height: '297 mm', onHand: 90, pack: 1, price: 10 }
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
            ...batch.papers[0]!.stocks,
            { key: 'square', width: '12 in', height: '12 in', onHand: 2, pack: 1, price: 90 },
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
      papers: [paper('kelp', {
        stocks: [{ key: 'square', width: '12 in', height: '12 in', onHand: 1, pack: 1, price: 1 }],
      })],
      cutting: own({ layouts: [written(0)] }),
    })
    expect(other.papers[0]!.dropped).toEqual(['its sheet is no longer on the shelf'])
    // What was cut from a sheet or an offcut that is gone since is still there.
    const later = prepare({
      ...batch,
      papers: [paper('kelp', {
        stocks: [{ key: 'square', width: '12 in', height: '12 in', onHand: 9, pack: 1, price: 1 }],
      })],
      cutting: own({ layouts: [{ ...written(1), repeats: 1 }] }),
    })
    expect(later.papers[0]!.dropped).toEqual([])
    expect(
      later.papers[0]!.problem.demands.some(({ key, quantity }) => quantity < later.papers[0]!.wanted.get(key)!),
    ).toBe(true)
  })
})
