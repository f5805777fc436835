import { beforeEach, describe, expect, it, vi } from 'vitest'
import { demoBatches } from '../../demo'
import type { Patch } from '../../core/document'
import { patchesBetween } from '../../core/document'
import { migrations } from '../database/migrations'
import { Change, Edit, Studio, StudioClass, StudioPaper } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { classFrom, paperFrom } from './documents'
import { applyEdit } from './edits'
import { newToken } from './recorded'
import { importBatch } from './import'
import { paperText } from '../workers/saving'
import { paperColumns } from './rows'

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
const document = async () => classFrom((await StudioClass.findByPk(id))?.document ?? {})
const paper = async (key: string) => {
  const row = await StudioPaper.findByPk(key)
  return row && paperFrom(row.document)
}
const set = (path: string[], value: unknown): Patch => ({ op: 'set', path, value })
const send = (patches: Patch[], more: { class?: number | null, since?: number, token?: string } = {}) =>
  applyEdit(database.sequelize, JSON.stringify({ token: newToken(), label: 'a test', class: id, since: 1, patches, ...more }))
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
    const token = newToken()
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
      expect([wrong.path, await status(send([set(['papers', 'rust', 'weight'], 260), set(['class', 'notes'], 'x'), wrong]))]).toEqual([
        wrong.path,
        expected,
      ])
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
    const entry = (at: number) => ({
      paper: `paper-${at}`, priority: null, moreSheets: null, without: [], also: [], layouts: [], spoiled: [], miscut: [],
    })
    const answers = await Promise.all(fifty.map(at => send([{ op: 'add', path: ['cutting'], entry: entry(at), after: null }])))
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
      papers: Object.fromEntries(Object.entries(card.papers).map(([part, key]) => [part, key === 'kelp' ? 'algae' : key])),
    }))
    await Promise.all(
      fifty.map(() => importBatch(database.sequelize, batch)),
    )
    expect([await StudioClass.count(), await StudioPaper.count()]).toEqual([51, before + 1])
  })

  it('some of whom use a paper that others take off the shelf: no class names a paper that is gone', async () => {
    await StudioPaper.create({ ...paperColumns(paperText({ ...DEMO.papers[0]!, key: 'spare', name: 'Spare' })), position: 1 })
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
