import { beforeAll, expect, it, vi } from 'vitest'
import { migrations } from '../database/migrations'
import { Kept } from '../database/models'
import { databaseOfFile } from '../database/testing'
import { keepUnder, keptUnder, makeRoom } from './kept'

const database = databaseOfFile()
vi.stubGlobal('useDatabase', () => database.sequelize)
beforeAll(async () => void (await migrations(database.sequelize).up()))
const id = (letter: string) => letter.repeat(43)

it('answers what is kept, and tells capitals from small letters', async () => {
  await keepUnder(id('a'), '[1]')
  await keepUnder(id('A'), '[2]')
  await keepUnder(id('a'), '[3]')
  expect(await keptUnder([id('a'), id('A'), id('b')])).toEqual({ [id('a')]: '[3]', [id('A')]: '[2]' })
})

it('makes room by what was not asked for longest', async () => {
  await Kept.destroy({ where: {} })
  for (const [letter, used] of [['a', '2030-01-03'], ['b', '2030-01-01'], ['c', '2030-01-02']] as const)
    await Kept.create({ id: id(letter), text: '[12345]', size: 7, used })
  await keptUnder([id('b')])
  await Kept.update({ used: '2030-01-09' }, { where: { id: id('b') } })
  await makeRoom({ size: 14, answers: 10 })
  expect(Object.keys(await keptUnder([id('a'), id('b'), id('c')])).sort()).toEqual([id('a'), id('b')])
  await makeRoom({ size: 1000, answers: 0 })
  expect(await Kept.count()).toBe(0)
})
