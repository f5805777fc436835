import { describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { openBatch, openDocument } from './open'
import { Batch, PaperEntry } from './shapes'
import { isEndless, oversize } from './sizes'

const FILE = JSON.parse(readFileSync(new URL('../../demo/tide-and-lantern.json', import.meta.url), 'utf8'))
const { format: _, ...DEMO } = FILE
const changed = (change: (batch: typeof DEMO) => void) => {
  const batch = structuredClone(DEMO)
  change(batch)
  return oversize(Batch, batch).map(({ path, problem }) => `${path} ${problem}`)
}

describe('what is too large', () => {
  it('is found by counting, wherever it lies', () => {
    expect(changed(() => {})).toEqual([])
    expect(changed(b => void (b.class.title = 'x'.repeat(121)))).toEqual([
      'class.title is a text of at most 120 characters',
    ])
    expect(changed(b => void (b.class.notes = 'x'.repeat(4001)))).toEqual([
      'class.notes is a text of at most 4000 characters',
    ])
    expect(changed(b => void (b.tools.trimmer = '1'.repeat(61)))).toEqual([
      'tools.trimmer is a length of at most 60 characters',
    ])
    expect(changed(b => void (b.class.delivery = 'x'.repeat(500)))).toEqual([
      'class.delivery is a text of at most 200 characters',
    ])
    expect(changed(b => void (b.cards = Array(600_000).fill({})))).toEqual(['cards holds at most 40 cards'])
    expect(changed(b => void (b.papers[2].offcuts = Array(61).fill({})))).toEqual([
      'papers[2].offcuts holds at most 60 offcuts',
    ])
    expect(
      changed(b => void (b.cards[1].papers = Object.fromEntries(Array.from({ length: 201 }, (_, i) => [i, 'x'])))),
    ).toEqual(['cards[1].papers holds at most 200 names'])
    expect(changed(b => void (b.post = Array(300).fill({})))).toEqual(['post is no list'])
  })

  it('includes names that nothing has, and no more of them than anybody reads', () => {
    expect(changed(b => void (b.colour = 1))).toEqual(['colour is not known here; check its spelling'])
    const many = changed(b => Array.from({ length: 5000 }, (_, i) => (b.class[`n${i}`] = i)))
    expect(many.length).toBeLessThan(100)
    expect(oversize(PaperEntry, { ['x'.repeat(9999)]: 1 })[0]?.path).toHaveLength(200)
  })

  it('is refused at the door before it is looked at any further', () => {
    // Would take half a minute and a gigabyte to make into objects.
    for (const name of ['cards', 'papers', 'cutting', 'nothing']) {
      const read = openBatch({ ...DEMO, [name]: Array(600_000).fill({}) })
      expect([name, read.ok]).toEqual([name, false])
    }
    const deep = openDocument({ ...DEMO, version: 1, cards: Array(100_000).fill(Array(10).fill(1)) })
    expect(deep).toEqual({ ok: false, problems: [{ path: '', problem: 'holds more than any class can' }] })
  })

  it('is counted to an end', () => {
    expect([isEndless(DEMO), isEndless(7), isEndless(Array(150_002).fill(0))]).toEqual([false, false, true])
    let nest: unknown = 1
    for (let depth = 0; depth < 200_000; depth++) nest = [nest]
    expect(isEndless(nest)).toBe(true)
  })
})
