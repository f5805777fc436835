import { execa } from 'execa'
import { Ended, arm, asked, begun, endAll } from './lifeline'
import { endChild, tethered } from './processes'
import { ROOT } from './root'

export const say = (text: string) => console.log(`· ${text}`)

/** A failure the user can do something about: printed as it is, without a stack. */
export class Stop extends Error {}

interface Run {
  /** Shows output only on failure. */
  quiet?: boolean
  env?: Record<string, string | undefined>
  /** A failure is an answer like others. */
  allowFailure?: boolean
}

/** Runs a command to its end; it does not outlive us. */
export async function run(
  command: string, args: string[], { quiet = false, env = {}, allowFailure = false }: Run = {},
): Promise<{ code: number, output: string }> {
  const [program = command, ...rest] = tethered(command, args)
  const child = execa(program, rest, {
    cwd: ROOT, env, reject: false, all: quiet, stripFinalNewline: false, stdin: 'ignore',
    stdout: quiet ? 'pipe' : 'inherit', stderr: quiet ? 'pipe' : 'inherit',
  })
  const done = begun(() => endChild(child, 5000))
  const { exitCode, code, all, originalMessage } = await child
  done()
  if (exitCode === undefined && code) throw new Stop(`${command} could not be started: ${originalMessage}`)
  const output = all ?? ''
  if (exitCode === 0 || allowFailure) return { code: exitCode ?? 1, output }
  const said = output ? `\n${output.slice(-4000)}` : ''
  const help = whatHelps(output)
  throw new Stop(`${[command, ...args].join(' ')} failed.${said}${help ? `\n\n${help}` : ''}`)
}

/** What the system says when there is no room or no right, by code or in a program's own words, and what helps. */
const HINTS: [words: RegExp, help: string][] = [
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
export const whatHelps = (text: string) => HINTS.find(([words]) => words.test(text))?.[1]

/** An error of the system as a failure that the user can do something about. */
export function explained(error: NodeJS.ErrnoException, path: string) {
  const help = error instanceof Stop || !error.code ? undefined : whatHelps(error.code)
  return help ? new Stop(`${path}: ${error.message}\n\n${help}`) : error
}

/**
 * Runs a script's work and ends the process with the number it answers, or with 0; a `Stop` is a plain message.
 * Whatever was begun is ended first, also where a signal ends the work half-way.
 */
export async function main(work: () => Promise<unknown>) {
  arm()
  let code: number
  try {
    const result = await Promise.race([work(), asked])
    code = typeof result === 'number' ? result : 0
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
