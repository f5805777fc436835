import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdir, open, readdir, rename, rm } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { createInterface } from 'node:readline'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import mysql from 'mysql2'
import type { Sequelize } from 'sequelize'
import { openDocument, openPaper } from '../../core/document/open'
import { migrations } from './migrations'
import { DONE } from './migrations/names'
import { Kept, StudioClass, StudioPaper } from './models'
import { REQUESTS } from './requests'

/*
 * A backup is one compressed file of lines: first what it is and which columns its tables
 * have, then every row, then how many rows there are and the SHA-256 of all lines before.
 * Without the last line it is not whole, whatever else is in it.
 */

const FORMAT = 'wakaru-backup'

interface Head {
  format: typeof FORMAT
  version: 1
  made: string
  /** Names of the migrations that its tables have seen. */
  migrations: string[]
  tables: Record<string, string[]>
}
interface Tail {
  rows: number
  sha256: string
}
/** The name of its table and the values of its columns, as the database writes them. */
type Row = [table: string, values: (string | null)[]]

/** What is wrong with a backup, in words for the maker. */
export class BackupError extends Error {}

/**
 * Writes everything in the studio as it is at one moment, while others go on changing it.
 * @param url of a user who may read
 * @param file is either there whole afterwards, or not at all
 * @returns how many rows are in it
 */
export async function writeBackup(url: string, file: string): Promise<number> {
  const connection = mysql.createConnection({ uri: url, rowsAsArray: true, typeCast: field => field.string() })
  const ask = (sql: string) =>
    new Promise<string[][]>((resolve, reject) => {
      connection.query(sql, (error, rows) => (error ? reject(error) : resolve(rows as unknown as string[][])))
    })
  const hash = createHash('sha256')
  let rows = 0
  const line = (data: Head | Row | Tail) => `${JSON.stringify(data)}\n`
  async function* lines() {
    await ask('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ')
    await ask('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY')
    const columns = await ask(
      `SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = DATABASE()
        ORDER BY table_name, ordinal_position`,
    )
    const tables: Record<string, string[]> = {}
    for (const [table = '', column = ''] of columns) (tables[table] ??= []).push(column)
    // What can be found again does not go with it.
    const { [DONE]: done, [Kept.tableName]: _, [REQUESTS]: __, ...kept } = tables
    const seen = done ? (await ask(`SELECT name FROM ${DONE} ORDER BY name`)).map(([name = '']) => name) : []
    const head = line({ format: FORMAT, version: 1, made: new Date().toISOString(), migrations: seen, tables: kept })
    hash.update(head)
    yield head
    for (const [table, names] of Object.entries(kept)) {
      const stream = connection
        .query(`SELECT ${names.map(name => `\`${name}\``).join(', ')} FROM \`${table}\``)
        .stream()
      for await (const values of stream as AsyncIterable<Row[1]>) {
        rows += 1
        const row = line([table, values])
        hash.update(row)
        yield row
      }
    }
    yield line({ rows, sha256: hash.digest('hex') })
  }
  const unfinished = `${file}.new-${process.pid}`
  await mkdir(dirname(file), { recursive: true })
  await clearUnfinished(dirname(file))
  try {
    await pipeline(Readable.from(lines()), createGzip(), createWriteStream(unfinished, { mode: 0o600 }))
    const written = await open(unfinished, 'r+')
    await written.sync()
    await written.close()
    await rename(unfinished, file)
    return rows
  }
  catch (error) {
    await rm(unfinished, { force: true })
    throw error
  }
  finally {
    connection.destroy()
  }
}

/** Removes what is left in a folder of backups that were killed half-way: those whose process is gone. */
async function clearUnfinished(folder: string): Promise<void> {
  for (const name of await readdir(folder)) {
    const [, pid] = /\.backup\.new-(\d+)$/.exec(name) ?? []
    if (pid !== undefined && !isRunning(Number(pid))) await rm(join(folder, name), { force: true })
  }
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  }
  catch (error) {
    // Of somebody else, but there.
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

/**
 * Reads a backup from its first line to its last.
 * @param take is handed every row
 * @throws BackupError where it is no backup, or not whole
 */
async function readBackup(file: string, take: (row: Row, head: Head) => Promise<void> | void): Promise<Head> {
  const hash = createHash('sha256')
  let head: Head | undefined
  let tail: Tail | undefined
  let rows = 0
  const zipped = createReadStream(file)
  const plain = zipped.pipe(createGunzip())
  const broken = new Promise<never>((_, reject) => {
    zipped.once('error', reject)
    plain.once('error', () => reject(new BackupError(`${file} is damaged or is no backup of Wakaru.`)))
  })
  const reading = (async () => {
    for await (const text of createInterface({ input: plain, crlfDelay: Infinity })) {
      if (tail) throw new BackupError(`${file} goes on after its end; it is damaged.`)
      const data = parsed(text, file)
      if (!head) {
        head = headIn(data, file)
        hash.update(`${text}\n`)
      }
      else if (Array.isArray(data)) {
        if (!isRow(data, head)) throw new BackupError(`${file} is damaged: its line ${rows + 2} is no row of a table.`)
        rows += 1
        hash.update(`${text}\n`)
        await take(data, head)
      }
      else {
        if (typeof data !== 'object' || data === null)
          throw new BackupError(`${file} is damaged: its line ${rows + 2} is no row of a table.`)
        tail = data as Tail
      }
    }
  })()
  await Promise.race([reading, broken])
  if (!head || !tail) throw new BackupError(`${file} is not whole: its end is missing.`)
  if (tail.rows !== rows || tail.sha256 !== hash.digest('hex'))
    throw new BackupError(`${file} is damaged: its checksum is not that of what is in it.`)
  return head
}

function parsed(text: string, file: string): unknown {
  try {
    return JSON.parse(text)
  }
  catch {
    throw new BackupError(`${file} is damaged or is no backup of Wakaru.`)
  }
}

function headIn(data: unknown, file: string): Head {
  const head = data as Partial<Head> | null
  if (head?.format !== FORMAT) throw new BackupError(`${file} is no backup of Wakaru.`)
  if (head.version !== 1) throw new BackupError(`${file} was made by a newer Wakaru than this one.`)
  const names = (list: unknown): list is string[] =>
    Array.isArray(list) && list.every(name => typeof name === 'string' && NAME.test(name))
  const { tables, migrations: done } = head
  const isWhole
    = typeof tables === 'object' && tables !== null && names(Object.keys(tables)) && Object.values(tables).every(names)
  if (!isWhole || !Array.isArray(done) || !done.every(name => typeof name === 'string'))
    throw new BackupError(`${file} is damaged: its first line does not say what is in it.`)
  return head as Head
}

/** Names of tables and columns; they go into statements as they are. */
const NAME = /^[a-z][a-z0-9_]{0,63}$/

/** Whether a line is a row of one of the tables. */
const isRow = (data: unknown[], { tables }: Head): data is Row => {
  const [table, values, ...more] = data
  if (more.length > 0 || typeof table !== 'string' || !Object.hasOwn(tables, table) || !Array.isArray(values))
    return false
  return values.length === tables[table]?.length && values.every(value => value === null || typeof value === 'string')
}

/** Checks that a backup is whole; answers what is in it. */
export async function checkBackup(file: string): Promise<{ made: string, rows: Record<string, number> }> {
  const rows: Record<string, number> = {}
  const { made } = await readBackup(file, ([table]) => void (rows[table] = (rows[table] ?? 0) + 1))
  return { made, rows }
}

/** Rows, and characters of them, that are written at once. */
const AT_ONCE = { rows: 200, characters: 4_000_000 }

/**
 * Puts a backup into a database with nothing in it, brings its tables up to date, and reads all of it again.
 * @throws BackupError where the backup is not whole, the database not empty, or something in it cannot be read
 */
export async function restoreBackup(sequelize: Sequelize, file: string): Promise<{ classes: number, papers: number }> {
  const { rows: expected } = await checkBackup(file)
  const tables = sequelize.getQueryInterface()
  if ((await tables.showAllTables()).length > 0)
    throw new BackupError('The database is not empty. A backup goes into an empty one.')
  const steps = migrations(sequelize)
  const names = (await steps.pending()).map(({ name }) => name)
  let prepared = false
  let waiting: Row[] = []
  let characters = 0

  const flush = async (head: Head) => {
    for (const table of new Set(waiting.map(([table]) => table))) {
      const columns = head.tables[table] ?? []
      const rows = waiting.filter(row => row[0] === table).map(([, values]) => values)
      const names = columns.map(name => `\`${name}\``).join(', ')
      await sequelize.query(`INSERT INTO \`${table}\` (${names}) VALUES ?`, { replacements: [rows] })
    }
    waiting = []
    characters = 0
  }
  const prepare = async ({ migrations: done, tables: kept }: Head) => {
    const strange = done.find(name => !names.includes(name))
    if (strange) throw new BackupError(`The backup was made by a newer Wakaru than this one (${strange}).`)
    const last = done.at(-1)
    if (last) await steps.up({ to: last })
    for (const table of Object.keys(kept)) await sequelize.query(`DELETE FROM \`${table}\``)
    prepared = true
  }
  const head = await readBackup(file, async (row, head) => {
    if (!prepared) await prepare(head)
    waiting.push(row)
    characters += row[1].reduce((sum, value) => sum + (value?.length ?? 0), 0)
    if (waiting.length >= AT_ONCE.rows || characters >= AT_ONCE.characters) await flush(head)
  })
  if (!prepared) await prepare(head)
  await flush(head)
  for (const [table, count] of Object.entries(expected)) {
    const [[found]] = (await sequelize.query(`SELECT COUNT(*) AS count FROM \`${table}\``)) as unknown as [
      [{ count: number }],
    ]
    if (Number(found.count) !== count)
      throw new BackupError(`Of ${count} rows in ${table} there are ${found.count} now.`)
  }
  await steps.up()
  return await readAll()
}

/** Opens every class and paper; the database is of use only when all of them can be. */
async function readAll(): Promise<{ classes: number, papers: number }> {
  let [classes, papers] = [0, 0]
  for (let after = 0; ;) {
    const rows = await StudioClass.findAll({ order: [['id', 'ASC']], limit: 100, offset: after })
    if (rows.length === 0) break
    for (const { id, document } of rows) {
      if (!openDocument(document).ok) throw new BackupError(`Class ${id} cannot be read.`)
      classes += 1
    }
    after += rows.length
  }
  for (let after = 0; ;) {
    const rows = await StudioPaper.findAll({ order: [['key', 'ASC']], limit: 500, offset: after })
    if (rows.length === 0) break
    for (const { key, document } of rows) {
      if (!openPaper(document).ok) throw new BackupError(`The paper ${key} cannot be read.`)
      papers += 1
    }
    after += rows.length
  }
  return { classes, papers }
}
