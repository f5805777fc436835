import { describe, expect, it } from 'vitest'
import { boughtFor, boughtThings, extraInWords, fasteningsFor, kitsFor } from '.'
import type { KitCard, PaperUse } from '.'
import type { Joint } from '../folds'
import { Measure, ZERO, inches } from '../lengths'

const joint = (width: number, height: number, means: Joint['means']): Joint => {
  const zero = Measure.zero
  const onto = { part: 'base', key: 'a', name: 'A', x: zero, y: zero, width: zero, height: zero }
  return {
    part: 'mat',
    by: onto,
    onto,
    face: 'inside',
    faceDown: false,
    turned: 0,
    x: zero,
    y: zero,
    means,
    glue: { x: zero, y: zero, width: Measure.of('w', inches(width)), height: Measure.of('h', inches(height)) },
  }
}
const kelp = { key: 'kelp', name: 'Kelp' }
const card = (key: string, kits: number, width: number, height: number, joints: Joint[] = []): KitCard => ({
  key,
  title: key,
  kits,
  joints,
  extras: [],
  pieces: [{ name: 'Base', width: inches(width), height: inches(height), papers: [{ key: 'kelp', share: 1 }] }],
})
const use = (needed: number, onHand: number, price: number | null = 50): PaperUse => ({
  paper: kelp,
  sheets: [{ width: inches(8.5), height: inches(11), needed, onHand, price }],
})
const prices = { tapePerMetre: 10, strongTapePerMetre: 30, foamPad: 2 }
const request = { prices, bought: [], units: 'inch' as const }

describe('supplies from the glue zones', () => {
  it('runs tape round a taped zone', () => {
    expect(fasteningsFor([joint(2, 3, 'tape'), joint(1, 1, 'tape')], 'inch')).toEqual({ tape: inches(14), strong: ZERO, pads: 0 })
  })

  it('counts strong tape by itself', () => {
    expect(fasteningsFor([joint(2, 3, 'tape'), joint(1, 1, 'strong tape')], 'inch')).toMatchObject({ tape: inches(10), strong: inches(4) })
  })

  it('spreads pads over a padded zone, never fewer than two', () => {
    expect(fasteningsFor([joint(1, 1, 'foam')], 'inch').pads).toBe(2)
    // 3 × 4 in at a spacing of 1 1/2 in: two by three.
    expect(fasteningsFor([joint(3, 4, 'foam')], 'inch').pads).toBe(6)
  })

  it('needs nothing for a zone without a size', () => {
    expect(fasteningsFor([joint(0, 4, 'foam'), joint(3, -1, 'tape')], 'inch')).toEqual({ tape: ZERO, strong: ZERO, pads: 0 })
  })
})

describe('kits', () => {
  it('shares the cost of a paper out by area and loses no cent', () => {
    const kits = kitsFor({ ...request, cards: [card('large', 4, 8, 4), card('small', 4, 4, 4)], papers: [use(6, 9)] })
    const [large, small] = kits.costs
    expect(large!.paper).toBeCloseTo(2 * small!.paper)
    expect(4 * (large!.paper + small!.paper)).toBeCloseTo(300)
    expect(kits.totals.cost).toBeCloseTo(300)
  })

  it('buys only what is not on hand', () => {
    const kits = kitsFor({ ...request, cards: [card('one', 4, 4, 5)], papers: [use(7, 5)] })
    expect(kits.purchases).toMatchObject([{ needed: 7, onHand: 5, toBuy: 2, cost: 100 }])
    expect(kits.totals.spending).toBe(100)
    expect(kitsFor({ ...request, cards: [card('one', 4, 4, 5)], papers: [use(7, 9, null)] }).purchases).toMatchObject([
      { toBuy: 0, cost: null },
    ])
  })

  it('adds supplies up over all kits', () => {
    const { totals, costs } = kitsFor({
      ...request,
      cards: [card('one', 4, 4, 5, [joint(2, 3, 'tape'), joint(1, 1, 'foam')])],
      papers: [],
    })
    expect(totals).toMatchObject({ tape: inches(40), pads: 8 })
    // 10 in are 0.254 m of tape at 10 cents, and two pads at 2.
    expect(costs[0]!.other).toBeCloseTo(2.54 + 4)
  })

  it('counts what is bought by the piece and by length, however its name is written', () => {
    const bought = [{ key: 'brass-pin', name: 'Brass pin', price: 12, weight: 2 }, { key: 'ribbon', name: 'Ribbon', price: 80, weight: 3 }]
    const extras = [{ name: 'Brass  pin', count: 2 }, { name: 'ribbon', count: 1, length: inches(10) }, { name: 'Gem', count: 9 }]
    expect(boughtFor(extras, bought)).toEqual({ price: 24 + 80 * 0.254, weight: 4 + 3 * 0.254 })
    expect(extras.map(extra => extraInWords(extra, 'inch'))).toEqual(['2 × Brass  pin', '1 × ribbon, 10 in', '9 × Gem'])
    expect(boughtThings([...extras, { name: 'brass pin', count: 1 }]).map(({ key, byLength }) => [key, byLength])).toEqual([
      ['brass-pin', false], ['ribbon', true], ['gem', false],
    ])
    const { costs, totals } = kitsFor({ ...request, bought, cards: [{ ...card('one', 4, 4, 5), extras }], papers: [] })
    expect(costs[0]!.other).toBeCloseTo(24 + 80 * 0.254)
    expect(totals.cost).toBeCloseTo(4 * costs[0]!.other)
  })

  it('costs nothing for no kits', () => {
    expect(kitsFor({ ...request, cards: [card('none', 0, 4, 5)], papers: [] }).costs).toMatchObject([{ paper: 0 }])
  })
})
