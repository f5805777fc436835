import type { H3Event } from 'h3'
import type { Transaction } from 'sequelize'
import type { Batch, ClassDocument, PaperEntry } from '../../core/document'
import { Studio, StudioClass, StudioPaper } from '../database/models'
import { batchFrom, classFrom, paperFrom } from './documents'
import { refusal } from './door'

const gone = () => refusal(404, 'There is no such class. It may have been deleted in another window.')

/** The number of the class that a route is about. */
export function classIdOf(event: H3Event): number {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^\d{1,9}$/.test(id)) throw gone()
  return Number(id)
}

/** A class as it is saved. */
export async function classOf(
  id: number,
  options: { transaction?: Transaction, lock?: boolean } = {},
): Promise<{ row: StudioClass, document: ClassDocument }> {
  const row = await StudioClass.findByPk(id, options)
  if (!row) throw gone()
  return { row, document: classFrom(row.document) }
}

/** The papers on the shelf, cardstock first. */
export async function shelf(transaction?: Transaction): Promise<PaperEntry[]> {
  const rows = await StudioPaper.findAll({
    order: [
      ['kind', 'ASC'],
      ['name', 'ASC'],
    ],
    transaction,
  })
  return rows.map(({ document }) => paperFrom(document))
}

/** Reads several things as they were at one moment, with the position of the last change before it. */
export const atOneMoment = <T>(read: (transaction: Transaction) => Promise<T>): Promise<T & { position: number }> =>
  useDatabase().transaction(async (transaction) => {
    const studio = await Studio.findByPk(1, { transaction })
    return { ...(await read(transaction)), position: Number(studio?.position ?? 0) }
  })

/** A class with just the papers it uses, as it goes into a file. */
export const batchOf = (id: number): Promise<Batch> =>
  atOneMoment(async (transaction) => {
    const { document } = await classOf(id, { transaction })
    return batchFrom(document, await shelf(transaction))
  }).then(({ position: _, ...batch }) => batch)
