import { keyOf } from './keys'
import type { Patch, Path } from './patches'
import { PatchError } from './patches'

type Data = Record<string, unknown>

/**
 * A place of a document that is being changed. What is touched is copied once, all else stays shared with the document
 * before.
 */
interface Branch {
  /** The branch of an entry or a property; nothing where it holds no others. */
  child: (name: string) => Branch | undefined
  /** What has become of it: the very same where nothing has changed. */
  done: () => unknown
}

const branchOf = (value: unknown): List | Fields | undefined => {
  if (Array.isArray(value)) return new List(value)
  return typeof value === 'object' && value !== null ? new Fields(value as Data) : undefined
}

/** The properties of an object. */
class Fields implements Branch {
  private readonly branches = new Map<string, Branch | undefined>()
  private changed?: Data

  constructor(private readonly before: Data) {}

  private get now(): Data {
    return this.changed ?? this.before
  }

  child(name: string): Branch | undefined {
    if (!this.branches.has(name))
      this.branches.set(name, Object.hasOwn(this.now, name) ? branchOf(this.now[name]) : undefined)
    return this.branches.get(name)
  }

  set(name: string, value: unknown): void {
    this.branches.delete(name)
    if (Object.hasOwn(this.now, name) && Object.is(this.now[name], value)) return
    this.changed ??= { ...this.before }
    this.changed[name] = value
  }

  unset(name: string): void {
    this.branches.delete(name)
    if (!Object.hasOwn(this.now, name)) return
    this.changed ??= { ...this.before }
    Reflect.deleteProperty(this.changed, name)
  }

  done(): Data {
    for (const [name, branch] of this.branches) {
      if (!branch) continue
      const value = branch.done()
      if (this.now[name] === value) continue
      this.changed ??= { ...this.before }
      this.changed[name] = value
    }
    return this.now
  }
}

interface Item {
  value: unknown
  branch?: Branch
  before: Item
  after: Item
}

/**
 * A list whose entries are found by their keys and linked to their neighbours, so that putting in, taking out and
 * setting one entry cost the same however long the list is.
 */
class List implements Branch {
  /** Of entries with one key the first, as when they are looked for. */
  private readonly items = new Map<string, Item>()
  /** Stands before the first and after the last. */
  private readonly end: Item
  private isChanged = false

  constructor(private readonly list: unknown[]) {
    this.end = { value: undefined } as Item
    this.end.before = this.end.after = this.end
    for (const value of list) {
      const item = putAfter(this.end.before, value)
      const key = keyOf(value)
      if (key !== undefined && !this.items.has(key)) this.items.set(key, item)
    }
  }

  child(name: string): Branch | undefined {
    const item = this.items.get(name)
    if (item) item.branch ??= branchOf(item.value)
    return item?.branch
  }

  has(key: string): boolean {
    return this.items.has(key)
  }

  /** @param after key of the entry before it, `null` for the beginning; one that is not there stands for the last */
  add(key: string, value: unknown, after: string | null): void {
    const before = after === null ? this.end : this.items.get(after) ?? this.end.before
    this.items.set(key, putAfter(before, value))
    this.isChanged = true
  }

  set(key: string, value: unknown): void {
    const item = this.items.get(key)
    if (!item) return
    this.isChanged ||= !Object.is(item.value, value)
    item.value = value
    item.branch = undefined
  }

  remove(key: string): void {
    const item = this.items.get(key)
    if (!item) return
    unlink(item)
    this.items.delete(key)
    this.isChanged = true
  }

  /** Entries with these keys come first, in this order; what somebody else has put in meanwhile goes to the end. */
  order(keys: string[]): void {
    let last = this.end
    for (const key of new Set(keys)) {
      const item = this.items.get(key)
      if (!item) continue
      if (last.after !== item) {
        unlink(item)
        link(item, last)
        this.isChanged = true
      }
      last = item
    }
  }

  done(): unknown[] {
    const values: unknown[] = []
    let isSame = !this.isChanged
    for (let item = this.end.after; item !== this.end; item = item.after) {
      const value = item.branch ? item.branch.done() : item.value
      isSame &&= value === item.value
      values.push(value)
    }
    return isSame ? this.list : values
  }
}

function link(item: Item, before: Item): void {
  item.before = before
  item.after = before.after
  before.after.before = item
  before.after = item
}

function unlink({ before, after }: Item): void {
  before.after = after
  after.before = before
}

function putAfter(before: Item, value: unknown): Item {
  const item = { value } as Item
  link(item, before)
  return item
}

/**
 * The document with some changes; what they do not touch is shared with it. Costs as much as the patches and the lists
 * that they reach into, however many patches one list has.
 * @throws PatchError where a change does not fit; the document is as it was
 */
export function applied<T extends object>(document: T, patches: readonly Patch[]): T {
  if (patches.length === 0) return document
  const root = new Fields(document as Data)
  for (const patch of patches) apply(root, patch)
  return root.done() as T
}

const branchAt = (root: Branch, path: Path): Branch | undefined =>
  path.reduce<Branch | undefined>((branch, name) => branch?.child(name), root)

function apply(root: Branch, patch: Patch): void {
  const { path } = patch
  if (patch.op === 'add' || patch.op === 'order') {
    const list = branchAt(root, path)
    if (!(list instanceof List)) throw new PatchError(path, 'is not a list')
    if (patch.op === 'order') return list.order(patch.keys)
    const key = keyOf(patch.entry)
    if (key === undefined) throw new PatchError(path, 'takes entries with a key only')
    if (list.has(key)) throw new PatchError([...path, key], 'is there already', true)
    return list.add(key, patch.entry, patch.after)
  }
  const name = path.at(-1)
  const parent = branchAt(root, path.slice(0, -1))
  if (name === undefined) throw new PatchError(path, 'names nothing')
  if (parent instanceof List) {
    if (!parent.has(name)) throw new PatchError(path, 'is not there any more', true)
    if (patch.op !== 'set') return parent.remove(name)
    if (keyOf(patch.value) !== name) throw new PatchError(path, 'keeps its key')
    return parent.set(name, patch.value)
  }
  if (!(parent instanceof Fields)) throw new PatchError(path, 'is not there any more', true)
  if (name === 'key') throw new PatchError(path, 'stays as it is')
  if (name in Object.prototype) throw new PatchError(path, 'is not known here; check its spelling')
  if (patch.op === 'set') parent.set(name, patch.value)
  else parent.unset(name)
}
