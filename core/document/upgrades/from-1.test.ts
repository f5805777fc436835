import { describe, expect, it } from 'vitest'
import { prepare } from '../../batch'
import { planAll } from '../../plans'
import { DEFAULT_SETTINGS, VERSION } from '..'
import { openDocument, openDressing, openPaper, openSettings } from '../open'
import type { Data } from './testing'
import { fixture, opened, inOneHold, UNLIMITED } from './testing'

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
    const bare = { faces: [], free: [], parts: [], steps: [], note: '' }
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
