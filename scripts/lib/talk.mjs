import { spawn } from 'node:child_process'
import { Ended, arm, asked, begun, endAll } from './lifeline.mjs'
import { endChild, tethered } from './processes.mjs'
import { ROOT } from './root.mjs'

export const say = text => console.log(`· ${text}`)

/** A failure the user can do something about: printed as it is, without a stack. */
export class Stop extends Error {}

/**
 * Runs a command to its end.
 * @param {string} command
 * @param {string[]} args
 * @param {{ quiet?: boolean, env?: Record<string, string | undefined>, allowFailure?: boolean }} [options] `quiet`
 *   shows output only on failure
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, { quiet = false, env = {}, allowFailure = false } = {}) {
  return new Promise((resolve, reject) => {
    const [program = command, ...rest] = tethered(command, args)
    const child = spawn(program, rest, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    })
    const done = begun(() => endChild(child, 5000))
    let output = ''
    child.stdout?.on('data', data => (output += data))
    child.stderr?.on('data', data => (output += data))
    child.on('error', error => (done(), reject(new Stop(`${command} could not be started: ${error.message}`))))
    child.on('close', (code) => {
      done()
      if (code === 0 || allowFailure) return resolve({ code: code ?? 1, output })
      reject(new Stop(`${[command, ...args].join(' ')} failed.${output ? `\n${output.slice(-4000)}` : ''}${hint(output)}`))
    })
  })
}

/** What the system says when there is no room or no right, and what helps. */
const HINTS = {
  ENOSPC: 'The disk is full. Make room, then start again; nothing that was saved is lost.',
  EDQUOT: 'Your share of the disk is used up. Make room, then start again; nothing that was saved is lost.',
  EROFS: 'The folder is on a disk that can only be read. Move Wakaru to one that can be written to.',
  EACCES: 'You may not write there. Give yourself the right to this folder, or start as the user it belongs to.',
  EPERM: 'You may not write there. Give yourself the right to this folder, or start as the user it belongs to.',
}
const hint = (text) => {
  const named = Object.keys(HINTS).find(code => new RegExp(`\\b${code}\\b`).test(text))
  const found = named ?? (/no space left/i.test(text) ? 'ENOSPC' : undefined)
  return found ? `\n\n${HINTS[found]}` : ''
}

/** An error of the system as a failure that the user can do something about. */
export const explained = (error, path) =>
  error instanceof Stop || !(error.code in HINTS) ? error : new Stop(`${path}: ${error.message}${hint(error.code)}`)

/**
 * Runs a script's work and ends the process with its result; a `Stop` is a plain message. Whatever was begun is
 * ended first, also where a signal ends the work half-way.
 */
export async function main(work) {
  arm()
  let code
  try {
    code = (await Promise.race([work(), asked])) ?? 0
  }
  catch (error) {
    if (error instanceof Ended) say('Stopping …')
    else console.error(error instanceof Stop ? `\n${error.message}` : error)
    code = error instanceof Ended ? error.code : 1
  }
  await endAll()
  // What still waits for something that will not come does not hold us.
  process.exit(code)
}
