import type { Batch } from '../document'
import { BOUNDS, newCutting } from '../document'
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import { describe, expect, it } from 'vitest'
import { readBatch, writeBatch } from '.'
import { prepare, writeLayout } from '../batch'
import { planAll } from '../plans'
import { demo, readGood, TEXT, file, cutting } from './testing'

describe('the cutting in a file', () => {
  it('keeps a layout of a class through a file', () => {
    const batch = readGood(TEXT)
    const [outcome] = planAll(batch, prepare(batch))
    const { problem } = outcome!.entry
    const kept = {
      ...batch,
      cutting: [
        {
          ...cutting({}), paper: outcome!.paper.key,
          layouts: [writeLayout(outcome!.plan.layouts[0]!, 'kept', 1, problem, 'inch')],
        },
      ],
    } as Batch
    expect(readGood(writeBatch(kept)).cutting).toEqual(kept.cutting)
  })
})

it('the largest class that can be saved goes into a file, and comes out of it the same', () => {
  const read = readBatch(TEXT)
  if (!read.ok) throw new Error('The demo class cannot be read.')
  const long = (text: string) => text.padStart(BOUNDS.length, ' ')
  const sizes = (index: number, sort: string) => ({
    key: `${sort}-${index}`.padEnd(BOUNDS.key, 'x'), width: long(`${10 + index} mm`), height: long('90 mm'),
  })
  const papers = Array.from({ length: BOUNDS.papers }, (_, index) => ({
    ...read.value.papers[0]!,
    key: `paper-${index}`,
    name: '紙'.repeat(BOUNDS.title),
    article: '紙'.repeat(BOUNDS.title),
    where: '紙'.repeat(BOUNDS.title),
    note: '紙'.repeat(BOUNDS.paperNote),
    link: 'https://'.padEnd(BOUNDS.link, 'x'),
    standsIn: Array.from({ length: BOUNDS.standsIn }, (_, at) => `paper-${at}`.padEnd(BOUNDS.key, 'x')),
    stocks: Array.from({ length: BOUNDS.stocks }, (_, at) => ({
      ...sizes(at, 'stock'), onHand: 99_999, pack: 999, price: 999_999,
    })),
    offcuts: Array.from({ length: BOUNDS.offcuts }, (_, at) => ({ ...sizes(at, 'offcut'), count: 99_999 })),
  }))
  const [card] = read.value.cards
  const cards = Array.from({ length: BOUNDS.cards }, (_, index) => ({
    ...card!,
    key: `card-${index}`,
    colourways: [],
    papers: {
      'base': papers[3 * index]!.key, 'mat-a': papers[3 * index + 1]!.key, 'mat-b': papers[3 * index + 2]!.key,
    },
  }))
  const leaf = { width: '1 in', height: '1 in' }
  let tree: object = leaf
  for (let depth = 0; depth < 20; depth++) {
    tree = { width: '9 in', height: '9 in', side: depth % 2 ? 'width' : 'height', parts: [leaf, tree] }
  }
  const layouts = (paper: number) => Array.from({ length: BOUNDS.layouts }, (_, index) => ({
    key: `layout-${paper}-${index}`,
    supply: papers[paper]!.stocks[0]!.key,
    from: 'sheet',
    repeats: 1,
    cut: 0,
    shelved: false,
    tree,
  }))
  const cutting = [0, 1, 2, 3, 4, 5].map(paper => ({ ...newCutting(papers[paper]!.key), layouts: layouts(paper) }))
  const batch = { ...read.value, cards, papers, cutting, pools: [], roster: [] } as unknown as Batch
  const { papers: _, ...document } = batch
  const bytes = (text: string) => new TextEncoder().encode(text).length
  expect(bytes(JSON.stringify(document))).toBeGreaterThan(BOUNDS.document * 0.6)
  const text = writeBatch(batch)
  expect(bytes(text)).toBeLessThan(BOUNDS.file)
  const again = readBatch(text)
  expect(again.ok ? [] : again.problems).toEqual([])
  expect(again.ok && again.value).toEqual(batch)
})

describe('the published schema', () => {
  const published = JSON.parse(readFileSync(new URL('../../docs/batch-file.schema.json', import.meta.url), 'utf8'))

  it('is the one that the doors use', () => {
    const written = execFileSync('node', ['scripts/run.mjs', 'wakaru', 'schema'], { encoding: 'utf8' })
    expect(published).toEqual(JSON.parse(written))
  })

  it('says what its fields are called, as the page about them does', () => {
    expect(published.$defs.WishesEntry.properties.leastStrip.description).toBe(
      'Narrowest strip, the least that may come off a sheet',
    )
    const page = readFileSync(new URL('../../docs/fields.md', import.meta.url), 'utf8')
    expect(execFileSync('node', ['scripts/run.mjs', 'wakaru', 'fields'], { encoding: 'utf8' })).toBe(page)
  })

  it('accepts every demo class and refuses a broken one', () => {
    const validate = new Ajv({ strict: false, validateFormats: false }).compile(published)
    for (const name of ['tide-and-lantern', 'paper-boats', 'first-frost']) {
      validate(JSON.parse(writeBatch(readGood(demo(name)))))
      expect(validate.errors, name).toBeNull()
    }
    expect(validate({ ...file(), version: 1 })).toBe(false)
    expect(validate({ ...file(), cards: [{}] })).toBe(false)
  })
})
