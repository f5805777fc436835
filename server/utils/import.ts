import type { Sequelize, Transaction } from 'sequelize'
import { Op } from 'sequelize'
import { fittedTo } from '../../core/batch'
import type { Batch } from '../../core/document'
import { isSame } from '../../core/document'
import { StudioClass, StudioPaper } from '../database/models'
import { unbinClass } from './bin'
import { classInRow, paperInRow } from './documents'
import { newMark, recorded } from './recorded'
import type { Recorded } from '../workers/saving'
import { createClass, createPapers } from './rows'

/** A class from a batch as it fits the shelf, and the papers of it that are not there yet. */
async function fitting(batch: Batch, transaction?: Transaction) {
  // Of the shelf only what has a key of the file, or one that could be made from it, has a say.
  const keys = batch.papers.map(({ key }) => key)
  const rows = await StudioPaper.findAll({
    where: { [Op.or]: [{ key: keys }, ...keys.map(key => ({ key: { [Op.startsWith]: `${key.slice(0, 70)}-` } }))] },
    transaction,
  })
  return fittedTo(keys.length > 0 ? rows.map(({ document }) => paperInRow(document)) : [], batch)
}

/** Whether a class of a batch is there already, just as it is. */
export async function isThere(batch: Batch): Promise<boolean> {
  const { document } = await fitting(batch)
  const { title, date } = document.class
  const rows = await StudioClass.findAll({ where: { title, day: date }, limit: 100 })
  return rows.some(row => isSame(classInRow(row.document), document))
}

/** Adds a class from a batch, and the papers it brings, inside a transaction that is recorded. */
export async function addBatch(
  batch: Batch,
  transaction: Transaction,
  position: number,
): Promise<{ changes: Recorded[], answer: { id: number } }> {
  const { document, added } = await fitting(batch, transaction)
  await createPapers(added, position, transaction)
  const id = await createClass(document, position, transaction)
  await unbinClass(document, transaction)
  return {
    changes: [
      { entity: 'class', entityKey: String(id), patches: [] },
      ...added.map(({ key }): Recorded => ({ entity: 'paper', entityKey: key, patches: [] })),
    ],
    answer: { id },
  }
}

/** Adds a class from a batch as a change of its own; answers its number. */
export async function importBatch(sequelize: Sequelize, batch: Batch): Promise<number> {
  const { answer } = await recorded(sequelize, 'import class', { token: newMark() }, (transaction, position) =>
    addBatch(batch, transaction, position),
  )
  if (!answer) throw new Error('A change with a new mark had been made already.')
  return answer.id
}
