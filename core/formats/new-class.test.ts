import { DEFAULT_TOOLS, kitsOf, newClass, plainPaper } from '../document'
import { openBatch, openDocument } from '../document/open'
import { describe, expect, it } from 'vitest'
import { batchProblems, newCard, readPaper, readTools } from '../batch'
import { paperedCard } from '../batch/testing'
import { FOLDS, foldById } from '../folds'
import { readBatch, writeBatch } from '../formats'
import { MARKS, inches, millimetres } from '../lengths'

const kelp = plainPaper({
  key: 'kelp', name: 'Kelp', kind: 'cardstock', weight: 250, colour: '#3f6b57',
  stocks: [{ key: 'tall', width: '210 mm', height: '11 in', onHand: 3, pack: 1, price: null }],
})

describe.each(['inch', 'metric'] as const)('a new class in %s', (units) => {
  const document = newClass({ title: 'Evening', date: '2030-02-28', units })

  it('passes every door as it stands', () => {
    expect(openDocument(document)).toEqual({ ok: true, value: document })
    expect(readBatch(writeBatch({ ...document, papers: [] }))).toEqual({ ok: true, value: { ...document, papers: [] } })
  })

  it('still does with a card of every fold', () => {
    const batch = FOLDS.reduce((made, fold) => ({ ...made, cards: [...made.cards, paperedCard(fold, made)] }), {
      ...document,
      papers: [kelp],
    })
    expect(openBatch(batch)).toEqual({ ok: true, value: batch })
    expect(batchProblems(batch)).toEqual([])
  })

  it('has a trimmer with a mark that the maker can choose', () => {
    expect(MARKS[units]).toContain(readTools(DEFAULT_TOOLS[units], units).mark)
  })
})

describe('reading a class', () => {
  it('reads sheets whatever their unit', () => {
    expect(readPaper(kelp).stocks).toEqual([
      { key: 'tall', width: millimetres(210), height: inches(11), onHand: 3, pack: 1, price: null },
    ])
  })

  it('makes a kit for each seat and spare unless a number is given', () => {
    const empty = newClass({ title: 'x', date: '2030-01-01', units: 'inch', seats: 14, spares: 2 })
    const card = newCard(foldById('z-fold')!, { ...empty, papers: [] })
    expect([null, 0, 5].map(kits => kitsOf({ ...card, kits }, empty))).toEqual([16, 0, 5])
    expect(kitsOf(card, { ...empty, sharing: { ...empty.sharing, surplus: 3 } })).toBe(19)
  })
})
