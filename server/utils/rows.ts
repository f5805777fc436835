import type { Transaction } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassDocument, PaperEntry, Patch } from '../../core/document'
import { BOUNDS, VERSION, namedPapers } from '../../core/document'
import type { StoredDocument } from '../database/models/json'
import { PaperUse, StudioClass, StudioPaper } from '../database/models'
import { refusal } from './door'

/*
 * Rows of classes and papers, with what stands beside their documents: what lists are
 * sorted by, and which class uses which paper. Whatever writes a document does it here.
 */

/** What a change did to one class or paper, for whoever was not there. */
export interface Recorded {
  entity: 'class' | 'paper'
  entityKey: string
  patches: Patch[]
}

/** A paper as it goes into its row. */
export const storedPaper = (paper: PaperEntry): { key: string, name: string, kind: string, document: StoredDocument } =>
  ({ key: paper.key, name: paper.name, kind: paper.kind, document: { version: VERSION, ...paper } })

/** A class as it goes into its row; its figures are worked out afterwards. */
const storedClass = (document: ClassDocument, position: number) =>
  ({ document, position, title: document.class.title, day: document.class.date, stale: position })

async function keepUses(classId: number, document: ClassDocument, transaction: Transaction): Promise<void> {
  const papers = namedPapers(document)
  await PaperUse.destroy({ where: { classId, paper: { [Op.notIn]: ['', ...papers] } }, transaction })
  await PaperUse.bulkCreate(papers.map(paper => ({ classId, paper })), { transaction, ignoreDuplicates: true })
}

/** Refuses what could be saved but not be written to a file and read again. */
function mustFit(document: ClassDocument): void {
  const papers = namedPapers(document).length
  if (papers > BOUNDS.papers) {
    throw refusal(422, `The class uses ${papers} papers; a class can use ${BOUNDS.papers}.`, {
      problems: [{ path: 'cards', problem: `use ${papers} papers; a class can use ${BOUNDS.papers}` }],
    })
  }
  const bytes = Buffer.byteLength(JSON.stringify(document))
  if (bytes > BOUNDS.document) {
    const sizes = `${(bytes / 1e6).toFixed(1)} MB; a class has at most ${BOUNDS.document / 1e6} MB`
    throw refusal(422, `The class has ${sizes}. Take kept layouts out of it.`, { problems: [{ path: '', problem: `has ${sizes}` }] })
  }
}

/** Adds a class; answers its number. */
export async function createClass(document: ClassDocument, position: number, transaction: Transaction, id?: number): Promise<number> {
  if (id === undefined) mustFit(document)
  const row = await StudioClass.create({ ...(id !== undefined && { id }), ...storedClass(document, position) }, { transaction })
  await keepUses(Number(row.id), document, transaction)
  return Number(row.id)
}

export async function changeClass(row: StudioClass, document: ClassDocument, position: number, transaction: Transaction): Promise<void> {
  mustFit(document)
  await row.update(storedClass(document, position), { transaction })
  await keepUses(Number(row.id), document, transaction)
}

export async function removeClass(row: StudioClass, transaction: Transaction): Promise<void> {
  await PaperUse.destroy({ where: { classId: row.id }, transaction })
  await row.destroy({ transaction })
}

export async function createPaper(paper: PaperEntry, position: number, transaction: Transaction): Promise<void> {
  await StudioPaper.create({ ...storedPaper(paper), position }, { transaction })
  await markUsers([paper.key], position, transaction)
}

export async function changePaper(row: StudioPaper, paper: PaperEntry, position: number, transaction: Transaction): Promise<void> {
  await row.update({ ...storedPaper(paper), position }, { transaction })
  await markUsers([paper.key], position, transaction)
}

/** What is found about the classes that use a paper has to be looked at anew. */
export async function markUsers(papers: string[], position: number, transaction: Transaction): Promise<void> {
  const users = await PaperUse.findAll({ attributes: ['classId'], where: { paper: papers }, transaction })
  if (users.length > 0) await StudioClass.update({ stale: position }, { where: { id: users.map(({ classId }) => classId) }, transaction })
}
