import { createHash } from 'node:crypto'
import { readFileSync, realpathSync, rmSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { join } from 'node:path'
import { put } from './files.mjs'
import { endProcess, isAlive, known, withArgument } from './processes.mjs'
import { Stop } from './talk.mjs'

/** Milliseconds for a database to put everything in its place. */
const PATIENCE = 20_000

/**
 * Holds a data folder for as long as this process lives. The hold is a name in the kernel, not a file: it cannot
 * be left behind, and of two that ask at once one gets it. Whoever comes second is told who has it.
 * @param {string} folder that exists
 * @returns {Promise<{ serves: (address: string) => void, release: () => void }>}
 */
export async function hold(folder) {
  const path = lockOf(folder)
  let address = ''
  const server = createServer(line => line.on('error', () => {}).end(JSON.stringify({ pid: process.pid, address })))
  await new Promise((resolve, reject) => {
    server.once('error', error =>
      error.code === 'EADDRINUSE' ? heldBy(path).then(told => reject(told)) : reject(error),
    )
    server.listen({ path }, resolve)
  })
  server.unref()
  return { serves: at => void (address = at), release: () => server.close() }
}

/** On Linux a name without a file. */
function lockOf(folder) {
  const name = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24)
  return process.platform === 'linux' ? `\0wakaru-${name}` : join(folder, 'lock')
}

async function heldBy(path) {
  const told = await new Promise((resolve) => {
    let text = ''
    const line = connect({ path })
    line.on('data', data => (text += data)).on('end', () => resolve(text)).on('error', () => resolve(''))
    line.setTimeout(2000, () => (line.destroy(), resolve('')))
  })
  const { pid, address } = told ? JSON.parse(told) : {}
  return new Stop(
    address
      ? `Wakaru is running already: ${address}. Stop it there with Ctrl-C first.`
      : `Another start of Wakaru is at work in this folder${pid ? ` (process ${pid})` : ''}. Wait for it, or stop it with Ctrl-C.`,
  )
}

/** A note in the data folder of what was started from it, for whoever finds it left over. */
const noteOf = folder => join(folder, 'running.json')

export function readNote(folder) {
  try {
    const { processes = [], database } = JSON.parse(readFileSync(noteOf(folder), 'utf8'))
    return {
      processes: processes.filter(({ pid, started }) => Number.isInteger(pid) && typeof started === 'string'), database,
    }
  }
  catch {
    return { processes: [] }
  }
}

/** Notes a process down, in place of an earlier one of the same name. */
export function note(folder, name, pid, more = {}) {
  const before = readNote(folder)
  const processes = [...before.processes.filter(other => other.name !== name), { name, ...known(pid) }]
  put(noteOf(folder), JSON.stringify({ ...before, ...more, processes }))
}

export const forgetNote = folder => rmSync(noteOf(folder), { force: true })

/**
 * Ends what an earlier start left running from this folder: what it noted down, and any database server on this
 * folder's data, also on data that was still being made. Only whoever holds the folder may call it.
 * @returns {Promise<string[]>} names of what was ended
 */
export async function endOrphans(folder) {
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
