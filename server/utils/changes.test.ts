import { beforeEach, describe, expect, it, vi } from 'vitest'
import { demoBatches } from '../../demo'
import type { Batch, Patch } from '../../core/document'
import { afterOthers } from '../../core/document'
import { migrations } from '../database/migrations'
import { StudioClass, StudioPaper } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { changesSince } from './changes'
import { classInRow, paperInRow } from './documents'
import { applyEdit } from './edits'
import { importBatch } from './import'
import { newMark } from './recorded'

vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))

const [, DEMO] = demoBatches(new Date(2030, 0, 1)) as [never, Batch]
const database = databaseOfFile()
let id: number
beforeEach(async () => {
  await database.clear()
  await migrations(database.sequelize).up()
  id = await importBatch(database.sequelize, DEMO)
})

const set = (path: string[], value: unknown): Patch => ({ op: 'set', path, value })
const send = (patches: Patch[], since: number, of: number | null = id) =>
  applyEdit(database.sequelize, JSON.stringify({ token: newMark(), label: 'a test', class: of, since, patches }))
const since = (position: number, of = id) =>
  database.sequelize.transaction(transaction => changesSince(of, position, transaction))
const now = async (): Promise<Batch> => ({
  ...classInRow((await StudioClass.findByPk(id))?.document ?? {}),
  papers: (await StudioPaper.findAll()).map(({ document }) => paperInRow(document)),
})

describe('what has been changed since a position', () => {
  it('leads from what a window has to what is saved, papers included', async () => {
    const before = await now()
    await send([set(['class', 'seats'], 9), set(['papers', 'kelp', 'weight'], 251)], 1)
    await send([set(['papers', 'kelp', 'weight'], 260)], 2, null)
    await send([{ op: 'remove', path: ['cards', before.cards[1]!.key] }], 3)
    expect(afterOthers(before, await since(1) ?? [])).toEqual(await now())
    expect(await since(3)).toEqual([{ op: 'remove', path: ['cards', before.cards[1]!.key] }])
    expect(await since(4)).toEqual([])
  })

  it('holds nothing of other classes', async () => {
    const other = await importBatch(database.sequelize, DEMO)
    await send([set(['class', 'seats'], 9)], 2, other)
    expect([await since(2), await since(2, other)]).toEqual([[], [set(['class', 'seats'], 9)]])
  })

  it('is not told where the class has to be read anew', async () => {
    // It was imported at the first position, and nothing has come after the last one.
    expect([await since(0), await since(2)]).toEqual([null, null])
    for (let at = 1; at <= 60; at++) await send([set(['class', 'notes'], `${at} ${'x'.repeat(3900)}`)], at)
    expect([await since(1), (await since(30))?.length]).toEqual([null, 31])
  })

  it('of a class that is gone is a refusal', async () => {
    await expect(since(1, 999)).rejects.toMatchObject({ statusCode: 404 })
  })
})
