import { readFileSync } from 'node:fs'
import { QueryTypes } from 'sequelize'
import { beforeEach, describe, expect, it } from 'vitest'
import { migrations } from '.'
import { VERSION } from '../../../core/document'
import { openDocument, openPaper } from '../../../core/document/open'
import { StudioClass, StudioPaper } from '../models'
import { databaseOfFile } from '../testing'

type Data = ReturnType<typeof JSON.parse>
const fixture = (name: string): Data =>
  JSON.parse(readFileSync(new URL(`../../../core/document/upgrades/fixtures/${name}.json`, import.meta.url), 'utf8'))

const STAMPS = 'created_at DATETIME NOT NULL, updated_at DATETIME NOT NULL'
const PAPERS = `CREATE TABLE papers (
  \`key\` VARCHAR(80) PRIMARY KEY, name VARCHAR(120) NOT NULL, kind VARCHAR(20) NOT NULL, weight INT UNSIGNED NOT NULL,
  colour VARCHAR(7) NOT NULL, motif VARCHAR(20) NOT NULL, upright TINYINT(1) NOT NULL, stocks JSON NOT NULL,
  ${STAMPS}, revision INT NOT NULL DEFAULT 0)`
const CLASSES = `CREATE TABLE classes (
  id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, document JSON NOT NULL, ${STAMPS}, revision INT NOT NULL DEFAULT 0)`
const VARIANTS = `CREATE TABLE variants (
  id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, name VARCHAR(120) NOT NULL, fold VARCHAR(80) NOT NULL,
  units VARCHAR(10) NOT NULL,
  parameters JSON NOT NULL, ${STAMPS})`
const CUTTING = 'ALTER TABLE papers ADD COLUMN grain VARCHAR(10) NOT NULL DEFAULT \'any\', ADD COLUMN offcuts JSON NULL'

/**
 * A studio's database as each older version left it: its tables, the migrations it had run, and a class as it wrote it.
 */
const VERSIONS = [
  { name: 'before 0.2', tables: [PAPERS, CLASSES], done: ['0001-classes-and-papers'], file: 'v1-first' },
  {
    name: 'before 0.3',
    tables: [PAPERS, CLASSES, VARIANTS],
    done: ['0001-classes-and-papers', '0002-posting-and-variants'],
    file: 'v1-middle',
  },
  {
    name: '0.3',
    tables: [PAPERS, CLASSES, VARIANTS, CUTTING],
    done: ['0001-classes-and-papers', '0002-posting-and-variants', '0003-cutting-and-offcuts'],
    file: 'v1-last',
  },
]

const database = databaseOfFile()
const run = (sql: string, replacements: unknown[] = []) =>
  database.sequelize.query(sql, { replacements, type: QueryTypes.RAW })

beforeEach(() => database.clear())

async function copyOf({ tables, done, file }: (typeof VERSIONS)[number]): Promise<Data> {
  for (const table of tables) await run(table)
  await run('CREATE TABLE sequelize_meta (name VARCHAR(255) PRIMARY KEY)')
  for (const name of done) await run('INSERT INTO sequelize_meta VALUES (?)', [name])
  const { format: _, version: _v, papers, ...document } = fixture(file)
  const now = '2026-01-02 03:04:05'
  await run('INSERT INTO classes (document, created_at, updated_at, revision) VALUES (?, ?, ?, 7)', [
    JSON.stringify(document), now, now,
  ])
  for (const { key, name, kind, weight, colour, motif, upright, stocks, grain, offcuts } of papers) {
    await run(
      'INSERT INTO papers (`key`, name, kind, weight, colour, motif, upright, stocks, created_at, updated_at) VALUES (?, ?, ?, '
      + '?, ?, ?, ?, ?, ?, ?)',
      [key, name, kind, weight, colour, motif, upright, JSON.stringify(stocks), now, now],
    )
    if (tables.includes(CUTTING))
      await run('UPDATE papers SET grain = ?, offcuts = ? WHERE `key` = ?', [grain, JSON.stringify(offcuts), key])
  }
  return { document, papers }
}

/** What is in the database, opened by the document room. */
async function opened() {
  const [row] = await StudioClass.findAll()
  const papers = await StudioPaper.findAll({ order: ['key'] })
  return {
    document: openDocument(row?.document),
    papers: papers.map(({ document }) => openPaper(document)),
    positions: [row?.position, ...papers.map(({ position }) => position)].map(Number),
  }
}

describe.each(VERSIONS)('a database from $name', (version) => {
  it('is brought up to date with everything that was in it', async () => {
    const { document, papers } = await copyOf(version)
    await migrations(database.sequelize).up()
    const now = await opened()
    expect(now.document).toEqual(openDocument(document))
    expect(now.document).toMatchObject({ ok: true, value: { version: VERSION, class: document.class } })
    expect(now.papers).toEqual(
      papers.sort((a: Data, b: Data) => (a.key < b.key ? -1 : 1)).map((paper: Data) => openPaper(paper)),
    )
    expect(now.papers.every(({ ok }) => ok)).toBe(true)
    expect(now.positions.every(position => position === 0)).toBe(true)
  })

  it('ends the same wherever the migration is broken off, and run again', async () => {
    await copyOf(version)
    await migrations(database.sequelize).up()
    const whole = await opened()
    for (let at = 0; ; at++) {
      await database.clear()
      await copyOf(version)
      const broken = await breakingOffAt(at)
      await migrations(database.sequelize).up()
      expect([at, await opened()]).toEqual([at, whole])
      if (!broken) break
      expect(at).toBeLessThan(100)
    }
  })
})

/** Runs the migrations and breaks them off before a statement; answers whether there was one. */
async function breakingOffAt(at: number): Promise<boolean> {
  let statements = 0
  const query = database.sequelize.query.bind(database.sequelize)
  database.sequelize.query = ((...args: Parameters<typeof query>) => {
    if (statements++ === at) throw new Error('broken off')
    return query(...args)
  }) as typeof database.sequelize.query
  try {
    await migrations(database.sequelize).up()
    return false
  }
  catch (error) {
    expect(String(error)).toContain('broken off')
    return true
  }
  finally {
    database.sequelize.query = query as typeof database.sequelize.query
  }
}
