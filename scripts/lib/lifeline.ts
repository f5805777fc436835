import { isAlive, parentsUpToNpm } from './processes'

/** Somebody asked for the end: no failure, and nothing to be put right. */
export class Ended extends Error {
  constructor(why: string, readonly code: number) {
    super(why)
  }
}

type End = () => unknown

const SIGNALS = { SIGHUP: 1, SIGINT: 2, SIGTERM: 15 }
const undo: End[] = []
let reject: (why: Ended) => void
let ending: Promise<void> | undefined
let done = false
/** Settles, as a refusal, when the end is asked for: by a signal, or because the npm that runs us is gone. */
export const asked = new Promise<never>((_, no) => (reject = no))
asked.catch(() => {})

/** From here on signals end what was begun instead of ending only us. Called before anything else is done. */
export function arm() {
  for (const [signal, number] of Object.entries(SIGNALS)) {
    process.on(signal, () => {
      // Asked again: no more patience.
      if (ending) process.exit(128 + number)
      reject(new Ended(signal, done ? 0 : 128 + number))
    })
  }
  // A terminal that is gone takes no more words.
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => {})
  const parents = parentsUpToNpm()
  const gone = () => reject(new Ended('npm is gone', 128 + SIGNALS.SIGHUP))
  if (!parents) gone()
  else if (parents.length > 0) setInterval(() => parents.every(isAlive) || gone(), 500).unref()
}

/**
 * Notes how something that was begun is ended.
 * @returns what to call when it has ended by itself
 */
export function begun(end: End): () => void {
  // Too late for a beginning.
  if (ending) void end()
  else undo.push(end)
  return () => void (undo.includes(end) && undo.splice(undo.indexOf(end), 1))
}

/** What was asked for stands: to be ended from now on is no failure. */
export const standing = () => void (done = true)

/** Ends everything that was begun, the last first. */
export const endAll = () =>
  (ending ??= (async () => {
    for (let end = undo.pop(); end; end = undo.pop()) {
      await Promise.resolve(end()).catch(error => console.error(error))
    }
  })())
