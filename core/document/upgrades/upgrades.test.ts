import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { planAll, prepare } from '../../batch'
import type { Batch } from '..'
import { VERSION } from '..'
import { readBatch } from '../../formats'
import { openDocument, openPaper } from '../open'

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
      data.cards.map(({ envelope: _, ...card }: Data) => ({ ...card, faces: [], free: [] })),
    )
    expect(batch.papers.map(({ stocks }) => stocks.map(({ key: _, ...stock }) => stock))).toEqual(
      data.papers.map(({ stocks }: Data) => stocks),
    )
    expect(batch.prices).toEqual(data.prices)
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
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, also: [] })))
    // Nothing lies on its cards but what the catalogue puts there: the same pieces as before.
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...card, faces: [], free: [] })))
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
    const more = { glue: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }, made: [] }
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      faces: [{ ...faces[0], message: false, layers: [{ ...faces[0].layers[0], ...more }] }],
      free: [{ ...free[0], ...more }],
    })
    expect([batch.version, batch.pools, batch.bought, batch.papers]).toEqual([VERSION, [], [], data.papers])
  })
})

describe('what version 1 had not written down', () => {
  it('gets what was natural then, not what is natural now', () => {
    const { post, tools, cutting, wishes } = opened(fixture('v1-first'))
    expect([post.foam, post.bulk, post.envelopes.length, post.rates.length]).toEqual(['1.5 mm', 1.25, 6, 3])
    expect([tools.kerf, tools.pace, cutting]).toEqual(['0 mm', { setting: 25, stroke: 4, handling: 8 }, []])
    expect(wishes.priority).toBe('money')
    // Fewest sheets meant least money until wishes for single papers came, and means itself since.
    expect([opened(fixture('v1-middle')).wishes, opened({ ...fixture('v1-last'), wishes: { priority: 'sheets' } }).wishes]).toEqual([
      { priority: 'money' },
      { priority: 'sheets' },
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
