import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { bagsOf, levelsOf, prepare, profileOf, stripsFor } from '.'
import { planAll, prepareShared } from '../plans'
import {
  arrive, broughtPieces, kitsOfBatch, lyingPieces, moneyOfClass, noteLine, packedBags, parcelsOf, shoppingList,
  stillToBuy, stopsIn, findingsOf, suppliesFor, taskMinutes, tasksOf,
} from '../kits'
import { demoBatches } from '../../demo'
import type { Solve } from '../cutting'
import { madeBy, solverOf } from '../cutting'
import type { Batch, PrepLevel } from '../document'
import { PREP_LEVELS, newSeat } from '../document'
import { inches, millimetres } from '../lengths'
import { lookUp } from '../lists'
import { demandKey } from './layouts'

let solve: Solve
beforeAll(async () => {
  solve = solverOf(await highs())
})

const [, tide, frost] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch, Batch]
/** A class with few seats, so that little has to be planned. */
const batch = produce(tide, (draft) => {
  draft.class.seats = 5
  draft.class.spares = 1
  draft.roster = []
})
const levels = (own: Record<string, PrepLevel>, change: (draft: Batch) => void = () => undefined) =>
  produce(batch, (draft) => {
    draft.prep.profiles[0]!.levels = own
    change(draft)
  })
const card = batch.cards[0]!
const A1 = millimetres(841)

describe('the profile of a bag', () => {
  it('is its own, that of the post for who joins from afar, or what is natural for the class', () => {
    const seat = newSeat('seat-1')
    expect(profileOf(batch, seat).key).toBe('room')
    expect(profileOf(batch, { ...seat, online: true }).key).toBe('post')
    expect(profileOf(batch, { ...seat, online: true, profile: 'own-stash' }).key).toBe('own-stash')
    expect(profileOf(produce(batch, draft => void (draft.class.delivery = 'by post'))).key).toBe('post')
    expect(profileOf(produce(batch, draft => void (draft.prep.usual = 'children')), seat).key).toBe('children')
    // What is gone is as usual, and a class without any has its pieces cut.
    expect(profileOf(batch, { ...seat, profile: 'gone' }).key).toBe('room')
    expect(profileOf(produce(batch, draft => void (draft.prep.profiles = [])), seat)).toMatchObject({ levels: {},
      adhesive: 'on the table' })
  })
})

describe('how far pieces are made ready', () => {
  it('changes nothing of the cutting where they are cut, however they are finished', () => {
    const plain = prepare(levels({}))
    const ready = prepare(levels({ base: 'scored', mat: 'stamped', message: 'die cut', plate: 'assembled' }))
    expect(ready.papers.map(({ demands }) => demands)).toEqual(plain.papers.map(({ demands }) => demands))
    expect(taskMinutes(tasksOf(ready))).toBeGreaterThan(taskMinutes(tasksOf(plain)))
    expect([...new Set(tasksOf(ready).map(({ name }) => name))]).toEqual([
      'Score', 'Die cut', 'Stamp', 'Put on', 'Pack',
    ])
  })

  it('neither cuts nor wants a paper for what students bring, and says that they do', () => {
    const own = levels({ message: 'brought' }, draft => void draft.cards.forEach(({ papers }) => delete papers.message))
    const prepared = prepare(own)
    expect(stopsIn(findingsOf(prepared))).toBe(0)
    expect(
      prepared.cards.flatMap(({ pieces }) =>
        pieces.filter(({ kind }) => kind === 'message').map(({ quantity }) => quantity),
      ),
    ).toEqual([0, 0])
    for (const { kits } of packedBags(prepared)) {
      expect(kits.flatMap(kit => broughtPieces(kit).map(({ piece }) => piece.kind))).toEqual(['message', 'message'])
      expect(kits.flatMap(kit => lyingPieces(kit).filter(({ piece }) => piece.kind === 'message'))).toEqual([])
    }
  })

  it('sends uncut paper along as a strip with all its pieces of one height, for a single bag as well', () => {
    const own = produce(batch, (draft) => {
      draft.roster = [{ ...newSeat('seat-2'), profile: 'strips' }]
      draft.prep.profiles.push({
        key: 'strips',
        name: 'Strips',
        levels: { base: 'uncut', message: 'uncut', plate: 'uncut' },
        more: {},
        adhesive: 'in the bag' })
    })
    const prepared = prepare(own)
    const [usual, special] = [packedBags(prepared)[0]!, packedBags(prepared)[1]!]
    expect(usual.kits.flatMap(({ strips }) => strips)).toEqual([])
    const strips = special.kits.flatMap(({ strips }) => strips)
    expect(strips.length).toBeGreaterThan(2)
    expect(prepared.cards.flatMap(({ strips }) => strips.map(({ quantity }) => quantity))).toEqual(strips.map(() => 1))
    const base = prepared.cards[0]!.pieces.find(({ kind }) => kind === 'base')!
    expect(base.quantity).toBe(bagsOf(own).length - 1)
  })

  it('lays pieces of one height side by side, and no more than a sheet is long', () => {
    const { paper, ...piece } = prepare(batch).cards[0]!.pieces.find(({ kind }) => kind === 'message')!
    const strips = stripsFor(paper!, [{ ...piece, perKit: 9 }], 'inch')
    expect(strips.length).toBeGreaterThan(1)
    expect(strips.reduce((sum, { parts }) => sum + parts.reduce((all, { count }) => all + count, 0), 0)).toBe(9)
    for (const { width, height } of strips) expect(paper!.stocks.some(stock =>
      (width <= stock.width && height <= stock.height) || (height <= stock.width && width <= stock.height))).toBe(true)
  })

  it('fits strips on the sheets of its own units, and cuts what scrap would do for', () => {
    const { paper, ...piece } = prepare(batch).cards[0]!.pieces.find(({ kind }) => kind === 'message')!
    const stocks = [
      { ...paper!.stocks[0]!, width: inches(6), height: inches(6) }, { ...paper!.stocks[0]!, width: A1, height: A1 },
    ]
    expect(Math.max(...stripsFor({ ...paper!, stocks }, [{ ...piece, perKit: 9 }], 'inch').map(({ width }) =>
      width))).toBeLessThanOrEqual(inches(6))
    const scrap = prepare(levels({ hidden: 'uncut' }, (draft) => {
      draft.cards = [
        {
          ...draft.cards[0]!, fold: 'twin-slider', parameters: {}, colourways: [],
          papers: { 'inner-runner': 'any-scrap' },
        },
      ]
    }))
    expect(scrap.scrap.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(6)
  })

  it('keeps both of a matched pair alike, for they are cut from one blank', () => {
    const pair = { key: 'front', name: 'Pair', levels: { [`${card.key} mat-a`]: 'uncut' as const }, more: {},
      adhesive: 'on the table' as const }
    const pieces = prepare(batch).cards[0]!.pieces.map(piece =>
      piece.kind === 'mat' ? { ...piece, pair: 'one' } : piece,
    )
    const found = levelsOf(pair, card.key, pieces)
    expect(new Set(pieces.filter(({ pair }) => pair).map(({ key }) => found.get(key)))).toEqual(new Set(['uncut']))
  })
})

/** Numbers without chance, the same every time. */
function* numbers(seed: number): Generator<number, never> {
  for (let state = seed; ;) yield (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648
}

describe('whatever is made ready how', () => {
  it('bags hold just what is cut: every piece and strip of every bag adds up to the demand, and the plan cuts it', () => {
    const KINDS = ['base', 'insert', 'mat', 'message', 'plate']
    for (let seed = 1; seed <= 6; seed++) {
      const chance = numbers(seed * 7919)
      const some = <T>(list: readonly T[]): T => list[Math.floor(chance.next().value * list.length)]!
      const own = produce(seed % 2 ? batch : frost, (draft) => {
        for (const entry of draft.cards) entry.kits = null
        draft.class.seats = 4
        draft.class.spares = 1
        draft.roster = []
        for (const profile of draft.prep.profiles)
          profile.levels = Object.fromEntries(
            KINDS.filter(() => chance.next().value < 0.6).map(kind => [kind, some(PREP_LEVELS)]),
          )
        draft.prep.profiles[1]!.more = { message: 2, mat: 1 }
        for (const key of ['seat-1', 'seat-2', 'spare-1'])
          draft.roster.push({ ...newSeat(key), profile: some(draft.prep.profiles).key })
      })
      const prepared = prepare(own)
      const wanted = new Map<string, number>()
      const add = (paper: string, size: Parameters<typeof demandKey>[0], count: number) => {
        const key = `${paper} ${demandKey(size)}`
        wanted.set(key, (wanted.get(key) ?? 0) + count)
      }
      for (const { kits } of packedBags(prepared)) {
        for (const kit of kits) {
          for (const { piece, paper, count } of lyingPieces(kit)) {
            const { turn } = piece.shares.find(share => share.paper === paper)!
            add(paper!.key, { width: piece.width.value, height: piece.height.value, turn }, count)
          }
          for (const strip of kit.strips) add(strip.paper.key, strip, 1)
        }
      }
      const asked = new Map(prepared.papers.flatMap(({ paper, demands }) =>
        demands.map(({ key, quantity }) => [`${paper.key} ${key}`, quantity] as const)))
      expect([seed, [...asked].sort()]).toEqual([seed, [...wanted].sort()])
      for (const { entry, plan, paper } of planAll(own, prepared)) {
        const made = madeBy(plan.layouts)
        const short = new Map(plan.unplaced.map(({ demand, quantity }) => [demand, quantity]))
        for (const { key, quantity } of entry.problem.demands)
          expect([paper.key, key, (made.get(key) ?? 0) + (short.get(key) ?? 0) >= quantity]).toEqual([
            paper.key, key, true,
          ])
      }
    }
  }, 120_000)
})

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
    for (const { stocks } of draft.papers)
      for (const stock of stocks) Object.assign(stock, { onHand: 0, price: stock.price ?? 10 })
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
        made: [],
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
