import { isRecord } from '../lists'
import { BOUNDS } from './bounds'
import type { Problem } from './problem'

/** `stem`, or `stem-2`, `stem-3`, … whichever is not taken yet. */
export function freeKey(stem: string, taken: string[]): string {
  return firstFree(number => (number === 1 ? stem : `${stem.slice(0, BOUNDS.key - 8)}-${number}`), taken)
}

export function freeTitle(stem: string, taken: string[]): string {
  return firstFree(number => (number === 1 ? stem : `${stem.slice(0, BOUNDS.title - 5)} ${number}`), taken)
}

function firstFree(nth: (number: number) => string, taken: string[]): string {
  for (let number = 1; ; number++) {
    if (!taken.includes(nth(number))) return nth(number)
  }
}

/** Small letters, digits and hyphens of a text, fit for a key; `fallback` where nothing is left. */
export const keyFrom = (text: string, fallback: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, BOUNDS.key - 12)
    .replace(/-+$/, '') || fallback

/**
 * What tells the entries of a list apart: their key, or the paper that they are about; nothing where a list has no such
 * entries.
 */
export function keyOf(entry: unknown): string | undefined {
  if (!isRecord(entry)) return undefined
  const key = entry.key ?? entry.paper
  return typeof key === 'string' ? key : undefined
}

/**
 * Keys that stand twice in one list, anywhere in a document. Sheet formats and offcuts of a paper are one list in this.
 */
export function keyProblems(document: object): Problem[] {
  const problems: Problem[] = []
  const visit = (value: unknown, path: string): void => {
    if (Array.isArray(value)) {
      const seen = new Set<string>()
      value.forEach((entry, index) => {
        const key = keyOf(entry)
        if (key !== undefined && seen.has(key)) {
          problems.push({
            path: `${path}[${index}].${isRecord(entry) && 'key' in entry ? 'key' : 'paper'}`,
            problem: `“${key}” stands twice; every key is used once`,
          })
        }
        if (key !== undefined) seen.add(key)
        visit(entry, `${path}[${index}]`)
      })
    }
    else if (isRecord(value)) {
      // A cut tree has no keys, but may be large.
      for (const [name, inner] of Object.entries(value))
        if (name !== 'tree') visit(inner, path ? `${path}.${name}` : name)
      if (Array.isArray(value.stocks) && Array.isArray(value.offcuts)) {
        const stocks = new Set(value.stocks.map(keyOf))
        value.offcuts.forEach((offcut, index) => {
          const key = keyOf(offcut)
          if (key !== undefined && stocks.has(key))
            problems.push({
              path: `${path}.offcuts[${index}].key`, problem: `“${key}” is the key of a sheet format already`,
            })
        })
      }
    }
  }
  visit(document, '')
  return problems
}
