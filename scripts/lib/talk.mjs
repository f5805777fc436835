import { spawn } from 'node:child_process'
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
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    })
    let output = ''
    child.stdout?.on('data', data => (output += data))
    child.stderr?.on('data', data => (output += data))
    child.on('error', error => reject(new Stop(`${command} could not be started: ${error.message}`)))
    child.on('close', (code) => {
      if (code === 0 || allowFailure) return resolve({ code: code ?? 1, output })
      reject(new Stop(`${[command, ...args].join(' ')} failed.${output ? `\n${output.slice(-4000)}` : ''}`))
    })
  })
}

/** Runs a script's work and ends the process with its result; a `Stop` is a plain message. */
export async function main(work) {
  try {
    process.exitCode = (await work()) ?? 0
  }
  catch (error) {
    console.error(error instanceof Stop ? `\n${error.message}` : error)
    process.exitCode = 1
  }
}
