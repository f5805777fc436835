import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { prepare } from '.'
import { planAll, prepareShared } from '../plans'
import {
  arrive, kitsOfBatch, moneyOfClass, noteLine, parcelsOf, shoppingList, stillToBuy, suppliesFor, taskMinutes, tasksOf,
} from '../kits'
import type { Batch } from '../document'
import { newSeat } from '../document'
import { lookUp } from '../lists'
import { solve, batch } from './prep-testing'

describe('what a class costs', () => {
  it('is one computation: lists, costs and money say the same', () => {
    const prepared = prepareShared(batch, solve)
    const outcomes = planAll(batch, prepared, solve)
    const kits = kitsOfBatch(batch, prepared, outcomes)
    for (const { paper, sheets } of outcomes) {
      const bought = kits.purchases
        .filter(({ item }) => item === paper.key)
        .reduce((sum, { needed }) => sum + needed, 0)
      expect(bought).toBe(sheets.reduce((sum, { needed }) => sum + needed, 0))
    }
    const ofKits = kits.costs.reduce((sum, { card, paper }) =>
      sum + paper * prepared.cards.find(({ entry }) => entry.key === card)!.kits, 0)
    expect(ofKits).toBeCloseTo(kits.totals.paper, 6)
    const money = moneyOfClass(prepared, outcomes, kits)
    expect(money.cost).toBeCloseTo(kits.totals.cost + money.work + money.venue + money.posting, 6)
    expect(money.minutes).toBeCloseTo(
      outcomes.reduce((sum, { minutes }) => sum + minutes, 0) + taskMinutes(tasksOf(prepared)) + batch.class.lasts, 6)
    // One bag and one label for every bag, one envelope for every kit that fits into the table's.
    const used = (key: string) => kits.totals.uses.find(({ supply }) => supply === key)?.amount
    expect([used('bags'), used('labels')]).toEqual([6, 6])
  }, 60_000)

  it('buys no envelopes where the class cuts its own', () => {
    const uses = (own: Batch) =>
      kitsOfBatch(own, prepare(own), []).totals.uses.find(({ supply }) => supply === 'small-envelopes')?.amount
    expect(uses(batch)).toBe(12)
    const cut = (kits: number | null) => produce(batch, (draft) => {
      draft.cards[1] = { ...draft.cards[1]!, fold: 'side-seam-envelope', parameters: {}, papers: {}, kits }
    })
    // Cut for every kit, or too few of them.
    expect([uses(cut(null)), uses(cut(2))]).toEqual([undefined, 6])
  })

  it('takes fewer metres of tape than all round every mat where the maker sticks two strips', () => {
    const tape = (own: Batch) =>
      kitsOfBatch(own, prepare(own), []).totals.uses.find(({ supply }) => supply === 'tape')!.amount
    const strips = produce(batch, draft => void (draft.supplies.find(({ use }) => use === 'tape')!.way = 'two strips'))
    expect(tape(strips)).toBeLessThan(tape(batch))
  })

  it('posts the bags of a class by post and of who joins from afar, what lies on the table left out', () => {
    expect(parcelsOf(prepare(batch))).toEqual([])
    const far = produce(batch, draft => void draft.roster.push({ ...newSeat('seat-3'), online: true }))
    const [parcel, ...others] = parcelsOf(prepare(far))
    expect([parcel!.bag, others.length]).toEqual(['seat-3', 0])
    const lighter = parcelsOf(
      prepare(produce(far, draft => void (draft.prep.profiles[1]!.adhesive = 'on the table'))),
    )[0]!
    expect(lighter.weight).toBeLessThan(parcel!.weight)
    expect(parcel!.rate?.price).toBeGreaterThan(0)
    const byPost = parcelsOf(prepare(produce(batch, draft => void (draft.class.delivery = 'by post'))))
    // Nobody posts the spare ones.
    expect(byPost.map(({ bag }) => bag)).toEqual(['seat-1', 'seat-2', 'seat-3', 'seat-4', 'seat-5'])
    expect(parcelsOf(prepare(produce(far, draft => void (draft.post.rates = []))))[0]!.rate).toBeUndefined()
  })
})

describe('shopping', () => {
  const needy = produce(batch, (draft) => {
    draft.shopping = []
    for (const paper of draft.papers) {
      paper.where = ''
      for (const stock of paper.stocks) Object.assign(stock, { onHand: 0, price: stock.price ?? 10 })
    }
    for (const supply of draft.supplies) supply.onHand = 0
  })
  const listOf = (own: Batch) => {
    const prepared = prepare(own)
    return shoppingList(own, kitsOfBatch(own, prepared, planAll(own, prepared)), suppliesFor(prepared))
  }

  it('is grouped by where things are bought, is ticked off, and what comes goes onto the shelf', () => {
    const [all, ...none] = listOf(needy)
    expect([all!.where, none]).toEqual(['', []])
    const tape = all!.lines.find(({ item }) => item === 'tape')!
    const sheet = all!.lines.find(({ sort }) => sort === 'paper')!
    const ordered = produce(needy, (draft) => {
      noteLine(draft, tape, { where: 'By the quay', ordered: tape.toBuy })
      noteLine(draft, sheet, { where: 'By the quay' })
    })
    const [quay, elsewhere] = listOf(ordered)
    expect([quay!.where, quay!.lines.map(({ item, missing }) => [item, missing]), elsewhere!.where]).toEqual([
      'By the quay', [[sheet.item, sheet.toBuy], ['tape', 0]], '',
    ])
    const [, came] = quay!.lines
    const [before, later] = [stillToBuy(listOf(needy)), stillToBuy(listOf(ordered))]
    expect([later.things, later.coming, later.cents]).toEqual([before.things - 1, 1, before.cents - tape.cost!])
    const after = produce(ordered, draft => arrive(draft, came!, came!.ordered))
    expect(after.supplies.find(({ key }) => key === 'tape')!.onHand).toBe(tape.toBuy * 10)
    expect(after.shopping.find(({ item }) => item === 'tape')).toMatchObject({ where: 'By the quay', ordered: 0 })
    expect(listOf(after).flatMap(({ lines }) => lines).map(({ item }) => item)).not.toContain('tape')
    const stocked = produce(after, draft => arrive(draft, sheet, sheet.toBuy))
    const stock = stocked.papers.find(({ key }) => key === sheet.item)!.stocks.find(({ key }) => key === sheet.stock)!
    expect(stock.onHand).toBe(sheet.toBuy)
    // A line of which nothing is said any more goes.
    expect(produce(ordered, draft => noteLine(draft, came!, { where: '', ordered: 0 })).shopping).toHaveLength(1)
  }, 60_000)

  it('puts a thing that a card names into the table when it comes', () => {
    const own = produce(needy, (draft) => {
      draft.cards[0]!.free = [{
        key: 'bow',
        name: 'Silk bow',
        kind: 'solid',
        shape: 'rectangle',
        width: '1 in',
        height: '1 in',
        corner: '0 in',
        ring: '0 in',
        count: 2,
        face: '',
        left: '0 in',
        bottom: '0 in',
        turn: 0,
        hold: 'loose',
        foam: '0 in',
        printTop: 'any',
        works: [],
        outline: '',
        from: '',
        glue: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' },
      }]
    })
    const bow = listOf(own).flatMap(({ lines }) => lines).find(({ item }) => item === 'silk-bow')!
    expect(bow.toBuy).toBe(12)
    const after = produce(own, draft => arrive(draft, bow, 12))
    expect(lookUp(new Map(after.supplies.map(supply => [supply.key, supply])), 'silk-bow')).toMatchObject({
      use: 'thing', onHand: 12,
    })
  }, 60_000)
})
