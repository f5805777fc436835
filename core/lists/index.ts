/**
 * Taking things out of lists and tables where they are known to be. What is missing after all is said where
 * it is asked for, and never handed on as nothing.
 */

/**
 * The entry with a key.
 * @throws RangeError where none has it
 */
export function byKey<T extends { key: string }>(list: readonly T[], key: string): T {
  const found = list.find(entry => entry.key === key)
  if (!found) throw new RangeError(`Nothing here has the key “${key}”.`)
  return found
}

/**
 * What a table holds under a key.
 * @throws RangeError where it holds nothing
 */
export function lookUp<K, V>(table: ReadonlyMap<K, V>, key: K): V {
  const found = table.get(key)
  if (found === undefined) throw new RangeError(`The table holds nothing under “${String(key)}”.`)
  return found
}

/**
 * An item by its place, from the end where the place is negative.
 * @throws RangeError where the list is not as long
 */
export function itemAt<T>(list: readonly T[], place: number): T {
  const found = list[place < 0 ? list.length + place : place]
  if (found === undefined) throw new RangeError(`There is no item at ${place} of ${list.length}.`)
  return found
}

/** Each item with the one after it: one pair less than there are items. */
export const neighbours = <T>(list: readonly T[]): [T, T][] =>
  list.slice(1).map((item, place) => [itemAt(list, place), item])

/** Each item with the one after it, the last with the first: as many pairs as there are items. */
export const around = <T>(list: readonly T[]): [T, T][] =>
  list.map((item, place) => [item, itemAt(list, (place + 1) % list.length)])

/**
 * How many items come to the same, by what that is, in the order in which each is first met; or what they add up to.
 */
export function tally<T, K>(list: readonly T[], of: (item: T) => K, by: (item: T) => number = () => 1): Map<K, number> {
  const counts = new Map<K, number>()
  for (const item of list) counts.set(of(item), (counts.get(of(item)) ?? 0) + by(item))
  return counts
}

/** Items that come to the same together, by what that is, in the order in which each is first met. */
export function grouped<T, K>(items: Iterable<T>, by: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    const own = groups.get(by(item))
    if (own) own.push(item)
    else groups.set(by(item), [item])
  }
  return groups
}

/** `1 sheet`, `2 sheets`. */
export const count = (number: number, word: string): string => `${number} ${word}${number === 1 ? '' : 's'}`

/** `one, two and three`. */
export const inARow = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

export const capitalised = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
export const uncapitalised = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)

/** Works something out when it is asked for first. */
export function once<T>(work: () => T): () => T {
  let known: { value: T } | undefined
  return () => (known ??= { value: work() }).value
}

export const sumOf = (numbers: Iterable<number>): number => [...numbers].reduce((sum, number) => sum + number, 0)

/** Whether something is an object with fields, and no list. */
export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Numbers from 0 on, below 1, that look like chance and are the same everywhere for the same seed: a counter, mixed by
 * shifting and multiplying.
 */
export function numbersFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6D2B79F5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}
