import type { ChildProcess, SpawnOptions } from 'node:child_process'
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { basename } from 'node:path'

/**
 * When a process was started, in the words of the system; nothing where none runs under this number. Numbers
 * are given out again: number and start together tell one process from every other.
 * @param pid
 */
export function startOf(pid: number): string | undefined {
  if (!Number.isInteger(pid) || pid < 1) return undefined
  if (!existsSync('/proc/self/stat')) {
    const { status, stdout } = spawnSync('ps', ['-o', 'lstart=', '-p', String(pid)], { encoding: 'utf8' })
    return status === 0 ? stdout.trim() || undefined : undefined
  }
  // The name of the program, in brackets, may hold anything; what counts stands behind it.
  const fields = read(`/proc/${pid}/stat`)
    ?.replace(/^.*\)\s/s, '')
    .split(' ')
  return !fields || fields[0] === 'Z' ? undefined : fields[19]
}

/** A process as it is noted down: its number and when it was started, where it runs. */
export interface Known {
  pid: number
  started?: string
}

/** Notes a process down. */
export const known = (pid: number): Known => ({ pid, started: startOf(pid) })

/** Whether this very process still runs. */
export const isAlive = (process: Known | undefined): boolean =>
  process?.started !== undefined && startOf(process.pid) === process.started

const pause = (milliseconds: number) => new Promise(resolve => setTimeout(resolve, milliseconds))

/**
 * Ends a process that is not ours to wait for: asks it first, and makes it where it takes too long.
 * @param patience milliseconds
 */
export async function endProcess(process_: Known, patience: number) {
  for (const [signal, rest] of [['SIGTERM', patience], ['SIGKILL', 5000]] as const) {
    for (const end = Date.now() + rest; isAlive(process_) && Date.now() < end;) {
      // One that was stopped hears nothing before it goes on; one that is just beginning may not hear at once.
      for (const word of [signal, 'SIGCONT'] as const) send(process_.pid, word)
      for (let looks = 0; looks < 10 && isAlive(process_); looks++) await pause(30)
    }
  }
}

function send(pid: number, signal: NodeJS.Signals) {
  try {
    process.kill(pid, signal)
  }
  catch {
    // It has ended meanwhile.
  }
}

/** Numbers of running processes with an argument that begins with some text, and a certain one after it. */
export const withArgument = (text: string, next?: string) =>
  (existsSync('/proc/self/stat') ? readdirSync('/proc') : [])
    .filter(name => /^\d+$/.test(name))
    .filter((name) => {
      const given = read(`/proc/${name}/cmdline`)?.split('\0') ?? []
      return given.some((argument, at) => argument.startsWith(text) && (next === undefined || given[at + 1] === next))
    })
    .map(Number)

/** The process that another one was started by. */
function parentOf(pid: number) {
  const fields = read(`/proc/${pid}/stat`)
    ?.replace(/^.*\)\s/s, '')
    .split(' ')
  return fields ? Number(fields[1]) : undefined
}

/**
 * This process's parents up to the npm that runs it: none where no npm does, and nothing at all where the npm that
 * ran it is gone already.
 */
export function parentsUpToNpm(): Known[] | undefined {
  const { npm_lifecycle_script: script = '' } = process.env
  if (!existsSync('/proc/self/stat') || !script.includes(basename(process.argv[1] ?? '-'))) return []
  const parents: Known[] = []
  for (let pid = process.ppid; pid >= 1; pid = parentOf(pid) ?? 0) {
    parents.push(known(pid))
    if (/\bnpm\b/.test(read(`/proc/${pid}/cmdline`) ?? '')) return parents
  }
  return undefined
}

function read(file: string) {
  try {
    return readFileSync(file, 'utf8')
  }
  catch {
    return undefined
  }
}

/**
 * The kernel ends what is started by this when we end, in whatever way we do. It does not ask: a database that is just
 * beginning does not hear, and what was acknowledged is on the disk.
 */
const SETPRIV = ['setpriv', '--pdeathsig', 'KILL', '--']
const HAS_SETPRIV = spawnSync('sh', ['-c', `${SETPRIV.join(' ')} true`]).status === 0

/** A command as one that does not outlive us, also where we end before the kernel has been told. */
export const tethered = (command: string, args: string[]) =>
  HAS_SETPRIV
    ? [...SETPRIV, 'sh', '-c', '[ "$PPID" = "$1" ] && shift && exec "$@"', 'sh', String(process.pid), command, ...args]
    : [command, ...args]

/**
 * Starts a process that does not outlive this one, and that Ctrl-C at the terminal does not reach: whoever
 * started it ends it in its turn.
 */
export function spawnTethered(command: string, args: string[], options: SpawnOptions): ChildProcess {
  const [program = command, ...rest] = tethered(command, args)
  return spawn(program, rest, { ...options, detached: true })
}

/** Ends a child of ours: asks it first, and makes it where it takes too long. */
export async function endChild(child: ChildProcess, patience: number) {
  if (child.exitCode !== null || child.signalCode !== null || child.pid === undefined) return
  const ended = new Promise(resolve => child.once('exit', resolve))
  const ask = () => (child.kill('SIGTERM'), child.kill('SIGCONT'))
  ask()
  // One that is just beginning may not hear at once.
  const again = setInterval(ask, 400)
  const timer = setTimeout(() => child.kill('SIGKILL'), patience)
  await ended
  clearInterval(again)
  clearTimeout(timer)
}
