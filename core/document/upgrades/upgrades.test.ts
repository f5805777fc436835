import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { planAll, prepare } from '../../batch'
import type { Batch } from '..'
import { DEFAULT_SETTINGS, VERSION } from '..'
import { readBatch } from '../../formats'
import { openDocument, openPaper, openSettings } from '../open'

type Data = ReturnType<typeof JSON.parse>
const fixture = (name: string): Data => JSON.parse(readFileSync(new URL(`fixtures/${name}.json`, import.meta.url), 'utf8'))
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
    expect(batch.class).toEqual(data.class)
    expect(batch.cards.map(({ envelope: _, ...card }) => card)).toEqual(
      data.cards.map(({ envelope: _, ...card }: Data) => ({ ...card, ...ALIKE, faces: [], free: [] })),
    )
    expect(batch.papers.map(({ stocks }) => stocks.map(({ key: _, ...stock }) => stock))).toEqual(
      data.papers.map(({ stocks }: Data) => stocks),
    )
    expect(batch.prices).toEqual({ ...data.prices, hour: 1200, strongTapePerMetre: 20 })
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
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...card, ...ALIKE, faces: [], free: [] })))
    expect([batch.papers, batch.post]).toEqual([data.papers, data.post])
  })

  it('keeps the sizes that a card left out, where they would follow its own by now', () => {
    const card = { ...data.cards[0], fold: 'z-fold', parameters: { width: '8 1/2 in', border: '1/4 in' }, papers: {} }
    const [old] = opened({ ...data, cards: [card] }).cards
    expect(old!.parameters).toEqual({ width: '8 1/2 in', border: '1/4 in', plateWidth: '3 1/4 in', plateHeight: '3 1/2 in' })
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
      free: [{ ...free[0], ...more }],
    })
    expect([batch.version, batch.pools, batch.bought, batch.papers]).toEqual([VERSION, [], [], data.papers])
  })
})

/** Before version 6 a card was the same for everybody. */
const ALIKE = { colourways: [], insteadOf: '', bags: [] }

/** What was not limited before version 5. */
const UNLIMITED = { working: 'as it pays', mostPiles: null, mostLayouts: null, mostStages: null, leastStrip: '0 in', offcutsFirst: false }

describe('a file of version 4', () => {
  const data = fixture('v4')
  const batch = opened(data)

  it('wished for few settings or little time, which is to be easy to cut since; nothing is limited', () => {
    expect(batch.wishes).toEqual({ ...UNLIMITED, priority: 'easy' })
    expect(batch.cutting).toEqual([{ ...data.cutting[0], priority: 'easy', miscut: [] }, ...data.cutting.slice(1)])
    expect(batch.tools.pace).toEqual({ ...data.tools.pace, turning: 3, aside: 10, beside: 2, reading: 30 })
  })

  it('knew one foam and one tape, and no price for an hour', () => {
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      ...ALIKE,
      faces: [{ ...faces[0], layers: [{ ...faces[0].layers[0], foam: '0 in' }] }],
      free: [{ ...free[0], foam: '0 in' }],
    })
    const prices = { ...data.prices, hour: 1200, strongTapePerMetre: 20 }
    expect([batch.prices, batch.pools, batch.version]).toEqual([prices, data.pools, VERSION])
  })

  it('has settings of a studio from before that are read as well', () => {
    const { pace: _, ...tools } = DEFAULT_SETTINGS.tools.inch
    const { hour, strongTapePerMetre, ...prices } = DEFAULT_SETTINGS.prices
    const old = { setting: 30, stroke: 5, handling: 9 }
    const read = openSettings({
      ...DEFAULT_SETTINGS, prices, tools: { inch: { ...tools, pace: old }, metric: { ...DEFAULT_SETTINGS.tools.metric, pace: old } },
    })
    const pace = { setting: 30, aside: 10 }
    expect(read).toMatchObject({ ok: true, value: { prices: { hour, strongTapePerMetre }, tools: { inch: { pace }, metric: { pace } } } })
  })
})

describe('a file of version 5', () => {
  const data = fixture('v5')
  const batch = opened(data)

  it('was the same for everybody: no colourways, no names, prints shared out as is natural since', () => {
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...card, ...ALIKE })))
    expect([batch.version, batch.roster, batch.papers]).toEqual([VERSION, [], data.papers])
    const wish = (weight: number) => ({ hold: 'wish', weight })
    expect(batch.sharing).toEqual({ touching: wish(20), neighbours: wish(10), different: wish(10), evenly: wish(1), surplus: 0 })
  })
})

describe('a file of version 6', () => {
  const data = fixture('v6')
  const batch = opened(data)

  it('took offcuts where they saved sheets, and nothing came out in a wrong size', () => {
    expect([batch.version, batch.cards, batch.roster, batch.sharing]).toEqual([VERSION, data.cards, data.roster, data.sharing])
    expect(batch.wishes).toEqual({ ...data.wishes, offcutsFirst: false })
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, miscut: [] })))
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
    expect([opened(fixture('v1-middle')).wishes, opened({ ...fixture('v1-last'), wishes: { priority: 'sheets' } }).wishes]).toEqual([
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
      { cards: [null], cutting: [{ layouts: 4, without: [{}, 3] }], post: { envelopes: [{ name: 3 }, null], rates: 1 } },
    ]) {
      expect(openDocument(broken)).toMatchObject({ ok: false })
    }
    expect(openDocument({ version: 99 })).toMatchObject({ ok: false, problems: [{ path: 'version' }] })
    expect(openPaper({ version: 1, stocks: 7 })).toMatchObject({ ok: false })
  })
})
