import { beforeEach, describe, expect, it, vi } from 'vitest'
import { demoBatches } from '../../demo'
import type { Patch } from '../../core/document'
import { newCutting, patchesBetween } from '../../core/document'
import { migrations } from '../database/migrations'
import { Change, Edit, Studio, StudioClass, StudioPaper } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { classInRow, paperInRow } from './documents'
import { applyEdit } from './edits'
import { newMark } from './recorded'
import { importBatch } from './import'
import { createPapers } from './rows'

// What the server's framework makes of a refusal.
vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))

const [, DEMO] = demoBatches(new Date(2030, 0, 1)) as [never, ReturnType<typeof demoBatches>[number]]
const database = databaseOfFile()
let id: number

beforeEach(async () => {
  await database.clear()
  await migrations(database.sequelize).up()
  id = await importBatch(database.sequelize, DEMO)
})

const position = async () => Number((await Studio.findByPk(1))?.position)
const document = async () => classInRow((await StudioClass.findByPk(id))?.document ?? {})
const paper = async (key: string) => {
  const row = await StudioPaper.findByPk(key)
  return row && paperInRow(row.document)
}
const set = (path: string[], value: unknown): Patch => ({ op: 'set', path, value })
const send = (patches: Patch[], more: { class?: number | null, since?: number, token?: string } = {}) =>
  applyEdit(
    database.sequelize, JSON.stringify({ token: newMark(), label: 'a test', class: id, since: 1, patches, ...more }),
  )
const status = (sent: Promise<unknown>): Promise<number> =>
  sent.then(
    () => 200,
    (error: { statusCode?: number }) => error.statusCode ?? 500,
  )

describe('a change', () => {
  it('gets the next position, and is kept with what it changed', async () => {
    expect(await send([set(['class', 'seats'], 9), set(['papers', 'kelp', 'weight'], 251)])).toEqual({ position: 2 })
    expect([(await document()).class.seats, (await paper('kelp'))?.weight, await position()]).toEqual([9, 251, 2])
    expect((await Edit.findByPk(2))?.label).toBe('a test')
    const kept = await Change.findAll({ where: { position: 2 }, order: ['entity'] })
    expect(kept.map(({ entity, entityKey, patches }) => [entity, entityKey, patches.length])).toEqual([
      ['class', String(id), 1],
      ['paper', 'kelp', 1],
    ])
  })

  it('that is sent again is recognised and answered as before', async () => {
    const token = newMark()
    expect(await send([set(['class', 'seats'], 9)], { token })).toEqual({ position: 2 })
    await send([set(['class', 'seats'], 20)], { since: 2 })
    expect(await send([set(['class', 'seats'], 9)], { token })).toEqual({ position: 2 })
    expect([(await document()).class.seats, await position()]).toEqual([20, 3])
  })

  it('is made beside what others have changed, and refused where they have changed the same', async () => {
    await send([set(['class', 'seats'], 9)])
    await send([set(['class', 'spares'], 3)])
    expect((await document()).class).toMatchObject({ seats: 9, spares: 3 })
    expect(await status(send([set(['class', 'seats'], 10)]))).toBe(409)
    expect(await status(send([set(['class'], DEMO.class)]))).toBe(409)
    expect(await status(send([set(['class', 'seats'], 10)], { since: 3 }))).toBe(200)
  })

  it('leaves nothing behind where a part of it is refused', async () => {
    const before = [await document(), await paper('kelp'), await position()]
    for (const [wrong, expected] of [
      [set(['class', 'seats'], 0), 422],
      [set(['cards', 'harbour-lantern', 'parameters', 'width'], 'wide'), 422],
      [set(['cards', 'harbour-lantern', 'papers', 'base'], 'velvet'), 422],
      [set(['papers', 'kelp', 'colour'], 'green'), 422],
      [set(['papers', 'kelp', 'key'], 'algae'), 422],
      [{ op: 'remove', path: ['papers', 'kelp'] }, 409],
      [{ op: 'remove', path: ['cards', 'nothing'] }, 409],
      [{ op: 'add', path: ['papers'], entry: DEMO.papers[0] ?? {}, after: null }, 409],
    ] satisfies [Patch, number][]) {
      expect([
        wrong.path, await status(send([set(['papers', 'rust', 'weight'], 260), set(['class', 'notes'], 'x'), wrong])),
      ]).toEqual([wrong.path, expected])
    }
    expect([await document(), await paper('kelp'), await position()]).toEqual(before)
  })

  it('needs a class where it is of one, and papers may be changed without', async () => {
    expect(await status(send([set(['class', 'seats'], 9)], { class: null }))).toBe(422)
    expect(await status(send([set(['class', 'seats'], 9)], { class: 99_999 }))).toBe(404)
    expect(await status(send([set(['papers', 'kelp', 'weight'], 251)], { class: null }))).toBe(200)
  })
})

describe('fifty people at once', () => {
  const fifty = Array.from({ length: 50 }, (_, index) => index)

  it('who change the same thing: one of them does, and the others are told', async () => {
    const answers = await Promise.all(fifty.map(at => status(send([set(['class', 'seats'], at + 1)]))))
    expect(answers.filter(answer => answer === 200)).toHaveLength(1)
    expect(answers.filter(answer => answer === 409)).toHaveLength(49)
    expect([(await document()).class.seats, await position()]).toEqual([answers.indexOf(200) + 1, 2])
  })

  it('who each change something of their own: all of it is there, each at a position of its own', async () => {
    const answers = await Promise.all(
      fifty.map(at => send([{ op: 'add', path: ['cutting'], entry: newCutting(`paper-${at}`), after: null }])),
    )
    expect(new Set(answers.map(({ position }) => position)).size).toBe(50)
    expect(new Set((await document()).cutting.map(({ paper }) => paper)).size).toBe(50)
  })

  it('who bring the same class from elsewhere: fifty classes, and its papers once', async () => {
    const before = await StudioPaper.count()
    const batch = {
      ...DEMO,
      papers: DEMO.papers.map(paper => (paper.key === 'kelp' ? { ...paper, key: 'algae', name: 'Algae' } : paper)),
    }
    batch.cards = batch.cards.map(card => ({
      ...card,
      papers: Object.fromEntries(
        Object.entries(card.papers).map(([part, key]) => [part, key === 'kelp' ? 'algae' : key]),
      ),
    }))
    await Promise.all(
      fifty.map(() => importBatch(database.sequelize, batch)),
    )
    expect([await StudioClass.count(), await StudioPaper.count()]).toEqual([51, before + 1])
  })

  it('some of whom use a paper that others take off the shelf: no class names a paper that is gone', async () => {
    await database.sequelize.transaction(transaction =>
      createPapers([{ ...DEMO.papers[0]!, key: 'spare', name: 'Spare' }], 1, transaction),
    )
    const answers = await Promise.all(
      fifty.map(at =>
        status(
          at % 2
            ? send([{ op: 'remove', path: ['papers', 'spare'] }], { class: null })
            : send([set(['cards', 'harbour-lantern', 'papers', 'base'], 'spare')]),
        ),
      ),
    )
    const used = (await document()).cards[0]?.papers.base === 'spare'
    expect([used, (await paper('spare')) !== null]).toEqual([used, used])
    expect(answers.every(answer => [200, 409, 422].includes(answer))).toBe(true)
  })
})

describe('the patches of a window', () => {
  it('make of what is saved just what was on its screen', async () => {
    const saved = await document()
    const screen = structuredClone(saved)
    screen.cards.reverse()
    screen.cards[0]!.title = 'Moved and renamed'
    screen.cards.push({ ...screen.cards[0]!, key: 'a-copy', title: 'A copy' })
    delete screen.cards[1]!.papers.message
    screen.post.envelopes.splice(2, 1)
    await send(patchesBetween(saved, screen))
    expect(await document()).toEqual(screen)
  })
})

describe('what is no change that can be made', () => {
  it('is refused as wrong, never answered as done and never as a fault', async () => {
    const before = [await document(), await paper('kelp'), await position()]
    for (const patch of [
      set(['papers'], 'x'), set(['papers'], []), { op: 'unset', path: ['papers'] }, { op: 'remove', path: ['papers'] },
      set(['version'], 3),
      { op: 'unset', path: ['version'] },
      set(['version', 'x'], 3),
      set([], {}),
      { op: 'unset', path: [] },
      set(['cards'], 'x'),
      set(['cards'], null),
      set(['class'], []),
      set(['papers', 'kelp'], 'x'),
      set(['papers', 'kelp', 'stocks'], {}),
      { op: 'add', path: ['papers'], entry: {}, after: null },
      { op: 'add', path: ['version'], entry: { key: 'x' }, after: null },
    ] as Patch[])
      expect([patch, await status(send([patch]))]).toEqual([patch, 422])
    expect([await document(), await paper('kelp'), await position()]).toEqual(before)
  })

  it('comes under a mark that stands for another change, also one that differs in its letters only', async () => {
    expect(await send([set(['class', 'seats'], 9)], { token: 'ABCDEFGH' })).toEqual({ position: 2 })
    expect(await status(send([set(['class', 'seats'], 11)], { token: 'ABCDEFGH', since: 2 }))).toBe(422)
    expect(await send([set(['class', 'seats'], 11)], { token: 'abcdefgh', since: 2 })).toEqual({ position: 3 })
    expect((await document()).class.seats).toBe(11)
  })
})

describe('much at once', () => {
  const many = 2000
  const papers = Array.from({ length: many }, (_, at) => ({
    ...DEMO.papers[0]!, key: `many-${at}`, name: `Many ${at}`, offcuts: [],
  }))

  it('goes onto the shelf and off it again as one change each', async () => {
    const adds = papers.map((entry): Patch => ({ op: 'add', path: ['papers'], entry, after: null }))
    expect(await send(adds, { class: null })).toEqual({ position: 2 })
    expect(await StudioPaper.count()).toBe(DEMO.papers.length + many)
    const removes = papers.map(({ key }): Patch => ({ op: 'remove', path: ['papers', key] }))
    expect(await send(removes, { class: null, since: 2 })).toEqual({ position: 3 })
    expect(await StudioPaper.count()).toBe(DEMO.papers.length)
  })

  it('adds a sheet format to the paper it is sent for', async () => {
    const [stock] = DEMO.papers[0]!.stocks
    const { key } = DEMO.papers[0]!
    await send([{ op: 'add', path: ['papers', key, 'stocks'], entry: { ...stock, key: 'another' }, after: null }], {
      class: null,
    })
    expect((await paper(key))?.stocks.map(each => each.key)).toContain('another')
  })

  it('that was missed by far too much is read anew', async () => {
    const text = 'x'.repeat(1_000_000)
    await Change.bulkCreate(
      Array.from({ length: 5 }, (_, at) => ({
        position: at + 2, entity: 'class' as const, entityKey: String(id),
        patches: [set(['cards', 'none', 'title'], text)],
      })),
    )
    await Studio.update({ position: 7 }, { where: { id: 1 } })
    expect(await status(send([set(['class', 'seats'], 9)]))).toBe(409)
    expect(await status(send([set(['class', 'seats'], 9)], { since: 6 }))).toBe(200)
  })

  it('is saved while others change the same class: what was looked at before is looked at again', async () => {
    const changes = Array.from({ length: 30 }, (_, at) =>
      send([set(['cards', 'harbour-lantern', 'parameters', 'width'], `${4 + at / 8} in`)]))
    const titles = Array.from({ length: 30 }, (_, at) => send([set(['class', 'notes'], `note ${at}`)]))
    const answers = await Promise.all([...changes, ...titles].map(status))
    // Of those who change one thing one is first; nobody else is told that it was done.
    expect(answers.filter(answer => answer === 200)).toHaveLength(2)
    expect(answers.filter(answer => answer === 409)).toHaveLength(58)
    expect(await position()).toBe(3)
  })
})
