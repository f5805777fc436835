import { existsSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { standIn, startApplication } from './application'
import { BACKUPS, finishRestore } from './backups'
import { bundle } from './bundle'
import { startMariaDb } from './database'
import { ROOM, removeUnfinished, removeWhole, roomyFolder } from './files'
import type { Keeping } from './keeping'
import { keepRunning } from './keeping'
import { begun } from './lifeline'
import { keptLog } from './log'
import { ROOT } from './root'
import type { Hold } from './running'
import { endOrphans, forgetNote, hold, note } from './running'
import { run, say } from './talk'

/** Data folder of the studio; WAKARU_DATA names another one. */
export const DATA = process.env.WAKARU_DATA ? resolve(process.env.WAKARU_DATA) : join(ROOT, '.data/studio')

/** Makes sure of a folder that can be written to, and that nobody else works in it. */
export async function holdFolder(folder: string): Promise<Hold> {
  const isThere = existsSync(join(folder, 'data'))
  roomyFolder(folder, isThere ? ROOM.again : ROOM.first, isThere ? 'Wakaru' : 'a new database')
  return hold(folder)
}

export interface Serve {
  folder: string
  /** The hold on the folder, where it was taken before. */
  held?: Hold
  port?: number
  demo?: boolean
  /** Forgets what the folder holds. */
  fresh?: boolean
  /** A server of one's own instead of ours. */
  databaseUrl?: string
  /** Starts the application: the built one unless told. */
  command?: string[]
  /** Where backups lie. */
  backups?: string
}

export interface Served {
  address: string
  port: number
  ownerUrl: string
  stop: () => Promise<void>
  /** Names what ended by itself too often. */
  ended: Promise<string>
}

/**
 * Starts database and application, and starts them again where they end by themselves; each step is undone in
 * reverse order by `stop`, or by the end of this process.
 */
export async function serve(options: Serve): Promise<Served> {
  const { folder, databaseUrl, backups = BACKUPS } = options
  const undo: (() => unknown)[] = []
  const stop = async () => {
    forgotten()
    for (let end = undo.pop(); end; end = undo.pop()) await end()
  }
  const forgotten = begun(stop)
  let givenUp: (name: string) => void
  const ended = new Promise<string>(resolve => (givenUp = resolve))
  const kept = <Kind extends { port: number, ended: Promise<void> }>(what: Omit<Keeping<Kind>, 'givenUp'>) => {
    const { first, stop } = keepRunning<Kind>({ ...what, givenUp: name => givenUp(name) })
    undo.push(stop)
    return first
  }
  try {
    const mine = options.held ?? (await holdFolder(folder))
    undo.push(() => (forgetNote(folder), mine.release()))
    await tidied(folder, options.fresh)
    const { url, ownerUrl } = databaseUrl
      ? { url: databaseUrl, ownerUrl: databaseUrl }
      : await kept({ name: 'MariaDB', start: ownDatabase(folder) })
    const begin = await bundle('server/database/begin.ts', ['core', 'server', 'demo'])
    const demo = options.demo === false ? 'none' : 'ferry-lane'
    await run('node', [begin], {
      env: { DATABASE_URL: ownerUrl, WAKARU_DEMO: demo, WAKARU_BACKUPS: backups },
    })
    const log = keptLog(join(folder, 'application.log'))
    undo.push(log.close)
    say('Starting the application …')
    const { port } = await kept({
      name: 'The application',
      start: (before, spawned) => {
        const { port = 4173, command = ['node', '.output/server/index.mjs'] } = options
        return startApplication(command, url, before?.port ?? port, log, (pid, end) => {
          spawned(end)
          note(folder, 'application', pid)
        })
      },
      meanwhile: ({ port }) => standIn(port),
    })
    const address = `http://127.0.0.1:${port}`
    mine.serves(address)
    return { address, port, ownerUrl, stop, ended }
  }
  catch (error) {
    await stop()
    throw error
  }
}

/** Clears away what an earlier start left in a folder that we hold, and finishes what it began. */
async function tidied(folder: string, fresh = false) {
  const orphans = await endOrphans(folder)
  removeUnfinished(folder)
  finishRestore(folder)
  if (orphans.length > 0) say(`Ended what an earlier start had left running: ${orphans.join(' and ')}.`)
  if (fresh) forget(folder)
}

/** Starts the database of a folder, on the port it had before, and notes it down. */
const ownDatabase = (folder: string) =>
  (before: { port: number } | undefined, spawned: (end: () => Promise<void>) => void) => {
    if (!before) say('Starting MariaDB …')
    return startMariaDb(folder, {
      wanted: before?.port,
      spawned: (pid, end, at) => (spawned(end), note(folder, 'database', pid, { database: at })),
    })
  }

/** Forgets all classes and papers of a folder that we hold. */
function forget(folder: string) {
  removeWhole(join(folder, 'data'))
  rmSync(join(folder, 'password'), { force: true })
}
