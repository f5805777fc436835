import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { demoBatches } from '../../demo'
import { newCard, prepare } from '../batch'
import type { Batch } from '../document'
import { DEFAULT_TOOLS } from '../document'
import { FOLDS, foldById } from '../folds'
import { lengthFrom } from '../lengths'
import { sheetPage, sheetSections } from '.'
import type { PrintBlock } from '.'

const [, tide, boats] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch, Batch]
const blocksOf = (batch: Batch) =>
  prepare(batch).cards.flatMap(card => sheetSections(card, batch).flatMap(({ blocks }) => blocks))
const tablesOf = (batch: Batch) => blocksOf(batch).filter(block => block.kind === 'table')
const texts = (blocks: PrintBlock[]): string[] => blocks.flatMap((block): string[] => {
  switch (block.kind) {
    case 'text': return [block.text]
    case 'list': return block.items
    case 'side by side': return block.cells.flatMap(texts)
    case 'drawings': return block.drawings.map(({ title }) => title)
    default: return []
  }
})
const single = (fold: string, change: (batch: Batch) => void = () => undefined, of = tide) => produce(of, (draft) => {
  draft.cards = [newCard(foldById(fold)!, of)]
  change(draft)
})

describe('the sheet of a card to be made at home', () => {
  it('has every piece in inches and in centimetres, rounded from the maker’s own where they typed a size', () => {
    const batch = single('z-fold', draft => void (draft.cards[0]!.parameters = { width: '8 3/8 in' }))
    const [table] = tablesOf(batch)
    const pieces = prepare(batch).cards[0]!.pieces
    expect(table!.rows.map(([name, number]) => [name, number]))
      .toEqual(pieces.map(({ name, perKit }) => [name, String(perKit)]))
    for (const [at, { width, height }] of pieces.entries()) {
      const [wide, high] = table!.rows[at]![3]!.split(' × ').map(Number)
      expect(Math.abs(wide! - width.value / 1e7)).toBeLessThanOrEqual(0.05 + 1e-9)
      expect(Math.abs(high! - height.value / 1e7)).toBeLessThanOrEqual(0.05 + 1e-9)
    }
    expect(texts(blocksOf(batch))).toContain('Made in inches; the others are rounded.')
  })

  it.each([['inch', tide], ['metric', boats]] as const)(
    'is a card of its own in each school where nobody typed a size (%s)', (_, of) => {
      for (const { id } of FOLDS) {
        const batch = single(id, () => undefined, of)
        const [table] = tablesOf(batch)
        for (const [units, column] of [['inch', 2], ['metric', 3]] as const) {
          const own = prepare(produce(batch, (draft) => {
            draft.class.units = units
            draft.tools = DEFAULT_TOOLS[units]
          })).cards[0]!.pieces
          const first = table!.rows[0]![column]!.split(' × ')[0]!
          const unit = units === 'inch' ? 25_400_000 : 10_000_000
          const said = lengthFrom(`${first.replaceAll('\u2009', ' ').replaceAll('⁄', '/')} in`) / 25_400_000
          expect(Math.abs(said - own[0]!.width.value / unit), `${id} ${units}`).toBeLessThanOrEqual(0.051)
        }
      }
    })

  it('says what it takes with numbers and links, how it is scored in both, and how it is made', () => {
    const batch = single('z-fold', (draft) => {
      Object.assign(draft.papers[0]!, { article: 'KP-7', link: 'https://paper.example/kelp' })
      draft.cards[0]!.papers.base = draft.papers[0]!.key
      draft.cards[0]!.note = 'Mind the <b>grain</b>.'
    })
    const all = texts(blocksOf(batch))
    expect(all.some(text => text.includes('no. KP-7') && text.includes('https://paper.example/kelp'))).toBe(true)
    expect(all.filter(text => text === 'In inches' || text === 'In millimetres').length).toBeGreaterThanOrEqual(2)
    expect(all.some(text => text.startsWith('Score both creases'))).toBe(true)
    expect(all.at(-1)).toContain('The rules of the venue and local rules come first.')
    const page = sheetPage(prepare(batch))
    expect(page).toContain('Mind the &lt;b&gt;grain&lt;/b&gt;.')
    expect(page).not.toMatch(/<script|<link|src=|<b>/)
  })

  it('is none for a card that cannot be worked out', () => {
    const broken = single('z-fold', draft => void (draft.cards[0]!.fold = 'gone'))
    expect(blocksOf(broken)).toEqual([])
  })
})
