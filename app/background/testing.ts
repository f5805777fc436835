import type { Hear, Keyed, SearchName, Searches } from './searches'
import type { Remote } from './remote'

/** A worker made up for tests, which answers when the test lets it. */
export class MadeUpWorker<Name extends SearchName> implements Remote<Name> {
  static all: MadeUpWorker<SearchName>[] = []
  orders: { order: number, jobs: Keyed<Searches[Name]['problem']>[] }[] = []
  ended = false
  /** Is deep in a step, and takes up no newer order. */
  isDeep = false

  constructor(
    readonly name: Name, readonly hear: Hear<Searches[Name]['answer']>, readonly broken: (reason: string) => void,
  ) {
    MadeUpWorker.all.push(this as unknown as MadeUpWorker<SearchName>)
  }

  static start = <Name extends SearchName>(...[name, hear, broken]: ConstructorParameters<typeof MadeUpWorker<Name>>) =>
    new MadeUpWorker(name, hear, broken)

  search(order: number, jobs: Keyed<Searches[Name]['problem']>[]): Promise<unknown> {
    // What cannot be sent to a worker must not be asked of this one either.
    this.orders.push(structuredClone({ order, jobs }))
    return this.isDeep ? new Promise(() => {}) : Promise.resolve()
  }

  end() {
    this.ended = true
  }

  get last() {
    return this.orders.at(-1)!
  }

  /** Finishes every job of an order. */
  finish(answer: (problem: Searches[Name]['problem']) => Searches[Name]['answer'], { order, jobs } = this.last) {
    for (const { key, problem } of jobs) this.hear({ kind: 'done', order, key, answer: answer(problem) })
  }

  /** Shows an answer to every job of the newest order. */
  show(answer: (problem: Searches[Name]['problem']) => Searches[Name]['answer'], share = 0.25) {
    const { order, jobs } = this.last
    for (const { key, problem } of jobs) this.hear({ kind: 'progress', order, key, best: answer(problem), share })
  }
}

export const madeUp = <Name extends SearchName>(at = 0): MadeUpWorker<Name> =>
  MadeUpWorker.all.at(at) as unknown as MadeUpWorker<Name>
