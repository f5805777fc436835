import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { demoBatches } from '../../demo'
import { applyEdit } from '../utils/edits'
import { newMark } from '../utils/recorded'
import { importBatch } from '../utils/import'
import { checkBackup, restoreBackup, writeBackup } from './backup'
import { migrations } from './migrations'
import { Kept, Studio, StudioClass, Variant } from './models'
import { databaseOfFile } from './testing'

vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))

const folder = mkdtempSync(join(tmpdir(), 'wakaru-backup-'))
const file = join(folder, 'deep/one.backup')
const database = databaseOfFile()

afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(async () => {
  await database.clear()
  await migrations(database.sequelize).up()
  for (const demo of demoBatches(new Date(2030, 0, 1)))
    await importBatch(database.sequelize, demo)
})

/** Everything in the database but what the clock has written. */
async function everything() {
  const all: Record<string, unknown> = {}
  for (const table of [
    'bin', 'changes', 'classes', 'edits', 'papers', 'studio', 'uses', 'variants', 'sequelize_meta',
  ]) {
    const order = table === 'sequelize_meta' ? '1' : '1, 2'
    ;[all[table]] = await database.sequelize.query(`SELECT * FROM ${table} ORDER BY ${order}`)
  }
  return all
}

describe('a backup', () => {
  it('brings everything back into an empty database, and is whole', async () => {
    const odd = 'It’s “½” \\ \n \' \u0000'
    await Variant.create({
      name: odd, fold: 'z-fold', units: 'inch', parameters: { odd }, dressing: { faces: [], free: [], parts: [] },
    })
    // What can be found again stays where it is.
    await Kept.create({ id: 'k'.repeat(43), text: '[1]', size: 3, used: '2030-01-01' })
    const before = await everything()
    const rows = await writeBackup(database.url, file)
    expect(rows).toBeGreaterThan(20)
    expect(await checkBackup(file)).toMatchObject({ rows: { classes: 3, variants: 1 } })
    await database.clear()
    expect(await restoreBackup(database.sequelize, file)).toEqual({ classes: 3, papers: expect.any(Number) })
    expect(await everything()).toEqual(before)
    expect(await Kept.count()).toBe(0)
    expect(readdirSync(join(folder, 'deep'))).toEqual(['one.backup'])
  })

  it('holds one moment while others change the studio', async () => {
    let going = true
    const [row] = await StudioClass.findAll()
    const changing = (async () => {
      for (let seats = 1; going; seats = (seats % 400) + 1)
        await applyEdit(database.sequelize, JSON.stringify({
          token: newMark(), label: 'seats', class: Number(row!.id), since: 99_999,
          patches: [{ op: 'set', path: ['class', 'seats'], value: seats }],
        }))
    })()
    await new Promise(resolve => setTimeout(resolve, 100))
    const moment = join(folder, 'moment.backup')
    await writeBackup(database.url, moment)
    going = false
    await changing
    await database.clear()
    await restoreBackup(database.sequelize, moment)
    const studio = Number((await Studio.findByPk(1))?.position)
    const [[last]] = (await database.sequelize.query('SELECT MAX(position) AS position FROM edits')) as unknown as [
      [{ position: number }],
    ]
    expect(studio).toBeGreaterThan(3)
    expect(Number(last.position)).toBe(studio)
    expect(Math.max(...(await StudioClass.findAll()).map(({ position }) => Number(position)))).toBe(studio)
  })

  it('that is damaged, cut off, of a newer Wakaru or none at all is refused before anything is changed', async () => {
    const good = join(folder, 'good.backup')
    await writeBackup(database.url, good)
    await database.clear()
    const lines = gunzipSync(readFileSync(good)).toString().split('\n')
    const bad = join(folder, 'bad.backup')
    const refused = async (bytes: Buffer | string, words: RegExp) => {
      writeFileSync(bad, bytes)
      await expect(restoreBackup(database.sequelize, bad)).rejects.toThrow(words)
      expect(await database.sequelize.getQueryInterface().showAllTables()).toEqual([])
    }
    const zipped = (text: string[]) => gzipSync(text.join('\n'))
    await refused('no backup', /damaged or is no backup/)
    await refused(readFileSync(good).subarray(0, 1500), /damaged or is no backup/)
    await refused(zipped(lines.slice(0, -2)), /not whole: its end is missing/)
    await refused(
      zipped(lines.map(line => line.replace('Tide and Lantern', 'Tide and Lanterns'))), /its checksum is not that/,
    )
    await refused(zipped([lines[0]!.replace('"version":1', '"version":2'), ...lines.slice(1)]), /newer Wakaru/)
    await refused(gzipSync('{"format":"recipe"}\n'), /no backup of Wakaru/)
    await refused(gzipSync(''), /not whole/)
    // Names of tables go into statements as they are, so they are names and nothing else.
    const head = (change: (head: { tables: Record<string, unknown>, migrations: unknown }) => void) => {
      const changed = JSON.parse(lines[0]!)
      change(changed)
      return zipped([JSON.stringify(changed), ...lines.slice(1)])
    }
    await refused(head(({ tables }) => (tables['classes` SET id = 1; --'] = ['id'])), /does not say what is in it/)
    await refused(head(({ tables }) => (tables.classes = 'id')), /does not say what is in it/)
    await refused(head(changed => (changed.migrations = 7)), /does not say what is in it/)
    for (const row of ['["classes","x"]', '["nothing",[]]', '["classes",[1]]', '[]', 'null'])
      await refused(zipped([lines[0]!, row, ...lines.slice(1)]), /damaged|not whole/)
  })

  it('clears what killed ones have left where it goes, and nothing else', async () => {
    const names = ['old.backup.new-999999', `own.backup.new-${process.pid}`, 'notes.new-999999']
    const [gone, mine, other] = names.map(name => join(folder, name))
    for (const file of [gone, mine, other]) writeFileSync(file!, '')
    await writeBackup(database.url, join(folder, 'after.backup'))
    expect([gone, mine, other].map(file => existsSync(file!))).toEqual([false, true, true])
  })

  it('is not put over what is there', async () => {
    const good = join(folder, 'over.backup')
    await writeBackup(database.url, good)
    await expect(restoreBackup(database.sequelize, good)).rejects.toThrow('The database is not empty.')
    expect(await StudioClass.count()).toBe(3)
  })

  it('of an older Wakaru is brought up to date', async () => {
    await database.clear()
    await migrations(database.sequelize).up({ to: '0004-documents-and-edits' })
    const now = '2026-01-01 00:00:00'
    const [, tide] = demoBatches(new Date(2030, 0, 1))
    const { papers: _, ...document } = tide!
    await database.sequelize.query(
      'INSERT INTO classes (document, position, created_at, updated_at) VALUES (?, 1, ?, ?)',
      {
        replacements: [JSON.stringify(document), now, now],
      })
    const older = join(folder, 'older.backup')
    await writeBackup(database.url, older)
    await database.clear()
    expect(await restoreBackup(database.sequelize, older)).toEqual({ classes: 1, papers: 0 })
    expect((await StudioClass.findOne())?.title).toBe('Tide and Lantern')
  })
})
