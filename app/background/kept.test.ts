import { describe, expect, it } from 'vitest'
import { memoryOf } from './kept'
import type { Shelf } from './memory'

class MadeUpShelf implements Shelf {
  texts = new Map<string, string>()
  asked: string[][] = []
  broken = false
  find = async (ids: string[]) => {
    this.asked.push(ids)
    if (this.broken) throw new Error('away')
    return new Map([...this.texts].filter(([id]) => ids.includes(id)))
  }

  keep = async (texts: Map<string, string>) => {
    if (this.broken) throw new Error('full')
    for (const [id, text] of texts) this.texts.set(id, text)
  }
}

/** A problem is a number, its answer twice as much. */
const check = (read: unknown, problem: number) => (read === 2 * problem ? read : undefined)
const shelves = () => ({ near: new MadeUpShelf(), far: new MadeUpShelf() })
const wanted = (...numbers: number[]) => numbers.map(problem => ({ key: `${problem}`, problem }))

describe('memory of answers', () => {
  it('keeps an answer here and for every device, and answers it from here', async () => {
    const { near, far } = shelves()
    const memory = memoryOf({ of: 'doubles 1', near, far, check })
    memory.keep('4', 8)
    expect([near.texts.size, far.texts.size]).toEqual([1, 1])
    expect(await memory.find(wanted(4, 5))).toEqual(new Map([['4', 8]]))
    expect(far.asked).toEqual([[expect.stringMatching(/^[\w-]{43}$/)]])
  })

  it('takes from the studio what is not here, and keeps it here', async () => {
    const { near, far } = shelves()
    memoryOf({ of: 'doubles 1', near: new MadeUpShelf(), far, check }).keep('4', 8)
    expect(await memoryOf({ of: 'doubles 1', near, far, check }).find(wanted(4))).toEqual(new Map([['4', 8]]))
    expect(near.texts).toEqual(far.texts)
  })

  it('asks the studio who works on something, and nobody where it is away', async () => {
    const { near, far } = shelves()
    const memory = memoryOf({ of: 'doubles 1', near, far, check })
    expect(await memory.begin!(['4', '5'])).toEqual(new Set())
    const asked: string[][] = []
    const begin = async (ids: string[]) => (asked.push(ids), ids.slice(0, 1))
    const shared = memoryOf({ of: 'doubles 1', near, far: { ...far, begin }, check })
    expect(await shared.begin!(['4', '5'])).toEqual(new Set(['4']))
    expect(asked).toEqual([[expect.stringMatching(/^[\w-]{43}$/), expect.stringMatching(/^[\w-]{43}$/)]])
    const broken = memoryOf({
      of: 'doubles 1', near, far: { ...far, begin: async () => Promise.reject(new Error('away')) }, check,
    })
    expect(await broken.begin!(['4'])).toEqual(new Set())
  })

  it('takes nothing of another version, nothing that does not hold and nothing that cannot be read', async () => {
    const { near, far } = shelves()
    const memory = memoryOf({ of: 'doubles 1', near, far, check })
    memory.keep('4', 8)
    expect(await memoryOf({ of: 'doubles 2', near, far, check }).find(wanted(4))).toEqual(new Map())
    const [id] = [...near.texts.keys()]
    for (const text of ['[9]', 'nonsense', '']) {
      near.texts.set(id!, text)
      // The one of the studio stands in for it, and takes its place.
      expect(await memory.find(wanted(4))).toEqual(new Map([['4', 8]]))
      expect(near.texts).toEqual(far.texts)
    }
  })

  it('answers nothing, rather than fail, where a shelf is full or away', async () => {
    const { near, far } = shelves()
    const memory = memoryOf({ of: 'doubles 1', near, far, check })
    near.broken = true
    memory.keep('4', 8)
    expect(await memory.find(wanted(4))).toEqual(new Map([['4', 8]]))
    far.broken = true
    expect(await memory.find(wanted(4))).toEqual(new Map())
  })

  it('keeps nothing that is longer than is worth its while', async () => {
    const { near, far } = shelves()
    memoryOf<number, string>({ of: 'texts', near, far, check: read => read as string }).keep('1', 'x'.repeat(1_000_001))
    expect([near.texts.size, far.texts.size]).toEqual([0, 0])
  })
})
