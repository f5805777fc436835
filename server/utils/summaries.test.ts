import type { Sequelize } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import * as batch from '../../core/batch'
import { demoBatches } from '../../demo'
import { migrations } from '../database/migrations'
import { testDatabase } from '../database/testing'
import { applyEdit, newToken, recorded } from './edits'
import { addBatch } from './import'
import { summaries } from './summaries'

vi.mock('../../core/batch', async load => ({ ...(await load<typeof batch>()) }))
const worked = vi.spyOn(batch, 'summaryOf')

let database: Awaited<ReturnType<typeof testDatabase>>
let sequelize: Sequelize
beforeAll(async () => {
  database = await testDatabase()
  sequelize = database.sequelize
  await migrations(sequelize).up()
  for (const demo of demoBatches(new Date(2030, 0, 1))) {
    await recorded(sequelize, 'import', newToken(), (transaction, position) => addBatch(demo, transaction, position))
  }
}, 60_000)
afterAll(() => database.stop())

const list = async () => {
  worked.mockClear()
  const found = await sequelize.transaction(transaction => summaries(transaction))
  return { found, worked: worked.mock.calls.length }
}
const send = (class_: number | null, since: number, path: string[], value: unknown) =>
  applyEdit(sequelize, { token: newToken(), label: 'a test', class: class_, since, patches: [{ op: 'set', path, value }] })

describe('the list of classes', () => {
  it('works every class out once, and again only where it or the shelf has changed', async () => {
    const first = await list()
    expect([first.found.length, first.worked]).toEqual([3, 3])
    expect(await list()).toEqual({ found: first.found, worked: 0 })

    const [one] = first.found
    await send(one!.id, 3, ['class', 'seats'], 33)
    const second = await list()
    expect([second.worked, second.found.find(({ id }) => id === one!.id)?.seats]).toEqual([1, 33])

    await send(null, 4, ['papers', 'kelp', 'weight'], 251)
    expect((await list()).worked).toBe(3)
  })
})
