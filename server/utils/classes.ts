import type { H3Event } from 'h3'
import type { Batch, ClassDocument, PaperEntry } from '../../core/batch'
import { documentProblems } from '../../core/formats'
import { ANY_SCRAP } from '../../core/paper'
import { StudioClass, StudioPaper } from '../database/models'
import { refusal, sentence } from './door'

/** The class a route is about. */
export async function classOf(event: H3Event): Promise<StudioClass> {
  useDatabase()
  const id = getRouterParam(event, 'id') ?? ''
  const found = /^\d{1,9}$/.test(id) ? await StudioClass.findByPk(Number(id)) : null
  if (!found) throw refusal(404, 'There is no such class. It may have been deleted in another window.')
  return found
}

/** The papers on the shelf, cardstock first. */
export async function shelf(): Promise<(PaperEntry & { revision: number })[]> {
  useDatabase()
  const papers = await StudioPaper.findAll({ order: [['kind', 'ASC'], ['name', 'ASC']] })
  return papers.map(paper => ({ ...paper.entry(), revision: paper.revision }))
}

/** The class with just the papers it uses, as it goes into a file. */
export async function batchOf(studioClass: StudioClass): Promise<Batch> {
  const { document } = studioClass
  const used = new Set(document.cards.flatMap(card => Object.values(card.papers)))
  const papers = (await shelf()).filter(({ key }) => used.has(key)).map(({ revision: _, ...paper }) => paper)
  const present = new Set([ANY_SCRAP, ...papers.map(({ key }) => key)])
  // A paper that left the shelf is no longer named, so that the file can be read again.
  const cards = document.cards.map(card => ({
    ...card,
    papers: Object.fromEntries(Object.entries(card.papers).filter(([, key]) => present.has(key))),
  }))
  return { ...document, cards, papers, cutting: document.cutting.filter(({ paper }) => present.has(paper)) }
}

/** Refuses a document whose shape is right but whose folds or parameters are not. */
export function mustMakeSense(document: ClassDocument): void {
  const problems = documentProblems(document)
  if (problems.length > 0) throw refusal(422, sentence(problems), { problems })
}
