import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import { bundle } from '../../scripts/lib/bundle'
import { run } from '../../scripts/lib/talk'
import { checkBackup } from './backup'
import { migrations } from './migrations'
import { MIGRATIONS } from './migrations/names'
import { StudioClass } from './models'
import { databaseOfFile } from './testing'

const backups = join(mkdtempSync(join(tmpdir(), 'wakaru-begin-')), 'backups')
const database = databaseOfFile()
let program: string

beforeAll(async () => {
  program = await bundle('server/database/begin.ts', ['core', 'server', 'demo'])
}, 60_000)
afterAll(async () => {
  rmSync(backups, { recursive: true, force: true })
})
beforeEach(() => database.clear())

const begin = (demo = 'ferry-lane') =>
  run('node', [program], {
    quiet: true, env: { DATABASE_URL: database.url, WAKARU_DEMO: demo, WAKARU_BACKUPS: backups },
  })

it('three first starts at once: the demo is there once, and all end well', async () => {
  const outputs = await Promise.all([begin(), begin(), begin()])
  expect(outputs.filter(({ output }) => output.includes('Demo studio loaded'))).toHaveLength(1)
  expect(await StudioClass.count()).toBe(3)
  expect(existsSync(backups)).toBe(false)
})

it('a first start that is broken off anywhere has the demo at the next one, once', async () => {
  for (const [index, name] of MIGRATIONS.entries()) {
    await database.clear()
    await database.sequelize.query('CREATE TABLE first_start (made DATETIME NOT NULL)')
    await migrations(database.sequelize).up({ to: name })
    const { output } = await begin()
    expect([index, output.includes('Demo studio loaded'), await StudioClass.count()]).toEqual([index, true, 3])
    expect((await database.sequelize.getQueryInterface().showAllTables()).map(String)).not.toContain('first_start')
  }
  expect(existsSync(backups)).toBe(false)
})

it('a studio that was begun empty stays empty', async () => {
  await begin('none')
  await begin()
  expect(await StudioClass.count()).toBe(0)
})

it('an older studio is backed up before its tables change, once, and says how far it is', async () => {
  await migrations(database.sequelize).up({ to: '0003-cutting-and-offcuts' })
  const now = new Date()
  await database.sequelize.query('INSERT INTO classes (document, created_at, updated_at) VALUES (?, ?, ?)', {
    replacements: ['{"class":{"title":"Old","date":"2026-01-01"},"cards":[]}', now, now],
  })
  const { output } = await begin()
  const left = MIGRATIONS.length - 3
  expect(output).toContain(`Tables: 0004-documents-and-edits (1 of ${left})`)
  expect(output).toContain(`Tables: ${MIGRATIONS.at(-1)} (${left} of ${left})`)
  const [name] = readdirSync(backups)
  expect(readdirSync(backups)).toHaveLength(1)
  expect(name).toMatch(/^wakaru-.*-before-0004-documents-and-edits\.backup$/)
  expect((await checkBackup(join(backups, name!))).rows).toEqual({ classes: 1 })
  expect(await StudioClass.count()).toBe(1)
  await begin()
  expect(readdirSync(backups)).toHaveLength(1)
})
