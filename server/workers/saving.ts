import { createHash } from 'node:crypto'
import type { Batch, Checked, ClassDocument, PaperEntry, Patch, Problem } from '../../core/document'
import {
  ANY_SCRAP, BOUNDS, PatchError, VERSION, applied, choicesOf, collisions, isPool, namedPapers,
  paperOfSide,
} from '../../core/document'
import { padProblems } from '../../core/batch'
import { checkShape, openPaper } from '../../core/document/open'
import { readClass } from '../../core/formats'
import { EditShape } from '../utils/shapes'
import { classFrom, paperFrom } from './stored'

/*
 * What becomes of a class and its papers by somebody's changes, from texts to texts: all of a save that takes its time,
 * so that it can be done in a thread and before anything is locked.
 */

/** What a change says of itself, without the changes. */
export interface EditHead {
  token: string
  /** Of what is changed: a mark that comes again with something else is none of this change. */
  digest: string
  label: string
  class: number | null
  since: number
  ofClass: boolean
  /** Keys of the papers that are changed. */
  papers: string[]
}

/** A class as it goes into its row, with what stands beside it. */
export interface ClassText {
  text: string
  title: string
  day: string
  /** Keys of all papers that it names. */
  named: string[]
}

/**
 * Papers on their way into their rows: a list of key, name, kind, what a pad holds, and the paper itself as text, all
 * of it one text.
 */
export interface PaperRows {
  keys: string[]
  /** Keys of the papers that lie in pads among them. */
  held: string[]
  text: string
}

/** What a change did to one class or paper, for whoever was not there. */
export interface Recorded {
  entity: 'class' | 'paper'
  entityKey: string
  patches: Patch[]
}

/** All that a change did, as the text that its rows are written from. */
export type RecordedText = string

export const recordedText = (changes: Recorded[]): RecordedText =>
  JSON.stringify(changes.map(({ patches, ...change }) => ({ ...change, patches: JSON.stringify(patches) })))

/** Where a paper is named that was not named there before. */
export interface Naming {
  path: string
  paper: string
}

export interface Saving {
  /** Changes as they were sent. */
  body: string
  /** The class as it is saved now, of any version; none where only papers are changed. */
  document?: string
  /** The papers that are changed, as far as there are such. */
  papers: string[]
  /** What others have changed of all this since the sender looked. */
  others: string[]
}

export type Saved
  = | { is: 'refused', status: 409 | 422, message: string, problems: Problem[] }
    | {
      is: 'right'
      class?: ClassText & { fresh: Naming[] }
      papers: PaperRows
      /** Papers that are taken away. */
      gone: { key: string, name: string }[]
      changes: RecordedText
    }

const isOfPapers = ({ path }: Patch) => path[0] === 'papers'
/** Key of the paper that a patch is about; empty for one that is about all of them. */
const paperOf = (patch: Patch): string =>
  patch.op === 'add' && patch.path.length === 1 ? String((patch.entry as { key?: unknown }).key) : (patch.path[1] ?? '')
/** What no change may take: the version, and all papers as one. */
const isWhole = ({ op, path }: Patch) =>
  path[0] === 'version' || (path[0] === 'papers' && path.length === 1 && op !== 'add' && op !== 'order')

function shaped(body: string): Checked<EditShape> {
  let data: unknown
  try {
    data = JSON.parse(body)
  }
  catch {
    return { ok: false, problems: [{ path: '', problem: 'The request is not JSON' }] }
  }
  return checkShape(EditShape, data)
}

/** Reads changes on their way to be saved. */
export function readEdit(body: string): Checked<EditHead> {
  const checked = shaped(body)
  if (!checked.ok) return checked
  const { token, label, class: id, since, patches } = checked.value
  const problems = patches.flatMap((patch, at): Problem[] => {
    if (patch.path.length === 0) return [{ path: `patches[${at}].path`, problem: 'names nothing' }]
    return isWhole(patch)
      ? [{ path: `patches[${at}].path`, problem: `“${patch.path[0]}” is not changed as a whole` }]
      : []
  })
  if (id === null && patches.some(patch => !isOfPapers(patch)))
    problems.push({ path: 'class', problem: 'is missing; without a class only papers can be changed' })
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, 20) }
  const digest = createHash('sha256').update(JSON.stringify([id, patches])).digest('hex')
  const kept = patches.filter(isKept)
  return {
    ok: true,
    value: {
      token, digest, label, class: id, since,
      ofClass: kept.some(patch => !isOfPapers(patch)),
      papers: [...new Set(kept.filter(isOfPapers).map(paperOf))],
    },
  }
}

/** The order of papers is nothing that is kept. */
const isKept = (patch: Patch) => !(patch.op === 'order' && isOfPapers(patch))

/** A class as it goes into its row. */
export const classText = (document: ClassDocument): ClassText => ({
  text: JSON.stringify(document), title: document.class.title, day: document.class.date, named: namedPapers(document),
})

/** Why a class could be saved but not be written to a file and read again. */
export function unfit({ text, named }: ClassText): Problem | undefined {
  if (named.length > BOUNDS.papers)
    return { path: 'cards', problem: `use ${named.length} papers; a class can use ${BOUNDS.papers}` }
  const bytes = Buffer.byteLength(text)
  if (bytes <= BOUNDS.document) return undefined
  const sizes = `${(bytes / 1e6).toFixed(1)} MB; a class has at most ${BOUNDS.document / 1e6} MB`
  return { path: '', problem: `The class has ${sizes}: take kept layouts out of it` }
}

/** All that a paper is found by. */
const wordsOf = ({ name, back, article, where, link, family, note }: PaperEntry): string =>
  [name, back.differs ? back.name : '', article, where, link, family, note].filter(Boolean).join('\n')

export const paperRows = (papers: PaperEntry[]): PaperRows => ({
  keys: papers.map(({ key }) => key),
  held: papers.flatMap(({ holds }) => holds.map(({ key }) => key)),
  text: JSON.stringify(papers.map(paper => ({
    key: paper.key, name: paper.name, kind: paper.kind, words: wordsOf(paper), holds: paper.holds.map(({ key }) => key),
    text: JSON.stringify({ version: VERSION, ...paper }),
  }))),
})

const ELSEWHERE = 'The same was changed in another window since you saw it.'
const wrong = (problems: Problem[]): Saved => ({ is: 'refused', status: 422, message: '', problems })

/** Works out what is to be saved, or why it is refused. */
export function savedFrom({ body, document, papers, others }: Saving): Saved {
  const checked = shaped(body)
  if (!checked.ok) return wrong(checked.problems)
  const patches = checked.value.patches.filter(isKept)
  const theirs = others.flatMap(text => JSON.parse(text) as Patch[])
  if (collisions(patches, theirs).length > 0) return { is: 'refused', status: 409, message: ELSEWHERE, problems: [] }
  const opened = document === undefined ? undefined : classFrom(JSON.parse(document) as object)
  const shelf = papers.map(text => paperFrom(JSON.parse(text) as object))
  const before = { ...opened, papers: shelf }
  let after: typeof before
  try {
    after = applied(before, patches)
  }
  catch (error) {
    return unapplied(error)
  }

  const found = papersFrom(patches, shelf, after.papers)
  if (found.problems.length > 0) return wrong(found.problems.slice(0, 20))
  const right: Extract<Saved, { is: 'right' }> = {
    is: 'right', papers: paperRows(found.kept), gone: found.gone, changes: recordedText(found.changes),
  }
  const ofClass = patches.filter(patch => !isOfPapers(patch))
  if (!opened || ofClass.length === 0) return right

  const { papers: _, ...changed } = after as Batch
  const sensible = readClass(changed)
  if (!sensible.ok) return wrong(sensible.problems)
  const row = classText(sensible.value)
  const problem = unfit(row)
  if (problem) return wrong([problem])
  const present = new Set(right.papers.keys)
  const ofIt: Recorded = { entity: 'class', entityKey: String(checked.value.class), patches: ofClass }
  return {
    ...right,
    class: { ...row, fresh: freshNames(opened, sensible.value).filter(({ paper }) => !present.has(paper)) },
    changes: recordedText([ofIt, ...found.changes]),
  }
}

/** Why changes cannot be made to what is there now. */
function unapplied(error: unknown): Saved {
  if (!(error instanceof PatchError)) throw error
  const path = error.path.join('.')
  const problem = error.message
  return {
    is: 'refused', status: error.elsewhere ? 409 : 422, message: `${path} ${problem}.`, problems: [{ path, problem }],
  }
}

/**
 * What changes make of the shelf's papers: those that are kept, those that are gone, and what the record holds of each.
 * @param before the papers as they were
 * @param after the same once they are changed
 */
function papersFrom(patches: Patch[], before: PaperEntry[], after: PaperEntry[]) {
  const byPaper = new Map<string, Patch[]>()
  for (const patch of patches.filter(isOfPapers)) {
    const own = byPaper.get(paperOf(patch))
    if (own) own.push(patch)
    else byPaper.set(paperOf(patch), [patch])
  }
  const now = new Map(after.map(paper => [paper.key, paper]))
  const old = new Map(before.map(paper => [paper.key, paper]))
  const found = {
    kept: [] as PaperEntry[], gone: [] as { key: string, name: string }[], changes: [] as Recorded[],
    problems: [] as Problem[],
  }
  for (const [key, own] of byPaper) {
    found.changes.push({ entity: 'paper', entityKey: key, patches: own })
    const paper = now.get(key)
    const was = old.get(key)
    if (!paper) {
      if (was) found.gone.push({ key, name: was.name })
      continue
    }
    const read = openPaper(paper)
    const problems = read.ok ? padProblems(read.value) : read.problems
    if (read.ok && problems.length === 0) found.kept.push(read.value)
    found.problems.push(...problems.map(({ path, problem }) => ({ path: `papers.${key}.${path}`, problem })))
  }
  return found
}

/** Papers that a class names where it did not name them before. */
function freshNames(before: ClassDocument, after: ClassDocument): Naming[] {
  const pools = new Map(before.pools.map(({ key, papers }) => [key, new Set(papers)]))
  const cards = new Map(before.cards.map(card => [card.key, card]))
  const pooled = after.pools.flatMap(({ key, papers }, index) =>
    papers.filter(paper => !pools.get(key)?.has(paper))
      .map(paper => ({ path: `pools[${index}].papers`, paper: paperOfSide(paper) })))
  return pooled.concat(after.cards.flatMap((card, index) => {
    const known = cards.get(card.key)
    const old = new Map((known ? choicesOf(known) : []).map(({ path, paper }) => [path, paper]))
    return choicesOf(card)
      .filter(({ path, paper }) => old.get(path) !== paper && paper !== ANY_SCRAP && !isPool(paper))
      .map(({ path, paper }) => ({ path: `cards[${index}].${path}`, paper: paperOfSide(paper) }))
  }))
}
