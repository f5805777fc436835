import { existsSync, readFileSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { bundle } from './bundle'
import { startMariaDb } from './database'
import { ROOM, put, removeWhole, roomyFolder, sizeOf } from './files'
import { begun } from './lifeline'
import { readNote } from './running'
import { ROOT } from './root'
import { Stop, run, say } from './talk'

/** Where backups lie unless told otherwise. */
export const BACKUPS = process.env.WAKARU_DATA
  ? `${resolve(process.env.WAKARU_DATA)}-backups`
  : join(ROOT, '.data/backups')

const HOUR = 3_600_000
/** Backups that were made by themselves; those with other names are never removed. */
const OURS = /^wakaru-.*-daily\.backup$/

/** A name that sorts by time, in the maker's own hours. */
export function backupName(kind: string, now = new Date()) {
  const two = (number: number) => String(number).padStart(2, '0')
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
  const time = [now.getHours(), now.getMinutes(), now.getSeconds()].map(two).join('')
  return `wakaru-${day}-${time}${kind ? `-${kind}` : ''}.backup`
}

/**
 * Makes sure that a backup of a folder's database fits where it is to lie: compressed it is smaller than the tables
 * are.
 * @param folder of the studio; a server of one's own is not asked
 */
export function mustFit(file: string, folder: string) {
  roomyFolder(dirname(file), LEAST + sizeOf(join(folder, 'data', 'wakaru')) / 2, 'a backup')
}
const LEAST = 2e6

/** Does what `server/database/keep.ts` can do; answers what it says. */
export async function keep(what: string, file: string, databaseUrl?: string) {
  const program = await bundle('server/database/keep.ts', ['core', 'server'])
  const { code, output } = await run('node', [program, what, file], {
    quiet: true, allowFailure: true, env: { DATABASE_URL: databaseUrl },
  })
  if (code !== 0) throw new Stop(output.trim() || 'It was broken off.')
  return output.trim()
}

/** The address of the database that serves from a folder now; nothing where none does. */
export function runningDatabase(folder: string) {
  const { processes, database } = readNote(folder)
  if (!database || !processes.some(({ name }) => name === 'database') || !existsSync(join(folder, 'password')))
    return undefined
  return `mysql://wakaru_app:${readFileSync(join(folder, 'password'), 'utf8')}@127.0.0.1:${database}/wakaru`
}

/**
 * Makes a backup every so many hours, counted from the last one, and removes the oldest beyond some number.
 * One that fails is said, and tried again a minute later.
 */
export function scheduleBackups({
  databaseUrl, hours, number, folder = BACKUPS, write = file => keep('write', file, databaseUrl),
}: {
  databaseUrl: string
  hours: number
  number: number
  folder?: string
  write?: (file: string) => Promise<unknown>
}) {
  const due = () => {
    const last = existsSync(folder) ? Math.max(0, ...ours(folder).map(name => statSync(join(folder, name)).mtimeMs)) : 0
    return Math.max(60_000, last + hours * HOUR - Date.now())
  }
  let timer: NodeJS.Timeout
  const next = () => {
    timer = setTimeout(async () => {
      try {
        await write(join(folder, backupName('daily')))
        for (const name of [...ours(folder).slice(0, -number), ...brokenOff(folder)])
          rmSync(join(folder, name), { force: true })
      }
      catch (error) {
        say(`The backup could not be made: ${(error as Error).message}`)
      }
      next()
    }, Math.min(due(), 2 ** 31 - 1))
    timer.unref()
  }
  next()
  begun(() => clearTimeout(timer))
}

const ours = (folder: string) => readdirSync(folder).filter(name => OURS.test(name)).sort()

/** What is left of backups that were killed half-way. */
const brokenOff = (folder: string) =>
  readdirSync(folder).filter(
    name => name.includes('.backup.new-') && statSync(join(folder, name)).mtimeMs < Date.now() - HOUR,
  )

/** Where a restored database waits until it takes the place of the old one. */
const waiting = (folder: string) => join(folder, 'restoring')

/**
 * Puts a backup in the place of a folder's database. It is made and read beside the old one first; the old one
 * stays, under another name. Only whoever holds the folder may call it.
 * @returns what was said, and where the old one is
 */
export async function restoreInto(folder: string, file: string): Promise<{ said: string, old?: string }> {
  removeWhole(waiting(folder))
  roomyFolder(waiting(folder), ROOM.first + 8 * statSync(file).size, 'the restored studio')
  const database = await startMariaDb(waiting(folder), { spawned: (_, end) => begun(end) })
  let said
  try {
    said = await keep('restore', file, database.ownerUrl)
  }
  finally {
    await database.stop()
  }
  // From here on it counts, whatever happens to us.
  put(join(waiting(folder), 'data', 'restored'), '')
  return { said, old: finishRestore(folder) }
}

/** Puts a restored database in its place, also where that was broken off before. */
export function finishRestore(folder: string): string | undefined {
  const restored = join(waiting(folder), 'data')
  if (!existsSync(join(restored, 'restored'))) return void removeWhole(waiting(folder))
  const data = join(folder, 'data')
  const old = existsSync(data) ? join(folder, `data.before-${backupName('').slice(7, 24)}`) : undefined
  for (const name of readdirSync(folder)) if (old && name.startsWith('data.before-')) removeWhole(join(folder, name))
  if (old) renameSync(data, old)
  renameSync(restored, data)
  removeWhole(waiting(folder))
  return old
}
