import type { Sequelize, Transaction } from 'sequelize'
import { Op } from 'sequelize'
import { fittedTo } from '../../core/batch'
import type { Batch } from '../../core/document'
import { StudioPaper } from '../database/models'
import { unbinClass } from './bin'
import { paperFrom } from './documents'
import { newToken, recorded } from './recorded'
import type { Recorded } from '../workers/saving'
import { createClass, createPapers } from './rows'

/** Adds a class from a batch, and the papers it brings, inside a transaction that is recorded. */
export async function addBatch(
  batch: Batch,
  transaction: Transaction,
  position: number,
): Promise<{ changes: Recorded[], answer: { id: number } }> {
  // Of the shelf only what has a key of the file, or one that could be made from it, has a say.
  const keys = batch.papers.map(({ key }) => key)
  const rows = await StudioPaper.findAll({
    where: { [Op.or]: [{ key: keys }, ...keys.map(key => ({ key: { [Op.startsWith]: `${key.slice(0, 70)}-` } }))] },
    transaction,
  })
  const { document, added } = fittedTo(keys.length > 0 ? rows.map(({ document }) => paperFrom(document)) : [], batch)
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
  const { answer } = await recorded(sequelize, 'import class', { token: newToken() }, (transaction, position) =>
    addBatch(batch, transaction, position),
  )
  if (!answer) throw new Error('A change with a new mark had been made already.')
  return answer.id
}
