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
      const said = output ? `\n${output.slice(-4000)}` : ''
      const help = whatHelps(output)
      reject(new Stop(`${[command, ...args].join(' ')} failed.${said}${help ? `\n\n${help}` : ''}`))
    })
  })
}

/** What the system says when there is no room or no right, by code or in a program's own words, and what helps. */
const HINTS = [
  [
    /\bENOSPC\b|no space left|\b(errno:|error) 28\b/i,
    'The disk is full. Make room, then start again; nothing that was saved is lost.',
  ],
  [/\bEDQUOT\b/, 'Your share of the disk is used up. Make room, then start again; nothing that was saved is lost.'],
  [
    /\bEROFS\b|read-only file system|\berrno: 30\b/i,
    'The folder is on a disk that can only be read. Move Wakaru to one that can be written to.',
  ],
  [
    /\bEACCES\b|\bEPERM\b|permission denied|\berrno: 13\b/i,
    'You may not write there. Give yourself the right to this folder, or start as the user it belongs to.',
  ],
]
/** What helps against what a program or the system says, where that is known. */
export const whatHelps = text => HINTS.find(([words]) => words.test(text))?.[1]

/** An error of the system as a failure that the user can do something about. */
export function explained(error, path) {
  const help = error instanceof Stop || !error.code ? undefined : whatHelps(error.code)
  return help ? new Stop(`${path}: ${error.message}\n\n${help}`) : error
}

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
