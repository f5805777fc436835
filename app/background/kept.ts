import { stringify } from 'devalue'
import { LONGEST_KEPT, keptId, keptText } from '../../core/kept'
import type { Memory, Shelf } from './memory'

interface Options<Problem, Answer> {
  /** What makes identifiers differ: the kind of answer and the version of what found it. */
  of: string
  /** In this browser, asked first, and in the studio. */
  near: Shelf
  far: Shelf
  /** The answer in what was read, if it holds for the problem. */
  check: (read: unknown, problem: Problem) => Answer | undefined
}

/**
 * Answers under a hash of their problem and of the version of what found them. What comes from a shelf is checked
 * against the problem; what does not hold is as if it were not there, and is written over by the next one found.
 */
export function memoryOf<Problem, Answer>({ of, near, far, check }: Options<Problem, Answer>): Memory<Problem, Answer> {
  const idOf = (key: string) => keptId(of, key)
  return {
    async find(wanted) {
      const open = new Map(wanted.map(one => [idOf(one.key), one]))
      const found = new Map<string, Answer>()
      const here = await texts(near, [...open.keys()])
      take(here)
      const there = await texts(far, [...open.keys()])
      take(there)
      if (there.size > 0) void near.keep(there).catch(() => {})
      return found

      function take(read: Map<string, string>) {
        for (const [id, text] of read) {
          const one = open.get(id)
          const answer = one && check(keptText(text), one.problem)
          if (!one || answer === undefined) continue
          found.set(one.key, answer)
          open.delete(id)
        }
      }
    },
    async begin(keys) {
      const ids = new Map(keys.map(key => [idOf(key), key]))
      const others = await far.begin?.([...ids.keys()]).catch(() => []) ?? []
      return new Set(others.flatMap(id => ids.get(id) ?? []))
    },
    keep(key, answer) {
      const text = stringify(answer)
      if (text.length > LONGEST_KEPT) return
      const kept = new Map([[idOf(key), text]])
      // A full disk or a server that is away keeps nobody from cutting.
      for (const shelf of [near, far]) void shelf.keep(kept).catch(() => {})
    },
  }
}

const texts = (shelf: Shelf, ids: string[]): Promise<Map<string, string>> =>
  ids.length === 0 ? Promise.resolve(new Map()) : shelf.find(ids).catch(() => new Map())
