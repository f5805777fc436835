import type { Batch, ClassDocument, PaperEntry, Checked } from '../../core/document'
import { ANY_SCRAP, VERSION, isPool, namedPapers, withChoices } from '../../core/document'
import { openDocument, openPaper } from '../../core/document/open'
import type { StoredDocument } from '../database/models/json'
import { refusal, sentence } from './door'

/** What was saved in this version has passed the door; anything older is brought up to date. */
function opened<T>(stored: StoredDocument, what: string, open: (data: unknown) => Checked<T>): T {
  if ('version' in stored && stored.version === VERSION) return stored as T
  const read = open(stored)
  if (read.ok) return read.value
  throw refusal(500, `${what} was kept by another version of Wakaru and cannot be read: ${sentence(read.problems)}`)
}

export const classFrom = (stored: StoredDocument): ClassDocument => opened(stored, 'The class', openDocument)

export function paperFrom(stored: StoredDocument): PaperEntry {
  const { version: _, ...paper } = opened<PaperEntry & { version?: number }>(stored, 'A paper', openPaper)
  return paper
}

/** The class with just the papers it uses, as it goes into a file. */
export function batchFrom(document: ClassDocument, shelf: PaperEntry[]): Batch {
  const used = new Set(namedPapers(document))
  const papers = shelf.filter(({ key }) => used.has(key))
  const present = new Set([ANY_SCRAP, ...papers.map(({ key }) => key)])
  // A paper that left the shelf is no longer named, so that the file can be read again.
  const cards = document.cards.map(card =>
    withChoices(card, papers => Object.fromEntries(Object.entries(papers).filter(([, key]) => present.has(key) || isPool(key)))))
  const pools = document.pools.map(pool => ({ ...pool, papers: pool.papers.filter(key => present.has(key)) }))
  return { ...document, cards, pools, papers, cutting: document.cutting.filter(({ paper }) => present.has(paper)) }
}
