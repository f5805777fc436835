import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { bagsOf, levelsOf, prepare, profileOf, stripsFor } from '.'
import { planAll } from '../plans'
import { broughtPieces, lyingPieces, packedBags, stopsIn, findingsOf, taskMinutes, tasksOf } from '../kits'
import { madeBy } from '../cutting'
import { PREP_LEVELS, newSeat, paperOfSide } from '../document'
import { inches } from '../lengths'
import { demandKey } from './layouts'
import { frost, batch, levels, card, A1, numbers } from './prep-testing'

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
      'Score', 'Stamp', 'Heat-emboss', 'Emboss in a folder', 'Die cut', 'Put on', 'Pack',
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
        const key = `${paperOfSide(paper)} ${demandKey(size)}`
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
