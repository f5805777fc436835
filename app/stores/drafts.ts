import type { Batch, PaperEntry, Session } from '../../core/document'
import { VERSION, sessionOf } from '../../core/document'

/**
 * What this browser keeps of a class until the server has it: the document as it was saved and as it is, with the
 * papers that differ.
 */
interface Draft {
  version: number
  base: Batch
  current: Batch
}

const keyOf = (id: number) => `wakaru-draft-${id}`

/** Keeps what is not saved; answers whether the browser had room for it. */
export function keepDraft(id: number, { base, current }: Session<Batch>): boolean {
  const changed = current.papers.filter(paper => !base.papers.includes(paper))
  const draft: Draft = {
    version: VERSION,
    base: { ...base, papers: base.papers.filter(({ key }) => changed.some(paper => paper.key === key)) },
    current: { ...current, papers: changed },
  }
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft))
    return true
  }
  catch {
    // Full, or forbidden by the browser.
    return false
  }
}

export const forgetDraft = (id: number): void => localStorage.removeItem(keyOf(id))

/**
 * The class with what this browser had kept of it on top. What cannot be read any more is
 * set aside, and said to be.
 * @param saved the class as the server has it
 */
export async function withDraft(id: number, saved: Batch): Promise<{ session: Session<Batch>, setAside: boolean }> {
  const plain = sessionOf(saved)
  const kept = localStorage.getItem(keyOf(id))
  if (kept === null) return { session: plain, setAside: false }
  try {
    // The checks come along only where there is something to check.
    const { readClass, readPaper } = await import('../../core/formats')
    const draft = JSON.parse(kept) as { version?: number, base?: unknown, current?: unknown, document?: object }
    // Older ones hold the document only; what differs from what is saved is what the maker had changed.
    if (draft.document)
      Object.assign(draft, { base: { ...saved, papers: [] }, current: { ...draft.document, papers: [] } })
    const read = (side: unknown): Batch => {
      const { papers, ...document } = side as { papers: object[] }
      // A paper does not carry its version; the draft does.
      const own = papers.map(paper => must(readPaper({ ...paper, version: draft.version })))
      return {
        ...must(readClass(document)),
        papers: saved.papers.map((paper): PaperEntry => own.find(({ key }) => key === paper.key) ?? paper),
      }
    }
    const [base, current] = [read(draft.base), read(draft.current)]
    const step = { label: 'kept in this browser', time: 0, before: base, after: current, seen: 0 }
    return { session: { ...sessionOf(base), current, past: [step] }, setAside: false }
  }
  catch {
    localStorage.setItem(`${keyOf(id)}-aside`, kept)
    localStorage.removeItem(keyOf(id))
    return { session: plain, setAside: true }
  }
}

function must<T>(read: { ok: true, value: T } | { ok: false }): T {
  if (!read.ok) throw new Error('What was kept is no class.')
  return read.value
}
