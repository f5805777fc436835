import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { isAlive, known, withArgument } from '../lib/processes'
import { ROOT } from '../lib/root'
import { readNote } from '../lib/running'
import { begun } from '../lib/lifeline'
import type { Answer, Asked } from './parts'

/** A studio of its own for what is done to it. */
export const FOLDER = join(ROOT, '.data/torture')
export const DEMO = readFileSync(join(ROOT, 'demo/tide-and-lantern.json'), 'utf8')
export const pause = (milliseconds: number) => new Promise(resolve => setTimeout(resolve, milliseconds))
export const forget = () => {
  for (const folder of [FOLDER, `${FOLDER}-backups`])
    rmSync(folder, { recursive: true, force: true, maxRetries: 8, retryDelay: 50 })
}

/** Starts Wakaru by its command; answers how to wait for it, and what there is to kill. */
export function start({ port = 4310, args = [] }: { port?: number, args?: string[] } = {}) {
  const npm = spawn('npm', ['start', '--', '--port', String(port), '--backup-hours', '0', ...args], {
    cwd: ROOT,
    env: { ...process.env, WAKARU_DATA: FOLDER, npm_command: undefined },
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  })
  let text = ''
  for (const stream of [npm.stdout, npm.stderr]) stream.on('data', data => (text += data))
  const ended = new Promise<void>(resolve => npm.once('close', () => resolve()))
  const pid = npm.pid ?? 0
  const done = begun(() => kill(pid))
  void ended.then(done)
  const script = () =>
    withArgument('scripts/run.mjs', 'start').filter(pid => environmentOf(pid).includes(`WAKARU_DATA=${FOLDER}`))
  return {
    ended,
    text: () => text,
    address: () => /is ready: (\S+)/.exec(text)?.[1] ?? '',
    /** Waits until it is ready; answers whether it came to that. */
    async ready() {
      for (const end = Date.now() + 90_000; Date.now() < end; await pause(20)) {
        if (this.address()) return true
        if (!isAlive(known(pid))) return false
      }
      return false
    },
    /** What can be killed: npm, the start script, the application, the database. */
    pids() {
      const { processes } = readNote(FOLDER)
      const named = (name: string) =>
        processes.filter(process => process.name === name && isAlive(process)).map(({ pid }) => pid)
      return { npm: [pid], start: script(), application: named('application'), database: named('database') }
    },
    async stop() {
      for (const pid of script()) kill(pid, 'SIGINT')
      await Promise.race([ended, pause(25_000)])
    },
  }
}

const environmentOf = (pid: number) => {
  try {
    return readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0')
  }
  catch {
    return []
  }
}

export function kill(pid: number, signal: NodeJS.Signals = 'SIGKILL') {
  try {
    process.kill(pid, signal)
  }
  catch {
    // Ended meanwhile.
  }
}

/** Whether everything that was started from the folder ends within some time. */
export async function allEnds(milliseconds = 25_000) {
  for (const end = Date.now() + milliseconds; Date.now() < end; await pause(30)) {
    const left = [
      ...withArgument(`--datadir=${join(FOLDER, 'data')}`),
      ...readNote(FOLDER)
        .processes.filter(isAlive)
        .map(({ pid }) => pid),
    ]
    if (left.length === 0) return true
  }
  return false
}

/** Asks; answers nothing where nobody answers. */
export async function ask(
  address: string, path: string, { method = 'GET', body, headers = {}, patience = 15_000 }: Asked = {},
): Promise<Answer | undefined> {
  try {
    const answer = await fetch(`${address}${path}`, {
      method,
      headers: body === undefined ? headers : { 'Content-Type': 'application/json', ...headers },
      body: body as BodyInit | undefined,
      signal: AbortSignal.timeout(patience),
    })
    const text = await answer.text()
    return {
      status: answer.status, text,
      data: answer.headers.get('content-type')?.includes('json') ? JSON.parse(text) : undefined,
    }
  }
  catch {
    return undefined
  }
}

/** Adds a copy of the demo class; answers its number. */
export async function addClass(address: string, title = 'Tortured'): Promise<number> {
  const file = JSON.parse(DEMO)
  file.class.title = title
  return (await ask(address, '/api/import', { method: 'POST', body: JSON.stringify(file) }))?.data?.id
}

let tokens = 0
/** Sends a change of the seats of a class. */
export const sendSeats = (address: string, id: number, since: number, seats: number) =>
  ask(address, '/api/edits', {
    method: 'POST',
    body: JSON.stringify({
      token: `torture-${process.pid}-${Date.now()}-${++tokens}`,
      label: 'seats',
      class: id,
      since,
      patches: [{ op: 'set', path: ['class', 'seats'], value: seats }],
    }),
  })
