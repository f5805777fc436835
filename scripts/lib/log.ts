import { appendFileSync, existsSync, renameSync, statSync } from 'node:fs'
import type { Readable } from 'node:stream'
import { createInterface } from 'node:readline'

/** Bytes of a log before it is put aside, and the one put aside before it forgotten. */
const LONGEST = 5_000_000
const TAIL = 12

/**
 * A log file that lines of a program go to; the last ones are remembered. A disk without room costs lines, nothing
 * else.
 */
export function keptLog(file: string) {
  const last: string[] = []
  let open = true
  let size = existsSync(file) ? statSync(file).size : 0
  const write = (line: string) => {
    last.push(line)
    if (last.length > TAIL) last.shift()
    if (!open) return
    try {
      if (size > LONGEST) {
        renameSync(file, `${file}.1`)
        size = 0
      }
      appendFileSync(file, `${line}\n`)
      size += Buffer.byteLength(line) + 1
    }
    catch {
      // No room; the next line may find some.
    }
  }
  return {
    take: (stream: Readable) => createInterface({ input: stream }).on('line', write),
    tail: () => last.join('\n'),
    close: () => void (open = false),
  }
}
