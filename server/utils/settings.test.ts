import { beforeAll, describe, expect, it, vi } from 'vitest'
import { DEFAULT_SETTINGS, VERSION } from '../../core/document'
import { Settings } from '../database/models'
import { migrations } from '../database/migrations'
import { databaseOfFile } from '../database/testing'
import { keepSettings, readSettings } from './settings'

vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))
const database = databaseOfFile()
beforeAll(async () => void (await migrations(database.sequelize).up()))
const keep = (since: number, currency: string) => {
  const settings = { ...DEFAULT_SETTINGS, prices: { ...DEFAULT_SETTINGS.prices, currency } }
  return database.sequelize.transaction(transaction => keepSettings({ since, settings }, transaction))
}

describe('the settings of a studio', () => {
  it('are the defaults until somebody changes them', async () => {
    expect(await readSettings()).toEqual({ position: 0, settings: DEFAULT_SETTINGS })
    expect(await keep(0, 'CAD')).toBe(1)
    expect(await readSettings()).toMatchObject({ position: 1, settings: { prices: { currency: 'CAD' } } })
    expect((await Settings.findByPk(1))?.document).toMatchObject({ version: VERSION })
  })

  it('are not overwritten by a window that does not know of a change, not even at the same moment', async () => {
    await expect(keep(0, 'GBP')).rejects.toMatchObject({ statusCode: 409 })
    const both = await Promise.allSettled([keep(1, 'GBP'), keep(1, 'EUR')])
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
    expect((await readSettings()).position).toBe(2)
  })

  it('are read as an older Wakaru kept them, before scoring boards had marks of their own', async () => {
    const { board: _, ...inch } = { ...DEFAULT_SETTINGS.tools.inch, mark: '1/8 in' }
    await Settings.update(
      { document: { ...DEFAULT_SETTINGS, tools: { ...DEFAULT_SETTINGS.tools, inch } } }, { where: { id: 1 } },
    )
    expect((await readSettings()).settings.tools.inch).toMatchObject({ mark: '1/8 in', board: '1/8 in' })
  })

  it('give way to the defaults where they cannot be read, and are written over only where somebody says so, set aside', async () => {
    await Settings.update({ document: { units: 'cubits' } }, { where: { id: 1 } })
    const { settings, position, unreadable } = await readSettings()
    expect([settings, unreadable]).toEqual([DEFAULT_SETTINGS, expect.stringContaining('units')])
    await expect(keep(position, 'CAD')).rejects.toMatchObject({ statusCode: 422 })
    expect((await Settings.findByPk(1))!.document).toEqual({ units: 'cubits' })
    const anew = database.sequelize.transaction(transaction =>
      keepSettings({ since: position, settings, anew: true }, transaction),
    )
    expect(await anew).toBe(position + 1)
    expect((await readSettings()).unreadable).toBeUndefined()
    expect((await Settings.findAll()).map(({ document }) => document)).toContainEqual({ units: 'cubits' })
  })
})
