import type { Transaction } from 'sequelize'
import { fittedTo } from '../../core/batch'
import type { Batch } from '../../core/document'
import { StudioClass, StudioPaper } from '../database/models'
import { storedPaper } from './documents'
import { shelf } from './classes'
import type { Recorded } from './edits'

/** Adds a class from a batch, and the papers it brings, inside a transaction that is recorded. */
export async function addBatch(
  batch: Batch,
  transaction: Transaction,
  position: number,
): Promise<{ changes: Recorded[], answer: { id: number } }> {
  const { document, added } = fittedTo(await shelf(transaction), batch)
  for (const paper of added) await StudioPaper.create({ ...storedPaper(paper), position }, { transaction })
  const { id } = await StudioClass.create({ document, position }, { transaction })
  return {
    changes: [
      { entity: 'class', entityKey: String(id), patches: [] },
      ...added.map(({ key }): Recorded => ({ entity: 'paper', entityKey: key, patches: [] })),
    ],
    answer: { id },
  }
}
