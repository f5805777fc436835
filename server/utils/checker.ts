import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { CheckInput, CheckName, CheckOutput } from '../workers/checks'
import { CHECKS } from '../workers/checks'
import { refusal } from './door'

/** Characters that are checked at once; more leaves the thread that answers everybody. */
const AT_ONCE = 30_000
/** Milliseconds that a check may take, and checks that may wait for it. */
const PATIENCE = { usual: 8_000, archive: 120_000 }
const MOST_WAITING = 64

interface Job {
  id: number
  name: CheckName
  input: unknown
  resolve: (output: never) => void
  reject: (reason: unknown) => void
}

/** Lies beside the application where it was built; during development and in tests checks are done on the spot. */
const FILE = join(dirname(process.argv[1] ?? ''), 'checker.cjs')

let worker: Worker | undefined
let waiting: Job[] = []
let current: Job | undefined
let timer: ReturnType<typeof setTimeout> | undefined
let jobs = 0

/**
 * Does a check, in a thread of its own where it may take long.
 * @param size of what is checked, in characters
 */
export async function checked<N extends CheckName>(name: N, input: CheckInput<N>, size: number): Promise<CheckOutput<N>> {
  if (size <= AT_ONCE || !existsSync(FILE)) return CHECKS[name](input as never) as CheckOutput<N>
  if (waiting.length >= MOST_WAITING) throw refusal(503, 'Too much is being checked at the moment. Try again.')
  return await new Promise<CheckOutput<N>>((resolve, reject) => {
    waiting.push({ id: ++jobs, name, input, resolve, reject })
    next()
  })
}

function next(): void {
  if (current || waiting.length === 0) return
  current = waiting.shift()
  if (!current) return
  const { id, name, input } = current
  started().postMessage({ id, name, input })
  timer = setTimeout(
    () => end(refusal(422, 'That is too much to be checked. Nothing was changed.')),
    name === 'archive' ? PATIENCE.archive : PATIENCE.usual,
  )
}

function started(): Worker {
  if (worker) return worker
  const made = new Worker(FILE, { resourceLimits: { maxOldGenerationSizeMb: 768 } })
  made.on('message', ({ id, output }: { id: number, output: never }) => {
    if (id !== current?.id) return
    clearTimeout(timer)
    current.resolve(output)
    current = undefined
    next()
  })
  made.on('error', error => worker === made && end(error))
  made.unref()
  return (worker = made)
}

/** Ends a check that does not end by itself; the next one gets a new thread. */
function end(reason: unknown): void {
  clearTimeout(timer)
  void worker?.terminate()
  worker = undefined
  const broken = current
  current = undefined
  broken?.reject(reason)
  next()
}

/** Whoever waits is told when the application ends. */
export function endChecks(): void {
  const left = waiting
  waiting = []
  for (const { reject } of left) reject(refusal(503, 'Wakaru is ending.'))
  void worker?.terminate()
}
