import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { prepare } from '../../batch'
import { planAll } from '../../plans'
import type { Batch } from '..'
import { DEFAULT_SETTINGS, VERSION } from '..'
import { readBatch } from '../../formats'
import { openDocument, openDressing, openPaper, openSettings } from '../open'

type Data = ReturnType<typeof JSON.parse>
const fixture = (name: string): Data =>
  JSON.parse(readFileSync(new URL(`fixtures/${name}.json`, import.meta.url), 'utf8'))
function opened(data: Data): Batch {
  const read = readBatch(JSON.stringify(data))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

describe.each(['v1-first', 'v1-middle', 'v1-last'])('a file of version 1: %s', (name) => {
  const data = fixture(name)
  const batch = opened(data)

  it('is whole in the newest version, with everything that the maker had written', () => {
    expect(batch.version).toBe(VERSION)
    expect(batch.class).toEqual({ ...data.class, ...UNTIMED })
    expect(batch.cards.map(({ envelope: _, ...card }) => card)).toEqual(
      data.cards.map(({ envelope: _, ...card }: Data) => ({ ...card, ...ALIKE, faces: [], free: [], parts: [] })),
    )
    expect(batch.papers.map(({ stocks }) => stocks.map(({ key: _, ...stock }) => stock))).toEqual(
      data.papers.map(({ stocks }: Data) => stocks),
    )
    expect([batch.prices, pricesOf(batch)]).toEqual([
      moneyOf(data.prices), [data.prices.tapePerMetre, 20, data.prices.foamPad],
    ])
  })

  it('is opened the same from a row of the database, where class and papers lie apart', () => {
    const { format: _, version: _v, papers, ...row } = data
    const { papers: _p, ...document } = batch
    expect(openDocument(row)).toEqual({ ok: true, value: document })
    expect(papers.map((paper: Data) => openPaper(paper))).toEqual(batch.papers.map(value => ({ ok: true, value })))
  })

  it('needs no second step', () => {
    expect(openDocument((({ papers: _, ...document }) => document)(batch))).toMatchObject({
      ok: true,
      value: { cutting: batch.cutting, post: batch.post },
    })
  })
})

describe('a file of version 2', () => {
  const data = fixture('v2')

  it('keeps what it said of the cutting, and asks for no sheet of the other units', () => {
    const batch = opened(data)
    expect(batch.version).toBe(VERSION)
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, also: [], miscut: [] })))
    // Nothing lies on its cards but what the catalogue puts there: the same pieces as before.
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...card, ...ALIKE, faces: [], free: [], parts: [] })))
    expect([batch.papers, batch.post]).toEqual([data.papers, data.post])
  })

  it('keeps the sizes that a card left out, where they would follow its own by now', () => {
    const card = { ...data.cards[0], fold: 'z-fold', parameters: { width: '8 1/2 in', border: '1/4 in' }, papers: {} }
    const [old] = opened({ ...data, cards: [card] }).cards
    expect(old!.parameters).toEqual({
      width: '8 1/2 in', border: '1/4 in', plateWidth: '3 1/4 in', plateHeight: '3 1/2 in',
    })
  })
})

describe('a file of version 3', () => {
  const data = fixture('v3')

  it('is glued all over, made of nothing special, and has no pools and nothing to buy', () => {
    const batch = opened(data)
    const more = { glue: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }, made: [], foam: '0 in' }
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      ...ALIKE,
      faces: [{ ...faces[0], message: false, layers: [{ ...faces[0].layers[0], ...more }] }],
      free: [{ ...free[0], ...more, from: '' }],
      parts: [],
    })
    expect([batch.version, batch.pools, batch.supplies.length, batch.papers]).toEqual([VERSION, [], 3, data.papers])
  })
})

/** Before version 8 there was no time of day, and tape and foam were prices. */
const UNTIMED = { starts: '', lasts: 180, place: '' }
const moneyOf = ({ currency, hour = 1200 }: Data) => ({
  currency, hour, venue: 0, seat: 0, packs: 'share', offcuts: 'nothing',
})
const pricesOf = ({ supplies }: Batch) => supplies.map(({ price }) => price)

/**
 * Before version 9 the parts of a fold were held as the catalogue has them, and no piece was cut out of another one.
 */
const inOneHold = (card: Data): Data =>
  ({ parts: [], ...card, free: (card.free ?? []).map((piece: Data) => ({ from: '', ...piece })) })

/** Before version 6 a card was the same for everybody. */
const ALIKE = { colourways: [], insteadOf: '', bags: [] }

/** What was not limited before version 5. */
const UNLIMITED = {
  working: 'as it pays', mostPiles: null, mostLayouts: null, mostStages: null, leastStrip: '0 in', offcutsFirst: false,
}

describe('a file of version 4', () => {
  const data = fixture('v4')
  const batch = opened(data)

  it('wished for few settings or little time, which is to be easy to cut since; nothing is limited', () => {
    expect(batch.wishes).toMatchObject({ ...UNLIMITED, priority: 'easy' })
    expect(batch.cutting).toEqual([{ ...data.cutting[0], priority: 'easy', miscut: [] }, ...data.cutting.slice(1)])
    expect(batch.tools.pace).toEqual({ ...data.tools.pace, turning: 3, aside: 10, beside: 2, reading: 30 })
  })

  it('knew one foam and one tape, and no price for an hour', () => {
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      ...ALIKE,
      faces: [{ ...faces[0], layers: [{ ...faces[0].layers[0], foam: '0 in' }] }],
      free: [{ ...free[0], foam: '0 in', from: '' }],
      parts: [],
    })
    expect([batch.prices, batch.pools, batch.version]).toEqual([moneyOf(data.prices), data.pools, VERSION])
    expect(pricesOf(batch).slice(0, 3)).toEqual([data.prices.tapePerMetre, 20, data.prices.foamPad])
  })

  it('has settings of a studio from before that are read as well', () => {
    const { pace: _, ...tools } = DEFAULT_SETTINGS.tools.inch
    const prices = { currency: 'USD', tapePerMetre: 9, foamPad: 2 }
    const { supplies: _s, ...settings } = DEFAULT_SETTINGS
    const old = { setting: 30, stroke: 5, handling: 9 }
    const read = openSettings({
      ...settings,
      prices,
      tools: { inch: { ...tools, pace: old }, metric: { ...DEFAULT_SETTINGS.tools.metric, pace: old } },
    })
    const pace = { setting: 30, aside: 10 }
    expect(read).toMatchObject({ ok: true, value: { prices: { hour: 1200, packs: 'share' },
      supplies: [{ price: 9 }, { price: 20 }, { price: 2 }], tools: { inch: { pace }, metric: { pace } } } })
  })
})

describe('a file of version 5', () => {
  const data = fixture('v5')
  const batch = opened(data)

  it('was the same for everybody: no colourways, no names, prints shared out as is natural since', () => {
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...inOneHold(card), ...ALIKE })))
    expect([batch.version, batch.roster, batch.papers]).toEqual([VERSION, [], data.papers])
    const wish = (weight: number) => ({ hold: 'wish', weight })
    expect(batch.sharing).toMatchObject({
      touching: wish(20), neighbours: wish(10), different: wish(10), evenly: wish(1), surplus: 0,
    })
  })
})

describe('a file of version 6', () => {
  const data = fixture('v6')
  const batch = opened(data)

  it('took offcuts where they saved sheets, and nothing came out in a wrong size', () => {
    const roster = data.roster.map((seat: Data) => ({ profile: '', ...seat }))
    expect([batch.version, batch.cards, batch.roster]).toEqual([VERSION, data.cards.map(inOneHold), roster])
    expect(batch.sharing).toMatchObject(data.sharing)
    expect(batch.wishes).toMatchObject({ ...data.wishes, offcutsFirst: false })
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, miscut: [] })))
  })
})

describe('a file of version 7', () => {
  const data = fixture('v7')
  const batch = opened(data)

  it('knew tape and foam by their price, and ribbon by what a metre costs', () => {
    expect(
      batch.supplies.map(({ key, use, way, pack, price, weight }) => [key, use, way, pack, price, weight]),
    ).toEqual([
      ['tape', 'tape', 'outline', 1, 9, 0], ['strong-tape', 'strong tape', 'outline', 1, 20, 0],
      ['foam-pads', 'foam', 'full area', 1, 2, 0],
      ['brass-pin', 'thing', 'outline', 1, 12, 2], ['ribbon', 'thing by length', 'outline', 1, 80, 3],
    ])
    expect([batch.prices, batch.class, batch.shopping]).toEqual([
      moneyOf(data.prices), { ...data.class, ...UNTIMED }, [],
    ])
  })

  it('had every piece cut for every bag', () => {
    const { papers } = prepare(batch)
    expect(prepare({ ...batch, prep: { ...batch.prep, profiles: [] } }).papers.map(({ demands }) => demands))
      .toEqual(papers.map(({ demands }) => demands))
    expect(batch.roster).toEqual(data.roster.map((seat: Data) => ({ ...seat, profile: '' })))
  })
})

describe('a file of version 8', () => {
  const data = fixture('v8')
  const batch = opened(data)

  it('held the parts of a fold as the catalogue does, and cut every free piece from a paper of its own', () => {
    expect(batch.cards).toEqual(data.cards.map(inOneHold))
    expect(prepare(batch).papers.map(({ demands }) => demands.length)).not.toContain(0)
  })

  it('drew dots from the hook-and-loop dots, which are a thing that a fold names since; what was noted of them stays', () => {
    const before = data.supplies.find(({ key }: Data) => key === 'dots')
    expect(batch.supplies.find(({ key }) => key === 'hook-and-loop-dot')).toEqual({
      ...before, key: 'hook-and-loop-dot', use: 'thing',
    })
    expect(batch.supplies.some(({ use }) => use === 'dot')).toBe(false)
    const line = { key: 'dots', sort: 'supply', item: 'dots', stock: '', where: 'By the quay', ordered: 1 }
    expect(opened({ ...data, shopping: [line] }).shopping).toEqual([{ ...line, item: 'hook-and-loop-dot' }])
    const settings = openSettings({ ...DEFAULT_SETTINGS, supplies: data.supplies })
    expect(settings.ok && settings.value.supplies).toEqual(batch.supplies)
  })
})

describe('what version 1 had not written down', () => {
  it('gets what was natural then, not what is natural now', () => {
    const { post, tools, cutting, wishes } = opened(fixture('v1-first'))
    expect([post.foam, post.bulk, post.envelopes.length, post.rates.length]).toEqual(['1.5 mm', 1.25, 6, 3])
    expect([tools.kerf, tools.pace, cutting]).toEqual([
      '0 mm', { setting: 25, stroke: 4, handling: 8, turning: 3, aside: 10, beside: 2, reading: 30 }, [],
    ])
    expect(wishes.priority).toBe('money')
    // Fewest sheets meant least money until wishes for single papers came, and means itself since.
    expect([
      opened(fixture('v1-middle')).wishes, opened({ ...fixture('v1-last'), wishes: { priority: 'sheets' } }).wishes,
    ]).toMatchObject([
      { ...UNLIMITED, priority: 'money' },
      { ...UNLIMITED, priority: 'sheets' },
    ])
  })
})

describe('what version 1 pointed at by size or by name', () => {
  const batch = opened(fixture('v1-last'))

  it('is pointed at by key', () => {
    const paper = batch.papers.find(({ key }) => key === batch.cutting[0]!.paper)!
    const letter = paper.stocks.find(({ width }) => width === '8 1/2 in')!
    expect(batch.cutting[0]!.without).toEqual([letter.key])
    expect(batch.cutting[0]!.layouts.map(({ key, supply }) => [key, supply])).toEqual([
      ['kept-1', letter.key],
      ['kept-2', letter.key],
    ])
    expect(batch.cards[0]!.envelope).toBe(batch.post.envelopes.find(({ name }) => name === 'A6 envelope')!.key)
    // One that is not in the table stays missing.
    expect(batch.post.envelopes.map(({ key }) => key)).not.toContain(batch.cards[1]!.envelope)
    expect(batch.cards[1]!.envelope).not.toBe('')
  })

  it('gives two offcuts of one size two keys', () => {
    const keys = batch.papers[0]!.offcuts.map(({ key }) => key)
    expect(new Set(keys).size).toBe(2)
  })

  it('still counts the same: kept layouts fit, and plans have the same sheets', () => {
    const preparation = prepare(batch)
    expect(preparation.papers.flatMap(({ dropped }) => dropped)).toEqual([])
    const first = opened(fixture('v1-first'))
    expect(planAll(first, prepare(first)).every(({ plan }) => plan.unplaced.length === 0)).toBe(true)
  })
})

describe('the step from version 1', () => {
  it('leaves to the door what it does not understand', () => {
    for (const broken of [
      {},
      { class: 7, cards: {}, tools: [], post: null, cutting: 'x', papers: [null, 3] },
      {
        cards: [null], cutting: [{ layouts: 4, without: [{}, 3] }], post: { envelopes: [{ name: 3 }, null], rates: 1 },
      },
    ]) {
      expect(openDocument(broken)).toMatchObject({ ok: false })
    }
    expect(openDocument({ version: 99 })).toMatchObject({ ok: false, problems: [{ path: 'version' }] })
    expect(openPaper({ version: 1, stocks: 7 })).toMatchObject({ ok: false })
  })
})

describe('settings and what is put on a card', () => {
  it('have a version since the ninth, and are read like everything else', () => {
    expect(openSettings({ version: VERSION, ...DEFAULT_SETTINGS })).toEqual({ ok: true, value: DEFAULT_SETTINGS })
    const bare = { faces: [], free: [], parts: [] }
    expect(openDressing({ version: VERSION, ...bare })).toEqual({ ok: true, value: bare })
    for (const version of [0, VERSION + 1, '9']) {
      expect(openSettings({ version, ...DEFAULT_SETTINGS })).toMatchObject({
        ok: false, problems: [{ path: 'version' }],
      })
      expect(openDressing({ version, faces: [] })).toMatchObject({ ok: false, problems: [{ path: 'version' }] })
    }
  })

  it('are completed only where they are from before', () => {
    const free = {
      key: 'sun',
      kind: 'figure',
      name: 'Sun',
      shape: 'rectangle',
      width: '1 in',
      height: '1 in',
      corner: '0 in',
      outline: '',
      ring: '0 in', count: 1, face: '', left: '0 in', bottom: '0 in', turn: 0, hold: 'tape', printTop: 'any' }
    const read = openDressing({ free: [free] })
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).not.toContain('free[0].glue')
    const now = openDressing({ version: VERSION, faces: [], free: [free], parts: [] })
    expect(now.ok ? [] : now.problems.map(({ path }) => path)).toContain('free[0].glue')
    expect(openDressing({ faces: [{ key: 'a', layers: 'none' }] })).toMatchObject({ ok: false })
    expect(openDressing({ faces: [{ key: 'base--left--outside', stamped: false, layers: [] }] }))
      .toMatchObject({ ok: true, value: { faces: [{ message: false }], free: [], parts: [] } })
  })
})
