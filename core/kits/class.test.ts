import { freeKey, freeTitle, newClass } from '../document'
import type { Batch, PaperEntry } from '../document'
import { describe, expect, it } from 'vitest'
import { newCard, prepare, withPapers } from '../batch'
import { planAll } from '../plans'
import { findingsOf, kitsByArea, kitsOfBatch, packedBags, stopsIn, summaryOf, viewOf } from '.'
import { letterPaper, paperedCard } from '../batch/testing'
import { foldById } from '../folds'
import { inches } from '../lengths'

const zFold = foldById('z-fold')!
const paper = (key: string, changes: Partial<PaperEntry> = {}): PaperEntry =>
  letterPaper(key, { weight: 250, ...changes })
const chalk = paper('chalk', { colour: '#f5f5f0' })
const herring = paper('herring', { kind: 'print', upright: true })
const empty: Batch = {
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 4, spares: 1 }),
  papers: [paper('kelp'), chalk, herring],
}
const batch: Batch = { ...empty, cards: [paperedCard(zFold, empty)] }

describe('a new card', () => {
  it('starts with one kit for each seat and spare, and a usual paper for every part', () => {
    const [card] = prepare(batch).cards
    expect(card!.kits).toBe(5)
    expect(card!.pieces.map(({ key, paper }) => [key, paper?.key])).toEqual([
      ['base', 'kelp'],
      ['mat-a', 'herring'],
      ['mat-b', 'herring'],
      ['mat-c', 'herring'],
      ['message', 'chalk'],
      ['plate', 'kelp'],
      ['plate-mat', 'herring'],
    ])
    expect(stopsIn(findingsOf(prepare(batch)))).toBe(0)
  })

  it('gets a key and a title of its own', () => {
    const second = paperedCard(zFold, batch)
    expect([second.key, second.title]).toEqual(['z-fold-2', 'Z-fold 2'])
    expect(freeKey('a', ['a', 'a-2'])).toBe('a-3')
    expect(freeTitle('x'.repeat(120), ['x'.repeat(120)]).length).toBeLessThanOrEqual(120)
  })

  it('keeps chosen papers when parts are added', () => {
    const chosen = { ...batch.cards[0]!, papers: { base: 'chalk' } }
    const other = { ...batch.cards[0]!, key: 'other', papers: { 'mat-a': 'herring', 'base': 'kelp' } }
    expect(withPapers(chosen, zFold, { ...batch, cards: [chosen, other] }).papers).toEqual({
      'base': 'chalk',
      'mat-a': 'herring',
      'mat-b': 'herring',
      'mat-c': 'herring',
      'plate-mat': 'herring',
    })
  })

  it('takes the papers of the class for the same roles, and nothing that nobody chose', () => {
    expect(newCard(zFold, empty).papers).toEqual({})
    const mixed = { ...batch, cards: [{ ...batch.cards[0]!, papers: { ...batch.cards[0]!.papers, base: 'chalk' } }] }
    const next = newCard(foldById('gatefold')!, mixed)
    expect([
      next.papers.base,
      ...new Set(
        Object.entries(next.papers)
          .filter(([key]) => key.startsWith('mat'))
          .map(([, paper]) => paper),
      ),
    ]).toEqual(['chalk', 'herring'])
  })

  it('has no paper where the shelf is empty, and says so', () => {
    const bare = { ...empty, papers: [] }
    const preparation = prepare({ ...bare, cards: [paperedCard(zFold, bare)] })
    expect(stopsIn(findingsOf(preparation))).toBe(7)
    expect(preparation.cards[0]!.findings[0]!.problem).toContain('has no paper yet')
  })

  it('says at once what is wrong with a card, and tries what would put it right only for its list of findings', () => {
    const [card] = prepare({
      ...empty, cards: [{ ...paperedCard(zFold, empty), parameters: { border: '3 in' } }],
    }).cards
    const stops = card!.findings.filter(({ severity }) => severity === 'stop')
    expect([stops.length > 0, stops.some(({ fix }) => fix)]).toEqual([true, false])
    const view = viewOf(card!, empty).findings
    expect(view.filter(({ severity }) => severity === 'stop').every(({ fix }) => fix)).toBe(true)
  })
})

describe('from cards to demand', () => {
  it('gathers equal pieces of one paper, whatever card they are for', () => {
    const { papers } = prepare({ ...batch, cards: [batch.cards[0]!, { ...paperedCard(zFold, batch), kits: 3 }] })
    const demands = papers.find(({ paper }) => paper.key === 'herring')!.problem.demands
    // Mats A and B are alike: 2 × (5 + 3); mat C and the plate's mat once each.
    expect(demands.map(({ width, height, quantity }) => [width, height, quantity])).toEqual([
      [inches(1.875), inches(5.25), 16],
      [inches(4), inches(5.25), 8],
      [inches(3), inches(3.25), 8],
    ])
    expect(demands[0]!.name).toBe('Mat on panel A (Z-fold, Z-fold 2), Mat on panel B (Z-fold, Z-fold 2)')
    expect(demands.every(({ turn }) => turn === 'as drawn')).toBe(true)
  })

  it('cuts a matched pair from one blank, and each by itself where the print need not run on', () => {
    const stage = (matched: boolean) =>
      prepare({ ...batch, cards: [paperedCard(foldById('book-stage')!, batch, { parameters: { matched } })] })
    const named = (preparation: ReturnType<typeof stage>) =>
      preparation.papers
        .flatMap(({ problem }) => problem.demands)
        .map(({ name, width, quantity }) => [name, width, quantity] as const)
    const kits = batch.class.seats + batch.class.spares
    // Pages of 4 1/8 − 1 1/4 − 3/4 = 2 1/8, less two borders of 1/8.
    expect(named(stage(true))).toContainEqual([
      'Mat on left page and Mat on right page, matched', 2 * inches(1.875), kits,
    ])
    expect(
      named(stage(false))
        .map(([name]) => name)
        .join(),
    ).not.toContain('matched')
    // No piece is lost: the list of pieces is the same.
    expect(stage(true).cards[0]!.pieces.map(({ key, quantity }) => [key, quantity])).toEqual(
      stage(false).cards[0]!.pieces.map(({ key, quantity }) => [key, quantity]),
    )
  })

  it('turns prints on the sheet for sideways decoration', () => {
    const sideways = { ...batch.cards[0]!, parameters: { ...batch.cards[0]!.parameters, decoration: 'sideways' } }
    const { papers } = prepare({ ...batch, cards: [sideways] })
    expect(
      papers.find(({ paper }) => paper.key === 'herring')!.problem.demands.every(({ turn }) => turn === 'turned'),
    ).toBe(true)
    expect(
      papers.find(({ paper }) => paper.key === 'chalk')!.problem.demands.every(({ turn }) => turn === 'either'),
    ).toBe(true)
  })

  it('changes everything with one border', () => {
    const wide = { ...batch.cards[0]!, parameters: { ...batch.cards[0]!.parameters, border: '1/4 in' } }
    const [before, after] = [prepare(batch), prepare({ ...batch, cards: [wide] })].map(({ cards }) =>
      cards[0]!.pieces.find(({ key }) => key === 'mat-c')!,
    )
    expect(before!.width.value - after!.width.value).toBe(inches(0.25))
    expect(after!.height.explain('inch')).toBe('Finished height 5 1/2 − 2 × Border 1/4')
  })

  it('plans nothing for no kits', () => {
    expect(prepare({ ...batch, cards: [{ ...batch.cards[0]!, kits: 0 }] }).papers).toEqual([])
  })
})

describe('findings of the batch', () => {
  const findings = (changes: Partial<Batch['cards'][0]>, papers = batch.papers) =>
    prepare({ ...batch, papers, cards: [{ ...batch.cards[0]!, ...changes }] }).cards[0]!.findings.map(
      ({ severity, problem }) => `${severity}: ${problem}`,
    )

  it('names a fold nobody knows', () => {
    expect(findings({ fold: 'origami-swan' })).toEqual([expect.stringContaining('does not know')])
  })

  it('names a parameter that cannot be read', () => {
    expect(findings({ parameters: { width: 'wide' } })).toEqual([expect.stringContaining('stop: Finished width')])
  })

  it('misses a paper that left the shelf', () => {
    expect(findings({}, [paper('kelp'), herring])).toContainEqual(
      expect.stringContaining('“chalk”, which is no longer on the shelf'),
    )
  })

  it('knows light bases, heavy stock and narrow pieces', () => {
    expect(findings({}, [paper('kelp', { weight: 120 }), chalk, herring])).toContainEqual(
      expect.stringContaining('too light'),
    )
    expect(findings({}, [paper('kelp', { weight: 300 }), chalk, herring])).toContainEqual(
      expect.stringContaining('along the grain'),
    )
    expect(
      findings({ parameters: { ...batch.cards[0]!.parameters, width: '1 in', plate: false, message: false } }),
    ).toContainEqual(expect.stringContaining('too narrow to hold'))
  })
})

describe('what a shelf is enough for', () => {
  it('is counted by area, never fewer than a plan makes', () => {
    const bare = batch.papers.map(entry => ({ ...entry, stocks: [], offcuts: [] }))
    expect(kitsByArea(zFold, bare, 'inch')).toBe(0)
    const most = kitsByArea(zFold, batch.papers, 'inch')
    const made = { ...batch, cards: [{ ...batch.cards[0]!, kits: most + 1 }] }
    const short = planAll(made, prepare(made)).some(({ sheets }) =>
      sheets.some(({ needed, onHand }) => needed > onHand),
    )
    expect([most > 0, short]).toEqual([true, true])
  })
})

describe('the whole class', () => {
  it('goes from cards to bags and costs', () => {
    const preparation = prepare(batch)
    const kits = kitsOfBatch(batch, preparation, planAll(batch, preparation))
    expect(packedBags(preparation)).toHaveLength(5)
    expect(kits.purchases.filter(({ sort }) => sort === 'paper').every(({ toBuy }) => toBuy === 0)).toBe(true)
    expect(kits.costs[0]!.paper).toBeGreaterThan(0)
    expect(summaryOf(batch, batch.papers)).toMatchObject({
      title: 'Test',
      cards: [{ title: 'Z-fold', fold: 'z-fold', colours: { base: '#808080' } }],
      bags: 5,
      pieces: 35,
      stops: 0,
    })
  })

  it('says what comes next in the order of the craft, and what has to be bought whatever the plan', () => {
    const step = (change: (batch: Batch) => Batch) => {
      const changed = change(batch)
      return summaryOf(changed, changed.papers).next
    }
    const card = batch.cards[0]!
    expect(step(all => ({ ...all, cards: [] }))).toEqual({ station: 'cards', words: 'Choose the cards' })
    expect(
      step(all => ({ ...all, cards: [{ ...card, parameters: { ...card.parameters, border: '4 in' } }] })).station,
    ).toBe('cards')
    expect(step(all => ({ ...all, cards: [{ ...card, papers: {} }] }))).toEqual({
      station: 'papers',
      words: 'Choose papers for 7 pieces',
    })
    expect(step(all => all)).toEqual({ station: 'cutting', words: 'Cut the sheets' })
    const bare = batch.papers.map(entry => ({
      ...entry, stocks: entry.stocks.map(stock => ({ ...stock, onHand: 0 })), offcuts: [],
    }))
    expect(step(all => ({ ...all, papers: bare }))).toEqual({ station: 'kits', words: 'Buy paper, then cut' })
    for (const { paper: name, sheets } of summaryOf(batch, bare).short) {
      const { plan } = planAll({ ...batch, papers: bare }, prepare({ ...batch, papers: bare })).find(
        ({ paper }) => paper.name === name,
      )!
      expect([sheets > 0, sheets <= plan.sheets]).toEqual([true, true])
    }
    expect(step(all => ({ ...all, cards: [{ ...card, kits: 0 }] })).words).toBe('Pack the bags')
  })

  it('follows the sheets: what is needed is what the layouts open', () => {
    for (const { plan, sheets } of planAll(batch, prepare(batch))) {
      expect(sheets.reduce((sum, { needed }) => sum + needed, 0)).toBe(plan.sheets)
    }
  })
})
