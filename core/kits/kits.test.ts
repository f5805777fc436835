import { describe, expect, it } from 'vitest'
import {
  added, amountFor, amountInWords, boughtThings, extraInWords, kitsFor, moneyOf, packsFor, stickingFor, stuckIn,
  thingsFor, valueOf, withThings,
} from '.'
import type { SheetUse } from '../plans'
import type { KitCard } from '.'
import type { FreeEntry, SupplyEntry } from '../document'
import { DEFAULT_SUPPLIES, NO_DRESSING, STICKING_WAYS } from '../document'
import { wholeCard } from '../dressing'
import type { Stuck } from '../folds'
import { foldById } from '../folds'
import { METRE, inches, millimetres } from '../lengths'

const joint = (width: number, height: number, means: Stuck['means'], foam?: number): Stuck => {
  const one = { means, width: inches(width), height: inches(height), count: 1 }
  return foam === undefined ? one : { ...one, foam: millimetres(foam) }
}
const supply = (key: string, entry: Partial<SupplyEntry>): SupplyEntry => ({
  key, name: key, use: 'thing', of: '', way: 'outline', pack: 1, price: 0, onHand: 0, weight: 0, ...entry,
})
const TABLE = [
  supply('tape', { use: 'tape', pack: 10, price: 100 }),
  supply('strong', { use: 'strong tape', pack: 1, price: 30 }),
  supply('pads', { use: 'foam', way: 'full area', pack: 100, price: 200 }),
]
const kelp = { key: 'kelp', name: 'Kelp' }
const AREA = inches(4) * inches(5)
const card = (key: string, kits: number, area = AREA, more: Partial<KitCard> = {}): KitCard => ({
  key, kits, sticking: [], stuck: kits, things: [], areas: new Map([['kelp', kits * area]]), ...more,
})
const use = (needed: number, onHand: number, price: number | null = 50, left = 0): SheetUse => ({
  paper: kelp,
  sheets: [{ key: 'letter', width: inches(8.5), height: inches(11), needed, onHand, price, pack: 1, packPrice: price }],
  left,
})
const request = { supplies: TABLE, perBag: [], bags: 0, packs: 'share' as const, offcuts: 'nothing' as const }

describe('supplies from the glue zones', () => {
  it('runs tape round a zone, in two strips, over all of it or at its corners, as the maker sticks', () => {
    const of = (way: SupplyEntry['way']) => amountFor('tape', way, inches(2), inches(3), 'inch')
    expect([of('outline'), of('two strips'), of('corners')]).toEqual([inches(10), inches(6), millimetres(48)])
    // Two inches take nine tapes of 6 mm side by side.
    expect(of('full area')).toBe(9 * inches(3))
    expect(stickingFor([joint(2, 3, 'tape'), joint(1, 1, 'strong tape')], TABLE, 'inch')).toEqual({
      uses: [{ supply: 'tape', amount: inches(10) }, { supply: 'strong', amount: inches(4) }], unlisted: [],
    })
  })

  it('sticks every piece of a part, what is bought, and what lies in the bag, unless it is loose', () => {
    const fold = foldById('z-fold')!
    const zero = { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }
    const piece = (key: string, own: Partial<FreeEntry>): FreeEntry => ({
      key,
      name: key,
      kind: 'topper',
      shape: 'rectangle',
      outline: '',
      width: '1 in',
      height: '1 in',
      corner: '0 in',
      ring: '0 in',
      count: 1, face: '',
      left: '0 in',
      bottom: '0 in',
      turn: 0,
      hold: 'foam',
      foam: '0 in',
      glue: zero,
      works: [],
      printTop: 'any',
      from: '',
      ...own,
    })
    const pads = (...free: FreeEntry[]) => {
      const card = wholeCard(fold, { parameters: {}, ...NO_DRESSING, free }, 'inch', inches(1 / 16))
      return stickingFor(stuckIn(card), DEFAULT_SUPPLIES, 'inch').uses
    }
    const none = pads()
    const more = (supply: string, ...free: FreeEntry[]) =>
      (pads(...free).find(use => use.supply === supply)?.amount ?? 0)
      - (none.find(use => use.supply === supply)?.amount ?? 0)
    const face = 'base--a--inside'
    expect([more('foam-pads', piece('star', { face })), more('foam-pads', piece('star', { face, count: 6 }))]).toEqual([
      2, 12,
    ])
    expect(more('foam-pads', piece('star', { count: 3 }))).toBe(6)
    expect(more('glue-dots', piece('bow', { kind: 'solid', hold: 'dots', face, count: 4 }))).toBe(4)
    expect(more('glue-dots', piece('bow', { kind: 'solid', hold: 'loose', count: 4 }))).toBe(0)
  })

  it('takes the same of a zone whichever way it lies, and nothing for one without a size', () => {
    for (const entry of DEFAULT_SUPPLIES) {
      for (const way of STICKING_WAYS) {
        expect(amountFor(entry.use, way, inches(2), inches(3), 'inch')).toBe(
          amountFor(entry.use, way, inches(3), inches(2), 'inch'),
        )
        expect(amountFor(entry.use, way, inches(0), inches(3), 'inch')).toBe(0)
      }
    }
  })

  it('spreads pads over a zone, never fewer than two, and takes the foam of the height that is asked for', () => {
    expect(amountFor('foam', 'full area', inches(1), inches(1), 'inch')).toBe(2)
    // 3 × 4 in at a spacing of 1 1/2 in: two by three.
    expect(amountFor('foam', 'full area', inches(3), inches(4), 'inch')).toBe(6)
    const high = supply('high', { use: 'foam', of: '3 mm', way: 'corners' })
    expect(
      stickingFor([joint(3, 4, 'foam', 3), joint(3, 4, 'foam', 2), joint(3, 4, 'foam')], [...TABLE, high], 'inch').uses,
    ).toEqual([
      { supply: 'high', amount: 4 }, { supply: 'pads', amount: 12 },
    ])
  })

  it('measures glue by the line or the coat, and names what no supply is there for', () => {
    const glue = supply('glue', { use: 'glue', pack: 50, price: 350 })
    // 10 in of line at half a millilitre a metre.
    expect(stickingFor([joint(2, 3, 'glue')], [glue], 'inch').uses).toEqual([
      { supply: 'glue', amount: Math.ceil(0.254 * 500) },
    ])
    expect(stickingFor([joint(2, 3, 'glue'), joint(1, 1, 'held')], TABLE, 'inch')).toEqual({
      uses: [], unlisted: ['glue'],
    })
  })

  it('is said as its maker counts it', () => {
    expect([
      amountInWords('tape', METRE, 'metric'),
      amountInWords('tape', 914_400_000, 'inch'),
      amountInWords('glue', 12_000, 'inch'),
      amountInWords('foam', 24, 'inch')]).toEqual(['1 m', '1 yard', '12 ml', '24'])
  })
})

describe('kits', () => {
  it('shares the cost of a paper out by area and loses no cent', () => {
    const kits = kitsFor({ ...request, cards: [card('large', 4, 2 * AREA), card('small', 4)], papers: [use(6, 9)] })
    const [large, small] = kits.costs
    expect(large!.paper).toBeCloseTo(2 * small!.paper)
    expect(4 * (large!.paper + small!.paper)).toBeCloseTo(300)
    expect([kits.totals.paper, kits.totals.cost]).toEqual([300, 300])
  })

  it('buys only what is not on hand, supplies by the pack', () => {
    const kits = kitsFor({ ...request, cards: [card('one', 4)], papers: [use(7, 5)] })
    expect(kits.purchases).toMatchObject([{ item: 'kelp', needed: 7, onHand: 5, toBuy: 2, cost: 100 }])
    expect(kits.totals.spending).toBe(100)
    expect(kitsFor({ ...request, cards: [card('one', 4)], papers: [use(7, 9, null)] }).purchases).toMatchObject([
      { toBuy: 0, cost: null },
    ])
    const sticking = [{ supply: 'tape', amount: 6 * METRE }]
    const [tape] = kitsFor({
      ...request,
      supplies: [{ ...TABLE[0]!, onHand: 3 }],
      cards: [card('one', 4, AREA, { sticking })],
      papers: [] }).purchases
    // 24 m, 3 on hand: three rolls of 10.
    expect(tape).toMatchObject({ item: 'tape', needed: 24 * METRE, onHand: 3 * METRE, toBuy: 3, cost: 300 })
  })

  it('counts packs by their share or whole once they are opened, and what is left by area or not at all', () => {
    const cards = [card('one', 4, AREA, { sticking: [{ supply: 'tape', amount: 6 * METRE }] })]
    const cost = (packs: 'share' | 'whole', offcuts: 'nothing' | 'by area') =>
      kitsFor({ ...request, packs, offcuts, cards, papers: [use(2, 9, 50, inches(8.5) * inches(11))] }).totals
    expect(cost('share', 'nothing')).toMatchObject({ paper: 100, supplies: 240, left: 0, cost: 340 })
    expect(cost('whole', 'nothing')).toMatchObject({ supplies: 300, cost: 400 })
    // Half of what was opened is left.
    expect(cost('share', 'by area')).toMatchObject({ left: 50, cost: 290 })
  })

  it('sticks only where students do not bring their own', () => {
    const sticking = [{ supply: 'pads', amount: 2 }]
    const { totals, costs } = kitsFor({
      ...request, cards: [card('one', 10, AREA, { sticking, stuck: 4 })], papers: [],
    })
    expect(totals.uses).toEqual([{ supply: 'pads', amount: 8 }])
    expect(costs[0]!.other).toBeCloseTo(8 * 2 / 10)
  })

  it('puts a bag and what goes with it into every bag', () => {
    const kits = kitsFor({
      ...request, perBag: [{ supply: 'pads', amount: 1 }], bags: 12, cards: [card('one', 4)], papers: [],
    })
    expect(kits.totals.uses).toEqual([{ supply: 'pads', amount: 12 }])
  })

  it('counts what is bought by the piece and by length, however its name is written', () => {
    const table = [
      supply('brass-pin', { pack: 10, price: 120, weight: 2 }),
      supply('ribbon', { use: 'thing by length', price: 80, weight: 3 }),
    ]
    const extras = [
      { name: 'Brass  pin', count: 2 }, { name: 'ribbon', count: 1, length: inches(10) }, { name: 'Gem', count: 9 },
    ]
    const worth = valueOf(thingsFor(extras, table), table)
    expect([worth.price, worth.weight]).toEqual([24 + 80 * 0.254, 4 + 3 * 0.254])
    expect(extras.map(extra => extraInWords(extra, 'inch'))).toEqual(['2 × Brass  pin', '1 × ribbon, 10 in', '9 × Gem'])
    expect(
      boughtThings([...extras, { name: 'brass pin', count: 1 }]).map(({ key, byLength }) => [key, byLength]),
    ).toEqual([
      ['brass-pin', false], ['ribbon', true], ['gem', false],
    ])
    expect(withThings(table, extras).map(({ key, use }) => [key, use])).toEqual([
      ['brass-pin', 'thing'], ['ribbon', 'thing by length'], ['gem', 'thing'],
    ])
  })

  it('costs nothing for no kits, and adds usages up', () => {
    expect(kitsFor({ ...request, cards: [card('none', 0)], papers: [] }).costs).toMatchObject([{ paper: 0, other: 0 }])
    expect(added({ uses: [{ supply: 'a', amount: 2 }], times: 3 },
      { uses: [{ supply: 'a', amount: 1 }, { supply: 'b', amount: 5 }], times: 0 }))
      .toEqual([{ supply: 'a', amount: 6 }])
    expect([packsFor(TABLE[0]!, -5), packsFor(TABLE[0]!, 1), packsFor(TABLE[0]!, 10 * METRE)]).toEqual([0, 1, 1])
  })
})

describe('the money of a class', () => {
  const costs = { material: 4000, minutes: 120, hour: 1500, venue: 2000, posting: 500, seats: 10, seat: 1200 }

  it('adds up, and says what a seat costs and how many cover the class', () => {
    expect(moneyOf(costs)).toMatchObject({
      work: 3000, cost: 9500, income: 12_000, margin: 2500, perSeat: 950, breakEven: 8,
    })
  })

  it('says that no number of seats does it, and that nothing costs nothing', () => {
    expect(moneyOf({ ...costs, seat: 900 }).breakEven).toBeNull()
    expect(moneyOf({ ...costs, seat: 0 }).breakEven).toBeNull()
    expect(moneyOf({ material: 0, minutes: 0, hour: 0, venue: 0, posting: 0, seats: 4, seat: 0 })).toMatchObject({
      breakEven: 0,
      perSeat: 0 })
  })
})
