import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import type { Preparation } from '../batch'
import { paperedCard } from '../batch/testing'
import { fittedTo, placeInWords, prepare, valueInWords } from '../batch'
import { findingsOf, stopsIn, viewOf } from '.'
import { demoBatches } from '../../demo'
import { newCutting } from '../document'
import { problemKey } from '../cutting'
import { FOLDS, TRIED_OPENINGS } from '../folds'

/** What follows from a preparation, without the functions by which cards move. */
const told = ({ cards, papers, scrap, cutter }: Preparation) => ({
  cards: cards.map(({ entry, kits, findings, pieces }) => ({
    entry,
    kits,
    findings,
    pieces: pieces.map(({ width, height, ...piece }) => ({
      ...piece,
      width: width.value,
      height: height.value,
      scores: piece.scores.length,
    })),
  })),
  papers: papers.map(({ cards: _, ...paper }) => ({ ...paper, key: problemKey(paper.problem) })),
  scrap,
  cutter,
})

const batch = demoBatches(new Date(2030, 0, 1))[1]!

const WITHOUT_A4 = { ...newCutting('kelp'), without: ['a4'] }

describe('a class that is prepared again', () => {
  const before = prepare(batch)

  it('prepares only the card that was touched, and plans only its papers anew', () => {
    const changed = produce(batch, draft => void (draft.cards[0]!.parameters.border = '1/4 in'))
    const after = prepare(changed, before)
    expect(after.cards.map((card, at) => card === before.cards[at])).toEqual(batch.cards.map((_, at) => at > 0))
    const touched = new Set(after.cards[0]!.pieces.flatMap(({ shares }) => shares.map(({ paper }) => paper.key)))
    for (const paper of after.papers)
      expect([paper.paper.key, before.papers.includes(paper)]).toEqual([paper.paper.key, !touched.has(paper.paper.key)])
    expect(told(after)).toEqual(told(prepare(changed)))
  })

  it('keeps everything where only words change', () => {
    const after = prepare(
      produce(batch, draft => void (draft.class.notes = 'x')),
      before,
    )
    expect([
      after.cards.every((card, at) => card === before.cards[at]),
      after.papers.every((paper, at) => paper === before.papers[at]),
    ]).toEqual([true, true])
  })

  it.each<[string, (draft: typeof batch) => void]>([
    ['the units', draft => void (draft.class.units = 'metric')],
    ['the seats', draft => void (draft.class.seats += 1)],
    ['a tool', draft => void (draft.tools.mark = '1/8 in')],
    ['the wishes', draft => void (draft.wishes.priority = 'sheets')],
    ['a paper', draft => void (draft.papers[0]!.weight = 300)],
    ['a paper that leaves the shelf', draft => void draft.papers.splice(0, 1)],
    [
      'the wishes for a paper',
      draft => void draft.cutting.push(WITHOUT_A4),
    ],
    ['a card', draft => void draft.cards.splice(1, 1)],
  ])('comes to the same as one that is prepared from nothing, whatever was changed: %s', (_, change) => {
    const changed = produce(batch, change)
    expect(told(prepare(changed, before))).toEqual(told(prepare(changed)))
  })
})

describe('the one list of findings', () => {
  it('has what every card says of itself, once, in the order in which it wants to be settled', () => {
    const preparation = prepare({ ...batch, papers: batch.papers.slice(1) })
    const findings = findingsOf(preparation)
    const ofCards = preparation.cards.flatMap(card => viewOf(card, batch).findings)
    expect(findings).toHaveLength(ofCards.length)
    expect(stopsIn(findings)).toBe(stopsIn(ofCards))
    const order = findings.map(({ severity }) => ['stop', 'warn', 'note'].indexOf(severity))
    expect(order).toEqual([...order].sort())
  })

  it('looks at every fold at the same openings, and at its posting', () => {
    expect([TRIED_OPENINGS[0], TRIED_OPENINGS.at(-1)]).toEqual([0.1, 1])
    const all = { ...batch, cards: FOLDS.map(fold => paperedCard(fold, { ...batch, cards: [] })) }
    for (const card of prepare(all).cards) expect(viewOf(card, all).posting?.weight).toBeGreaterThan(0)
  })
})

describe('a class from elsewhere', () => {
  it('uses a paper as it lies on the shelf, and brings in one of another grain under another key', () => {
    const [kelp, ...others] = batch.papers
    expect(fittedTo(batch.papers, batch)).toMatchObject({ added: [], document: { cards: batch.cards } })
    const shelfWith = [{ ...kelp!, grain: 'width' as const }, ...others]
    const { added, document } = fittedTo(shelfWith, batch)
    expect(added.map(({ key, name, grain }) => [key, name, grain])).toEqual([['kelp-2', 'Kelp 2', kelp!.grain]])
    expect(Object.values(document.cards[0]!.papers)).toContain('kelp-2')
    expect(Object.values(document.cards[0]!.papers)).not.toContain('kelp')
    // The same file once more is the same class: what came in under another key is found there.
    expect(fittedTo([...shelfWith, ...added], batch)).toEqual({ added: [], document })
  })

  it('points at the sheets of the shelf, whatever their keys are there', () => {
    const from = { ...batch, cutting: [WITHOUT_A4] }
    const shelf = batch.papers.map(paper => ({
      ...paper,
      stocks: paper.stocks.map(stock => ({ ...stock, key: `own-${stock.key}`, onHand: 1 })),
    }))
    expect(fittedTo(shelf, from).document.cutting[0]!.without).toEqual(['own-a4'])
  })
})

describe('places in words', () => {
  it.each([
    [['class', 'date'], 'day'],
    [['cards', 'harbour-lantern', 'title'], 'title of “Harbour lantern”'],
    [['cards', 'harbour-lantern', 'parameters', 'border'], 'border of “Harbour lantern”'],
    [['cards', 'harbour-lantern', 'papers', 'mat-a'], 'paper of mat a in “Harbour lantern”'],
    [['cards', 'harbour-lantern'], 'card “Harbour lantern”'],
    [['cards', '(order)'], 'order of the cards'],
    [['papers', 'kelp', 'stocks', 'letter', 'onHand'], 'sheets on hand of “Kelp”'],
    [['cutting', 'kelp', 'priority'], 'what counts most for “Kelp”'],
    [['tools', 'pace', 'stroke'], 'seconds for one cut'],
    [['tools', 'mark'], 'smallest mark'],
    [['prep', 'pace', 'stick'], 'tape for a piece'],
    [['labels', 'width'], 'width'],
    [['wishes', 'priority'], 'what counts most'],
    [['post', 'envelopes', 'a6', 'width'], 'width of “A6 envelope”'],
    [['post', 'foam'], 'height of a foam pad'],
    [['prices', 'currency'], 'currency'],
  ])('%j is %s', (path, words) => {
    expect(placeInWords(path, batch)).toBe(words)
  })

  it('say a choice as forms say it', () => {
    expect(valueInWords('sheets', ['wishes', 'priority'])).toBe('Fewest sheets')
    expect(valueInWords('by area', ['prices', 'offcuts'])).toBe('is worth its share')
    expect(valueInWords('sheets', ['wishes'])).toBe('sheets')
  })

  it('say what stands there, in short', () => {
    const values = [undefined, null, '', true, 7, 'x'.repeat(99), [], [1, 2], batch.cards[0]]
    expect(values.map(value => valueInWords(value))).toEqual([
      'not there',
      'as usual',
      'nothing',
      'yes',
      '7',
      `${'x'.repeat(79)}…`,
      'none',
      '2 of them',
      'Harbour lantern',
    ])
  })
})
