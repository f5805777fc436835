import type { Transaction } from 'sequelize'
import { Op } from 'sequelize'
import type { ClassDocument, PaperEntry } from '../../core/document'
import { Awaited, PaperUse, StudioClass, StudioPaper, Takes } from '../database/models'
import { written } from '../database/models/json'
import type { ClassText, PaperRows, RecordedText } from '../workers/saving'
import { classText, paperRows, unfit } from '../workers/saving'
import { refusal, sentence } from './door'
import { anyOf } from './keys'

/*
 * Rows of classes and papers, with what stands beside their documents: what lists are
 * sorted by, and which class uses which paper. Whatever writes a document does it here.
 */

/** Its figures are worked out afterwards. */
const columnsOf = ({ text, title, day }: ClassText, position: number) =>
  ({ document: written(text), position, title, day, stale: position })

async function keepUses(classId: number, papers: string[], transaction: Transaction): Promise<void> {
  await PaperUse.destroy({ where: { classId, paper: { [Op.notIn]: ['', ...papers] } }, transaction })
  await PaperUse.bulkCreate(papers.map(paper => ({ classId, paper })), { transaction, ignoreDuplicates: true })
}

/** Adds a class; answers its number. */
export async function createClass(
  document: ClassDocument, position: number, transaction: Transaction, id?: number,
): Promise<number> {
  const row = classText(document)
  const problem = id === undefined ? unfit(row) : undefined
  if (problem) throw refusal(422, sentence([problem]), { problems: [problem] })
  const made = await StudioClass.create(
    { ...(id !== undefined && { id }), ...columnsOf(row, position) }, { transaction },
  )
  await keepUses(Number(made.id), row.named, transaction)
  return Number(made.id)
}

export async function changeClass(
  id: number, row: ClassText, position: number, transaction: Transaction,
): Promise<void> {
  await StudioClass.update(columnsOf(row, position), { where: { id }, transaction })
  await keepUses(id, row.named, transaction)
}

export async function removeClass(row: StudioClass, transaction: Transaction): Promise<void> {
  const where = { classId: row.id }
  await PaperUse.destroy({ where, transaction })
  await Takes.destroy({ where, transaction })
  await Awaited.destroy({ where, transaction })
  await row.destroy({ transaction })
}

/** Puts papers on the shelf, in place of those that have their keys: all of them with one statement, from one text. */
export async function putPapers(
  { keys, held, text }: PaperRows, position: number, transaction: Transaction,
): Promise<void> {
  if (keys.length === 0) return
  await StudioPaper.sequelize?.query(
    `INSERT INTO papers (\`key\`, name, kind, words, document, position, created_at, updated_at)
      SELECT entry.id, entry.name, entry.kind, entry.words, entry.document, $2, UTC_TIMESTAMP(),
      UTC_TIMESTAMP() FROM JSON_TABLE($1, '$[*]' COLUMNS (
        id VARCHAR(80) PATH '$.key', name VARCHAR(120) PATH '$.name', kind VARCHAR(20) PATH '$.kind',
        words TEXT PATH '$.words',
        document LONGTEXT PATH '$.text'
      )) AS entry
      ON DUPLICATE KEY UPDATE name = VALUES(name), kind = VALUES(kind), words = VALUES(words),
      document = VALUES(document), position = VALUES(position),
        updated_at = VALUES(updated_at)`,
    { bind: [text, position], transaction },
  )
  await StudioPaper.sequelize?.query(
    'DELETE FROM holds WHERE pad IN (SELECT entry.id FROM JSON_TABLE($1, \'$[*]\' COLUMNS (id VARCHAR(80) PATH \'$\')) AS entry)',
    { bind: [JSON.stringify(keys)], transaction },
  )
  if (held.length > 0)
    await StudioPaper.sequelize?.query(
      `INSERT IGNORE INTO holds (pad, paper) SELECT entry.id, entry.paper FROM JSON_TABLE($1, '$[*]' COLUMNS (
        id VARCHAR(80) PATH '$.key', NESTED PATH '$.holds[*]' COLUMNS (paper VARCHAR(80) PATH '$')
      )) AS entry WHERE entry.paper IS NOT NULL`,
      { bind: [text], transaction },
    )
  // What a pad costs is what the papers in it cost.
  await markUsers([...keys, ...held], position, transaction)
}

export const createPapers = (papers: PaperEntry[], position: number, transaction: Transaction): Promise<void> =>
  putPapers(paperRows(papers), position, transaction)

/** Notes down what a change did, all of it with one statement, from one text. */
export async function record(changes: RecordedText, position: number, transaction: Transaction): Promise<void> {
  await StudioPaper.sequelize?.query(
    `INSERT INTO changes (position, entity, entity_key, patches)
      SELECT $2, entry.entity, entry.entity_key, entry.patches FROM JSON_TABLE($1, '$[*]' COLUMNS (
        entity VARCHAR(10) PATH '$.entity', entity_key VARCHAR(80) PATH '$.entityKey', patches LONGTEXT PATH '$.patches'
      )) AS entry`,
    { bind: [changes, position], transaction },
  )
}

/** What is found about the classes that use a paper has to be looked at anew. */
export async function markUsers(papers: string[], position: number, transaction: Transaction): Promise<void> {
  if (papers.length === 0) return
  const users = await PaperUse.findAll({
    attributes: ['classId'], where: { paper: anyOf(PaperUse.sequelize, papers) }, group: ['classId'], transaction,
  })
  if (users.length > 0)
    await StudioClass.update({ stale: position }, { where: { id: users.map(({ classId }) => classId) }, transaction })
}
