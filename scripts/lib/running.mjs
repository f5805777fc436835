import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** A note in the data folder that says who serves from it, so that a second start can point there. */
const note = folder => join(folder, 'running.json')

/** The address of the Wakaru that serves from this folder now, if any. A note left by a crash does not count. */
export function servingFrom(folder) {
  if (!existsSync(note(folder))) return undefined
  try {
    const { pid, address } = JSON.parse(readFileSync(note(folder), 'utf8'))
    process.kill(pid, 0)
    return address
  }
  catch {
    return undefined
  }
}

export const noteServing = (folder, address) => writeFileSync(note(folder), JSON.stringify({ pid: process.pid, address }))
export const forgetServing = folder => rmSync(note(folder), { force: true })
