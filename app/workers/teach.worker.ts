import { suggestions } from '../../core/kits'
import type { Suggestion, TeachWishes } from '../../core/kits'
import { solverOf } from '../../core/cutting'
import type { Batch } from '../../core/document'

/** What the page asks for, and what it is told: what is known so far, the share of the way that is done, and whether that is all. */
export interface TeachOrder { batch: Batch, wishes: TeachWishes }
export type TeachAnswer = { kind: 'found', found: Suggestion[], done: boolean } | { kind: 'failed', reason: string }

const answer = (message: TeachAnswer) => postMessage(message)

/** Looks through the catalogue, off the page's own thread; it is ended with its worker. */
addEventListener('message', ({ data: { batch, wishes } }: MessageEvent<TeachOrder>) => void look(batch, wishes))

async function look(batch: Batch, wishes: TeachWishes) {
  try {
    const [{ default: load }, { default: runtime }] = await Promise.all([import('highs'), import('highs/runtime?url')])
    const search = suggestions(batch, wishes, solverOf(await load({ locateFile: () => runtime })))
    for (;;) {
      const { done, value } = search.next()
      answer({ kind: 'found', found: value, done: Boolean(done) })
      if (done) return
    }
  }
  catch (error) {
    answer({ kind: 'failed', reason: (error as Error).message })
  }
}
