import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { prepareShared } from '../plans'
import { contentsOf, findingsOf, packedBags, bagShape } from '.'
import { demoBatches } from '../../demo'
import type { Solve } from '../cutting'
import { solverOf } from '../cutting'
import type { Batch } from '../document'
import { copyOf, newCutting, newSeat } from '../document'
import { foldById } from '../folds'
import { paperedCard } from '../batch/testing'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const [, tide] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const empty: Batch = produce(tide, (draft) => {
  Object.assign(draft.class, { seats: 8, spares: 2 })
  Object.assign(draft, { roster: [], cards: [], pools: [] })
})
/** Four of ten bags take the left page of a book stage from another print. */
const books = produce(empty, (draft) => {
  const card = { ...paperedCard(foldById('book-stage')!, empty), key: 'book', title: 'Book' }
  for (const part of Object.keys(card.papers)) if (part.endsWith('-page')) card.papers[part] = 'ripple'
  draft.cards = [{ ...card, colourways: [
    { key: 'same', name: 'Same', kits: null, papers: {} },
    { key: 'other', name: 'Other', kits: 4, papers: { 'mat-left-page': 'lantern' } },
  ] }]
})
const quantityOf = (batch: Batch, paper: string, name: RegExp) =>
  prepare(batch)
    .papers.find(one => one.paper.key === paper)!
    .demands.flatMap(({ owners }) => owners)
    .filter(({ piece }) => name.test(piece))
    .reduce((sum, { quantity }) => sum + quantity, 0)

describe('a matched pair', () => {
  it('is there to test with', () => {
    const pairs = prepare(books).cards[0]!.pieces.filter(({ pair }) => pair !== undefined)
    expect(pairs.map(({ key }) => key)).toEqual(expect.arrayContaining(['mat-left-page', 'mat-right-page']))
  })

  it('is cut side by side in kits that have both halves of one print, and each half by itself in the others', () => {
    const { pieces } = prepare(books).cards[0]!
    const [left, right] = ['mat-left-page', 'mat-right-page'].map(key => pieces.find(piece => piece.key === key)!.name)
    expect(quantityOf(books, 'ripple', new RegExp(`^${left} and ${right}, matched$`))).toBe(6)
    expect(quantityOf(books, 'ripple', new RegExp(`^${right}$`))).toBe(4)
    expect(quantityOf(books, 'lantern', new RegExp(`^${left}$`))).toBe(4)
  })
})

describe('a part that has a paper in one colourway only', () => {
  const some = produce(books, (draft) => {
    const [card] = draft.cards
    delete card!.papers['mat-left-page']
  })
  it('is said to be missing in the others, and no list names a paper for it there', () => {
    const prepared = prepare(some)
    expect(
      findingsOf(prepared).filter(({ severity, part }) => severity === 'stop' && part === 'mat-left-page'),
    ).toMatchObject([
      { problem: expect.stringContaining('has no paper in “Same”, so 6 kits would lack it'), place: 'papers' },
    ])
    const papers = packedBags(prepared).map(
      ({ kits }) => kits[0]!.pieces.find(({ piece }) => piece.key === 'mat-left-page')!.paper?.key,
    )
    expect([
      papers.filter(paper => paper === 'lantern').length, papers.filter(paper => paper === undefined).length,
    ]).toEqual([4, 6])
  })
})

/** Plain cards with a mat on the front from a pool of two prints; none is for sale. */
const pooled = (onHand: number[], kits: number, must: 'must' | 'wish' = 'must') => produce(empty, (draft) => {
  const card = paperedCard(foldById('z-fold')!, empty)
  draft.pools = [{ key: 'pool--two', name: 'Two', papers: ['ripple', 'lantern'] }]
  draft.cards = [
    { ...card, kits, papers: { ...card.papers, 'mat-a': 'pool--two', 'mat-b': 'ripple', 'mat-c': 'lantern' } },
  ]
  draft.sharing.different = { hold: must, weight: 10 }
  for (const paper of draft.papers) {
    const at = ['ripple', 'lantern'].indexOf(paper.key)
    if (at < 0) continue
    paper.stocks = paper.stocks.slice(0, 1).map(stock => ({ ...stock, onHand: onHand[at]!, price: null }))
    paper.offcuts = []
  }
})

describe('a rule that must be kept', () => {
  it('stops where the sheets that can be had make it impossible, and says what would make it possible', () => {
    // Of the second print there is nothing, so that both kits get the first.
    const found = findingsOf(prepareShared(pooled([9, 0], 2), solve))
    const stop = found.find(({ severity, problem }) => severity === 'stop' && problem.includes('No two kits alike'))
    expect(stop?.problem).toMatch(/only 1 kit can differ, and 2 are wanted.*Put another print into a pool/)
    expect(
      findingsOf(prepareShared(pooled([9, 9], 2), solve)).filter(({ problem }) =>
        problem.includes('No two kits alike'),
      ),
    ).toEqual([])
    expect(
      findingsOf(prepareShared(pooled([9, 0], 2, 'wish'), solve)).filter(({ problem }) => problem.includes('alike')),
    ).toEqual([])
  })

  it('counts prints that are left for it, however many the pool names', () => {
    const { sharing } = prepareShared(pooled([9, 0], 3, 'wish'), solve)
    expect(sharing!.problem.kinds.flatMap(({ roles }) => roles.map(({ options }) => options))).toEqual([['ripple']])
  })
})

describe('a print of a pool that is named directly too', () => {
  it('and has no sheet leaves the others shared out, and only its own pieces missing', () => {
    const prepared = prepareShared(pooled([9, 0], 4, 'wish'), solve)
    expect(prepared.sharing!.sharing).toMatchObject({ missing: 0, sheets: expect.any(Number) })
    expect(
      prepared.papers.find(({ paper }) => paper.key === 'lantern')!.demands.map(({ quantity }) => quantity),
    ).toEqual([4])
  })
})

describe('bags', () => {
  it('differ where something is added to choose from, and where what goes along uncut is of another paper', () => {
    const own = produce(books, (draft) => {
      draft.prep.profiles.push({ ...draft.prep.profiles[0]!, key: 'more', name: 'More', more: { mat: 1 } })
      draft.roster = [{ ...newSeat('seat-1'), profile: 'more' }]
      draft.cards[0]!.colourways = []
    })
    const bags = packedBags(prepare(own))
    expect(new Set(bags.map(contentsOf)).size).toBe(2)
    const uncut = produce(books, draft => void (draft.prep.profiles[0]!.levels = { mat: 'uncut' }))
    const strips = packedBags(prepare(uncut)).map(({ kits }) => kits[0]!.strips.map(({ paper }) => paper.key).join())
    expect(new Set(strips).size).toBe(2)
    expect(new Set(packedBags(prepare(uncut)).map(contentsOf)).size).toBe(2)
    expect(new Set(packedBags(prepare(uncut)).map(bagShape)).size).toBe(2)
  })
})

describe('a copy of a class', () => {
  it('keeps the wishes for a paper, also those that name only formats to use too or what it may cost', () => {
    const entry = newCutting('kelp')
    const { papers: _, ...document } = produce(books, draft => void (draft.cutting = [
      { ...entry, also: ['a4'] }, { ...entry, paper: 'fog', moreSheets: 2 }, { ...entry, paper: 'ripple' },
      { ...entry, paper: 'chalk', apart: true },
    ]))
    expect(copyOf(document, { title: 'Again', date: '2030-02-01' }).cutting.map(({ paper }) => paper)).toEqual([
      'kelp', 'fog', 'chalk',
    ])
  })
})
