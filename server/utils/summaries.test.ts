import { beforeAll, describe, expect, it, vi } from 'vitest'
import * as batch from '../../core/batch'
import { demoBatches } from '../../demo'
import { migrations } from '../database/migrations'
import { StudioClass } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { applyEdit, newToken } from './edits'
import { importBatch } from './import'
import { freshenAll, listClasses } from './summaries'

vi.mock('../../core/batch', async load => ({ ...(await load<typeof batch>()) }))
const worked = vi.spyOn(batch, 'summaryOf')

const database = databaseOfFile()
const add = (demo: ReturnType<typeof demoBatches>[number]) =>
  importBatch(database.sequelize, demo)

beforeAll(async () => {
  await migrations(database.sequelize).up()
  for (const demo of demoBatches(new Date(2030, 0, 1))) await add(demo)
}, 60_000)

const ALL = { search: '', when: 'all', today: '2030-01-01', offset: 0, limit: 50 } as const
const list = async (query: Partial<Parameters<typeof listClasses>[0]> = {}) => {
  worked.mockClear()
  const found = await listClasses({ ...ALL, ...query })
  return { found: found.classes, total: found.total, worked: worked.mock.calls.length }
}
const send = (class_: number | null, since: number, path: string[], value: unknown) =>
  applyEdit(database.sequelize, { token: newToken(), label: 'a test', class: class_, since, patches: [{ op: 'set', path, value }] })

describe('the list of classes', () => {
  it('works every class out once, and again only where it or one of its papers has changed', async () => {
    const first = await list()
    expect([first.found.length, first.worked]).toEqual([3, 3])
    expect(await list()).toEqual({ ...first, worked: 0 })

    const [one] = first.found
    await send(one!.id, 3, ['class', 'seats'], 33)
    const second = await list()
    expect([second.worked, second.found.find(({ id }) => id === one!.id)?.seats]).toEqual([1, 33])

    await send(null, 4, ['papers', 'rope', 'weight'], 251)
    const users = (await StudioClass.findAll()).filter(({ document }) => JSON.stringify(document).includes('"rope"')).length
    expect(users).toBeLessThan(3)
    expect((await list()).worked).toBe(users)
  })

  it('is searched by title, parted by a day, and read by the stretch', async () => {
    const titles = async (query: Parameters<typeof list>[0]) => (await list(query)).found.map(({ title }) => title)
    expect(await titles({ search: 'LANTERN' })).toEqual(['Tide and Lantern'])
    expect(await titles({ search: '%' })).toEqual([])
    expect(await titles({ when: 'coming' })).toEqual(['Tide and Lantern', 'Paper Boats, children\'s afternoon'])
    expect(await titles({ when: 'past' })).toEqual(['First Frost by post'])
    expect(await titles({ offset: 1, limit: 1 })).toEqual(['Tide and Lantern'])
    expect((await list({ offset: 1, limit: 1 })).total).toBe(3)
  })

  it('does not hold anybody up where much has changed at once; what is missing is worked out meanwhile', async () => {
    const [, tide] = demoBatches(new Date(2030, 0, 1))
    for (let times = 0; times < 9; times++) await add({ ...tide!, class: { ...tide!.class, title: `Many ${times}` } })
    const first = await list({ search: 'Many' })
    expect([first.worked, first.found.filter(({ pending }) => pending).length]).toEqual([5, 4])
    freshenAll()
    await vi.waitFor(async () => expect(await StudioClass.count({ where: { summary: null } })).toBe(0), { timeout: 20_000 })
    const second = await list({ search: 'Many' })
    expect([second.worked, second.found.some(({ pending }) => pending)]).toEqual([0, false])
    expect(second.found[8]?.pieces).toBe(first.found[0]?.pieces)
  })
})
