import { newCutting } from '../document'
import type { Batch } from '../document'
import { readFileSync } from 'node:fs'
import { readBatch, writeBatch } from '.'

export const demo = (name: string) => readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8')
export const readGood = (text: string): Batch => {
  const read = readBatch(text)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

/** A demo file as it is written today: it may have been written by an older Wakaru. */
export const TEXT = writeBatch(readGood(demo('tide-and-lantern')))
export const file = () => JSON.parse(TEXT)
/** Reads the demo file with something changed in it. */
export function problemsWith(change: (file: ReturnType<typeof JSON.parse>) => void): string[] {
  const changed = file()
  change(changed)
  const read = readBatch(JSON.stringify(changed))
  return read.ok ? [] : read.problems.map(({ path, problem }) => `${path}: ${problem}`)
}

export const cutting = (changes: object) => ({ ...newCutting('kelp'), ...changes })

export const layout = (tree: unknown) =>
  cutting({ layouts: [{ key: 'kept', from: 'sheet', supply: 'letter', repeats: 1, cut: 0, shelved: false, tree }] })
