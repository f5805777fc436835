import { keyOf } from './keys'

/** Names of properties and keys of list entries, from the whole document down to what is changed. */
export type Path = string[]

/**
 * One change of a document. Entries of lists are named by their keys and never by
 * their place, so that a patch means the same after somebody else has put an entry before
 * it. `after` is the key of the entry before a new one, `null` at the beginning.
 */
export type Patch
  = | { op: 'set', path: Path, value: unknown }
    | { op: 'unset', path: Path }
    | { op: 'add', path: Path, entry: object, after: string | null }
    | { op: 'remove', path: Path }
    | { op: 'order', path: Path, keys: string[] }

/** A patch does not fit the document. */
export class PatchError extends Error {
  /**
   * @param elsewhere somebody else has taken away what it changes, or has put it there; otherwise it fits no document
   */
  constructor(readonly path: Path, problem: string, readonly elsewhere = false) {
    super(problem)
  }
}

type Data = Record<string, unknown>
const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Keys of a list whose entries all have one. */
function keysOf(list: unknown[]): string[] | undefined {
  const keys = list.map(keyOf)
  return keys.every(key => key !== undefined) ? keys : undefined
}

/** Whether two values say the same; what is shared is not looked into. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((value, index) => isSame(value, b[index]))
  if (!isData(a) || !isData(b)) return false
  const names = Object.keys(a)
  return names.length === Object.keys(b).length && names.every(name => name in b && isSame(a[name], b[name]))
}

/**
 * What leads from one document to another. Parts that both share are passed over, so
 * that after an edit this costs as much as what was edited.
 */
export function patchesBetween(before: unknown, after: unknown, path: Path = []): Patch[] {
  if (before === after) return []
  if (Array.isArray(before) && Array.isArray(after)) {
    const [old, now] = [keysOf(before), keysOf(after)]
    if (old && now) return listPatches(before, after, old, now, path)
  }
  else if (isData(before) && isData(after)) {
    const gone = Object.keys(before)
      .filter(name => !(name in after))
      .map((name): Patch => ({ op: 'unset', path: [...path, name] }))
    return gone.concat(Object.keys(after).flatMap((name): Patch[] => (name in before
      ? patchesBetween(before[name], after[name], [...path, name])
      : [{ op: 'set', path: [...path, name], value: after[name] }])))
  }
  return isSame(before, after) ? [] : [{ op: 'set', path, value: after }]
}

function listPatches(before: unknown[], after: unknown[], old: string[], now: string[], path: Path): Patch[] {
  const wasThere = new Map(old.map((key, index) => [key, before[index]]))
  const isThere = new Set(now)
  const patches: Patch[] = old.filter(key => !isThere.has(key)).map(key => ({ op: 'remove', path: [...path, key] }))
  now.forEach((key, index) => {
    if (wasThere.has(key)) patches.push(...patchesBetween(wasThere.get(key), after[index], [...path, key]))
    else patches.push({ op: 'add', path, entry: after[index] as object, after: now[index - 1] ?? null })
  })
  const stayed = old.filter(key => isThere.has(key))
  const order = now.filter(key => wasThere.has(key))
  if (stayed.some((key, index) => key !== order[index])) patches.push({ op: 'order', path, keys: now })
  return patches
}

/** What stands at a path; nothing where the path leads nowhere. */
export function valueAt(document: unknown, path: Path): unknown {
  return path.reduce<unknown>((value, name) => {
    if (Array.isArray(value)) return value.find(entry => keyOf(entry) === name)
    return isData(value) && Object.hasOwn(value, name) ? value[name] : undefined
  }, document)
}

/** What a patch touches; the order of a list apart from what is in it. */
export function touches(patch: Patch): Path {
  if (patch.op === 'add') return [...patch.path, keyOf(patch.entry) ?? '']
  return patch.op === 'order' ? [...patch.path, '(order)'] : patch.path
}
