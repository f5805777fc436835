import { createStore, delMany, entries, getMany, setMany } from 'idb-keyval'
import { newToken } from '../stores/feed'
import type { Shelf } from './memory'

/** Answers in this browser; those that were last asked for longest ago go first. */
const MOST = 600
/** Answers kept between two looks at how many there are. */
const LOOK_EVERY = 50
/** Identifiers in one question, so that its address stays short. */
const AT_ONCE = 40
/** Milliseconds after which it is planned anew rather than waited. */
const PATIENCE = 1500
/** Milliseconds for which a studio that did not answer is not asked again: nobody waits for it at every key. */
const REST = 30_000

/** Problems that are said to be begun at once. */
const MOST_BEGUN = 400

/** What this page is called by the others: the same after a reload. */
function ownName(): string {
  const known = sessionStorage.getItem('wakaru-begins')
  const name = known ?? newToken()
  if (known === null) sessionStorage.setItem('wakaru-begins', name)
  return name
}

interface Lying {
  text: string
  /** When it was last asked for or kept. */
  used: number
}

/** The shelf of this browser. */
export function browserShelf(): Shelf {
  const store = createStore('wakaru-kept', 'answers')
  let since = LOOK_EVERY
  return {
    async find(ids) {
      const lying = await getMany<Lying | undefined>(ids, store)
      const found = new Map(ids.flatMap((id, at) => {
        const text = lying[at]?.text
        return text === undefined ? [] : [[id, text] as const]
      }))
      if (found.size > 0)
        void setMany(
          [...found].map(([id, text]) => [id, { text, used: Date.now() }]), store,
        ).catch(() => {})
      return found
    },
    async keep(texts) {
      await setMany([...texts].map(([id, text]) => [id, { text, used: Date.now() } satisfies Lying]), store)
      since += texts.size
      if (since < LOOK_EVERY) return
      since = 0
      const all = await entries<string, Lying>(store)
      const oldest = all.sort(([, one], [, other]) => other.used - one.used).slice(MOST).map(([id]) => id)
      if (oldest.length > 0) await delMany(oldest, store)
    },
  }
}

/** The shelf of the studio, which all devices share. */
export function studioShelf(): Shelf {
  let restUntil = 0
  return {
    async find(ids) {
      if (Date.now() < restUntil) return new Map()
      const stretches = Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, at) =>
        ids.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
      )
      const answers = await Promise.all(stretches.map(some =>
        $fetch<Record<string, string>>('/api/kept', { query: { ids: some.join() }, retry: 0, timeout: PATIENCE }),
      )).catch((error: unknown) => {
        restUntil = Date.now() + REST
        throw error
      })
      return new Map(answers.flatMap(answer => Object.entries(answer)))
    },
    async keep(texts) {
      const headers = { 'Content-Type': 'application/json' }
      for (const [id, body] of texts) await $fetch(`/api/kept/${id}`, { method: 'PUT', body, headers, retry: 0 })
    },
    async begin(ids) {
      if (Date.now() < restUntil) return []
      const body = { ids: ids.slice(0, MOST_BEGUN), by: ownName() }
      const { others } = await $fetch<{ others: string[] }>('/api/kept/begun', {
        method: 'POST', body, retry: 0, timeout: PATIENCE,
      })
      return others
    },
  }
}
