import { produce } from 'immer'
import { beforeEach, describe, expect, it } from 'vitest'
import { prepare, readPaper } from '../batch'
import {
  forgetCut, keepLayout, newMiscut, noteCut, noteMiscut, noteSpoiled, noteStackCut, ordersOf, outcomeOf, planAll,
  setApart, setFormat, shelve, takeAsUsual, takePlan,
} from '.'
import { letterPaper, paperedCard } from '../batch/testing'
import type { PaperOutcome } from '.'
import { countsOf, plansFor } from '../cutting'
import type { Batch, PaperEntry } from '../document'
import { newClass } from '../document'
import { foldById } from '../folds'
import type { Length } from '../lengths'
import { inches, lengthFrom, writeLength } from '../lengths'

const kelp: PaperEntry = letterPaper('kelp', {
  name: 'Kelp',
  offcuts: [{ key: 'old', width: '4 1/2 in', height: '6 in', count: 3 }],
})
const empty: Batch = {
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 8, spares: 1 }), papers: [kelp],
}
const start: Batch = { ...empty, cards: [paperedCard(foldById('plain-card')!, empty)] }

let batch: Batch
let outcome: PaperOutcome
/** Changes the class as the screen does, and plans it anew. */
function change(edit: (draft: Batch) => void) {
  batch = produce(batch, edit)
  const [paper] = prepare(batch).papers
  outcome = outcomeOf(paper!, plansFor(paper!.problem), batch)
}
const own = () => batch.cutting.find(({ paper }) => paper === 'kelp')
const planned = (at = 0, key = 'kept-new') => ({
  layout: outcome.plan.layouts[at]!, key, problem: outcome.entry.problem,
})
const shelfOf = ({ papers: [paper] }: Batch) => [
  paper!.stocks.map(({ onHand }) => onHand),
  paper!.offcuts.map(({ width, height, count }) => `${count} × ${width} × ${height}`).sort(),
]

beforeEach(() => {
  batch = start
  change(() => {})
})

describe('what is noted about the cutting of a paper', () => {
  it('is nothing where nothing is said, and is kept no longer than that', () => {
    change(draft => takePlan(draft, 'kelp', outcome.choices[0]!, outcome.choices))
    expect(own()?.priority).toBeTruthy()
    change(draft => takeAsUsual(draft, 'kelp'))
    change(draft => setFormat(draft, readPaper(draft.papers[0]!), 'letter', false))
    expect(own()).toMatchObject({ without: ['letter'], priority: null })
    change(draft => setFormat(draft, readPaper(draft.papers[0]!), 'letter', true))
    expect(batch.cutting).toEqual([])
  })

  it('keeps a layout under a key, and lets go of that one only', () => {
    change(draft => keepLayout(draft, 'kelp', planned(0, 'kept-one'), true))
    expect([own()?.layouts.map(({ key }) => key), outcome.entry.problem.fixed?.map(({ key }) => key)]).toEqual([
      ['kept-one'],
      ['kept-one'],
    ])
    // A layout that came from a file that was written otherwise stands before it.
    change((draft) => {
      const [kept] = draft.cutting[0]!.layouts
      draft.cutting[0]!.layouts.unshift({ ...kept!, key: 'from-a-file', tree: { ...kept!.tree, width: '8.5 in' } })
      draft.cutting[0]!.layouts.forEach(layout => (layout.repeats = 1))
    })
    const mine = outcome.plan.layouts.find(({ key }) => key === 'from-a-file') ?? outcome.plan.layouts[0]!
    change(draft => keepLayout(draft, 'kelp', { ...planned(), layout: mine }, false))
    expect(own()?.layouts.map(({ key }) => key)).toEqual(['from-a-file', 'kept-one'].filter(key => key !== mine.key))
  })

  it('counts sheets that are cut and pieces that are spoiled', () => {
    const needed = outcome.plan.sheets
    const [demand] = outcome.entry.problem.demands
    change(draft => noteCut(draft, 'kelp', planned(), 1))
    expect([own()?.layouts[0]?.cut, outcome.sheets[0]?.cut, outcome.plan.sheets < needed]).toEqual([1, 1, true])
    change(draft => noteSpoiled(draft, 'kelp', demand!.key, outcome.entry.problem, 2))
    expect(outcome.entry.spoiled.get(demand!.key)).toBe(2)
    change(draft => noteSpoiled(draft, 'kelp', demand!.key, outcome.entry.problem, 0))
    expect(own()?.spoiled).toEqual([])
    change(draft => forgetCut(draft, 'kelp', own()!.layouts[0]!.key))
    expect([batch.cutting, outcome.plan.sheets]).toEqual([[], needed])
  })

  it('trims pieces that came out too large to what they should have been', () => {
    const needed = outcome.plan.sheets
    const [demand] = outcome.entry.problem.demands
    change(draft => noteCut(draft, 'kelp', planned(), outcome.plan.layouts[0]!.repeats))
    const made = outcome.entry.wanted.get(demand!.key)! - outcome.entry.problem.demands[0]!.quantity
    const missing = outcome.plan.sheets
    // Two of those that were cut are a little too wide: no more sheets are needed, but two trims.
    const wrong = newMiscut(demand!, 'inch')
    const larger = writeLength((lengthFrom(wrong.width) + inches(1 / 4)) as Length, 'inch')
    change(draft => noteMiscut(draft, 'kelp', [{ ...wrong, count: 2, width: larger }]))
    expect(made).toBeGreaterThan(2)
    expect(outcome.plan.sheets).toBe(missing)
    const trimmed = outcome.plan.layouts.filter(({ supply }) => supply.startsWith('miscut'))
    expect(trimmed.map(({ root, repeats }) => [countsOf(root).get(demand!.key), repeats])).toEqual([[1, 2]])
    const trim = outcome.steps.find(({ hold }) => hold.startsWith('miscut'))
    expect(trim).toMatchObject({ quantity: 2, cuts: 1, keep: { demand: demand!.key } })
    // Once they are trimmed they are gone, before the shelf knows of it and after.
    const layout = trimmed[0]!
    change(draft => noteCut(draft, 'kelp', { ...planned(), key: 'trimmed', layout }, 2))
    expect(outcome.plan.layouts.some(({ supply }) => supply.startsWith('miscut'))).toBe(false)
    expect(outcome.plan.unplaced).toEqual([])
    expect(outcome.entry.problem.supplies.find(({ kind }) => kind === 'miscut')?.onHand).toBe(0)
    // Too small for anything they only have to be cut again.
    change((draft) => {
      noteMiscut(draft, 'kelp', [{ ...wrong, count: 2, width: '1/2 in', height: '1/2 in' }])
      draft.cutting[0]!.layouts = []
    })
    expect(outcome.plan.unplaced).toEqual([])
    expect(outcome.plan.sheets).toBeGreaterThanOrEqual(needed)
  })

  it('uses up offcuts by wish', () => {
    expect(outcome.entry.problem.offcutsFirst).toBeUndefined()
    change(draft => void (draft.wishes.offcutsFirst = true))
    expect(outcome.entry.problem.offcutsFirst).toBe(true)
  })
})

describe('the shelf', () => {
  const put = () =>
    change(draft =>
      shelve(
        draft,
        'kelp',
        outcome.plan.layouts.map((layout, at) => ({ layout, key: `kept-${at}` })),
        outcome.entry.problem,
        outcome,
      ),
    )

  it('loses what is used up and gains what is left, and is not told the same twice', () => {
    const { usedUp, leaves } = outcome
    const used = (key: string) => usedUp.find(gone => gone.key === key)?.count ?? 0
    put()
    const [paper] = batch.papers
    expect(paper!.stocks[0]!.onHand).toBe(10 - used('letter'))
    expect(paper!.offcuts.reduce((sum, { count }) => sum + count, 0)).toBe(
      3 - used('old') + leaves.reduce((sum, { count }) => sum + count, 0),
    )
    expect(own()?.layouts.every(({ cut, shelved }) => shelved && cut > 0)).toBe(true)
    expect([outcome.plan.layouts, outcome.usedUp]).toEqual([[], []])
  })

  it('gets back what is not cut after all, and gives up what that had left', () => {
    const before = shelfOf(batch)
    put()
    expect(shelfOf(batch)).not.toEqual(before)
    for (const { key } of own()!.layouts) change(draft => forgetCut(draft, 'kelp', key))
    expect([shelfOf(batch), batch.cutting]).toEqual([before, []])
  })
})

describe('two sheet formats of one size', () => {
  it('are two stocks, each counted once and named by its key', () => {
    const twice = {
      ...start,
      papers: [
        {
          ...kelp,
          offcuts: [],
          stocks: [
            { ...kelp.stocks[0]!, onHand: 2, pack: 1, price: null },
            { ...kelp.stocks[0]!, key: 'other-letter', onHand: 3, pack: 1, price: null },
          ],
        },
      ],
    }
    const [paper] = prepare(twice).papers
    expect(paper!.problem.supplies.map(({ key, onHand }) => [key, onHand])).toEqual([
      ['letter', 2],
      ['other-letter', 3],
    ])
    const { sheets, plan } = outcomeOf(paper!, plansFor(paper!.problem), twice)
    expect(sheets.reduce((sum, { needed }) => sum + needed, 0)).toBe(plan.sheets)
    expect(sheets.every(({ needed, onHand }) => needed <= onHand)).toBe(true)
  })
})

describe('a stack of the class', () => {
  const papers = ['kelp', 'fog', 'rust'].map(key => letterPaper(key))
  const some: Batch = { ...empty, papers }
  const cards = papers.map(({ key }) => {
    const card = paperedCard(foldById('plain-card')!, some)
    const own = Object.fromEntries(Object.keys(card.papers).map(part => [part, key]))
    return { ...card, key: `card-${key}`, papers: own }
  })
  const planOf = (of: Batch) => ordersOf(planAll(of, prepare(of)), of)

  it('is noted as cut for every paper in it, and what is left stays as it is', () => {
    const before: Batch = { ...some, cards }
    const [order] = planOf(before)
    const [stack] = order!.stacks
    expect(stack!.members.map(({ paper }) => paper.key)).toEqual(['kelp', 'fog', 'rust'])
    let keys = 0
    const after = produce(before, draft =>
      noteStackCut(draft, stack!.key, order!.stacks, () => `kept-${++keys}`))
    expect(after.cutting.map(({ paper, layouts }) => [paper, layouts.reduce((sum, { cut }) => sum + cut, 0)]))
      .toEqual(stack!.members.map(({ paper, quantity }) => [paper.key, quantity]))
    const left = planOf(after).flatMap(({ stacks }) => stacks)
    expect(left.map(({ members }) => members.map(({ paper, quantity }) => [paper.key, quantity])))
      .toEqual(order!.stacks.slice(1).map(({ members }) => members.map(({ paper, quantity }) => [paper.key, quantity])))
  })

  it('is left by a paper that is to be cut by itself, which costs no sheet', () => {
    const before: Batch = { ...some, cards }
    const apart = produce(before, draft => setApart(draft, 'fog', true))
    expect(planOf(apart)[0]!.stacks[0]!.members.map(({ paper }) => paper.key)).not.toContain('fog')
    expect(produce(apart, draft => setApart(draft, 'fog', false)).cutting).toEqual([])
    const sheets = (of: Batch) => planAll(of, prepare(of)).map(({ plan }) => plan.sheets)
    expect(sheets(apart)).toEqual(sheets(before))
  })

  it('is parted among sittings with whole papers in each', () => {
    const parted = { ...some, cards, wishes: { ...some.wishes, sittings: 2 } }
    const orders = planOf(parted)
    const sets = orders.map(({ stacks }) =>
      new Set(stacks.flatMap(({ members }) => members.map(({ paper }) => paper.key))))
    expect(orders).toHaveLength(2)
    expect(sets.flatMap(set => [...set]).sort()).toEqual(['fog', 'kelp', 'rust'])
    expect(planOf({ ...parted, wishes: { ...some.wishes, sittings: 6 } })).toHaveLength(3)
  })
})
