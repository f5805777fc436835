import { batchProblems, documentProblems } from '../batch'
import type { Batch, Checked, ClassDocument, DressingEntry } from '../document'
import { BATCH_FORMAT, BOUNDS, VERSION } from '../document'
import { openBatch, openDocument, openDressing, openPaper } from '../document/open'

const refused = (path: string, problem: string): Checked<never> => ({ ok: false, problems: [{ path, problem }] })

/**
 * Reads a batch file of any version. Never throws; the problems name the path inside the file and what was expected.
 */
export function readBatch(text: string): Checked<Batch> {
  if (text.length > BOUNDS.file)
    return refused(
      '', `the file holds ${Math.round(text.length / 1e6)} MB; a batch file has at most ${BOUNDS.file / 1e6} MB`,
    )
  let data: unknown
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''))
  }
  catch (error) {
    return refused('', `is not JSON: ${(error as Error).message}`)
  }
  if (typeof data !== 'object' || data === null || !('format' in data) || data.format !== BATCH_FORMAT) {
    return refused('format', `is not a batch file: "format" must be "${BATCH_FORMAT}"`)
  }
  if (!('version' in data)) return refused('version', `is missing; this Wakaru reads versions 1 to ${VERSION}`)
  const { format: _, ...rest } = data
  const opened = openBatch(rest)
  if (!opened.ok) return opened
  const problems = batchProblems(opened.value)
  return problems.length > 0 ? { ok: false, problems } : opened
}

/**
 * Reads what is put on a card: `{ "faces": [...], "free": [...] }`, as a card in a batch file has them; either may be
 * left out, and so may where a piece is glued and what is done to it before.
 */
export function readDressing(text: string): Checked<DressingEntry> {
  if (text.length > BOUNDS.document) return refused('', 'the file is larger than what any card carries')
  let data: unknown
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''))
  }
  catch (error) {
    return refused('', `is not JSON: ${(error as Error).message}`)
  }
  return openDressing(data)
}

/** Reads a class of any version, and checks that its folds and parameters make sense. Never throws. */
export function readClass(data: unknown): Checked<ClassDocument> {
  const opened = openDocument(data)
  if (!opened.ok) return opened
  const problems = documentProblems(opened.value)
  return problems.length > 0 ? { ok: false, problems } : opened
}

/** What stands in a file, in this order. */
const PARTS: Record<keyof Batch, true> = {
  version: true, class: true, cards: true, pools: true, sharing: true, roster: true, prep: true, evening: true,
  supplies: true, shopping: true, tools: true, wishes: true, cutting: true, prices: true, post: true, labels: true,
  papers: true,
}

/**
 * Writes a batch file; `readBatch` gives back the same batch. What would be too large to be read is written without
 * blanks.
 */
export function writeBatch(batch: Batch): string {
  const parts = (Object.keys(PARTS) as (keyof Batch)[]).map(part => [part, batch[part]])
  const file = { format: BATCH_FORMAT, ...Object.fromEntries(parts) }
  const text = `${JSON.stringify(file, null, 2)}\n`
  return new TextEncoder().encode(text).length <= BOUNDS.file ? text : JSON.stringify(file)
}

export { openPaper as readPaper }
