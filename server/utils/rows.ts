import type { Transaction } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassDocument, PaperEntry, Patch } from '../../core/document'
import { PaperUse, StudioClass, StudioPaper } from '../database/models'
import { written } from '../database/models/json'
import type { ClassText, PaperText } from '../workers/saving'
import { classText, paperText, unfit } from '../workers/saving'
import { refusal, sentence } from './door'

/*
 * Rows of classes and papers, with what stands beside their documents: what lists are
 * sorted by, and which class uses which paper. Whatever writes a document does it here.
 */

/** What a change did to one class or paper, for whoever was not there. */
export interface Recorded {
  entity: 'class' | 'paper'
  entityKey: string
  /** As they were made, or as text. */
  patches: Patch[] | string
}

/** Rows that are written with one statement. */
const AT_ONCE = 200

/** Its figures are worked out afterwards. */
const columnsOf = ({ text, title, day }: ClassText, position: number) =>
  ({ document: written(text), position, title, day, stale: position })

async function keepUses(classId: number, papers: string[], transaction: Transaction): Promise<void> {
  await PaperUse.destroy({ where: { classId, paper: { [Op.notIn]: ['', ...papers] } }, transaction })
  await PaperUse.bulkCreate(papers.map(paper => ({ classId, paper })), { transaction, ignoreDuplicates: true })
}

/** Adds a class; answers its number. */
export async function createClass(document: ClassDocument, position: number, transaction: Transaction, id?: number): Promise<number> {
  const row = classText(document)
  const problem = id === undefined ? unfit(row) : undefined
  if (problem) throw refusal(422, sentence([problem]), { problems: [problem] })
  const made = await StudioClass.create({ ...(id !== undefined && { id }), ...columnsOf(row, position) }, { transaction })
  await keepUses(Number(made.id), row.named, transaction)
  return Number(made.id)
}

export async function changeClass(id: number, row: ClassText, position: number, transaction: Transaction): Promise<void> {
  await StudioClass.update(columnsOf(row, position), { where: { id }, transaction })
  await keepUses(id, row.named, transaction)
}

export async function removeClass(row: StudioClass, transaction: Transaction): Promise<void> {
  await PaperUse.destroy({ where: { classId: row.id }, transaction })
  await row.destroy({ transaction })
}

/** A paper as it goes into its row, but for its position. */
export const paperColumns = ({ key, name, kind, text }: PaperText) => ({ key, name, kind, document: written(text) })

/** Puts papers on the shelf, in place of those that have their keys. */
export async function putPapers(papers: PaperText[], position: number, transaction: Transaction): Promise<void> {
  for (let at = 0; at < papers.length; at += AT_ONCE) {
    await StudioPaper.bulkCreate(papers.slice(at, at + AT_ONCE).map(paper => ({ ...paperColumns(paper), position })), {
      transaction, updateOnDuplicate: ['name', 'kind', 'document', 'position'],
    })
  }
  await markUsers(papers.map(({ key }) => key), position, transaction)
}

export const createPapers = (papers: PaperEntry[], position: number, transaction: Transaction): Promise<void> =>
  putPapers(papers.map(paperText), position, transaction)

/** What is found about the classes that use a paper has to be looked at anew. */
export async function markUsers(papers: string[], position: number, transaction: Transaction): Promise<void> {
  if (papers.length === 0) return
  const users = await PaperUse.findAll({ attributes: ['classId'], where: { paper: papers }, group: ['classId'], transaction })
  if (users.length > 0) await StudioClass.update({ stale: position }, { where: { id: users.map(({ classId }) => classId) }, transaction })
}
