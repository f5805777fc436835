import { Op } from 'sequelize'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import * as kits from '../../core/kits'
import { demoBatches } from '../../demo'
import { migrations } from '../database/migrations'
import { StudioClass } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { applyEdit } from './edits'
import { newMark } from './recorded'
import { importBatch } from './import'
import { listClasses } from './summaries'

vi.mock('../../core/kits', async load => ({ ...(await load<typeof kits>()) }))
const worked = vi.spyOn(kits, 'summaryOf')

const database = databaseOfFile()
const add = (demo: ReturnType<typeof demoBatches>[number]) =>
  importBatch(database.sequelize, demo)

beforeAll(async () => {
  await migrations(database.sequelize).up()
  for (const demo of demoBatches(new Date(2030, 0, 1))) await add(demo)
}, 60_000)

const ALL = { search: '', when: 'all', today: '2030-01-01', offset: 0, limit: 50 } as const
/** The list once its figures are right, and how many classes were worked out for it. */
const list = async (query: Partial<Parameters<typeof listClasses>[0]> = {}) => {
  worked.mockClear()
  await listClasses({ ...ALL, ...query })
  const left = () => StudioClass.count({ where: { stale: { [Op.ne]: null } } })
  await vi.waitFor(async () => expect(await left()).toBe(0), { timeout: 20_000 })
  const found = await listClasses({ ...ALL, ...query })
  return { found: found.classes, total: found.total, worked: worked.mock.calls.length }
}
const send = (class_: number | null, since: number, path: string[], value: unknown) =>
  applyEdit(database.sequelize, JSON.stringify({
    token: newMark(), label: 'a test', class: class_, since, patches: [{ op: 'set', path, value }],
  }))

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
    const users = (await StudioClass.findAll()).filter(({ document }) =>
      JSON.stringify(document).includes('"rope"'),
    ).length
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

  it('is answered at once, and shows what it has until the rest is worked out', async () => {
    const [, tide] = demoBatches(new Date(2030, 0, 1))
    for (let times = 0; times < 9; times++) await add({ ...tide!, class: { ...tide!.class, title: `Many ${times}` } })
    worked.mockClear()
    const first = await listClasses({ ...ALL, search: 'Many' })
    expect([
      worked.mock.calls.length, first.classes.filter(({ pending, unknown }) => pending && unknown === 'yet').length,
    ]).toEqual([0, 9])
    const second = await list({ search: 'Many' })
    expect(second.found.some(({ pending, unknown }) => pending || unknown)).toBe(false)
    // Changed again, it shows the figures from before, with a mark.
    await send(second.found[0]!.id, 1e6, ['class', 'spares'], 5)
    const third = (await listClasses({ ...ALL, search: 'Many' })).classes.find(({ id }) => id === second.found[0]!.id)
    expect(third).toMatchObject({ pending: true, pieces: second.found[0]!.pieces })
  })

  it('says of a class that cannot be worked out that it is too large, and tries it once', async () => {
    await list()
    worked.mockImplementation(() => {
      throw new Error('too much')
    })
    const [, tide] = demoBatches(new Date(2030, 0, 1))
    await add({ ...tide!, class: { ...tide!.class, title: 'Heavy' } })
    const { found, worked: tried } = await list({ search: 'Heavy' })
    expect([found[0]?.unknown, found[0]?.pending, tried]).toEqual(['too large', undefined, 1])
    expect(found[0]?.title).toBe('Heavy')
  })
})
