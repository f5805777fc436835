import type { Batch, PaperEntry, Patch, Session } from '../../core/document'
import { VERSION, applied, sessionOf, unsaved } from '../../core/document'
import { newToken } from './feed'

/**
 * What this browser keeps of a class until the server has it: what was changed, and, for the case that others have
 * changed something meanwhile, the document that it was changed on. The changes are written whenever there is a new
 * one; the document, many times as large, only when it is another one.
 */
interface Draft {
  version: number
  /** Where the class stood when it was changed. */
  position: number
  patches: Patch[]
}

const keyOf = (id: number) => `wakaru-draft-${id}`
const baseKeyOf = (id: number) => `${keyOf(id)}-base`
/** Who wrote the document last: another window of this browser may have written or forgotten it. */
const writerKeyOf = (id: number) => `${keyOf(id)}-writer`
const allKeysOf = (id: number) => [keyOf(id), baseKeyOf(id), writerKeyOf(id)]

/** The document that was written last, for which class, with which papers. */
let written: { id: number, base: Batch, papers: string, mark: string } | undefined

/** Keeps what is not saved; answers whether the browser had room for it. */
export function keepDraft(id: number, session: Session<Batch>, position: number): boolean {
  const { base } = session
  const patches = unsaved(session)
  const touched = new Set(patches.flatMap(({ path: [list, key] }) => (list === 'papers' && key ? [key] : [])))
  const papers = base.papers.filter(({ key }) => touched.has(key))
  const names = [...touched].join(' ')
  const draft: Draft = { version: VERSION, position, patches }
  try {
    const isThere = written?.id === id && written.mark === localStorage.getItem(writerKeyOf(id))
    if (!isThere || written?.base !== base || written.papers !== names) {
      const mark = newToken()
      localStorage.setItem(writerKeyOf(id), mark)
      localStorage.setItem(baseKeyOf(id), JSON.stringify({ ...base, papers }))
      written = { id, base, papers: names, mark }
    }
    localStorage.setItem(keyOf(id), JSON.stringify(draft))
    return true
  }
  catch {
    // Full, or forbidden by the browser.
    return false
  }
}

export const forgetDraft = (id: number): void => allKeysOf(id).forEach(key => localStorage.removeItem(key))

/**
 * The class with what this browser had kept of it on top. What cannot be read any more is
 * set aside, and said to be.
 * @param saved the class as the server has it
 * @param position where the class stands on the server
 */
export async function withDraft(
  id: number, saved: Batch, position: number,
): Promise<{ session: Session<Batch>, setAside: boolean }> {
  const plain = sessionOf(saved)
  const kept = localStorage.getItem(keyOf(id))
  if (kept === null) return { session: plain, setAside: false }
  try {
    // The checks come along only where there is something to check.
    const { readClass, readPaper } = await import('../../core/formats')
    const draft = JSON.parse(kept) as Partial<Draft>
    const { version } = draft
    const read = (side: object): Batch => {
      const { papers, ...document } = side as { papers: object[] }
      // A paper does not carry its version; the draft does.
      const own = papers.map(paper => must(readPaper({ ...paper, version })))
      return {
        ...must(readClass(document)),
        papers: saved.papers.map((paper): PaperEntry => own.find(({ key }) => key === paper.key) ?? paper),
      }
    }
    const isAsSaved = version === VERSION && draft.position === position
    const [before, after] = isAsSaved ? sidesOf(draft, saved) : sidesOf(draft, saved, baseOf(id))
    const [base, current] = [isAsSaved ? saved : read(before), read(after)]
    const step = { label: 'kept in this browser', time: 0, before: base, after: current, seen: 0 }
    return { session: { ...sessionOf(base), current, past: [step] }, setAside: false }
  }
  catch {
    localStorage.setItem(`${keyOf(id)}-aside`, kept)
    forgetDraft(id)
    return { session: plain, setAside: true }
  }
}

const baseOf = (id: number): object => JSON.parse(localStorage.getItem(baseKeyOf(id)) ?? 'null') ?? {}

/** The document before and after what was kept, unchecked. */
function sidesOf(draft: Partial<Draft>, saved: Batch, base: object = saved): [before: object, after: object] {
  if (draft.patches) return [base, applied(base, draft.patches)]
  // Older ones hold both documents, or one: what differs from what is saved is then what the maker had changed.
  const { document, base: before, current: after } = draft as Record<string, object | undefined>
  if (document) return [{ ...saved, papers: [] }, { ...document, papers: [] }]
  if (!before || !after) throw new Error('What was kept holds no change.')
  return [before, after]
}

function must<T>(read: { ok: true, value: T } | { ok: false }): T {
  if (!read.ok) throw new Error('What was kept is no class.')
  return read.value
}
