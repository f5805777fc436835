import { Op, col, fn } from 'sequelize'
import type { Transaction, WhereOptions } from 'sequelize'
import type { Patch } from '../../core/document'
import { Change, Studio, StudioClass } from '../database/models'
import { GONE } from './classes'
import { refusal } from './door'
import { KEPT } from './recorded'

/**
 * Changes of some classes and papers after a position, in order.
 * @param position where the studio stands
 * @param most characters of them
 * @returns nothing where they are more than that, or too old to be kept still
 */
export async function changesAfter(
  since: number, position: number, of: WhereOptions[], most: number, transaction: Transaction,
): Promise<Change[] | undefined> {
  if (since < position - KEPT) return undefined
  const where = { position: { [Op.gt]: since }, [Op.or]: of }
  const [{ size } = { size: 0 }] = await Change.findAll({
    attributes: [[fn('SUM', fn('LENGTH', col('patches'))), 'size']], where, transaction, raw: true,
  }) as unknown as { size: number | null }[]
  if (Number(size ?? 0) > most) return undefined
  return await Change.findAll({ where, order: ['position', 'entity', 'entityKey'], transaction })
}

/** Characters of changes beyond which it is less to read the class anew. */
const MOST = 200_000

/**
 * What has been changed of a class and of any papers since a position, in order; `null` where the class has to be read
 * anew: too much was missed, or something was put there as a whole.
 */
export async function changesSince(id: number, since: number, transaction: Transaction): Promise<Patch[] | null> {
  if (await StudioClass.count({ where: { id }, transaction }) === 0) throw refusal(404, GONE)
  const studio = await Studio.findByPk(1, { transaction })
  const position = Number(studio?.position ?? 0)
  if (since > position) return null
  const changes = await changesAfter(
    since, position, [{ entity: 'class', entityKey: String(id) }, { entity: 'paper' }], MOST, transaction,
  )
  // Of what was imported or brought back it is only known that it is there.
  return !changes || changes.some(({ patches }) => patches.length === 0)
    ? null
    : changes.flatMap(({ patches }) => patches)
}
