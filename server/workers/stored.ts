import type { Batch, Checked, ClassDocument, PaperEntry } from '../../core/document'
import { ANY_SCRAP, VERSION, isPool, namedPapers, paperOfSide, withChoices } from '../../core/document'
import { openDocument, openPaper } from '../../core/document/open'

/** What is kept cannot be read by this version. */
export class UnreadableError extends Error {}

/** What was saved in this version has passed the door; anything older is brought up to date. */
function opened<T>(stored: object, what: string, open: (data: unknown) => Checked<T>): T {
  if ('version' in stored && stored.version === VERSION) return stored as T
  const read = open(stored)
  if (read.ok) return read.value
  const [{ path, problem } = { path: '', problem: '' }] = read.problems
  throw new UnreadableError(`${what} was kept by another version of Wakaru and cannot be read: ${path} ${problem}.`)
}

/** @throws UnreadableError */
export const classFrom = (stored: object): ClassDocument => opened(stored, 'The class', openDocument)

/** @throws UnreadableError */
export function paperFrom(stored: object): PaperEntry {
  const { version: _, ...paper } = opened<PaperEntry & { version?: number }>(stored, 'A paper', openPaper)
  return paper
}

/** The class with just the papers it uses and the pads that they come in, as it goes into a file. */
export function batchFrom(document: ClassDocument, shelf: PaperEntry[]): Batch {
  const used = new Set(namedPapers(document))
  const papers = shelf.filter(({ key, holds }) => used.has(key) || holds.some(sheet => used.has(sheet.key)))
  const present = new Set([ANY_SCRAP, ...papers.map(({ key }) => key)])
  // A paper that left the shelf is no longer named, so that the file can be read again.
  const cards = document.cards.map(card =>
    withChoices(card, papers =>
      Object.fromEntries(Object.entries(papers).filter(([, key]) => present.has(paperOfSide(key)) || isPool(key))),
    ),
  )
  const pools = document.pools.map(pool =>
    ({ ...pool, papers: pool.papers.filter(key => present.has(paperOfSide(key))) }))
  return { ...document, cards, pools, papers, cutting: document.cutting.filter(({ paper }) => present.has(paper)) }
}

/** A class and its papers as they lie in their rows. */
export interface Stored {
  document: string
  papers: string[]
}

/** The same as it goes into a file. */
export const batchOf = ({ document, papers }: Stored): Batch =>
  batchFrom(classFrom(JSON.parse(document) as object), papers.map(text => paperFrom(JSON.parse(text) as object)))
