import { createHash } from 'node:crypto'
import { readFileSync, realpathSync, rmSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { join } from 'node:path'
import { put } from './files'
import type { Known } from './processes'
import { endProcess, isAlive, known, withArgument } from './processes'
import { Stop } from './talk'

/** Milliseconds for a database to put everything in its place. */
const PATIENCE = 20_000

/** A hold on a data folder. */
export interface Hold {
  /** Tells whoever comes second where the studio is. */
  serves: (address: string) => void
  release: () => void
}

/** What a data folder's note says: what runs from it, and the port of its database. */
interface Note {
  processes: (Known & { name: string })[]
  database?: number
}

/**
 * Holds a data folder for as long as this process lives. The hold is a name in the kernel, not a file: it cannot
 * be left behind, and of two that ask at once one gets it. Whoever comes second is told who has it.
 * @param folder that exists
 */
export async function hold(folder: string): Promise<Hold> {
  const path = lockOf(folder)
  let address = ''
  const server = createServer(line => line.on('error', () => {}).end(JSON.stringify({ pid: process.pid, address })))
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? heldBy(path).then(told => reject(told)) : reject(error),
    )
    server.listen({ path }, () => resolve())
  })
  server.unref()
  return { serves: at => void (address = at), release: () => server.close() }
}

/** On Linux a name without a file. */
function lockOf(folder: string) {
  const name = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24)
  return process.platform === 'linux' ? `\0wakaru-${name}` : join(folder, 'lock')
}

async function heldBy(path: string) {
  const told = await new Promise<string>((resolve) => {
    let text = ''
    const line = connect({ path })
    line.on('data', data => (text += data)).on('end', () => resolve(text)).on('error', () => resolve(''))
    line.setTimeout(2000, () => (line.destroy(), resolve('')))
  })
  const { pid, address } = told ? JSON.parse(told) : {}
  const who = pid ? ` (process ${pid})` : ''
  return new Stop(
    address
      ? `Wakaru is running already: ${address}. Stop it there with Ctrl-C first.`
      : `Another start of Wakaru is at work in this folder${who}. Wait for it, or stop it with Ctrl-C.`,
  )
}

/** A note in the data folder of what was started from it, for whoever finds it left over. */
const noteOf = (folder: string) => join(folder, 'running.json')

export function readNote(folder: string): Note {
  try {
    const { processes = [], database }: Partial<Note> = JSON.parse(readFileSync(noteOf(folder), 'utf8'))
    return {
      processes: processes.filter(({ pid, started }) => Number.isInteger(pid) && typeof started === 'string'), database,
    }
  }
  catch {
    return { processes: [] }
  }
}

/** Notes a process down, in place of an earlier one of the same name. */
export function note(folder: string, name: string, pid: number, more: { database?: number } = {}) {
  const before = readNote(folder)
  const processes = [...before.processes.filter(other => other.name !== name), { name, ...known(pid) }]
  put(noteOf(folder), JSON.stringify({ ...before, ...more, processes }))
}

export const forgetNote = (folder: string) => rmSync(noteOf(folder), { force: true })

/**
 * Ends what an earlier start left running from this folder: what it noted down, and any database server on this
 * folder's data, also on data that was still being made. Only whoever holds the folder may call it.
 * @returns names of what was ended
 */
export async function endOrphans(folder: string): Promise<string[]> {
  const noted = readNote(folder).processes.filter(isAlive)
  const databases = ['data', 'restoring/data'].flatMap(data => withArgument(`--datadir=${join(folder, data)}`))
    .filter(pid => !noted.some(other => other.pid === pid))
    .map(pid => ({ name: 'database', ...known(pid) }))
  const orphans = [...noted, ...databases]
  // The application first, so that the database loses nobody who still writes.
  for (const orphan of orphans.sort((a, b) => a.name.localeCompare(b.name))) await endProcess(orphan, PATIENCE)
  forgetNote(folder)
  return orphans.map(({ name }) => name)
}
