import type { Transaction } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassDocument, PaperEntry } from '../../core/document'
import { isSame, namedPapers } from '../../core/document'
import { Binned, StudioClass, StudioPaper } from '../database/models'
import { classInRow, paperInRow } from './documents'
import { refusal } from './door'
import { removeAll } from './keys'
import type { Recorded } from '../workers/saving'
import { createClass, createPapers } from './rows'

/** Days that what was deleted can be brought back. */
export const REST = 30
const DAY = 86_400_000

/** Puts something in, and takes out what has rested long enough; answers its place there. */
async function bin(
  what: Pick<Binned, 'entity' | 'entityKey' | 'title' | 'document'>, transaction: Transaction,
): Promise<number> {
  await emptyBin(Date.now(), transaction)
  return Number((await Binned.create({ ...what, deletedAt: new Date() }, { transaction })).id)
}

/** Puts a class that is being deleted into the bin; answers its place there. */
export const binClass = (id: number, document: ClassDocument, transaction: Transaction): Promise<number> =>
  bin({ entity: 'class', entityKey: String(id), title: document.class.title, document }, transaction)

/** Takes papers off the shelf and puts them into the bin. */
export async function binPapers(keys: string[], transaction: Transaction): Promise<void> {
  await emptyBin(Date.now(), transaction)
  await Binned.sequelize?.query(
    `INSERT INTO ${String(Binned.getTableName())} (entity, entity_key, title, document, deleted_at)
      SELECT 'paper', \`key\`, name, document, UTC_TIMESTAMP() FROM papers
        JOIN JSON_TABLE($1, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS gone ON papers.\`key\` = gone.id`,
    { bind: [JSON.stringify(keys)], transaction },
  )
  await removeAll(StudioPaper.sequelize, 'papers', '`key`', keys, transaction)
}

/** Papers that are there again, by a step back or otherwise, need not be brought back. */
export const unbinPapers = (keys: string[], transaction: Transaction): Promise<void> =>
  removeAll(Binned.sequelize, 'bin', 'entity = \'paper\' AND entity_key', keys, transaction)

/** A class that is there again, from a file for instance, need not be brought back: it would be there twice. */
export async function unbinClass(document: ClassDocument, transaction: Transaction): Promise<void> {
  const rows = await Binned.findAll({ where: { entity: 'class', title: document.class.title }, transaction })
  for (const row of rows) if (isSame(classInRow(row.document), document)) await row.destroy({ transaction })
}

/** Removes for good what has rested long enough. */
export const emptyBin = (now = Date.now(), transaction?: Transaction): Promise<number> =>
  Binned.destroy({ where: { deletedAt: { [Op.lt]: new Date(now - REST * DAY) } }, transaction })

/** What rests in the bin, the newest first. */
export async function binned(): Promise<
  { id: number, entity: 'class' | 'paper', title: string, deleted: string, days: number }[]
> {
  const rows = await Binned.findAll({
    attributes: ['id', 'entity', 'title', 'deletedAt'],
    order: [['deletedAt', 'DESC'], ['id', 'DESC']],
    limit: 500,
  })
  return rows.map(({ id, entity, title, deletedAt }) => ({
    id: Number(id),
    entity,
    title,
    deleted: deletedAt.toISOString(),
    days: Math.max(0, REST - Math.floor((Date.now() - deletedAt.getTime()) / DAY)),
  }))
}

/**
 * Brings something back as it was: a class under its old number, with those of its papers that are in the bin as
 * well; a paper under its old key.
 */
export async function broughtBack(
  id: number,
  transaction: Transaction,
  position: number,
): Promise<{ changes: Recorded[], answer: { entity: 'class' | 'paper', id: string, title: string } }> {
  const row = await Binned.findByPk(id, { transaction })
  if (!row) throw refusal(404, 'That is not in the bin any more. It may have been brought back in another window.')
  if (row.entity === 'paper')
    return { changes: await paperBack(row, transaction, position), answer: answerOf(row, row.entityKey) }

  const document = classInRow(row.document)
  const missing = namedPapers(document)
  const there = await StudioPaper.findAll({ attributes: ['key'], where: { key: missing }, transaction })
  const papers = await Binned.findAll({
    where: { entity: 'paper', entityKey: missing.filter(key => !there.some(paper => paper.key === key)) },
    order: [['id', 'DESC']],
    transaction,
  })
  const changes: Recorded[] = []
  for (const paper of papers) {
    if (!changes.some(({ entityKey }) => entityKey === paper.entityKey))
      changes.push(...(await paperBack(paper, transaction, position)))
  }
  const taken = await StudioClass.findByPk(row.entityKey, { attributes: ['id'], transaction })
  const number = await createClass(document, position, transaction, taken ? undefined : Number(row.entityKey))
  await row.destroy({ transaction })
  return {
    changes: [{ entity: 'class', entityKey: String(number), patches: [] }, ...changes],
    answer: answerOf(row, String(number)),
  }
}

const answerOf = ({ entity, title }: Binned, id: string) => ({ entity, id, title })

async function paperBack(row: Binned, transaction: Transaction, position: number): Promise<Recorded[]> {
  const paper: PaperEntry = paperInRow(row.document)
  if (await StudioPaper.findByPk(paper.key, { attributes: ['key'], transaction }))
    throw refusal(409, `There is a paper with the key “${paper.key}” on the shelf already.`)
  await createPapers([paper], position, transaction)
  await unbinPapers([paper.key], transaction)
  return [{ entity: 'paper', entityKey: paper.key, patches: [] }]
}
