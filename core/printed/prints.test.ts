import { describe, expect, it } from 'vitest'
import { demoBatches } from '../../demo'
import { alikeEvening } from '../../demo/testing'
import { prepare } from '../batch'
import { ordersOf, planAll } from '../plans'
import { sheetsIn } from '../together'
import { kitsOfBatch, packedBags, purchaseName, shoppingList, suppliesFor } from '../kits'
import type { Batch } from '../document'
import { inches, millimetres } from '../lengths'
import { letterAt, lettersOf } from '../cutting'
import { bagSection, cuttingSection, orderSection, pieceSection, scoreSection, shoppingSection, typeset, typesetText } from '.'
import type { PrintBlock, PrintSection } from '.'

const batch: Batch = alikeEvening()
const preparation = prepare(batch)
const outcomes = planAll(batch, preparation)
const kits = kitsOfBatch(batch, preparation, outcomes)

const blocks = (section: PrintSection): PrintBlock[] => {
  const inside = (block: PrintBlock): PrintBlock[] => [
    block,
    ...(block.kind === 'together' ? block.blocks.flatMap(inside) : []),
    ...(block.kind === 'side by side' ? block.cells.flat().flatMap(inside) : []),
  ]
  return section.blocks.flatMap(inside)
}
const ofKind = <K extends PrintBlock['kind']>(section: PrintSection, kind: K) =>
  blocks(section).filter((block): block is Extract<PrintBlock, { kind: K }> => block.kind === kind)

describe('lengths in print', () => {
  it('are true fractions round a fraction slash', () => {
    expect([typeset(inches(5.375), 'inch', true), typeset(inches(0.5), 'inch'), typeset(millimetres(2.5), 'metric')])
      .toEqual(['5\u20093\u20448\u00a0in', '1\u20442', '2.5'])
  })

  it('are found in words that were written plainly', () => {
    expect(typesetText('Score at 4 1/8, from 0 to 1/2; no. 3/4/27')).toBe(
      'Score at 4\u20091\u20448, from 0 to 1\u20442; no. 3/4/27',
    )
  })
})

describe('letters', () => {
  it('never look like figures and never run out', () => {
    const letters = Array.from({ length: 700 }, (_, index) => letterAt(index))
    expect(new Set(letters).size).toBe(700)
    expect(letters.slice(0, 26).join(' ')).toBe('A B C D E F G H J K L M N P Q R S T U V W X Y Z AA AB')
    expect(letters.join('')).not.toMatch(/[IO]/)
  })
})

describe('cutting sheets', () => {
  const papers = outcomes.map(outcome => [outcome.paper.name, outcome] as const)
  it.each(papers)('%s: every piece has a letter in the drawing and in the key', (_, outcome) => {
    const section = cuttingSection(outcome, 'inch')
    const letters = lettersOf(outcome.plan.layouts)
    const [drawings] = ofKind(section, 'drawings')
    const [key, steps] = ofKind(section, 'table')
    expect(drawings!.drawings).toHaveLength(outcome.plan.layouts.length)
    expect(key!.rows.map(([letter]) => letter)).toEqual([...letters.values()])
    const drawn = drawings!.drawings.map(({ svg }) => svg).join('')
    for (const letter of letters.values()) expect(drawn).toContain(`>${letter}</text>`)
    // Sheets are outlines: a dark paper stays legible.
    expect(drawn).not.toMatch(/fill="(?!none|#000)/)
    const made = key!.rows.reduce((sum, row) => sum + Number(row[3]), 0)
    const wanted = outcome.entry.problem.demands.reduce((sum, { quantity }) => sum + quantity, 0)
    expect(made).toBeGreaterThanOrEqual(wanted)
    expect(steps!.rows).toHaveLength(outcome.steps.length)
    // A fence that stays is a point, not a number said again.
    const fences = steps!.rows.map(row => row[1])
    expect(fences.filter(fence => fence !== 'same')).toHaveLength(
      outcome.steps.filter(({ fence }, index) => fence !== outcome.steps[index - 1]?.fence).length,
    )
  })

  it('hold the one order of the class: stacks with their papers, every cut once, every fence once a setting', () => {
    const [order] = ordersOf(outcomes, preparation.batch)
    const section = orderSection(order!, 'inch', 'The class')
    const [drawings] = ofKind(section, 'drawings')
    const [key, steps] = ofKind(section, 'table')
    expect(drawings!.drawings.map(({ title }) => title)).toEqual(order!.stacks.map((stack, at) =>
      expect.stringMatching(new RegExp(`^Sheet ${at + 1}: ${sheetsIn(stack)} × .*${stack.members[0]!.paper.name}`))))
    const drawn = drawings!.drawings.map(({ svg }) => svg).join('')
    for (const [letter] of key!.rows) expect(drawn).toContain(`>${letter}</text>`)
    expect(steps!.rows).toHaveLength(order!.steps.length)
    expect(steps!.rows.filter(([, fence]) => fence !== 'same')).toHaveLength(order!.settings)
    for (const { paper: { name }, steps: own } of outcomes)
      if (own.length > 0) expect(steps!.rows.some(([,, words]) => words!.includes(name))).toBe(true)
    expect(orderSection({ ...order!, stacks: [], steps: [] }, 'inch', 'The class').blocks)
      .toEqual([{ kind: 'text', text: 'Everything is cut.' }])
  })

  it('say so when all of a paper is cut', () => {
    const [first] = outcomes
    const done = { ...first!, plan: { ...first!.plan, layouts: [], unplaced: [], sheets: 0 }, steps: [] }
    expect(cuttingSection(done, 'inch').blocks).toEqual([{ kind: 'text', text: 'Everything of this paper is cut.' }])
  })
})

describe('score cards', () => {
  it('number every score in the drawing as in the words', () => {
    for (const card of preparation.cards) {
      const [section] = scoreSection(card, 'inch')
      for (const {
        drawings: [pattern],
      } of ofKind(section!, 'drawings'))
        expect(pattern!.svg).toMatch(/^<svg [^>]*width="\d+pt"/)
      const items = ofKind(section!, 'list').flatMap(list => list.items)
      expect(items.some(item => /Score at/.test(item))).toBe(true)
      expect(items.join()).not.toMatch(/\d \d\/\d/)
    }
  })

  it('leave a card that cannot be computed out', () => {
    expect(scoreSection({ ...preparation.cards[0]!, construction: undefined }, 'inch')).toEqual([])
  })
})

describe('bag lists', () => {
  const bags = packedBags(preparation)

  it('say what is alike once, with a box for every seat', () => {
    const section = bagSection(bags, 'inch', false)
    const boxes = ofKind(section, 'text').map(({ text }) => text.match(/☐/g)?.length ?? 0)
    expect(boxes.reduce((sum, count) => sum + count, 0)).toBe(bags.length)
    expect(ofKind(section, 'heading').map(({ text }) => text)).toEqual([`All ${bags.length} bags alike`])
  })

  it('say what differs in one table with a row for every bag', () => {
    const shared = prepare(demoBatches(new Date(2030, 0, 1))[1]!)
    // Who joins from afar has a bag that is made ready otherwise, and a list of its own.
    const bags = packedBags(shared).filter(({ profile: { key } }) => key === 'room')
    const section = bagSection(packedBags(shared), 'inch', false)
    expect(ofKind(section, 'heading').map(({ text }) => text)).toEqual(['15 bags, In the room',
      'One bag: Seat 11, Kaja, By post or online'])
    const [table, ...more] = ofKind(section, 'table')
    expect([more.length, table!.head]).toEqual([
      0, ['Bag', 'Harbour lantern', 'Base', 'Mat on panel A', 'Mat on panel B', 'Mat on panel C', 'Mat on plate'],
    ])
    // Each cell is what that very bag holds.
    table!.rows.forEach(([label, colourway, ...papers], at) => {
      const { label: bag, kits: [kit] } = bags[at]!
      expect([label, colourway]).toEqual([`☐\u00a0${bag}`, kit!.colourway!.name])
      expect(papers).toEqual(
        kit!.pieces.filter(({ piece }) => table!.head.includes(piece.name)).map(({ paper }) => paper!.name),
      )
    })
    expect(
      ofKind(section, 'list')
        .flatMap(({ items }) => items)
        .filter(item => item.includes('see the table')),
    ).toHaveLength(5)
  })

  it('or one list for every bag', () => {
    const section = bagSection(bags, 'inch', true)
    expect(ofKind(section, 'heading').map(({ text }) => text)).toEqual(bags.map(({ label }) => label))
    const pieces = preparation.cards.flatMap(card => [...card.pieces, ...(card.construction?.extras ?? [])]).length
    expect(ofKind(section, 'list').flatMap(({ items }) => items)).toHaveLength(pieces * bags.length)
    // What is bought goes in as well.
    const [first, ...rest] = preparation.cards
    const bow = { ...first!, construction: { ...first!.construction!, extras: [{ name: 'Bow', count: 2 }] } }
    expect(ofKind(bagSection(packedBags({ ...preparation, cards: [bow, ...rest] }), 'inch', true), 'list').filter(
      ({ items }) => items.includes('2 × Bow'))).toHaveLength(
      bags.length,
    )
  })

  it('tell what has to be bought in the maker’s money', () => {
    const groups = shoppingList(batch, kits, suppliesFor(preparation))
    const tables = ofKind(shoppingSection(groups, kits, 'inch', cents => `$${cents / 100}`), 'table')
    expect(tables.flatMap(({ rows }) => rows.map(([, name]) => name)))
      .toEqual(groups.flatMap(({ lines }) => lines.map(line => purchaseName(line, 'inch'))))
  })

  it('list every piece of a card with its paper', () => {
    const [table] = ofKind(pieceSection(preparation.cards[0]!, 'inch'), 'table')
    expect(table!.rows.map(([name]) => name)).toEqual(preparation.cards[0]!.pieces.map(({ name }) => name))
  })
})
