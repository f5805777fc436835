/**
 * An entry as the fields of a form see it: they read it, and what they set is told as a change of it. The entry itself
 * is never written to.
 */
export function editable<Entry extends object>(entry: Entry, change: (change: Partial<Entry>) => void): Entry {
  return new Proxy({ ...entry }, {
    set(_, key, value) {
      change({ [key]: value } as Partial<Entry>)
      return true
    },
  })
}
