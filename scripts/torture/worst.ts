import type { Loose } from './heavy'
import { list, pick } from './heavy'
import type { Answer } from './parts'
import type { Person } from './people'
import { edit } from './people'

/*
 * Requests that nobody thought of: changes of any list and field of a class, as many as are allowed, and files whose
 * lists are as long as they may be. Each is drawn by lot, so that what is slow is found where nobody looked for it.
 */

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

type Path = string[]
/** The lists and single values of a document, with where they are. */
interface Places {
  lists: { path: Path, entries: Loose[] }[]
  values: { path: Path, value: unknown }[]
}

/** Every list of entries with keys and every single value of a document, by their paths. */
function placesOf(document: unknown): Places {
  const lists: Places['lists'] = []
  const values: Places['values'] = []
  walk(document, [])
  return { lists, values }

  function walk(value: unknown, path: Path): void {
    if (Array.isArray(value)) {
      if (!value.every(entry => isObject(entry) && typeof entry.key === 'string')) return
      lists.push({ path, entries: value })
      for (const entry of value) walk(entry, [...path, entry.key])
    }
    else if (isObject(value)) for (const [name, inner] of Object.entries(value)) walk(inner, [...path, name])
    else if (path.length > 1 && path.at(-1) !== 'key') values.push({ path, value })
  }
}

/** Another value of the same kind. */
const other = (value: unknown, at: number) => {
  if (typeof value === 'number') return value + (at % 7)
  return typeof value === 'boolean' ? at % 2 === 0 : `${value}`.slice(0, 60) + (at % 2 ? '' : ' ')
}

type Kind = (number: number, places: Places, random: () => number) => object[]
const KINDS: Record<string, Kind> = {
  'changes of one field': (number, { values }, random) => {
    const { path, value } = pick(values, random)
    return list(number, at => ({ op: 'set', path, value: other(value, at) }))
  },
  'changes of any fields': (number, { values }, random) => list(number, (at) => {
    const { path, value } = pick(values, random)
    return { op: 'set', path, value: other(value, at) }
  }),
  'adds to one list': (number, { lists }, random) => {
    const { path, entries } = pick(lists.filter(({ entries }) => entries.length > 0), random)
    const entry = pick(entries, random)
    return list(number, at => ({
      op: 'add', path, entry: { ...entry, key: `new-${at}` }, after: random() < 0.5 ? null : entry.key,
    }))
  },
  'orders of one list': (number, { lists }, random) => {
    const { path, entries } = pick(lists, random)
    return list(number, () => ({ op: 'order', path, keys: entries.map(({ key }) => key).sort(() => random() - 0.5) }))
  },
  'entries taken out': (number, { lists }, random) => list(number, () => {
    const { path, entries } = pick(lists.filter(({ entries }) => entries.length > 0), random)
    return { op: 'remove', path: [...path, pick(entries, random).key] }
  }),
  'entries put in place of others': (number, { lists }, random) => list(number, () => {
    const { path, entries } = pick(lists.filter(({ entries }) => entries.length > 0), random)
    const { key } = pick(entries, random)
    return { op: 'set', path: [...path, key], value: { ...pick(entries, random), key } }
  }),
}

/** A class as it is when a page of it is opened. */
export interface Opened {
  id: number
  document: unknown
  position: number
}

/** A request that was drawn by lot, and what it is. */
export interface Drawn {
  what: string
  ask: (one: Person) => Promise<Answer | undefined>
}

/** So many changes of a class at once, against what others did or not. */
export function someChanges({ id, document, position }: Opened, random: () => number): Drawn {
  const [kind, patchesOf] = pick(Object.entries(KINDS), random)
  const number = pick([1, 50, 1000, 5000], random)
  const since = random() < 0.5 ? position : Math.max(0, position - 50)
  const patches = patchesOf(number, placesOf(document), random)
  return { what: `${number} ${kind}`, ask: (one: Person) => one.ask('/api/edits', edit(id, patches, since)) }
}

/** A file of which one list is made as long as the file may be. */
export function someFile(file: Loose, random: () => number): Drawn {
  const copy = structuredClone(file)
  const { entries, path } = pick(placesOf(copy).lists.filter(({ entries }) => entries.length > 0), random)
  const entry = JSON.stringify(pick(entries, random))
  const most = pick([40, 120, 500, Math.floor(3_500_000 / entry.length)], random)
  while (entries.length < most)
    entries.push({ ...JSON.parse(entry), key: `${JSON.parse(entry).key}-${entries.length}` })
  const body = JSON.stringify(copy)
  return {
    what: `a file of ${Math.round(body.length / 1000)} kB with ${entries.length} entries in ${path.join('.')}`,
    ask: (one: Person) => one.ask('/api/import', { method: 'POST', body }),
  }
}
