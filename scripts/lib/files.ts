import {
  accessSync, closeSync, constants, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync,
  statSync, statfsSync, writeSync,
} from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { Stop, explained } from './talk'

/** Writes a file so that at any moment either the old or the new one is there, whole. */
export function put(file: string, text: string, mode = 0o644) {
  const whole = `${file}.${process.pid}.new`
  const to = openSync(whole, 'w', mode)
  try {
    writeSync(to, text)
    fsyncSync(to)
  }
  finally {
    closeSync(to)
  }
  renameSync(whole, file)
}

/** Whatever is in it; somebody may still be leaving. */
const THOROUGHLY = { recursive: true, force: true, maxRetries: 8, retryDelay: 50 }

/** Removes a folder so that nobody ever finds half of it under its name. */
export function removeWhole(folder: string) {
  const aside = `${folder}.gone-${process.pid}`
  try {
    renameSync(folder, aside)
  }
  catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return
    throw error
  }
  rmSync(aside, THOROUGHLY)
}

/** Removes what was broken off while something beside a folder was made or removed. */
export function removeUnfinished(folder: string) {
  const parent = dirname(folder)
  for (const name of readdirSync(parent)) {
    if (name.startsWith(`${basename(folder)}.gone-`) || name.startsWith(`${basename(folder)}.new-`))
      rmSync(join(parent, name), THOROUGHLY)
  }
}

/**
 * Making several folders at once tells of a disk that can only be read as if something were missing; asking the last
 * one that is there tells why.
 */
function reasonFor(error: NodeJS.ErrnoException, folder: string): NodeJS.ErrnoException {
  if (error.code !== 'ENOENT') return error
  let there = folder
  while (!existsSync(there)) there = dirname(there)
  try {
    accessSync(there, constants.W_OK)
    return error
  }
  catch (reason) {
    return reason as NodeJS.ErrnoException
  }
}

/** Bytes that a database needs to begin with, and that one that is there needs to go on. */
export const ROOM = { first: 200e6, again: 12e6 }

/** Bytes of all that is in a folder; nothing where there is none. */
export function sizeOf(folder: string) {
  if (!existsSync(folder)) return 0
  return readdirSync(folder, { withFileTypes: true, recursive: true }).reduce(
    (sum, entry) => sum + (entry.isFile() ? statSync(join(entry.parentPath, entry.name)).size : 0), 0,
  )
}

/**
 * Makes a folder that can be written to and has room, or says why it cannot be had.
 * @param bytes that are about to be written
 * @param what needs them, as in “Wakaru needs 12 MB”
 */
export function roomyFolder(folder: string, bytes: number, what: string) {
  try {
    mkdirSync(folder, { recursive: true })
    const trial = join(folder, `.trial-${process.pid}`)
    put(trial, 'x')
    rmSync(trial)
  }
  catch (error) {
    throw explained(reasonFor(error as NodeJS.ErrnoException, folder), folder)
  }
  const { bavail, bsize } = statfsSync(folder)
  if (bavail * bsize < bytes) {
    throw new Stop(
      `There are only ${Math.round((bavail * bsize) / 1e6)} MB left on the disk of ${folder}; `
      + `${what} needs ${Math.ceil(bytes / 1e6)} MB. `
      + 'Make room, then try again; nothing that was saved is lost.',
    )
  }
}
