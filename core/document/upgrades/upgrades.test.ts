import { describe, expect, it } from 'vitest'
import { prepare } from '../../batch'
import { DEFAULT_SETTINGS, VERSION } from '..'
import { openDocument, openDressing, openPaper, openSettings } from '../open'
import type { Data } from './testing'
import {
  ALIKE, APART, STAMPED, UNDRESSED, UNLIMITED, UNPICTURED, UNTIMED,
  UNTOLD, fixture, inOneHold, moneyOf, opened, pricesOf,
  soldSingly, worked,
} from './testing'

describe.each(['v1-first', 'v1-middle', 'v1-last'])('a file of version 1: %s', (name) => {
  const data = fixture(name)
  const batch = opened(data)

  it('is whole in the newest version, with everything that the maker had written', () => {
    expect(batch.version).toBe(VERSION)
    expect(batch.class).toEqual({ ...data.class, ...UNTIMED })
    expect(batch.cards.map(({ envelope: _, ...card }) => card)).toEqual(
      data.cards.map(({ envelope: _, ...card }: Data) => ({ ...card, ...ALIKE, ...UNDRESSED })),
    )
    expect(batch.papers.map(({ stocks }) => stocks.map(({ key: _, pack: __, ...stock }) => stock))).toEqual(
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
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, ...APART, also: [], miscut: [] })))
    // Nothing lies on its cards but what the catalogue puts there: the same pieces as before.
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...card, ...ALIKE, ...UNDRESSED })))
    expect([batch.papers, batch.post]).toEqual([data.papers.map(soldSingly), { ...data.post, days: 4 }])
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
    const more = { glue: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }, works: [], foam: '0 in' }
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      ...ALIKE, ...UNPICTURED, ...UNTOLD,
      faces: [{ ...worked(faces[0], [STAMPED]), message: false, layers: [{ ...faces[0].layers[0], ...more }] }],
      free: [{ ...free[0], ...more, from: '' }],
      parts: [],
    })
    expect([batch.version, batch.pools, batch.supplies.length, batch.papers])
      .toEqual([VERSION, [], 3, data.papers.map(soldSingly)])
  })
})

describe('a file of version 4', () => {
  const data = fixture('v4')
  const batch = opened(data)

  it('wished for few settings or little time, which is to be easy to cut since; nothing is limited', () => {
    expect(batch.wishes).toMatchObject({ ...UNLIMITED, priority: 'easy' })
    expect(batch.cutting).toEqual([
      { ...data.cutting[0], ...APART, priority: 'easy', miscut: [] }, ...data.cutting.slice(1),
    ])
    expect(batch.tools.pace).toEqual({ ...data.tools.pace, turning: 3, aside: 10, beside: 2, reading: 30 })
  })

  it('knew one foam and one tape, and no price for an hour', () => {
    const { faces, free } = data.cards[0]
    expect(batch.cards[0]).toEqual({
      ...data.cards[0],
      ...ALIKE, ...UNPICTURED, ...UNTOLD,
      faces: [{
        ...worked(faces[0], [STAMPED]), layers: [{ ...worked(faces[0].layers[0], [STAMPED]), foam: '0 in' }],
      }],
      free: [{ ...worked(free[0], []), foam: '0 in', from: '' }],
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
    expect([batch.version, batch.roster, batch.papers]).toEqual([VERSION, [], data.papers.map(soldSingly)])
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
    expect(batch.cutting).toEqual(data.cutting.map((entry: Data) => ({ ...entry, ...APART, miscut: [] })))
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

describe('a file of version 9', () => {
  const data = fixture('v9')

  it('was planned and cut paper by paper, in one sitting, and goes on like that', () => {
    const cutting = [{ ...data.cutting[0], paper: 'kelp', priority: null, moreSheets: 1, without: [], also: [] }]
    const bare = { layouts: [], spoiled: [], miscut: [] }
    const batch = opened({ ...data, cutting: cutting.map(entry => ({ ...entry, ...bare })) })
    expect(batch.wishes).toEqual({ ...data.wishes, together: false, sittings: 1 })
    expect(batch.cutting).toMatchObject([{ paper: 'kelp', moreSheets: 1, ...APART }])
    expect(batch.cards).toEqual(data.cards.map((card: Data) => ({ ...UNPICTURED, ...UNTOLD, ...card })))
  })
})

describe('a file of version 10', () => {
  const data = fixture('v10')

  it('sold papers by the sheet, alike on both sides and good for everything', () => {
    const batch = opened(data)
    expect([batch.version, batch.papers, batch.cards]).toEqual([VERSION, data.papers.map(soldSingly),
      data.cards.map((card: Data) => ({ ...UNPICTURED, ...UNTOLD, ...card })),
    ])
    expect(data.papers.map((paper: Data) => openPaper({ version: 10, ...paper })))
      .toEqual(batch.papers.map(value => ({ ok: true, value })))
  })
})

describe('a file of version 11', () => {
  const data = fixture('v11')
  const [card] = opened(data).cards

  it('knew four words for what is done to a piece, which are works since, each once', () => {
    const techniques = (works: { technique: string }[]) => works.map(({ technique }) => technique)
    expect(card!.faces.map(({ works }) => techniques(works))).toEqual([['stamp'], []])
    expect([card!.faces[0]!.layers[0]!, card!.free[0]!, card!.parts[0]!].map(({ works }) => techniques(works)))
      .toEqual([['colour in', 'stamp'], ['die cut', 'cut out'], ['stamp']])
    expect(card!.free[0]!.works.map(({ key }) => key)).toEqual(['work-1', 'work-2'])
  })

  it('keeps everything else, and is refused where a word is none', () => {
    const { works: _, ...layer } = card!.faces[0]!.layers[0]!
    const { made: __, ...before } = data.cards[0].faces[0].layers[0]
    expect(layer).toEqual(before)
    const { faces, free, parts } = data.cards[0]
    expect(openDressing({ version: 11, faces, free, parts })).toEqual({
      ok: true, value: { faces: card!.faces, free: card!.free, parts: card!.parts, ...UNTOLD },
    })
    const wrong = openDressing({ version: 11, faces, free: [{ ...free[0], made: ['ironed'] }], parts })
    expect(wrong.ok ? [] : wrong.problems.map(({ path }) => path)).toContain('free[0].works[0].technique')
  })
})

describe('a file of version 12', () => {
  const data = fixture('v12')

  it('did not know how long the making takes, and keeps everything that it knew', () => {
    const { evening, ...batch } = opened(data)
    const { format: _f, post, ...known } = data
    const cards = known.cards.map((card: Data) => ({ ...card, ...UNTOLD }))
    expect({ ...batch, version: 12 }).toEqual({ ...known, cards, post: { ...post, days: 4 } })
    expect(evening)
      .toMatchObject({ machines: 1, heatTools: 1, spread: 35, hands: { stamp: 60 }, drying: { wash: 600 } })
    const { evening: _, post: { days, ...rates }, ...settings } = DEFAULT_SETTINGS
    expect(openSettings({ ...settings, post: rates, version: 12 }))
      .toMatchObject({ ok: true, value: { ...settings, post: { ...rates, days }, evening } })
  })
})
